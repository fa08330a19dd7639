"""Sway: controlled irregularity, by chance, rhythm or travel."""

from __future__ import annotations

import zlib

import numpy as np
from numpy.typing import NDArray

from curlet.core.brush.rules import CHANNELS, SwayRule
from curlet.core.lay.facing import Local, rotation
from curlet.core.lay.frames import LegLine
from curlet.core.lay.repeats import Repeats

Floats = NDArray[np.float64]
Unsigned = NDArray[np.uint64]


def swayed(
    local: Local, rules: tuple[SwayRule, ...], line: LegLine, repeats: Repeats, course: int, seed: int
) -> Local:
    """A row's repeats with its sway. An amount of 0 changes nothing at all."""
    matrix, shift = local.matrix.copy(), local.shift.copy()
    shade, hue = local.shade.copy(), local.hue.copy()
    length = repeats.end - repeats.start
    for rule in rules:
        if rule.amount == 0:
            continue
        moved = np.where(repeats.counted, _drive(rule, line, repeats, course, seed), 0.0) * rule.amount
        if rule.channel == "size":
            matrix *= np.maximum(1 + moved / 100, 0.01)[:, None, None]
        elif rule.channel == "turn":
            matrix = rotation(moved) @ matrix
        elif rule.channel in ("along", "across"):
            shift[:, 0 if rule.channel == "along" else 1] += moved / 100 * length
        elif rule.channel == "mirror":
            chosen = (moved / rule.amount + 1) / 2 < rule.amount / 100
            matrix[chosen & repeats.counted, :, 1] *= -1
        elif rule.channel == "shade":
            shade += moved
        else:
            hue += moved
    return Local(matrix, shift, shade, hue)


def _drive(rule: SwayRule, line: LegLine, repeats: Repeats, course: int, seed: int) -> Floats:
    """(n,) values −1…1."""
    if rule.driver == "chance":
        return chance(seed, course, line, repeats, rule.channel)
    if rule.driver == "rhythm":
        place = (np.arange(len(repeats)) / rule.period) % 1.0
        return _wave(rule.wave, place, np.sin(2 * np.pi * place), closes=True)
    share = np.clip(repeats.middle / line.path.length, 0.0, 1.0)
    return _wave(rule.wave, share, 2 * share - 1, closes=False)


def _wave(values: tuple[float, ...], place: Floats, plain: Floats, *, closes: bool) -> Floats:
    if not values:
        return plain
    drawn = np.clip(np.array([*values, values[0]] if closes else values), -1.0, 1.0)
    if len(drawn) == 1:
        return np.full_like(place, drawn[0])
    return np.asarray(np.interp(place, np.linspace(0, 1, len(drawn)), drawn))


def chance(seed: int, course: int, line: LegLine, repeats: Repeats, channel: str) -> Floats:
    """(n,) values −1…1 from a hash of seed, course, the leg's node, index in the leg and channel.

    Lengthening one leg leaves every other repeat's chance as it was. The mixing is splitmix64
    (Steele, Lea and Flood 2014).
    """
    nodes = np.array([zlib.crc32(leg.node_id.encode()) for leg in line.legs], dtype=np.uint64)
    key = np.uint64(seed & 0xFFFFFFFF) << np.uint64(20) | np.uint64(
        course << 4 | list(CHANNELS).index(channel)
    )
    with np.errstate(over="ignore"):
        mixed = _mix(nodes[repeats.leg] + _mix(np.full(len(repeats), key, dtype=np.uint64)))
        mixed = _mix(mixed + repeats.number.astype(np.int64).view(np.uint64))
    return mixed.astype(np.float64) / 2.0**63 - 1.0


def _mix(x: Unsigned) -> Unsigned:
    x = x + np.uint64(0x9E3779B97F4A7C15)
    x = (x ^ (x >> np.uint64(30))) * np.uint64(0xBF58476D1CE4E5B9)
    x = (x ^ (x >> np.uint64(27))) * np.uint64(0x94D049BB133111EB)
    return x ^ (x >> np.uint64(31))
