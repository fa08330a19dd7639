"""Live halves: what is done to one is done to the other, mirrored, until they are cut loose."""

from __future__ import annotations

from pathlib import Path as FilePath
from typing import Any

import numpy as np
import pytest
import shapely

from curlet.core.errors import BadInput
from curlet.store import journal
from curlet.store.area_edges import edge_paths
from curlet.store.halves import other_of
from curlet.store.laying import lay_row, silhouette_of
from curlet.store.paths import core_path
from curlet.store.runs import run_places
from curlet.store.state import State
from tests.store.test_areas import drawn, made, of_paths
from tests.store.test_fills import with_picture
from tests.store.test_path_commands import HEM, SHEET, do

FRONT, DART = "waistcoat-front-r", "waistcoat-dart-r"


def halved(path: str, about: str = "right") -> tuple[State, str]:
    """A path with a live half; the half's id."""
    before = set(journal.find_sheet(SHEET).rows["path"])
    state = do("mirror-paths", paths=[path], about=about, live=True)
    (half,) = set(state.rows["path"]) - before
    return state, half


def line(state: State, path: str) -> np.ndarray:
    """Points all along a path."""
    core = core_path(state.get("path", path))
    return core.arc.points(np.linspace(0, core.length, 40))


def is_mirrored(state: State, one: str, other: str, x: float) -> bool:
    """Whether two open paths are mirror images about an upright line, one walked the other way."""
    image = line(state, one) * (-1, 1) + (2 * x, 0)
    return bool(np.allclose(image[::-1], line(state, other), atol=1e-6))


@pytest.mark.parametrize("edited", ["first", "half"])
def test_either_half_follows_the_other(store: FilePath, edited: str) -> None:
    """A hem of some nodes: one of them is moved, on either side."""
    state, half = halved(HEM)
    x = float(line(state, HEM)[:, 0].max())
    assert is_mirrored(state, HEM, half, state.get("path", half)["half"]["x"])
    path = HEM if edited == "first" else half
    node = state.get("path", path)["nodes"][1]
    state = do("move-nodes", path=path, moves=[{"id": node["id"], "x": node["x"] + 4, "y": node["y"] - 7}])
    moved = next(n for n in state.get("path", path)["nodes"] if n["id"] == node["id"])
    assert (moved["x"], moved["y"]) == pytest.approx((node["x"] + 4, node["y"] - 7))
    assert state.get("path", half)["half"]["x"] == pytest.approx(x, abs=0.05)
    assert is_mirrored(state, HEM, half, state.get("path", half)["half"]["x"])
    back = journal.undo(SHEET, journal.current_revision(SHEET))
    assert is_mirrored(back, HEM, half, back.get("path", half)["half"]["x"])


def test_runs_come_change_and_go_on_both(store: FilePath) -> None:
    do("remove-runs", runs=[run["id"] for run in journal.find_sheet(SHEET).runs_of(HEM)])
    state, half = halved(HEM)
    assert not state.runs_of(half)
    state = do("lay-brush", paths=[half], brush="topstitch")
    (run,), (other,) = state.runs_of(HEM), state.runs_of(half)
    state = do("set-on-runs", runs=[run["id"]], settings=[{"pointer": "/opacity", "entered": "40 %"}])
    assert state.get("run", other["id"])["own"] == state.get("run", run["id"])["own"] != {}
    node = state.get("path", HEM)["nodes"][1]["id"]
    state = do("set-corner", run=other["id"], node=node, manner="stop")
    assert run_places(state, run["id"]).corners == {node: "stop"}
    state = do("remove-runs", runs=[run["id"]])
    assert not state.runs_of(half)


@pytest.mark.parametrize("live", [True, False])
@pytest.mark.parametrize("brush", ["fringe", "whipped", "blanket"])
def test_a_mirrored_run_is_the_mirror_image_of_its_run(store: FilePath, brush: str, live: bool) -> None:
    """Its remainder, a count, the ends and the side it hangs to lie where the mirror image has them."""
    corners = [(20, 20), (60, 20), (60, 60), (121, 63)]
    before = set(journal.find_sheet(SHEET).rows["path"])
    state = do("draw-path", nodes=[{"x": x, "y": y} for x, y in corners])
    (path,) = set(state.rows["path"]) - before
    (run,) = do("lay-brush", paths=[path], brush=brush).runs_of(path)
    settings = [{"pointer": "/courses/0/fit/kind", "entered": "leave-over"}]
    do("set-on-runs", runs=[run["id"]], settings=settings)
    do("set-count", run=run["id"], node=state.get("path", path)["nodes"][1]["id"], entered="5")
    state = do("mirror-paths", paths=[path], about="right", live=live)
    (copy,) = set(state.rows["path"]) - before - {path}
    ours, theirs = (silhouette_of(state, state.runs_of(each)[0]).area for each in (path, copy))
    image = shapely.transform(ours, lambda points: points * (-1, 1) + (2 * 121, 0))
    assert shapely.symmetric_difference(theirs, image).area < 0.002 * ours.area
    assert bool(state.get("path", copy)["half"]) == live


def test_halves_that_are_moved_together_take_their_line_along(store: FilePath) -> None:
    state, half = halved(HEM)
    x = state.get("path", half)["half"]["x"]
    before = line(state, HEM), line(state, half)
    state = do("move-paths", paths=[HEM, half], x=9, y=5)
    assert state.get("path", half)["half"]["x"] == pytest.approx(x + 9)
    for path, was in zip((HEM, half), before, strict=True):
        assert np.allclose(line(state, path), was + (9, 5))
    # Turned together they stay halves, about a line that is turned.
    state = do("turn-paths", paths=[HEM, half], angle="90")
    assert state.get("path", half)["half"]["angle"] % 180 == pytest.approx(0, abs=1e-6)
    node = state.get("path", HEM)["nodes"][0]
    moves = [{"id": node["id"], "x": node["x"] + 3, "y": node["y"] + 2}]
    after = do("move-nodes", path=HEM, moves=moves)
    there = {n["id"]: n for n in state.get("path", half)["nodes"]}[node["id"]]
    now = {n["id"]: n for n in after.get("path", half)["nodes"]}[node["id"]]
    assert (now["x"] - there["x"], now["y"] - there["y"]) == pytest.approx((3, -2))


def test_one_half_alone_moves_the_other_the_other_way(store: FilePath) -> None:
    state, half = halved(HEM)
    before = line(state, half)
    state = do("move-paths", paths=[HEM], x=9, y=5)
    assert np.allclose(line(state, half), before + (-9, 5))


def test_two_paths_are_linked_and_cut_loose(store: FilePath) -> None:
    one, other = drawn(20, 20, 10, 20), drawn(70, 22, 12, 20)
    state = do("link-halves", paths=[one, other])
    assert other_of(state, one) == other
    assert other_of(state, other) == one
    # Midway between their middles, 25 and 76.
    assert line(state, other)[:, 0].min() == pytest.approx(71)
    with pytest.raises(BadInput, match="live half already"):
        do("link-halves", paths=[one, HEM])
    state = do("cut-loose", paths=[other])
    before = line(state, other)
    state = do("move-paths", paths=[one], x=9, y=5)
    assert np.allclose(line(state, other), before)
    state = do("link-halves", paths=[one, other])
    state = do("delete-paths", paths=[one])
    assert state.get("path", other)["half"] == {}


def test_fills_follow_and_pictures_are_mirrored(store: FilePath) -> None:
    path = drawn(20, 20, 40, 40)
    _, half = halved(path)
    state = with_picture(half)
    fill = state.get("path", path)["fill"]
    assert (fill["mirrored"], fill["x"]) == (True, pytest.approx(40))
    state = do("move-paths", paths=[half], x=5, y=0)
    assert state.get("path", path)["fill"]["x"] == pytest.approx(35)
    state = do("set-fill", paths=[path])
    assert state.get("path", half)["fill"] == {}


def test_the_half_of_an_areas_edge_follows_it_and_is_changed_by_its_shapes(store: FilePath) -> None:
    one, other = drawn(20, 20, 20, 10), drawn(30, 25, 20, 10)
    state, _ = made(of_paths(one, other))
    edge = next(path["id"] for path in state.all("path") if path["area"])
    state, half = halved(edge)
    assert is_mirrored_closed(state, edge, half)
    state = do("move-paths", paths=[other], x=3, y=2)
    assert is_mirrored_closed(state, edge, half)
    with pytest.raises(BadInput, match="its own shapes"):
        do("move-paths", paths=[half], x=3, y=2)


def test_a_hole_comes_into_the_half_of_an_area_and_goes_again(store: FilePath) -> None:
    whole, hole = drawn(20, 20, 40, 40), drawn(130, 30, 10, 10)
    state, area = made(of_paths(whole, hole), "cut")
    (edge,) = edge_paths(state, area)
    state, half = halved(edge["id"])
    plain = len(state.rows["path"])
    state = do("move-paths", paths=[hole], x=-100, y=0)
    assert len(state.rows["path"]) == plain + 2
    outer, inner = edge_paths(state, area)
    other = other_of(state, inner["id"])
    assert other is not None
    assert is_mirrored_closed(state, inner["id"], other)
    # The half is one shape with its hole.
    assert state.get("path", other)["facts"]["element"] == state.get("path", half)["facts"]["element"]
    assert state.get("path", other)["fill"] == state.get("path", half)["fill"] == outer["fill"]
    state = do("move-paths", paths=[hole], x=2, y=1)
    assert is_mirrored_closed(state, inner["id"], other)
    state = do("move-paths", paths=[hole], x=100, y=0)
    assert len(state.rows["path"]) == plain
    assert other_of(state, edge["id"]) == half


def test_the_half_of_a_hole_alone_stays_where_the_hole_goes(store: FilePath) -> None:
    """As a path by itself, as the halves of other paths do."""
    whole, hole = drawn(20, 20, 40, 40), drawn(30, 30, 10, 10)
    state, area = made(of_paths(whole, hole), "cut")
    state, half = halved(edge_paths(state, area)[1]["id"])
    state = do("move-paths", paths=[hole], x=100, y=0)
    assert state.get("path", half)["half"] == {}


def is_mirrored_closed(state: State, one: str, other: str) -> bool:
    """As `is_mirrored` by their nodes: of a closed path the first one stays the first."""
    x = state.get("path", other)["half"]["x"]
    places = [{n["id"]: (n["x"], n["y"]) for n in state.get("path", path)["nodes"]} for path in (one, other)]
    image = {node: (2 * x - at[0], at[1]) for node, at in places[0].items()}
    return places[1] == {node: pytest.approx(at) for node, at in image.items()}


def test_a_locked_half_keeps_both_as_they_are(store: FilePath) -> None:
    state, half = halved(HEM)
    do("lock-paths", paths=[half], locked=True)
    with pytest.raises(BadInput, match="is locked"):
        do("move-paths", paths=[HEM], x=1, y=1)
    values: dict[str, Any] = journal.find_sheet(SHEET).rows["path"]
    assert values[HEM] == state.rows["path"][HEM]


def test_a_repeat_that_is_left_out_is_left_out_on_the_mirrored_side(store: FilePath) -> None:
    """Of three legs the first of the last leg: on the other half it lies in its mirror image's place."""
    corners = [(20, 20), (60, 20), (60, 60), (120, 60)]
    before = set(journal.find_sheet(SHEET).rows["path"])
    state = do("draw-path", nodes=[{"x": x, "y": y} for x, y in corners])
    (path,) = set(state.rows["path"]) - before
    (run,) = do("lay-brush", paths=[path], brush="topstitch").runs_of(path)
    node = state.get("path", path)["nodes"][2]["id"]
    do("set-repeat", run=run["id"], node=node, number=1, left_out=True)
    do("set-repeat", run=run["id"], node=node, number=3, across="2 mm", turn="30")
    state, half = halved(path)
    x = state.get("path", half)["half"]["x"]
    ours, theirs = (lay_row(state, state.runs_of(each)[0])[0] for each in (path, half))
    for one, other in zip(ours.rows[0].set_by_hand, theirs.rows[0].set_by_hand, strict=True):
        at, there = (run.path.arc.points([s])[0] for run, (_, s) in ((ours, one), (theirs, other)))
        assert there == pytest.approx((2 * x - at[0], at[1]), abs=1e-6)
    assert sorted(one.turn for one in theirs.rows[0].by_hand) == [-30, 0]


def test_a_closed_half_starts_at_the_mirrored_place(store: FilePath) -> None:
    path = drawn(20, 20, 40, 30)
    (run,) = do("lay-brush", paths=[path], brush="topstitch").runs_of(path)
    do("slide-start", run=run["id"], to=13)
    state, half = halved(path)
    starts = [lay_row(state, state.runs_of(each)[0])[0].path.points[0] for each in (path, half)]
    assert starts[0] == pytest.approx((33, 20))
    assert starts[1] == pytest.approx((2 * 60 - 33, 20))
