"""Parallel copies against shapely's buffer, and Steiner's formula for a closed convex path (checks.md)."""

from __future__ import annotations

import math

import numpy as np
import pytest
from hypothesis import given
from hypothesis import strategies as st
from shapely import LineString, Point, Polygon

from curlet.core.errors import BadInput
from curlet.core.path import Path
from curlet.core.path.parallel import parallel
from curlet.core.proof.board import PROOFS, circle


def polygon(points: list[tuple[float, float]], closed: bool = True) -> Path:
    at = np.array(points, dtype=float)
    return Path.make([f"p{i}" for i in range(len(at))], at, at, at, closed)


def drawn(path: Path, per_mm: float = 20) -> np.ndarray:
    s = np.linspace(0, path.length, max(int(per_mm * path.length), 200))
    return path.arc.points(np.union1d(s, path.arc.node_positions))


RECTANGLE = polygon([(0, 0), (40, 0), (40, 24), (0, 24)])
KITE = polygon([(0, 0), (30, -4), (44, 18), (10, 26)])


@pytest.mark.parametrize("path", [RECTANGLE, KITE], ids=["rectangle", "kite"])
@pytest.mark.parametrize("d", [0.5, 3.0, 8.0])
def test_steiners_formula_for_convex_outlines(path: Path, d: float) -> None:
    """Length L + 2πd with round joins; L + 2d·Σtan(τ/2) mitred (Steiner's formula; geometry)."""
    # Clockwise on the sheet, so that outside is to the left.
    (round_,), (sharp,) = parallel(path, -d, "round"), parallel(path, -d, "sharp")
    turns = np.array([c for c in _turns(path)])
    assert round_.length == pytest.approx(path.length + 2 * math.pi * d, abs=2e-3)
    assert sharp.length == pytest.approx(path.length + 2 * d * np.tan(np.radians(turns) / 2).sum(), abs=1e-6)
    assert round_.closed
    assert sharp.closed


def _turns(path: Path) -> list[float]:
    way = np.roll(path.points, -1, axis=0) - path.points
    before = np.roll(way, 1, axis=0)
    cross = before[:, 0] * way[:, 1] - before[:, 1] * way[:, 0]
    return [float(t) for t in np.degrees(np.arctan2(cross, (before * way).sum(axis=1)))]


@pytest.mark.parametrize("d", [-4.0, -1.0, 1.0, 4.0])
def test_a_circles_copy_is_a_circle(d: float) -> None:
    (copy,) = parallel(circle(13.0, 1.0), d)
    r = np.hypot(*drawn(copy).T)
    assert np.abs(r - (13.0 - d)).max() < 0.01
    assert copy.closed


@pytest.mark.parametrize("name", ["square", "star", "tight S", "two corners", "loop", "letter"])
@pytest.mark.parametrize("d", [-2.0, -0.7, 0.7, 2.0])
def test_every_point_is_as_far_from_the_path_as_stated(name: str, d: float) -> None:
    path = PROOFS[name](1.0)
    line = LineString(drawn(path, 60))
    for copy in parallel(path, d, "round"):
        far = np.array([line.distance(Point(p)) for p in drawn(copy, 6)])
        assert far.max() < abs(d) + 0.015
        assert far.min() > abs(d) - 0.03


@pytest.mark.parametrize("name", ["square", "star", "two corners"])
@pytest.mark.parametrize("d", [-1.5, 1.5])
def test_copies_are_the_edge_of_shapelys_buffer(name: str, d: float) -> None:
    path = PROOFS[name](1.0)
    edge = LineString(drawn(path, 60)).buffer(abs(d), quad_segs=64).boundary
    for copy in parallel(path, d, "round"):
        assert max(edge.distance(Point(p)) for p in drawn(copy, 6)) < 0.02


def test_what_folds_back_is_left_out() -> None:
    """A notch narrower than twice the distance closes; a waist parts a closed path in two."""
    notch = polygon([(0, 0), (40, 0), (40, 20), (22, 20), (22, 12), (18, 12), (18, 20), (0, 20)])
    (outside,) = parallel(notch, -3, "sharp")
    assert Polygon(drawn(outside)).area == pytest.approx(46 * 26, rel=1e-3)
    waist = polygon(
        [(0, 0), (16, 0), (18, 8), (20, 0), (36, 0), (36, 20), (20, 20), (18, 12), (16, 20), (0, 20)]
    )
    inside = parallel(waist, 3, "sharp")
    assert len(inside) == 2
    assert all(copy.closed for copy in inside)
    areas = [Polygon(drawn(copy)).area for copy in inside]
    wanted = Polygon(waist.points).buffer(-3, join_style="mitre").area
    assert sum(areas) == pytest.approx(wanted, rel=0.01)


def test_nothing_is_left_far_inside() -> None:
    with pytest.raises(BadInput, match="Nothing of this path is left"):
        parallel(RECTANGLE, 13)
    with pytest.raises(BadInput, match="distance"):
        parallel(RECTANGLE, 0)


@given(st.lists(st.tuples(st.floats(-50, 50), st.floats(-50, 50)), min_size=3, max_size=7), st.floats(0.5, 9))
def test_any_outline_gives_finite_copies_or_a_clear_refusal(
    points: list[tuple[float, float]], d: float
) -> None:
    try:
        path = polygon([(round(x, 2), round(y, 2)) for x, y in points])
        copies = parallel(path, d) + parallel(path, -d)
    except BadInput:
        return
    for copy in copies:
        assert np.isfinite(copy.points).all()
        assert copy.length > 0


@pytest.mark.parametrize("d", [-4.0, 4.0])
def test_a_circles_copy_has_no_more_pieces_than_it_needs(d: float) -> None:
    """A cubic on a quarter is off by 0.03 % of the radius, 5 µm here, on an eighth by a 64th of that (common
    practice); each quarter is halved twice at the most."""
    (copy,) = parallel(circle(13.0, 1.0), d)
    assert len(copy.segments) <= 16
