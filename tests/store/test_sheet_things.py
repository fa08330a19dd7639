"""What lies on a sheet beside its paths: cloth, guides, single repeats, check marks; and the sheets."""

from __future__ import annotations

import json
import math
import sqlite3
from pathlib import Path as FilePath

import pytest

from curlet.core.dress.relief import LIGHT
from curlet.core.errors import BadInput
from curlet.formats.guide_in import read_guide
from curlet.store import bench, journal, sheets
from curlet.store.commands import AddGuide
from curlet.store.commands.arrange import MovePaths
from curlet.store.database import (
    MIGRATIONS,
    _add_areas,
    _add_light,
    _rename_background,
    _rename_cloths,
    database,
    open_database,
)
from curlet.store.errors import Conflict, Missing
from curlet.store.pictures import find_picture, keep_picture
from curlet.store.records import Json
from curlet.store.state import State
from curlet.studio.drawn_sheet import as_drawn, sheet_drawing, single_group
from tests.pixels import canvas, encoded
from tests.store.test_path_commands import HEM, SHEET, do

FRONT = "waistcoat-front-r"


def test_cloth_fills_closed_paths_alone(store: FilePath) -> None:
    cloth = {"weave": "denim", "warp": "navy", "weft": "#ddd", "ends": "26", "picks": "9*2"}
    state = do("set-fill", paths=[FRONT], fill=cloth)
    assert state.get("path", FRONT)["fill"]["picks"] == 18
    (fill, *_) = next(g for _, g in as_drawn(state) if g.id == f"path-{FRONT}").items[0].shapes  # type: ignore[union-attr]
    assert fill.fill.width == pytest.approx(4 * 10 / 26 * state.scale.factor)  # type: ignore[union-attr]
    with pytest.raises(BadInput, match="is open"):
        do("set-fill", paths=[HEM], fill=cloth)
    with pytest.raises(BadInput, match="not a colour"):
        do("set-fill", paths=[FRONT], fill={**cloth, "warp": "navyish"})
    assert do("set-fill", paths=[FRONT]).get("path", FRONT)["fill"] == {}


def guide(state_width: int = 400) -> tuple[State, Json]:
    picture = keep_picture(encoded(canvas(300, state_width)))
    intent = AddGuide(name="Scan", picture=picture, width=state_width, height=300)
    state = journal.do(SHEET, journal.current_revision(SHEET), intent)
    return state, state.all("guide")[-1]


def test_a_guide_picture_is_calibrated_by_a_known_length(store: FilePath) -> None:
    state, row = guide()
    start, finish = (row["x"] - 30, row["y"] + 10), (row["x"] + 30, row["y"] - 70)
    state = do("calibrate-guide", guide=row["id"], start=start, finish=finish, length="200 mm")
    after = state.get("guide", row["id"])
    k = 200 * state.scale.factor / 100
    assert (after["width"], after["height"]) == (
        pytest.approx(row["width"] * k),
        pytest.approx(row["height"] * k),
    )
    # The line's start stays under the hand, and the line is now as long as stated.
    before, now = ((g["x"] - start[0], g["y"] - start[1]) for g in (row, after))
    assert now == pytest.approx((before[0] * k, before[1] * k))
    assert math.dist(start, finish) * k / state.scale.factor == pytest.approx(200)
    with pytest.raises(BadInput, match="two places apart"):
        do("calibrate-guide", guide=row["id"], start=start, finish=start, length="2 mm")


def test_a_guide_is_moved_sized_and_turned_by_its_grips(store: FilePath) -> None:
    _, row = guide()
    x, y, width, height = (row[key] for key in ("x", "y", "width", "height"))

    def drag(grip: str, to: tuple[float, float], **more: bool) -> Json:
        state = do("drag-guide", guide=row["id"], grip=grip, x=to[0], y=to[1], **more)
        return state.get("guide", row["id"])

    # An edge half as far from the middle as it was: half as large, about its middle.
    sized = drag("right", (x + width / 4, y + 7))
    assert (sized["x"], sized["y"]) == (x, y)
    assert (sized["width"], sized["height"]) == (pytest.approx(width / 2), pytest.approx(height / 2))
    assert drag("top", (x + 3, y - height))["height"] == pytest.approx(2 * height)
    assert drag("left", (x - width / 4, y))["width"] == pytest.approx(width / 2)
    # The arc brought below the middle: a quarter turn clockwise.
    assert drag("arc", (x, y + 50))["turn"] == pytest.approx(90)
    # Turned so, its right edge is below it and its lower one to the left.
    assert drag("right", (x + 9, y + width))["width"] == pytest.approx(2 * width)
    assert drag("bottom", (x - height / 2, y))["height"] == pytest.approx(height)
    assert drag("arc", (x + 45, y + 50), steady=True)["turn"] == 45
    moved = drag("middle", (x + 8, y + 3), steady=True)
    assert (moved["x"], moved["y"]) == (x + 8, y)
    with pytest.raises(BadInput, match="width"):
        drag("right", (x - 8, y))
    do("set-guide", guide=row["id"], locked=True)
    with pytest.raises(BadInput, match="Unlock it first"):
        drag("middle", (0, 0))


def test_a_locked_guide_stays_where_it_is(store: FilePath) -> None:
    _, row = guide()
    do("set-guide", guide=row["id"], locked=True)
    for values in ({"x": "5 mm"}, {"width": "20 cm"}, {"turn": "9"}):
        with pytest.raises(BadInput, match="Unlock it first"):
            do("set-guide", guide=row["id"], **values)
    state = do("set-guide", guide=row["id"], fade="30 %")
    free = do("set-guide", guide=row["id"], x="40 cm", locked=False)
    assert free.get("guide", row["id"])["x"] == pytest.approx(400 * free.scale.factor)
    assert state.get("guide", row["id"])["fade"] == 30
    assert do("remove-guide", guide=row["id"]).all("guide") == []


def test_pictures_and_drawings_are_read_as_guides() -> None:
    line = '<path d="M2 2h30" stroke="#000"/>'
    svg = f'<svg xmlns="http://www.w3.org/2000/svg" width="40" height="20">{line}</svg>'.encode()
    drawn = read_guide(svg)
    assert drawn.width == pytest.approx(2 * drawn.height, abs=2)
    for form in ("PNG", "JPEG", "WEBP"):
        assert read_guide(encoded(canvas(30, 50), form)).width == 50
    for bad in (b"", b"GIF89a", b"<svg", b"\x89PNG\r\n\x1a\n" + bytes(30)):
        with pytest.raises(BadInput):
            read_guide(bad)
    with pytest.raises(Missing):
        find_picture("none")


def test_a_single_repeat_is_one_of_its_brush(store: FilePath) -> None:
    state = do("place-single", brush="rope", x=100, y=80, turn="90")
    one = state.all("single")[-1]
    group = single_group(state, one)
    # A three-strand rope's repeat: its mark once, over its band.
    rows = [item for part in group.items for item in getattr(part, "items", (part,))]
    assert rows
    state = do("set-single", single=one["id"], x=120, size="200 %")
    assert (state.get("single", one["id"])["x"], state.get("single", one["id"])["size"]) == (120, 200)
    with pytest.raises(BadInput, match="size"):
        do("set-single", single=one["id"], size="0 %")
    # A thread alone, with no colour for it, changes nothing of it.
    assert do("set-single", single=one["id"], thread=0, x=130).get("single", one["id"])["own"] == {}
    assert do("remove-singles", singles=[one["id"]]).all("single") == []


def test_a_brush_in_single_repeats_is_used(store: FilePath) -> None:
    own = bench.add(bench.look("rope").doc)
    do("place-single", brush=own.id, x=1, y=1)
    with pytest.raises(Conflict, match="is used"):
        bench.remove(own.id)


def test_a_check_mark_goes_with_its_path(store: FilePath) -> None:
    state = do("keep-mark", mark={"what": "along", "places": [[60, 180], [90, 190]], "path": HEM})
    assert len(state.all("mark")) == 1
    assert do("delete-paths", paths=[HEM]).all("mark") == []
    assert len(journal.undo(SHEET, journal.current_revision(SHEET)).all("mark")) == 1


@pytest.mark.parametrize(
    ("drawn", "length", "scale"), [(50, "20 cm", "1:4"), (30, "30 mm", "1:1"), (40, "1 cm", "4:1")]
)
def test_a_known_length_sets_the_scale(store: FilePath, drawn: float, length: str, scale: str) -> None:
    do("set-sheet", scale="1:7")
    assert do("scale-by-length", drawn=drawn, length=length).sheet["scale"] == scale


def test_sheets_are_begun_in_their_unit(store: FilePath) -> None:
    begun = sheets.begin_sheet("Banner", "12", "18 1/2", "1:2", "in")
    row = journal.find_sheet(begun).sheet
    assert (row["width"], row["height"]) == (pytest.approx(304.8), pytest.approx(469.9))
    again = sheets.begin_sheet("Banner", "210 mm", "297", "1:1", "mm")
    assert journal.find_sheet(again).sheet["name"] == "Banner 2"
    for size in ("1", "wide", "40 m"):
        with pytest.raises(BadInput):
            sheets.begin_sheet("Bad", size, "100", "1:1", "mm")


def test_a_duplicated_sheet_is_apart_from_its_original(store: FilePath) -> None:
    letters = do("write-lettering", text="SEAM", font="graduate", along=HEM, entered={"caps": "20 mm"})
    do("place-single", brush="rope", x=9, y=9)
    do("keep-mark", mark={"what": "along", "places": [[60, 180], [90, 190]], "path": HEM})
    copy = sheets.duplicate_sheet(SHEET)
    before, after = journal.find_sheet(SHEET), journal.find_sheet(copy)
    for kind in ("group", "path", "run", "lettering", "single", "mark"):
        assert len(after.all(kind)) == len(before.all(kind)) > 0
        assert not {row["id"] for row in after.all(kind)} & {row["id"] for row in before.all(kind)}
    hem = next(path["id"] for path in after.all("path") if path["name"] == "Hem R")
    assert after.all("lettering")[0]["doc"]["along"] == hem
    assert after.all("mark")[0]["doc"]["path"] == hem
    assert letters.all("lettering")[0]["doc"]["along"] == HEM
    journal.do(copy, journal.current_revision(copy), journal_move(hem))
    assert journal.find_sheet(SHEET).get("path", HEM) == before.get("path", HEM)


def journal_move(path: str) -> MovePaths:
    return MovePaths(kind="move-paths", paths=[path], x=5, y=5)


def test_what_is_archived_is_restored_and_the_last_sheet_stays(store: FilePath) -> None:
    every = [row["id"] for row in sheets.list_sheets()]
    for sheet in every[1:]:
        sheets.archive(sheet, archived=True)
    with pytest.raises(BadInput, match="last sheet"):
        sheets.archive(every[0], archived=True)
    assert {row["id"] for row in sheets.list_sheets(removed=True)} == set(every[1:])
    for sheet in every[1:]:
        sheets.archive(sheet, archived=False)
    assert [row["id"] for row in sheets.list_sheets()] == every


def test_a_background_and_steps_from_when_it_was_called_ground_still_work(store: FilePath) -> None:
    do("set-sheet", background_cloth={"weave": "denim"})
    kept = journal.find_sheet(SHEET).sheet
    database.close()
    with sqlite3.connect(store) as db:
        for column in ("background", "background_cloth"):
            old = column.replace("background", "ground")
            db.execute(f"ALTER TABLE sheet RENAME COLUMN {column} TO {old}")
            db.execute("UPDATE step SET changes = replace(changes, ?, ?)", (f'"{column}":', f'"{old}":'))
        db.execute(f"PRAGMA user_version = {MIGRATIONS.index(_rename_background)}")
    db.close()
    open_database(store)
    assert journal.find_sheet(SHEET).sheet == kept
    back = journal.undo(SHEET, journal.current_revision(SHEET))
    assert (back.sheet["background"], back.sheet["background_cloth"]) == ("light", {})
    again = journal.redo(SHEET, journal.current_revision(SHEET))
    assert again.sheet["background_cloth"] == kept["background_cloth"]


def test_cloths_and_steps_from_when_they_were_no_fills_still_work(store: FilePath) -> None:
    do("set-fill", paths=[FRONT], fill={"weave": "denim"})
    kept = journal.find_sheet(SHEET).get("path", FRONT)
    database.close()
    with sqlite3.connect(store) as db:
        db.execute("ALTER TABLE sheet_path RENAME COLUMN fill TO cloth")
        db.execute("""UPDATE step SET changes = replace(changes, '"fill":', '"cloth":')""")
        for table, column in (("sheet_path", "cloth"), ("step", "changes")):
            db.execute(f"""UPDATE {table} SET {column} = replace({column}, '"kind":"cloth",', '')""")
        db.execute(f"PRAGMA user_version = {MIGRATIONS.index(_rename_cloths)}")
    db.close()
    open_database(store)
    found = journal.find_sheet(SHEET).get("path", FRONT)
    assert {"kind": "cloth", **found["fill"]} == kept["fill"]
    assert sheet_drawing(journal.find_sheet(SHEET), with_lines=True, runs=[]).groups
    back = journal.undo(SHEET, journal.current_revision(SHEET))
    assert back.get("path", FRONT)["fill"] == {}
    assert journal.redo(SHEET, journal.current_revision(SHEET)).get("path", FRONT)["fill"] == found["fill"]


def test_a_sheet_from_before_it_had_a_light_gets_one_and_its_steps_still_go_back(store: FilePath) -> None:
    do("set-sheet", background="dark")
    database.close()
    columns = ("light_azimuth", "light_elevation")
    with sqlite3.connect(store) as db:
        for step, text in db.execute("SELECT id, changes FROM step").fetchall():
            changes = json.loads(text)
            for row in (row for change in changes for row in (change["before"], change["after"]) if row):
                for column in columns:
                    row.pop(column, None)
            db.execute("UPDATE step SET changes = ? WHERE id = ?", (json.dumps(changes), step))
        for column in columns:
            db.execute(f"ALTER TABLE sheet DROP COLUMN {column}")
        db.execute(f"PRAGMA user_version = {MIGRATIONS.index(_add_light)}")
    db.close()
    open_database(store)
    assert journal.find_sheet(SHEET).light == LIGHT
    do("set-sheet", light_azimuth="90")
    for _ in range(2):
        journal.undo(SHEET, journal.current_revision(SHEET))
    back = journal.find_sheet(SHEET)
    assert (back.sheet["background"], back.light) == ("light", LIGHT)


def test_a_sheet_from_before_there_were_areas_has_them_and_its_steps_still_go_back(store: FilePath) -> None:
    do("rename-path", path=HEM, name="Foot")
    database.close()
    columns = {"sheet_path": ("area", "crop"), "run": ("crop",)}
    with sqlite3.connect(store) as db:
        for step, text in db.execute("SELECT id, changes FROM step").fetchall():
            changes = json.loads(text)
            for row in (row for change in changes for row in (change["before"], change["after"]) if row):
                for column in ("area", "crop"):
                    row.pop(column, None)
            db.execute("UPDATE step SET changes = ? WHERE id = ?", (json.dumps(changes), step))
        for table, names in columns.items():
            for column in names:
                db.execute(f"ALTER TABLE {table} DROP COLUMN {column}")
        db.execute("DROP TABLE area")
        db.execute(f"PRAGMA user_version = {MIGRATIONS.index(_add_areas)}")
    db.close()
    open_database(store)
    assert journal.undo(SHEET, journal.current_revision(SHEET)).get("path", HEM)["name"] == "Hem R"
    welts = [{"kind": "path", "id": f"waistcoat-welt-pocket-{side}"} for side in "rl"]
    state = do("make-area", members=welts)
    assert len(state.all("area")) == 1
    do("crop-paths", paths=[HEM], to={"kind": "area", "id": state.all("area")[0]["id"]})
