"""A sheet changed, tried and undone: nothing is left that cannot be laid, and no way out is barred."""

from __future__ import annotations

from pathlib import Path as FilePath

import pytest
from pydantic import TypeAdapter

from curlet.core.errors import BadInput
from curlet.formats.brush_courses import RowDoc
from curlet.formats.svg_out import write_svg
from curlet.store import bench, journal
from curlet.store.commands import AnyIntent, Intent
from curlet.store.database import open_database, writing
from curlet.store.edits.courses import Entered, SetOnBrush
from curlet.store.errors import Conflict
from curlet.store.laying import lay_row
from curlet.store.models import Run, database
from curlet.store.state import State
from curlet.studio import sheets
from curlet.studio.drawn_sheet import sheet_drawing

SHEET = "waistcoat"
RUN = "run-waistcoat-hem-r"
INTENT = TypeAdapter(AnyIntent)


def intent(kind: str, **values: object) -> Intent:
    return INTENT.validate_python({"kind": kind, **values})


def do(kind: str, **values: object) -> State:
    with sheets.doing(SHEET, journal.current_revision(SHEET), intent(kind, **values)) as state:
        return state


def set_on_runs(pointer: str, text: str) -> State:
    return do("set-on-runs", runs=[RUN], settings=[{"pointer": pointer, "entered": text}])


def on_the_bench(pointer: str, text: str) -> None:
    brush = journal.find_sheet(SHEET).get("run", RUN)["brush"]
    edit = SetOnBrush(kind="set", settings=[Entered(pointer=pointer, entered=text)])
    bench.change(brush, bench.look(brush).version, edit.apply)


@pytest.fixture
def own_brush(store: FilePath) -> None:
    """The run has a brush of one's own, 12 mm and 1 mm, and a gap of its own: the stitches overlap."""
    do("give-to-brush", run=RUN)
    set_on_runs("/courses/0/length", "12 mm")
    do("give-to-brush", run=RUN)
    set_on_runs("/courses/0/gap", "-8 mm")


@pytest.mark.usefixtures("own_brush")
def test_no_step_back_leads_to_what_cannot_be_laid() -> None:
    """Undone after its brush was shortened, a run's pitch was below zero: it was shown with a fault."""
    do("follow-brush", runs=[RUN])
    on_the_bench("/courses/0/length", "5 mm")
    before = journal.find_sheet(SHEET)
    with pytest.raises(BadInput, match="As its brush is now"):
        sheets.undo(SHEET, before.sheet["revision"])
    assert journal.find_sheet(SHEET).rows == before.rows
    assert journal.undo_labels(SHEET)[0] == "Follow the brush"


@pytest.mark.usefixtures("own_brush")
def test_no_step_forth_leads_to_what_cannot_be_laid() -> None:
    sheets.undo(SHEET, journal.current_revision(SHEET))
    on_the_bench("/courses/0/length", "5 mm")
    with pytest.raises(BadInput, match="As its brush is now"):
        sheets.redo(SHEET, journal.current_revision(SHEET))


@pytest.mark.usefixtures("own_brush")
def test_any_step_back_may_be_taken_from_what_cannot_be_laid() -> None:
    """Undo is a way out of a sheet that was damaged."""
    do("rename-path", path="waistcoat-hem-r", name="Foot")
    with writing():
        Run.update(own={"/courses/0/length": {"mm": 5}, "/courses/0/gap": {"mm": -8}}).where(
            Run.id == RUN
        ).execute()
    state = journal.find_sheet(SHEET)
    with pytest.raises(BadInput):
        lay_row(state, state.get("run", RUN))
    undone = sheets.undo(SHEET, state.sheet["revision"])
    assert undone.get("path", "waistcoat-hem-r")["name"] == "Hem R"


def test_an_attempt_keeps_nothing(store: FilePath) -> None:
    before = journal.find_sheet(SHEET)
    draft = sheets.attempt(SHEET, before.sheet["revision"], intent("reverse-run", run=RUN))
    assert draft.get("run", RUN)["backwards"] != before.get("run", RUN)["backwards"]
    assert journal.find_sheet(SHEET).rows == before.rows


@pytest.mark.usefixtures("own_brush")
def test_settings_that_a_sheet_gives_a_brush_are_a_version_of_it() -> None:
    """Given 7 mm, undone and redone on the Bench, a brush was 6 mm long; 7 mm was listed nowhere."""
    brush = journal.find_sheet(SHEET).get("run", RUN)["brush"]
    on_the_bench("/courses/0/length", "6 mm")
    do("follow-brush", runs=[RUN])
    set_on_runs("/courses/0/length", "7 mm")
    do("give-to-brush", run=RUN)
    now = bench.look(brush)
    assert length(now) == 7
    assert (now.undo or "").startswith("Give settings to")
    assert length(bench.undo(brush, now.version)) == 6
    again = bench.redo(brush, bench.look(brush).version)
    assert length(again) == 7
    assert again.version == now.version


@pytest.mark.usefixtures("own_brush")
def test_a_sheets_undo_steps_back_among_the_brushs_versions() -> None:
    brush = journal.find_sheet(SHEET).get("run", RUN)["brush"]
    before = bench.look(brush)
    set_on_runs("/courses/0/length", "14 mm")
    given = do("give-to-brush", run=RUN)
    undone = sheets.undo(SHEET, given.sheet["revision"])
    back = bench.look(brush)
    assert (back.version, length(back)) == (before.version, 12)
    assert length(bench.redo(brush, back.version)) == 14
    # It has moved on since: the sheet's redo would write over the Bench's.
    with pytest.raises(Conflict):
        sheets.redo(SHEET, journal.current_revision(SHEET))
    assert undone.get("run", RUN)["own"]["/courses/0/length"] == {"mm": 14.0, "on": "garment"}


@pytest.mark.usefixtures("own_brush")
def test_versions_and_steps_from_when_they_were_called_makings_still_work(store: FilePath) -> None:
    brush = journal.find_sheet(SHEET).get("run", RUN)["brush"]
    set_on_runs("/courses/0/length", "14 mm")
    do("give-to-brush", run=RUN)
    for statement in (
        "ALTER TABLE brush RENAME COLUMN version TO making",
        "ALTER TABLE brush_version RENAME TO brush_making",
        """UPDATE step SET changes = replace(changes, '"version":', '"making":')""",
    ):
        database.execute_sql(statement)
    database.pragma("user_version", 9)
    database.close()
    open_database(store)
    assert length(bench.look(brush)) == 14
    sheets.undo(SHEET, journal.current_revision(SHEET))
    assert length(bench.look(brush)) == 12
    sheets.redo(SHEET, journal.current_revision(SHEET))
    now = bench.look(brush)
    assert length(bench.undo(brush, now.version)) == 12


OLDER = {
    '"on":"garment"': '"frame":"worn"',
    '"on":"paper"': '"frame":"printed"',
    '/fit/shortened"': '/fit/made_up"',
    '"shortened":': '"made_up":',
    '"shorten-last"': '"made-up"',
    '"end_to_end":': '"flip_along":',
    '"side_to_side":': '"flip_across":',
    '"hold":"rigid"': '"hold":"ride"',
}


@pytest.mark.usefixtures("own_brush")
def test_settings_kept_under_older_names_are_as_they_were(store: FilePath) -> None:
    """In brushes, their versions, runs' own settings and the steps that undo goes back by."""
    set_on_runs("/courses/0/fit/kind", "shorten-last")
    set_on_runs("/courses/0/fit/shortened", "2")
    set_on_runs("/courses/0/hold", "rigid")
    do("give-to-brush", run=RUN)
    set_on_runs("/courses/0/fit/shortened", "1")
    laid, brush = drawn(RUN), journal.find_sheet(SHEET).get("run", RUN)["brush"]
    columns = (("brush", "doc"), ("brush_version", "doc"), ("run", "own"), ("step", "changes"))
    for table, column in columns:
        for new, old in OLDER.items():
            database.execute_sql(f"UPDATE {table} SET {column} = replace({column}, ?, ?)", (new, old))
    database.execute_sql("""UPDATE brush SET doc = '{"torn": ' WHERE id = 'rope'""")
    texts = [
        row[0] for table, column in columns for row in database.execute_sql(f"SELECT {column} FROM {table}")
    ]
    assert any("made_up" in text for text in texts)
    database.pragma("user_version", 10)
    database.close()
    open_database(store)
    assert drawn(RUN) == laid
    sheets.undo(SHEET, journal.current_revision(SHEET))
    given = bench.look(brush).doc.courses[0]
    assert isinstance(given, RowDoc)
    assert (given.fit.kind, given.fit.shortened, given.hold) == ("shorten-last", 2, "rigid")
    assert drawn(RUN) != laid
    sheets.redo(SHEET, journal.current_revision(SHEET))
    assert drawn(RUN) == laid


def drawn(run: str) -> bytes:
    state = journal.find_sheet(SHEET)
    return write_svg(sheet_drawing(state, with_lines=False, runs=[state.get("run", run)]))


def length(now: bench.Bench) -> float:
    course = now.doc.courses[0]
    assert isinstance(course, RowDoc)
    return course.length.mm
