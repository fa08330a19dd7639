"""Strips: a brush drawn straight, for the lists of brushes and paths."""

from __future__ import annotations

from flask import Response

from curlet.core.brush import Brush
from curlet.core.measures import Scale
from curlet.formats.brush_file import read_brush
from curlet.store import journal
from curlet.store.errors import Missing
from curlet.store.runs import laid_brush
from curlet.studio.strips import brush_strip
from curlet.web.replies import FOR_EVER, file_of
from curlet.web.routes import Routes
from curlet.web.schemas import BrushUrl, RunUrl, StripQuery

strips = Routes("strips", __name__, url_prefix="/api")


@strips.get("/brushes/<brush_id>/strip.svg", responses={200: file_of("image/svg+xml")})
def of_brush(path: BrushUrl, query: StripQuery) -> Response:
    """A brush as it is in the library."""
    doc = journal.find_brush(path.brush_id)
    if doc is None:
        raise Missing("There is no such brush. Choose one from the Library.")
    return strip(read_brush(doc).to_core(), Scale(), query)


@strips.get("/sheets/<sheet_id>/runs/<run_id>/strip.svg", responses={200: file_of("image/svg+xml")})
def of_run(path: RunUrl, query: StripQuery) -> Response:
    """A brush with a run's own settings."""
    state = journal.find_sheet(path.sheet_id)
    return strip(laid_brush(state, state.get("run", path.run_id)), state.scale, query)


def strip(brush: Brush, scale: Scale, query: StripQuery) -> Response:
    """A brush's strip as a reply."""
    svg = brush_strip(brush, scale, line=query.line, background=query.background)
    reply = Response(svg, content_type="image/svg+xml")
    # The key in the address changes with the content.
    reply.headers["Cache-Control"] = FOR_EVER if query.key else "no-store"
    return reply
