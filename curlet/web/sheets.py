"""The sheets: listed, begun, duplicated, archived and restored, each with a small picture."""

from __future__ import annotations

from dataclasses import asdict
from typing import Annotated

from flask import Response
from pydantic import BaseModel, Field

from curlet.store import sheets as store
from curlet.studio import sheets as service
from curlet.web.replies import FOR_EVER, Replies, file_of, json_reply
from curlet.web.routes import Routes
from curlet.web.schemas import Problem, SheetUrl
from curlet.web.sheet_schemas import NewSheet, SheetBegun, SheetList

sheets = Routes("sheets", __name__, url_prefix="/api")

_REPLIES: Replies = {404: Problem, 422: Problem}


class SheetsQuery(BaseModel):
    """Current ones, or archived ones."""

    archived: bool = False


class ArchiveSheet(BaseModel):
    archived: bool


class ThumbnailQuery(BaseModel):
    revision: Annotated[int, Field(ge=0)] = 0


@sheets.get("/sheets", responses={200: SheetList})
def every(query: SheetsQuery) -> Response:
    """Every sheet, and the usual sizes for a new one."""
    keys = ("id", "name", "width", "height", "scale", "unit", "revision", "paths", "runs")
    rows = store.list_sheets(removed=query.archived)
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


@sheets.post("/sheets/<sheet_id>/archive", responses={200: SheetList, **_REPLIES})
def archive(path: SheetUrl, body: ArchiveSheet) -> Response:
    """Put a sheet archived, or bring it back."""
    store.archive(path.sheet_id, archived=body.archived)
    return every(SheetsQuery())


@sheets.get("/sheets/<sheet_id>/thumbnail.png", responses={200: file_of("image/png")})
def thumbnail(path: SheetUrl, query: ThumbnailQuery) -> Response:
    """A small picture of a sheet on its background."""
    reply = Response(service.thumbnail(path.sheet_id), content_type="image/png")
    # The revision in the address changes with the content; a changed brush counts as one too.
    reply.headers["Cache-Control"] = FOR_EVER if query.revision else "no-store"
    return reply
