"""Strips: a brush drawn straight, for the drawer and the paths list."""

from __future__ import annotations

import numpy as np
from flask import Response

from curlet.core.brush import Piece
from curlet.core.drawing import Drawing
from curlet.core.lay import LaidRow, LaidRun, lay
from curlet.core.lay.draw import draw_run, reach_of
from curlet.core.measures import Scale
from curlet.core.path import Path
from curlet.formats.brush_file import BrushDoc, read_brush
from curlet.formats.svg_out import write_svg
from curlet.store import journal
from curlet.store.commands import worn_brush
from curlet.store.errors import Missing
from curlet.web.described import Routes
from curlet.web.replies import file_of
from curlet.web.schemas import BrushUrl, RunUrl, StripQuery

strips = Routes("strips", __name__, url_prefix="/api")

# One scale for every strip, so that they can be compared: worn mm.
LENGTH, LEAST_WIDTH, MARGIN = 52.0, 3.8, 1.0


@strips.get("/brushes/<brush_id>/strip.svg", responses={200: file_of("image/svg+xml")})
def brush_strip(path: BrushUrl, query: StripQuery) -> Response:
    """A brush as it is in the drawer."""
    doc = journal.find_brush(path.brush_id)
    if doc is None:
        raise Missing("There is no such brush. Choose one from the drawer.")
    return strip(read_brush(doc), Scale(), query)


@strips.get("/sheets/<sheet_id>/runs/<run_id>/strip.svg", responses={200: file_of("image/svg+xml")})
def run_strip(path: RunUrl, query: StripQuery) -> Response:
    """A brush as a run wears it."""
    state = journal.find_sheet(path.sheet_id)
    return strip(worn_brush(state, state.get("run", path.run_id)), state.scale, query)


def strip(brush: BrushDoc, scale: Scale, query: StripQuery) -> Response:
    """A brush drawn straight, at the one scale of all strips."""
    k = scale.factor
    run = lay(_line(k, 0.0, (MARGIN, MARGIN)), brush.to_core(), scale)
    wide = [2 * reach_of(course) for course in run.courses]
    wide += [motif.width for course in run.courses if isinstance(course, LaidRow) for motif in course.motifs]
    width = max(LEAST_WIDTH, max(wide) / k + 1.2)
    run = lay(_line(k, width / 2, _margins(run)), brush.to_core(), scale)
    data = write_svg(Drawing(LENGTH * k, width * k, (draw_run(run, "strip", brush.name),)))
    reply = Response(data, content_type="image/svg+xml")
    # The key in the address changes with the content.
    reply.headers["Cache-Control"] = "max-age=31536000, immutable" if query.key else "no-store"
    return reply


def _margins(run: LaidRun) -> tuple[float, float]:
    """What is left free at both ends, so that nothing that stands out there is cut off, worn mm."""
    rows = [course for course in run.courses if isinstance(course, LaidRow)]
    over = max((motif.overhang for row in rows for motif in row.motifs), default=0.0) / run.scale.factor

    def stands(piece: Piece | None) -> float:
        return 0.0 if piece is None or piece.within else piece.length.worn(run.scale)

    starts = max((stands(row.course.pieces.start) for row in rows), default=0.0)
    ends = max((stands(row.course.pieces.end) for row in rows), default=0.0)
    return MARGIN + over + starts, MARGIN + over + ends


def _line(k: float, y: float, margins: tuple[float, float]) -> Path:
    points = np.array([[margins[0], y], [LENGTH - margins[1], y]]) * k
    return Path.make(["a", "b"], points, points, points, closed=False)
