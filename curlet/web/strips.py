"""Strips: a brush drawn straight, for the drawer and the paths list."""

from __future__ import annotations

import numpy as np
from flask import Response
from flask_openapi3 import APIBlueprint

from curlet.core.drawing import Drawing
from curlet.core.lay import lay
from curlet.core.lay.draw import draw_run
from curlet.core.measures import Scale
from curlet.core.path import Path
from curlet.formats.brush_file import BrushDoc, read_brush
from curlet.formats.svg_out import write_svg
from curlet.store import journal
from curlet.store.commands import worn_brush
from curlet.store.errors import Missing
from curlet.web.schemas import BrushUrl, RunUrl, StripQuery

strips = APIBlueprint("strips", __name__, url_prefix="/api")

# One scale for every strip, so that they can be compared: worn mm.
LENGTH, WIDTH, MARGIN = 52.0, 4.0, 1.0


@strips.get("/brushes/<brush_id>/strip.svg")
def brush_strip(path: BrushUrl, query: StripQuery) -> Response:
    """A brush as it is in the drawer."""
    doc = journal.find_brush(path.brush_id)
    if doc is None:
        raise Missing("There is no such brush. Choose one from the drawer.")
    return _strip(read_brush(doc), Scale(), query)


@strips.get("/sheets/<sheet_id>/runs/<run_id>/strip.svg")
def run_strip(path: RunUrl, query: StripQuery) -> Response:
    """A brush as a run wears it."""
    state = journal.find_sheet(path.sheet_id)
    return _strip(worn_brush(state, state.get("run", path.run_id)), state.scale, query)


def _strip(brush: BrushDoc, scale: Scale, query: StripQuery) -> Response:
    k = scale.factor
    points = np.array([[MARGIN, WIDTH / 2], [LENGTH - MARGIN, WIDTH / 2]]) * k
    line = Path.make(["a", "b"], points, points, points, closed=False)
    group = draw_run(lay(line, brush.to_core(), scale), "strip", brush.name)
    data = write_svg(Drawing(LENGTH * k, WIDTH * k, (group,)))
    reply = Response(data, content_type="image/svg+xml")
    # The key in the address changes with the content.
    reply.headers["Cache-Control"] = "max-age=31536000, immutable" if query.key else "no-store"
    return reply
