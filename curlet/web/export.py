"""Export: the sheet or its runs as SVG and PNG."""

from __future__ import annotations

from dataclasses import asdict, replace

import orjson
from flask import Response
from pydantic import BaseModel

from curlet.core.drawing import Drawing
from curlet.core.errors import BadInput
from curlet.formats.choices import OutputName
from curlet.formats.numbers import number
from curlet.formats.outline_file import OUTLINES, OutlineDoc, OutlineFacts, OutlineName
from curlet.formats.outputs import OUTPUTS
from curlet.formats.png_out import place_of
from curlet.formats.several import ZIP_TYPE
from curlet.store import journal
from curlet.store.state import State
from curlet.studio import exports, looked_at
from curlet.studio.export_facts import facts_of, per_mm
from curlet.studio.exported import drawings
from curlet.studio.under_way import UnderWay
from curlet.web.export_schemas import (
    ExportFacts,
    ExportQuery,
    FactsQuery,
    FilePlace,
    OutlineQuery,
    PixelsQuery,
)
from curlet.web.replies import Replies, file_of, file_reply, json_reply
from curlet.web.routes import Routes
from curlet.web.schemas import Problem, SheetUrl
from curlet.web.sheet_frames import number_text
from curlet.web.watched import watched

export = Routes("export", __name__, url_prefix="/api")

_FILES = file_of(*(output.type for output in OUTPUTS.values()), ZIP_TYPE)
_PNG = file_of("image/png")
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
        state = journal.find_sheet(path.sheet_id)
        found, settings = _drawings(path.sheet_id, query, work, form=path.form), query.settings(state.scale)
        # Colourways belong to their own sheet.
        asked = replace(query.exported, colourway=None)
        for other in _others(state, query):
            found += drawings(other, asked, per_mm(path.form, settings), work)
        made = exports.export(state.sheet["name"], found, path.form, settings, work)
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
    state = journal.find_sheet(path.sheet_id)
    settings = query.settings(state.scale)
    _others(state, query)
    with watched() as work:
        found = facts_of(state, query.exported, query.form, settings, work)
    entered = {
        # As it can be entered again: no commas.
        "ppi": number(settings.ppi),
        "quality": f"{number(settings.quality)} %",
        "overlap": number_text(settings.overlap, "length", 1.0),
        "margin": number_text(query.around, "length", 1.0),
    }
    return json_reply({**asdict(found), "entered": entered})


@export.get("/sheets/<sheet_id>/pixels.png", responses={200: _PNG, **_REPLIES})
def pixels(path: SheetUrl, query: PixelsQuery) -> Response:
    """A part of the picture, pixel for pixel as it will be in the file."""
    state = journal.find_sheet(path.sheet_id)
    with watched() as work:
        settings = query.settings(state.scale)
        png = looked_at.pixels_of(state, query.exported, query.form, settings, query.window, work)
    return Response(png, content_type="image/png", headers={"Cache-Control": "no-store"})


def _outlined(sheet_id: str, query: OutlineQuery, work: UnderWay) -> tuple[Drawing, OutlineDoc]:
    doc = query.doc(journal.find_sheet(sheet_id).scale)
    return _drawings(sheet_id, query, work)[0], doc


def _drawings(sheet_id: str, query: ExportQuery, work: UnderWay, *, form: str = "svg") -> list[Drawing]:
    state = journal.find_sheet(sheet_id)
    return drawings(state, query.exported, per_mm(form, query.settings(state.scale)), work)


def _others(state: State, query: ExportQuery) -> list[State]:
    """The sheets that are exported after one; BadInput where they cannot be in one file with it."""
    others = [journal.find_sheet(each) for each in query.others if each != state.sheet["id"]]
    if query.size == "garment" and any(other.scale != state.scale for other in others):
        raise BadInput(
            "These sheets are not to one scale, so that one file cannot be as large as all their garments. "
            "Export them one by one, or as large as on the sheet."
        )
    return others
