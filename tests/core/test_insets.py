"""Insets of areas: how wide they are within, and what is left when their edge moves inwards."""

from __future__ import annotations

import math

import numpy as np
import pytest

from curlet.core.drawing import Outline
from curlet.core.outlines import box, capsule, disc, together
from curlet.core.path.contours import contours
from curlet.core.path.cubics import points_on
from curlet.core.path.flat import flat
from curlet.core.path.insets import (
    fitted,
    half_width,
    half_width_of_parts,
    insets,
    left_of_endless,
    left_of_parts,
)

RING = together(disc(0, 0, 5.0), disc(0, 0, 3.0))
# The same with its hole the other way round.
WOUND = Outline(RING.commands, np.concatenate([disc(0, 0, 5.0).points, disc(0, 0, 3.0).points[::-1]]))


def edge(outline: Outline | None) -> np.ndarray:
    """Points all along an outline."""
    assert outline is not None
    cubics = np.concatenate([part.cubics for part in contours(outline)])
    return points_on(cubics, np.linspace(0, 1, 25)).reshape(-1, 2)


def size(outline: Outline | None) -> float:
    return 0.0 if outline is None else float(flat(outline, 1e-3).polygon(False).area)


@pytest.mark.parametrize("by", [0.1, 1.0, 1.9])
def test_a_circles_inset_is_a_smaller_circle(by: float) -> None:
    (inset,) = insets(disc(3, -1, 2.0), (by,))
    assert np.hypot(*(edge(inset) - (3, -1)).T) == pytest.approx(2.0 - by, abs=0.03)
    # A few cubics, not a polygon of many sides.
    assert inset is not None
    assert len(inset.commands) < 14


def test_past_its_half_width_nothing_is_left() -> None:
    assert half_width(disc(0, 0, 2.0)) == pytest.approx(2.0, rel=0.02)
    assert half_width(capsule(0, 10, 1.5)) == pytest.approx(1.5, rel=0.02)
    assert insets(disc(0, 0, 2.0), (2.05, 7.0)) == (None, None)
    assert half_width(Outline("ML", np.zeros((2, 2)))) == 0.0


@pytest.mark.parametrize(("outline", "even_odd"), [(RING, True), (WOUND, False)])
def test_a_ring_is_cut_back_at_both_of_its_edges(outline: Outline, even_odd: bool) -> None:
    assert half_width(outline, even_odd) == pytest.approx(1.0, rel=0.02)
    (inset,) = insets(outline, (0.4,), even_odd)
    away = np.hypot(*edge(inset).T)
    assert away.min() == pytest.approx(3.4, abs=0.03)
    assert away.max() == pytest.approx(4.6, abs=0.03)
    assert size(inset) == pytest.approx(math.pi * (4.6**2 - 3.4**2), rel=0.02)


def test_without_the_rule_a_hole_that_runs_its_outlines_way_is_none() -> None:
    assert half_width(RING) == pytest.approx(5.0, rel=0.02)


def test_parts_that_run_opposite_ways_side_by_side_are_both_there() -> None:
    apart = disc(9, 0, 2.0)
    outline = Outline("MCCCCZ" * 2, np.concatenate([disc(0, 0, 2.0).points, apart.points[::-1]]))
    assert size(outline) == pytest.approx(2 * math.pi * 4, rel=0.01)
    assert size(insets(outline, (0.5,))[0]) == pytest.approx(2 * math.pi * 1.5**2, rel=0.03)


def test_corners_stay_corners_and_sides_straight() -> None:
    (inset,) = insets(box(0, 0, 10, 4), (1.0,))
    assert inset is not None
    corners = {tuple(point) for point in inset.points.round(3).tolist()}
    assert corners == {(1.0, 1.0), (9.0, 1.0), (9.0, 3.0), (1.0, 3.0)}
    # A house: its eaves turn by 30°.
    house = Outline("MLLLLZ", np.array([[0, 0], [0, 3], [4, 10], [8, 3], [8, 0]], dtype=float))
    (inset,) = insets(house, (0.1,))
    assert edge(inset).min(axis=0) == pytest.approx([0.1, 0.1], abs=1e-3)
    assert edge(inset)[:, 0].max() == pytest.approx(7.9, abs=1e-3)


def test_what_falls_in_two_is_both() -> None:
    dumbbell = Outline(
        "MLLLLLLLLLLLZ",
        np.array(
            [
                [0, 0], [4, 0], [4, 1.8], [8, 1.8], [8, 0], [12, 0],
                [12, 4], [8, 4], [8, 2.2], [4, 2.2], [4, 4], [0, 4],
            ],
            dtype=float,
        ),
    )  # fmt: skip
    (inset,) = insets(dumbbell, (0.5,))
    assert inset is not None
    assert len(contours(inset)) == 2


def test_parts_of_a_link_are_inset_as_one() -> None:
    """Two halves of a disc: where they meet is no edge."""
    halves = [
        Outline("MLCCZ", np.array([[0, -2], [0, 2], *disc(0, 0, 2.0).points[[4, 5, 6, 7, 8, 9]]])),
        box(0, -2, 2, 2),
    ]
    assert half_width_of_parts(halves) == pytest.approx(2.0, rel=0.05)
    (left,), (right,) = fitted(left_of_parts(halves, (0.5,), (0.2,)))
    # Each goes on past the seam by as much as it is to be moved.
    assert edge(left)[:, 0].max() == pytest.approx(0.2, abs=0.02)
    assert edge(right)[:, 0].min() == pytest.approx(-0.2, abs=0.02)
    assert edge(right)[:, 0].max() == pytest.approx(1.5, abs=0.02)


def test_what_repeats_end_to_end_has_no_edge_at_its_ends() -> None:
    ((inset,),) = fitted([left_of_endless(box(0, -1, 5, 1), 5.0, (0.25,), (0.1,))])
    assert edge(inset).min(axis=0) == pytest.approx([-0.1, -0.75], abs=1e-3)
    assert edge(inset).max(axis=0) == pytest.approx([5.1, 0.75], abs=1e-3)
