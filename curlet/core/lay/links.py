"""Chains: bearing points stepped along the path by chords, equal or in the order's proportion."""

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

MAX_LINKS = 200_000
_ROUNDS = 40
_CLOSE = 1e-9
_FEWEST = 3
# Every link alike.
ALIKE = np.ones(1)


@dataclass(frozen=True, eq=False)
class Pins:
    """Bearing points at arc lengths `s`, (n + 1,), a chord of `chord` mm apart on the average."""

    s: Floats
    chord: float

    @property
    def links(self) -> int:
        return len(self.s) - 1


def lay_links(
    line: LegLine, row: Row, rooms: tuple[Room, ...], counts: dict[str, int], scale: Scale
) -> tuple[tuple[LegFit, ...], Repeats]:
    """Links along every leg: exact between pins, left over at an open path's end."""
    lengths, gap = row.drawn_lengths(scale), row.drawn_gap(scale)
    pitches = np.array([lengths[index] + gap for index in row.sequence])
    pitch = float(pitches.mean())
    share = pitches / pitch
    if line.path.length / pitch > MAX_LINKS:
        raise TooMuch(f"This chain would have more than {MAX_LINKS:,} links. Use a longer link.")
    fits, parts = [], []
    every, laid = len(row.sequence), 0
    for room in rooms:
        # The order goes on past corners, and the last leg of a closed path ends it where it began.
        closes = line.path.closed and room is rooms[-1]
        pins = _pins(line, room, pitch, np.roll(share, -laid), counts, -laid % every if closes else None)
        fits.append(_fit(line, room, pins, pitch))
        number = np.arange(pins.links)
        motif = np.array(row.sequence)[(laid + number) % every]
        laid += pins.links
        leg = np.full(pins.links, room.leg)
        parts.append(make_repeats(pins.s[:-1], pins.s[1:], leg, number, motif))
    return tuple(fits), parts[0].then(*parts[1:])


def _pins(
    line: LegLine, room: Room, pitch: float, share: Floats, counts: dict[str, int], rest: int | None
) -> Pins:
    """`share` is each link's part of the average pitch, for one turn of the order; `rest` what the count must
    leave when divided by it, None for any count."""
    leg = line.legs[room.leg]
    low, high = leg.s0 + room.low, leg.s1 - (room.line.length - room.high)
    if high - low < pitch / 2:
        return Pins(np.array([low]), pitch)
    if not leg.unbroken and leg.end is None:
        return walked(line, room.leg, low, high, pitch, share)
    least = _FEWEST if leg.unbroken else 1
    step, rest = (1, 0) if rest is None else (len(share), rest)
    asked = counts.get(leg.node_id)
    best = max(round(((high - low) / pitch - rest) / step) * step + rest, least)
    tries = {asked} if asked else {best - step, best, best + step, best + 2 * step}
    solved = [closing(line, room.leg, low, high, n, share) for n in sorted(tries) if n and n >= least]
    found = [pins for pins in solved if pins is not None]
    if not found:
        return walked(line, room.leg, low, high, pitch, share)
    return min(found, key=lambda pins: abs(pins.chord - pitch))


def _fit(line: LegLine, room: Room, pins: Pins, pitch: float) -> LegFit:
    covered = float(pins.s[-1] - pins.s[0])
    left = max(room.length - covered, 0.0)
    play = pins.chord / pitch
    return LegFit(pins.links, play, 0.0, 0.0, left if left > 1e-6 else 0.0)


def walked(line: LegLine, leg: int, low: float, high: float, chord: float, share: Floats = ALIKE) -> Pins:
    """From `low`, each next pin the first at distance `chord` times its share, as far as `high`."""
    count = math.floor((high - low) / chord / len(share) + 1) * len(share)
    s = low + np.concatenate([[0.0], np.cumsum(chord * np.resize(share, count))])
    s = s[s <= high + _CLOSE * chord]
    s = _newton(line, leg, s, chord, share, stop=None)[0]
    if not _steady(line, leg, s, chord, share):
        s = _one_by_one(line, leg, low, high, chord, share)
    return Pins(s[: int(np.searchsorted(s, high + 1e-6, side="right"))], chord)


def closing(
    line: LegLine, leg: int, low: float, high: float, count: int, share: Floats = ALIKE
) -> Pins | None:
    """`count` chords, equal or in proportion, that end exactly on `high`; None where there are none.

    F(c) = s_n − s_0 − L = 0 by Newton for pins and chord together,
    ds_{i+1} = (cos α·ds_i + dc)/cos β.
    """
    along = np.concatenate([[0.0], np.cumsum(np.resize(share, count))])
    s = low + (high - low) * along / along[-1]
    pins, chord = _newton(line, leg, s, float(np.mean(_chords(line, leg, s))), share, stop=high)
    return Pins(pins, float(chord)) if _steady(line, leg, pins, chord, share) and chord > 0 else None


def _chords(line: LegLine, leg: int, s: Floats) -> Floats:
    points = line.frames(s, np.full(len(s), leg)).point
    return np.asarray(np.hypot(*np.diff(points, axis=0).T))


def _steady(line: LegLine, leg: int, s: Floats, chord: float, share: Floats) -> bool:
    """Whether pins run forward and stand as far apart as they should."""
    if not np.isfinite(s).all() or (np.diff(s) <= 0).any():
        return False
    wanted = chord * np.resize(share, len(s) - 1)
    return bool((np.abs(_chords(line, leg, s) - wanted) < 1e-7 * max(chord, 1.0)).all())


def _newton(
    line: LegLine, leg: int, s: Floats, chord: float, share: Floats, stop: float | None
) -> tuple[Floats, float]:
    """All pins at once; with `stop` the last one is held there and the chord is found too."""
    legs, part = np.full(len(s), leg), np.resize(share, len(s) - 1)
    for _ in range(_ROUNDS):
        frames = line.frames(s, legs)
        step = np.diff(frames.point, axis=0)
        length = np.hypot(*step.T)
        unit = step / np.maximum(length, 1e-12)[:, None]
        back = (unit * frames.along[:-1]).sum(axis=1)
        ahead = (unit * frames.along[1:]).sum(axis=1)
        ahead = np.where(np.abs(ahead) < 0.05, np.copysign(0.05, ahead), ahead)
        moved, turned = _recur(back / ahead, (part * chord - length) / ahead, part / ahead)
        if stop is not None:
            change = (stop - s[-1] - moved[-1]) / turned[-1] if turned[-1] else 0.0
            chord, moved = chord + change, moved + change * turned
        limit = 0.5 * chord * float(part.min(initial=1.0))
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


def _one_by_one(line: LegLine, leg: int, low: float, high: float, average: float, share: Floats) -> Floats:
    """Pin after pin on a densely sampled leg: slower, and always the first crossing."""
    count = min(max(int(64 * (high - low) / average), 64), 2_000_000)
    s = np.linspace(low, high, count + 1)
    points = line.frames(s, np.full(len(s), leg)).point
    pins, at = [low], 0
    while True:
        chord = average * float(share[(len(pins) - 1) % len(share)])
        here = line.frames(np.array(pins[-1:]), np.array([leg])).point[0]
        window = slice(at, min(at + 64 * 64, len(s)))
        far = np.hypot(*(points[window] - here).T) >= chord
        if not far.any():
            return np.array(pins)
        first = at + int(np.argmax(far))
        if first == 0:
            raise BadInput("A link is too long for this path. Use a shorter one.")
        a, b = np.hypot(*(points[first - 1 : first + 1] - here).T)
        part = (chord - a) / (b - a) if b > a else 1.0
        pins.append(float(s[first - 1] + part * (s[first] - s[first - 1])))
        at = first
