"""Crumbs: what a corner's cut would leave of artwork with nothing to stand on, such as a tooth whose foot is
cut away. They are left out."""

from __future__ import annotations

from collections.abc import Sequence

import numpy as np
from numpy.typing import NDArray

from curlet.core.lay.hold.strands import Strand
from curlet.core.path.cubics import points_on

Floats = NDArray[np.float64]
Bools = NDArray[np.bool_]

# What is left of a contour that always stood by itself is a crumb below this share of it.
_SHARE = 0.35
_SAMPLES = np.arange(4) / 4
_TOUCHES, _PASSES = 1e-6, 0.02
# What hangs on less than these shares of its size, by length and by area, would break off.
_FOOT, _PATCH = 0.03, 0.002
# Each contour is compared with each: artwork of more than so many is left as it is.
_MOST = 600


def without_crumbs(
    kept: Sequence[Sequence[Strand]],
    whole: Sequence[Sequence[Strand]],
    weights: Sequence[float],
    edges: Sequence[float],
) -> list[list[Strand]]:
    """What cuts leave of one repeat, but for its crumbs: what hung together with the repeat beside it and now
    does not, and small parts of what always stood by itself.

    Parameters
    ----------
    kept, whole : the contours of each shape, after and before they were cut.
    weights : of each shape's line, mm; 0 for an area.
    edges : arc lengths of the cell's edges at which the leg goes on.
    """
    pieces = [strand for each in kept for strand in each]
    before = [strand for each in whole for strand in each]
    untouched = [id(strand) for strand in pieces] == [id(strand) for strand in before]
    if untouched or not pieces or len(before) > _MOST:
        return [list(each) for each in kept]
    boxes, boxes_before = _boxes(kept, weights), _boxes(whole, weights)
    held, hung = _held(pieces, boxes, edges), _held(before, boxes_before, edges)
    areas = np.array([_area(strand) for strand in before])
    number = {id(strand): index for index, strand in enumerate(before)}
    stays = held
    for j in np.flatnonzero(~held).tolist():
        source = number.get(id(pieces[j]))
        if source is None:
            source = _source(boxes[j], boxes_before, areas)
        stays[j] = not hung[source] and _area(pieces[j]) >= _SHARE * areas[source]
    # What lies within a part of its own shape that goes is a hole in it.
    shape = np.repeat(np.arange(len(kept)), [len(each) for each in kept])
    low, high = boxes[:, 0], boxes[:, 1]
    inside = (low[:, None] >= low[None]).all(axis=2) & (high[:, None] <= high[None]).all(axis=2)
    stays &= ~(inside & (shape[:, None] == shape[None]) & ~stays[None]).any(axis=1)
    left = iter(stays.tolist())
    return [[strand for strand in each if next(left)] for each in kept]


def _held(strands: Sequence[Strand], boxes: Floats, edges: Sequence[float]) -> Bools:
    """Which contours go on at one of the edges, or lie over others that do."""
    held = np.array([any(_goes_on(strand, edge) for edge in edges) for strand in strands], dtype=bool)
    low, high = boxes[:, 0], boxes[:, 1]
    shared = np.minimum(high[:, None], high[None]) - np.maximum(low[:, None], low[None])
    meets = (shared > 0).all(axis=2) & (shared.prod(axis=2) > _PATCH * (high - low).prod(axis=1)[:, None])
    while True:
        more = held | meets[:, held].any(axis=1)
        if (more == held).all():
            return held
        held = more


def _goes_on(strand: Strand, edge: float) -> bool:
    """Whether a contour passes an edge of its cell, or lies along it with some of its size."""
    s, heights = strand.cubics[:, 0].T
    if s.min() < edge - _PASSES and s.max() > edge + _PASSES:
        return True
    on = heights[np.abs(s - edge) < _TOUCHES]
    return len(on) > 1 and float(np.ptp(on)) > _FOOT * max(float(np.ptp(heights)), float(np.ptp(s)))


def _source(box: Floats, before: Floats, areas: Floats) -> int:
    """Which contour a part was cut from: the smallest that it lies within."""
    around = (before[:, 0] <= box[0] + _TOUCHES).all(axis=1) & (before[:, 1] >= box[1] - _TOUCHES).all(axis=1)
    return int(np.argmin(np.where(around, areas, np.inf)))


def _boxes(every: Sequence[Sequence[Strand]], weights: Sequence[float]) -> Floats:
    """(n, 2, 2) least and greatest arc length and height of each shape's contours."""
    found = []
    for strands, weight in zip(every, weights, strict=True):
        for points in (strand.cubics.reshape(-1, 2) for strand in strands):
            found.append((points.min(axis=0) - weight / 2, points.max(axis=0) + weight / 2))
    return np.array(found).reshape(-1, 2, 2)


def _area(strand: Strand) -> float:
    x, y = points_on(strand.cubics, _SAMPLES).reshape(-1, 2).T
    return abs(float(x @ np.roll(y, -1) - y @ np.roll(x, -1))) / 2
