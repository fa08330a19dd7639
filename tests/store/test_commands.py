"""Commands and undo: one step each, kept across restarts, nothing lost."""

from __future__ import annotations

import sqlite3
from pathlib import Path as FilePath

import pytest
from pydantic import TypeAdapter

from curlet.core.errors import BadInput
from curlet.store import journal
from curlet.store.commands import AnyIntent
from curlet.store.database import open_database
from curlet.store.errors import Missing, Stale, Unavailable
from curlet.store.models import database
from curlet.store.runs import run_brush
from curlet.store.state import State

SHEET = "waistcoat"
HEM = "waistcoat-hem-r"
RUN = f"run-{HEM}"
_INTENT = TypeAdapter(AnyIntent)


def do(kind: str, **values: object) -> State:
    intent = _INTENT.validate_python({"kind": kind, **values})
    return journal.do(SHEET, journal.current_revision(SHEET), intent)


def rows(state: State) -> dict[str, dict[str, object]]:
    """Everything but the revision."""
    kept = {kind: dict(of_kind) for kind, of_kind in state.rows.items()}
    kept["sheet"] = {k: {**v, "revision": 0} for k, v in kept["sheet"].items()}
    return kept


def entered(pointer: str, text: str | bool) -> list[dict[str, object]]:
    return [{"pointer": pointer, "entered": text}]


def test_undo_goes_all_the_way_back_after_a_restart(store: FilePath) -> None:
    before = rows(journal.find_sheet(SHEET))
    do("move-nodes", path=HEM, moves=[{"id": "n1", "x": 100, "y": 100}])
    do("add-node", path=HEM, x=100, y=180)
    do("rename-path", path=HEM, name="Foot")
    do("group-paths", paths=[HEM], new_name="Feet")
    do("lay-brush", paths=[HEM, "waistcoat-hem-l"], brush="basting")
    do("remove-runs", runs=[RUN])
    do("delete-paths", paths=[HEM])
    database.close()
    open_database(store)
    for _ in range(7):
        journal.undo(SHEET, journal.current_revision(SHEET))
    assert rows(journal.find_sheet(SHEET)) == before
    assert journal.undo_labels(SHEET) == (None, "Move a node of Hem R")


def test_a_new_step_forgets_what_was_undone(store: FilePath) -> None:
    do("rename-path", path=HEM, name="A")
    journal.undo(SHEET, journal.current_revision(SHEET))
    do("rename-path", path=HEM, name="B")
    assert journal.undo_labels(SHEET)[1] is None


def test_a_command_on_an_old_revision_changes_nothing(store: FilePath) -> None:
    old = journal.current_revision(SHEET)
    do("rename-path", path=HEM, name="A")
    intent = _INTENT.validate_python({"kind": "rename-path", "path": HEM, "name": "B"})
    with pytest.raises(Stale):
        journal.do(SHEET, old, intent)
    assert journal.find_sheet(SHEET).get("path", HEM)["name"] == "A"


def test_a_refused_command_leaves_everything_as_it_was(store: FilePath) -> None:
    before = rows(journal.find_sheet(SHEET))
    for settings in (entered("/courses/0/length", "0 mm"), entered("/courses/0/gap", "8 spi")):
        with pytest.raises(BadInput):
            do("set-on-runs", runs=[RUN], settings=settings)
    with pytest.raises(Missing):
        do("rename-path", path="gone", name="A")
    assert rows(journal.find_sheet(SHEET)) == before
    assert journal.undo_labels(SHEET) == (None, None)


def own(state: State) -> dict[str, object]:
    return dict(state.get("run", RUN)["own"])


def test_a_runs_own_settings_are_marked_and_given_back(store: FilePath) -> None:
    state = do("set-on-runs", runs=[RUN], settings=entered("/courses/0/length", "5 mm"))
    assert list(own(state)) == ["/courses/0/length"]
    assert run_brush(state, state.get("run", RUN)).courses[0].length.mm == 5
    state = do("set-on-runs", runs=[RUN], settings=entered("/courses/0/length", "6 mm"))
    assert own(state) == {}
    do("set-on-runs", runs=[RUN], settings=entered("/corners/angle", "45"))
    assert own(do("follow-brush", runs=[RUN])) == {}


def test_a_whole_part_follows_the_brush_again(store: FilePath) -> None:
    """The way back of a heading (the remainder, the ends) takes every setting below it."""
    for pointer, text in (
        ("/courses/0/fit/kind", "even-gaps"),
        ("/courses/0/fit/tolerance", "9"),
        ("/corners/angle", "45"),
    ):
        do("set-on-runs", runs=[RUN], settings=entered(pointer, text))
    assert list(own(do("follow-brush", runs=[RUN], pointers=["/courses/0/fit"]))) == ["/corners/angle"]
    assert list(own(do("follow-brush", runs=[RUN], pointers=["/corners/ang"]))) == ["/corners/angle"]


def test_giving_to_a_built_in_brush_makes_a_copy(store: FilePath) -> None:
    do("set-on-runs", runs=[RUN], settings=entered("/courses/0/length", "5 mm"))
    state = do("give-to-brush", run=RUN)
    run = state.get("run", RUN)
    brush = state.get("brush", run["brush"])
    assert (own(state), brush["builtin"]) == ({}, False)
    assert brush["doc"]["name"] == "Show stitch, 6 + 2.8 mm 2"
    assert state.get("brush", "show-stitch")["doc"]["courses"][0]["length"]["mm"] == 6
    assert brush["doc"]["courses"][0]["length"]["mm"] == 5


def test_laying_on_a_group_at_once_is_one_step(store: FilePath) -> None:
    paths = [
        row["id"] for row in journal.find_sheet(SHEET).all("path") if row["group"] == "waistcoat-armholes"
    ]
    state = do("lay-brush", paths=paths, brush="eight")
    assert [run["brush"] for run in state.all("run") if run["path"] in paths] == ["eight", "eight"]
    assert journal.undo_labels(SHEET)[0] == "Lay Running, 8 to the inch on 2 paths"


def test_a_locked_database_says_so_and_loses_nothing(store: FilePath) -> None:
    other = sqlite3.connect(store, isolation_level=None)
    other.execute("BEGIN IMMEDIATE")
    with pytest.raises(Unavailable, match="in use by another program"):
        do("rename-path", path=HEM, name="A")
    other.execute("ROLLBACK")
    other.close()
    assert do("rename-path", path=HEM, name="A").get("path", HEM)["name"] == "A"


def test_a_read_only_database_says_so(store: FilePath, monkeypatch: pytest.MonkeyPatch) -> None:
    database.obj.pragma("query_only", 1, permanent=True)
    with pytest.raises(Unavailable, match="read-only"):
        do("rename-path", path=HEM, name="A")
    assert journal.find_sheet(SHEET).get("path", HEM)["name"] == "Hem R"


def test_another_programs_file_is_refused(tmp_path: FilePath) -> None:
    file = tmp_path / "notes.txt"
    file.write_text("not a database, but long enough to be looked at as one " * 30)
    with pytest.raises(BadInput, match="is not a database"):
        open_database(file)


def test_a_newer_database_is_refused(tmp_path: FilePath) -> None:
    file = tmp_path / "curlet.sqlite"
    open_database(file)
    with sqlite3.connect(file) as db:
        db.execute("PRAGMA user_version = 999")
    db.close()
    with pytest.raises(BadInput, match="newer Curlet"):
        open_database(file)


def offsets(state: State) -> list[float]:
    courses = run_brush(state, state.get("run", RUN)).courses
    return [course.offset.mm for course in courses]


def test_alike_rows_are_set_as_one_and_follow_the_brush_as_one(store: FilePath) -> None:
    do("lay-brush", paths=[HEM], brush="twin")
    state = do("set-on-runs", runs=[RUN], settings=entered("/courses/*/length", "5"))
    courses = run_brush(state, state.get("run", RUN)).courses
    assert [course.length.mm for course in courses] == [5, 5]
    state = do("measure-on", runs=[RUN], pointer="/courses/*/length", on="paper")
    courses = run_brush(state, state.get("run", RUN)).courses
    assert [(course.length.mm, course.length.on) for course in courses] == [(1.25, "paper")] * 2
    assert do("follow-brush", runs=[RUN], pointers=["/courses/*/length"]).get("run", RUN)["own"] == {}


def test_a_gauge_is_entered_in_any_unit_and_given_back(store: FilePath) -> None:
    do("lay-brush", paths=[HEM], brush="twin")
    before = offsets(journal.find_sheet(SHEET))
    state = do("set-on-runs", runs=[RUN], settings=entered("/gauge", "1/8 in"))
    assert offsets(state) == pytest.approx([-1.5875, 1.5875])
    assert offsets(do("follow-brush", runs=[RUN], pointers=["/gauge"])) == before


def test_rows_are_set_where_there_are_any(store: FilePath) -> None:
    do("lay-brush", paths=[HEM], brush="twin")
    for pointer, text in (("/gauge", "0"), ("/courses/*/length", "long")):
        with pytest.raises(BadInput):
            do("set-on-runs", runs=[RUN], settings=entered(pointer, text))
    bands = {key: value["doc"] for key, value in journal.find_sheet(SHEET).rows["brush"].items()}
    name = next(key for key, doc in bands.items() if all(c["course"] == "band" for c in doc["courses"]))
    do("lay-brush", paths=[HEM], brush=name)
    with pytest.raises(BadInput, match="no row of repeats"):
        do("set-on-runs", runs=[RUN], settings=entered("/courses/*/length", "5"))
