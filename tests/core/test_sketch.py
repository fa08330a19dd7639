"""Lines drawn by hand: near to what was drawn, few nodes, corners kept, shakes evened out."""

from __future__ import annotations

import numpy as np
import pytest
from hypothesis import given, settings
from hypothesis import strategies as st

from curlet.core.errors import BadInput
from curlet.core.path.corners import find_corners
from curlet.core.path.sketch import sketch

TURN = np.linspace(0, 2 * np.pi, 400)
CIRCLE = np.stack([40 * np.cos(TURN), 40 * np.sin(TURN)], axis=1)
WAVE = np.stack([20 * TURN, 12 * np.sin(2 * TURN)], axis=1)
ALONG = np.arange(0, 60, 0.25)
ZIGZAG = np.stack([ALONG, np.abs(ALONG % 20 - 10)], axis=1)


def plain(points: np.ndarray) -> np.ndarray:
    return np.full(len(points), 0.5)


def shaken(points: np.ndarray, by: float, seed: int = 5) -> np.ndarray:
    return points + np.random.default_rng(seed).normal(0, by, points.shape)


def furthest(points: np.ndarray, path_points: np.ndarray) -> float:
    """How far the points lie from a densely walked path at most."""
    gaps = np.hypot(*np.moveaxis(points[:, None] - path_points[None], -1, 0))
    return float(gaps.min(axis=1).max())


@pytest.mark.parametrize("drawn", [WAVE, ZIGZAG, CIRCLE], ids=["wave", "zigzag", "circle"])
@pytest.mark.parametrize("within", [0.1, 0.5, 2.0])
def test_the_stated_distance_holds_for_every_drawn_point(drawn: np.ndarray, within: float) -> None:
    path = sketch(drawn, plain(drawn), 0, within, meeting=1).path
    walked = path.arc.points(np.linspace(0, path.length, 8_000))
    assert furthest(drawn, walked) <= within + 0.02


@settings(max_examples=25, deadline=None)
@given(st.lists(st.tuples(st.floats(-50, 50), st.floats(-50, 50)), min_size=4, max_size=9))
def test_any_scribble_is_kept_within_its_distance(knots: list[tuple[float, float]]) -> None:
    at = np.array(knots)
    steps = np.hypot(*np.diff(at, axis=0).T)
    along = np.append(0, np.cumsum(steps))
    if along[-1] < 5:
        return
    places = np.arange(0, along[-1], 0.5)
    drawn = np.stack([np.interp(places, along, at[:, axis]) for axis in (0, 1)], axis=1)
    path = sketch(drawn, plain(drawn), 0, 0.5).path
    walked = path.arc.points(np.linspace(0, path.length, 12_000))
    assert furthest(drawn, walked) <= 0.5 + 0.08


def test_shakes_are_evened_out_and_few_nodes_are_left() -> None:
    drawn = shaken(WAVE, 0.25)
    rough, steady = (sketch(drawn, plain(drawn), how, 0.4).path for how in (0, 4))
    assert len(steady.points) <= 10 < len(rough.points) / 5
    walked = steady.arc.points(np.linspace(0, steady.length, 4_000))
    assert furthest(WAVE[20:-20], walked) < 0.6
    # A bend keeps its size: a circle does not shrink by what evens its shakes out.
    ring = sketch(shaken(CIRCLE, 0.2), plain(CIRCLE), 6, 0.3, meeting=2).path
    assert ring.closed
    assert ring.length == pytest.approx(2 * np.pi * 40, rel=0.01)


@pytest.mark.parametrize("steadiness", [0, 2, 5])
def test_corners_stay_corners(steadiness: float) -> None:
    drawn = shaken(ZIGZAG, 0.05)
    path = sketch(drawn, plain(drawn), steadiness, 0.4).path
    corners = [path.arc.points([corner.s])[0] for corner in find_corners(path)]
    assert len(corners) == 5
    for corner, x in zip(corners, (10, 20, 30, 40, 50), strict=True):
        assert corner[0] == pytest.approx(x, abs=0.8)


def test_pressure_becomes_the_swell() -> None:
    rising = np.linspace(0.25, 0.75, len(WAVE))
    assert sketch(WAVE, plain(WAVE), 2, 0.4).swell == ()
    (first, low), *_, (last, high) = sketch(WAVE, rising, 2, 0.4).swell
    assert (first, last) == (0, 1)
    assert (low, high) == (pytest.approx(50, abs=4), pytest.approx(150, abs=4))


def test_what_is_no_line_is_refused() -> None:
    dot = np.zeros((5, 2))
    with pytest.raises(BadInput, match="too short"):
        sketch(dot, plain(dot), 1, 0.5)
    with pytest.raises(BadInput, match="Draw it again"):
        sketch(np.full((5, 2), np.nan), plain(dot), 1, 0.5)
    with pytest.raises(BadInput, match="Steadiness"):
        sketch(WAVE, plain(WAVE), -1, 0.5)


@pytest.mark.parametrize("begun", [0, 1, 2, 3])
def test_a_closed_line_has_each_corner_once_wherever_it_is_begun(begun: int) -> None:
    """Begun a little before, at or a little after a corner, it is one corner all the same."""
    side = np.linspace(0, 40, 160, endpoint=False)
    square = np.concatenate(
        [np.stack([side, 0 * side], 1), np.stack([40 + 0 * side, side], 1),
         np.stack([40 - side, 40 + 0 * side], 1), np.stack([0 * side, 40 - side], 1)]
    )  # fmt: skip
    drawn = np.roll(square, begun * 2 - 3, axis=0)
    path = sketch(drawn, plain(drawn), 0, 0.3, meeting=2).path
    assert path.closed
    corners = find_corners(path, 40)
    assert len(corners) == 4
    assert [abs(corner.turn) for corner in corners] == pytest.approx([90] * 4, abs=12)


@pytest.mark.parametrize("begun", [0, 3, 40])
def test_a_closed_line_has_each_of_its_corners_once_wherever_it_is_begun(begun: int) -> None:
    """At, just past and far from a corner: where the line's ends meet is a place like any other."""
    side = np.arange(0, 40, 0.5)
    square = np.concatenate(
        [
            np.stack([side, 0 * side], axis=1),
            np.stack([40 + 0 * side, side], axis=1),
            np.stack([40 - side, 40 + 0 * side], axis=1),
            np.stack([0 * side, 40 - side], axis=1),
        ]
    )
    drawn = np.roll(square, -begun, axis=0)
    path = sketch(drawn, plain(drawn), 2, 0.4, meeting=2).path
    assert path.closed
    found = path.arc.points(np.array([corner.s for corner in find_corners(path)]))
    assert len(found) == 4
    for corner in ((0, 0), (40, 0), (40, 40), (0, 40)):
        assert np.hypot(*(found - corner).T).min() < 0.8
