"""Outlines united and cut, against shapely on flattened shapes (checks.md: area of booleans)."""

from __future__ import annotations

import math

import pytest
from hypothesis import given
from hypothesis import strategies as st
from shapely.geometry.base import BaseGeometry

from curlet.core.drawing import Outline
from curlet.core.outlines import box, capsule, disc, lines, moved
from curlet.core.path.booleans import combined, line_as_area
from tests.outlines import even_odd_area

OPS = {
    "unite": BaseGeometry.union,
    "cut": BaseGeometry.difference,
    "common": BaseGeometry.intersection,
    "apart": BaseGeometry.symmetric_difference,
}


def area(outline: Outline) -> BaseGeometry:
    return even_odd_area(outline, 96)


@pytest.mark.parametrize("how", list(OPS))
@given(st.floats(-6, 6), st.floats(-4, 4), st.floats(0, 90), st.floats(1, 5))
def test_areas_agree_with_shapely(how: str, x: float, y: float, turn: float, size: float) -> None:
    one, other = moved(capsule(-6, 6, 2.5), 0, 0, 20), moved(box(-size, -2, size, 2), x, y, turn)
    wanted = OPS[how](area(one), area(other))
    made = combined([one, other], how, [False, False])
    if made is None:
        assert wanted.area < 1e-2
    else:
        assert area(made).area == pytest.approx(wanted.area, abs=0.02)


def test_a_hole_stays_a_hole() -> None:
    ring = combined([disc(0, 0, 10), disc(0, 0, 6)], "cut", [False, False])
    assert ring is not None
    assert area(ring).area == pytest.approx(math.pi * (100 - 36), rel=1e-3)
    crossed = combined([ring, box(-20, -1, 20, 1)], "common", [False, False])
    assert crossed is not None
    assert area(crossed).area == pytest.approx(2 * 2 * 4, rel=0.02)


@pytest.mark.parametrize(("ends", "more"), [("flat", 0.0), ("square", 2.0 * 2.0), ("round", math.pi)])
def test_a_line_covers_its_weight_and_its_ends(ends: str, more: float) -> None:
    """SVG 2, 13.5: butt, square and round caps."""
    made = line_as_area(lines([(0, 0), (10, 0)]), 2.0, ends, "mitre")
    assert made is not None
    assert area(made).area == pytest.approx(20 + more, rel=2e-3)


def test_a_mitred_corner_reaches_as_far_as_svg_says() -> None:
    """SVG 2, 13.5.5: mitre length = width / sin(θ/2); at 90° a corner's tip is w/√2 from the node."""
    made = line_as_area(lines([(0, 0), (10, 0), (10, 10)]), 2.0, "flat", "mitre")
    assert made is not None
    assert area(made).bounds == pytest.approx((0, -1, 11, 10), abs=1e-3)
