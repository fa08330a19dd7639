"""Repeats that touch go a hair over one another, so that no renderer's rounding opens a seam between them."""

from __future__ import annotations

from dataclasses import replace

import numpy as np
from numpy.typing import NDArray

from curlet.core.drawing import Outline, Shape
from curlet.core.lay.corners.cut import Cut
from curlet.core.lay.hold.mapping import Bent
from curlet.core.lay.repeats import Repeats
from curlet.core.path.cubics import points_on

Floats = NDArray[np.float64]
Bools = NDArray[np.bool_]

# Many times a renderer's own rounding, and less than half of what artwork may err by, mm.
LAP = 0.002
_EDGE = 1e-9
_NEAR = 1e-7
_MAX_SLANT = 25.0


def lap(mapped: Floats, cubics: Floats, filled: Bools, bent: Bent, repeats: Repeats) -> None:
    """Move the points of fills on their cell's edges out along the path where another repeat meets them.

    Parameters
    ----------
    mapped : (n, k, parts, 4, 2), the repeats on the sheet; they are changed.
    cubics : (k, 4, 2), the motif's.
    filled : (k,) which of them are of fills.
    """
    parts = mapped.shape[2]
    x = points_on(cubics, np.arange(parts + 1) / parts)[..., 0]
    for edge, places, others, way in (
        (0.0, repeats.start, bent.ends, -LAP),
        (1.0, repeats.end, bent.starts, LAP),
    ):
        on = (np.abs(x - edge) < _EDGE) & filled[:, None]
        if not on.any():
            continue
        met = meet(places, others, bent)
        along = bent.line.frames(places, repeats.leg).along * (way * met)[:, None]
        # A segment's end takes the handle beside it along.
        for ends, handles in ((on[:, :-1], (0, 1)), (on[:, 1:], (2, 3))):
            segment, part = np.nonzero(ends)
            for handle in handles:
                mapped[:, segment, part, handle] += along[:, None]


def meet(places: Floats, others: Floats, bent: Bent) -> Bools:
    """(n,) whether each place along the path is one of the others too, mm."""
    if not len(others):
        return np.zeros(len(places), dtype=bool)
    known, at = others, places + _NEAR
    if bent.line.path.closed:
        known, at = known % bent.line.path.length, at % bent.line.path.length
    known = np.sort(known)
    before = np.searchsorted(known, at, side="right") - 1
    return np.asarray((before >= 0) & (np.abs(at - known[np.maximum(before, 0)]) < 2 * _NEAR))


def begun_before(cut: Cut) -> Cut:
    """A leg whose start goes a hair over the end of the leg before it."""
    if cut.at_end or len(cut.heights) < 2:
        return cut
    # As far across the cut itself, however it slants.
    slant = np.hypot(1.0, np.gradient(cut.places, cut.heights))
    return replace(cut, places=cut.places - LAP * np.minimum(slant, _MAX_SLANT))


def started_before(shape: Shape, length: float) -> Shape:
    """A cell's fill that begins a hair before its edge; `length` of the cell, mm."""
    if shape.fill is None or shape.even_odd:
        return shape
    points = shape.outline.points
    x = np.where(np.abs(points[:, 0]) < _EDGE, points[:, 0] - LAP / length, points[:, 0])
    return replace(shape, outline=Outline(shape.outline.commands, np.stack([x, points[:, 1]], axis=1)))
