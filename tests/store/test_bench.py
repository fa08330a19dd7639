"""Brushes on the Bench: built-ins copied, runs that follow or stay, every version kept."""

from __future__ import annotations

from pathlib import Path as FilePath

import pytest

from curlet.core.errors import BadInput
from curlet.demo.load import load_demo
from curlet.formats.brush_file import BrushDoc
from curlet.store import bench, journal, library
from curlet.store.commands import LayBrush
from curlet.store.database import open_database
from curlet.store.edits.courses import Entered, Rename, SetOnBrush, TakeFamily
from curlet.store.edits.recipes import brush_of
from curlet.store.errors import Conflict, Missing
from curlet.store.models import Brush, database

SHEET = "waistcoat"


def longer(entered: str = "5 mm") -> bench.Edit:
    return SetOnBrush(kind="set", settings=[Entered(pointer="/courses/0/length", entered=entered)]).apply


def length(doc: BrushDoc) -> float:
    return doc.courses[0].length.mm  # type: ignore[union-attr]


def own() -> bench.Bench:
    """A brush of one's own."""
    return bench.add(brush_of("backstitch", "Sewn by hand"))


def used_by(brush_id: str) -> int:
    return sum(run["brush"] == brush_id for run in journal.find_sheet(SHEET).all("run"))


def wear(brush_id: str) -> str:
    """Lay a brush on the hem; the run that wears it."""
    state = journal.find_sheet(SHEET)
    lay = LayBrush(kind="lay-brush", paths=["waistcoat-hem-r"], brush=brush_id)
    journal.do(SHEET, state.sheet["revision"], lay)
    return next(run["id"] for run in journal.find_sheet(SHEET).all("run") if run["brush"] == brush_id)


def test_a_change_to_a_built_in_makes_a_copy(store: object) -> None:
    before = bench.look("topstitch")
    after = bench.change("topstitch", before.version, longer())
    assert after.id != "topstitch"
    assert not after.builtin
    assert after.doc.name == "Topstitch, 3 + 1 mm (copy)"
    assert length(after.doc) == 5
    assert bench.look("topstitch").doc == before.doc
    again = bench.change("topstitch", before.version, longer("6 mm"))
    assert again.doc.name == "Topstitch, 3 + 1 mm (copy) 2"


def test_versions_are_undone_and_done_again_one_by_one(store: object) -> None:
    brush = own()
    first = bench.change(brush.id, brush.version, longer("4 mm"))
    second = bench.change(brush.id, first.version, longer("5 mm"))
    assert (second.undo, second.redo) == ("Set stitch length", None)
    back = bench.undo(brush.id, second.version)
    assert length(back.doc) == 4
    first_again = bench.undo(brush.id, back.version)
    assert first_again.doc == brush.doc
    assert first_again.undo is None
    assert length(bench.redo(brush.id, first_again.version).doc) == 4
    assert length(bench.redo(brush.id, back.version).doc) == 5


def test_a_change_after_undo_loses_no_version(store: object) -> None:
    brush = own()
    five = bench.change(brush.id, brush.version, longer("5 mm"))
    back = bench.undo(brush.id, five.version)
    six = bench.change(brush.id, back.version, longer("6 mm"))
    assert len(six.versions) == 3
    again = bench.go_back(brush.id, six.version, five.version)
    assert length(again.doc) == 5
    assert again.versions[0]["label"] == "Back to: Set stitch length"
    # That too is undone.
    assert length(bench.undo(brush.id, again.version).doc) == 6


def test_a_edit_on_an_older_one_is_refused(store: object) -> None:
    brush = own()
    bench.change(brush.id, brush.version, longer())
    with pytest.raises(Conflict, match="changed in another page"):
        bench.change(brush.id, brush.version, longer("7 mm"))


def test_runs_follow_the_brush_that_they_wear(store: object) -> None:
    brush = own()
    wear(brush.id)
    revision = journal.current_revision(SHEET)
    after = bench.change(brush.id, brush.version, longer())
    assert after.used_by == used_by(brush.id) == 1
    assert journal.current_revision(SHEET) == revision + 1


def test_runs_stay_as_they_were_with_a_copy_of_their_own(store: object) -> None:
    brush = own()
    run = wear(brush.id)
    after = bench.change(brush.id, brush.version, longer(), keep_runs=True)
    assert after.used_by == 0
    kept = journal.find_sheet(SHEET).get("run", run)["brush"]
    assert kept != brush.id
    copy = bench.look(kept)
    assert copy.doc.name == "Sewn by hand, as it was"
    assert copy.doc.courses == brush.doc.courses


def test_a_change_that_cannot_be_laid_leaves_everything(store: object) -> None:
    brush = own()
    with pytest.raises(BadInput):
        bench.change(brush.id, brush.version, longer("-3 mm"))
    assert bench.look(brush.id).versions == ()


def test_only_brushes_that_are_not_used_are_removed(store: object) -> None:
    brush = own()
    wear(brush.id)
    with pytest.raises(Conflict, match="is used"):
        bench.remove(brush.id)
    with pytest.raises(BadInput, match="Built-in"):
        bench.remove("topstitch")
    free = own()
    bench.change(free.id, free.version, longer())
    bench.remove(free.id)
    with pytest.raises(Missing):
        bench.look(free.id)


def test_taking_another_family_keeps_the_name_and_adds_the_threads_it_needs(store: object) -> None:
    brush = own()
    taken = bench.change(brush.id, 1, TakeFamily(kind="take-family", course=0, family="guilloche").apply)
    assert taken.doc.name == "Sewn by hand"
    assert taken.doc.kind == "border"
    assert len(taken.doc.threads) == 3
    assert bench.undo(brush.id, taken.version).doc == brush.doc


@pytest.mark.parametrize("replace", [False, True])
def test_brush_files_never_clobber_silently(store: object, replace: bool) -> None:
    mine = own()
    same, other = mine.doc, brush_of("backstitch", "Sewn by hand", thread=1.0)
    builtin = bench.look("topstitch").doc.model_copy(update={"threads": ("#000000",)})
    found = [("a.json", same), ("b.json", other), ("c.json", builtin), ("d.json", brush_of("key", "Own key"))]
    became = [(row["name"], row["became"]) for row in library.import_brushes(found, replace=replace)]
    beside = ("Sewn by hand", "replaced") if replace else ("Sewn by hand 2", "added beside")
    assert became == [
        ("Sewn by hand", "the same"),
        beside,
        ("Topstitch, 3 + 1 mm 2", "added beside"),
        ("Own key", "added"),
    ]
    assert bench.look("topstitch").doc.threads != ("#000000",)
    if replace:
        now = bench.look(mine.id)
        assert now.doc == other
        assert bench.undo(mine.id, now.version).doc == same


def test_a_brush_is_renamed(store: object) -> None:
    brush = own()
    named = bench.change(brush.id, brush.version, Rename(kind="rename", name="Hem, by hand").apply)
    assert named.doc.name == "Hem, by hand"
    assert {row["doc"]["name"] for row in bench.everything()} >= {"Hem, by hand"}


def test_a_database_from_before_versions_is_brought_up_to_date(store: FilePath) -> None:
    database.execute_sql("ALTER TABLE brush DROP COLUMN version")
    database.execute_sql("DROP TABLE brush_version")
    database.pragma("user_version", 2)
    old = Brush.select(Brush.doc).where(Brush.id == "rope").scalar()
    changed = {**old, "name": "From an older version"}
    Brush.update(doc=changed).where(Brush.id == "rope").execute()
    database.close()
    open_database(store)
    load_demo()
    # Runs are as they were, versions can be kept, and built-ins are this version's again.
    assert bench.look("rope").doc.name == old["name"]
    brush = own()
    assert bench.change(brush.id, brush.version, longer()).version == 2
    assert journal.find_sheet(SHEET).all("run")
