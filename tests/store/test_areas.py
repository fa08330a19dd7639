"""Areas: made of what lies on a sheet, and live under every change of it."""

from __future__ import annotations

from pathlib import Path as FilePath
from typing import Any

import pytest
import shapely

from curlet.core.errors import BadInput
from curlet.core.path.flat import flat
from curlet.core.path.outline import joined, outline_of
from curlet.demo.brushes import BRUSHES
from curlet.formats.brush_file import read_brush
from curlet.formats.svg_in import read_svg
from curlet.store import bench, journal
from curlet.store.area_edges import edge_paths
from curlet.store.commands.paths import ImportDrawing
from curlet.store.edits.courses import Entered, SetOnBrush
from curlet.store.paths import core_path
from curlet.store.records import PathRecord
from curlet.store.state import State
from tests.store.test_path_commands import HEM, SHEET, do

Json = dict[str, Any]


def drawn(x: float, y: float, width: float, height: float) -> str:
    """A rectangle on the sheet; its id."""
    corners = [(x, y), (x + width, y), (x + width, y + height), (x, y + height)]
    before = {path["id"] for path in journal.find_sheet(SHEET).all("path")}
    state = do("draw-path", nodes=[{"x": a, "y": b} for a, b in corners], closed=True)
    (new,) = {path["id"] for path in state.all("path")} - before
    return new


def of_paths(*paths: str) -> list[Json]:
    return [{"kind": "path", "id": path} for path in paths]


def made(members: list[Json], way: str = "join", **values: Any) -> tuple[State, str]:
    state = do("make-area", members=members, way=way, **values)
    return state, state.all("area")[-1]["id"]


def size(state: State, area: str) -> float:
    """What an area's edges enclose, mm²."""
    outlines = [outline_of(core_path(path)) for path in edge_paths(state, area)]
    return float(flat(joined(outlines), 0.001).polygon(False).area)


def edges(state: State, area: str) -> list[PathRecord]:
    return edge_paths(state, area)


@pytest.mark.parametrize(
    ("way", "expected", "count"), [("join", 350, 1), ("cut", 150, 1), ("common", 50, 1), ("either", 300, 2)]
)
def test_two_paths_make_an_area_in_four_ways(store: FilePath, way: str, expected: float, count: int) -> None:
    """Rectangles of 200 mm² with 50 mm² in common."""
    one, other = drawn(20, 20, 20, 10), drawn(30, 25, 20, 10)
    state, area = made(of_paths(one, other), way)
    assert size(state, area) == pytest.approx(expected)
    assert len(edges(state, area)) == count
    assert {path["closed"] for path in edges(state, area)} == {True}


def test_an_area_follows_its_shapes_and_its_edge_keeps_its_run(store: FilePath) -> None:
    one, other = drawn(20, 20, 20, 10), drawn(30, 25, 20, 10)
    state, area = made(of_paths(one, other))
    (edge,) = edges(state, area)
    state = do("lay-brush", paths=[edge["id"]], brush="topstitch")
    (run,) = state.runs_of(edge["id"])
    corner = next(node["id"] for node in edge["nodes"] if (node["x"], node["y"]) == (50, 25))
    do("set-corner", run=run["id"], node=corner, manner="stop")
    state = do("move-paths", paths=[other], x=2, y=1)
    (after,) = edges(state, area)
    assert after["id"] == edge["id"]
    assert size(state, area) == pytest.approx(400 - 8 * 4)
    # The corner that was given its own manner is the same one, where it lies now.
    assert {(node["x"], node["y"]) for node in after["nodes"] if node["id"] == corner} == {(52, 26)}
    assert corner in state.runs_of(edge["id"])[0]["places"]["corners"]
    state = journal.undo(SHEET, journal.current_revision(SHEET))
    assert size(state, area) == pytest.approx(350)


def test_an_area_is_moved_and_turned_with_its_shapes(store: FilePath) -> None:
    one, other, third = drawn(20, 20, 20, 10), drawn(30, 25, 20, 10), drawn(22, 22, 4, 4)
    _, inner = made(of_paths(one, other), hide=True)
    state, area = made([{"kind": "area", "id": inner}, *of_paths(third)], "cut")
    outer, hole = (path["id"] for path in edges(state, area))
    before = core_path(state.get("path", outer)).points
    # Chosen with its hole, and with one of its shapes: moved once.
    state = do("move-paths", paths=[outer, hole, one], x=7, y=-3)
    assert core_path(state.get("path", outer)).points == pytest.approx(before + (7, -3))
    assert core_path(state.get("path", one)).points.min(axis=0) == pytest.approx((27, 17))
    state = do("turn-paths", paths=[outer], angle="90", size="200 %")
    assert size(state, area) == pytest.approx(4 * (350 - 16))
    state = do("align-paths", paths=[outer], to="left")
    assert core_path(state.get("path", outer)).points[:, 0].min() == pytest.approx(0, abs=1e-6)


def test_a_hole_comes_and_goes_with_what_makes_it(store: FilePath) -> None:
    whole, hole = drawn(20, 20, 40, 40), drawn(30, 30, 10, 10)
    state, area = made(of_paths(whole, hole), "cut")
    assert len(edges(state, area)) == 2
    assert size(state, area) == pytest.approx(1600 - 100)
    state = do("move-paths", paths=[hole], x=100, y=0)
    assert len(edges(state, area)) == 1
    assert size(state, area) == pytest.approx(1600)
    # Both make one shape, so that the hole stays one when it is filled.
    state = do("move-paths", paths=[hole], x=-100, y=0)
    assert len({path["facts"]["element"] for path in edges(state, area)}) == 1


def test_a_run_is_its_silhouette_with_its_inside_or_its_inside_alone(store: FilePath) -> None:
    path = drawn(40, 40, 80, 60)
    run = do("lay-brush", paths=[path], brush="scallop").runs_of(path)[-1]["id"]
    sizes = {}
    state, area = made([{"kind": "run", "id": run}])
    for use in ("shape", "filled", "inside"):
        sizes[use] = size(do("set-area", area=area, member=run, use=use), area)
    assert sizes["filled"] == pytest.approx(sizes["shape"] + sizes["inside"], rel=1e-4)
    assert sizes["filled"] > 80 * 60 > sizes["inside"]
    # Longer scallops are fewer, so that the outer edge has fewer nodes.
    state = do("set-area", area=area, member=run, use="filled")
    short = len(edges(state, area)[0]["nodes"])
    state = do("set-on-runs", runs=[run], settings=[{"pointer": "/courses/0/length", "entered": "60 mm"}])
    assert 4 < len(edges(state, area)[0]["nodes"]) < short


def test_an_area_of_areas_follows_and_a_circle_is_refused_with_its_names(store: FilePath) -> None:
    one, other, third = drawn(20, 20, 20, 10), drawn(30, 25, 20, 10), drawn(22, 22, 4, 4)
    state, inner = made(of_paths(one, other))
    state, outer = made([{"kind": "area", "id": inner}, *of_paths(third)], "cut")
    assert size(state, outer) == pytest.approx(350 - 16)
    state = do("move-paths", paths=[other], x=0, y=-20)
    assert size(state, outer) == pytest.approx(400 - 16)
    edge = edges(state, outer)[0]["id"]
    run = do("lay-brush", paths=[edge], brush="topstitch").runs_of(edge)[-1]["id"]
    circle = "cannot be made of itself: “Area” is made of “Area 2” is made of “Area”"
    for member in ({"kind": "area", "id": outer}, {"kind": "path", "id": edge}, {"kind": "run", "id": run}):
        with pytest.raises(BadInput, match=circle):
            do("set-area", area=inner, add=[member])
    with pytest.raises(BadInput, match="“Area” is made of “Area”"):
        do("set-area", area=inner, add=[{"kind": "area", "id": inner}])


def test_an_areas_edges_are_cleaned_as_is_entered(store: FilePath) -> None:
    """Lengths on the garment at 1:4: two rectangles 1 mm apart on paper, a crumb of 0.04 mm²."""
    one, other, crumb = drawn(20, 20, 20, 10), drawn(41, 20, 20, 10), drawn(80, 80, 0.2, 0.2)
    state, area = made(of_paths(one, other, crumb))
    assert len(edges(state, area)) == 3
    state = do("set-area", area=area, least="0.05 mm²")
    assert len(edges(state, area)) == 2
    state = do("set-area", area=area, gaps="5 mm")
    assert len(edges(state, area)) == 1
    assert size(state, area) == pytest.approx(410, abs=0.5)
    state = do("set-area", area=area, gaps="0", grow="8 mm", round=False)
    assert size(state, area) == pytest.approx(45 * 14, abs=0.01)
    state = do("set-area", area=area, grow="-8 mm")
    assert size(state, area) == pytest.approx(2 * 16 * 6, abs=0.01)
    with pytest.raises(BadInput, match="enclose nothing"):
        do("set-area", area=area, grow="-30 mm")
    with pytest.raises(BadInput, match="How much an area is grown"):
        do("set-area", area=area, grow="900 m")


def test_an_area_follows_a_brush_that_is_changed_on_the_bench(store: FilePath) -> None:
    path = drawn(40, 40, 80, 60)
    own = bench.add(read_brush(BRUSHES["topstitch"]))
    run = do("lay-brush", paths=[path], brush=own.id).runs_of(path)[-1]["id"]
    _, area = made([{"kind": "run", "id": run, "use": "filled"}])
    before = size(journal.find_sheet(SHEET), area)
    offset = Entered(pointer="/courses/0/offset", entered="-20 mm")
    bench.change(own.id, own.version, SetOnBrush(kind="set", settings=[offset]).apply)
    after = size(journal.find_sheet(SHEET), area)
    assert after > before + 10
    # A step from before the brush changed is taken back: the area is made of the brush as it is now.
    do("move-paths", paths=[path], x=3, y=0)
    bench.undo(own.id, bench.look(own.id).version)
    state = journal.undo(SHEET, journal.current_revision(SHEET))
    assert size(state, area) == pytest.approx(before, rel=1e-3)


def test_nothing_left_and_open_paths_are_said_and_nothing_is_lost(store: FilePath) -> None:
    one, other = drawn(20, 20, 20, 10), drawn(100, 25, 20, 10)
    with pytest.raises(BadInput, match="nothing in common"):
        made(of_paths(one, other), "common")
    with pytest.raises(BadInput, match="Hem R is open"):
        made(of_paths(one, HEM))
    assert journal.find_sheet(SHEET).all("area") == []
    do("move-paths", paths=[other], x=-70, y=0)
    state, area = made(of_paths(one, other), "common")
    before = journal.current_revision(SHEET)
    with pytest.raises(BadInput, match="nothing in common"):
        do("move-paths", paths=[other], x=70, y=0)
    assert journal.current_revision(SHEET) == before
    assert size(journal.find_sheet(SHEET), area) == pytest.approx(size(state, area))


def test_an_edge_is_changed_by_its_shapes_until_it_is_plain_paths(store: FilePath) -> None:
    one, other = drawn(20, 20, 20, 10), drawn(30, 25, 20, 10)
    state, area = made(of_paths(one, other))
    (edge,) = edges(state, area)
    node = edge["nodes"][0]["id"]
    with pytest.raises(BadInput, match="edge of an area"):
        do("move-nodes", path=edge["id"], moves=[{"id": node, "x": 1, "y": 1}])
    state = do("free-area", area=area)
    assert state.all("area") == []
    assert state.get("path", edge["id"])["area"] is None
    do("move-nodes", path=edge["id"], moves=[{"id": node, "x": 1, "y": 1}])


def test_an_area_that_loses_a_shape_stays_as_plain_paths(store: FilePath) -> None:
    one, other = drawn(20, 20, 20, 10), drawn(30, 25, 20, 10)
    state, area = made(of_paths(one, other))
    edge = edges(state, area)[0]["id"]
    state = do("delete-paths", paths=[other])
    assert state.all("area") == []
    assert state.get("path", edge)["area"] is None


def test_an_areas_edges_are_deleted_together(store: FilePath) -> None:
    state, area = made(of_paths(drawn(20, 20, 40, 40), drawn(30, 30, 10, 10)), "cut")
    outer, hole = (path["id"] for path in edges(state, area))
    with pytest.raises(BadInput, match="one edge of an area"):
        do("delete-paths", paths=[hole])
    state = do("delete-paths", paths=[outer, hole])
    assert state.all("area") == []


def test_shapes_are_hidden_if_wanted_and_the_area_is_filled_as_they_were(store: FilePath) -> None:
    one, other = drawn(20, 20, 20, 10), drawn(30, 25, 20, 10)
    cloth = {"weave": "twill", "warp": "#204060", "weft": "#ffffff"}
    do("set-fill", paths=[other], fill=cloth)
    state, area = made(of_paths(one, other), hide=True)
    assert state.get("path", one)["hidden"]
    assert state.get("path", other)["hidden"]
    (edge,) = edges(state, area)
    assert edge["fill"]["weave"] == "twill"
    assert not edge["hidden"]


def test_an_area_lies_over_its_shapes_or_in_the_place_of_the_first(store: FilePath) -> None:
    one, between, other, above = (drawn(20 + 5 * i, 20, 20, 10) for i in range(4))
    for hide, order in (
        (False, [one, between, other, "area", above]),
        (True, [one, "area", between, other, above]),
    ):
        state, area = made(of_paths(one, other), hide=hide)
        (edge,) = edges(state, area)
        names = {edge["id"]: "area"}
        painted = [names.get(row["id"], row["id"]) for _, row in state.painted()]
        assert [name for name in painted if name in order] == order
        journal.undo(SHEET, journal.current_revision(SHEET))


def test_a_copy_of_an_edge_is_a_plain_path(store: FilePath) -> None:
    state, area = made(of_paths(drawn(20, 20, 20, 10), drawn(30, 25, 20, 10)))
    (edge,) = edges(state, area)
    state = do("duplicate-paths", paths=[edge["id"]])
    copy = state.all("path")[-1]
    assert copy["area"] is None
    assert copy["fill"] == edge["fill"]


def test_text_along_an_areas_edge_follows_it(store: FilePath) -> None:
    one, other = drawn(20, 20, 60, 30), drawn(50, 35, 60, 30)
    state, area = made(of_paths(one, other))
    (edge,) = edges(state, area)
    do("write-lettering", text="SEAM", font="graduate", along=edge["id"], entered={"caps": "20 mm"})
    state = journal.find_sheet(SHEET)
    before = [path["nodes"] for path in state.all("path") if path["lettering"]]
    state = do("move-paths", paths=[one], x=-5, y=-5)
    assert [path["nodes"] for path in state.all("path") if path["lettering"]] != before
    assert shapely.Polygon([(n["x"], n["y"]) for n in edges(state, area)[0]["nodes"]]).is_valid


def band(x: float, y: float, length: float) -> tuple[str, str]:
    """A straight path with a plain band along it; its id and its run's."""
    before = {path["id"] for path in journal.find_sheet(SHEET).all("path")}
    state = do("draw-path", nodes=[{"x": x, "y": y}, {"x": x + length, "y": y}])
    (path,) = {path["id"] for path in state.all("path")} - before
    return path, do("lay-brush", paths=[path], brush="strip").runs_of(path)[0]["id"]


@pytest.mark.parametrize("outside", [False, True])
def test_an_area_of_a_cropped_run_is_what_is_left_of_the_run(store: FilePath, outside: bool) -> None:
    """A band along 40 mm, of which a rectangle has 15 mm inside; the area follows the crop."""
    (path, run), box = band(20, 60, 40), drawn(10, 50, 25, 20)
    state, area = made([{"kind": "run", "id": run}])
    whole = size(state, area)
    crop = {"kind": "path", "id": box, "outside": outside}
    state = do("crop-paths", paths=[path], to=crop)
    assert size(state, area) == pytest.approx(whole * (25 if outside else 15) / 40, rel=1e-3)
    state = do("move-paths", paths=[box], x=5, y=0)
    assert size(state, area) == pytest.approx(whole * 20 / 40, rel=1e-3)
    state = do("crop-paths", paths=[path], to=None)
    assert size(state, area) == pytest.approx(whole, rel=1e-6)
    # Cropped once more, and the shape that it is cropped to goes: all of it is there again.
    do("crop-paths", paths=[path], to=crop)
    assert size(do("delete-paths", paths=[box]), area) == pytest.approx(whole, rel=1e-6)


def test_a_run_cropped_to_an_area_that_hangs_on_it_counts_whole(store: FilePath) -> None:
    """Cropped to its own area, or two to one another's: nothing is made of itself."""
    one, first_run = band(20, 60, 40)
    state, first = made([{"kind": "run", "id": first_run}])
    whole = size(state, first)
    width = whole / 40
    two, second_run = band(20, 60 + width * 3 / 4, 40)
    state, second = made([{"kind": "run", "id": second_run}])
    state = do("crop-paths", paths=[one], to={"kind": "area", "id": first})
    assert size(state, first) == pytest.approx(whole)
    # The other's area, which does not hang on it: a quarter of its width is in common.
    state = do("crop-paths", paths=[one], to={"kind": "area", "id": second})
    assert size(state, first) == pytest.approx(whole / 4, rel=1e-3)
    state = do("crop-paths", paths=[two], to={"kind": "path", "id": edges(state, first)[0]["id"]})
    assert (size(state, first), size(state, second)) == pytest.approx((whole, whole))
    # It follows what the other area is made of, too.
    do("crop-paths", paths=[two], to=None)
    state = do("move-paths", paths=[two], x=0, y=-width / 4)
    assert size(state, first) == pytest.approx(whole / 2, rel=1e-3)


def imported(d: str) -> list[str]:
    """The contours of one element that is filled by the even-odd rule; their ids."""
    before = {path["id"] for path in journal.find_sheet(SHEET).all("path")}
    svg = (
        '<svg xmlns="http://www.w3.org/2000/svg" width="50mm" height="50mm" viewBox="0 0 50 50">'
        f'<path fill-rule="evenodd" fill="red" d="{d}"/></svg>'
    )
    intent = ImportDrawing(title="Flat", groups=(("Flat", None, read_svg(svg.encode()).paths),))
    state = journal.do(SHEET, journal.current_revision(SHEET), intent)
    return [path["id"] for path in state.all("path") if path["id"] not in before]


def test_contours_of_an_element_keep_their_hole_whichever_way_they_run(store: FilePath) -> None:
    """Of 10 mm and 4 mm, both clockwise, on a sheet at 1:4, as drawn."""
    state, ring = made(of_paths(*imported("M5 5h10v10h-10z M8 8h4v4h-4z")))
    assert size(state, ring) == pytest.approx(100 - 16)
    assert [path["name"] for path in edges(state, ring)] == ["Area", "Area, 2"]


def test_an_open_contour_of_an_element_encloses_nothing(store: FilePath) -> None:
    with pytest.raises(BadInput, match="is open, so it encloses nothing"):
        made(of_paths(*imported("M5 5h10v10h-10z M8 8h4v4h-4")))
