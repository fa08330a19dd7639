"""Numbers as they are written: as short as may be, and read back as what they were."""

from __future__ import annotations

import re

import numpy as np
import pytest
from hypothesis import given
from hypothesis import strategies as st

from curlet.core.drawing import Outline
from curlet.core.path import Path
from curlet.core.path.outline import joined, outline_of
from curlet.formats.numbers import number, numbers, outline_data, path_data, terse_data
from curlet.formats.path_data import read_contours
from tests.shapes import circle, paths, polyline, square

ORDINARY = st.floats(-20_000, 20_000, allow_nan=False)


@pytest.mark.parametrize(
    ("value", "text"),
    [(0, "0"), (-0.0, "0"), (1, "1"), (1.5, "1.5"), (-0.00001, "0"), (0.00005001, "0.0001"), (1e-12, "0"),
     (123.456789, "123.4568"), (-3.10, "-3.1"), (20_000, "20000")],
)  # fmt: skip
def test_a_number_is_as_short_as_may_be(value: float, text: str) -> None:
    assert number(value) == text


@given(st.lists(ORDINARY, max_size=8))
def test_numbers_are_read_back_to_a_tenth_of_a_micrometre(values: list[float]) -> None:
    back = [float(part) for part in numbers(values).split()]
    assert back == pytest.approx(values, abs=0.5001e-4)
    assert "-0 " not in numbers(values) + " "


@given(paths())
def test_a_path_written_is_read_back_as_it_was(path: Path) -> None:
    outline = outline_of(path)
    for text in (outline_data(outline), terse_data(outline)):
        (contour,) = read_contours(text)
        assert contour.closed == path.closed
        assert contour.start == pytest.approx(tuple(path.points[0]), abs=1e-4)
        drawn = contour.cubics[:, [0, 3]] if len(contour.cubics) else np.zeros((0, 2, 2))
        kept = path.segments[:, [0, 3]]
        # What is shorter than a tenth of a micrometre is no piece any more.
        if len(drawn) == len(kept):
            assert np.abs(drawn - kept).max() < 1.01e-4


def test_the_terse_way_says_no_command_twice_and_draws_the_same() -> None:
    bent = polyline((0, 0), (5, 5), (9, 1))
    outline = joined([outline_of(path) for path in (square(10), circle(4), bent)])
    plain, terse = outline_data(outline), terse_data(outline)
    assert len(terse) <= len(plain)
    assert terse.count("M") == 3
    assert terse.count("C") == 1
    for one, other in zip(read_contours(plain), read_contours(terse), strict=True):
        assert (one.cubics == other.cubics).all()


def test_decimals_are_as_asked_and_an_outline_is_written_once_for_each() -> None:
    outline = outline_of(circle(3.14159))
    coarse, fine = terse_data(outline, 1), terse_data(outline, 4)
    assert max(len(part) for part in re.findall(r"\.(\d+)", coarse)) == 1
    assert len(fine) > len(coarse)
    assert terse_data(outline, 1) == coarse


def test_nothing_is_written_of_nothing() -> None:
    nothing = Outline("", np.zeros((0, 2)))
    assert outline_data(nothing) == ""
    assert path_data("", np.zeros((0, 2))) == ""


def test_a_whole_number_has_no_point() -> None:
    assert outline_data(outline_of(square(10))) == "M0 0L10 0L10 10L0 10L0 0Z"
