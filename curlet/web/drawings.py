"""Importing a drawing: it is read aside, looked at, and put on the sheet as the person says."""

from __future__ import annotations

from typing import Annotated

from flask import Response
from pydantic import BaseModel, Field

from curlet.core.errors import BadInput
from curlet.formats.imported import ImportedDrawing
from curlet.formats.names import MaybeName, Name
from curlet.store.commands import ImportDrawing
from curlet.studio import imports
from curlet.studio.imported_groups import By, sorted_into_groups
from curlet.studio.jobs import Jobs
from curlet.studio.sheets import doing
from curlet.web.asking import gone
from curlet.web.replies import Replies, json_reply
from curlet.web.routes import Routes
from curlet.web.schemas import Counter, Problem, SheetUrl, Upload
from curlet.web.sheet_schemas import ChangedFrame
from curlet.web.shown import changed
from curlet.web.watched import watched

drawings = Routes("drawings", __name__, url_prefix="/api")

# What a drawing's file is called after its last full stop.
_KINDS = ("svg", "dxf", "pdf")
_REPLIES: Replies = {200: ChangedFrame, 409: Problem, 413: Problem, 422: Problem}
_jobs = Jobs("This drawing is no longer kept. Choose its file again.")


class ImportedFile(BaseModel):
    """A drawing to import, for the sheet as it was at `revision`."""

    revision: Counter
    file: Upload


class DrawingFile(BaseModel):
    """A drawing to look at before it is imported, or one page of it."""

    file: Upload
    page: Annotated[int, Field(ge=1, le=10_000)] = 1


class DrawingUrl(BaseModel):
    drawing_id: str


class SheetDrawingUrl(SheetUrl):
    drawing_id: str


class DrawingBegun(BaseModel):
    id: str
    title: str


class LookQuery(BaseModel):
    by: By = "layers"


class GroupFound(BaseModel):
    """Lines that would become one seam group: how many, and what they look like (SVG path data, mm)."""

    key: str
    name: str
    mark: str
    paths: int
    d: str


class DrawingLooked(BaseModel):
    """How far the reading is, and what was found; sizes in mm."""

    share: float
    doing: str
    done: bool
    width: float
    height: float
    pages: int
    groups: list[GroupFound]
    notes: list[str]


class UseDrawing(BaseModel):
    """What is taken, and as what: the groups by their keys, each with its name."""

    revision: Counter
    title: Name
    by: By
    taken: Annotated[dict[str, MaybeName], Field(max_length=10_000)]
    fills: bool = True


def title_of(name: str | None) -> str:
    """A drawing's title from its file's name."""
    last = (name or "Drawing").rsplit("/", 1)[-1]
    stem, _, kind = last.rpartition(".")
    return (stem if kind.lower() in _KINDS else last)[:120] or "Drawing"


@drawings.post("/drawings", responses={200: DrawingBegun, 413: Problem, 422: Problem})
def begin(form: DrawingFile) -> Response:
    """Begin to read a drawing."""
    data = form.file.stream.read()
    key = _jobs.start(lambda progress: imports.drawing(data, form.page, progress))
    return json_reply({"id": key, "title": title_of(form.file.filename)})


@drawings.get("/drawings/<drawing_id>", responses={200: DrawingLooked, 404: Problem, 422: Problem})
def look(path: DrawingUrl, query: LookQuery) -> Response:
    """How far the reading is, and what was found, sorted as asked."""
    job = _jobs.look(path.drawing_id)
    if job.done and job.error:
        raise job.error
    head = {"share": job.share, "doing": job.doing, "done": job.done}
    if not job.done or job.result is None:
        return json_reply({**head, "groups": [], "notes": [], "width": 0, "height": 0, "pages": 1})
    taken: ImportedDrawing = job.result
    groups = [
        {"key": g.key, "name": g.name, "mark": g.mark, "paths": len(g.paths), "d": g.picture}
        for g in sorted_into_groups(taken, query.by, "The drawing")
    ]
    size = {"width": taken.width, "height": taken.height, "pages": taken.pages}
    return json_reply({**head, **size, "groups": groups, "notes": taken.notes})


@drawings.delete("/drawings/<drawing_id>", responses={200: DrawingBegun, 404: Problem})
def stop(path: DrawingUrl) -> Response:
    """Stop reading a drawing."""
    _jobs.stop(path.drawing_id)
    return json_reply({"id": path.drawing_id, "title": ""})


@drawings.post("/sheets/<sheet_id>/drawings/<drawing_id>", responses=_REPLIES)
def use(path: SheetDrawingUrl, body: UseDrawing) -> Response:
    """Put what was chosen of a drawing on the sheet, in seam groups."""
    job = _jobs.look(path.drawing_id)
    if not job.done or job.result is None:
        raise BadInput("This drawing is not read yet. Wait until it is.")
    groups = sorted_into_groups(job.result, body.by, "The drawing")
    chosen = [(g, body.taken[g.key].strip() or g.name) for g in groups if g.key in body.taken]
    if not chosen:
        raise BadInput("Nothing is chosen. Tick at least one group.")
    named = tuple((name, g.mark, g.paths) for g, name in chosen)
    intent = ImportDrawing(title=body.title, groups=named, fills=body.fills, on_garment=job.result.on_garment)
    with watched() as work, doing(path.sheet_id, body.revision, intent, work) as state:
        return changed(state, body.revision, job.result.notes, work)


@drawings.post("/sheets/<sheet_id>/import", responses=_REPLIES)
def whole(path: SheetUrl, form: ImportedFile) -> Response:
    """Import all lines of an SVG, DXF or PDF drawing at once, as one seam group."""
    taken, title = imports.drawing(form.file.stream.read(), stop=gone()), title_of(form.file.filename)
    if not taken.paths:
        raise BadInput(" ".join(taken.notes))
    group = sorted_into_groups(taken, "one", title)[0]
    whole = ((title, None, group.paths),)
    intent = ImportDrawing(title=title, groups=whole, on_garment=taken.on_garment)
    with doing(path.sheet_id, form.revision, intent) as state:
        return changed(state, form.revision, taken.notes)
