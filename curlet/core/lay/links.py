"""Chains: bearing points stepped along the path by equal chords."""

from __future__ import annotations

import math
from dataclasses import dataclass

import numpy as np
from numpy.typing import NDArray

from curlet.core.brush.courses import Row
from curlet.core.errors import BadInput, TooMuch
from curlet.core.lay.fit import LegFit
from curlet.core.lay.frames import LegLine
from curlet.core.lay.repeats import Repeats, make_repeats
from curlet.core.lay.rooms import Room
from curlet.core.measures import Scale

Floats = NDArray[np.float64]

MOST_LINKS = 200_000
_ROUNDS = 40
_CLOSE = 1e-9
_FEWEST = 3


@dataclass(frozen=True, eq=False)
class Pins:
    """Bearing points at arc lengths `s`, (n + 1,), a chord of `chord` mm apart."""

    s: Floats
    chord: float

    @property
    def links(self) -> int:
        return len(self.s) - 1


def lay_links(
    line: LegLine, row: Row, rooms: tuple[Room, ...], counts: dict[str, int], scale: Scale
) -> tuple[tuple[LegFit, ...], Repeats]:
    """Links along every leg: exact between pins, left over at an open path's end."""
    pitch = row.drawn_length(scale) + row.drawn_gap(scale)
    if line.path.length / pitch > MOST_LINKS:
        raise TooMuch(f"This chain would have more than {MOST_LINKS:,} links. Use a longer link.")
    fits, parts = [], []
    every = len(row.sequence)
    for room in rooms:
        pins = _pins(line, room, pitch, every, counts)
        fits.append(_fit(line, room, pins, pitch))
        number = np.arange(pins.links)
        motif = np.array(row.sequence)[number % every]
        leg = np.full(pins.links, room.leg)
        parts.append(make_repeats(pins.s[:-1], pins.s[1:], leg, number, motif))
    return tuple(fits), parts[0].then(*parts[1:])


def _pins(line: LegLine, room: Room, pitch: float, every: int, counts: dict[str, int]) -> Pins:
    leg = line.legs[room.leg]
    low, high = leg.s0 + room.low, leg.s1 - (room.line.length - room.high)
    if high - low < pitch / 2:
        return Pins(np.array([low]), pitch)
    if not leg.unbroken and leg.end is None:
        return walked(line, room.leg, low, high, pitch)
    least = _FEWEST if leg.unbroken else 1
    step = every if leg.unbroken else 1
    asked = counts.get(leg.node_id)
    best = max(round((high - low) / pitch / step) * step, least)
    tries = {asked} if asked else {best - step, best, best + step, best + 2 * step}
    solved = [closing(line, room.leg, low, high, n) for n in sorted(tries) if n and n >= least]
    found = [pins for pins in solved if pins is not None]
    if not found:
        return walked(line, room.leg, low, high, pitch)
    return min(found, key=lambda pins: abs(pins.chord - pitch))


def _fit(line: LegLine, room: Room, pins: Pins, pitch: float) -> LegFit:
    covered = float(pins.s[-1] - pins.s[0])
    left = max(room.length - covered, 0.0)
    play = pins.chord / pitch
    return LegFit(pins.links, play, 0.0, 0.0, left if left > 1e-6 else 0.0)


def walked(line: LegLine, leg: int, low: float, high: float, chord: float) -> Pins:
    """From `low`, each next pin the first at distance `chord`, as far as `high`."""
    count = math.floor((high - low) / chord + _CLOSE)
    s = low + chord * np.arange(count + 1, dtype=np.float64)
    s = _newton(line, leg, s, chord, stop=None)[0]
    if not _steady(line, leg, s, chord):
        s = _one_by_one(line, leg, low, high, chord)
    return Pins(s[: int(np.searchsorted(s, high + 1e-6, side="right"))], chord)


def closing(line: LegLine, leg: int, low: float, high: float, count: int) -> Pins | None:
    """`count` equal chords that end exactly on `high`, or None where there is no such chord.

    F(c) = s_n − s_0 − L = 0 by Newton for pins and chord together,
    ds_{i+1} = (cos α·ds_i + dc)/cos β.
    """
    s = low + (high - low) / count * np.arange(count + 1, dtype=np.float64)
    pins, chord = _newton(line, leg, s, float(np.mean(_chords(line, leg, s))), stop=high)
    return Pins(pins, chord) if _steady(line, leg, pins, chord) and chord > 0 else None


def _chords(line: LegLine, leg: int, s: Floats) -> Floats:
    points = line.frames(s, np.full(len(s), leg)).point
    return np.asarray(np.hypot(*np.diff(points, axis=0).T))


def _steady(line: LegLine, leg: int, s: Floats, chord: float) -> bool:
    """Whether pins run forward and stand equally far apart."""
    if not np.isfinite(s).all() or (np.diff(s) <= 0).any():
        return False
    return bool((np.abs(_chords(line, leg, s) - chord) < 1e-7 * max(chord, 1.0)).all())


def _newton(line: LegLine, leg: int, s: Floats, chord: float, stop: float | None) -> tuple[Floats, float]:
    """All pins at once; with `stop` the last one is held there and the chord is found too."""
    legs = np.full(len(s), leg)
    for _ in range(_ROUNDS):
        frames = line.frames(s, legs)
        step = np.diff(frames.point, axis=0)
        length = np.hypot(*step.T)
        unit = step / np.maximum(length, 1e-12)[:, None]
        back = (unit * frames.along[:-1]).sum(axis=1)
        ahead = (unit * frames.along[1:]).sum(axis=1)
        ahead = np.where(np.abs(ahead) < 0.05, np.copysign(0.05, ahead), ahead)
        moved, turned = _recur(back / ahead, (chord - length) / ahead, 1 / ahead)
        if stop is not None:
            change = (stop - s[-1] - moved[-1]) / turned[-1] if turned[-1] else 0.0
            chord, moved = chord + change, moved + change * turned
        limit = 0.5 * chord
        s = s + np.clip(moved, -limit, limit) if stop is None else s + moved
        if not np.isfinite(s).all() or np.abs(moved).max(initial=0) < 1e-11 * (1 + np.abs(s).max()):
            break
    return s, chord


def _recur(factor: Floats, push: Floats, turn: Floats) -> tuple[Floats, Floats]:
    """x₀ = 0, x_{i+1} = factor·x_i + push, and the same for the change of chord."""
    moved, turned = [0.0], [0.0]
    for f, p, t in zip(factor.tolist(), push.tolist(), turn.tolist(), strict=True):
        moved.append(f * moved[-1] + p)
        turned.append(f * turned[-1] + t)
    return np.array(moved), np.array(turned)


def _one_by_one(line: LegLine, leg: int, low: float, high: float, chord: float) -> Floats:
    """Pin after pin on a densely sampled leg: slower, and always the first crossing."""
    count = min(max(int(64 * (high - low) / chord), 64), 2_000_000)
    s = np.linspace(low, high, count + 1)
    points = line.frames(s, np.full(len(s), leg)).point
    pins, at = [low], 0
    while True:
        here = line.frames(np.array(pins[-1:]), np.array([leg])).point[0]
        window = slice(at, min(at + 64 * 64, len(s)))
        far = np.hypot(*(points[window] - here).T) >= chord
        if not far.any():
            return np.array(pins)
        first = at + int(np.argmax(far))
        if first == 0:
            raise BadInput("A link is too long for this path. Use a shorter one.")
        a, b = np.hypot(*(points[first - 1 : first + 1] - here).T)
        share = (chord - a) / (b - a) if b > a else 1.0
        pins.append(float(s[first - 1] + share * (s[first] - s[first - 1])))
        at = first
