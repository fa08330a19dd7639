"""The schedule: on the page, as CSV and as PDF."""

from __future__ import annotations

from typing import Annotated, Literal

from flask import Response
from pydantic import BaseModel, Field

from curlet.core.measures import read_measure
from curlet.core.tally.consumed import Allowances
from curlet.formats.choices import ScheduleBy, SheetOfPaperName
from curlet.formats.schedule_csv import CSV_TYPE, write_csv
from curlet.formats.schedule_table import KINDS, Line, Table, is_number, table_of, told
from curlet.store import journal
from curlet.store.state import State
from curlet.studio import exports
from curlet.studio.schedule import Schedule, notes_of, schedule_of
from curlet.studio.work_page import work_page
from curlet.web.replies import Replies, file_of, file_reply, json_reply
from curlet.web.routes import Routes
from curlet.web.schemas import Problem, SheetUrl
from curlet.web.sheet_frames import number_text
from curlet.web.watched import watched

schedule = Routes("schedule", __name__, url_prefix="/api")

_REPLIES: Replies = {404: Problem, 409: Problem, 422: Problem}
Entered = Annotated[str, Field(max_length=64)]


class ScheduleQuery(BaseModel):
    """Allowances as they are entered: thread in %, and trim at each cut end."""

    waste: Entered = "15 %"
    ends: Entered = "15 mm"

    @property
    def allowances(self) -> Allowances:
        waste, ends = read_measure(self.waste, accepts=("%", "")), read_measure(self.ends)
        return Allowances(waste.value, ends.value)


class CsvQuery(ScheduleQuery):
    by: ScheduleBy = "run"


class PdfQuery(ScheduleQuery):
    paper: SheetOfPaperName = "a4"


class ColumnShown(BaseModel):
    key: str
    heading: str
    number: bool


class LineShown(BaseModel):
    """A line's cells as they are told, and as they are sorted by; the paths that it is about."""

    texts: list[str]
    values: list[float | str | None]
    paths: list[str]


class TableShown(BaseModel):
    by: str
    name: str
    columns: list[ColumnShown]
    lines: list[LineShown]
    sums: LineShown


class ScheduleShown(BaseModel):
    """The schedule in all ways; the allowances as they can be entered again; what is to be known of it."""

    sheet: str
    unit: Literal["mm", "in"]
    tables: list[TableShown]
    entered: dict[str, str]
    notes: list[str]


@schedule.get("/sheets/<sheet_id>/schedule.json", responses={200: ScheduleShown, **_REPLIES})
def shown(path: SheetUrl, query: ScheduleQuery) -> Response:
    """What every run comes to, by run, seam group, brush and shade."""
    state, found = _found(path.sheet_id, query)
    paths = {seam.run: seam.path for seam in found.seams}
    unit = state.sheet["unit"]
    tables = [
        {"by": kind, "name": name, **_table(table_of(found.seams, kind, unit), paths)}
        for kind, (name, *_) in KINDS.items()
    ]
    allowances = query.allowances
    entered = {
        "waste": f"{allowances.waste:g} %",
        "ends": number_text(allowances.ends, "length", 1.0),
    }
    return json_reply(
        {
            "sheet": state.sheet["name"],
            "unit": unit,
            "tables": tables,
            "entered": entered,
            "notes": notes_of(state, found, allowances),
        }
    )


@schedule.get("/sheets/<sheet_id>/schedule.csv", responses={200: file_of("text/csv"), **_REPLIES})
def as_csv(path: SheetUrl, query: CsvQuery) -> Response:
    """The schedule as CSV (RFC 4180)."""
    state, found = _found(path.sheet_id, query)
    table = table_of(found.seams, query.by, state.sheet["unit"])
    name = f"{state.sheet['name']}, schedule by {KINDS[query.by][0].lower()}.csv"
    return file_reply(write_csv(table), CSV_TYPE, name)


@schedule.get("/sheets/<sheet_id>/schedule.pdf", responses={200: file_of("application/pdf"), **_REPLIES})
def as_pdf(path: SheetUrl, query: PdfQuery) -> Response:
    """The schedule as a PDF to print."""
    # Imported here: it takes a tenth of the time that the application needs to start.
    from curlet.formats.schedule_pdf import write_schedule_pdf

    state, found = _found(path.sheet_id, query)
    title = f"{state.sheet['name']}, schedule"
    notes = notes_of(state, found, query.allowances)
    data = write_schedule_pdf(title, notes, found.seams, state.sheet["unit"], query.paper)
    return file_reply(data, "application/pdf", f"{title}.pdf")


@schedule.get("/sheets/<sheet_id>/work-page.pdf", responses={200: file_of("application/pdf"), **_REPLIES})
def as_work_page(path: SheetUrl, query: PdfQuery) -> Response:
    """What a sample room sews from: the flat with call-outs, the brushes, the shade card, the schedule."""
    state = journal.find_sheet(path.sheet_id)
    with watched() as work:
        found = work_page(state, query.paper, query.allowances, work)
        data = exports.work_page(found, query.paper, work)
    return file_reply(data, "application/pdf", f"{found.title}, work page.pdf")


def _found(sheet_id: str, query: ScheduleQuery) -> tuple[State, Schedule]:
    state = journal.find_sheet(sheet_id)
    with watched() as work:
        return state, schedule_of(state, query.allowances, work)


def _table(table: Table, paths: dict[str, str]) -> dict[str, object]:
    def line(of: Line) -> dict[str, object]:
        return {
            "texts": [told(of.cells.get(column.key), column) for column in table.columns],
            "values": [of.cells.get(column.key) for column in table.columns],
            "paths": list(dict.fromkeys(paths[run] for run in of.runs)),
        }

    columns = [{"key": c.key, "heading": c.heading, "number": is_number(c)} for c in table.columns]
    return {"columns": columns, "lines": [line(each) for each in table.lines], "sums": line(table.sums)}
