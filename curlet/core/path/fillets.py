"""Corners rounded: an arc that touches both legs takes each one's place."""

from __future__ import annotations

import math
from collections.abc import Iterator, Sequence
from dataclasses import dataclass, replace

import numpy as np
from numpy.typing import NDArray

from curlet.core.path.arcs import arc_to_cubics
from curlet.core.path.corners import Corner
from curlet.core.path.cubics import split
from curlet.core.path.path import Path

Floats = NDArray[np.float64]

# A corner that all but doubles back has no arc, degrees.
_SHARPEST = 179.0
_CLOSE = 1e-9
_ROUNDS, _HALVINGS = 30, 40
# What is left of a leg between two arcs is longer than this, mm.
_LEFT = 1e-6


@dataclass(frozen=True)
class Fillet:
    """An arc in a corner's place.

    Attributes
    ----------
    radius : as it came out, mm; less than was asked for where a leg is too short.
    before, after : how far from the corner it begins and ends along the path, mm.
    length : of the arc, mm.
    arc : (k, 4, 2) its cubics, an even number of them.
    """

    corner: Corner
    radius: float
    before: float
    after: float
    length: float
    arc: Floats


def rounded(path: Path, radii: Sequence[tuple[Corner, float]]) -> tuple[Path, tuple[Fillet, ...]]:
    """A path with some of its corners rounded, and the arcs that were made.

    A leg between two arcs has room for half of its length of each; where that is too little the arc is
    smaller. The node stays, on its arc's middle, so that what is kept against it stays too.

    Parameters
    ----------
    radii : every corner in order along the path, each with the radius of its arc, mm; 0 for none.

    >>> from curlet.core.path.corners import find_corners
    >>> from curlet.core.path.figures import FIGURES
    >>> square = FIGURES["rectangle"].make({"width": 40, "height": 40})
    >>> after, arcs = rounded(square, [(corner, 6.0) for corner in find_corners(square)])
    >>> round(square.length - after.length, 4), len(arcs)  # (8 − 2π)·r
    (10.3009, 4)
    """
    round_ones = [radius > 0 and abs(c.turn) < _SHARPEST and not c.rounded for c, radius in radii]
    rooms = _rooms(path, [corner for corner, _ in radii], round_ones)
    made = (
        _fillet(path, corner, radius, *room)
        for (corner, radius), room, wanted in zip(radii, rooms, round_ones, strict=True)
        if wanted
    )
    fillets = tuple(fillet for fillet in made if fillet is not None)
    return (_with(path, fillets), fillets) if fillets else (path, ())


def on_arcs(corners: Sequence[Corner], fillets: Sequence[Fillet]) -> tuple[Corner, ...]:
    """Corners where they lie on the path that was rounded; those on an arc reach as far as it does."""
    of = {fillet.corner.node_id: fillet for fillet in fillets}
    return tuple(_moved(corner, of.get(corner.node_id), fillets) for corner in corners)


def _moved(corner: Corner, own: Fillet | None, fillets: Sequence[Fillet]) -> Corner:
    """What comes after an arc's middle has it all before it, but for an arc on a path's start: half of it."""
    s = corner.s
    for fillet in fillets:
        if fillet.corner.s < corner.s:
            s += fillet.length / 2 - fillet.after
            s += fillet.length / 2 - fillet.before if fillet.corner.s > 0 else 0.0
    if own is None:
        return replace(corner, s=s)
    s += own.length / 2 - own.before if corner.s > 0 else 0.0
    return replace(corner, s=s, before=own.length / 2, after=own.length / 2)


def _rooms(path: Path, corners: Sequence[Corner], wanted: list[bool]) -> list[tuple[float, float]]:
    """How much of the path an arc may take before and after each corner: as far as the turn of the next one
    reaches, or half of the way where that has an arc too."""
    if not corners:
        return []
    halved = np.where(wanted, 0.5, 1.0)
    begins = np.array([corner.s - corner.before for corner in corners])
    ends = np.array([corner.s + corner.after for corner in corners])
    if path.closed:
        gaps = np.roll(begins, -1) - ends
        gaps[-1] += path.length
        before, after = np.roll(gaps, 1) * np.roll(halved, 1), gaps * np.roll(halved, -1)
    else:
        gaps = np.concatenate([begins, [path.length]]) - np.concatenate([[0.0], ends])
        before, after = gaps[:-1] * [1.0, *halved[:-1]], gaps[1:] * [*halved[1:], 1.0]
    return list(zip(before.tolist(), after.tolist(), strict=True))


def _fillet(path: Path, corner: Corner, radius: float, before: float, after: float) -> Fillet | None:
    """The arc at a corner, as large as was asked or as its room allows."""
    low, high, found = 0.0, radius, _touching(path, corner, radius)
    if found is None or found[0] > before - _LEFT or found[1] > after - _LEFT:
        found = None
        for _ in range(_HALVINGS):
            middle = (low + high) / 2
            tried = _touching(path, corner, middle)
            if tried is None or tried[0] > before - _LEFT or tried[1] > after - _LEFT:
                high = middle
            else:
                low, found, radius = middle, tried, middle
    if found is None:
        return None
    return _made(path, corner, radius, *found)


def _touching(path: Path, corner: Corner, radius: float) -> tuple[float, float] | None:
    """How far before and after a corner a circle inside the turn touches both legs: where the lines that lie
    a radius beside them meet, by Newton's method from where straight legs' would, r·tan(τ/2)."""
    side = math.copysign(1.0, corner.turn)
    back = ahead = radius * math.tan(math.radians(abs(corner.turn)) / 2)
    for _ in range(_ROUNDS):
        if not (0 < back < path.length and 0 < ahead < path.length):
            return None
        s = np.array([corner.s - back, corner.s + ahead])
        (p, q), (t, v), (bend_in, bend_out) = path.arc.axes(s)
        off = (p + radius * side * _right(t)) - (q + radius * side * _right(v))
        # The offset line's speed is 1 − r·κ of the path's.
        jacobian = np.stack([-t * (1 - radius * side * bend_in), -v * (1 - radius * side * bend_out)], axis=1)
        if abs(np.linalg.det(jacobian)) < _CLOSE:
            return None
        step = np.linalg.solve(jacobian, -off)
        back, ahead = back + float(step[0]), ahead + float(step[1])
        if np.abs(step).max() < _CLOSE:
            return back, ahead
    return None


def _right(along: Floats) -> Floats:
    return np.array([-along[1], along[0]])


def _made(path: Path, corner: Corner, radius: float, before: float, after: float) -> Fillet:
    (p, _), (t, v), _ = path.arc.axes(np.array([corner.s - before, corner.s + after]))
    side = math.copysign(1.0, corner.turn)
    centre = p + radius * side * _right(t)
    arm = p - centre
    turn = math.atan2(t[0] * v[1] - t[1] * v[0], t @ v)
    along, across = complex(*arm), complex(*(radius * t))
    parts = [
        arc_to_cubics(complex(*centre), along, across, low * abs(turn), abs(turn) / 2) for low in (0.0, 0.5)
    ]
    return Fillet(corner, radius, before, after, radius * abs(turn), np.concatenate(parts))


def _with(path: Path, fillets: tuple[Fillet, ...]) -> Path:
    """The path with its arcs; it starts at the node at which it did."""
    pieces = list(_pieces(path, fillets))
    if path.closed:
        first = next(i for i, (node_id, _, _) in enumerate(pieces) if node_id == path.node_ids[0])
        pieces = pieces[first:] + pieces[:first]
    ids = [node_id for node_id, _, _ in pieces]
    cubics = np.array([cubic for _, cubic, _ in pieces])
    plain = np.array([straight for _, _, straight in pieces])[:, None]
    points = cubics[:, 0]
    out = np.where(plain, points, cubics[:, 1])
    ends, into = cubics[:, 3], np.where(plain, cubics[:, 3], cubics[:, 2])
    if path.closed:
        return Path.make(ids, points, np.roll(into, 1, axis=0), out, closed=True)
    points = np.concatenate([points, ends[-1:]])
    into, out = np.concatenate([points[:1], into]), np.concatenate([out, ends[-1:]])
    return Path.make([*ids, path.node_ids[-1]], points, into, out, closed=False)


def _pieces(path: Path, fillets: tuple[Fillet, ...]) -> Iterator[tuple[str, Floats, bool]]:
    """Every segment of the rounded path: the node where it starts, its cubic, and whether it is a line."""
    positions = path.node_positions
    for index, (cubic, line) in enumerate(zip(path.segments, path.straight, strict=True)):
        low, high = float(positions[index]), float(positions[index + 1])
        taken = [_taken(path, fillet, low, high) for fillet in fillets]
        start = max((stop for begin, stop in taken if begin <= low < stop), default=low)
        end = min((begin for begin, stop in taken if begin < high <= stop), default=high)
        if start < end - _LEFT / 2:
            name = path.node_ids[index] if start == low else f"{path.node_ids[index]}>"
            yield name, _between(path, cubic, start, end), bool(line)
        for fillet, (begin, _) in zip(fillets, taken, strict=True):
            if low <= begin < high:
                node = fillet.corner.node_id
                half = len(fillet.arc) // 2
                names = [f"{node}<", *(f"{node}<{i}" for i in range(1, half)), node]
                names += [f"{node}>{i}" for i in range(1, half)]
                yield from ((name, part, False) for name, part in zip(names, fillet.arc, strict=True))


def _taken(path: Path, fillet: Fillet, low: float, high: float) -> tuple[float, float]:
    """From where to where an arc takes the path's place, on the lap that a segment lies on."""
    begin, stop = fillet.corner.s - fillet.before, fillet.corner.s + fillet.after
    laps = (0.0, path.length, -path.length) if path.closed else (0.0,)
    for lap in laps:
        if begin + lap < high and stop + lap > low:
            return begin + lap, stop + lap
    return begin, stop


def _between(path: Path, cubic: Floats, start: float, end: float) -> Floats:
    """A segment's part between two arc lengths on it."""
    (_, last), (_, first) = path.arc.locate([end], before=True), path.arc.locate([start])
    until, begin = float(last[0]), float(first[0])
    head = cubic if until >= 1 - _CLOSE else split(cubic, until)[0]
    return head if begin <= _CLOSE else split(head, begin / until)[1]
