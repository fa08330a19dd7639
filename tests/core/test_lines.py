"""Frames, own lines and walks: the axes everything is laid on."""

from __future__ import annotations

import math

import numpy as np
import pytest
from hypothesis import given
from hypothesis import strategies as st

from curlet.core.errors import BadInput
from curlet.core.lay.frames import LegLine
from curlet.core.lay.own_line import OwnLine
from curlet.core.path import Path, find_corners, find_legs
from curlet.core.path.cubics import points_on, rates_on, split
from curlet.core.path.walk import opened, started_at
from tests.shapes import circle, cubic, ellipse, line, paths, polyline, square, turn

S_CURVE = cubic((0, 0), (10, -20), (20, 20), (30, 0))


def legs(path: Path) -> LegLine:
    return LegLine(path, find_legs(path, find_corners(path)))


def zeros(count: int, leg: int = 0) -> np.ndarray:
    return np.full(count, leg)


def test_a_leg_goes_on_straight_past_its_corner() -> None:
    frames = legs(turn(90, 40)).frames(np.array([39.0, 40.0, 46.0]), zeros(3))
    assert frames.point == pytest.approx(np.array([[39, 0], [40, 0], [46, 0]]))
    assert frames.along == pytest.approx(np.array([[1, 0]] * 3))
    assert frames.across == pytest.approx(np.array([[0, 1]] * 3))


def test_and_before_its_start() -> None:
    frames = legs(turn(90, 40)).frames(np.array([34.0, 40.0]), zeros(2, 1))
    assert frames.point == pytest.approx(np.array([[40, -6], [40, 0]]))
    assert frames.along == pytest.approx(np.array([[0, 1]] * 2))


def test_past_a_curved_end_there_is_no_bend() -> None:
    path = S_CURVE
    frames = legs(path).frames(np.array([path.length / 4, path.length + 5]), zeros(2))
    assert frames.bend[0] != 0
    assert frames.bend[1] == 0


@given(paths(5))
def test_frames_are_right_angled_and_of_unit_length(path: Path) -> None:
    s = np.linspace(0, path.length, 60)[1:-1]
    frames = LegLine(path, find_legs(path, ())).frames(s, zeros(len(s)))
    size = np.hypot(*frames.along.T)
    assert ((np.abs(size - 1) < 1e-6) | (size < 1e-6)).all()
    assert (frames.along * frames.across).sum(axis=1) == pytest.approx(np.zeros(len(s)), abs=1e-9)


@pytest.mark.parametrize("offset", [-3.5, -2.0, 2.0, 3.5])
def test_an_own_line_is_as_long_as_the_line_it_is(offset: float) -> None:
    path = S_CURVE
    own = OwnLine(legs(path), 0, offset)
    s = np.linspace(0, path.length, 60_001)
    beside = path.arc.points(s) + offset * path.arc.normals(s)
    speed = 1 - path.arc.curvature(s) * offset
    forward = np.hypot(*np.diff(beside, axis=0).T)[(speed[1:] > 0) & (speed[:-1] > 0)].sum()
    assert own.length == pytest.approx(forward, rel=2e-3)


def test_places_on_an_own_line_are_evenly_spaced_on_it() -> None:
    path = ellipse(40, 25)
    own = OwnLine(LegLine(path, find_legs(path, ())), 0, -10.0)
    s = own.at(np.linspace(0, own.length, 101))
    beside = path.arc.points(s) - 10 * path.arc.normals(s)
    steps = np.hypot(*np.diff(beside, axis=0).T)
    assert steps == pytest.approx(np.full(100, own.length / 100), rel=2e-3)


@pytest.mark.parametrize(
    ("degrees", "offset", "shift"), [(90, 5, 5), (90, -5, -5), (-90, 5, -5), (60, 6, 6 / math.sqrt(3))]
)
def test_a_corner_shortens_by_offset_times_tan_half_the_turn(
    degrees: float, offset: float, shift: float
) -> None:
    both = legs(turn(degrees, 40))
    assert OwnLine(both, 0, offset).stop == pytest.approx(40 - shift)
    assert OwnLine(both, 1, offset).start == pytest.approx(40 + shift)


def test_past_the_mitre_limit_the_outside_does_not_run_on() -> None:
    both = legs(turn(170, 100))
    assert OwnLine(both, 0, -5.0, 4.0).length == pytest.approx(100)
    assert OwnLine(both, 0, 5.0, 4.0).length < 50


def test_lines_meet_above_a_notch_between_two_upright_lobes() -> None:
    """Both legs leave the notch along one line, a turn of 180°, and bend away from each other."""
    lobes = cubic((-40, 0), (-40, -50), (0, -50), (0, 0), (0, -50), (40, -50), (40, 0))
    both = legs(lobes)
    for offset, meets in ((-3.0, True), (-9.0, True), (3.0, False)):
        a, b = OwnLine(both, 0, offset), OwnLine(both, 1, offset)
        last = both.frames(np.array([a.stop]), zeros(1, 0)).beside(offset)[0]
        first = both.frames(np.array([b.start]), zeros(1, 1)).beside(offset)[0]
        if meets:
            assert last == pytest.approx(first, abs=1e-6)
            assert last[0] == pytest.approx(0, abs=1e-6)
        else:
            assert (a.stop, b.start) == pytest.approx((both.legs[0].s1, both.legs[1].s0))


def test_curved_legs_meet_where_their_offset_lines_cross() -> None:
    """Two arcs with a corner between: the last point before is the first one after."""
    path = cubic((0, 0), (10, -20), (30, -20), (40, 0), (50, -20), (70, -20), (80, 0))
    both = legs(path)
    assert len(both.legs) == 2
    first, second = OwnLine(both, 0, 4.0), OwnLine(both, 1, 4.0)
    a = both.frames(np.array([first.stop]), zeros(1, 0)).beside(4.0)
    b = both.frames(np.array([second.start]), zeros(1, 1)).beside(4.0)
    assert a == pytest.approx(b, abs=1e-6)


def same_line(a: Path, b: Path, shift: float, span: float) -> None:
    s = np.linspace(0, span, 80)[1:-1]
    assert b.arc.points(s) == pytest.approx(a.arc.points((s + shift) % a.length), abs=1e-6)


@given(st.floats(-300, 300))
def test_a_slid_start_is_the_same_line(s: float) -> None:
    for path in (circle(20), square(30), ellipse(30, 12)):
        moved = started_at(path, s)
        assert moved.length == pytest.approx(path.length)
        assert moved.closed
        same_line(path, moved, s, path.length)


def test_a_slid_start_keeps_the_nodes_it_had() -> None:
    moved = started_at(square(30), 45.0)
    assert moved.node_ids == ("start", "n3", "n4", "n1", "n2")
    assert started_at(square(30), 60.0).node_ids == ("n3", "n4", "n1", "n2")


@pytest.mark.parametrize("width", [0.0, 4.0, 90.0])
def test_an_opened_path_is_the_rest_of_the_line(width: float) -> None:
    path = ellipse(30, 12)
    rest = opened(path, width)
    assert not rest.closed
    assert rest.length == pytest.approx(path.length - width, rel=1e-6)
    same_line(path, rest, width / 2, rest.length)


def test_what_cannot_be_walked_so_is_refused() -> None:
    with pytest.raises(BadInput, match="closed path"):
        started_at(line(10), 3)
    with pytest.raises(BadInput, match="Make it smaller"):
        opened(square(10), 40)
    assert opened(line(10), 3).length == 10


CUBIC = np.array([(0, 0), (3, 9), (12, -4), (10, 5)], dtype=float)


@given(st.floats(0.01, 0.99))
def test_a_split_cubic_is_the_same_curve(t: float) -> None:
    left, right = split(CUBIC, t)
    u = np.linspace(0, 1, 9)
    assert points_on(left[None], u)[0] == pytest.approx(points_on(CUBIC[None], u * t)[0])
    assert points_on(right[None], u)[0] == pytest.approx(points_on(CUBIC[None], t + u * (1 - t))[0])


def test_rates_are_the_slope_of_the_points() -> None:
    t, step = np.array([0.2, 0.7]), 1e-6
    slope = (points_on(CUBIC[None], t + step) - points_on(CUBIC[None], t - step)) / (2 * step)
    assert rates_on(CUBIC[None], t) == pytest.approx(slope, abs=1e-5)


def test_a_kink_is_seen_from_the_right_side() -> None:
    path = polyline((0, 0), (40, 0), (40, 40))
    assert path.arc.tangents([40.0])[0] == pytest.approx([0, 1])
    assert path.arc.tangents([40.0], before=True)[0] == pytest.approx([1, 0])
    many = polyline(*[(math.cos(i) * i, math.sin(i) * i) for i in range(40)])
    for k, s in enumerate(many.arc.node_positions[1:-1], 1):
        before, after = many.arc.tangents([s], before=True)[0], many.arc.tangents([s])[0]
        into, out = many.points[k] - many.points[k - 1], many.points[k + 1] - many.points[k]
        assert before == pytest.approx(into / np.hypot(*into))
        assert after == pytest.approx(out / np.hypot(*out))


def test_an_opened_path_is_the_same_line_with_no_handles_beyond_its_ends() -> None:
    ring = circle(20)
    line = opened(ring, 0.0)
    assert not line.closed
    assert np.allclose(line.segments, ring.segments)
    assert (line.into[0] == line.points[0]).all()
    assert (line.out[-1] == line.points[-1]).all()
    assert (line.points[0] == line.points[-1]).all()
