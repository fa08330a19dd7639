"""Commands on paths and seam groups: what they keep, name and refuse."""

from __future__ import annotations

from pathlib import Path as FilePath
from typing import Any

import pytest
from pydantic import TypeAdapter, ValidationError

from curlet.core.errors import BadInput
from curlet.formats.svg_in import read_svg
from curlet.store import bench, journal
from curlet.store.commands import AnyIntent, ImportDrawing
from curlet.store.errors import Conflict, Missing
from curlet.store.state import State

SHEET, OTHER = "waistcoat", "programme"
HEM = "waistcoat-hem-r"
_INTENT = TypeAdapter(AnyIntent)


def do(kind: str, sheet: str = SHEET, **values: Any) -> State:
    intent = _INTENT.validate_python({"kind": kind, **values})
    return journal.do(sheet, journal.current_revision(sheet), intent)


def nodes(state: State, path: str = HEM) -> list[dict[str, Any]]:
    return list(state.get("path", path)["nodes"])


def test_a_drawn_path_is_named_and_put_into_a_group(store: FilePath) -> None:
    state = do("draw-path", nodes=[{"x": 0, "y": 0}, {"x": 9, "y": 0}], group="waistcoat-hems")
    made = state.all("path")[-1]
    assert (made["name"], made["group"], made["closed"]) == ("Path 13", "waistcoat-hems", False)
    assert [node["id"] for node in made["nodes"]] == ["n1", "n2"]


def test_a_drawn_paths_repeated_points_go(store: FilePath) -> None:
    points = [{"x": 0, "y": 0}, {"x": 9, "y": 0}, {"x": 9, "y": 0}, {"x": 9, "y": 9}]
    assert len(do("draw-path", nodes=points).all("path")[-1]["nodes"]) == 3


@pytest.mark.parametrize(
    "values",
    [
        {"nodes": [{"x": 0, "y": 0}]},
        {"nodes": [{"x": 0, "y": 0}, {"x": 1e7, "y": 0}]},
        {"nodes": [{"x": 0, "y": 0}, {"x": float("nan"), "y": 0}]},
        {"nodes": [{"x": 0, "y": 0}, {"x": 1, "y": 0}], "name": ""},
        {"nodes": [{"x": 0, "y": 0}, {"x": 1, "y": 0}], "surprise": 1},
    ],
)
def test_what_is_no_path_is_no_intent(values: dict[str, Any]) -> None:
    with pytest.raises(ValidationError):
        _INTENT.validate_python({"kind": "draw-path", **values})


def test_node_ids_survive_every_edit(store: FilePath) -> None:
    do("move-nodes", path=HEM, moves=[{"id": "n2", "x": 120, "y": 190}])
    state = do("add-node", path=HEM, after="n1")
    ids = [node["id"] for node in nodes(state)]
    assert ids[0] == "n1"
    assert ids[2:] == ["n2", "n3"]
    state = do("delete-nodes", path=HEM, nodes=[ids[1]])
    assert [node["id"] for node in nodes(state)] == ["n1", "n2", "n3"]


def test_several_nodes_move_as_one_step(store: FilePath) -> None:
    before = {node["id"]: node for node in nodes(journal.find_sheet(SHEET))}
    moves = [{"id": name, "x": before[name]["x"] + 5, "y": before[name]["y"]} for name in ("n1", "n2")]
    state = do("move-nodes", path=HEM, moves=moves)
    after = {node["id"]: node for node in nodes(state)}
    assert after["n1"]["x"] == pytest.approx(before["n1"]["x"] + 5)
    assert after["n3"] == before["n3"]
    assert journal.undo_labels(SHEET)[0] == "Move nodes of Hem R"


def test_an_unknown_node_says_so(store: FilePath) -> None:
    with pytest.raises(BadInput, match="no node gone"):
        do("move-nodes", path=HEM, moves=[{"id": "gone", "x": 0, "y": 0}])


def test_deleting_a_path_takes_its_runs_and_undo_brings_them_back(store: FilePath) -> None:
    state = do("delete-paths", paths=[HEM])
    assert not state.runs_of(HEM)
    back = journal.undo(SHEET, journal.current_revision(SHEET))
    assert [run["brush"] for run in back.runs_of(HEM)] == ["show-stitch"]


def test_paths_are_regrouped_and_ungrouped(store: FilePath) -> None:
    state = do("group-paths", paths=[HEM, "waistcoat-dart-r"], new_name="Foot")
    group = state.get("path", HEM)["group"]
    assert state.get("group", group)["name"] == "Foot"
    assert do("group-paths", paths=[HEM]).get("path", HEM)["group"] is None
    with pytest.raises(Missing):
        do("group-paths", paths=[HEM], group="gone")


def test_a_sheets_measures_take_units(store: FilePath) -> None:
    sheet = do("set-sheet", width="11 in", height="42 cm", scale="1/5", name="  Flat  ").sheet
    assert (sheet["width"], sheet["height"], sheet["scale"], sheet["name"]) == pytest.approx(
        (279.4, 420, "1:5", "Flat")
    )


@pytest.mark.parametrize(
    "values", [{"width": "1 mm"}, {"height": "99 m"}, {"scale": "4:0"}, {"width": "8 spi"}]
)
def test_impossible_sheets_are_refused(store: FilePath, values: dict[str, str]) -> None:
    with pytest.raises(BadInput):
        do("set-sheet", **values)


SVG = b"""<svg xmlns="http://www.w3.org/2000/svg" width="50mm" height="50mm" viewBox="0 0 50 50">
<path id="a" d="M0 0H9"/>
<path id="ring" fill-rule="evenodd" fill="red" d="M5 5h9v9h-9z M7 7h3v3h-3z"/></svg>"""


def test_a_imported_drawing_is_one_step_and_its_contours_stay_together(store: FilePath) -> None:
    intent = ImportDrawing(title="Flat", groups=(("Flat", None, read_svg(SVG).paths),))
    state = journal.do(SHEET, journal.current_revision(SHEET), intent)
    new = [row for row in state.all("path") if row["name"] in ("a", "ring 1", "ring 2")]
    assert len(new) == 3
    assert new[1]["facts"]["element"] == new[2]["facts"]["element"] != new[0]["facts"]["element"]
    assert len({row["group"] for row in new}) == 1
    back = journal.undo(SHEET, journal.current_revision(SHEET))
    assert len(back.all("path")) == 12


def test_a_brush_changed_on_another_sheet_is_not_overwritten_by_undo(store: FilePath) -> None:
    """A run's settings given to a brush, which another sheet then changes: undo here says so."""
    run = f"run-{HEM}"
    do("set-on-runs", runs=[run], settings=[{"pointer": "/courses/0/length", "entered": "5 mm"}])
    made = do("give-to-brush", run=run).get("run", run)["brush"]
    do("lay-brush", OTHER, paths=["programme-blade"], brush=made)
    theirs = journal.find_sheet(OTHER).runs_of("programme-blade")[0]["id"]
    do("set-on-runs", OTHER, runs=[theirs], settings=[{"pointer": "/courses/0/length", "entered": "7 mm"}])
    do("give-to-brush", OTHER, run=theirs)
    with pytest.raises(Conflict, match="changed on another sheet"):
        journal.undo(SHEET, journal.current_revision(SHEET))
    assert journal.find_sheet(SHEET).get("brush", made)["doc"]["courses"][0]["length"]["mm"] == 7


def test_undo_goes_back_through_a_brush_that_the_library_has_removed(store: FilePath) -> None:
    run = f"run-{HEM}"
    shown = {"pointer": "/courses/0/length", "entered": "5 mm"}
    do("set-on-runs", runs=[run], settings=[shown])
    made = do("give-to-brush", run=run).get("run", run)["brush"]
    do("remove-runs", runs=[run])
    bench.remove(made)
    for _ in range(3):
        journal.undo(SHEET, journal.current_revision(SHEET))
    assert journal.find_sheet(SHEET).get("run", run)["own"] == {}
    for _ in range(2):
        state = journal.redo(SHEET, journal.current_revision(SHEET))
    assert state.get("run", run)["brush"] == made


def test_a_brush_used_elsewhere_is_not_removed_by_undo(store: FilePath) -> None:
    run = f"run-{HEM}"
    do("set-on-runs", runs=[run], settings=[{"pointer": "/courses/0/length", "entered": "5 mm"}])
    made = do("give-to-brush", run=run).get("run", run)["brush"]
    do("lay-brush", OTHER, paths=["programme-blade"], brush=made)
    with pytest.raises(Conflict, match="used on another sheet"):
        journal.undo(SHEET, journal.current_revision(SHEET))
    assert journal.find_sheet(OTHER).runs_of("programme-blade")[0]["brush"] == made


@pytest.mark.parametrize("copied", [{"kind": "duplicate-paths"}, {"kind": "mirror-paths", "about": "right"}])
def test_copies_keep_line_fill_and_cloth_and_make_a_shape_of_their_own(store: FilePath, copied: Any) -> None:
    do("set-fill", paths=["waistcoat-front-r"], fill={"weave": "twill"})
    intent = ImportDrawing(title="Flat", groups=(("Flat", None, read_svg(SVG).paths),))
    state = journal.do(SHEET, journal.current_revision(SHEET), intent)
    rims = [row["id"] for row in state.all("path")[-2:]]
    kept = {row["id"] for row in state.all("path")}
    after = do(copied.pop("kind"), paths=[*rims, "waistcoat-front-r"], **copied)
    first, second, cloth = (row for row in after.all("path") if row["id"] not in kept)
    was = after.get("path", rims[0])["facts"]
    assert first["facts"] == {**was, "element": first["facts"]["element"]}
    assert first["facts"]["element"] == second["facts"]["element"] != was["element"]
    assert cloth["fill"] == after.get("path", "waistcoat-front-r")["fill"] != {}


def test_a_step_names_one_path_and_counts_several(store: FilePath) -> None:
    do("show-paths", paths=[HEM], shown=False)
    assert journal.undo_labels(SHEET)[0] == "Hide Hem R"
    do("show-paths", paths=["waistcoat-hem-l", "waistcoat-dart-l"], shown=False)
    assert journal.undo_labels(SHEET)[0] == "Hide 2 paths"


@pytest.mark.parametrize(("to", "axis", "pick"), [("left", "x", min), ("right", "x", max), ("top", "y", min)])
def test_paths_are_aligned_by_their_very_edges(store: FilePath, to: str, axis: str, pick: Any) -> None:
    """Straight lines, one drawn there and one back, whose ends are their edges."""
    ids = []
    for x, way in ((10, 1), (40, -1)):
        before = {path["id"] for path in journal.find_sheet(SHEET).all("path")}
        state = do("draw-path", nodes=[{"x": x, "y": x}, {"x": x + 20, "y": x + 7}][::way])
        ids += [path["id"] for path in state.all("path") if path["id"] not in before]
    state = do("align-paths", paths=ids, to=to)
    edges = [pick(node[axis] for node in nodes(state, path)) for path in ids]
    assert edges[0] == pytest.approx(edges[1], abs=1e-9)
    # To the edge that lay furthest out on that side.
    assert edges[0] == pytest.approx({"left": 10, "right": 60, "top": 10}[to], abs=1e-9)
