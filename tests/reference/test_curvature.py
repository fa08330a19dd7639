"""Curvature and what is told of it, against dense sampling and closed forms."""

from __future__ import annotations

import numpy as np
import pytest
from hypothesis import given, settings
from hypothesis import strategies as st
from scipy.integrate import quad

from curlet.core.brush import Band, Brush, CornerRule
from curlet.core.lay import lay
from curlet.core.measures import Measure, Scale
from curlet.core.path import Path
from curlet.core.tally import tally
from tests.shapes import cubic, ellipse, paths, polyline


def curves(path: Path) -> list[int]:
    return np.flatnonzero(~path.straight).tolist()


def bend_at(cubic: np.ndarray, t: np.ndarray) -> np.ndarray:
    """κ = (v × a)/|v|³ (differential geometry)."""
    a, b, c, d = cubic
    t = t[:, None]
    v = 3 * ((1 - t) ** 2 * (b - a) + 2 * (1 - t) * t * (c - b) + t * t * (d - c))
    w = 6 * ((1 - t) * (c - 2 * b + a) + t * (d - 2 * c + b))
    return np.abs(v[:, 0] * w[:, 1] - v[:, 1] * w[:, 0]) / np.maximum(np.hypot(*v.T), 1e-9) ** 3


@settings(max_examples=60)
@given(paths(4))
def test_no_place_bends_more_than_the_extremes(path: Path) -> None:
    segments, places = path.arc.bend_extremes()
    for index in curves(path):
        control = path.segments[index]
        own = bend_at(control, np.concatenate([places[segments == index], [1e-3, 1 - 1e-3]]))
        dense = bend_at(control, np.linspace(1e-3, 1 - 1e-3, 20_001))
        assert dense.max() <= own.max() * (1 + 1e-6) + 1e-9


@settings(max_examples=60)
@given(paths(4), st.floats(0, 1))
def test_a_parameter_s_place_is_the_length_up_to_it(path: Path, t: float) -> None:
    for index in curves(path):
        a, b, c, d = path.segments[index]

        def speed(u: float, a=a, b=b, c=c, d=d) -> float:
            v = 3 * ((1 - u) ** 2 * (b - a) + 2 * (1 - u) * u * (c - b) + u * u * (d - c))
            return float(np.hypot(*v))

        long = quad(speed, 0, t, limit=400)[0]
        place = path.arc.positions(np.array([index]), np.array([t]))[0] - path.arc.node_positions[index]
        assert place == pytest.approx(long, abs=2e-4)


def told(path: Path, width: float, offset: float = 0.0) -> list[tuple[float, bool]]:
    band = Band(Measure(width), offset=Measure(offset))
    return [
        (p.radius, p.folds)
        for p in tally(lay(path, Brush(courses=(band,), corners=CornerRule("carry")), Scale())).pinches
    ]


def test_an_ellipse_is_pinched_at_its_ends() -> None:
    """R = b²/a at the ends of the long axis: 9²/30 = 2.7 mm (geometry)."""
    (first, *_), *_ = told(ellipse(30, 9), 4.0)
    assert first == pytest.approx(2.7, rel=1e-3)


def test_a_bend_between_two_samples_is_told() -> None:
    """A hairpin of R 0.087 mm went untold."""
    path = cubic((0, 0), (60, 1.2), (-20, 3.6), (40, 0))
    s = np.linspace(0, 1, 2_000_001)
    least = 1 / bend_at(path.segments[0], s).max()
    found = told(path, 2.0)
    assert min(radius for radius, _ in found) == pytest.approx(least, rel=1e-3)
    assert all(folds for _, folds in found)


@pytest.mark.parametrize("handle", [(60.0, 60.0), (60.001, 60.0), (60.3, 60.1)])
def test_a_handle_of_no_length_at_a_corner_is_no_fold(handle: tuple[float, float]) -> None:
    points = np.array([(10.0, 60), (60, 60), (100, 20), (150, 60)])
    into, out = points.copy(), points.copy()
    into[2], out[2], out[1] = (80, 20), (120, 20), handle
    path = Path.make(list("abcd"), points, into, out, closed=False)
    assert told(path, 6.0) == []


def test_only_the_edge_inside_the_bend_is_pinched() -> None:
    """A row 6 mm to one side of a bend of R 5 folds there, and not on its other side."""
    path = ellipse(5, 5)
    assert told(path, 1.0, offset=-6.0) == []
    assert told(path, 1.0, offset=6.0)
    assert told(polyline((0, 0), (9, 0)), 6.0) == []
