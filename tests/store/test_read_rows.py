"""Rows are read anew wherever anything in them has changed, whoever changed it, and only there."""

from __future__ import annotations

import sqlite3
from contextlib import closing
from pathlib import Path as FilePath

import orjson

from curlet.store import journal
from curlet.store.models import Brush, SheetPath
from tests.store.test_every_intent import HEM, RUN, SHEET
from tests.store.test_kept_readable import damage
from tests.store.test_path_commands import do


def test_what_did_not_change_is_read_once(store: FilePath) -> None:
    before = journal.find_sheet(SHEET)
    after = do(kind="move-paths", paths=[HEM], x=1, y=0)
    assert after.rows["path"][HEM]["nodes"] != before.rows["path"][HEM]["nodes"]
    again = journal.find_sheet(SHEET)
    same = [row_id for row_id, row in before.rows["path"].items() if again.rows["path"][row_id] is row]
    assert set(same) == set(before.rows["path"]) - {HEM}


def test_what_another_program_changed_is_seen_at_once(store: FilePath) -> None:
    """Without a new revision: nothing here knows of it."""
    journal.find_sheet(SHEET)
    damage(store, SheetPath._meta.table_name, HEM, "name", "Other hem")
    assert journal.find_sheet(SHEET).get("path", HEM)["name"] == "Other hem"
    after = do(kind="rename-path", path="waistcoat-front-r", name="Front")
    assert after.get("path", HEM)["name"] == "Other hem"


def test_what_another_program_took_away_is_gone(store: FilePath) -> None:
    journal.find_sheet(SHEET)
    with closing(sqlite3.connect(store)) as other:
        other.execute(f'DELETE FROM "{SheetPath._meta.table_name}" WHERE id = ?', (HEM,))
        other.commit()
    state = journal.find_sheet(SHEET)
    assert HEM not in state.rows["path"]
    # The run was on it.
    assert RUN not in state.rows["run"]


def test_runs_of_a_brush_that_was_damaged_since_are_set_aside_again(store: FilePath) -> None:
    state = journal.find_sheet(SHEET)
    brush = state.get("run", RUN)["brush"]
    whole = orjson.dumps(state.get("brush", brush)["doc"]).decode()
    damage(store, Brush._meta.table_name, brush, "doc", whole[:-40])
    state = journal.find_sheet(SHEET)
    assert RUN not in state.rows["run"]
    assert [row.id for row in state.set_aside] == [brush]
    damage(store, Brush._meta.table_name, brush, "doc", whole)
    assert RUN in journal.find_sheet(SHEET).rows["run"]
    assert not journal.find_sheet(SHEET).set_aside


def test_what_is_put_or_taken_away_is_listed_in_its_place(store: FilePath) -> None:
    state = journal.find_sheet(SHEET)
    names = [row["id"] for row in state.all("path")]
    last = state.all("path")[-1]["position"]
    state.update("path", names[0], position=last + 1)
    assert [row["id"] for row in state.all("path")] == [*names[1:], names[0]]
    state.remove("path", names[3])
    assert names[3] not in [row["id"] for row in state.all("path")]
    # What is asked for may be changed by who asked.
    state.all("path").clear()
    assert len(state.all("path")) == len(names) - 1
