"""The Library: every brush across all sheets; brush files imported and exported."""

from __future__ import annotations

import io
import zipfile

from flask import Response

from curlet.core.errors import BadInput
from curlet.core.measures import Scale
from curlet.formats.brush_pack import write_brush
from curlet.formats.content import content_key
from curlet.formats.file_names import file_name
from curlet.formats.kept_motif import brush_of_motif
from curlet.formats.names import ended
from curlet.store import bench as store
from curlet.store import library as kept
from curlet.store import motifs
from curlet.store.edits.recipes import brush_of, empty_brush
from curlet.studio import imports
from curlet.web.asking import gone
from curlet.web.bench import shown
from curlet.web.bench_schemas import (
    BenchShown,
    BrushList,
    ExportBrushesQuery,
    FamilyUrl,
    GivenFiles,
    ImportedBrushes,
    NewBrush,
)
from curlet.web.replies import Replies, file_of, file_reply, json_reply
from curlet.web.routes import Routes
from curlet.web.schemas import Problem, StripQuery
from curlet.web.strips import strip

library = Routes("library", __name__, url_prefix="/api")

_REPLIES: Replies = {404: Problem, 413: Problem, 422: Problem}
MAX_FILES = 200


@library.get("/brushes", responses={200: BrushList})
def brushes() -> Response:
    """Every brush, in the Library's order."""
    return json_reply(
        {
            "brushes": [
                {
                    "id": row["id"],
                    "name": row["doc"]["name"],
                    "kind": row["doc"]["kind"],
                    "builtin": row["builtin"],
                    "look": bool(row["doc"].get("look")),
                    "used_by": row["used_by"],
                    "key": content_key(row["doc"]),
                }
                for row in store.everything()
            ]
        }
    )


@library.post("/brushes", responses={200: BenchShown, **_REPLIES})
def new_brush(body: NewBrush) -> Response:
    """A new brush in the Library."""
    if body.copy_of is not None:
        doc = store.look(body.copy_of).doc
        return shown(store.add(doc.model_copy(update={"name": ended(doc.name, " (copy)")})))
    if body.motif is not None:
        return shown(store.add(brush_of_motif(motifs.look(body.motif))))
    if body.empty is not None:
        return shown(store.add(empty_brush(body.empty)))
    if body.family is None:
        raise BadInput("Say which family or motif the new brush is of, or which brush it is a copy of.")
    return shown(store.add(brush_of(body.family)))


@library.get("/families/<family>/strip.svg", responses={200: file_of("image/svg+xml"), **_REPLIES})
def family_strip(path: FamilyUrl, query: StripQuery) -> Response:
    """A family drawn straight, as a new brush of it would be."""
    return strip(brush_of(path.family).to_core(), Scale(), query)


@library.get("/brush-files", responses={200: file_of("application/json", "application/zip")})
def export(query: ExportBrushesQuery) -> Response:
    """One brush as a file, or several packed in one."""
    docs = [store.look(brush_id).doc for brush_id in query.ids.split(",") if brush_id]
    if not docs:
        raise BadInput("Choose the brushes to export.")
    if len(docs) == 1:
        return file_reply(write_brush(docs[0]), "application/json", f"{docs[0].name}.curlet-brush.json")
    packed = io.BytesIO()
    with zipfile.ZipFile(packed, "w", zipfile.ZIP_DEFLATED) as pack:
        for number, doc in enumerate(docs, 1):
            pack.writestr(f"{number:03d} {file_name(doc.name)}.curlet-brush.json", write_brush(doc))
    return file_reply(packed.getvalue(), "application/zip", "Curlet brushes.zip")


@library.post("/brush-files", responses={200: ImportedBrushes, **_REPLIES})
def import_files(form: GivenFiles) -> Response:
    """Import brush files, and packs of them. Either all are taken or none."""
    if len(form.files) > MAX_FILES:
        raise BadInput(f"{MAX_FILES} files are the most at once. Import them a few at a time.")
    files = [(file.filename or "file", file.stream.read()) for file in form.files]
    return json_reply({"taken": kept.import_brushes(imports.brushes(files, gone()), replace=form.replace)})
