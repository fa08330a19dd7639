"""Rows that cannot be read: listed, exported as they are, removed, restored."""

from __future__ import annotations

from dataclasses import asdict
from typing import Literal

import orjson
from flask import Response
from pydantic import BaseModel

from curlet.store import repair as store
from curlet.web.bench import shown
from curlet.web.bench_schemas import BenchShown
from curlet.web.replies import Replies, file_of, file_reply, json_reply
from curlet.web.routes import Routes
from curlet.web.schemas import BrushUrl, Problem, SheetUrl
from curlet.web.sheet_schemas import SetAsideShown, SheetFrame
from curlet.web.shown import whole

repair = Routes("repair", __name__, url_prefix="/api")

_REPLIES: Replies = {404: Problem, 409: Problem, 422: Problem}


class KeptUrl(BaseModel):
    kind: str
    row_id: str


class LibraryUrl(BaseModel):
    kind: Literal["brush", "motif"]
    row_id: str


class OnSheetUrl(SheetUrl):
    kind: str
    row_id: str


class SetAsideList(BaseModel):
    rows: list[SetAsideShown]


@repair.get("/unreadable", responses={200: SetAsideList})
def library() -> Response:
    """The brushes and motifs that cannot be read."""
    return json_reply({"rows": [asdict(row) for row in store.unreadable_in_library()]})


@repair.get("/unreadable/<kind>/<row_id>.json", responses={200: file_of("application/json")})
def as_kept(path: KeptUrl) -> Response:
    """Anything as it stands in the database, unread, to be kept or looked into."""
    data = orjson.dumps(store.as_kept(path.kind, path.row_id), option=orjson.OPT_INDENT_2)
    return file_reply(data, "application/json", f"{path.kind} {path.row_id}.json")


@repair.delete("/unreadable/<kind>/<row_id>", responses={200: SetAsideList, **_REPLIES})
def remove(path: LibraryUrl) -> Response:
    """Remove a brush or motif that cannot be read."""
    store.remove_from_library(path.kind, path.row_id)
    return library()


@repair.post("/unreadable/brush/<brush_id>/restore", responses={200: BenchShown, **_REPLIES})
def restore(path: BrushUrl) -> Response:
    """Put the newest version of a brush that can be read in place of one that cannot."""
    return shown(store.restore_brush(path.brush_id))


@repair.delete("/sheets/<sheet_id>/unreadable/<kind>/<row_id>", responses={200: SheetFrame, **_REPLIES})
def remove_from_sheet(path: OnSheetUrl) -> Response:
    """Remove from a sheet what cannot be read."""
    return whole(store.remove_from_sheet(path.sheet_id, path.kind, path.row_id))
