"""Arc length and points at length, against published formulas and other people's code."""

from __future__ import annotations

import math

import numpy as np
import pytest
from scipy.integrate import quad
from scipy.special import ellipe
from svgpathtools import CubicBezier

from curlet.core.path import Path
from tests.shapes import circle, cubic, ellipse, wave

CURVES = {
    "even": cubic((0, 0), (10, 0), (20, 10), (20, 20)),
    "loop": cubic((0, 0), (60, 40), (-40, 40), (20, 0)),
    "cusp": cubic((0, 0), (40, 40), (0, 40), (40, 0)),
    "retracted": cubic((0, 0), (0, 0), (30, 0), (30, 25)),
    "uneven": cubic((0, 0), (0.1, 0), (99, 3), (100, 50)),
}


@pytest.mark.parametrize("radius", [0.5, 10, 3000])
def test_circle_is_two_pi_r(radius: float) -> None:
    # Elementary geometry; 16 cubics a turn are within 3.5e-8 of it.
    assert circle(radius).length == pytest.approx(2 * math.pi * radius, rel=3.5e-8)


@pytest.mark.parametrize(("a", "b"), [(2, 1), (5, 4.9), (40, 3)])
def test_ellipse_is_the_complete_elliptic_integral(a: float, b: float) -> None:
    # Abramowitz & Stegun, ch. 17: L = 4a·E(m), m = e².
    expected = 4 * a * ellipe(1 - (b / a) ** 2)
    assert ellipse(a, b).length == pytest.approx(expected, rel=1e-6)


def test_two_by_one_ellipse() -> None:
    # Abramowitz & Stegun, ch. 17, worked for a = 2, b = 1.
    assert ellipse(2, 1).length == pytest.approx(9.688448220547675, rel=1e-6)


def _speed(path: Path, t: float) -> float:
    p0, p1, p2, p3 = path.segments[0]
    u = 1 - t
    return float(np.hypot(*(3 * u * u * (p1 - p0) + 6 * u * t * (p2 - p1) + 3 * t * t * (p3 - p2))))


@pytest.mark.parametrize("name", CURVES)
def test_length_against_scipy_quad(name: str) -> None:
    path = CURVES[name]
    pieces = np.linspace(0, 1, 65)
    expected = sum(
        quad(lambda t: _speed(path, t), a, b, epsabs=1e-12, limit=200)[0]
        for a, b in zip(pieces[:-1], pieces[1:], strict=True)
    )
    assert path.length == pytest.approx(expected, rel=1e-6)


@pytest.mark.parametrize("name", CURVES)
def test_points_against_svgpathtools(name: str) -> None:
    path = CURVES[name]
    other = CubicBezier(*(complex(*point) for point in path.segments[0]))
    whole = other.length(error=1e-12)
    assert path.length == pytest.approx(whole, rel=1e-6)
    for share in (0.1, 0.37, 0.5, 0.81, 0.99):
        expected = other.point(other.ilength(share * whole, s_tol=1e-11, error=1e-11, maxits=200))
        found = path.arc.points([share * path.length])[0]
        assert np.hypot(found[0] - expected.real, found[1] - expected.imag) <= 1e-6 * path.length


def test_inverse_comes_back_on_a_long_path() -> None:
    """A 60-segment 10 m path: the length up to each point found is the length asked, 1e-6 mm."""
    path = wave(60, 10_000)
    asked = np.linspace(0, path.length, 501)[1:-1]
    segment, t = path.arc.locate(asked)
    for s, index, at in zip(asked[::25], segment[::25], t[::25], strict=True):
        cubic_ = CubicBezier(*(complex(*point) for point in path.segments[index]))
        back = path.arc.node_positions[index] + cubic_.length(0, at, error=1e-12)
        assert back == pytest.approx(s, abs=1e-6)


def test_curvature_of_a_circle() -> None:
    # Elementary geometry: κ = 1/r, positive clockwise on the sheet.
    kappa = circle(25).arc.curvature(np.linspace(0, 150, 40))
    assert kappa == pytest.approx(np.full(40, 1 / 25), rel=1e-4)
