"""Paths: what is refused, what survives an edit."""

from __future__ import annotations

import math

import numpy as np
import pytest
from hypothesis import given

from curlet.core.errors import BadInput, TooMuch
from curlet.core.path import Path, edit, find_corners
from curlet.core.path.together import measure_together
from tests.shapes import cubic, line, paths, polyline, square

S_CURVE = cubic((0, 0), (10, -20), (20, 20), (30, 0), (40, -20), (50, 20), (60, 0))


def test_impossible_coordinates_are_refused() -> None:
    with pytest.raises(BadInput, match="not a number"):
        polyline((0, 0), (math.nan, 1))
    with pytest.raises(BadInput, match="1 km"):
        polyline((0, 0), (2e6, 1))


@pytest.mark.parametrize("closed", [False, True])
def test_a_path_without_length_is_refused(closed: bool) -> None:
    with pytest.raises(BadInput, match="no length"):
        polyline((3, 3), (3, 3), (3, 3), closed=closed)


def test_too_many_nodes_are_refused() -> None:
    points = np.zeros((20_001, 2))
    points[:, 0] = np.arange(20_001)
    with pytest.raises(TooMuch, match="20,000"):
        Path.make([str(i) for i in range(20_001)], points, points, points, False)


def test_repeated_points_go_and_are_told() -> None:
    path = polyline((0, 0), (5, 0), (5, 0), (9, 0))
    assert path.node_ids == ("n1", "n2", "n4")
    assert path.notes == ("1 repeated points were left out.",)


def test_a_repeated_point_keeps_the_curve_on_both_sides_and_the_start() -> None:
    points = np.array([(0, 0), (10, 0), (10, 0), (10, 10), (0, 0)], dtype=float)
    into, out = points.copy(), points.copy()
    out[0], into[1], out[2], into[3], out[3], into[4] = (3, -3), (7, -3), (14, 2), (14, 8), (7, 14), (-2, 8)
    path = Path.make(["a", "b", "c", "d", "e"], points, into, out, closed=True)
    assert path.node_ids == ("a", "b", "d")
    assert path.out[1] == pytest.approx([14, 2])
    assert path.into[0] == pytest.approx([-2, 8])
    assert path.out[0] == pytest.approx([3, -3])


@given(paths())
def test_positions_are_finite_and_monotone(path: Path) -> None:
    s = np.linspace(0, path.length, 101)
    points = path.arc.points(s)
    assert np.isfinite(points).all()
    assert np.isfinite(path.arc.tangents(s)).all()
    steps = np.hypot(*np.diff(points, axis=0).T)
    assert (steps <= np.diff(s) * (1 + 1e-6) + 1e-6).all()


def test_a_closed_path_wraps_round() -> None:
    path = square(10)
    assert path.arc.points([43.0])[0] == pytest.approx([3, 0])
    assert path.arc.points([-3.0])[0] == pytest.approx([0, 3])


def test_normals_point_to_the_right_of_the_way() -> None:
    # y grows downward: walking right, the right hand is below.
    assert line(10).arc.normals([5.0])[0] == pytest.approx([0, 1])


def test_the_tangent_at_a_retracted_handle_is_toward_the_next_control_point() -> None:
    path = cubic((0, 0), (0, 0), (0, 10), (10, 10))
    assert path.arc.tangents([0.0])[0] == pytest.approx([0, 1])


def test_adding_a_node_keeps_the_line_and_the_other_ids() -> None:
    place = S_CURVE.arc.points([20.0])[0]
    grown = edit.add_node(S_CURVE, tuple(place), "new")
    assert grown.node_ids == ("n1", "new", "n2", "n3")
    s = np.linspace(0, S_CURVE.length, 50)
    assert np.abs(grown.arc.points(s) - S_CURVE.arc.points(s)).max() < 1e-6


def test_adding_a_node_midway_after_another() -> None:
    grown = edit.add_node_after(square(10), "n4", "new")
    assert grown.node_ids[-1] == "new"
    assert grown.points[-1] == pytest.approx([0, 5])
    with pytest.raises(BadInput, match="last node"):
        edit.add_node_after(line(10), "n2", "new")


def test_moving_a_node_takes_its_handles_along() -> None:
    moved = edit.move_nodes(S_CURVE, {"n2": (30, 5)})
    assert moved.into[1] - moved.points[1] == pytest.approx(S_CURVE.into[1] - S_CURVE.points[1])


def test_handles_in_line_stay_in_line_unless_one_is_freed() -> None:
    bent = edit.move_handle(S_CURVE, "n2", "out", (40, 10))
    a, b = bent.into[1] - bent.points[1], bent.out[1] - bent.points[1]
    assert a[0] * b[1] - a[1] * b[0] == pytest.approx(0, abs=1e-9)
    freed = edit.move_handle(S_CURVE, "n2", "out", (40, 10), "free")
    assert (freed.into[1] == S_CURVE.into[1]).all()


def test_equal_handles_stay_as_long_as_each_other() -> None:
    bent = edit.move_handle(S_CURVE, "n2", "out", (40, 10), "equal")
    into, out = bent.into[1] - bent.points[1], bent.out[1] - bent.points[1]
    assert into == pytest.approx(-out)


def test_handles_are_brought_in_line_and_say_so() -> None:
    freed = edit.move_handle(S_CURVE, "n2", "out", (40, 10), "free")
    assert freed.handles[1] == "free"
    aligned = edit.align_handles(freed, "n2", equal=False)
    assert aligned.handles[1] == "line"
    for side in ("into", "out"):
        before, after = (np.hypot(*(getattr(p, side)[1] - p.points[1])) for p in (freed, aligned))
        assert after == pytest.approx(before)
    equal = edit.align_handles(freed, "n2", equal=True)
    assert equal.into[1] - equal.points[1] == pytest.approx(equal.points[1] - equal.out[1])
    # A straight node gets handles first.
    assert edit.align_handles(square(10), "n1", equal=True).handles[0] == "line"
    assert square(10).handles == [None] * 4


def test_deleting_to_less_than_two_nodes_is_refused() -> None:
    with pytest.raises(BadInput, match="two nodes"):
        edit.delete_nodes(line(10), ["n1"])


def test_straight_and_curved_and_back() -> None:
    bent = edit.curve(polyline((0, 0), (10, 0), (10, 10)), "n2")
    assert bent.length > 20 * 0.7
    assert not bent.straight.any()
    assert edit.straighten(bent, "n2").length == pytest.approx(20)


def test_paths_measured_together_are_as_each_by_itself() -> None:
    apart = [S_CURVE, square(10), line(7), polyline((0, 0), (3, 4), (9, 4))]
    together = [edit.move_nodes(path, {}) for path in apart]
    measure_together(together)
    for one, other in zip(apart, together, strict=True):
        assert "arc" not in other.__dict__
        assert other.length == pytest.approx(one.length, abs=1e-9)
        assert other.node_positions == pytest.approx(one.node_positions, abs=1e-9)
        assert other.turns == pytest.approx(one.turns, abs=1e-9)
        assert [c.node_id for c in find_corners(other)] == [c.node_id for c in find_corners(one)]


@pytest.mark.parametrize("off", [0.0, 3e-13, -3e-13])
@pytest.mark.parametrize("many", [False, True], ids=["one by one", "many at once"])
def test_both_sides_of_a_node_are_told_apart_within_a_rounding(off: float, many: bool) -> None:
    """A node's own position may differ by rounding from where its segment begins."""
    nodes = 70 if many else 6
    path = polyline(*((k / 3 + 0.1 * (k % 3), k % 2 * 0.7) for k in range(nodes)))
    starts, ends = path.end_tangents
    s = path.node_positions[1:-1] + off
    assert path.arc.tangents(s) == pytest.approx(starts[1:])
    assert path.arc.tangents(s, before=True) == pytest.approx(ends[:-1])


@pytest.mark.parametrize("closed", [False, True])
def test_a_curved_nodes_handles_reach_a_third_of_the_way_to_its_neighbours(closed: bool) -> None:
    path = edit.curve(polyline((0, 0), (30, 0), (30, 12), (0, 12), closed=closed), "n2")
    node = path.points[1]
    into, out = path.into[1] - node, path.out[1] - node
    assert [np.hypot(*into), np.hypot(*out)] == pytest.approx([10, 4])
    # Level with the line between the two neighbours.
    way = np.array([30.0, 12.0]) / np.hypot(30, 12)
    assert into / np.hypot(*into) == pytest.approx(-way)
    assert out / np.hypot(*out) == pytest.approx(way)


def test_the_first_node_of_an_open_path_is_curved_toward_its_only_neighbour() -> None:
    path = edit.curve(polyline((0, 0), (30, 0), (30, 12)), "n1")
    assert path.out[0] == pytest.approx([10, 0])
    assert path.into[0] == pytest.approx([0, 0])


@pytest.mark.parametrize("radius", [0.4, 1.0, 2.0])
def test_a_small_fillet_is_a_corner_at_its_very_middle(radius: float) -> None:
    k = radius * 4 / 3 * math.tan(math.pi / 8)
    ends = np.array([[0, 0], [20 - radius, 0], [20, radius], [20, 20.0]])
    into, out = ends.copy(), ends.copy()
    out[1, 0] += k
    into[2, 1] -= k
    path = Path.make(["a", "b", "c", "d"], ends, into, out, closed=False)
    (corner,) = find_corners(path, reach=6)
    assert corner.s == pytest.approx(path.length / 2, abs=1e-5)
    assert corner.turn == pytest.approx(90, abs=1e-6)
