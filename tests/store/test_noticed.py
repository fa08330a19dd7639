"""What is kept of a step, number by number."""

from __future__ import annotations

from pathlib import Path as FilePath

import numpy as np
import pytest

from curlet.core.errors import BadInput
from curlet.core.measures import Scale
from curlet.formats.path_doc import FactsDoc
from curlet.store import bench, journal, sheets
from curlet.store.edits.courses import SetWidth
from curlet.store.match_line import matched
from curlet.store.paths import core_path
from curlet.store.state import load_state
from tests.store.test_path_commands import HEM, SHEET, do
from tests.store.test_sheet_things import guide


def test_a_guide_picture_lies_in_the_sheets_middle_and_keeps_its_proportions(store: FilePath) -> None:
    state, row = guide(400)
    assert (row["x"], row["y"]) == (state.sheet["width"] / 2, state.sheet["height"] / 2)
    assert row["height"] / row["width"] == pytest.approx(3 / 4)
    state = do("set-guide", guide=row["id"], width="100 mm")
    after = state.get("guide", row["id"])
    assert after["width"] == pytest.approx(100 * state.scale.factor)
    assert after["height"] == pytest.approx(75 * state.scale.factor)


def test_the_usual_sizes_are_iso_216s_and_the_letters(store: FilePath) -> None:
    """ISO 216; ANSI/ASME Y14.1 for letter and tabloid."""
    found = {preset.name: (preset.width, preset.height) for preset in sheets.PRESETS}
    assert (found["A5"], found["A4"], found["A3"], found["A2"]) == (
        (148, 210), (210, 297), (297, 420), (420, 594),
    )  # fmt: skip
    letter = next(size for name, size in found.items() if name.startswith("Letter"))
    assert letter == (215.9, 279.4)


@pytest.mark.parametrize(("shape", "equal"), [("line", False), ("equal", True)])
def test_handles_in_line_keep_their_lengths_unless_they_are_equal(
    store: FilePath, shape: str, equal: bool
) -> None:
    nodes = [
        {"x": 0, "y": 0},
        {"x": 50, "y": 0, "into": [30, 5], "out": [60, 20]},
        {"x": 100, "y": 0},
    ]
    state = do("draw-path", nodes=nodes, closed=False, group=None, goes_on=None, arrives=None)
    path = state.all("path")[-1]
    node = path["nodes"][1]["id"]
    state = do("shape-node", path=path["id"], nodes=[node], shape=shape)
    row = state.get("path", path["id"])["nodes"][1]
    at, into, out = (np.array(part) for part in ((row["x"], row["y"]), row["into"], row["out"]))
    lengths = np.hypot(*(into - at)), np.hypot(*(out - at))
    assert np.cross(into - at, out - at) == pytest.approx(0, abs=1e-6)
    assert bool(lengths[0] == pytest.approx(lengths[1])) is equal
    if not equal:
        assert sorted(lengths) == pytest.approx(sorted((np.hypot(20, 5), np.hypot(10, 20))))


def test_more_paths_than_one_statement_takes_are_deleted(store: FilePath) -> None:
    nodes = [{"x": 0, "y": 0}, {"x": 9, "y": 0}]
    state = do("draw-path", nodes=nodes, closed=False, group=None, goes_on=None, arrives=None)
    path = state.all("path")[-1]["id"]
    while len(state.all("path")) < 1_100:
        state = do("duplicate-paths", paths=[row["id"] for row in state.all("path") if row["group"] is None])
    loose = [row["id"] for row in state.all("path") if row["group"] is None]
    assert path in loose
    state = do("delete-paths", paths=loose)
    assert not [row for row in state.all("path") if row["group"] is None]
    assert state.get("path", HEM)


def test_the_oldest_steps_go_only_when_there_are_too_many(
    store: FilePath, monkeypatch: pytest.MonkeyPatch
) -> None:
    monkeypatch.setattr(journal, "MAX_STEPS", 2)
    do("rename-path", path=HEM, name="A")
    do("rename-path", path=HEM, name="B")
    for _ in range(2):
        state = journal.undo(SHEET, journal.current_revision(SHEET))
    assert state.get("path", HEM)["name"] == "Hem R"


def test_a_sheet_is_begun_and_copied_among_the_current_ones(store: FilePath) -> None:
    made = sheets.begin_sheet("Tailcoat", "100", "80", "1:2", "mm")
    copy = sheets.duplicate_sheet(made)
    assert {made, copy} <= {sheet["id"] for sheet in sheets.list_sheets()}
    sheets.archive(made, archived=True)
    assert made not in {sheet["id"] for sheet in sheets.list_sheets()}
    # A copy of what is archived is current.
    assert sheets.duplicate_sheet(made) in {sheet["id"] for sheet in sheets.list_sheets()}


def test_steps_are_told_by_how_many_and_by_name(store: FilePath) -> None:
    do("delete-paths", paths=["waistcoat-dart-r"])
    assert journal.undo_labels(SHEET)[0] == "Delete Dart R"
    do("delete-paths", paths=["waistcoat-dart-l", "waistcoat-armhole-l"])
    assert journal.undo_labels(SHEET)[0] == "Delete 2 paths"


def test_a_seam_group_without_a_name_is_called_group(store: FilePath) -> None:
    state = do("set-group", group="waistcoat-hems", name=" ")
    assert state.get("group", "waistcoat-hems")["name"] == "Group"
    state = do("set-group", group="waistcoat-hems", name=" Feet ")
    assert state.get("group", "waistcoat-hems")["name"] == "Feet"


@pytest.mark.parametrize(("way", "axis"), [("across", 0), ("down", 1)])
def test_paths_are_spread_one_way_only(store: FilePath, way: str, axis: int) -> None:
    paths = [HEM, "waistcoat-welt-pocket-r", "waistcoat-dart-l"]

    def middles(state: object) -> np.ndarray:
        boxes = [core_path(state.get("path", path)).points for path in paths]  # type: ignore[attr-defined]
        return np.array([(box.min(axis=0) + box.max(axis=0)) / 2 for box in boxes])

    before = middles(load_state(SHEET))
    after = middles(do("spread-paths", paths=paths, way=way))
    assert after[:, 1 - axis] == pytest.approx(before[:, 1 - axis])
    assert np.diff(np.sort(after[:, axis]), 2) == pytest.approx(0, abs=1.0)


def test_a_width_of_nought_is_refused(store: FilePath) -> None:
    made = bench.add(bench.look("satin").doc)
    for entered in ("0 mm", "-2 mm"):
        edit = SetWidth(kind="set-width", course=0, entered=entered)
        with pytest.raises(BadInput, match="above 0"):
            bench.change(made.id, made.version, edit.apply)
    edit = SetWidth(kind="set-width", course=0, entered="0.5 mm")
    bench.change(made.id, made.version, edit.apply)


def test_a_line_of_very_many_dashes_is_matched_by_as_many_letters_as_there_are(store: FilePath) -> None:
    dashes = tuple(1.0 + i / 10 if i % 2 == 0 else 1.0 for i in range(26))
    doc = matched("Dashed", FactsDoc(stroke="#000000", weight=0.3, dashes=dashes))
    (row,) = doc.courses
    assert len(row.more) == 11  # type: ignore[union-attr]
    doc.to_core().check(Scale())
