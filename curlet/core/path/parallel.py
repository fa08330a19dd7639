"""Parallel copies of a path at a stated distance, as for seam allowance or a stitch margin."""

from __future__ import annotations

import math
from dataclasses import dataclass, replace
from typing import Literal, Protocol

import numpy as np
from numpy.typing import NDArray

from curlet.core.bounds import Bounds
from curlet.core.errors import BadInput
from curlet.core.path.arcs import arc_to_cubics
from curlet.core.path.chain import path_of_cubics
from curlet.core.path.path import Path

Floats = NDArray[np.float64]
Corners = Literal["sharp", "round"]

DISTANCE = Bounds("The distance", 0.01, 10_000)
# How far a copy may lie from where it should, mm.
TOLERANCE = 0.005
# A sharp corner this many times the distance away is cut flat (SVG 2's miter limit, twice the half width).
SHARPEST = 10.0
_KINK = 0.05
_FEWEST, _MAX = 64, 2_000
# A copy's point that is nearer to the path than this share of the distance lies past a crossing.
_NEAR = 1 - 4e-3
_SAME, _MEETS = 1e-6, 1e-3
_DEEPEST = 7


class _Piece(Protocol):
    """A stretch of the copy, by a length of its own from `start` to `stop`."""

    @property
    def start(self) -> float: ...

    @property
    def stop(self) -> float: ...

    @property
    def near(self) -> float:
        """How near to the path it may come, as a share of the distance."""

    def at(self, s: float, *, before: bool = False) -> tuple[Floats, Floats]:
        """Its point, and its rate there."""

    def points(self, s: Floats) -> Floats:
        """(n, 2) points at (n,) lengths."""

    def cubics(self, a: float, b: float) -> list[Floats]:
        """A part of it as (4, 2) cubics."""


@dataclass(frozen=True, eq=False)
class _Copy:
    """Beside a stretch of the path between two corners, by the path's arc length."""

    path: Path
    distance: float
    start: float
    stop: float
    near: float = 1.0

    def at(self, s: float, *, before: bool = False) -> tuple[Floats, Floats]:
        arc = self.path.arc
        before = before or s >= self.stop - _SAME
        x, y = arc.tangents([s], before=before)[0]
        bend = float(arc.curvature([s], before=before)[0])
        point = arc.points([s])[0] + self.distance * np.array([-y, x])
        return point, (1 - bend * self.distance) * np.array([x, y])

    def points(self, s: Floats) -> Floats:
        arc = self.path.arc
        tangents = arc.tangents(s)
        last = s >= self.stop - _SAME
        if last.any():
            tangents[last] = arc.tangents(s[last], before=True)
        normals = np.stack([-tangents[:, 1], tangents[:, 0]], axis=1)
        return np.asarray(arc.points(s) + self.distance * normals)

    def cubics(self, a: float, b: float) -> list[Floats]:
        nodes = self.path.arc.node_positions
        cuts = [a, *nodes[(nodes > a + _SAME) & (nodes < b - _SAME)].tolist(), b]
        return [c for u, v in zip(cuts[:-1], cuts[1:], strict=True) for c in self._cubics(u, v, 0)]

    def _cubics(self, a: float, b: float, depth: int) -> list[Floats]:
        """Hermite's cubic from one place to another, halved until it is near enough in its middle."""
        (p, u), (q, v) = self.at(a), self.at(b, before=True)
        third = (b - a) / 3
        cubic = np.array([p, p + third * u, q - third * v, q])
        middle = (cubic[0] + 3 * cubic[1] + 3 * cubic[2] + cubic[3]) / 8
        off = np.hypot(*(middle - self.at((a + b) / 2)[0]))
        if off <= TOLERANCE or depth == _DEEPEST:
            return [cubic]
        return [*self._cubics(a, (a + b) / 2, depth + 1), *self._cubics((a + b) / 2, b, depth + 1)]


@dataclass(frozen=True, eq=False)
class _Line:
    """A straight side of a sharp corner, or the flat of one that is cut: that comes nearer to the path, to
    `near` of the distance."""

    origin: Floats
    way: Floats
    stop: float
    start: float = 0.0
    near: float = 1.0

    def at(self, s: float, *, before: bool = False) -> tuple[Floats, Floats]:
        return self.origin + s * self.way, self.way

    def points(self, s: Floats) -> Floats:
        return self.origin + s[:, None] * self.way

    def cubics(self, a: float, b: float) -> list[Floats]:
        p, q = self.at(a)[0], self.at(b)[0]
        return [np.array([p, p, q, q])]


@dataclass(frozen=True, eq=False)
class _Arc:
    """The outside of a round corner, by the length of its arc."""

    centre: complex
    arm: complex
    turn: float
    stop: float
    start: float = 0.0
    near: float = 1.0

    def at(self, s: float, *, before: bool = False) -> tuple[Floats, Floats]:
        angle = self.turn * s / self.stop
        arm = self.arm * complex(math.cos(angle), math.sin(angle))
        here, way = self.centre + arm, 1j * arm * self.turn / self.stop
        return np.array([here.real, here.imag]), np.array([way.real, way.imag])

    def points(self, s: Floats) -> Floats:
        here = self.centre + self.arm * np.exp(1j * self.turn * s / self.stop)
        return np.stack([here.real, here.imag], axis=1)

    def cubics(self, a: float, b: float) -> list[Floats]:
        first, sweep = self.turn * a / self.stop, self.turn * (b - a) / self.stop
        return list(arc_to_cubics(self.centre, self.arm, 1j * self.arm, first, sweep))


@dataclass(frozen=True)
class _Range:
    """The part of a piece that is kept; cut where it came too near to the path."""

    piece: int
    start: float
    stop: float
    cut_start: bool
    cut_stop: bool


def parallel(path: Path, distance: float, corners: Corners = "sharp", limit: float = SHARPEST) -> list[Path]:
    """Copies of a path `distance` mm to its right, or to its left where it is below 0.

    No point of a copy is nearer to the path than that, and none further but at sharp corners: on the inner
    side legs end where they meet, and what would fold back is left out. One path may give several copies.

    Parameters
    ----------
    distance : mm to the right; below 0 to the left.
    limit : a sharp corner this many times the distance away is cut flat; 1 cuts every one.

    Raises
    ------
    BadInput
        If the distance is out of bounds, or nothing of the path is left that far inside it.

    >>> from curlet.core.path.figures import FIGURES
    >>> (inner,) = parallel(FIGURES["circle"].make({"diameter": 50}), 5)
    >>> round(inner.length, 1)  # 2π·20
    125.7
    """
    DISTANCE.check(abs(distance))
    step = float(np.clip(abs(distance) / 6, path.length / _MAX, path.length / _FEWEST))
    pieces = _pieces(path, distance, corners, limit)
    ranges = _kept(path, pieces, abs(distance), step)
    if not ranges:
        raise BadInput("Nothing of this path is left that far inside it. Give a smaller distance.")
    return [_path(pieces, chain, closed) for chain, closed in _chains(pieces, ranges, path.closed, step)]


def _pieces(path: Path, distance: float, corners: Corners, limit: float) -> list[_Piece]:
    """The copies of all stretches, and what goes round the outside of the corners between them."""
    nodes, turns = path.node_positions, path.turns
    sharp = nodes[: len(turns)][np.abs(turns) > _KINK]
    ends = [0.0, *sharp[(sharp > _SAME) & (sharp < path.length - _SAME)].tolist(), path.length]
    copies = [_Copy(path, distance, a, b) for a, b in zip(ends[:-1], ends[1:], strict=True)]
    found: list[_Piece] = []
    for index, copy in enumerate(copies):
        found.append(copy)
        if index + 1 < len(copies) or path.closed:
            found += _round_corner(copy, copies[(index + 1) % len(copies)], corners, limit)
    return found


def _round_corner(one: _Copy, other: _Copy, corners: Corners, limit: float) -> list[_Piece]:
    """From the end of one copy to the start of the next, where that is round the outside."""
    (p, _), (q, _) = one.at(one.stop, before=True), other.at(other.start)
    u, v = one.path.arc.tangents([one.stop], before=True)[0], other.path.arc.tangents([other.start])[0]
    turn = math.atan2(u[0] * v[1] - u[1] * v[0], float(u @ v))
    if abs(turn) > math.pi - 1e-6:
        # Doubling back is round the outside on either side.
        turn = -math.copysign(math.pi, one.distance)
    if np.hypot(*(q - p)) <= _MEETS or turn * one.distance > 0:
        return []
    far = abs(one.distance)
    if corners == "round":
        corner = one.path.arc.points([one.stop])[0]
        return [_Arc(complex(*corner), complex(*(p - corner)), turn, far * abs(turn))]
    if 1 / max(math.cos(turn / 2), 1e-9) > limit + 1e-9:
        long = float(np.hypot(*(q - p)))
        return [_Line(p, (q - p) / long, long, near=math.cos(turn / 2))]
    reach = far * math.tan(abs(turn) / 2)
    return [_Line(p, u, reach), _Line(q - reach * v, v, reach)]


def _kept(path: Path, pieces: list[_Piece], far: float, step: float) -> list[_Range]:
    """The parts of every piece that are nowhere nearer to the path than they should be."""
    line = _as_polyline(path, step / 2)
    found = []
    for index, piece in enumerate(pieces):
        count = max(int((piece.stop - piece.start) / step) + 1, 9)
        s = np.linspace(piece.start, piece.stop, count)
        good = _distances(piece.points(s), line) >= far * _NEAR * piece.near
        edges = np.flatnonzero(np.diff(np.concatenate([[False], good, [False]]).astype(np.int8)))
        for first, past in edges.reshape(-1, 2).tolist():
            if past - first > 1:
                found.append(_Range(index, float(s[first]), float(s[past - 1]), first > 0, past < count))
    return found


def _as_polyline(path: Path, step: float) -> Floats:
    """Points along the path, those of its curves no further apart than a step."""
    nodes = path.arc.node_positions
    fine = np.linspace(0, path.length, int(path.length / step) + 2)
    segment = np.clip(np.searchsorted(nodes, fine, side="right") - 1, 0, len(path.straight) - 1)
    return path.arc.points(np.union1d(fine[~path.straight[segment]], nodes))


def _distances(points: Floats, line: Floats) -> Floats:
    """(n,) how far points are from a polyline."""
    a, way = line[:-1], np.diff(line, axis=0)
    size = np.maximum((way * way).sum(axis=1), 1e-18)
    found = []
    for few in np.array_split(points, max(len(points) * len(a) // 400_000, 1)):
        from_a = few[:, None] - a
        t = np.clip((from_a * way).sum(axis=2) / size, 0, 1)
        off = from_a - t[..., None] * way
        found.append(np.sqrt((off * off).sum(axis=2).min(axis=1)))
    return np.concatenate(found)


def _chains(
    pieces: list[_Piece], ranges: list[_Range], closed: bool, step: float
) -> list[tuple[list[_Range], bool]]:
    """Ranges one after the other as the copy goes, and whether it comes back to its start."""
    ranges, after = _met(pieces, ranges, closed, step)
    left = set(range(len(ranges)))
    found = []
    for start in [*sorted(left - set(after.values())), *range(len(ranges))]:
        chain, here = [], start
        while here in left:
            left.discard(here)
            chain.append(ranges[here])
            here = after.get(here, -1)
        if chain:
            found.append((chain, here == start))
    return found


def _met(
    pieces: list[_Piece], ranges: list[_Range], closed: bool, step: float
) -> tuple[list[_Range], dict[int, int]]:
    """Which range follows which, those that were cut ending where they meet."""
    after: dict[int, int] = {}
    starts = {r.piece: i for i, r in enumerate(ranges) if not r.cut_start}
    here = [pieces[r.piece].at(r.stop, before=True)[0] for r in ranges]
    there = [pieces[r.piece].at(r.start)[0] for r in ranges]
    for i, one in enumerate(ranges):
        j = starts.get((one.piece + 1) % len(pieces), -1)
        goes_on = closed or one.piece + 1 < len(pieces)
        if goes_on and not one.cut_stop and j >= 0 and np.hypot(*(here[i] - there[j])) <= _MEETS:
            after[i] = j
    taken, moved = set(after.values()), list(ranges)
    pairs = ((float(np.hypot(*(p - q))), i, j) for i, p in enumerate(here) for j, q in enumerate(there))
    for _, i, j in sorted(pair for pair in pairs if pair[0] <= 3 * step):
        met = None if i in after or j in taken else _crossing(pieces, moved[i], moved[j], step)
        if met is not None:
            after[i] = j
            taken.add(j)
            moved[i] = replace(moved[i], stop=met[0])
            moved[j] = replace(moved[j], start=met[1])
    return moved, after


def _crossing(pieces: list[_Piece], one: _Range, other: _Range, step: float) -> tuple[float, float] | None:
    """Where one range meets another, by Newton from where they were cut; None if not near there."""
    first, second = pieces[one.piece], pieces[other.piece]
    a, b = one.stop, other.start
    for _ in range(12):
        (p, u), (q, v) = first.at(a, before=True), second.at(b)
        matrix = np.column_stack([u, -v])
        if np.hypot(*(q - p)) < _SAME / 10 or abs(np.linalg.det(matrix)) < 1e-9:
            break
        by = np.linalg.solve(matrix, q - p)
        by *= min(1.0, step / max(float(np.abs(by).max()), 1e-12))
        a = float(np.clip(a + by[0], first.start, first.stop))
        b = float(np.clip(b + by[1], second.start, second.stop))
    apart = np.hypot(*(second.at(b)[0] - first.at(a, before=True)[0]))
    near = max(abs(a - one.stop), abs(b - other.start)) <= 4 * step
    return (a, b) if near and apart <= _MEETS else None


def _path(pieces: list[_Piece], chain: list[_Range], closed: bool) -> Path:
    """A chain of ranges as a path of its own; what is straight gets no handles."""
    cubics = [c for one in chain for c in pieces[one.piece].cubics(one.start, one.stop)]
    return path_of_cubics(cubics, closed)
