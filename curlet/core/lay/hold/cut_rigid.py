"""Rigid artwork cut where its leg ends at a corner, or at a place along the path."""

from __future__ import annotations

from collections.abc import Iterator, Sequence
from dataclasses import dataclass, replace

import numpy as np
from numpy.typing import NDArray

from curlet.core.drawing import Affine, Outline, Shape, moved_paint, placed
from curlet.core.lay.corners.cut import Cut
from curlet.core.lay.hold.clipping import clipped, uncut
from curlet.core.lay.hold.strands import Strand
from curlet.core.path.contours import contours
from curlet.core.path.outline import joined, of_chain

Floats = NDArray[np.float64]


@dataclass(frozen=True)
class _Flat:
    """Artwork that stands as it is."""

    offset: float = 0.0

    def height(self, s: Floats, y: Floats, beside: Floats) -> Floats:
        return y

    def width(self, s: Floats) -> Floats:
        return np.ones_like(s)


def rigid_clipped(shape: Shape, matrix: Affine, cuts: Sequence[Cut]) -> Iterator[Shape]:
    """What cuts leave of a shape at its placement: its fill, and its line or the area that it covers."""
    there = placed(shape.outline.points, np.array([matrix]))[0]
    laid = moved_paint(replace(shape, outline=Outline(shape.outline.commands, there)), matrix)
    yield from shape_clipped(laid, cuts)


def shape_clipped(shape: Shape, cuts: Sequence[Cut]) -> Iterator[Shape]:
    """What cuts leave of a shape on the sheet."""
    if shape.fill is not None:
        yield from _cut(replace(shape, stroke=None), cuts)
    if shape.stroke is not None:
        yield from _cut(replace(shape, fill=None), cuts)


def _cut(shape: Shape, cuts: Sequence[Cut]) -> list[Shape]:
    """A fill or a line, cut by one after the other, each seen from its own corner."""
    left = [shape]
    for cut in cuts:
        left = [part for each in left for part in _cut_once(each, cut)]
    return left


def _cut_once(shape: Shape, cut: Cut) -> Iterator[Shape]:
    axes = np.stack([cut.along, np.array([-cut.along[1], cut.along[0]])])
    origin = np.array([cut.s, 0.0])
    strands = [
        Strand((part.cubics - cut.corner) @ axes.T + origin, part.closed, 0, 0.0, -np.inf, np.inf)
        for part in contours(shape.outline)
    ]
    parts = list(uncut(shape, strands, [cut], _Flat()))
    for part, kept in zip(parts, clipped(parts, _Flat()), strict=True):
        if kept:
            chains = [replace(one, cubics=(one.cubics - origin) @ axes + cut.corner) for one in kept]
            yield replace(part.painted, outline=_outline(chains))


def _outline(strands: Sequence[Strand]) -> Outline:
    return joined([of_chain(one.cubics, one.closed) for one in strands])
