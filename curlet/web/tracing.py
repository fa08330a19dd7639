"""Pictures: imported, traced aside, and put on the Bench as shapes or as they are."""

from __future__ import annotations

import hashlib
import threading
from collections import OrderedDict
from typing import Annotated, Any

from flask import Response
from pydantic import BaseModel, Field

from curlet.core.dress.colour import dress
from curlet.core.errors import BadInput
from curlet.core.measures import Scale
from curlet.core.motif.families import Artwork
from curlet.core.motif.pieces import fitted
from curlet.core.motif.tracing import Traced, prepared
from curlet.formats.artwork_in import artwork_doc
from curlet.formats.brush_file import BrushDoc
from curlet.formats.brush_motifs import ArtworkDoc, PictureDoc
from curlet.formats.pictures import ImportedPicture, picture_motif
from curlet.formats.screen import shape_json
from curlet.store import bench as store
from curlet.store.edits.artwork_places import AnyPlace, with_new_artwork
from curlet.store.errors import Missing
from curlet.studio import imports
from curlet.studio.jobs import Jobs
from curlet.studio.trace_settings import TraceSettings
from curlet.web.asking import gone
from curlet.web.bench import shown
from curlet.web.bench_schemas import BenchShown
from curlet.web.drawing_schemas import PlainShape
from curlet.web.replies import Replies, json_reply
from curlet.web.routes import Routes
from curlet.web.schemas import BrushUrl, Counter, Problem, Upload

tracing = Routes("tracing", __name__, url_prefix="/api")

MAX_PICTURES = 6
_REPLIES: Replies = {404: Problem, 413: Problem, 422: Problem}
_jobs = Jobs("This tracing is no longer kept. Change a setting to trace again.")


class PictureFile(BaseModel):
    """A PNG, JPEG or WebP picture."""

    file: Upload


class PictureImported(BaseModel):
    """A picture that is kept while it is worked on; `length` in mm if it states its resolution."""

    id: str
    columns: int
    rows: int
    length: float | None
    smaller: bool


class TracingAsked(BaseModel):
    picture: str
    asked: TraceSettings


class TracingStarted(BaseModel):
    id: str


class TracingUrl(BaseModel):
    tracing_id: str


class TracedShown(BaseModel):
    """What came of it: drawn within `length` × `width` mm, `kept` of the areas `found`; `limited` where the
    outline was to be truer than the picture's pixels are."""

    shapes: list[PlainShape]
    length: float
    width: float
    found: int
    kept: int
    points: int
    pixel: float
    limited: bool


class TracingShown(BaseModel):
    """How far a tracing is; `traced` once it is done and was not stopped."""

    share: float
    doing: str
    done: bool
    traced: TracedShown | None


class UseTracing(BaseModel):
    """Put what was traced on the Bench, at a course's repeat or another place of it."""

    version: Counter
    tracing: str
    course: Annotated[int, Field(ge=0, lt=16)] = 0
    place: AnyPlace = "repeat"
    keep_runs: bool = False


class UsePicture(BaseModel):
    """Put the picture itself on the Bench: cropped, lightened and as long as is asked."""

    version: Counter
    picture: str
    asked: TraceSettings
    course: Annotated[int, Field(ge=0, lt=16)] = 0
    place: AnyPlace = "repeat"
    keep_runs: bool = False


class _Pictures:
    """The newest few pictures, by the hash of their files."""

    def __init__(self) -> None:
        self._kept: OrderedDict[str, ImportedPicture] = OrderedDict()
        self._lock = threading.Lock()

    def keep(self, data: bytes) -> tuple[str, ImportedPicture]:
        key = hashlib.sha256(data).hexdigest()[:32]
        picture = imports.picture(data, gone())
        with self._lock:
            self._kept[key] = picture
            self._kept.move_to_end(key)
            while len(self._kept) > MAX_PICTURES:
                self._kept.popitem(last=False)
        return key, picture

    def look(self, key: str) -> ImportedPicture:
        with self._lock:
            picture = self._kept.get(key)
        if picture is None:
            raise Missing("This picture is no longer kept. Import it again.")
        return picture


_pictures = _Pictures()


@tracing.post("/pictures", responses={200: PictureImported, **_REPLIES})
def take_picture(form: PictureFile) -> Response:
    """Import a picture to be worked on."""
    key, picture = _pictures.keep(form.file.stream.read())
    return json_reply(
        {
            "id": key,
            "columns": picture.columns,
            "rows": picture.rows,
            "length": picture.length,
            "smaller": picture.smaller,
        }
    )


@tracing.post("/tracings", responses={200: TracingStarted, **_REPLIES})
def start(body: TracingAsked) -> Response:
    """Begin to trace a picture."""
    picture, rule = _pictures.look(body.picture), body.asked.to_core()
    rule.check()
    return json_reply({"id": _jobs.start(lambda progress: imports.tracing(picture.pixels, rule, progress))})


@tracing.get("/tracings/<tracing_id>", responses={200: TracingShown, **_REPLIES})
def look(path: TracingUrl) -> Response:
    """How far a tracing is, and what came of it."""
    job = _jobs.look(path.tracing_id)
    if job.done and job.error:
        raise job.error
    traced = _traced(job.result) if job.done and job.result else None
    return json_reply({"share": job.share, "doing": job.doing, "done": job.done, "traced": traced})


@tracing.delete("/tracings/<tracing_id>", responses={200: TracingStarted, **_REPLIES})
def stop(path: TracingUrl) -> Response:
    """Stop a tracing."""
    _jobs.stop(path.tracing_id)
    return json_reply({"id": path.tracing_id})


@tracing.post("/brushes/<brush_id>/traced", responses={200: BenchShown, 409: Problem, **_REPLIES})
def use_tracing(path: BrushUrl, body: UseTracing) -> Response:
    """Put what was traced on the Bench."""
    job = _jobs.look(body.tracing)
    if not job.done or not job.result:
        raise BadInput("This tracing is not done. Wait until it is.")
    art = artwork_doc(fitted(Artwork(job.result.shapes, job.result.length, job.result.width)))
    return _put(path.brush_id, body, art, "Trace a picture")


@tracing.post("/brushes/<brush_id>/picture", responses={200: BenchShown, 409: Problem, **_REPLIES})
def use_picture(path: BrushUrl, body: UsePicture) -> Response:
    """Put a picture on the Bench as it is: it stays rigid, and is exported at its pixels."""
    picture, rule = _pictures.look(body.picture), body.asked.to_core()
    rule.check()
    motif = picture_motif(prepared(picture.pixels, rule), rule.length)
    return _put(path.brush_id, body, motif, "Import a picture")


def _put(brush: str, body: UseTracing | UsePicture, motif: ArtworkDoc | PictureDoc, label: str) -> Response:
    def edit(doc: BrushDoc) -> tuple[BrushDoc, str]:
        return with_new_artwork(doc, body.course, body.place, motif), label

    return shown(store.change(brush, body.version, edit, keep_runs=body.keep_runs))


def _traced(traced: Traced) -> dict[str, Any]:
    art = Artwork(traced.shapes, 1.0, 1.0)
    shapes = dress(art.make(Scale()).shapes, ("#1f2a44",))
    return {
        "shapes": [shape_json(shape) for shape in shapes],
        "length": traced.length,
        "width": traced.width,
        "found": traced.found,
        "kept": len(traced.shapes),
        "points": int(sum(len(shape.outline.points) for shape in shapes)),
        "pixel": round(traced.pixel, 6),
        "limited": traced.limited,
    }
