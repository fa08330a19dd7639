"""Fitting cubics through many drawn points within a stated distance.

Schneider's method ("An algorithm for automatically fitting digitized curves", Graphics Gems, 1990),
worked on all pieces of all lines at once: what is not near enough is split and fitted again. Points and
directions are complex numbers here, x + iy.
"""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass, fields, replace
from typing import Any

import numpy as np
from numpy.typing import NDArray

Floats = NDArray[np.float64]
Points = NDArray[np.complex128]
Ints = NDArray[np.intp]
Bools = NDArray[np.bool_]

# Rounds in which the points' places along a cubic are bettered before it is split.
_ROUNDS = 4
# A fit this many times too far off is split at once.
_HOPELESS = 25.0
# The stretch from which a direction is taken, in tolerances: points are off by about one of them.
_BESIDE = 8.0
# From break to break a line is taken for a side if it is this near, in tolerances.
_SIDE = 0.7
_TINY = 1e-12
# Of a piece's points, those this near to the furthest are as far.
_AS_FAR = 1 - 1e-6


@dataclass(frozen=True, eq=False)
class _Pieces:
    """m stretches of points to be fitted: first and last index, the directions into each at both ends,
    and whether those may be bettered, since nothing smooth goes on beyond them."""

    first: Ints
    last: Ints
    leaving: Points
    entering: Points
    open_first: Bools
    open_last: Bools

    def take(self, which: Bools | Ints) -> _Pieces:
        return _Pieces(*(getattr(self, item.name)[which] for item in fields(self)))

    def members(self) -> tuple[Ints, Ints, Ints]:
        """(n,) piece and index of every point of every piece, and (m,) where each piece's points begin."""
        counts = self.last - self.first + 1
        offsets = np.concatenate([[0], np.cumsum(counts)[:-1]])
        piece = np.repeat(np.arange(len(counts)), counts)
        return piece, self.first[piece] + np.arange(len(piece)) - offsets[piece], offsets


def fit_cubics(lines: Sequence[Floats], breaks: Sequence[Ints], tolerance: float) -> list[Floats]:
    """Cubics end to end through each line's points.

    Parameters
    ----------
    lines : (n, 2) points each, n ≥ 2; a closed line's last point is its first.
    breaks : for each line, indices of points at which its direction may break, besides its ends. A closed
        line whose ends are to be smooth says so by not naming 0.
    tolerance : how far any point may lie from its cubic, in the points' unit.

    Returns
    -------
    (k, 4, 2) cubics for each line.
    """
    if not lines:
        return []
    points = np.ascontiguousarray(np.concatenate(lines), dtype=np.float64).view(np.complex128)[:, 0]
    starts = np.cumsum([0, *(len(line) for line in lines[:-1])])
    along = _lengths(points, starts)
    look = _BESIDE * tolerance
    pieces = _at_breaks(points, along, lines, starts, breaks, look)
    done: list[tuple[Ints, Points]] = []
    while len(pieces.first):
        cubics, error, worst = _fitted(points, along, pieces, tolerance)
        cubics, error = _lines_first(points, pieces, cubics, error, tolerance)
        good = (error <= tolerance) | (pieces.last - pieces.first < 2)
        done.append((pieces.first[good], cubics[good]))
        pieces = _split(points, along, pieces.take(~good), worst[~good], look)
    first = np.concatenate([part for part, _ in done])
    found = np.concatenate([part for _, part in done])[np.argsort(first, kind="stable")]
    every = found.view(np.float64).reshape(-1, 4, 2)
    of = np.searchsorted(starts, np.sort(first), side="right") - 1
    return [every[of == index] for index in range(len(lines))]


def _lengths(points: Points, starts: Ints) -> Floats:
    """Chord length to each point, all lines one after the other and a step apart."""
    steps = np.concatenate([[0.0], np.abs(np.diff(points))])
    steps[starts] = 1.0
    return np.cumsum(steps)


def _at_breaks(
    points: Points,
    along: Floats,
    lines: Sequence[Floats],
    starts: Ints,
    breaks: Sequence[Ints],
    look: float,
) -> _Pieces:
    """Each line's stretches between its breaks; a closed line without one at its ends is smooth there."""
    first, last = [], []
    for line, start, where in zip(lines, starts.tolist(), breaks, strict=True):
        cuts = sorted({0, len(line) - 1, *(int(i) for i in where)})
        first += [start + a for a in cuts[:-1]]
        last += [start + b for b in cuts[1:]]
    low, high = np.array(first), np.array(last)
    none, both = np.zeros(len(low), dtype=complex), np.ones(len(low), dtype=bool)
    pieces = _Pieces(low, high, none, none, both, both.copy())
    ahead, behind = _near(along, pieces, low, look, 1), _near(along, pieces, high, look, -1)
    leaving, entering = _units(points[ahead] - points[low]), _units(points[behind] - points[high])
    for line, start, where in zip(lines, starts.tolist(), breaks, strict=True):
        if 0 not in where and np.abs(line[0] - line[-1]).max() < _TINY and len(line) > 3:
            out, back = np.searchsorted(low, start), np.searchsorted(high, start + len(line) - 1)
            leaving[out] = _units(points[ahead[out]] - points[behind[back]])
            entering[back] = -leaving[out]
            pieces.open_first[out] = pieces.open_last[back] = False
    return replace(pieces, leaving=leaving, entering=entering)


def _near(along: Floats, pieces: _Pieces, at: Ints, look: float, way: int) -> Ints:
    """The point about `look` further on (or back) from each piece's point, within half of the piece."""
    reach = np.minimum(look, (along[pieces.last] - along[pieces.first]) / 2)
    place = np.searchsorted(along, along[at] + way * reach, side="left" if way > 0 else "right")
    place = place if way > 0 else place - 1
    least = np.minimum(at + way, pieces.last) if way > 0 else np.maximum(at + way, pieces.first)
    place = np.maximum(place, least) if way > 0 else np.minimum(place, least)
    return np.asarray(np.clip(place, pieces.first, pieces.last))


def _units(vectors: Points) -> Points:
    return np.asarray(vectors / np.maximum(np.abs(vectors), _TINY))


def _dot(a: Points, b: Points) -> Floats:
    return a.real * b.real + a.imag * b.imag


def _fitted(points: Points, along: Floats, pieces: _Pieces, tolerance: float) -> tuple[Points, Floats, Ints]:
    """(m, 4) cubics, (m,) how far their points lie off, and the index of the furthest."""
    piece, index, offsets = pieces.members()
    at = points[index]
    whole = np.maximum(along[pieces.last] - along[pieces.first], _TINY)
    u = (along[index] - along[pieces.first][piece]) / whole[piece]
    sums = _Sums.of(points, pieces, at, u, piece, offsets)
    pieces = _open_ends(points, pieces, sums)
    cubics = _least_squares(points, pieces, sums)
    off = np.abs(_on(cubics[piece], u) - at)
    error = np.maximum.reduceat(off, offsets)
    for _ in range(_ROUNDS):
        near = (error > tolerance) & (error < _HOPELESS * tolerance)
        if not near.any():
            break
        some, own = near[piece], pieces.take(near)
        of, _, begins = own.members()
        there, place = at[some], _bettered(cubics[near][of], at[some], u[some])
        better = _least_squares(points, own, _Sums.of(points, own, there, place, of, begins))
        cubics[near], u[some], off[some] = better, place, np.abs(_on(better[of], place) - there)
        error[near] = np.maximum.reduceat(off[some], begins)
    # The first of the furthest points of each piece; its ends are on it. Where two are as far, as in
    # symmetrical shapes, rounding does not choose.
    furthest = np.flatnonzero(off >= _AS_FAR * error[piece])
    worst = index[furthest[np.searchsorted(piece[furthest], np.arange(len(offsets)))]]
    return cubics, error, np.clip(worst, pieces.first + 1, np.maximum(pieces.last - 1, pieces.first + 1))


def _lines_first(
    points: Points, pieces: _Pieces, cubics: Points, error: Floats, tolerance: float
) -> tuple[Points, Floats]:
    """A straight line from break to break wherever it is near enough: a side that bulges a little within
    the tolerance is still a side."""
    sides = np.flatnonzero(pieces.open_first & pieces.open_last)
    if not len(sides):
        return cubics, error
    own = pieces.take(sides)
    piece, index, offsets = own.members()
    start, end = points[own.first], points[own.last]
    # Each point as seen from its side: how far along it and how far aside.
    seen = (points[index] - start[piece]) * _units(end - start).conj()[piece]
    # What runs out beyond the ends and back is no side either.
    beyond = np.maximum(np.maximum(-seen.real, seen.real - np.abs(end - start)[piece]), 0)
    aside = np.maximum.reduceat(np.hypot(seen.imag, beyond), offsets)
    near = aside <= _SIDE * tolerance
    thirds = np.stack([start, start + (end - start) / 3, end - (end - start) / 3, end], axis=1)
    cubics[sides[near]], error[sides[near]] = thirds[near], aside[near]
    return cubics, error


@dataclass(frozen=True, eq=False)
class _Sums:
    """(m,) sums over each piece's points: the squares and the product of both handles' weights, and each
    weight times what the ends leave of the point."""

    first: Floats
    both: Floats
    last: Floats
    to_first: Points
    to_last: Points

    @classmethod
    def of(cls, points: Points, pieces: _Pieces, at: Points, u: Floats, piece: Ints, offsets: Ints) -> _Sums:
        v = 1 - u
        uu, vv = u * u, v * v
        b1, b2 = 3 * u * vv, 3 * uu * v
        start, end = points[pieces.first], points[pieces.last]
        rest = at - start[piece] * (v * vv + b1) - end[piece] * (u * uu + b2)
        products: tuple[NDArray[Any], ...] = (b1 * b1, b1 * b2, b2 * b2, b1 * rest, b2 * rest)
        return cls(*(np.add.reduceat(product, offsets) for product in products))


def _least_squares(points: Points, pieces: _Pieces, sums: _Sums) -> Points:
    """(m, 4) cubics whose handles lie in the given directions."""
    start, end = points[pieces.first], points[pieces.last]
    leaving, entering = pieces.leaving, pieces.entering
    both = sums.both * _dot(leaving, entering)
    to_first, to_last = _dot(leaving, sums.to_first), _dot(entering, sums.to_last)
    det = sums.first * sums.last - both * both
    safe = np.where(np.abs(det) > _TINY, det, 1.0)
    first = (to_first * sums.last - to_last * both) / safe
    last = (sums.first * to_last - both * to_first) / safe
    chord = np.abs(end - start)
    # Handles that turn back, or reach far past the other end, are not a fit: thirds of the chord are.
    poor = (np.abs(det) <= _TINY) | (np.minimum(first, last) < 1e-3 * chord)
    poor |= np.maximum(first, last) > 3 * chord + _TINY
    first, last = np.where(poor, chord / 3, first), np.where(poor, chord / 3, last)
    return np.stack([start, start + first * leaving, end + last * entering, end], axis=1)


def _open_ends(points: Points, pieces: _Pieces, sums: _Sums) -> _Pieces:
    """Directions at open ends as the cubic has them that fits best with all of its handles free."""
    if not (pieces.open_first.any() or pieces.open_last.any()):
        return pieces
    det = sums.first * sums.last - sums.both * sums.both
    safe = np.where(np.abs(det) > _TINY, det, np.inf)
    first = (sums.to_first * sums.last - sums.to_last * sums.both) / safe
    last = (sums.to_last * sums.first - sums.to_first * sums.both) / safe
    # Handles from the ends; where they are next to nothing they have no direction.
    least = 0.02 * np.abs(points[pieces.last] - points[pieces.first])
    out, back = pieces.open_first & (np.abs(first) > least), pieces.open_last & (np.abs(last) > least)
    return replace(
        pieces,
        leaving=np.where(out, _units(first), pieces.leaving),
        entering=np.where(back, _units(last), pieces.entering),
    )


def _on(cubics: Points, u: Floats) -> Points:
    """Where (n, 4) cubics are at (n,) places along them."""
    v = 1 - u
    uu, vv = u * u, v * v
    p0, p1, p2, p3 = cubics.T
    return np.asarray(v * vv * p0 + 3 * u * vv * p1 + 3 * uu * v * p2 + u * uu * p3)


def _bettered(cubics: Points, at: Points, u: Floats) -> Floats:
    """One step of Newton's method toward each point's nearest place on its cubic."""
    v = 1 - u
    p0, p1, p2, p3 = cubics.T
    d0, d1, d2 = p1 - p0, p2 - p1, p3 - p2
    off = _on(cubics, u) - at
    rate = 3 * (v * v * d0 + 2 * u * v * d1 + u * u * d2)
    bend = 6 * (v * (d1 - d0) + u * (d2 - d1))
    slope = _dot(rate, rate) + _dot(off, bend)
    step = _dot(off, rate) / np.where(np.abs(slope) > _TINY, slope, np.inf)
    return np.asarray(np.clip(u - step, 0.0, 1.0))


def _split(points: Points, along: Floats, pieces: _Pieces, worst: Ints, look: float) -> _Pieces:
    """Each piece in two at its furthest point, smoothly."""
    reach = np.minimum(along[worst] - along[pieces.first], along[pieces.last] - along[worst])
    reach = np.minimum(reach, look)
    ahead = np.minimum(np.searchsorted(along, along[worst] + reach), pieces.last)
    behind = np.maximum(np.searchsorted(along, along[worst] - reach, side="right") - 1, pieces.first)
    on = _units(points[np.maximum(ahead, worst + 1)] - points[np.minimum(behind, worst - 1)])
    return _Pieces(
        np.concatenate([pieces.first, worst]),
        np.concatenate([worst, pieces.last]),
        np.concatenate([pieces.leaving, on]),
        np.concatenate([-on, pieces.entering]),
        np.concatenate([pieces.open_first, np.zeros(len(worst), dtype=bool)]),
        np.concatenate([np.zeros(len(worst), dtype=bool), pieces.open_last]),
    )
