"""Spans: one motif stretched once along the whole path."""

from __future__ import annotations

from dataclasses import dataclass, replace

import numpy as np

from curlet.core.brush.courses import Span
from curlet.core.lay.frames import LegLine
from curlet.core.lay.repeats import Repeats, make_repeats
from curlet.core.measures import Scale
from curlet.core.motif.cut import part_of
from curlet.core.motif.motif import Motif
from curlet.core.path.corners import Leg
from curlet.core.path.path import Path

_MEETS = 1e-6


@dataclass(frozen=True, eq=False)
class LaidSpan:
    """A span as laid: its motif, with its ends kept in proportion, as a single repeat."""

    course: Span
    index: int
    line: LegLine
    motif: Motif
    repeats: Repeats
    offset: float
    step: float

    @property
    def reach(self) -> float:
        return abs(self.offset) + self.motif.width / 2


def lay_span(path: Path, span: Span, index: int, scale: Scale) -> LaidSpan:
    """One motif from end to end, carried round every corner."""
    leg = Leg(path.node_ids[0], 0.0, path.length, unbroken=path.closed)
    line = LegLine(path, (leg,))
    natural = span.length.drawn(scale) * span.size / 100
    motif = _alone(span.motif.make(scale)).sized(span.size / 100, span.weight / 100)
    keep = span.keep_ends.drawn(scale) * span.size / 100
    one = np.zeros(1, dtype=np.intp)
    repeats = make_repeats(np.array([0.0]), np.array([path.length]), one, one, one)
    step = ends_step(motif) if path.closed else 0.0
    stretched = motif.with_ends_kept(natural, path.length, keep)
    return LaidSpan(span, index, line, stretched, repeats, span.drawn_offset(scale), step)


def _alone(motif: Motif) -> Motif:
    """A motif cut at its cell's edges if it reaches over them into its neighbours: stretched, it has none."""
    if not motif.runs_on:
        return motif
    shapes = tuple(
        replace(item, shape=part)
        for item in motif.shapes
        for part in part_of(item.shape, 0.0, 1.0)
        if np.ptp(part.outline.points[:, 0]) > 0
    )
    return replace(motif, shapes=shapes, overhang=0.0, runs_on=False)


def ends_step(motif: Motif) -> float:
    """How far a motif's entry and exit edges miss each other across the path, mm: 0 where they meet."""
    edges = []
    for at in (0.0, 1.0):
        ys = [
            y for item in motif.shapes for x, y in item.shape.outline.points.tolist() if abs(x - at) < _MEETS
        ]
        edges.append(np.unique(np.round(ys, 6)))
    entry, leave = edges
    if not len(entry) or not len(leave):
        return 0.0
    if len(entry) == len(leave):
        return float(np.abs(entry - leave).max())
    return float(max(abs(entry.min() - leave.min()), abs(entry.max() - leave.max())))
