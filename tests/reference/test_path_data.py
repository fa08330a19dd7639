"""Path data, against svgpathtools (its parser is its own) and against what SVG 2, chapter 9, says of it."""

from __future__ import annotations

import math

import numpy as np
import pytest
import svgpathtools
from hypothesis import given, settings
from hypothesis import strategies as st

from curlet.formats.path_data import read_contours

whole = st.integers(-40, 40)
flag = st.integers(0, 1)


def _step(command: str, count: int) -> st.SearchStrategy[str]:
    numbers = st.lists(whole, min_size=count, max_size=count)
    return st.builds(
        lambda n, low: (command.lower() if low else command) + " ".join(map(str, n)), numbers, flag
    )


# svgpathtools does not take an arc that ends where it begins.
arcs = st.builds(
    lambda rx, ry, turn, large, sweep, to: f"a{rx} {ry} {turn} {large}{sweep}{to[0]},{to[1]}",
    st.integers(1, 30), st.integers(1, 30), whole, flag, flag, st.tuples(whole, whole).filter(any),
)  # fmt: skip
# A shorthand after a piece of another kind has no handle to mirror, which svgpathtools takes otherwise for T.
curves = st.one_of(
    _step("L", 2), _step("H", 1), _step("V", 1), _step("C", 6), _step("Q", 4), arcs,
    st.builds(lambda a, b: a + b, _step("C", 6), _step("S", 4)),
    st.builds(lambda a, b: a + b, _step("Q", 4), _step("T", 2)),
)  # fmt: skip


@settings(max_examples=250, deadline=None)
@given(st.tuples(whole, whole), st.lists(curves, min_size=1, max_size=6), st.booleans())
def test_path_data_is_read_as_svgpathtools_reads_it(
    start: tuple[int, int], steps: list[str], closed: bool
) -> None:
    data = f"M{start[0]} {start[1]}" + "".join(steps) + "z" * closed
    theirs = [part for part in svgpathtools.parse_path(data) if part.start != part.end or not _straight(part)]
    length = sum(part.length(error=1e-7) for part in theirs)
    (ours,) = read_contours(data)
    chords = _lengths(ours.cubics)
    assert chords == pytest.approx(length, rel=2e-4, abs=1e-6)
    if theirs:
        ends = [complex(*ours.cubics[0, 0]), complex(*ours.cubics[-1, 3])]
        assert np.abs(np.array(ends) - [theirs[0].start, theirs[-1].end]).max() < 1e-6


def _straight(part: object) -> bool:
    return isinstance(part, svgpathtools.Line | svgpathtools.Arc)


def _lengths(cubics: np.ndarray) -> float:
    t = np.linspace(0, 1, 201)[:, None, None]
    a, b, c, d = cubics.transpose(1, 0, 2)
    points = a * (1 - t) ** 3 + 3 * b * t * (1 - t) ** 2 + 3 * c * t**2 * (1 - t) + d * t**3
    return float(np.hypot(*np.moveaxis(np.diff(points, axis=0), -1, 0)).sum())


def test_flags_may_stand_together() -> None:
    """SVG 2, 9.3.9: the grammar needs nothing between an arc's flags and what follows."""
    (packed,) = read_contours("M0 0a10 10 0 0120 0")
    (spaced,) = read_contours("M 0 0 a 10 10 0 0 1 20 0")
    assert (packed.cubics == spaced.cubics).all()


def test_radii_that_do_not_reach_are_enlarged() -> None:
    """SVG 2, B.2.5: a chord of 20 with radii of 5 is half a circle of radius 10."""
    (arc,) = read_contours("M0 0A5 5 0 0 1 20 0")
    assert _lengths(arc.cubics) == pytest.approx(math.pi * 10, rel=1e-5)
    middle = arc.cubics.reshape(-1, 2)[:, 1].min()
    assert middle == pytest.approx(-10, rel=1e-6)


@pytest.mark.parametrize("radii", ["0 5", "5 0"])
def test_an_arc_without_a_radius_is_a_line(radii: str) -> None:
    """SVG 2, B.2.5."""
    (line,) = read_contours(f"M0 0A{radii} 0 0 1 20 0")
    assert line.cubics.tolist() == [[[0, 0], [0, 0], [20, 0], [20, 0]]]


@pytest.mark.parametrize(
    ("data", "segments"),
    [
        ("M0 0L10 0L20", 1),
        ("M0 0L10 0 20 0 x 30 0", 2),
        ("M0 0C1 1 2 2", 0),
        ("L10 0L20 0", 0),
        ("M0 0L10 0,,#L20 0", 1),
        ("", 0),
    ],
)
def test_all_before_the_first_fault_is_drawn(data: str, segments: int) -> None:
    """SVG 2, 9.5.4: render up to and including the last command that is right."""
    assert sum(len(contour.cubics) for contour in read_contours(data)) == segments


def test_pairs_after_a_move_are_lines_and_a_close_begins_anew_where_it_began() -> None:
    """SVG 2, 9.3.3 and 9.3.4."""
    first, second = read_contours("m10 10 5 0 0 5z l-5 0")
    assert (first.closed, len(first.cubics)) == (True, 3)
    assert (second.closed, second.start) == (False, (10, 10))
    assert second.cubics[0, 3].tolist() == [5, 10]


def test_a_shorthand_after_another_kind_has_its_handle_where_it_begins() -> None:
    """SVG 2, 9.3.6: only a C or S before gives an S its first handle."""
    (contour,) = read_contours("M0 0Q5 9 10 0S15 9 20 0")
    assert contour.cubics[1, 1].tolist() == [10, 0]
