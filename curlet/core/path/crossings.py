"""Where a path passes itself."""

from __future__ import annotations

from collections import Counter
from dataclasses import dataclass
from functools import lru_cache

import numpy as np
from numpy.typing import NDArray

from curlet.core.path.path import Path

Floats = NDArray[np.float64]

_SAMPLES = 33
_STEPS = 24
# The sine of the angle below which two passes run along each other.
_SHALLOWEST = 1e-6
_TOUCHING = 1e-7
# How far from a crossing its passes' sides are looked at, and how far Newton goes at once, of the length.
_NEAR, _FAR = 1e-4, 0.02
_CLOSE = 1e-6
# How far the path may bow out between two samples, of their distance.
_BOW = 0.02
MAX_CROSSINGS = 400
_MAX_PIECES = 6_000


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


@lru_cache(maxsize=256)
def find_crossings(path: Path) -> tuple[Crossing, ...]:
    """Proper crossings of a path with itself, in order of their first pass; touches are none.

    Each has a key of its own: where the same two stretches cross more than once, they are numbered.
    """
    s, points, near = _sampled(path)
    if s is None:
        return ()
    found: list[tuple[float, float]] = []
    for i, j in _candidates(points, path.closed):
        met = _met(path, (s[i], s[i + 1]), (s[j], s[j + 1]))
        if met is None or len(found) >= MAX_CROSSINGS:
            continue
        known = any(_apart(path, met[0], a) + _apart(path, met[1], b) < near for a, b in found)
        if not known and _crosses(path, *met):
            found.append(met)
    keys: Counter[str] = Counter()
    return tuple(_made(path, first, second, keys) for first, second in sorted(found))


def _sampled(path: Path) -> tuple[Floats | None, Floats, float]:
    nodes, curved = path.arc.node_positions, np.flatnonzero(~path.straight)
    even = [np.linspace(nodes[k], nodes[k + 1], _SAMPLES)[1:-1] for k in curved.tolist()]
    # Evenly in the parameter too: where the path turns on the spot it goes slowly.
    share = np.tile(np.linspace(0, 1, _SAMPLES)[1:-1], len(curved))
    slow = path.arc.positions(np.repeat(curved, _SAMPLES - 2), share)
    s = np.unique(np.concatenate([nodes, *even, slow]))
    s = s[np.concatenate([[True], np.diff(s) > 1e-9 * path.length])]
    if len(s) > _MAX_PIECES:
        s = np.linspace(0, path.length, _MAX_PIECES)
    if len(s) < 4:
        return None, np.zeros((0, 2)), 0.0
    return s, path.arc.points(s), 1e-4 * path.length


def _candidates(points: Floats, closed: bool) -> list[tuple[int, int]]:
    """Pairs of sampled pieces that may cross: boxes first, then the sides of each other's ends, each a little
    larger than it is, since the path bows out between its samples."""
    a, b = points[:-1], points[1:]
    bow = _BOW * np.hypot(*(b - a).T) + _CLOSE
    low, high = np.minimum(a, b) - bow[:, None], np.maximum(a, b) + bow[:, None]
    count = len(a)
    pairs: list[tuple[int, int]] = []
    for i in range(count - 2):
        rest = slice(i + 2, count - 1 if closed and i == 0 else count)
        near = np.flatnonzero(((low[rest] <= high[i]) & (high[rest] >= low[i])).all(axis=1)) + i + 2
        if len(near):
            slack = bow[i] + bow[near]
            pairs += [(i, int(j)) for j in near[_may_cross(a[i], b[i], a[near], b[near], slack)]]
    return pairs


def _may_cross(a: Floats, b: Floats, c: Floats, d: Floats, slack: Floats) -> NDArray[np.bool_]:
    """(n,) whether (n, 2) pieces from c to d come as near to the one from a to b as the slack."""

    def side(p: Floats, q: Floats, r: Floats) -> Floats:
        x, y = (q - p).T
        long = np.maximum(np.hypot(x, y), 1e-12)
        return np.asarray((x * (r - p)[..., 1] - y * (r - p)[..., 0]) / long)

    one, other = np.stack([side(a, b, c), side(a, b, d)]), np.stack([side(c, d, a), side(c, d, b)])
    sides = np.stack([one, other])
    return np.asarray(((sides.min(axis=1) <= slack) & (sides.max(axis=1) >= -slack)).all(axis=0))


def _met(path: Path, one: tuple[float, float], other: tuple[float, float]) -> tuple[float, float] | None:
    """Where two sampled pieces meet, the earlier place first: Newton on P(s) = P(t), each kept to the stretch
    between its nodes, so that it may end on a node; None where they do not meet."""
    arc = path.arc
    low, high = zip(_stretch(path, one), _stretch(path, other), strict=True)
    at = np.array([sum(one) / 2, sum(other) / 2])
    for _ in range(_STEPS):
        (p, q), (t, u) = _ways(path, at, np.array(high))
        matrix = np.column_stack([t, -u])
        if abs(np.linalg.det(matrix)) < _SHALLOWEST:
            return None
        step = np.linalg.solve(matrix, q - p)
        moved = np.clip(at + np.clip(step, -_FAR * path.length, _FAR * path.length), low, high)
        done = np.abs(moved - at).max() < 1e-12 * path.length
        at = moved
        if done:
            break
    if np.hypot(*np.diff(arc.points(at), axis=0)[0]) > _CLOSE:
        return None
    at = np.where(path.closed & (at > path.length * (1 - 1e-9)), 0.0, at)
    first, second = sorted(at.tolist())
    return (first, second) if _apart(path, first, second) > 1e-6 * path.length else None


def _stretch(path: Path, piece: tuple[float, float]) -> tuple[float, float]:
    """The nodes between which a sampled piece lies."""
    nodes = path.arc.node_positions
    after = int(np.searchsorted(nodes, (piece[0] + piece[1]) / 2))
    return float(nodes[max(after - 1, 0)]), float(nodes[min(after, len(nodes) - 1)])


def _ways(path: Path, at: Floats, ends: Floats) -> tuple[Floats, Floats]:
    """(2, 2) points at two places, and (2, 2) the ways on; at the end of a stretch as it comes in."""
    points, ways, _ = path.arc.axes(at)
    there = at >= ends - 1e-9
    if there.any():
        ways[there] = path.arc.tangents(at[there], before=True)
    return points, ways


def _apart(path: Path, s: float, t: float) -> float:
    gap = abs(s - t)
    return min(gap, path.length - gap) if path.closed else gap


def _crosses(path: Path, first: float, second: float) -> bool:
    """Whether one pass goes from one side of the other to its other side: of the four ways out of the place,
    the two of one pass lie between the two of the other."""
    step = min(_NEAR * path.length, 0.25 * _apart(path, first, second))
    if not path.closed:
        step = min(step, first / 2, (path.length - second) / 2)
        if step < _CLOSE:
            return False
    places = np.array([first - step, first + step, second - step, second + step])
    out = path.arc.points(path.arc.wrap(places)) - path.arc.points([first])[0]
    angles = np.arctan2(out[:, 1], out[:, 0])
    turned = np.mod(angles - angles[0], 2 * np.pi)
    if np.abs(np.sin(np.subtract.outer(angles[:2], angles[2:]))).min() < _TOUCHING:
        return False
    return bool((turned[2] < turned[1]) != (turned[3] < turned[1]))


def _made(path: Path, first: float, second: float, keys: Counter[str]) -> Crossing:
    t, u = path.arc.tangents([first, second])
    x, y = path.arc.points([first])[0]
    angle = float(np.degrees(np.arccos(np.clip(abs(t @ u), 0, 1))))
    # A place on a node belongs to the stretch after it, whatever rounding says.
    places = np.searchsorted(path.arc.node_positions, np.array([first, second]) + 1e-6, side="right") - 1
    key = "×".join(path.node_ids[int(k) % len(path.node_ids)] for k in places)
    keys[key] += 1
    return Crossing(first, second, float(x), float(y), angle, key if keys[key] == 1 else f"{key}·{keys[key]}")
