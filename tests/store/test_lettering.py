"""Text on the sheet: linked to its letters' runs and to the path that it stands on."""

from __future__ import annotations

from pathlib import Path as FilePath

import numpy as np
import pytest

from curlet.core.errors import BadInput, TooMuch
from curlet.core.path.flat import flat
from curlet.formats.fonts import FOLDER, LARGEST, read_font
from curlet.formats.lettering_doc import LetteringDoc
from curlet.store import fonts, journal
from curlet.store.commands.clip import copied
from curlet.store.crops import clip_of
from curlet.store.errors import Conflict
from curlet.store.fonts import find_font
from curlet.store.lettering import letters_of
from curlet.store.paths import contours_of, core_path, element_of
from curlet.store.records import Json
from curlet.store.state import State
from tests.store.test_areas import drawn, edges, made, of_paths, size
from tests.store.test_crops import sizes
from tests.store.test_path_commands import HEM, SHEET, do


def written(**values: object) -> tuple[State, Json]:
    given = {"text": "MOON", "font": "graduate", "entered": {"caps": "80 mm"}, "x": 20, "y": 100, **values}
    state = do("write-lettering", **given)
    return state, state.all("lettering")[-1]


def test_text_stands_in_the_middle_of_the_sheet_unless_it_is_placed(store: FilePath) -> None:
    state, text = written(x=None, y=None)
    assert (text["doc"]["x"], text["doc"]["y"]) == (state.sheet["width"] / 2, state.sheet["height"] / 2)


def test_letters_keep_their_runs_when_the_text_changes(store: FilePath) -> None:
    state, text = written()
    letters = [path["id"] for path in letters_of(state, text["id"])]
    do("lay-brush", paths=letters, brush="rope")
    state = do("set-lettering", lettering=text["id"], text="MOONS", entered={"caps": "60 mm"})
    after = letters_of(state, text["id"])
    assert letters == [path["id"] for path in after[: len(letters)]]
    assert all(state.runs_of(path["id"])[0]["brush"] == "rope" for path in after)
    state = do("set-lettering", lettering=text["id"], text="MO")
    assert len(letters_of(state, text["id"])) == 3
    for _ in range(4):
        state = journal.undo(SHEET, journal.current_revision(SHEET))
    assert state.all("lettering") == []


def test_text_stays_on_a_path_that_moves(store: FilePath) -> None:
    state, text = written(along=HEM, text="SEAM", entered={"caps": "20 mm"})
    first = core_path(letters_of(state, text["id"])[0]).points
    state = do("move-paths", paths=[HEM], x=7, y=-3)
    assert core_path(letters_of(state, text["id"])[0]).points - first == pytest.approx(
        np.tile([7, -3], (len(first), 1))
    )
    with pytest.raises(BadInput, match="stands on a path"):
        do("move-paths", paths=[letters_of(state, text["id"])[0]["id"]], x=1, y=1)
    with pytest.raises(BadInput, match="stands on a path"):
        do("turn-paths", paths=[letters_of(state, text["id"])[0]["id"]], angle="9")
    # Once its path is gone it is nodes, where it was.
    state = do("delete-paths", paths=[HEM])
    assert state.all("lettering") == []
    assert sum(path["name"].endswith("of SEAM") for path in state.all("path")) >= 4


def test_text_is_moved_turned_and_sized_as_one(store: FilePath) -> None:
    state, text = written()
    letters = letters_of(state, text["id"])
    state = do("turn-paths", paths=[path["id"] for path in letters], angle="90", size="50 %")
    doc = state.get("lettering", text["id"])["doc"]
    assert (doc["turn"], doc["caps"]) == (pytest.approx(90), pytest.approx(text["doc"]["caps"] / 2))
    again = do("turn-paths", paths=[path["id"] for path in letters], angle="20")
    assert again.get("lettering", text["id"])["doc"]["turn"] == pytest.approx(110)
    state = journal.undo(SHEET, journal.current_revision(SHEET))
    height = np.ptp(core_path(letters_of(state, text["id"])[0]).points[:, 0])
    assert height == pytest.approx(text["doc"]["caps"] / 2, rel=0.01)
    before = core_path(letters_of(state, text["id"])[0]).points
    state = do("move-paths", paths=[letters[0]["id"], letters[1]["id"]], x=5, y=0)
    assert core_path(letters_of(state, text["id"])[0]).points - before == pytest.approx(
        np.tile([5, 0], (len(before), 1))
    )


def test_text_that_is_sized_is_as_bold_for_its_size(store: FilePath) -> None:
    state, text = written(entered={"caps": "80 mm", "bold": "2 mm"})
    letters = [path["id"] for path in letters_of(state, text["id"])]
    doc = do("turn-paths", paths=letters, size="50 %").get("lettering", text["id"])["doc"]
    assert doc["bold"] == pytest.approx(text["doc"]["bold"] / 2)


def test_text_is_turned_clockwise_about_where_it_begins(store: FilePath) -> None:
    """By a quarter: what lay to the right of it lies below, y downward (common practice)."""
    doc = LetteringDoc(text="L", font="graduate", x=10.0, y=20.0)
    level, turned = (
        doc.model_copy(update={"turn": turn}).write(find_font("graduate"), None)[0].path.points - (10, 20)
        for turn in (0.0, 90.0)
    )
    assert turned == pytest.approx(np.stack([-level[:, 1], level[:, 0]], axis=1), abs=1e-9)


def test_letters_are_not_taken_apart_until_they_are_nodes(store: FilePath) -> None:
    state, text = written()
    one, *_ = letters_of(state, text["id"])
    for kind, values in {
        "delete-paths": {"paths": [one["id"]]},
        "move-nodes": {"path": one["id"], "moves": [{"id": "n1", "x": 1, "y": 1}]},
        "simplify-paths": {"paths": [one["id"]], "within": "1 mm"},
    }.items():
        with pytest.raises(BadInput, match="to paths first"):
            do(kind, **values)
    do("free-lettering", lettering=text["id"])
    state = do("move-nodes", path=one["id"], moves=[{"id": "n1", "x": 1, "y": 1}])
    assert state.get("path", one["id"])["lettering"] is None


@pytest.mark.parametrize("align", ["left", "centre", "right"])
def test_a_text_is_written_about_the_middle_however_it_is_aligned(store: FilePath, align: str) -> None:
    state, text = written(text="OO\nO", align=align, about=True)
    nodes = np.concatenate([core_path(row).points for row in letters_of(state, text["id"])])
    assert (nodes.min(axis=0) + nodes.max(axis=0)) / 2 == pytest.approx((20, 100), abs=0.2)


def test_a_duplicated_text_is_a_text_of_its_own(store: FilePath) -> None:
    state, text = written(text="Ox")
    letters = [path["id"] for path in letters_of(state, text["id"])]
    do("lay-brush", paths=letters[:1], brush="topstitch")
    state = do("duplicate-paths", paths=letters)
    copy = next(row for row in state.all("lettering") if row["id"] != text["id"])
    assert copy["doc"]["text"] == "Ox"
    assert copy["doc"]["x"] == pytest.approx(text["doc"]["x"] + 5)
    # The copies wear what their letters wear, and are written anew with their own text.
    first = letters_of(state, copy["id"])[0]
    assert [run["brush"] for run in state.runs_of(first["id"])] == ["topstitch"]
    state = do("set-lettering", lettering=copy["id"], text="O")
    assert len(letters_of(state, text["id"])) == len(letters)
    # Of a part of the letters only plain paths are made.
    state = do("duplicate-paths", paths=letters[:1])
    assert len(state.all("lettering")) == 2


def test_a_text_duplicated_with_its_path_stands_on_the_copy(store: FilePath) -> None:
    state, text = written(text="Ox", along=HEM)
    letters = [path["id"] for path in letters_of(state, text["id"])]
    state = do("duplicate-paths", paths=[HEM, *letters])
    copy = next(row for row in state.all("lettering") if row["id"] != text["id"])
    assert copy["doc"]["along"] not in (None, HEM)
    state = do("duplicate-paths", paths=letters)
    beside = [row["doc"] for row in state.all("lettering")][-1]
    assert (beside["along"], beside["rise"]) == (HEM, text["doc"]["rise"] + 5)


def test_all_of_a_text_is_deleted_with_it(store: FilePath) -> None:
    state, text = written()
    state = do("delete-paths", paths=[path["id"] for path in letters_of(state, text["id"])])
    assert state.all("lettering") == []


def test_locked_text_stays_as_it_is(store: FilePath) -> None:
    state, text = written()
    do("lock-paths", paths=[path["id"] for path in letters_of(state, text["id"])], locked=True)
    with pytest.raises(BadInput, match="Unlock it first"):
        do("set-lettering", lettering=text["id"], text="SUN")


def test_a_font_of_ones_own_is_brought_used_and_let_go(store: FilePath) -> None:
    data = (FOLDER / "pacifico.woff2").read_bytes()
    font = fonts.add_font(*read_font(data))
    assert (font.name, font.own) == ("Pacifico", True)
    assert fonts.add_font(*read_font(data)) == font
    _, text = written(font=font.id)
    with pytest.raises(Conflict, match="written in this font"):
        fonts.remove_font(font.id)
    do("set-lettering", lettering=text["id"], font="graduate")
    fonts.remove_font(font.id)
    with pytest.raises(BadInput, match="no longer here"):
        do("set-lettering", lettering=text["id"], font=font.id)


@pytest.mark.parametrize(
    "data",
    [b"", b"not a font", b"wOF2" + bytes(200), b"\0\1\0\0" + b"\xff" * 400, b"OTTO" + bytes(64)],
    ids=["empty", "words", "broken woff2", "broken ttf", "broken otf"],
)
def test_what_is_no_font_is_refused(store: FilePath, data: bytes) -> None:
    with pytest.raises(BadInput, match="font cannot be read"):
        fonts.add_font(*read_font(data))


def test_a_damaged_or_huge_font_is_refused(store: FilePath) -> None:
    whole = (FOLDER / "graduate.woff2").read_bytes()
    for cut in (60, len(whole) // 2, len(whole) - 40):
        with pytest.raises(BadInput):
            read_font(whole[:cut])
    with pytest.raises(TooMuch, match="larger than"):
        read_font(bytes(LARGEST + 1))


FILL = {"weave": "colour", "warp": "#b4143c", "weft": "#b4143c"}


def counters(state: State, text: str) -> list[int]:
    """How many contours each letter's shape has, letter by letter."""
    shapes: dict[str, int] = {}
    for path in letters_of(state, text):
        shapes[element_of(path)] = len(contours_of(state, path))
    return list(shapes.values())


def test_a_letter_is_one_shape_with_its_counter_as_text_as_paths_and_as_copies(store: FilePath) -> None:
    state, text = written(text="MOB")
    assert counters(state, text["id"]) == [1, 2, 3]
    state = do("set-lettering", lettering=text["id"], text="MBO")
    assert counters(state, text["id"]) == [1, 3, 2]
    letters = [path["id"] for path in letters_of(state, text["id"])]
    state = do("duplicate-paths", paths=letters)
    assert counters(state, state.all("lettering")[-1]["id"]) == [1, 3, 2]
    state = do("free-lettering", lettering=text["id"])
    assert sorted(len(contours_of(state, state.get("path", letter))) for letter in letters) == [
        *(1, 2, 2, 3, 3, 3)
    ]


def test_pasted_letters_keep_their_counters(store: FilePath) -> None:
    state, text = written(text="O")
    ring = [path["id"] for path in letters_of(state, text["id"])]
    before = {path["id"] for path in state.all("path")}
    state = do("paste", clip=copied(state, ring).model_dump(mode="json"))
    new = [path for path in state.all("path") if path["id"] not in before]
    assert [len(contours_of(state, path)) for path in new] == [2, 2]


def test_new_letters_are_filled_as_the_first_one(store: FilePath) -> None:
    state, text = written(text="MO")
    do("set-fill", paths=[path["id"] for path in letters_of(state, text["id"])], fill=FILL)
    state = do("set-lettering", lettering=text["id"], text="MOB")
    assert all(path["fill"].get("warp") == "#b4143c" for path in letters_of(state, text["id"]))


def test_open_lines_of_a_pens_text_are_not_filled(store: FilePath) -> None:
    """An O closes, an L does not."""
    state, text = written(text="O", font="one-line")
    do("set-fill", paths=[path["id"] for path in letters_of(state, text["id"])], fill=FILL)
    state = do("set-lettering", lettering=text["id"], text="OL")
    assert [(path["closed"], bool(path["fill"])) for path in letters_of(state, text["id"])] == [
        (True, True),
        (False, False),
    ]


@pytest.mark.parametrize("renderer", ["svg", "png"])
def test_a_filled_letter_is_open_in_its_counter(store: FilePath, renderer: str) -> None:
    state, text = written(text="O")
    letters = [path["id"] for path in letters_of(state, text["id"])]
    state = do("set-fill", paths=letters, fill=FILL)
    state, ring = made(of_paths(*letters))
    seen = sizes(state, letters[0])[renderer == "svg"]
    assert seen == pytest.approx(size(state, ring), rel=0.01)


def test_letters_of_an_area_keep_their_counters_and_one_contour_is_what_it_encloses(store: FilePath) -> None:
    """An O is a ring; of its outer contour alone, all within it."""
    state, text = written(text="O")
    outer, inner = (path["id"] for path in letters_of(state, text["id"]))
    state, ring = made(of_paths(outer, inner))
    state, disc = made(of_paths(outer))
    state, hole = made(of_paths(inner))
    assert len(edges(state, ring)) == 2
    assert size(state, ring) == pytest.approx(size(state, disc) - size(state, hole))
    plate = drawn(0, 0, 200, 200)
    state, cut = made([*of_paths(plate), *of_paths(outer, inner)], "cut")
    assert size(state, cut) == pytest.approx(40_000 - size(state, ring))


def test_what_is_cropped_to_a_letter_is_not_seen_in_its_counter(store: FilePath) -> None:
    state, text = written(text="O")
    outer, inner = (path["id"] for path in letters_of(state, text["id"]))
    plate = drawn(0, 0, 200, 200)
    seen = {}
    for shape in (outer, inner):
        state = do("crop-paths", paths=[plate], to={"kind": "path", "id": shape})
        clip = clip_of(state, state.get("path", plate))
        assert clip
        seen[shape] = flat(clip, 0.001).polygon(False).area
    state, ring = made(of_paths(outer, inner))
    assert seen[outer] == pytest.approx(size(state, ring))
    assert 0 < seen[inner] < seen[outer]
