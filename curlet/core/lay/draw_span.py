"""From a laid span to the drawing's items: bent, whole or a part of it."""

from __future__ import annotations

from collections.abc import Iterator

import numpy as np

from curlet.core.drawing import Affine, Item, Laid, Shape, moved_paint
from curlet.core.dress.colour import dress
from curlet.core.lay.facing import still
from curlet.core.lay.hold.bend import bend_together
from curlet.core.lay.hold.mapping import TOLERANCE, Bent
from curlet.core.lay.hold.rigid import rigid
from curlet.core.lay.span import LaidSpan
from curlet.core.motif.cut import part_of


def span_items(
    span: LaidSpan,
    threads: tuple[str, ...],
    within: tuple[float, float] | None = None,
    tolerance: float = TOLERANCE,
) -> list[Item]:
    """A span as bent shapes; only the part between two arc lengths if asked."""
    whole = span.line.path.length
    bent = Bent(span.line, span.offset, span.course.swell, whole, tolerance=tolerance)
    shapes = dress(tuple(span.motif.shapes), threads)
    if within is not None:
        shapes = tuple(part for shape in shapes for part in _parts(shape, within, span))
    every = bend_together(bent, span.repeats, still(1), shapes)
    middle = _middle(span)
    laid = [moved_paint(part, middle) for batches in every for _, part in batches]
    return [Laid(tuple(laid))] if laid else []


def _middle(span: LaidSpan) -> Affine:
    """Where the cell would lie if it did not bend: a gradient lies so."""
    at = rigid(span.line, span.repeats, span.offset, np.array([span.line.path.length]))
    return tuple(at.matrices()[0].tolist())


def _parts(shape: Shape, within: tuple[float, float], span: LaidSpan) -> Iterator[Shape]:
    whole, closed = span.line.path.length, span.line.path.closed
    for lap in (-1, 0, 1) if closed else (0,):
        low, high = (max(min(s / whole + lap, 1.0), 0.0) for s in within)
        if high > low:
            yield from part_of(shape, low, high)
