"""Paths worked out many at a time: nothing that is asked of one hangs on the others."""

from __future__ import annotations

import numpy as np
import pytest
from hypothesis import given
from hypothesis import strategies as st

from curlet.core.path import Path, edit, find_corners, find_legs
from curlet.core.path.chain import chain_to_path
from curlet.core.path.outline import joined, outline_of
from curlet.core.path.path import turned
from curlet.core.path.together import measure_together
from tests.shapes import circle, line, paths, polyline, square, turn


def copied(path: Path) -> Path:
    """The same path, of which nothing has been worked out."""
    return Path.make(path.node_ids, path.points, path.into, path.out, path.closed)


@given(st.lists(paths(), min_size=1, max_size=5))
def test_together_is_as_one_by_one(many: list[Path]) -> None:
    apart = [copied(path) for path in many]
    measure_together(many)
    for one, other in zip(apart, many, strict=True):
        assert (other.segments == one.segments).all()
        assert (other.straight == one.straight).all()
        assert other.handles == one.handles
        assert other.length == pytest.approx(one.length, rel=1e-9, abs=1e-7)
        assert other.node_positions == pytest.approx(one.node_positions, rel=1e-9, abs=1e-7)
        assert other.turns == pytest.approx(one.turns, abs=1e-6)
        for mine, its in zip(other.end_tangents, one.end_tangents, strict=True):
            assert mine == pytest.approx(its, abs=1e-9)


@given(st.lists(paths(), min_size=2, max_size=4))
def test_what_was_measured_together_can_be_worked_on_as_any_path(many: list[Path]) -> None:
    measure_together(many)
    for path in many:
        other = copied(path)
        assert [c.node_id for c in find_corners(path)] == [c.node_id for c in find_corners(other)]
        back = path.reversed()
        assert back.length == pytest.approx(path.length, rel=1e-9, abs=1e-7)
        middle = path.arc.points([path.length / 2])[0]
        assert np.abs(middle - other.arc.points([other.length / 2])[0]).max() < 1e-4


def test_one_path_twice_and_none_at_all_are_no_trouble() -> None:
    measure_together([])
    path = square(10)
    measure_together([path, path])
    assert path.length == pytest.approx(40)
    measure_together([path, line(3)])
    assert path.turns == pytest.approx([90, 90, 90, 90])


@pytest.mark.parametrize("degrees", [0.0, 29.0, 31.0, 90.0, -120.0, 179.0, 180.0])
def test_a_turn_has_its_side_and_a_doubling_back_is_whole(degrees: float) -> None:
    path = turn(degrees)
    assert path.turns[0] == path.turns[-1] == 0
    assert path.turns[1] == pytest.approx(degrees, abs=1e-6)
    assert len(find_corners(path)) == (1 if abs(degrees) >= 30 else 0)


def test_turns_of_a_closed_path_go_once_round() -> None:
    """The total turning of a simple closed curve is a whole turn: Hopf's Umlaufsatz."""
    assert square(10).turns.sum() == pytest.approx(360)
    assert polyline((0, 0), (0, 10), (10, 10), closed=True).turns.sum() == pytest.approx(-360)
    assert circle(5).turns == pytest.approx(np.zeros(16), abs=1e-4)


@given(st.floats(-179, 179), st.floats(-179, 179))
def test_a_turn_between_two_directions_is_their_difference(one: float, other: float) -> None:
    a, b = (np.array([[np.cos(np.radians(x)), np.sin(np.radians(x))]]) for x in (one, other))
    found = float(turned(a, b)[0])
    wanted = (other - one + 180) % 360 - 180
    assert min(abs(found - wanted), abs(abs(found - wanted) - 360)) < 1e-6


@given(paths())
def test_an_outline_draws_the_path_and_nothing_else(path: Path) -> None:
    outline = outline_of(path)
    assert outline.commands.count("M") == 1
    assert outline.commands.endswith("Z") == path.closed
    assert outline.commands.count("L") == int(path.straight.sum())
    assert outline.commands.count("C") == int((~path.straight).sum())
    assert (outline.points[0] == path.points[0]).all()
    # The same path has the same outline: what was written of it is found again.
    assert outline_of(path) is outline


def test_outlines_are_joined_as_contours_of_their_own() -> None:
    whole = joined([outline_of(square(4)), outline_of(line(9)), outline_of(circle(2))])
    assert whole.commands.count("M") == 3
    assert whole.commands.count("Z") == 2
    assert len(whole.points) == 1 + 4 + 1 + 1 + 1 + 3 * 16


@given(paths())
def test_a_path_made_again_of_its_cubics_is_the_same_line(path: Path) -> None:
    again = chain_to_path(path.segments, path.closed)
    assert again.length == pytest.approx(path.length, rel=1e-6, abs=1e-6)
    s = np.linspace(0, 1, 23)
    gaps = path.arc.points(s * path.length) - again.arc.points(s * again.length)
    assert np.hypot(*gaps.T).max() < 1e-3


@given(paths())
def test_legs_cover_the_path_once(path: Path) -> None:
    legs = find_legs(path, find_corners(path))
    assert sum(leg.length for leg in legs) == pytest.approx(path.length, rel=1e-9, abs=1e-7)
    for before, after in zip(legs, legs[1:], strict=False):
        assert before.s1 == pytest.approx(after.s0)


@given(paths(), st.floats(0.02, 0.98))
def test_a_node_put_in_changes_no_point_of_the_line(path: Path, share: float) -> None:
    spot = path.arc.points([share * path.length])[0]
    divided = edit.add_node(path, (float(spot[0]), float(spot[1])), "new")
    assert divided.length == pytest.approx(path.length, rel=1e-6, abs=1e-6)
    places = np.linspace(0, 1, 31)
    gaps = divided.arc.points(places * divided.length) - path.arc.points(places * path.length)
    assert np.hypot(*gaps.T).max() < 1e-3
