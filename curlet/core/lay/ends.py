"""Ends: stitches condensed, sewn back over themselves, and oversewn where a closed seam meets."""

from __future__ import annotations

import numpy as np

from curlet.core.brush.courses import Row
from curlet.core.lay.frames import LegLine
from curlet.core.lay.repeats import Repeats, make_repeats
from curlet.core.lay.rooms import CONDENSED, Room, condensed_pitch
from curlet.core.measures import Scale

# Stitches sewn again lie beside the first ones by a little more than their thread, so that both are seen.
BESIDE = 1.25
# Between condensed stitches, holes apart: so many threads, so that each of them is seen.
CLEAR = 1.7


def secured(
    line: LegLine, row: Row, laid: Repeats, rooms: tuple[Room, ...], reach: float, scale: Scale
) -> Repeats:
    """The repeats with those that secure them."""
    rule = row.ends
    if not (rule.condensed or rule.backtack or rule.oversew):
        return laid
    first, last = rooms[0], rooms[-1]
    parts = [laid]
    if not line.path.closed:
        if rule.condensed:
            parts = [_condensed(row, first, reach, scale, at_end=False), laid]
            parts.append(_condensed(row, last, reach, scale, at_end=True))
        if rule.backtack:
            counted = np.flatnonzero(laid.counted)
            again = np.unique(np.concatenate([counted[: rule.backtack], counted[-rule.backtack :]]))
            parts.append(_again(laid.take(again), reach))
    elif rule.oversew:
        parts.append(_again(laid.take(np.flatnonzero(laid.counted)[: rule.oversew]), reach))
    return parts[0].then(*parts[1:])


def _again(sewn: Repeats, reach: float) -> Repeats:
    """Stitches sewn over: not counted again."""
    no = np.zeros(len(sewn), dtype=bool)
    return sewn.changed(counted=no, beside=np.full(len(sewn), 2 * reach * BESIDE))


def _condensed(row: Row, room: Room, reach: float, scale: Scale, *, at_end: bool) -> Repeats:
    pitch = condensed_pitch(row, scale)
    thread = 2 * reach if row.motif.thread is not None else 0.0
    length = max(min(CONDENSED * row.drawn_length(scale), pitch - CLEAR * thread), pitch / 4)
    count = row.ends.condensed
    number = np.arange(count)
    ahead = number.astype(np.float64) * pitch
    begin = room.high + (pitch - length) + ahead if at_end else room.low - count * pitch + ahead
    leg = np.full(count, room.leg)
    motif = np.zeros(count, dtype=np.intp)
    laid = make_repeats(room.line.at(begin), room.line.at(begin + length), leg, number, motif)
    return laid.changed(counted=np.zeros(count, dtype=bool))
