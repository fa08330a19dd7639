"""What stands at a row's corners: pieces, repeats turned or gathered, folds."""

from __future__ import annotations

from collections.abc import Iterator
from dataclasses import replace
from functools import partial

import numpy as np
from numpy.typing import NDArray

from curlet.core.drawing import Affine, Item, Laid, Shape, Stroke, moved_paint
from curlet.core.dress.colour import ColourRole, dress, paint_of
from curlet.core.lay.corners.axes import CornerAxes
from curlet.core.lay.corners.cut import turn_between
from curlet.core.lay.corners.manner import Warp
from curlet.core.lay.corners.mitre import crease
from curlet.core.lay.corners.warping import warped
from curlet.core.lay.draw_picture import picture_item
from curlet.core.lay.hold.lap import started_before
from curlet.core.lay.hold.mapping import TOLERANCE
from curlet.core.lay.pieces import CornerPlace
from curlet.core.lay.row import LaidRow
from curlet.core.lay.run_in import run_in
from curlet.core.path.contours import coarser, contours
from curlet.core.path.outline import turned_back

Floats = NDArray[np.float64]

_NEAR = 1e-4
# A crease is a fine line, a share of the trim's width, in the thread's own shade made darker.
CREASE, CREASE_SHADE = 0.03, -18.0


def corner_items(
    row: LaidRow, threads: tuple[str, ...], tolerance: float = 0.0, *, beside: bool = False
) -> list[Item]:
    """The artwork and the creases of every corner; detail below the tolerance may go, drawn mm.

    Parameters
    ----------
    beside : whether its copies lie beside one another, so that they are painted as one.
    """
    items: list[Item] = [_artwork(row, place, threads, tolerance, beside) for place in row.corner_places]
    creases = [crease(row.line, room.leg, row.offset, row.reach) for room in row.rooms if room.stop.folded]
    if creases:
        stroke = Stroke(
            paint_of(ColourRole(1, lighter=CREASE_SHADE), threads), CREASE * 2 * row.reach, "flat"
        )
        items.append(Laid(tuple(Shape(outline, stroke=stroke) for outline in creases)))
    return items


def _artwork(
    row: LaidRow, place: CornerPlace, threads: tuple[str, ...], tolerance: float, beside: bool
) -> Item:
    axes = axes_of(row, place.leg)
    motif, shapes = row.motifs[place.motif], list[Shape]()
    if motif.picture:
        there = _about_middle(place.art.warps[0], axes)
        return picture_item(motif, np.array([there]))
    dressed = list(dress(motif.shapes, threads))
    if row.touching:
        dressed = [started_before(shape, row.length) for shape in dressed]
    parts = [contours(shape.outline) for shape in dressed]
    if tolerance:
        # The cell is as long as a repeat, about; where it is fanned out it is shorter.
        parts = [tuple(coarser(part, (row.length, 1.0), tolerance) for part in each) for each in parts]
    for warp in _faced(row, place):
        there = _about_middle(warp, axes)
        outlines = warped(parts, partial(warp, axes=axes), place.art.kink, max(tolerance, TOLERANCE))
        mirrored = there[0] * there[3] < there[1] * there[2]
        copy = list[Shape]()
        for shape, outline in zip(dressed, outlines, strict=True):
            laid = turned_back(outline) if mirrored and shape.fill else outline
            copy.append(moved_paint(replace(shape, outline=laid), there))
        shapes = run_in(shapes, copy) if beside else [*shapes, *copy]
    return Laid(tuple(shapes))


def _faced(row: LaidRow, place: CornerPlace) -> Iterator[Warp]:
    """The warps of a corner's artwork; the row's own repeat is flipped there as it is elsewhere."""
    facing = row.course.facing
    for warp in place.art.warps:
        if place.art.piece is None and (facing.side_to_side or facing.end_to_end):
            yield partial(_flipped, warp=warp, along=facing.end_to_end, across=facing.side_to_side)
        else:
            yield warp


def _flipped(points: Floats, axes: CornerAxes, warp: Warp, along: bool, across: bool) -> Floats:
    x, y = points.T
    return warp(np.stack([1 - x if along else x, -y if across else y], axis=1), axes)


def axes_of(row: LaidRow, leg: int) -> CornerAxes:
    """The corner at which a leg ends."""
    lines = {room.leg: room.line for room in row.rooms}
    after = (leg + 1) % len(row.line.legs)
    cuts = row.cuts.get((leg, True)), row.cuts.get((after, False))
    turn = turn_between(row.line, leg, after)
    return CornerAxes(row.line, (leg, after), (lines[leg], lines[after]), cuts, row.offset, turn)


def _about_middle(warp: Warp, axes: CornerAxes) -> Affine:
    """The warp as it is about the cell's middle: a gradient lies so."""
    near = warp(np.array([[0.5, 0.0], [0.5 + _NEAR, 0.0], [0.5, _NEAR]]), axes)
    long, wide = ((near[i] - near[0]) / _NEAR for i in (1, 2))
    start = near[0] - long / 2
    return (*long.tolist(), *wide.tolist(), *start.tolist())
