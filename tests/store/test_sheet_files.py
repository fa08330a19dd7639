"""Sheets as files: out and in again with every row the same, beside what is here, and in place of a sheet."""

from __future__ import annotations

import shutil
import sqlite3
from collections.abc import Callable
from contextlib import closing
from dataclasses import replace
from pathlib import Path as FilePath
from typing import Any

import pytest

from curlet.core.errors import BadInput
from curlet.formats.sheet_file import SheetFile, parted, read_sheet_files, write_sheet_file
from curlet.store import bench, journal
from curlet.store.commands import AddGuide
from curlet.store.database import open_database
from curlet.store.errors import Stale
from curlet.store.models import Brush, BrushVersion, KeptFont, Picture, Sheet, Step, database
from curlet.store.pictures import keep_picture
from curlet.store.sheet_files import import_sheet, replace_sheet, sheet_file
from curlet.store.state import KINDS, OF_SHEET, State
from curlet.studio import sheet_files
from curlet.studio.drawn_sheet import small_picture
from tests import pixels as px
from tests.store.test_kept_pictures import beaded, gap
from tests.store.test_path_commands import HEM, SHEET, do

Rows = dict[str, list[dict[str, Any]]]


def came_back(file: SheetFile) -> SheetFile:
    """A file written and read again."""
    (found,) = read_sheet_files("a.zip", write_sheet_file(file))
    return found


def rows_of(sheet: str) -> Rows:
    state = journal.find_sheet(sheet)
    rows = {kind: [dict(row) for row in state.all(kind)] for kind in ("sheet", *OF_SHEET)}
    for row in rows["sheet"]:
        # Its place among the sheets is where it was put.
        del row["position"]
    return rows


def brushes_of(sheet: str) -> list[dict[str, Any]]:
    state = journal.find_sheet(sheet)
    used = {row["brush"] for kind in ("run", "single") for row in state.all(kind)}
    return [state.rows["brush"][each] for each in sorted(used)]


def steps_of(sheet: str) -> list[tuple[Any, ...]]:
    steps = Step.select().where(Step.sheet == sheet).order_by(Step.id)
    return [(step.label, step.changes, step.undone) for step in steps]


def elsewhere(tmp_path: FilePath, name: str = "elsewhere") -> None:
    """Another machine's database, with the built-in brushes and no sheet."""
    database.close()
    folder = tmp_path / name
    folder.mkdir()
    open_database(FilePath(shutil.copy(tmp_path / "curlet.sqlite", folder)))
    for model in (Step, *(KINDS[kind] for kind in reversed(OF_SHEET)), Sheet):
        model.delete().execute()
    Brush.delete().where(~Brush.builtin).execute()
    for gone in (BrushVersion, Picture, KeptFont):
        gone.delete().execute()


def on_demo(demo: FilePath, tmp_path: FilePath) -> None:
    open_database(FilePath(shutil.copy(demo, tmp_path)))


@pytest.mark.parametrize("sheet", ["waistcoat", "programme", "satchel", "coat", "curtain"])
def test_every_demo_sheet_comes_back_with_every_row_the_same(
    demo: FilePath, tmp_path: FilePath, sheet: str
) -> None:
    on_demo(demo, tmp_path)
    file, rows, brushes = sheet_file(sheet, history=True), rows_of(sheet), brushes_of(sheet)
    pictures = {row.id: row.png for row in Picture.select()}
    elsewhere(tmp_path)
    taken = import_sheet(came_back(file))
    assert taken.id == sheet
    assert rows_of(sheet) == rows
    builtin_aside = [{**row, "builtin": 0} for row in brushes]
    assert [{**row, "builtin": 0} for row in brushes_of(sheet)] == builtin_aside
    here = {row.id: row.png for row in Picture.select()}
    assert here.items() <= pictures.items()
    # The same sheet makes the same file again, to the byte.
    assert write_sheet_file(sheet_file(sheet, history=True)) == write_sheet_file(
        replace(file, rows={**file.rows, "sheet": sheet_file(sheet, history=True).rows["sheet"]})
    )
    database.close()


def test_the_history_comes_along_and_can_be_undone_and_redone(store: FilePath, tmp_path: FilePath) -> None:
    name = journal.find_sheet(SHEET).get("path", HEM)["name"]
    do("rename-path", path=HEM, name="Lower edge")
    do("draw-path", nodes=[{"x": 0, "y": 0}, {"x": 9, "y": 0}])
    do("rename-path", path=HEM, name="Lowest edge")
    journal.undo(SHEET, journal.current_revision(SHEET))
    file, steps = came_back(sheet_file(SHEET, history=True)), steps_of(SHEET)
    elsewhere(tmp_path)
    import_sheet(file)
    assert steps_of(SHEET) == steps

    def turned(turn: Callable[[str, int], State]) -> str:
        return str(turn(SHEET, journal.current_revision(SHEET)).get("path", HEM)["name"])

    assert turned(journal.redo) == "Lowest edge"
    assert [turned(journal.undo) for _ in range(3)] == ["Lower edge", "Lower edge", name]


def test_without_its_history_a_file_holds_none(store: FilePath) -> None:
    do("rename-path", path=HEM, name="Lower edge")
    file = sheet_file(SHEET, history=False)
    assert (file.steps, file.versions) == ([], [])
    assert len(sheet_file(SHEET, history=True).steps) == 1


def test_beside_itself_a_sheet_has_ids_of_its_own_and_looks_the_same(store: FilePath) -> None:
    do("rename-path", path=HEM, name="waistcoat")
    rows, picture = rows_of(SHEET), small_picture(journal.find_sheet(SHEET))
    taken = import_sheet(came_back(sheet_file(SHEET, history=True)))
    assert taken.id != SHEET
    assert taken.name == f"{rows['sheet'][0]['name']} 2"
    new = rows_of(taken.id)
    for kind in OF_SHEET:
        ids = {row["id"] for row in new[kind]}
        assert len(ids) == len(rows[kind])
        assert not ids & {row["id"] for row in rows[kind]}
    assert rows_of(SHEET) == rows
    # What a person called it is no id.
    assert "waistcoat" in [row["name"] for row in new["path"]]
    assert small_picture(journal.find_sheet(taken.id)) == picture
    # Brushes that are here are used as they are.
    assert brushes_of(taken.id) == brushes_of(SHEET)
    state = journal.undo(taken.id, journal.current_revision(taken.id))
    assert "waistcoat" not in [row["name"] for row in state.all("path")]
    assert "waistcoat" in [row["name"] for row in rows_of(SHEET)["path"]]


def test_a_duplicated_sheets_names_stay_even_where_they_read_like_ids(store: FilePath) -> None:
    from curlet.store.sheets import duplicate_sheet

    do("rename-path", path=HEM, name="waistcoat")
    copy = duplicate_sheet(SHEET)
    assert "waistcoat" in [row["name"] for row in journal.find_sheet(copy).all("path")]


def lay_beads() -> str:
    """A brush of the user's with a picture, laid on the hem; its id."""
    made = bench.add(beaded())
    do("lay-brush", paths=[HEM], brush=made.id)
    return made.id


def test_a_brush_comes_with_its_pictures_and_its_versions(store: FilePath, tmp_path: FilePath) -> None:
    brush = lay_beads()
    bench.change(brush, 1, gap("2 mm"))
    doc = bench.look(brush).doc
    file = sheet_file(SHEET, history=True)
    assert beaded().courses[0].motif.png not in str(parted(file).rows)  # type: ignore[union-attr]
    elsewhere(tmp_path)
    import_sheet(came_back(file))
    now = bench.look(brush)
    assert (now.doc, now.version, now.builtin) == (doc, 2, False)
    assert bench.undo(brush, 2).doc == beaded()
    assert Picture.select().count() == 1


def test_a_file_cannot_add_built_in_brushes(store: FilePath, tmp_path: FilePath) -> None:
    brush = lay_beads()
    file = came_back(sheet_file(SHEET, history=False))
    claimed = [{**row, "builtin": True} if row["id"] == brush else row for row in file.rows["brush"]]
    elsewhere(tmp_path)
    import_sheet(replace(file, rows={**file.rows, "brush": claimed}))
    assert not bench.look(brush).builtin


def test_a_brush_that_has_changed_here_since_is_added_beside(store: FilePath) -> None:
    brush = lay_beads()
    file = came_back(sheet_file(SHEET, history=False))
    bench.change(brush, 1, gap("2 mm"))
    taken = import_sheet(file)
    used = {row["id"]: row["doc"] for row in brushes_of(taken.id)}
    assert brush not in used
    (doc,) = [doc for doc in used.values() if doc["name"].startswith("Photographed beads")]
    assert doc["name"] == "Photographed beads 2"
    assert {**doc, "name": "Photographed beads"} == beaded().model_dump(mode="json")


def test_steps_on_a_brush_that_is_here_already_stay_behind_with_those_before(store: FilePath) -> None:
    do("rename-path", path=HEM, name="Before")
    lay_beads()
    run = journal.find_sheet(SHEET).runs_of(HEM)[-1]["id"]
    do("set-on-runs", runs=[run], settings=[{"pointer": "/courses/0/gap", "entered": "2 mm"}])
    do("give-to-brush", run=run)
    do("rename-path", path=HEM, name="After")
    taken = import_sheet(came_back(sheet_file(SHEET, history=True)))
    assert [label for label, _, _ in steps_of(taken.id)] == ["Rename to After"]


def test_in_place_of_a_sheet_is_one_step_that_can_be_undone(store: FilePath) -> None:
    file = came_back(sheet_file("programme", history=True))
    before, other = rows_of(SHEET), rows_of("programme")
    taken = replace_sheet(SHEET, journal.current_revision(SHEET), file)
    assert (taken.id, taken.name) == (SHEET, other["sheet"][0]["name"])
    now = rows_of(SHEET)
    assert {kind: len(rows) for kind, rows in now.items()} == {
        kind: len(rows) for kind, rows in other.items()
    }
    assert (now["sheet"][0]["width"], now["sheet"][0]["scale"]) == (
        other["sheet"][0]["width"],
        other["sheet"][0]["scale"],
    )
    assert rows_of("programme") == other
    journal.undo(SHEET, journal.current_revision(SHEET))
    after = rows_of(SHEET)
    after["sheet"][0]["revision"] = before["sheet"][0]["revision"]
    assert after == before


def test_put_back_in_its_own_place_a_sheet_is_as_it_was(store: FilePath) -> None:
    file, before = came_back(sheet_file(SHEET, history=False)), rows_of(SHEET)
    do("delete-paths", paths=[HEM])
    do("draw-path", nodes=[{"x": 0, "y": 0}, {"x": 9, "y": 0}])
    replace_sheet(SHEET, journal.current_revision(SHEET), file)
    after = rows_of(SHEET)
    after["sheet"][0]["revision"] = before["sheet"][0]["revision"]
    assert after == before
    with pytest.raises(Stale):
        replace_sheet(SHEET, 1, file)


def test_guide_pictures_come_along(store: FilePath, tmp_path: FilePath) -> None:
    picture = keep_picture(px.encoded(px.canvas(30, 20)))
    intent = AddGuide(name="Scan", picture=picture, width=30, height=20)
    journal.do(SHEET, journal.current_revision(SHEET), intent)
    file = came_back(sheet_file(SHEET, history=False))
    assert list(file.pictures) == [picture]
    elsewhere(tmp_path)
    import_sheet(file)
    assert Picture.get_by_id(picture)


def changed(file: SheetFile, kind: str, **values: Any) -> SheetFile:
    """A file with some columns of its first row of a kind changed."""
    first, *others = file.rows[kind]
    return replace(file, rows={**file.rows, kind: [{**first, **values}, *others]})


def with_step(file: SheetFile, **change: Any) -> SheetFile:
    step = {"label": "Sly", "undone": False, "changes": [{"before": None, "after": None, **change}]}
    return replace(file, steps=[*file.steps, step])


@pytest.mark.parametrize(
    ("kind", "values", "says"),
    [
        ("path", {"nodes": [{"id": "n1", "x": 0, "y": 0}] * 2}, "could not be opened again"),
        ("path", {"nodes": "none"}, "cannot be used"),
        ("path", {"position": "first"}, "position"),
        ("path", {"surprise": 1}, "surprise"),
        ("path", {"sheet": "programme"}, "does not fit together"),
        ("path", {"group": "none-such"}, "does not fit together"),
        ("path", {"area": "none-such"}, "does not fit together"),
        ("path", {"lettering": "none-such"}, "does not fit together"),
        ("run", {"brush": "none-such"}, "cannot be used|does not fit together"),
        ("run", {"path": "none-such"}, "cannot be used|does not fit together"),
        ("run", {"own": {"/courses/0/gap": "wide"}}, "cannot be"),
        ("group", {"mark": "url(http://elsewhere)"}, "mark|colour"),
        ("sheet", {"width": 1e9}, "side"),
        ("sheet", {"scale": "large"}, "scale"),
        ("sheet", {"unit": "cubit"}, "unit"),
        ("sheet", {"light_elevation": 200}, "light"),
        ("brush", {"doc": {"name": 5}}, "cannot be used"),
    ],
)
def test_what_could_not_be_kept_or_opened_is_refused_whole(
    store: FilePath, kind: str, values: dict[str, Any], says: str
) -> None:
    file = sheet_file(SHEET, history=False)
    ids = [sheet.id for sheet in Sheet.select()]
    written = "sheet.zip", write_sheet_file(changed(file, kind, **values))
    with pytest.raises(BadInput, match=says):
        sheet_files.import_sheets([written])
    assert [sheet.id for sheet in Sheet.select()] == ids
    with pytest.raises(BadInput, match=says):
        sheet_files.replace_sheet("programme", journal.current_revision("programme"), written)
    assert journal.current_revision("programme") == 1


def test_a_sheet_is_drawn_elsewhere_first_so_that_nobody_waits(
    store: FilePath, monkeypatch: pytest.MonkeyPatch
) -> None:
    """Drawing takes seconds for a full sheet, in which others write."""

    def drawn_here(state: State) -> bytes:
        raise AssertionError(f"{state.sheet['name']} is drawn while everything is locked")

    monkeypatch.setattr(sheet_files, "small_picture", drawn_here)
    written = write_sheet_file(sheet_file(SHEET, history=True))
    free = []

    def others_write() -> bool:
        with closing(sqlite3.connect(store, timeout=0)) as other:
            other.execute("BEGIN IMMEDIATE")
        free.append(True)
        return False

    (taken,) = sheet_files.import_sheets([("sheet.zip", written)], others_write)
    assert free
    assert rows_of(taken.id)["path"]


def test_what_can_be_kept_but_not_drawn_is_refused(store: FilePath, monkeypatch: pytest.MonkeyPatch) -> None:
    def fails(state: State) -> bytes:
        raise KeyError("into")

    file = sheet_file(SHEET, history=False)
    monkeypatch.setattr(sheet_files, "small_picture", fails)
    with pytest.raises(BadInput, match=r"could not be opened again.*into"):
        sheet_files.draw_alone(file)


def test_a_row_twice_or_of_an_unknown_kind_is_refused(store: FilePath) -> None:
    file = sheet_file(SHEET, history=False)
    twice = {**file.rows, "group": [file.rows["group"][0], *file.rows["group"]]}
    with pytest.raises(BadInput, match="fit together"):
        import_sheet(replace(file, rows=twice))
    with pytest.raises(BadInput, match="not known: “robot”"):
        import_sheet(replace(file, rows={**file.rows, "robot": []}))


@pytest.mark.parametrize(
    "change",
    [
        {"kind": "path", "id": "programme-1", "after": {"id": "programme-1", "sheet": "programme"}},
        {"kind": "sheet", "id": "programme"},
        {"kind": "robot", "id": "r1"},
    ],
)
def test_a_step_of_anything_else_stays_behind(store: FilePath, change: dict[str, Any]) -> None:
    if change["kind"] == "path":
        row = journal.find_sheet("programme").all("path")[0]
        change = {"kind": "path", "id": row["id"], "before": dict(row), "after": None}
    if change["kind"] == "sheet":
        change = {**change, "before": dict(journal.find_sheet("programme").sheet), "after": None}
    do("rename-path", path=HEM, name="Fine")
    file = with_step(sheet_file(SHEET, history=True), **change)
    before = rows_of("programme")
    taken = import_sheet(file)
    assert steps_of(taken.id) == []
    assert rows_of("programme") == before


def test_a_sheet_from_before_a_column_has_its_default(store: FilePath, tmp_path: FilePath) -> None:
    file = sheet_file(SHEET, history=False)
    paths = [
        {k: v for k, v in row.items() if k not in ("crop", "half", "locked")} for row in file.rows["path"]
    ]
    elsewhere(tmp_path)
    import_sheet(replace(file, rows={**file.rows, "path": paths}))
    row = journal.find_sheet(SHEET).get("path", HEM)
    assert (row["crop"], row["half"], row["locked"]) == ({}, {}, False)


def test_a_word_that_reads_like_a_brushs_id_stays_that_word(store: FilePath) -> None:
    """A built-in of another version of Curlet: its id is here, and also what its motif's family is called."""
    do("lay-brush", paths=[HEM], brush="zigzag")
    file = came_back(sheet_file(SHEET, history=False))
    brushes = [
        {**row, "doc": {**row["doc"], "threads": ["#123456"]}} if row["id"] == "zigzag" else row
        for row in file.rows["brush"]
    ]
    taken = import_sheet(replace(file, rows={**file.rows, "brush": brushes}))
    (new,) = [row for row in brushes_of(taken.id) if row["doc"]["threads"] == ["#123456"]]
    assert new["id"] != "zigzag"
    assert new["doc"]["courses"][0]["motif"]["family"] == "zigzag"
    assert new["doc"]["kind"] == "stitch"
