"""The Bench: a brush looked at, tried, changed; and the families that it can be made of."""

from __future__ import annotations

from functools import lru_cache

from flask import Response

from curlet.core.measures import Scale
from curlet.core.motif.families import FAMILIES, Family, Spec
from curlet.formats.artwork_sheet import artwork_sheet
from curlet.formats.brush_file import BrushDoc
from curlet.formats.svg_out import write_svg
from curlet.store import bench as store
from curlet.store.edits.artwork_places import artwork_at, with_new_artwork
from curlet.studio import imports
from curlet.web.asking import gone
from curlet.web.bench_frames import bench_frame
from curlet.web.bench_schemas import (
    ArtworkFile,
    ArtworkQuery,
    BenchFrame,
    BenchShown,
    EditDone,
    FamilyList,
    GoBack,
    Trial,
    VersionNumber,
)
from curlet.web.replies import Replies, file_of, file_reply, frame_reply, json_reply
from curlet.web.routes import Routes
from curlet.web.schemas import BrushUrl, Problem, Removed, Restored

bench = Routes("bench", __name__, url_prefix="/api")

_REPLIES: Replies = {200: BenchShown, 404: Problem, 409: Problem, 422: Problem}


@bench.get("/families", responses={200: FamilyList})
def families() -> Response:
    """Every motif family, with its settings."""
    return json_reply({"families": _families()})


@lru_cache(maxsize=1)
def _families() -> list[dict[str, object]]:
    return [_family(name, family) for name, family in FAMILIES.items()]


def _family(name: str, family: type[Family]) -> dict[str, object]:
    about, specs = family.about, family.specs()
    places = [place for key in ("side", "place") if key in specs for place in specs[key].choices]
    return {
        "id": name,
        "name": about.name,
        "kind": about.kind,
        "trade": about.trade,
        "source": about.source,
        "usual": about.usual,
        "piece": about.piece,
        "places": places,
        "settings": [_setting(key, spec) for key, spec in specs.items()],
    }


def _setting(name: str, spec: Spec) -> dict[str, object]:
    bounds = spec.bounds
    return {
        "name": name,
        "label": spec.label,
        "form": spec.form,
        "low": bounds.low if bounds else None,
        "high": bounds.high if bounds else None,
        "unit": bounds.unit if bounds else "",
        "usual": bounds.hint if bounds else "",
        "choices": spec.choices,
    }


@bench.post("/bench/trial", responses={200: BenchFrame, 413: Problem, 422: Problem})
def trial(body: Trial) -> Response:
    """What a brush looks like, with an edit tried on it; nothing is kept."""
    doc = body.edit.apply(body.doc)[0] if body.edit else body.doc
    return frame_reply(bench_frame(doc, body.course, Scale.read(body.scale), body.drawing))


@bench.get("/brushes/<brush_id>", responses=_REPLIES)
def brush(path: BrushUrl) -> Response:
    """A brush with its versions."""
    return shown(store.look(path.brush_id))


@bench.post("/brushes/<brush_id>/edits", responses=_REPLIES)
def change(path: BrushUrl, body: EditDone) -> Response:
    """Do one thing to a brush."""
    edit = body.edit.apply
    return shown(store.change(path.brush_id, body.version, edit, keep_runs=body.keep_runs))


@bench.post("/brushes/<brush_id>/artwork", responses={413: Problem, **_REPLIES})
def take_artwork(path: BrushUrl, form: ArtworkFile) -> Response:
    """Import an SVG drawing as a course's repeat, or as the piece at a place."""
    motif, notes = imports.artwork(form.file.stream.read(), form.turn, gone())
    name = (form.file.filename or "a drawing").replace("\\", "/").rsplit("/", 1)[-1][:60]

    def edit(doc: BrushDoc) -> tuple[BrushDoc, str]:
        return with_new_artwork(doc, form.course, form.place, motif), f"Import {name}"

    return shown(store.change(path.brush_id, form.version, edit, keep_runs=form.keep_runs), notes)


@bench.get("/brushes/<brush_id>/artwork.svg", responses={200: file_of("image/svg+xml")})
def export_artwork(path: BrushUrl, query: ArtworkQuery) -> Response:
    """The artwork at a place as an SVG drawing at its true size, to be changed and imported again."""
    doc = store.look(path.brush_id).doc
    art = artwork_at(doc, query.course, query.place)
    data = write_svg(artwork_sheet(art, doc.threads, doc.name))
    return file_reply(data, "image/svg+xml", f"{doc.name}, {query.place.replace('_', ' ')}.svg")


@bench.post("/brushes/<brush_id>/undo", responses=_REPLIES)
def undo(path: BrushUrl, body: VersionNumber) -> Response:
    """Take back the last version."""
    return shown(store.undo(path.brush_id, body.version))


@bench.post("/brushes/<brush_id>/redo", responses=_REPLIES)
def redo(path: BrushUrl, body: VersionNumber) -> Response:
    """Do the last undone version again."""
    return shown(store.redo(path.brush_id, body.version))


@bench.post("/brushes/<brush_id>/go-back", responses=_REPLIES)
def go_back(path: BrushUrl, body: GoBack) -> Response:
    """Go back to an earlier version; those since then stay in the list."""
    return shown(store.go_back(path.brush_id, body.version, body.number))


@bench.delete("/brushes/<brush_id>", responses={200: Removed, 404: Problem, 409: Problem, 422: Problem})
def remove(path: BrushUrl) -> Response:
    """Remove a brush from the Library."""
    store.remove(path.brush_id)
    return json_reply({"id": path.brush_id})


@bench.post("/brushes/<brush_id>/restore", responses={200: Restored, 404: Problem})
def restore(path: BrushUrl) -> Response:
    """Put a brush back that was removed from the Library."""
    store.restore(path.brush_id)
    return json_reply({"id": path.brush_id})


def shown(now: store.Bench, notes: tuple[str, ...] = ()) -> Response:
    """A brush with its versions, as a reply."""
    return json_reply(
        {
            "id": now.id,
            "doc": now.doc.model_dump(mode="json"),
            "builtin": now.builtin,
            "version": now.version,
            "used_by": now.used_by,
            "coloured": now.doc.to_core().coloured,
            "versions": now.versions,
            "undo": now.undo,
            "redo": now.redo,
            "notes": notes,
        }
    )
