"""Where a path passes itself."""

from __future__ import annotations

from dataclasses import dataclass

import numpy as np
from numpy.typing import NDArray

from curlet.core.path.path import Path

Floats = NDArray[np.float64]

_SAMPLES = 33
_STEPS = 12
# Passes that meet at less than this are touching, not crossing.
_SHALLOWEST = 3.0
MOST_CROSSINGS = 400
_MOST_PIECES = 6_000


@dataclass(frozen=True)
class Crossing:
    """A place where a path crosses itself.

    Attributes
    ----------
    first, second : arc lengths of the two passes, first the earlier, mm.
    x, y : where, mm.
    angle : between the passes, degrees, 0 to 90.
    key : the nodes before the two passes, by which a crossing is remembered.
    """

    first: float
    second: float
    x: float
    y: float
    angle: float
    key: str


def find_crossings(path: Path) -> tuple[Crossing, ...]:
    """Proper crossings of a path with itself, in order of their first pass; touches are none."""
    s, points, per = _sampled(path)
    if s is None:
        return ()
    found: list[Crossing] = []
    for i, j in _candidates(points, path.closed):
        crossing = _refined(path, (s[i] + s[i + 1]) / 2, (s[j] + s[j + 1]) / 2)
        known = [
            c
            for c in found
            if crossing and abs(c.first - crossing.first) + abs(c.second - crossing.second) < per
        ]
        if crossing and not known and len(found) < MOST_CROSSINGS:
            found.append(crossing)
    return tuple(sorted(found, key=lambda c: c.first))


def _sampled(path: Path) -> tuple[Floats | None, Floats, float]:
    nodes = path.arc.node_positions
    parts = [
        np.linspace(a, b, 2 if straight else _SAMPLES)[:-1]
        for a, b, straight in zip(nodes[:-1], nodes[1:], path.straight, strict=True)
    ]
    s = np.append(np.concatenate(parts), path.length)
    if len(s) > _MOST_PIECES:
        s = np.linspace(0, path.length, _MOST_PIECES)
    if len(s) < 4:
        return None, np.zeros((0, 2)), 0.0
    return s, path.arc.points(s), 1e-4 * path.length


def _candidates(points: Floats, closed: bool) -> list[tuple[int, int]]:
    """Pairs of sampled pieces that cross: boxes first, then the sides of each other's ends."""
    a, b = points[:-1], points[1:]
    low, high = np.minimum(a, b), np.maximum(a, b)
    count = len(a)
    pairs: list[tuple[int, int]] = []
    for i in range(count - 2):
        rest = slice(i + 2, count - 1 if closed and i == 0 else count)
        near = ((low[rest] <= high[i]) & (high[rest] >= low[i])).all(axis=1)
        for j in np.flatnonzero(near) + i + 2:
            if _cross(a[i], b[i], a[j], b[j]):
                pairs.append((i, int(j)))
    return pairs


def _cross(a: Floats, b: Floats, c: Floats, d: Floats) -> bool:
    def side(p: Floats, q: Floats, r: Floats) -> float:
        return float((q[0] - p[0]) * (r[1] - p[1]) - (q[1] - p[1]) * (r[0] - p[0]))

    return side(a, b, c) * side(a, b, d) <= 0 and side(c, d, a) * side(c, d, b) <= 0


def _refined(path: Path, first: float, second: float) -> Crossing | None:
    """Newton on P(s) = P(t); None where the passes only touch."""
    arc = path.arc
    for _ in range(_STEPS):
        p, q = arc.points([first, second])
        t, u = arc.tangents([first, second])
        columns = np.column_stack([t, -u])
        if abs(np.linalg.det(columns)) < np.sin(np.radians(_SHALLOWEST)):
            return None
        step = np.linalg.solve(columns, q - p)
        first, second = first + step[0], second + step[1]
        if np.abs(step).max() < 1e-10:
            break
    inside = path.closed or (min(first, second) >= 0 and max(first, second) <= path.length)
    if not inside or np.hypot(*(arc.points([first])[0] - arc.points([second])[0])) > 1e-6:
        return None
    first, second = sorted(float(s) for s in arc.wrap([first, second]))
    apart = second - first
    if min(apart, path.length - apart if path.closed else apart) < 1e-6 * path.length:
        return None
    if not (_passes(path, first, second) and _passes(path, second, first)):
        return None
    return _made(path, first, second)


def _passes(path: Path, s: float, other: float) -> bool:
    """Whether the path at s goes from one side of the other pass to its other side."""
    step = 1e-5 * path.length
    here, before, after = path.arc.points([s, s - step, s + step])
    ahead, behind = path.arc.tangents([other])[0], path.arc.tangents([other], before=True)[0]
    sides = []
    for point in (before, after):
        way = ahead if (point - here) @ ahead > 0 else behind
        sides.append(way[0] * (point - here)[1] - way[1] * (point - here)[0])
    return bool(sides[0] * sides[1] < 0)


def _made(path: Path, first: float, second: float) -> Crossing:
    t, u = path.arc.tangents([first, second])
    x, y = path.arc.points([first])[0]
    angle = float(np.degrees(np.arccos(np.clip(abs(t @ u), 0, 1))))
    places = np.searchsorted(path.arc.node_positions, [first, second], side="right") - 1
    names = [path.node_ids[min(int(k), len(path.node_ids) - 1)] for k in places]
    return Crossing(first, second, float(x), float(y), angle, "×".join(names))
