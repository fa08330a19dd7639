"""Export: the sheet or its runs as SVG and PNG."""

from __future__ import annotations

from collections import defaultdict

import orjson
from flask import Response
from pydantic import BaseModel

from curlet.core.drawing import Drawing
from curlet.core.errors import CurletError
from curlet.core.measures import MM_PER_INCH
from curlet.core.tally import too_fine
from curlet.formats.choices import OutputName
from curlet.formats.outline_file import OUTLINES, OutlineDoc, OutlineFacts, OutlineName
from curlet.formats.outputs import OUTPUTS
from curlet.formats.png_out import pixels, place_of
from curlet.formats.several import ZIP_TYPE
from curlet.store import journal
from curlet.store.laying import lay_row
from curlet.studio import exports
from curlet.studio.exported import drawings, exported_runs
from curlet.studio.under_way import UnderWay
from curlet.web.export_schemas import ExportFacts, ExportQuery, FactsQuery, FilePlace, OutlineQuery
from curlet.web.replies import Replies, file_of, file_reply, json_reply
from curlet.web.routes import Routes
from curlet.web.schemas import Problem, SheetUrl
from curlet.web.sheet_frames import number_text
from curlet.web.watched import watched

export = Routes("export", __name__, url_prefix="/api")

# As many paths are named where a note is true of more.
NAMED = 3
_FILES = file_of(*(output.type for output in OUTPUTS.values()), ZIP_TYPE)
_OUTLINES = file_of(*(file.type for file in OUTLINES.values()))
_REPLIES: Replies = {404: Problem, 409: Problem, 413: Problem, 422: Problem}


class OutputUrl(SheetUrl):
    form: OutputName


class OutlineUrl(SheetUrl):
    form: OutlineName


class OutlineNumbers(BaseModel):
    """Lengths on the garment, and an area on the sheet, with their units."""

    gaps: str
    grow: str
    within: str
    least: str


class OutlineShown(OutlineFacts):
    """An outline, and how many times larger than on the sheet it is written."""

    larger: float


@export.get("/sheets/<sheet_id>/export.<form>", responses={200: _FILES, **_REPLIES})
def file(path: OutputUrl, query: ExportQuery) -> Response:
    """A file of the sheet, in mm; runs are groups with ids and titles, pixels at the asked resolution.
    Several files are in a zip."""
    with watched() as work:
        found = _drawings(path.sheet_id, query, work, form=path.form)
        title = journal.find_sheet(path.sheet_id).sheet["name"]
        made = exports.export(title, found, path.form, query.settings, work)
    return file_reply(made.data, made.type, made.name)


@export.get("/sheets/<sheet_id>/place.json", responses={200: FilePlace, **_REPLIES})
def place(path: SheetUrl, query: FactsQuery) -> Response:
    """Where on its sheet a trimmed file lies, as a file to be kept beside it."""
    with watched() as work:
        drawing = _drawings(path.sheet_id, query, work, form=query.form)[0]
    sheet = journal.find_sheet(path.sheet_id).sheet
    of_sheet = {"sheet": sheet["name"], "sheet_width": sheet["width"], "sheet_height": sheet["height"]}
    data = orjson.dumps({**of_sheet, **place_of(drawing), "unit": "mm"}, option=orjson.OPT_INDENT_2)
    return file_reply(data, "application/json", f"{drawing.title}, place.json")


@export.get("/sheets/<sheet_id>/outline.<form>", responses={200: _OUTLINES, **_REPLIES})
def outline(path: OutlineUrl, query: OutlineQuery) -> Response:
    """The clean outline of the sheet, or of a part of it, for a cutter: closed contours in mm."""
    with watched() as work:
        drawing, doc = _outlined(path.sheet_id, query, work)
        data = exports.outline(drawing, path.form, doc, work)
    return file_reply(data, OUTLINES[path.form].type, f"{drawing.title}, outline.{path.form}")


@export.get("/sheets/<sheet_id>/outline.json", responses={200: OutlineShown, **_REPLIES})
def outline_shown(path: SheetUrl, query: OutlineQuery) -> Response:
    """What the outline would have, and how it looks."""
    with watched() as work:
        drawing, doc = _outlined(path.sheet_id, query, work)
        found = exports.facts_of_outline(drawing, doc, work)
    return json_reply({**found.model_dump(), "larger": doc.larger})


@export.get("/sheets/<sheet_id>/outline-numbers", responses={200: OutlineNumbers, **_REPLIES})
def outline_numbers(path: SheetUrl, query: OutlineQuery) -> Response:
    """The numbers of an outline as they are read, once each is within its bounds."""
    scale = journal.find_sheet(path.sheet_id).scale
    doc = query.doc(scale)
    lengths = {"gaps": doc.clean.gaps, "grow": doc.clean.grow, "within": doc.within}
    entered = {name: number_text(value, "length", scale.factor) for name, value in lengths.items()}
    return json_reply({**entered, "least": f"{doc.clean.least:g} mm²"})


@export.get("/sheets/<sheet_id>/export.json", responses={200: ExportFacts, **_REPLIES})
def facts(path: SheetUrl, query: FactsQuery) -> Response:
    """How large it comes out, and what will be too fine to print."""
    ppi = query.settings.ppi
    state = journal.find_sheet(path.sheet_id)
    sheet = state.sheet
    shown = exported_runs(state, query.exported)
    fine, left_out = _Notes(), _Notes()
    for run in shown:
        name = state.get("path", run["path"])["name"]
        try:
            laid, _ = lay_row(state, run)
        except CurletError as error:
            left_out.add(name, str(error))
            continue
        if OUTPUTS[query.form].pixels:
            for note in too_fine(laid, ppi):
                fine.add(name, note)
    lies = {"left": 0.0, "top": 0.0, "width": sheet["width"], "height": sheet["height"]}
    if query.trimmed:
        with watched() as work:
            lies |= place_of(_drawings(path.sheet_id, query, work, form=query.form)[0])
    return json_reply(
        {
            **{f"{side}_mm": lies[side] for side in ("left", "top", "width", "height")},
            "width_px": pixels(lies["width"], ppi),
            "height_px": pixels(lies["height"], ppi),
            "ppi": ppi,
            "margin": number_text(query.around, "length", 1.0),
            "runs": len(shown),
            "fine": fine.told(),
            "left_out": left_out.told(),
        }
    )


class _Notes:
    """What is said of paths: alike notes once, with the names of the first paths."""

    def __init__(self) -> None:
        self._names: dict[str, list[str]] = defaultdict(list)

    def add(self, name: str, note: str) -> None:
        if name not in self._names[note]:
            self._names[note].append(name)

    def told(self) -> list[str]:
        return [f"{_some(names)}: {note}" for note, names in self._names.items()]


def _some(names: list[str]) -> str:
    """A few names, and how many more there are.

    >>> _some(["Yoke", "Hem", "Pocket", "Cuff", "Collar"])
    'Yoke, Hem, Pocket and 2 more'
    """
    if len(names) <= NAMED + 1:
        return ", ".join(names)
    return f"{', '.join(names[:NAMED])} and {len(names) - NAMED} more"


def _outlined(sheet_id: str, query: OutlineQuery, work: UnderWay) -> tuple[Drawing, OutlineDoc]:
    doc = query.doc(journal.find_sheet(sheet_id).scale)
    return _drawings(sheet_id, query, work)[0], doc


def _drawings(sheet_id: str, query: ExportQuery, work: UnderWay, *, form: str = "svg") -> list[Drawing]:
    per_mm = query.settings.ppi / MM_PER_INCH if OUTPUTS[form].pixels else None
    return drawings(journal.find_sheet(sheet_id), query.exported, per_mm, work)
