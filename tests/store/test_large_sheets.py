"""A taken-in drawing of many paths: kept whole, taken back at once, and what older versions left."""

from __future__ import annotations

import sqlite3
from pathlib import Path as FilePath

import pytest

from curlet.formats.svg_in import read_svg
from curlet.store import journal, sheets
from curlet.store.commands import ImportDrawing
from curlet.store.database import open_database
from curlet.store.errors import Conflict
from curlet.store.models import SheetPath, Step, database
from curlet.store.rows import delete_rows, insert_rows
from curlet.store.state import State
from tests.store.test_path_commands import SHEET, do

MANY = 1_300


def imported() -> State:
    lines = "".join(f'<path d="M{i % 50} {i // 50}h4l3 2z" stroke="#123"/>' for i in range(MANY))
    svg = f'<svg xmlns="http://www.w3.org/2000/svg" width="90mm" viewBox="0 0 90 90">{lines}</svg>'
    groups = (("Flat", "#112233", read_svg(svg.encode()).paths),)
    return journal.do(SHEET, journal.current_revision(SHEET), ImportDrawing(title="Flat", groups=groups))


def test_many_paths_are_one_step_that_is_taken_back_and_done_again(store: FilePath) -> None:
    before = len(journal.find_sheet(SHEET).all("path"))
    there = imported()
    assert len(there.all("path")) == before + MANY
    back = journal.undo(SHEET, journal.current_revision(SHEET))
    assert len(back.all("path")) == before
    assert len(back.all("group")) == len(there.all("group")) - 1
    again = journal.redo(SHEET, journal.current_revision(SHEET))
    assert again.rows["path"] == there.rows["path"]


def test_what_was_imported_is_the_same_after_a_restart(store: FilePath) -> None:
    there = imported()
    database.close()
    open_database(store)
    assert journal.find_sheet(SHEET).rows["path"] == there.rows["path"]


def test_contours_of_one_drawing_are_not_taken_for_those_of_another(store: FilePath) -> None:
    imported()
    elements = [row["facts"]["element"] for row in imported().all("path") if row["facts"]]
    assert len(set(elements)) == len(elements)


def test_a_sheet_of_many_paths_is_duplicated_whole(store: FilePath) -> None:
    there = imported()
    copy = journal.find_sheet(sheets.duplicate_sheet(SHEET))
    assert [row["name"] for row in copy.all("path")] == [row["name"] for row in there.all("path")]
    assert not set(copy.rows["path"]) & set(there.rows["path"])


def test_a_row_kept_before_there_was_a_column_has_its_default(store: FilePath) -> None:
    """A step done in an older version and redone in this one."""
    row = dict(journal.find_sheet(SHEET).all("path")[0], id="older")
    for newer in ("fill", "swell", "hidden", "lettering"):
        del row[newer]
    insert_rows([("path", row)])
    kept = SheetPath.get_by_id("older")
    assert (kept.fill, kept.swell, kept.hidden, kept.lettering) == ({}, [], False, None)


def test_a_used_brush_is_not_taken_out_with_others(store: FilePath) -> None:
    with pytest.raises(Conflict, match="used on another sheet"):
        delete_rows([("brush", "eight"), ("brush", "show-stitch")])


def test_steps_of_a_deleted_path_bring_back_what_it_wore(store: FilePath) -> None:
    before = journal.find_sheet(SHEET)
    used = [run for run in before.all("run") if run["path"] == "waistcoat-hem-r"]
    assert used
    assert not do("delete-paths", paths=["waistcoat-hem-r"]).runs_of("waistcoat-hem-r")
    back = journal.undo(SHEET, journal.current_revision(SHEET))
    assert back.runs_of("waistcoat-hem-r") == used


def test_the_oldest_step_goes_when_there_are_too_many(
    store: FilePath, monkeypatch: pytest.MonkeyPatch
) -> None:
    monkeypatch.setattr(journal, "MAX_STEPS", 3)
    for name in "ABCDE":
        do("rename-path", path="waistcoat-hem-r", name=name)
    labels = [step.label for step in Step.select().where(Step.sheet == SHEET).order_by(Step.id)]
    assert len(labels) == 3
    for _ in range(5):
        state = journal.undo(SHEET, journal.current_revision(SHEET))
    assert state.get("path", "waistcoat-hem-r")["name"] == "B"


@pytest.mark.parametrize("version", range(1, 9))
def test_a_database_of_any_older_version_opens_with_everything_on_it(store: FilePath, version: int) -> None:
    """Its tables are brought up to this version's; nothing that they held changes."""
    before = journal.find_sheet(SHEET)
    database.close()
    with sqlite3.connect(store) as db:
        db.execute(f"PRAGMA user_version = {version}")
    db.close()
    open_database(store)
    after = journal.find_sheet(SHEET)
    for kind, rows in before.rows.items():
        assert [row["id"] for row in after.all(kind)] == [row["id"] for row in before.all(kind)]
        for row in rows.values():
            assert {**after.get(kind, row["id"]), "position": 0} == {**row, "position": 0}
