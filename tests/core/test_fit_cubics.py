"""Cubics through drawn points: the stated distance is held, and what is smooth stays smooth."""

from __future__ import annotations

import math

import numpy as np
import pytest
from hypothesis import example, given
from hypothesis import strategies as st

from curlet.core.path.cubics import cut_where, points_on
from curlet.core.path.fit_cubics import fit_cubics

NONE = np.zeros(0, dtype=np.intp)


def furthest(points: np.ndarray, cubics: np.ndarray) -> float:
    """How far any point lies from the curve, measured to the chords between close points on it."""
    curve = points_on(cubics, np.linspace(0, 1, 200)).reshape(-1, 2)
    start, chord = curve[:-1], np.diff(curve, axis=0)
    length = np.maximum((chord**2).sum(axis=1), 1e-24)
    off = 0.0
    for point in points:
        share = np.clip(((point - start) * chord).sum(axis=1) / length, 0, 1)
        off = max(off, float(np.hypot(*(start + share[:, None] * chord - point).T).min()))
    return off


@given(
    st.lists(st.tuples(st.floats(-20, 20), st.floats(-20, 20)), min_size=4, max_size=7),
    st.sampled_from([0.1, 0.5, 2.0]),
)
@example([(8.0, 0.0), (10.0, 0.0), (-18.0, 7.0), (3.0, 17.0)], 0.1)
def test_every_point_lies_within_the_tolerance(knots: list[tuple[float, float]], tolerance: float) -> None:
    t = np.linspace(0, 1, 120)
    at = np.array(knots)
    place = np.linspace(0, 1, len(at))
    points = np.stack([np.interp(t, place, at[:, 0]), np.interp(t, place, at[:, 1])], axis=1)
    if np.hypot(*np.diff(points, axis=0).T).sum() < 1:
        return
    (cubics,) = fit_cubics([points], [NONE], tolerance)
    assert np.isfinite(cubics).all()
    assert cubics[0, 0] == pytest.approx(points[0])
    assert cubics[-1, 3] == pytest.approx(points[-1])
    assert cubics[1:, 0] == pytest.approx(cubics[:-1, 3])
    assert furthest(points, cubics) <= tolerance + 1e-3


def test_a_circle_takes_few_cubics_and_is_smooth_all_round() -> None:
    turn = np.linspace(0, 2 * math.pi, 721)
    ring = 50 * np.stack([np.cos(turn), np.sin(turn)], axis=1)
    ring[-1] = ring[0]
    (cubics,) = fit_cubics([ring], [NONE], 0.05)
    assert len(cubics) <= 8
    radius = np.hypot(*points_on(cubics, np.linspace(0, 1, 60)).reshape(-1, 2).T)
    assert np.abs(radius - 50).max() < 0.06
    out = cubics[:, 1] - cubics[:, 0]
    into = np.roll(cubics[:, 3] - cubics[:, 2], 1, axis=0)
    cross = out[:, 0] * into[:, 1] - out[:, 1] * into[:, 0]
    assert np.abs(cross / np.hypot(*out.T) / np.hypot(*into.T)).max() < 1e-6


def turn_at_joint(cubics: np.ndarray) -> float:
    """The sharpest turn where two cubics meet, degrees."""
    into, out = cubics[:-1, 3] - cubics[:-1, 2], cubics[1:, 1] - cubics[1:, 0]
    cross = into[:, 0] * out[:, 1] - into[:, 1] * out[:, 0]
    return float(np.degrees(np.abs(np.arctan2(cross, (into * out).sum(axis=1)))).max())


def test_direction_breaks_only_where_it_may() -> None:
    corner = np.array([[x, 0.0] for x in range(21)] + [[20.0, y] for y in range(1, 21)])
    (sharp,) = fit_cubics([corner], [np.array([20])], 0.2)
    assert len(sharp) == 2
    assert sharp[0, 3] == pytest.approx([20, 0])
    assert turn_at_joint(sharp) == pytest.approx(90)
    (smooth,) = fit_cubics([corner], [NONE], 0.2)
    assert turn_at_joint(smooth) < 1e-6


def test_a_side_that_wavers_within_the_tolerance_is_straight() -> None:
    x = np.linspace(0, 100, 201)
    wavering = np.stack([x, 0.1 * np.sin(x)], axis=1)
    (side,) = fit_cubics([wavering], [NONE], 0.3)
    assert side == pytest.approx(
        np.array([[wavering[0] + k / 3 * (wavering[-1] - wavering[0]) for k in range(4)]])
    )


def test_lines_are_kept_apart() -> None:
    a = np.array([[0.0, 0.0], [1.0, 0.0]])
    b = np.array([[5.0, 5.0], [6.0, 7.0], [8.0, 7.5]])
    first, second = fit_cubics([a, b], [NONE, NONE], 0.5)
    assert first[0, 0] == pytest.approx(a[0])
    assert first[-1, 3] == pytest.approx(a[-1])
    assert second[0, 0] == pytest.approx(b[0])
    assert second[-1, 3] == pytest.approx(b[-1])
    assert fit_cubics([], [], 0.1) == []


@pytest.mark.parametrize(
    ("cubic", "tolerance", "most"),
    [
        ([(0, 0), (10, 30), (40, -10), (50, 20)], 0.5, 1),
        ([(0, 0), (0, 25), (45, 25), (45, 0)], 0.02, 1),
        ([(0, 0), (30, 5), (60, -5), (60, 40)], 0.5, 2),
    ],
)
def test_points_of_one_curve_come_back_as_few(
    cubic: list[tuple[float, float]], tolerance: float, most: int
) -> None:
    """However its ends point: nothing smooth lies before or after them."""
    points = points_on(np.array([cubic], dtype=float), np.linspace(0, 1, 90))[0]
    (found,) = fit_cubics([points], [NONE], tolerance)
    assert len(found) <= most
    assert furthest(points, found) <= tolerance + 0.2


def test_a_curve_is_cut_where_it_passes_a_line_and_not_where_it_ends_on_it() -> None:
    cubic = np.array([(0, 0), (10, 30), (20, -30), (30, 0)], dtype=float)
    pieces = cut_where(cubic, np.array([0.0, 1.0]), np.array([0.0]))
    assert [piece[0, 0] for piece in pieces] == pytest.approx([0, 15])
    assert [piece[-1, 0] for piece in pieces] == pytest.approx([15, 30])
    assert all(np.hypot(*(piece[-1] - piece[0])) > 1 for piece in pieces)
