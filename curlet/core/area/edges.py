"""An area's edges as the very cubics that its shapes are drawn with, parted where they cross."""

from __future__ import annotations

from collections.abc import Iterable, Iterator, Sequence
from dataclasses import dataclass

import numpy as np
import shapely
from numpy.typing import NDArray
from shapely.geometry.base import BaseGeometry

from curlet.core.area.parts import UNNAMED, Part
from curlet.core.drawing import Outline
from curlet.core.path.cubics import straight
from curlet.core.path.outline import joined, of_chain

Floats = NDArray[np.float64]
Ints = NDArray[np.intp]
Bools = NDArray[np.bool_]

# A ring smaller than this share of the largest is a crumb.
_CRUMB = 1e-7
# A side of a polygon lies on a chord that is this near, as a share of the area's size.
_ON_IT = 1e-9
# Places along a cubic that are nearer than this are one.
_SAME = 1e-6
_ROUNDS = 8
_MET = 1e-10


@dataclass(frozen=True, eq=False)
class Edge:
    """One closed contour of an area: outer ones run clockwise on the sheet, holes the other way.

    Attributes
    ----------
    cubics : (k, 4, 2) end to end, sheet mm.
    names : (k,) the names of the nodes that they begin at. A node of a shape keeps its name; where two
        segments cross, the node is named by both.
    """

    cubics: Floats
    names: tuple[str, ...]

    @property
    def outline(self) -> Outline:
        return of_chain(self.cubics, True)

    @property
    def straight(self) -> Bools:
        """(k,) which of its cubics are straight lines."""
        return _is_straight(self.cubics)


@dataclass(frozen=True, eq=False)
class _Pieces:
    """(k,) stretches of cubics, ring by ring: on which cubic, from where to where along it, in which ring,
    and (k, 2) the polygon's corner at which each begins."""

    cubic: Ints
    start: Floats
    end: Floats
    ring: Ints
    corner: Floats


def edges_of(part: Part) -> tuple[Edge, ...]:
    """The contours of an area, the largest first.

    >>> from curlet.core.area.parts import part_of
    >>> from curlet.core.outlines import disc
    >>> (edge,) = edges_of(part_of(disc(0, 0, 2.0), 0.01))
    >>> len(edge.cubics)
    4
    """
    rings = _rings(part.area)
    if not rings:
        return ()
    pieces = _pieces(rings, part)
    return tuple(_renamed(_joined(pieces, part)))


def outline_of_edges(edges: Sequence[Edge]) -> Outline:
    """An area's contours as one outline."""
    return joined([edge.outline for edge in edges])


def _rings(area: BaseGeometry) -> list[Floats]:
    """(n, 2) corners of each ring without its last, outer ones clockwise on the sheet; the largest first."""
    polygons = [part for part in shapely.get_parts(area) if part.geom_type == "Polygon" and part.area > 0]
    if not polygons:
        return []
    least = _CRUMB * max(polygon.area for polygon in polygons)
    every: list[tuple[float, Floats]] = []
    for polygon in polygons:
        for ring, outer in ((polygon.exterior, True), *((hole, False) for hole in polygon.interiors)):
            size = shapely.Polygon(ring).area
            if size > least:
                corners = shapely.get_coordinates(ring)[:-1]
                # As the sheet's y goes down, what shapely calls counter-clockwise is clockwise there.
                every.append((size, corners if ring.is_ccw == outer else corners[::-1]))
    return [corners for _, corners in sorted(every, key=lambda item: -item[0])]


def _pieces(rings: list[Floats], part: Part) -> _Pieces:
    """The stretches of the part's cubics that rings run along."""
    corners = np.concatenate(rings)
    counts = [len(ring) for ring in rings]
    ring = np.repeat(np.arange(len(rings)), counts)
    first = np.cumsum([0, *counts[:-1]])
    ahead, behind = np.arange(1, len(corners) + 1), np.arange(-1, len(corners) - 1)
    ahead[first + counts - 1], behind[first] = first, first + counts - 1
    there = corners[ahead]
    chord = _chords_under((corners + there) / 2, there - corners, part)
    a, way = part.chords[chord, 0], part.chords[chord, 1] - part.chords[chord, 0]
    low, high = part.spans[chord].T
    size = np.maximum((way * way).sum(axis=1), 1e-300)

    def place(points: Floats) -> Floats:
        share = np.clip(((points - a) * way).sum(axis=1) / size, 0.0, 1.0)
        return np.asarray(low + share * (high - low))

    start, end, cubic = place(corners), place(there), part.which[chord]
    back = end < start
    same = (cubic == cubic[behind]) & (back == back[behind]) & (np.abs(start - end[behind]) < _SAME)
    # A ring that is all one stretch begins somewhere.
    begins = ~same
    for number in np.flatnonzero(~np.logical_or.reduceat(begins, first)):
        begins[first[number]] = True
    heads: list[int] = []
    tails: list[int] = []
    for begin, count in zip(first.tolist(), counts, strict=True):
        own = begin + np.flatnonzero(begins[begin : begin + count])
        heads += own.tolist()
        tails += [*(own[1:] - 1).tolist(), int(own[0] - 1) if own[0] > begin else begin + count - 1]
    at = np.array(heads)
    return _Pieces(cubic[at], start[at], end[np.array(tails)], ring[at], corners[at])


def _chords_under(middles: Floats, ways: Floats, part: Part) -> Ints:
    """(n,) which chord each side of the polygons lies on: of several, the first that runs alike."""
    lines = shapely.linestrings(part.chords)
    tree = shapely.STRtree(lines)
    near = _ON_IT * max(float(np.ptp(part.chords.reshape(-1, 2), axis=0).max()), 1e-9)
    points = shapely.points(middles)
    side, chord = tree.query(points, predicate="dwithin", distance=near)
    along = part.chords[chord, 1] - part.chords[chord, 0]
    across = np.abs(along[:, 0] * ways[side, 1] - along[:, 1] * ways[side, 0])
    size = np.hypot(*along.T) * np.hypot(*ways[side].T)
    alike = across <= 1e-4 * size
    side, chord = side[alike], chord[alike]
    found = np.full(len(middles), -1, dtype=np.intp)
    order = np.lexsort((chord, side))[::-1]
    found[side[order]] = chord[order]
    lost = np.flatnonzero(found < 0)
    if len(lost):
        found[lost] = tree.nearest(points[lost])
    return found


def _joined(pieces: _Pieces, part: Part) -> Iterator[Edge]:
    """Each ring's cubics, joined where they meet."""
    cubic, start, end = pieces.cubic, pieces.start.copy(), pieces.end.copy()
    first = np.flatnonzero(np.diff(pieces.ring, prepend=-1))
    last = np.append(first[1:], len(cubic)) - 1
    before, after = np.arange(-1, len(cubic) - 1), np.arange(1, len(cubic) + 1)
    before[first], after[last] = last, first
    # A node of a shape, where one of its segments goes over into the next; otherwise two of them cross.
    node = _at_end(start) & _at_end(end[before])
    crossing = np.flatnonzero(~node & ~((cubic == cubic[before]) & (np.abs(start - end[before]) < _SAME)))
    one, other = cubic[before[crossing]], cubic[crossing]
    places = end[before[crossing]], start[crossing]
    meet, t_in, t_out = _met(part.cubics[one], part.cubics[other], *places, pieces.corner[crossing])
    start[crossing], end[before[crossing]] = t_out, t_in
    points = _at(part.cubics[cubic], start)
    points[crossing] = meet
    names = [_name(part, cubic, start, before, i, bool(node[i])) for i in range(len(cubic))]
    stretches = _between(part.cubics[cubic], start, end)
    ahead = points[after]
    shift = points - stretches[:, 0], ahead - stretches[:, 3]
    stretches[:, :2] += shift[0][:, None]
    stretches[:, 2:] += shift[1][:, None]
    level = _is_straight(part.cubics[cubic])
    stretches[level] = straight(points[level], ahead[level])
    long = np.abs(stretches - stretches[:, :1]).max(axis=(1, 2)) > _MET
    for begin, until in zip(first.tolist(), (last + 1).tolist(), strict=True):
        own = begin + np.flatnonzero(long[begin:until])
        if len(own):
            yield Edge(stretches[own], tuple(names[i] for i in own.tolist()))


def _name(part: Part, cubic: Ints, start: Floats, before: Ints, i: int, node: bool) -> str:
    own: str = part.names[cubic[i]]
    if node:
        # Gone along backwards, a segment begins at the node of the one before it on this edge.
        return own if start[i] < 0.5 else part.names[cubic[before[i]]]
    pair = sorted((own, part.names[cubic[before[i]]]))
    return "×".join(pair) if all(pair) else UNNAMED


def _renamed(edges: Iterable[Edge]) -> list[Edge]:
    """Edges whose nodes all have names of their own."""
    taken: dict[str, int] = {}
    found = []
    for edge in edges:
        names = []
        for name in edge.names:
            base = name or "e"
            taken[base] = taken.get(base, 0) + 1
            names.append(base if taken[base] == 1 and name else f"{base}~{taken[base]}")
        found.append(Edge(edge.cubics, tuple(names)))
    return found


def _at_end(t: Floats) -> Bools:
    return np.asarray((t < _SAME) | (t > 1 - _SAME))


def _at(cubics: Floats, t: Floats) -> Floats:
    """(n, 2) points, one on each of (n, 4, 2) cubics."""
    u, v = t[:, None], 1 - t[:, None]
    a, b, c, d = (cubics[:, i] for i in range(4))
    return np.asarray(((v * a + 3 * u * b) * v + 3 * u * u * c) * v + u**3 * d)


def _rate(cubics: Floats, t: Floats) -> Floats:
    u, v = t[:, None], 1 - t[:, None]
    a, b, c, d = (cubics[:, i] for i in range(4))
    return np.asarray(3 * (v * v * (b - a) + 2 * u * v * (c - b) + u * u * (d - c)))


def _met(one: Floats, other: Floats, s: Floats, t: Floats, corner: Floats) -> tuple[Floats, Floats, Floats]:
    """Where pairs of cubics cross, by Newton's method from where their polygons do, and the places along
    each; where they only touch, or lie on one another, it stays there."""
    first, second = s.copy(), t.copy()
    for _ in range(_ROUNDS):
        off = _at(one, first) - _at(other, second)
        p, q = _rate(one, first), -_rate(other, second)
        det = p[:, 0] * q[:, 1] - p[:, 1] * q[:, 0]
        safe = np.where(np.abs(det) > 1e-9 * np.hypot(*p.T) * np.hypot(*q.T), det, np.inf)
        first = np.clip(first - (off[:, 0] * q[:, 1] - off[:, 1] * q[:, 0]) / safe, 0.0, 1.0)
        second = np.clip(second - (p[:, 0] * off[:, 1] - p[:, 1] * off[:, 0]) / safe, 0.0, 1.0)
    a, b = _at(one, first), _at(other, second)
    scale = np.ptp(one, axis=1).max(axis=1, initial=0.0) + np.ptp(other, axis=1).max(axis=1, initial=0.0)
    good = (np.abs(a - b).max(axis=1, initial=0.0) < 1e-9 * np.maximum(scale, 1.0)) & (
        np.abs(a - corner).max(axis=1, initial=0.0) < 0.05 * np.maximum(scale, _MET)
    )
    first, second = np.where(good, first, s), np.where(good, second, t)
    return np.where(good[:, None], (a + b) / 2, corner), first, second


def _between(cubics: Floats, start: Floats, end: Floats) -> Floats:
    """(n, 4, 2) the stretch of each cubic from one place to another, gone along that way (de Casteljau's
    blossom)."""

    def blossom(u: Floats, v: Floats, w: Floats) -> Floats:
        level = cubics
        for t in (u, v, w):
            share = t[:, None, None]
            level = level[:, :-1] * (1 - share) + level[:, 1:] * share
        return level[:, 0]

    a, b = start, end
    return np.stack([blossom(a, a, a), blossom(a, a, b), blossom(a, b, b), blossom(b, b, b)], axis=1)


def _is_straight(cubics: Floats) -> Bools:
    """(n,) whether a cubic is a straight line at even speed."""
    third = (cubics[:, 3] - cubics[:, 0]) / 3
    off = np.abs(cubics[:, 1] - cubics[:, 0] - third) + np.abs(cubics[:, 2] - cubics[:, 3] + third)
    return np.asarray(off.max(axis=1) < 1e-9)
