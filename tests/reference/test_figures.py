"""Figures against the formulas of geometry (from memory: any handbook of mathematics has them)."""

from __future__ import annotations

import math

import numpy as np
import pytest
from scipy.integrate import quad
from scipy.special import ellipe
from shapely import Polygon

from curlet.core.errors import BadInput
from curlet.core.path import Path
from curlet.core.path.figures import FIGURES, figure_of


def made(name: str, **values: float) -> Path:
    return figure_of(name).make(values)


def area(path: Path) -> float:
    s = np.union1d(np.linspace(0, path.length, 20_000), path.arc.node_positions)
    return float(Polygon(path.arc.points(s)).area)


def clockwise(path: Path) -> bool:
    x, y = path.arc.points(np.linspace(0, path.length, 400)).T
    # y grows downward.
    return bool((x[:-1] * y[1:] - x[1:] * y[:-1]).sum() > 0)


def test_circle_and_ellipse() -> None:
    ring = made("circle", diameter=50)
    assert ring.length == pytest.approx(math.pi * 50, rel=3e-6)
    assert np.abs(np.hypot(*ring.arc.points(np.linspace(0, ring.length, 999)).T) - 25).max() < 1.2e-4
    # Perimeter 4a·E(e²), by the complete elliptic integral.
    oval = made("ellipse", width=60, height=40)
    assert oval.length == pytest.approx(4 * 30 * ellipe(1 - (20 / 30) ** 2), rel=3e-6)
    assert area(oval) == pytest.approx(math.pi * 30 * 20, rel=1e-5)


@pytest.mark.parametrize("r", [0.0, 5.0, 20.0, 99.0])
def test_rectangle_with_its_corner_radius(r: float) -> None:
    path = made("rectangle", width=60, height=40, radius=r)
    r = min(r, 20)
    assert path.length == pytest.approx(2 * (60 + 40) - 8 * r + 2 * math.pi * r, rel=3e-6)
    assert area(path) == pytest.approx(60 * 40 - (4 - math.pi) * r * r, rel=1e-5)


@pytest.mark.parametrize("n", [3, 5, 6, 12])
def test_regular_polygon_and_star(n: int) -> None:
    path = made("polygon", diameter=50, sides=n)
    assert path.length == pytest.approx(n * 50 * math.sin(math.pi / n))
    assert area(path) == pytest.approx(n / 2 * 25**2 * math.sin(2 * math.pi / n), rel=1e-6)
    star = made("star", diameter=50, points=n, inner=40)
    assert area(star) == pytest.approx(n * 25 * 10 * math.sin(math.pi / n), rel=1e-6)


def test_scallops_are_half_circles_round_a_ring() -> None:
    path = made("scalloped", diameter=50, scallops=16)
    chord = 50 * math.sin(math.pi / 16)
    assert path.length == pytest.approx(16 * math.pi * chord / 2, rel=3e-6)
    assert area(path) == pytest.approx(
        16 / 2 * 25**2 * math.sin(2 * math.pi / 16) + 16 * math.pi * (chord / 2) ** 2 / 2, rel=1e-5
    )


def test_archimedes_spiral() -> None:
    path = made("spiral", diameter=60, inner=6, turns=5)
    whole, a = 10 * math.pi, 27 / (10 * math.pi)
    length, _ = quad(lambda t: math.hypot(3 + a * t, a), 0, whole)
    assert path.length == pytest.approx(length, rel=1e-6)
    assert not path.closed
    assert np.hypot(*path.points[-1]) == pytest.approx(30)


def test_arc_line_and_heart() -> None:
    assert made("arc", diameter=50, start=10, sweep=-200).length == pytest.approx(
        math.radians(200) * 25, rel=3e-6
    )
    line = made("line", length=80, direction=30)
    assert line.length == pytest.approx(80)
    assert np.degrees(np.arctan2(*(line.points[1] - line.points[0])[::-1])) == pytest.approx(30)
    heart = made("heart", width=50, height=46)
    points = heart.arc.points(np.linspace(0, heart.length, 4000))
    assert np.ptp(points, axis=0) == pytest.approx((50, 46), abs=0.05)
    half = points[points[:, 0] > 0]
    mirrored = Polygon(points * (-1, 1)).symmetric_difference(Polygon(points)).area
    assert mirrored < 0.5
    assert len(half) > 1900


@pytest.mark.parametrize("name", list(FIGURES))
def test_figures_are_walked_clockwise_about_the_origin(name: str) -> None:
    path = made(name)
    middle = (path.arc.points(np.linspace(0, path.length, 5000)).max(axis=0) +
              path.arc.points(np.linspace(0, path.length, 5000)).min(axis=0)) / 2  # fmt: skip
    if path.closed and name not in ("polygon", "star"):
        assert np.abs(middle).max() < 0.05
    if path.closed:
        assert clockwise(path)


@pytest.mark.parametrize(
    ("name", "values", "words"),
    [
        ("circle", {"diameter": 0}, "Diameter"),
        ("polygon", {"sides": 2}, "Sides"),
        ("spiral", {"inner": 60}, "nearer to its middle"),
        ("arc", {"sweep": 0}, "at least 0.01"),
        ("circle", {"corners": 3}, "has no “corners”"),
        ("blob", {}, "no figure"),
    ],
)
def test_impossible_figures_are_refused(name: str, values: dict[str, float], words: str) -> None:
    with pytest.raises(BadInput, match=words):
        made(name, **values)
