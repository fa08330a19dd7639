"""Crossings of a path with itself, against knots whose crossings are known and against dense polylines."""

from __future__ import annotations

import math

import numpy as np
import pytest
from shapely import LineString

from curlet.core.lay.crossings import passes
from curlet.core.path import Path
from curlet.core.path.crossings import find_crossings
from tests.shapes import cubic


def through(points: np.ndarray, rates: np.ndarray, step: float, closed: bool) -> Path:
    """A smooth path through points with those rates, `step` apart in the parameter."""
    arms = rates * step / 3
    return Path.make([f"n{i}" for i in range(len(points))], points, points - arms, points + arms, closed)


def torus_knot(p: int, q: int, nodes: int, start: float = 0.0) -> Path:
    """The plane curve (3 + cos qt)·(cos pt, sin pt), the standard diagram of a p, q torus knot."""
    t = start + 2 * np.pi * np.arange(nodes) / nodes
    r, dr = 3 + np.cos(q * t), -q * np.sin(q * t)
    points = 10 * np.stack([r * np.cos(p * t), r * np.sin(p * t)], axis=1)
    rates = 10 * np.stack(
        [dr * np.cos(p * t) - p * r * np.sin(p * t), dr * np.sin(p * t) + p * r * np.cos(p * t)], axis=1
    )
    return through(points, rates, 2 * np.pi / nodes, closed=True)


def by_polyline(path: Path, per: int = 400) -> int:
    """Proper crossings of a dense polyline, counted pair by pair of its runs (shapely)."""
    s = np.linspace(0, path.length, per * len(path.segments) + 1)
    points = path.arc.points(s)
    cut = LineString(points)
    # A noded line has one part more than it has cuts; each crossing cuts two passes.
    parts = cut.union(LineString([points[0], points[0] + 1e-12]))
    count = len(getattr(parts, "geoms", [parts]))
    return (count - 1) // 2 if not path.closed else count // 2


@pytest.mark.parametrize(
    ("p", "q", "crossings"), [(2, 3, 3), (2, 5, 5), (2, 7, 7), (3, 4, 8), (3, 5, 10), (4, 5, 15)]
)
@pytest.mark.parametrize("start", [0.0, 0.1])
def test_a_torus_knot_has_its_crossings_and_alternates(p: int, q: int, crossings: int, start: float) -> None:
    """q·(p − 1) crossings in the standard diagram (knot theory)."""
    path = torus_knot(p, q, 24 * q, start)
    found = passes(path, frozenset())
    assert len(found) == crossings
    assert not any(one.conflict for one in found)
    assert len({one.crossing.key for one in found}) == crossings


@pytest.mark.parametrize("turn", np.linspace(0, 180, 40, endpoint=False).tolist())
@pytest.mark.parametrize("shape", [1.0, 0.4, 0.15])
def test_a_figure_eight_with_nodes_on_its_crossing(turn: float, shape: float) -> None:
    """Both passes have a node there; 16 of 200 were missed."""
    t = 2 * np.pi * np.arange(8) / 8
    points = 30 * np.stack([np.sin(t), shape * np.sin(2 * t)], axis=1)
    rates = 30 * np.stack([np.cos(t), 2 * shape * np.cos(2 * t)], axis=1)
    angle = math.radians(turn)
    matrix = np.array([[math.cos(angle), math.sin(angle)], [-math.sin(angle), math.cos(angle)]])
    path = through(points @ matrix, rates @ matrix, 2 * np.pi / 8, closed=True)
    (one,) = find_crossings(path)
    assert np.hypot(one.x, one.y) < 1e-6
    corners = Path.make(path.node_ids, path.points, path.points, path.points, closed=True)
    (sharp,) = find_crossings(corners)
    assert np.hypot(sharp.x, sharp.y) < 1e-6


def test_two_crossings_of_the_same_two_stretches_have_keys_of_their_own() -> None:
    path = cubic(
        (0, 0), (80, 40), (-40, 40), (40, 0), (60, -20), (90, 30), (20, 12), (10, 20), (0, 24), (-10, 20)
    )
    found = find_crossings(path)
    assert len({one.key for one in found}) == len(found)
    there_and_back = Path.make(
        ["a", "b", "c", "d"],
        np.array([(0.0, 0), (60, 0), (60, 8), (0, 8)]),
        np.array([(0.0, 0), (40, 30), (60, 8), (20, -20)]),
        np.array([(20.0, 30), (60, 0), (40, -20), (0, 8)]),
        closed=False,
    )
    two = find_crossings(there_and_back)
    assert len(two) == 2
    assert two[0].key != two[1].key
    flipped = passes(there_and_back, frozenset({two[1].key}))
    plain = passes(there_and_back, frozenset())
    assert [a.over == b.over for a, b in zip(flipped, plain, strict=True)] == [True, False]


@pytest.mark.parametrize("degrees", [0.05, 0.5, 2.0, 2.9])
def test_a_shallow_crossing_is_one_so_that_alternation_holds(degrees: float) -> None:
    far = 60 * math.tan(math.radians(degrees) / 2)
    points = np.array(
        [
            (0.0, -far),
            (120, far),
            (160, 40),
            (60, 80),
            (-40, 40),
            (0, far),
            (120, -far),
            (160, -60),
            (60, -90),
            (-40, -60),
        ]
    )
    path = Path.make([f"n{i}" for i in range(10)], points, points, points, closed=True)
    found = passes(path, frozenset())
    assert [one for one in found if one.crossing.angle < 3]
    assert not any(one.conflict for one in found)


def test_random_curves_have_the_crossings_of_a_dense_polyline() -> None:
    rng = np.random.default_rng(5)
    wrong = 0
    for _ in range(60):
        count = int(rng.integers(2, 5))
        points = rng.uniform(0, 100, (3 * count + 1, 2))
        path = cubic(*[tuple(point) for point in points])
        wrong += len(find_crossings(path)) != by_polyline(path)
    assert wrong == 0
