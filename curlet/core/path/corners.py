"""Corners of a path, and the legs between them."""

from __future__ import annotations

from collections.abc import Callable
from dataclasses import dataclass, replace

import numpy as np
from numpy.typing import NDArray

from curlet.core.path.path import Path

Floats = NDArray[np.float64]

DEFAULT_CORNER_ANGLE = 30.0
# A path turns sharply at a node from here on, degrees.
KINK = 0.05
_SPILL = 0.5
# A turn has begun when this share of it is done.
_BEGUN = 0.002
# Corners that turn further together are left apart, degrees.
_SHARPEST_JOINED = 170.0


@dataclass(frozen=True)
class Corner:
    """A place where a path turns sharply.

    Attributes
    ----------
    node_id : the node it is kept against.
    s : arc length from the path's start, mm.
    turn : degrees, 0 straight on, 180 doubling back; positive is clockwise on the sheet.
    before, after : how far from it its turn begins and ends, where it is made of several, mm.
    """

    node_id: str
    s: float
    turn: float
    before: float = 0.0
    after: float = 0.0

    @property
    def rounded(self) -> bool:
        """Whether it is made of several turns, or of a small fillet."""
        return self.before + self.after > 0


@dataclass(frozen=True)
class Leg:
    """The part of a path between two corners that break it, or an end and a corner.

    Attributes
    ----------
    node_id : the node where it starts.
    s0, s1 : arc lengths, mm; on a closed path s1 may pass the start point.
    start, end : the corners it lies between, None at a path's end.
    unbroken : a whole closed path with no corner that breaks it.
    bare_start, bare_end : how much at its ends runs straight on to the corner that it would have were
        the corner not rounded, mm: see `sharpened`.
    """

    node_id: str
    s0: float
    s1: float
    start: Corner | None = None
    end: Corner | None = None
    unbroken: bool = False
    bare_start: float = 0.0
    bare_end: float = 0.0

    @property
    def length(self) -> float:
        return self.s1 - self.s0


def find_corners(path: Path, angle: float = DEFAULT_CORNER_ANGLE, reach: float = 0.0) -> tuple[Corner, ...]:
    """Corners, in order along the path.

    A node is a corner where the tangent turns by at least `angle` degrees, or where turns add
    up to it within `reach` mm and the path runs straighter on both sides of them: a small
    fillet, or a bend drawn as a chain of short lines.
    """
    turns, positions = path.turns, path.node_positions
    sharp = np.abs(turns) >= angle - 1e-9
    if reach <= 0 and not sharp.any():
        return ()
    found = [Corner(path.node_ids[i], float(positions[i]), float(turns[i])) for i in np.flatnonzero(sharp)]
    if reach > 0:
        found += _gathered(path, np.where(sharp, 0.0, turns), angle, reach, [c.s for c in found])
    return tuple(sorted(found, key=lambda corner: corner.s))


def with_kinks(path: Path, corners: tuple[Corner, ...]) -> tuple[Corner, ...]:
    """Corners and every slighter turn at a node besides."""
    slight = [kink for kink in find_corners(path, KINK) if not any(_covers(path, c, kink) for c in corners)]
    return tuple(sorted([*corners, *slight], key=lambda corner: corner.s))


def _covers(path: Path, corner: Corner, kink: Corner) -> bool:
    ahead = kink.s - corner.s
    if path.closed:
        ahead -= round(ahead / path.length) * path.length
    return -corner.before - 1e-9 <= ahead <= corner.after + 1e-9


def _gathered(path: Path, turns: Floats, angle: float, reach: float, taken: list[float]) -> list[Corner]:
    """Corners made of several smaller turns within `reach`."""
    positions = path.node_positions
    short = np.diff(positions) < reach
    if not short.any():
        return []
    starts, stops = positions[:-1][short], positions[1:][short]
    centres = np.unique(np.concatenate([starts, stops, (starts + stops) / 2]))
    turned = _turning(path, turns)
    half = reach / 2 + 1e-9
    inside = turned(centres + half) - turned(centres - half)
    around = turned(centres + 3 * half) - turned(centres - 3 * half)
    fits = (np.abs(inside) >= angle - 1e-9) & (np.abs(around - inside) <= _SPILL * np.abs(inside))
    found: list[Corner] = []
    taken = list(taken)
    for i in np.flatnonzero(fits)[np.argsort(-np.abs(inside[fits]), kind="stable")]:
        s = _middle_of_turn(turned, centres[i], half)
        if taken and _apart(np.array(taken), s, path).min() < reach:
            continue
        taken.append(s)
        before, after = _extent(turned, centres[i], half, s)
        s = float(path.arc.wrap(s))
        node = int(np.argmin(np.round(_apart(positions[: len(path.points)], s, path), 9)))
        found.append(Corner(path.node_ids[node], s, float(inside[i]), before, after))
    return found


def _extent(turned: Callable[[Floats], Floats], centre: float, half: float, s: float) -> tuple[float, float]:
    """How far before and after s the turn in the window begins and ends."""
    window = np.linspace(centre - half, centre + half, 2049)
    done = turned(window)
    share = (done - done[0]) / (done[-1] - done[0])
    begun = window[max(int(np.searchsorted(share, _BEGUN)) - 1, 0)]
    ended = window[min(int(np.searchsorted(share, 1 - _BEGUN)), len(window) - 1)]
    return max(s - float(begun), 0.0), max(float(ended) - s, 0.0)


def _turning(path: Path, turns: Floats) -> Callable[[Floats], Floats]:
    """The turn added up from the start, degrees, as a function of arc length."""
    positions = path.node_positions
    bends = np.degrees(path.arc.segment_turns())
    jumps = np.append(turns, turns[0]) if path.closed else turns
    if path.closed:
        jumps = jumps.copy()
        jumps[-1] = 0.0
    steps = np.stack([jumps, np.append(bends, 0.0)], axis=1).ravel()
    total = np.concatenate([[0.0], np.cumsum(steps)])[:-1]
    places = np.stack([positions - 1e-12, positions], axis=1).ravel()
    full = float(total[-1])

    def turned(s: Floats) -> Floats:
        laps = np.floor(s / path.length) if path.closed else 0.0 * s
        value: Floats = laps * full + np.interp(s - laps * path.length, places, total)
        return value

    return turned


def _middle_of_turn(turned: Callable[[Floats], Floats], centre: float, half: float) -> float:
    """Where half of the turn in the window is done."""
    window = np.linspace(centre - half, centre + half, 257)
    done = turned(window)
    goal = (done[0] + done[-1]) / 2
    crossed = np.flatnonzero(np.diff(np.sign(done - goal)))
    if not len(crossed):
        return centre
    # Between two samples the turn is taken to be even.
    share = (goal - done[crossed]) / (done[crossed + 1] - done[crossed])
    middles = window[crossed] + share * (window[crossed + 1] - window[crossed])
    return float((middles[0] + middles[-1]) / 2)


def _apart(positions: Floats, s: float, path: Path) -> Floats:
    gap = np.abs(positions - s)
    return np.minimum(gap, path.length - gap) if path.closed else gap


def run_together(
    path: Path, corners: tuple[Corner, ...], cut: Callable[[Corner], bool], half: float
) -> tuple[Corner, ...]:
    """Corners that turn the same way within a brush's reach as one: a chamfer is cut as what it cuts off.

    Parameters
    ----------
    cut : whether a corner is one at which artwork is cut.
    half : how far the brush's edges lie from the path, mm. Two corners are one where the leg between them has
        no inner edge that long: shorter than h·(tan(τ₁/2) + tan(τ₂/2)).
    """
    found = list(corners)
    index = 0
    while len(found) > 1 and index < len(found) - (0 if path.closed else 1):
        one, other = found[index], found[(index + 1) % len(found)]
        joined = _joined(path, one, other, half) if cut(one) and cut(other) else None
        if joined is None:
            index += 1
            continue
        found[index] = joined
        del found[(index + 1) % len(found)]
        index = max(index - 1, 0)
    return tuple(sorted(found, key=lambda corner: corner.s))


def _joined(path: Path, one: Corner, other: Corner, half: float) -> Corner | None:
    """Two corners as one, kept by the node of the sharper; None where they are not within reach."""
    turn = one.turn + other.turn
    if one.turn * other.turn <= 0 or abs(turn) > _SHARPEST_JOINED:
        return None
    apart = other.s - one.s
    apart += path.length if apart <= 0 else 0.0
    inner = half * sum(np.tan(np.radians(abs(corner.turn)) / 2) for corner in (one, other))
    if apart - one.after - other.before > inner:
        return None
    sharper = one if abs(one.turn) >= abs(other.turn) else other
    # Measured back from where the second turn ends, so that it may pass the start point.
    middle = one.s + apart / 2
    s = float(path.arc.wrap(middle)) if path.closed else middle
    return Corner(sharper.node_id, s, turn, apart / 2 + one.before, apart / 2 + other.after)


def find_legs(path: Path, breaks: tuple[Corner, ...]) -> tuple[Leg, ...]:
    """Legs between the corners that break a path; a closed path with none is one leg."""
    first, last = path.node_ids[0], path.length
    if path.closed and not breaks:
        return (Leg(first, 0.0, last, unbroken=True),)
    if path.closed:
        ahead = (*breaks[1:], breaks[0])
        return tuple(
            Leg(a.node_id, a.s, b.s if b.s > a.s else b.s + last, a, b)
            for a, b in zip(breaks, ahead, strict=True)
        )
    starts = [(0.0, None), *((c.s, c) for c in breaks)]
    stops = [*((c.s, c) for c in breaks), (last, None)]
    return tuple(
        Leg(a.node_id if a else first, s0, s1, a, b) for (s0, a), (s1, b) in zip(starts, stops, strict=True)
    )


def sharpened(path: Path, legs: tuple[Leg, ...], cut: Callable[[Corner], bool]) -> tuple[Leg, ...]:
    """Legs that run straight on to where they would meet, at rounded corners where repeats are cut.

    A mitre or a corner piece stands where the two legs cross, not on the small curve between them.
    """
    found = []
    for leg in legs:
        s0, s1, bare_start, bare_end = leg.s0, leg.s1, 0.0, 0.0
        if leg.end is not None and cut(leg.end) and (tip := _tip(path, leg.end)):
            bare_end, s1 = tip[0], leg.s1 - leg.end.before + tip[0]
        if leg.start is not None and cut(leg.start) and (tip := _tip(path, leg.start)):
            bare_start, s0 = tip[1], leg.s0 + leg.start.after - tip[1]
        found.append(replace(leg, s0=s0, s1=s1, bare_start=bare_start, bare_end=bare_end))
    return tuple(found)


def _tip(path: Path, corner: Corner) -> tuple[float, float] | None:
    """How far a rounded corner's two tangents run to where they cross; None where there is no such place."""
    if not corner.rounded:
        return None
    arc, places = path.arc, path.arc.wrap(np.array([corner.s - corner.before, corner.s + corner.after]))
    (a, b), u, v = arc.points(places), arc.tangents(places[:1], before=True)[0], arc.tangents(places[1:])[0]
    across = u[0] * v[1] - u[1] * v[0]
    if abs(across) < 1e-6:
        return None
    first = ((b - a)[0] * v[1] - (b - a)[1] * v[0]) / across
    second = ((b - a)[0] * u[1] - (b - a)[1] * u[0]) / across
    return (float(first), float(-second)) if first > 0 and second < 0 else None
