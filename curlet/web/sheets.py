"""The sheets: listed, begun, duplicated, put away and brought back, each with a small picture."""

from __future__ import annotations

from dataclasses import asdict
from functools import lru_cache
from typing import Annotated

import numpy as np
from flask import Response
from pydantic import BaseModel, Field

from curlet.core.drawing import Drawing, Group, Laid, Outline, Shape, Solid
from curlet.core.measures import MM_PER_INCH
from curlet.formats.png_out import write_png
from curlet.store import journal
from curlet.store import sheets as store
from curlet.store.database import opening
from curlet.web.described import Routes
from curlet.web.laying import ground_paint, sheet_drawing
from curlet.web.replies import Replies, file_of, json_reply
from curlet.web.schemas import Problem, SheetUrl
from curlet.web.sheet_schemas import NewSheet, SheetBegun, SheetList

sheets = Routes("sheets", __name__, url_prefix="/api")

_REPLIES: Replies = {404: Problem, 422: Problem}
# Across a thumbnail, px.
_ACROSS = 480
_GROUNDS = {"light": "#f7f4eb", "dark": "#2a2f3a"}


class SheetsQuery(BaseModel):
    """Those that are out, or those that were put away."""

    away: bool = False


class PutAway(BaseModel):
    away: bool


class ThumbnailQuery(BaseModel):
    revision: Annotated[int, Field(ge=0)] = 0


@sheets.get("/sheets", responses={200: SheetList})
def every(query: SheetsQuery) -> Response:
    """Every sheet, and the usual sizes for a new one."""
    keys = ("id", "name", "width", "height", "scale", "unit", "revision", "paths", "runs")
    rows = store.list_sheets(removed=query.away)
    presets = [asdict(preset) for preset in store.PRESETS]
    return json_reply({"sheets": [{key: row[key] for key in keys} for row in rows], "presets": presets})


@sheets.post("/sheets", responses={200: SheetBegun, **_REPLIES})
def begin(body: NewSheet) -> Response:
    """Begin a sheet."""
    return json_reply({"id": store.begin_sheet(**body.model_dump())})


@sheets.post("/sheets/<sheet_id>/duplicate", responses={200: SheetBegun, **_REPLIES})
def duplicate(path: SheetUrl) -> Response:
    """A copy of a sheet."""
    return json_reply({"id": store.duplicate_sheet(path.sheet_id)})


@sheets.post("/sheets/<sheet_id>/away", responses={200: SheetList, **_REPLIES})
def put_away(path: SheetUrl, body: PutAway) -> Response:
    """Put a sheet away, or bring it back."""
    store.put_away(path.sheet_id, away=body.away)
    return every(SheetsQuery())


@sheets.get("/sheets/<sheet_id>/thumbnail.png", responses={200: file_of("image/png")})
def thumbnail(path: SheetUrl, query: ThumbnailQuery) -> Response:
    """A small picture of a sheet on its ground."""
    png = _picture(opening(), path.sheet_id, journal.current_revision(path.sheet_id))
    reply = Response(png, content_type="image/png")
    # The revision in the address changes with the content; a changed brush counts as one too.
    reply.headers["Cache-Control"] = "max-age=31536000, immutable" if query.revision else "no-store"
    return reply


@lru_cache(maxsize=64)
def _picture(opened: int, sheet_id: str, revision: int) -> bytes:
    state = journal.find_sheet(sheet_id)
    runs = [run for run in state.all("run") if state.seen(run)]
    drawing = sheet_drawing(state, with_lines=True, runs=runs)
    width, height = drawing.width, drawing.height
    corners = Outline("MLLLZ", np.array([[0, 0], [width, 0], [width, height], [0, height]], dtype=float))
    paint = ground_paint(state) or Solid(_GROUNDS.get(state.sheet["ground"], _GROUNDS["light"]))
    ground = Group("ground", "", (Laid((Shape(corners, paint),)),))
    ppi = _ACROSS / max(width, height) * MM_PER_INCH
    return write_png(Drawing(width, height, (ground, *drawing.groups)), min(max(ppi, 1.0), 2_400.0))
