"""Motifs in the Library: kept from brushes or drawings, and put into brushes."""

from __future__ import annotations

from typing import Annotated, Any, Literal

from flask import Response
from pydantic import BaseModel, Field

from curlet.formats.brush_file import BrushDoc
from curlet.formats.content import content_key
from curlet.formats.kept_motif import KeptMotifDoc, Name, motif_sheet
from curlet.formats.svg_out import write_svg
from curlet.store import bench as brushes
from curlet.store import motifs as store
from curlet.store.edits.artwork_places import AnyPlace, with_new_artwork
from curlet.studio import imports
from curlet.web.asking import gone
from curlet.web.bench import shown
from curlet.web.bench_schemas import BenchShown
from curlet.web.replies import Replies, file_of, file_reply, json_reply
from curlet.web.routes import Routes
from curlet.web.schemas import BrushUrl, Counter, Problem, Removed, Restored, StripQuery, Upload

motifs = Routes("motifs", __name__, url_prefix="/api")

_REPLIES: Replies = {404: Problem, 413: Problem, 422: Problem}
Index = Annotated[int, Field(ge=0, lt=16)]


class MotifUrl(BaseModel):
    motif_id: str


class MotifListed(BaseModel):
    """A kept motif; its cell is `length` × `width` mm."""

    id: str
    name: str
    what: Literal["drawn", "picture"]
    length: float
    width: float
    key: str


class MotifList(BaseModel):
    motifs: list[MotifListed]


class MotifKept(MotifListed):
    """`notes` say what of a drawing was left out."""

    notes: list[str]


class KeepMotif(BaseModel):
    """Keep a brush's motif at a place by itself."""

    brush: str
    course: Index = 0
    place: AnyPlace = "repeat"
    name: Name | None = None


class MotifFile(BaseModel):
    """An SVG drawing to be kept as a motif."""

    file: Upload


class MotifName(BaseModel):
    name: Name


class UseMotif(BaseModel):
    """Put a kept motif on the Bench, at a course's repeat or another place of it."""

    version: Counter
    motif: str
    course: Index = 0
    place: AnyPlace = "repeat"
    keep_runs: bool = False


@motifs.get("/motifs", responses={200: MotifList})
def motif_list() -> Response:
    """Every motif that is kept."""
    return json_reply({"motifs": [_listed(*kept) for kept in store.everything()]})


@motifs.post("/motifs", responses={200: MotifKept, **_REPLIES})
def keep(body: KeepMotif) -> Response:
    """Keep a brush's motif by itself."""
    doc = brushes.look(body.brush).doc
    kept = store.motif_from(doc, body.course, body.place, body.name or doc.name)
    return json_reply({**_listed(*store.keep(kept)), "notes": []})


@motifs.post("/motif-files", responses={200: MotifKept, **_REPLIES})
def import_file(form: MotifFile) -> Response:
    """Import an SVG drawing as a motif."""
    name = (form.file.filename or "").replace("\\", "/").rsplit("/", 1)[-1].removesuffix(".svg")[:60]
    kept, notes = imports.motif(form.file.stream.read(), name.strip() or "Motif", gone())
    return json_reply({**_listed(*store.keep(kept)), "notes": list(notes)})


@motifs.get("/motifs/<motif_id>/motif.svg", responses={200: file_of("image/svg+xml"), **_REPLIES})
def export(path: MotifUrl, query: StripQuery) -> Response:
    """A motif as an SVG drawing at its true size."""
    kept = store.look(path.motif_id)
    return file_reply(write_svg(motif_sheet(kept)), "image/svg+xml", f"{kept.name}.svg")


@motifs.post("/motifs/<motif_id>/name", responses={200: MotifListed, **_REPLIES})
def rename(path: MotifUrl, body: MotifName) -> Response:
    """Give a motif another name."""
    return json_reply(_listed(path.motif_id, store.rename(path.motif_id, body.name)))


@motifs.delete("/motifs/<motif_id>", responses={200: Removed, 404: Problem})
def remove(path: MotifUrl) -> Response:
    """Remove a motif from the Library."""
    store.remove(path.motif_id)
    return json_reply({"id": path.motif_id})


@motifs.post("/motifs/<motif_id>/restore", responses={200: Restored, 404: Problem})
def restore(path: MotifUrl) -> Response:
    """Put a motif back that was removed from the Library."""
    store.restore(path.motif_id)
    return json_reply({"id": path.motif_id})


@motifs.post("/brushes/<brush_id>/motif", responses={200: BenchShown, 409: Problem, **_REPLIES})
def use(path: BrushUrl, body: UseMotif) -> Response:
    """Put a kept motif into a brush."""
    kept = store.look(body.motif)

    def edit(doc: BrushDoc) -> tuple[BrushDoc, str]:
        return with_new_artwork(doc, body.course, body.place, kept.motif), f"Use {kept.name}"

    return shown(brushes.change(path.brush_id, body.version, edit, keep_runs=body.keep_runs))


def _listed(motif_id: str, kept: KeptMotifDoc) -> dict[str, Any]:
    motif = kept.motif
    return {
        "id": motif_id,
        "name": kept.name,
        "what": kept.what,
        "length": motif.length,
        "width": motif.width,
        "key": content_key(kept.model_dump(mode="json")),
    }
