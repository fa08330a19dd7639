"""From a laid row to the drawing's items: in painting order, over and under, closed and folded."""

from __future__ import annotations

import math

import numpy as np
from numpy.typing import NDArray

from curlet.core.drawing import Group, Item, Laid
from curlet.core.lay.corners.cut import Cut, across
from curlet.core.lay.corners.mitre import under_fold
from curlet.core.lay.draw_corner import corner_items
from curlet.core.lay.flat_rails import flat_rails
from curlet.core.lay.hold.mapping import TOLERANCE
from curlet.core.lay.paint_row import Painter, placements_of
from curlet.core.lay.piled_links import painted_in_piles, piles
from curlet.core.lay.row import LaidRow
from curlet.core.lay.run_in import run_in
from curlet.core.lay.under_cut import under_cuts

Floats = NDArray[np.float64]
Ints = NDArray[np.intp]

# What is painted first at a closing goes on this share of a pitch under what is painted last, so that no
# light shows between them; where it shows through, not at all.
_UNDER = 0.12
# A closing is kept so many pitches clear of kinks, where there is the choice.
_CLEAR = 4.0

__all__ = ["placements_of", "row_items"]


def row_items(
    row: LaidRow,
    threads: tuple[str, ...],
    seed: int,
    within: tuple[float, float] | None = None,
    tolerance: float = TOLERANCE,
) -> list[Item]:
    """A row's items in painting order; only what lies between two arc lengths if asked."""
    painter = Painter(row, threads, seed, tolerance)
    layers: tuple[bool | None, ...] = (None,)
    if row.course.overlap == "interlaced" and any(s.over for motif in row.motifs for s in motif.shapes):
        layers = (False, True)
    if within is not None:
        which, window = _inside(row, within)
        return [item for over in layers for item in painter.paint(which, over=over, window=window)]
    piled = piles(painter) if len(layers) > 1 else []
    elsewhere = np.ones(len(row.repeats), dtype=bool)
    for pile in piled:
        elsewhere[pile] = False
    which = np.flatnonzero(elsewhere)
    items: list[Item] = []
    for over in layers:
        layer = _in_order(painter, which, over)
        if over:
            items += painted_in_piles(painter, piled)
        items += _run_together(layer) if over is False and painter.beside_one_another else layer
    coarse = tolerance if tolerance > TOLERANCE else 0.0
    beside = [*items, *corner_items(row, threads, coarse, beside=not painter.overlapping)]
    laid = beside if painter.overlapping else _run_together(beside)
    under = [] if coarse else under_cuts(row, laid, as_one=not painter.overlapping)
    return [*under, *flat_rails(row, painter.local, threads), *_folds(painter), *laid]


def _run_together(items: list[Item]) -> list[Item]:
    """Repeats and pieces that lie beside one another, painted together where they look alike."""
    found: list[Item] = []
    for item in items:
        if found and isinstance(item, Laid) and isinstance(before := found[-1], Laid):
            found[-1] = Laid(tuple(run_in(before.shapes, item.shapes)))
        else:
            found.append(item)
    return found


def _in_order(painter: Painter, which: Ints, over: bool | None) -> list[Item]:
    """Every repeat over the one before it or, where that is asked, under it. A closed row has no first one:
    what lies across one place is parted there, and each part is painted in its own place."""
    back = painter.row.course.overlap == "last-over-next"
    # Two layers of links that reach no further than their neighbours close by themselves.
    parted = None if over is not None and _neighbours(painter.row) == 1 else _parted(painter, which)
    if parted is None:
        return painter.paint(which[::-1] if back else which, over=over)
    between, straddling, begins, ends = parted
    parts = [(straddling, (begins,)), (between, ()), (straddling, (ends,))]
    if back:
        parts = [(some[::-1], cuts) for some, cuts in reversed(parts)]
    pieces = which[~painter.row.repeats.counted[which]]
    every = [*parts, (pieces, ())]
    return [item for some, cuts in every for item in painter.paint(some, over=over, window=cuts)]


def _parted(painter: Painter, which: Ints) -> tuple[Ints, Ints, Cut, Cut] | None:
    """The repeats that are painted whole, those that are painted in two parts, and where they are parted."""
    row = painter.row
    legs = row.line.legs
    counted = which[row.repeats.counted[which]]
    if not (painter.overlapping and len(legs) == 1 and legs[0].unbroken and len(counted) > 2):
        return None
    near = min(_neighbours(row), (len(counted) - 1) // 2)
    first = _straightest(row, counted)
    counted = np.roll(counted, -first)
    place = float(row.repeats.start[counted[0]])
    pitch = row.line.path.length / len(counted)
    under = 0.0 if painter.shows_through else _UNDER * pitch
    begins, ends = across(row.line, place - under, at_end=False), across(row.line, place, at_end=True)
    return counted[near:-near], np.concatenate([counted[-near:], counted[:near]]), begins, ends


def _straightest(row: LaidRow, counted: Ints) -> int:
    """Which repeat of a closed row begins where the path is straightest, and far from every kink."""
    s, pitch = row.repeats.start[counted], row.line.path.length / len(counted)
    kinks = row.line.kinks
    far = np.abs(s[:, None] - kinks).min(axis=1) if len(kinks) else np.full(len(s), np.inf)
    clear = np.minimum(far / pitch, _CLEAR)
    turned = np.abs(row.line.path.arc.curvature(row.line.path.arc.wrap(s))) * pitch
    return int(np.argmin(turned - clear))


def _neighbours(row: LaidRow) -> int:
    """m, the furthest neighbour that a repeat overlaps."""
    overhang = max(motif.overhang for motif in row.motifs)
    pitch = max(row.length + row.fits[0].gap, 1e-6)
    return int(min(max(math.ceil((row.length + 2 * overhang) / pitch - 1e-9) - 1, 1), 24))


def _inside(row: LaidRow, within: tuple[float, float]) -> tuple[Ints, tuple[Cut, ...]]:
    """The repeats that lie between two arc lengths, and what cuts them there."""
    low, high = within
    start, end = row.repeats.start, row.repeats.end
    reach = max(motif.overhang for motif in row.motifs)
    laps = (-row.line.path.length, 0.0, row.line.path.length) if row.line.path.closed else (0.0,)
    hit = np.zeros(len(start), dtype=bool)
    for lap in laps:
        hit |= (end + reach + lap > low) & (start - reach + lap < high)
    window = across(row.line, low, at_end=False), across(row.line, high, at_end=True)
    return np.flatnonzero(hit), window


def _folds(painter: Painter) -> list[Item]:
    """What lies under folded corners: the legs that come in, past the bisector."""
    items: list[Item] = []
    row = painter.row
    for room in row.rooms:
        if not room.stop.folded:
            continue
        part = np.flatnonzero((row.repeats.leg == room.leg) & row.repeats.cut_end)
        drawn = painter.paint(part, whole=True)
        for clip in under_fold(row.line, room.leg, painter.far, row.offset, row.reach):
            drawn = [Group(f"fold-{room.leg}", "", tuple(drawn), clip=clip)]
        items += drawn
    return items
