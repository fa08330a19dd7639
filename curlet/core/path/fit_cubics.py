"""Fitting cubics through many drawn points within a stated distance.

Schneider's method ("An algorithm for automatically fitting digitized curves", Graphics Gems, 1990),
worked on all pieces of all lines at once: what is not near enough is split and fitted again.
"""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass, fields, replace

import numpy as np
from numpy.typing import NDArray

Floats = NDArray[np.float64]
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


@dataclass(frozen=True, eq=False)
class _Pieces:
    """m stretches of points to be fitted: first and last index, the directions into each at both ends,
    and whether those may be bettered, since nothing smooth goes on beyond them."""

    first: Ints
    last: Ints
    leaving: Floats
    entering: Floats
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
    points = np.concatenate(lines)
    starts = np.cumsum([0, *(len(line) for line in lines[:-1])])
    along = _lengths(points, starts)
    look = _BESIDE * tolerance
    pieces = _at_breaks(points, along, lines, starts, breaks, look)
    done: list[tuple[Ints, Floats]] = []
    while len(pieces.first):
        cubics, error, worst = _fitted(points, along, pieces, tolerance)
        cubics, error = _lines_first(points, pieces, cubics, error, tolerance)
        good = (error <= tolerance) | (pieces.last - pieces.first < 2)
        done.append((pieces.first[good], cubics[good]))
        pieces = _split(points, along, pieces.take(~good), worst[~good], look)
    first = np.concatenate([part for part, _ in done])
    every = np.concatenate([part for _, part in done])[np.argsort(first, kind="stable")]
    of = np.searchsorted(starts, np.sort(first), side="right") - 1
    return [every[of == index] for index in range(len(lines))]


def _lengths(points: Floats, starts: Ints) -> Floats:
    """Chord length to each point, all lines one after the other and a step apart."""
    steps = np.concatenate([[0.0], np.hypot(*np.diff(points, axis=0).T)])
    steps[starts] = 1.0
    return np.cumsum(steps)


def _at_breaks(
    points: Floats,
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
    none, both = np.zeros((len(low), 2)), np.ones(len(low), dtype=bool)
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


def _units(vectors: Floats) -> Floats:
    return np.asarray(vectors / np.maximum(np.hypot(*vectors.T), _TINY)[..., None])


def _fitted(points: Floats, along: Floats, pieces: _Pieces, tolerance: float) -> tuple[Floats, Floats, Ints]:
    """(m, 4, 2) cubics, (m,) how far their points lie off, and the index of the furthest."""
    piece, index, offsets = pieces.members()
    at = points[index]
    whole = np.maximum(along[pieces.last] - along[pieces.first], _TINY)
    u = (along[index] - along[pieces.first][piece]) / whole[piece]
    pieces = _open_ends(points, pieces, at, u, piece, offsets)
    cubics, off = _least_squares(points, pieces, at, u, piece, offsets)
    for _ in range(_ROUNDS):
        error = np.maximum.reduceat(off, offsets)
        near = (error > tolerance) & (error < _HOPELESS * tolerance)
        if not near.any():
            break
        some = near[piece]
        u[some] = _bettered(cubics[piece[some]], at[some], u[some])
        cubics, off = _least_squares(points, pieces, at, u, piece, offsets)
    error = np.maximum.reduceat(off, offsets)
    # The first of the furthest points of each piece; its ends are on it.
    furthest = np.flatnonzero(off >= error[piece])
    worst = index[furthest[np.searchsorted(piece[furthest], np.arange(len(offsets)))]]
    return cubics, error, np.clip(worst, pieces.first + 1, np.maximum(pieces.last - 1, pieces.first + 1))


def _lines_first(
    points: Floats, pieces: _Pieces, cubics: Floats, error: Floats, tolerance: float
) -> tuple[Floats, Floats]:
    """A straight line from break to break wherever it is near enough: a side that bulges a little within
    the tolerance is still a side."""
    sides = np.flatnonzero(pieces.open_first & pieces.open_last)
    if not len(sides):
        return cubics, error
    own = pieces.take(sides)
    piece, index, offsets = own.members()
    start, end = points[own.first], points[own.last]
    way, off = _units(end - start)[piece], points[index] - start[piece]
    run, size = (off * way).sum(axis=1), np.hypot(*(end - start).T)[piece]
    # What runs out beyond the ends and back is no side either.
    beyond = np.maximum(np.maximum(-run, run - size), 0)
    apart = np.hypot(off[:, 0] * way[:, 1] - off[:, 1] * way[:, 0], beyond)
    aside = np.maximum.reduceat(apart, offsets)
    near = aside <= _SIDE * tolerance
    thirds = np.stack([start, start + (end - start) / 3, end - (end - start) / 3, end], axis=1)
    cubics[sides[near]], error[sides[near]] = thirds[near], aside[near]
    return cubics, error


def _least_squares(
    points: Floats, pieces: _Pieces, at: Floats, u: Floats, piece: Ints, offsets: Ints
) -> tuple[Floats, Floats]:
    """Cubics whose handles lie in the given directions, and (n,) how far each point is off."""
    v = 1 - u
    b0, b1, b2, b3 = v**3, 3 * u * v * v, 3 * u * u * v, u**3
    p0, p3 = points[pieces.first], points[pieces.last]
    a1, a2 = pieces.leaving[piece] * b1[:, None], pieces.entering[piece] * b2[:, None]
    rest = at - p0[piece] * (b0 + b1)[:, None] - p3[piece] * (b2 + b3)[:, None]

    def total(a: Floats, b: Floats) -> Floats:
        return np.asarray(np.add.reduceat((a * b).sum(axis=1), offsets))

    c11, c12, c22 = total(a1, a1), total(a1, a2), total(a2, a2)
    x1, x2 = total(a1, rest), total(a2, rest)
    det = c11 * c22 - c12 * c12
    safe = np.where(np.abs(det) > _TINY, det, 1.0)
    first, second = (x1 * c22 - x2 * c12) / safe, (c11 * x2 - c12 * x1) / safe
    chord = np.hypot(*(p3 - p0).T)
    # Handles that turn back, or reach far past the other end, are not a fit: thirds of the chord are.
    poor = (np.abs(det) <= _TINY) | (np.minimum(first, second) < 1e-3 * chord)
    poor |= np.maximum(first, second) > 3 * chord + _TINY
    first, second = np.where(poor, chord / 3, first), np.where(poor, chord / 3, second)
    cubics = np.stack(
        [p0, p0 + first[:, None] * pieces.leaving, p3 + second[:, None] * pieces.entering, p3], axis=1
    )
    weights = np.stack([b0, b1, b2, b3], axis=1)
    on = np.einsum("nc,ncd->nd", weights, cubics[piece])
    return cubics, np.hypot(*(on - at).T)


def _open_ends(points: Floats, pieces: _Pieces, at: Floats, u: Floats, piece: Ints, offsets: Ints) -> _Pieces:
    """Directions at open ends as the cubic has them that fits best with all of its handles free."""
    if not (pieces.open_first.any() or pieces.open_last.any()):
        return pieces
    v = 1 - u
    b1, b2 = 3 * u * v * v, 3 * u * u * v
    p0, p3 = points[pieces.first], points[pieces.last]
    rest = at - p0[piece] * (v**3 + b1)[:, None] - p3[piece] * (u**3 + b2)[:, None]

    def total(values: Floats) -> Floats:
        return np.asarray(np.add.reduceat(values, offsets, axis=0))

    c11, c12, c22 = total(b1 * b1), total(b1 * b2), total(b2 * b2)
    x1, x2 = total(b1[:, None] * rest), total(b2[:, None] * rest)
    det = (c11 * c22 - c12 * c12)[:, None]
    safe = np.where(np.abs(det) > _TINY, det, np.inf)
    first = (x1 * c22[:, None] - x2 * c12[:, None]) / safe
    last = (x2 * c11[:, None] - x1 * c12[:, None]) / safe
    # Handles from the ends; where they are next to nothing they have no direction.
    chord = np.hypot(*(p3 - p0).T)
    out = pieces.open_first & (np.hypot(*first.T) > 0.02 * chord)
    back = pieces.open_last & (np.hypot(*last.T) > 0.02 * chord)
    return replace(
        pieces,
        leaving=np.where(out[:, None], _units(first), pieces.leaving),
        entering=np.where(back[:, None], _units(last), pieces.entering),
    )


def _bettered(cubics: Floats, at: Floats, u: Floats) -> Floats:
    """One step of Newton's method toward each point's nearest place on its cubic."""
    p0, p1, p2, p3 = (cubics[:, i] for i in range(4))
    v, u1 = (1 - u)[:, None], u[:, None]
    on = v**3 * p0 + 3 * u1 * v * v * p1 + 3 * u1 * u1 * v * p2 + u1**3 * p3
    rate = 3 * (v * v * (p1 - p0) + 2 * u1 * v * (p2 - p1) + u1 * u1 * (p3 - p2))
    bend = 6 * (v * (p2 - 2 * p1 + p0) + u1 * (p3 - 2 * p2 + p1))
    off = on - at
    slope = (rate * rate).sum(axis=1) + (off * bend).sum(axis=1)
    step = (off * rate).sum(axis=1) / np.where(np.abs(slope) > _TINY, slope, np.inf)
    return np.asarray(np.clip(u - step, 0.0, 1.0))


def _split(points: Floats, along: Floats, pieces: _Pieces, worst: Ints, look: float) -> _Pieces:
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
