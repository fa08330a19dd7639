"""Single repeats of a run set by hand: left out, moved, turned, sized, or with another motif."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import replace

import numpy as np
from numpy.typing import NDArray

from curlet.core.brush.courses import Row
from curlet.core.lay.facing import Local, rotation
from curlet.core.lay.one_repeat import OneRepeat, RepeatKey
from curlet.core.lay.row import LaidRow
from curlet.core.measures import Scale


def set_by_hand(row: LaidRow, said: Mapping[RepeatKey, OneRepeat], scale: Scale) -> LaidRow:
    """A row with what is said of its repeats. What is said of repeats that a leg does not have now is left
    aside, and comes back with them."""
    own = {key: one for key, one in said.items() if key[0] == row.index}
    if not own:
        return row
    legs = {leg.node_id: index for index, leg in enumerate(row.line.legs)}
    repeats = row.repeats
    by_hand, motif = repeats.by_hand.copy(), repeats.motif.copy()
    out = np.zeros(len(repeats), dtype=bool)
    placed: list[tuple[RepeatKey, float]] = []
    found: list[OneRepeat] = []
    for key, one in own.items():
        _, node, number = key
        there = repeats.counted & (repeats.leg == legs.get(node, -1))
        at = np.flatnonzero(there & (repeats.number == number))
        if not len(at):
            continue
        placed.append((key, float(repeats.middle[at[0]])))
        out[at] = one.left_out
        by_hand[at] = len(found)
        found.append(one)
        if one.motif is not None and (first := first_of(row.course, one.motif)) is not None:
            motif[at] = first
    row = _with_brought(replace(row, repeats=repeats.changed(by_hand=by_hand, motif=motif)), found, scale)
    return replace(row, repeats=row.repeats.take(~out), by_hand=tuple(found), set_by_hand=tuple(placed))


def _with_brought(row: LaidRow, found: list[OneRepeat], scale: Scale) -> LaidRow:
    """A row with the artwork that some of its repeats have from elsewhere, each of its own length."""
    repeats, motifs = row.repeats, list(row.motifs)
    start, end, motif = repeats.start.copy(), repeats.end.copy(), repeats.motif.copy()
    for piece in dict.fromkeys(one.brought for one in found if one.brought is not None):
        own = [index for index, one in enumerate(found) if one.brought == piece]
        at, middle = np.isin(repeats.by_hand, own), repeats.middle
        half = piece.length.drawn(scale) * row.course.size / 200
        start[at], end[at], motif[at] = middle[at] - half, middle[at] + half, len(motifs)
        motifs.append(piece.motif.make(scale).sized(row.course.size / 100, row.course.weight / 100))
    return replace(row, motifs=tuple(motifs), repeats=repeats.changed(start=start, end=end, motif=motif))


def moved_by_hand(local: Local, row: LaidRow) -> Local:
    """What is done to each repeat about its own middle, with what was said of it by hand."""
    matrix, shift = local.matrix.copy(), local.shift.copy()
    for at in np.flatnonzero(row.repeats.by_hand >= 0).tolist():
        one: OneRepeat = row.by_hand[row.repeats.by_hand[at]]
        matrix[at] = rotation(np.array([one.turn]))[0] @ matrix[at] * one.size / 100
        shift[at] += (one.along, one.across)
    return Local(matrix, shift, local.shade, local.hue)


def first_of(row: Row, letter: int) -> int | None:
    """The index of a letter's first motif among a row's; None where it has no such letter."""
    if not 0 <= letter < len(row.letters):
        return None
    return sum(len(turns) for turns in row.letters[:letter]) * max(len(row.shades), 1)


def repeat_at(row: LaidRow, s: float) -> tuple[RepeatKey, float] | None:
    """The repeat whose middle lies nearest to an arc length on the path, drawn mm, and where that is; one
    that is left out is found too. None for a row without repeats."""
    slots, legs = row.slots, row.line.legs
    found: list[tuple[RepeatKey, float]] = [item for item in row.set_by_hand if _left_out(row, item[0])]
    if len(slots):
        at = int(np.argmin(_apart(row, slots.middle, s)))
        key = row.index, legs[int(slots.leg[at])].node_id, int(slots.number[at])
        found.append((key, float(slots.middle[at])))
    return min(found, key=lambda item: float(_apart(row, np.array([item[1]]), s)[0]), default=None)


def _left_out(row: LaidRow, key: RepeatKey) -> bool:
    keys = [each for each, _ in row.set_by_hand]
    return row.by_hand[keys.index(key)].left_out


def _apart(row: LaidRow, places: NDArray[np.float64], s: float) -> NDArray[np.float64]:
    """How far places on a path lie from another, the shorter way round a closed one."""
    off = np.abs(places - s)
    return np.minimum(off, row.line.path.length - off) if row.line.path.closed else off
