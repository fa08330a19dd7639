"""The Table: sheets, their frames, commands, previews, undo."""

from __future__ import annotations

from collections.abc import Callable

from flask import Response

from curlet.core.dress.cloth import WEAVES
from curlet.core.errors import BadInput
from curlet.core.lay.by_hand import repeat_at
from curlet.core.measures import place_entered
from curlet.core.motif.tracing import Stopped
from curlet.core.path.figures import FIGURES
from curlet.formats.clip_doc import ClipDoc
from curlet.formats.mark_doc import MarkDoc
from curlet.formats.run_places import RepeatDoc
from curlet.store import journal
from curlet.store.commands.clip import copied
from curlet.store.commands.looks import TakenLook, take_up
from curlet.store.laying import lay_row
from curlet.store.runs import run_places
from curlet.store.similar import find_similar
from curlet.store.state import State
from curlet.studio import sheets as service
from curlet.studio.under_way import UnderWay
from curlet.web.frames import figure_setting, preview_frame
from curlet.web.problems import cannot_show
from curlet.web.replies import Replies, frame_reply, json_reply
from curlet.web.routes import Routes
from curlet.web.run_frames import repeat_json
from curlet.web.run_schemas import FigureList, OneRepeatShown
from curlet.web.schemas import (
    ClipPaths,
    Command,
    PlaceQuery,
    Problem,
    RepeatQuery,
    Revision,
    RunUrl,
    SheetUrl,
    Similar,
    SimilarQuery,
    Spot,
    TapeAsked,
)
from curlet.web.sheet_frames import measured_json
from curlet.web.sheet_schemas import (
    ChangedFrame,
    MeasureShown,
    PreviewFrame,
    SheetFrame,
    TapeFrame,
    WeaveList,
)
from curlet.web.shown import changed, whole
from curlet.web.tape_frames import tape_frame
from curlet.web.watched import watched

table = Routes("table", __name__, url_prefix="/api")

_CHANGED: Replies = {200: ChangedFrame, 409: Problem, 422: Problem}


@table.get("/figures", responses={200: FigureList})
def figures() -> Response:
    """Every figure that can be drawn by number, with the numbers it begins with, lengths on the garment."""
    return json_reply(
        {
            "figures": [
                {
                    "id": key,
                    "name": f.name,
                    "settings": [figure_setting(s, s.default, 1.0) for s in f.settings],
                }
                for key, f in FIGURES.items()
            ]
        }
    )


@table.get("/sheets/<sheet_id>", responses={200: SheetFrame, 404: Problem, 409: Problem})
def sheet(path: SheetUrl) -> Response:
    """A sheet with its runs as laid. Where it cannot be shown the problem says what undo would take back."""
    with watched() as work:
        return _shown(journal.find_sheet(path.sheet_id), lambda state: whole(state, work))


@table.get("/sheets/<sheet_id>/similar", responses={200: Similar, 422: Problem})
def alike(path: SheetUrl, query: SimilarQuery) -> Response:
    """The paths that are like one: of its group, mark, line, brush or length."""
    state = journal.find_sheet(path.sheet_id)
    return json_reply({"paths": find_similar(state, query.path, query.by, query.within)})


@table.post("/sheets/<sheet_id>/clip", responses={200: ClipDoc, 404: Problem, 422: Problem})
def clip(path: SheetUrl, body: ClipPaths) -> Response:
    """Paths with their runs as they are, to be pasted here or on another sheet."""
    return json_reply(copied(journal.find_sheet(path.sheet_id), body.paths).model_dump(mode="json"))


@table.get("/sheets/<sheet_id>/runs/<run_id>/look", responses={200: TakenLook, 404: Problem})
def look(path: RunUrl) -> Response:
    """A run's look, taken up to be given to other paths, here or on another sheet."""
    return json_reply(take_up(journal.find_sheet(path.sheet_id), path.run_id).model_dump(mode="json"))


@table.get(
    "/sheets/<sheet_id>/runs/<run_id>/repeat", responses={200: OneRepeatShown, 404: Problem, 422: Problem}
)
def repeat(path: RunUrl, query: RepeatQuery) -> Response:
    """The repeat of a run's main row at a place on its Tape, with what is said of it by hand."""
    state = journal.find_sheet(path.sheet_id)
    laid, _ = lay_row(state, state.get("run", path.run_id))
    factor = state.scale.factor
    found = repeat_at(laid.main, query.at * factor) if laid.main else None
    if found is None:
        raise BadInput("This run has no repeats here. Choose a run of stitches, links or motifs.")
    (course, node, number), s = found
    none = RepeatDoc(course=course, node=node, number=number)
    places = run_places(state, path.run_id)
    said = {one.key: one for one in places.repeats}
    return json_reply(repeat_json(said.get(none.key, none), places, s, factor))


@table.get("/sheets/<sheet_id>/place", responses={200: Spot, 422: Problem})
def place(path: SheetUrl, query: PlaceQuery) -> Response:
    """Where a place on the sheet is that was entered."""
    x, y = place_entered(journal.find_sheet(path.sheet_id).scale, **query.model_dump())
    return json_reply({"x": x, "y": y})


@table.post("/sheets/<sheet_id>/measure", responses={200: MeasureShown, 404: Problem, 422: Problem})
def measure(path: SheetUrl, body: MarkDoc) -> Response:
    """What lies between places on the sheet."""
    return json_reply(measured_json(journal.find_sheet(path.sheet_id), body))


@table.get("/weaves", responses={200: WeaveList})
def weaves() -> Response:
    """Every weave, with its usual counts and colours."""
    keys = ("name", "ends", "picks", "warp", "weft", "threads", "counts")
    found = [{"id": name, **{key: getattr(weave, key) for key in keys}} for name, weave in WEAVES.items()]
    return json_reply({"weaves": found})


@table.post("/sheets/<sheet_id>/commands", responses=_CHANGED)
def command(path: SheetUrl, body: Command) -> Response:
    """Do one thing, as one undoable step."""
    with watched() as work, service.doing(path.sheet_id, body.revision, body.intent, work) as state:
        return changed(state, body.revision, work=work)


@table.post("/sheets/<sheet_id>/preview", responses={**_CHANGED, 200: PreviewFrame})
def preview(path: SheetUrl, body: Command) -> Response:
    """What a thing would look like if it were done; nothing is kept."""
    return frame_reply(preview_frame(service.attempt(path.sheet_id, body.revision, body.intent)))


@table.post("/sheets/<sheet_id>/tape", responses={200: TapeFrame, 404: Problem, 409: Problem, 422: Problem})
def tape(path: SheetUrl, body: TapeAsked) -> Response:
    """A run's artwork along a straight line, x mm along the run, as it is or with what is being tried."""
    if body.intent is None:
        state = journal.find_sheet(path.sheet_id)
    else:
        state = service.attempt(path.sheet_id, body.revision, body.intent)
    return frame_reply(tape_frame(state, body.run, body.low, body.high))


@table.post("/sheets/<sheet_id>/undo", responses=_CHANGED)
def undo(path: SheetUrl, body: Revision) -> Response:
    """Take back the last step."""
    return _replayed(service.undo, path.sheet_id, body.revision)


@table.post("/sheets/<sheet_id>/redo", responses=_CHANGED)
def redo(path: SheetUrl, body: Revision) -> Response:
    """Do the last undone step again."""
    return _replayed(service.redo, path.sheet_id, body.revision)


def _replayed(step: Callable[[str, int, UnderWay], State], sheet_id: str, revision: int) -> Response:
    with watched() as work:
        return _shown(step(sheet_id, revision, work), lambda state: changed(state, revision))


def _shown(state: State, show: Callable[[State], Response]) -> Response:
    """A sheet that is kept as it is, whether or not it can be shown."""
    try:
        return show(state)
    except Stopped:
        raise
    except Exception as error:
        return cannot_show(error, state.sheet["revision"], journal.undo_labels(state.sheet["id"])[0])
