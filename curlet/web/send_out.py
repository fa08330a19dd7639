"""Send out: the sheet or its runs as SVG and PNG."""

from __future__ import annotations

from flask import Response

from curlet.core.drawing import Drawing
from curlet.core.errors import CurletError
from curlet.core.tally import too_fine
from curlet.formats.png_out import pixels
from curlet.store import journal
from curlet.store.state import Row, State
from curlet.studio import exports
from curlet.studio.drawn_sheet import sheet_drawing
from curlet.studio.laying import lay_row
from curlet.web.asking import gone
from curlet.web.described import Routes
from curlet.web.replies import Replies, file_of, file_reply, json_reply
from curlet.web.schemas import Problem, SendOutFacts, SendOutQuery, SheetUrl

send_out = Routes("send_out", __name__, url_prefix="/api")

_REPLIES: Replies = {404: Problem, 413: Problem, 422: Problem}


@send_out.get("/sheets/<sheet_id>/send-out.svg", responses={200: file_of("image/svg+xml"), **_REPLIES})
def svg(path: SheetUrl, query: SendOutQuery) -> Response:
    """SVG in mm, runs as groups with ids and titles."""
    drawing = _drawing(path.sheet_id, query)
    return file_reply(exports.svg(drawing, gone()), "image/svg+xml", f"{drawing.title}.svg")


@send_out.get("/sheets/<sheet_id>/send-out.png", responses={200: file_of("image/png"), **_REPLIES})
def png(path: SheetUrl, query: SendOutQuery) -> Response:
    """PNG at the asked resolution, on transparency."""
    drawing = _drawing(path.sheet_id, query)
    return file_reply(exports.png(drawing, query.resolution, gone()), "image/png", f"{drawing.title}.png")


@send_out.get("/sheets/<sheet_id>/send-out.json", responses={200: SendOutFacts, **_REPLIES})
def facts(path: SheetUrl, query: SendOutQuery) -> Response:
    """How large it comes out, and what will be too fine to print."""
    ppi = query.resolution
    state = journal.find_sheet(path.sheet_id)
    sheet = state.sheet
    shown = [run for run in state.all("run") if state.seen(run)]
    fine = [
        f"{state.get('path', run['path'])['name']}: {note}"
        for run in shown
        for note in _notes(state, run, ppi)
    ]
    return json_reply(
        {
            "width_mm": sheet["width"],
            "height_mm": sheet["height"],
            "width_px": pixels(sheet["width"], ppi),
            "height_px": pixels(sheet["height"], ppi),
            "ppi": ppi,
            "runs": len(shown),
            "fine": fine,
        }
    )


def _notes(state: State, run: Row, ppi: float) -> list[str]:
    """What is said of a run that comes out too fine, or not at all."""
    try:
        return list(too_fine(lay_row(state, run)[0], ppi))
    except CurletError as error:
        return [f"left out: {error}"]


def _drawing(sheet_id: str, query: SendOutQuery) -> Drawing:
    state = journal.find_sheet(sheet_id)
    runs = [run for run in state.all("run") if state.seen(run)]
    if query.run:
        runs = [state.get("run", query.run)]
    lines = query.what == "sheet" and not query.run
    return sheet_drawing(state, with_lines=lines, runs=runs, singles=not query.run)
