"""Strips: a brush drawn straight, all at one scale, so that they can be compared.

A whole strip is as high as its brush is wide; a line, for lists, is always as high, and only a brush that is
wider than it is drawn smaller.
"""

from __future__ import annotations

import numpy as np

from curlet.core.brush import Brush, Piece
from curlet.core.drawing import Drawing
from curlet.core.lay import LaidRun, lay
from curlet.core.lay.draw import draw_run, reach_of
from curlet.core.measures import Scale
from curlet.core.path import Path
from curlet.formats.svg_out import write_svg
from curlet.studio.backgrounds import on_contrasting

# On the garment, mm.
LENGTH, MIN_WIDTH, MARGIN = 52.0, 3.8, 1.0
LINE_LENGTH, LINE_WIDTH = 96.0, 8.0


def brush_strip(brush: Brush, scale: Scale, *, line: bool = False, background: bool = False) -> bytes:
    """A brush drawn straight, as an SVG: whole or as a line, on the background that shows it or on none."""
    drawing = strip_drawing(brush, scale, line=line)
    return write_svg(on_contrasting(drawing) if background else drawing)


def strip_drawing(brush: Brush, scale: Scale, *, line: bool = False) -> Drawing:
    """A brush drawn straight, whole or as a line, on no background."""
    k = scale.factor
    width = max(MIN_WIDTH, drawn_width(brush, scale) + 1.2)
    length = LENGTH
    if line:
        width = max(LINE_WIDTH, width)
        length = LINE_LENGTH * width / LINE_WIDTH
    run = lay(_line(k, length, width / 2, (MARGIN, MARGIN)), brush, scale)
    run = lay(_line(k, length, width / 2, _margins(run)), brush, scale)
    return Drawing(length * k, width * k, (draw_run(run, "strip", brush.name),))


def drawn_width(brush: Brush, scale: Scale) -> float:
    """How wide a brush is on a straight line, mm on the garment."""
    k = scale.factor
    run = lay(_line(k, LENGTH, 0.0, (MARGIN, MARGIN)), brush, scale)
    wide = [2 * reach_of(course) for course in run.courses]
    wide += [motif.width for row in run.rows for motif in row.motifs]
    return max(wide) / k


def _margins(run: LaidRun) -> tuple[float, float]:
    """What is left free at both ends, so that nothing that stands out there is cut off, mm on the garment."""
    over = max((motif.overhang for row in run.rows for motif in row.motifs), default=0.0) / run.scale.factor

    def stands(piece: Piece | None) -> float:
        return 0.0 if piece is None or piece.within else piece.length.on_garment(run.scale)

    starts = max((stands(row.course.pieces.start) for row in run.rows), default=0.0)
    ends = max((stands(row.course.pieces.end) for row in run.rows), default=0.0)
    return MARGIN + over + starts, MARGIN + over + ends


def _line(k: float, length: float, y: float, margins: tuple[float, float]) -> Path:
    points = np.array([[margins[0], y], [length - margins[1], y]]) * k
    return Path.make(["a", "b"], points, points, points, closed=False)
