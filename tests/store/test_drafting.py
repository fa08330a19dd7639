"""Drafts that go on from paths and arrive at others, nodes by number, and paths hidden and locked."""

from __future__ import annotations

from pathlib import Path as FilePath

import pytest

from curlet.core.errors import BadInput
from curlet.store import journal
from curlet.store.paths import core_path
from curlet.store.records import Json
from curlet.store.similar import find_similar
from curlet.store.state import State
from tests.store.test_path_commands import HEM, SHEET, do

HEM_L = "waistcoat-hem-l"


def ends(row: Json) -> tuple[tuple[float, float], tuple[float, float]]:
    path = core_path(row)
    return tuple(path.points[0].tolist()), tuple(path.points[-1].tolist())


def drafted(state: State, start: str | None, finish: str | None) -> list[dict[str, object]]:
    """Nodes from a given end of the right hem to one of the left."""

    def at(path: str, end: str) -> dict[str, object]:
        x, y = ends(state.get("path", path))[0 if end == "start" else 1]
        return {"x": x, "y": y}

    first = at(HEM, start) if start else {"x": 10, "y": 10}
    last = at(HEM_L, finish) if finish else {"x": 400, "y": 290}
    return [first, {"x": 150, "y": 280, "into": [140, 280], "out": [160, 280]}, last]


@pytest.mark.parametrize("start", ["start", "finish"])
def test_a_draft_goes_on_from_either_end(store: FilePath, start: str) -> None:
    before = journal.find_sheet(SHEET)
    run = before.runs_of(HEM)[0]["id"]
    nodes = drafted(before, start, None)
    state = do("draw-path", nodes=nodes, goes_on={"path": HEM, "end": start})
    grown = state.get("path", HEM)
    assert len(grown["nodes"]) == len(before.get("path", HEM)["nodes"]) + 2
    assert len(state.all("path")) == len(before.all("path"))
    assert state.get("run", run)["backwards"] == before.get("run", run)["backwards"]
    kept, moved = (0, 1) if start == "finish" else (1, 0)
    assert ends(grown)[kept] == ends(before.get("path", HEM))[kept]
    assert ends(grown)[moved] == (400, 290)


@pytest.mark.parametrize("start", ["start", "finish"])
@pytest.mark.parametrize("finish", ["start", "finish"])
def test_a_draft_joins_two_paths(store: FilePath, start: str, finish: str) -> None:
    before = journal.find_sheet(SHEET)
    nodes = drafted(before, start, finish)
    state = do(
        "draw-path",
        nodes=nodes,
        goes_on={"path": HEM, "end": start},
        arrives={"path": HEM_L, "end": finish},
    )
    one = state.get("path", HEM)
    assert len(state.all("path")) == len(before.all("path")) - 1
    lengths = [core_path(before.get("path", p)).length for p in (HEM, HEM_L)]
    assert core_path(one).length > sum(lengths)
    # It ends where the two did that were not met.
    other = {"start": 1, "finish": 0}
    far = {ends(before.get("path", HEM))[other[start]], ends(before.get("path", HEM_L))[other[finish]]}
    assert set(ends(one)) == far
    # The right hem keeps its direction: its first node comes before its last.
    ids = [node["id"] for node in one["nodes"]]
    first, last = (before.get("path", HEM)["nodes"][i]["id"] for i in (0, -1))
    assert ids.index(first) < ids.index(last)


def test_a_draft_between_a_paths_own_ends_closes_it(store: FilePath) -> None:
    before = journal.find_sheet(SHEET)
    (ax, ay), (bx, by) = ends(before.get("path", HEM))
    nodes = [{"x": bx, "y": by}, {"x": 200, "y": 300}, {"x": ax, "y": ay}]
    met = {"goes_on": {"path": HEM, "end": "finish"}, "arrives": {"path": HEM, "end": "start"}}
    state = do("draw-path", nodes=nodes, **met)
    closed = state.get("path", HEM)
    assert closed["closed"]
    assert len(closed["nodes"]) == len(before.get("path", HEM)["nodes"]) + 1


def test_closed_and_locked_paths_are_not_drawn_on(store: FilePath) -> None:
    nodes = [{"x": 0, "y": 0}, {"x": 9, "y": 9}]
    with pytest.raises(BadInput, match="no end to go on from"):
        do("draw-path", nodes=nodes, goes_on={"path": "waistcoat-front-r", "end": "start"})
    do("lock-paths", paths=[HEM], locked=True)
    for kind, values in {
        "draw-path": {"nodes": nodes, "goes_on": {"path": HEM, "end": "start"}},
        "move-paths": {"paths": [HEM], "x": 1, "y": 1},
        "place-node": {"path": HEM, "node": "n1", "x": "1 mm"},
        "delete-paths": {"paths": [HEM]},
        "cut-path": {"path": HEM, "along": "10 mm"},
    }.items():
        with pytest.raises(BadInput, match="Unlock it first"):
            do(kind, **values)
    # What it wears is another matter.
    assert do("lay-brush", paths=[HEM], brush="basting").runs_of(HEM)[-1]["brush"] == "basting"


def test_a_node_is_put_at_its_used_place(store: FilePath) -> None:
    state = do("place-node", path=HEM, node="n1", y="10 in")
    before = journal.find_sheet(SHEET).get("path", HEM)
    node = state.get("path", HEM)["nodes"][0]
    assert node["y"] == pytest.approx(254 * state.scale.factor)
    assert node["x"] == before["nodes"][0]["x"]


def test_handles_stay_equal_from_edit_to_edit(store: FilePath) -> None:
    do("shape-node", path=HEM, nodes=["n2"], shape="equal")
    state = do("move-handle", path=HEM, node="n2", side="out", x=120, y=160)
    node = next(n for n in state.get("path", HEM)["nodes"] if n["id"] == "n2")
    arms = [(node[side][0] - node["x"], node[side][1] - node["y"]) for side in ("into", "out")]
    assert arms[0] == pytest.approx((-arms[1][0], -arms[1][1]))
    state = do("add-node", path=HEM, after="n1")
    assert next(n for n in state.get("path", HEM)["nodes"] if n["id"] == "n2")["handles"] == "equal"


@pytest.mark.parametrize("along", ["0 mm", "-3 mm", "9 m"])
def test_a_cut_beyond_the_path_is_refused(store: FilePath, along: str) -> None:
    with pytest.raises(BadInput, match="beyond the path"):
        do("cut-path", path=HEM, along=along)


def test_a_cut_by_number_parts_the_used_length(store: FilePath) -> None:
    state = do("cut-path", path=HEM, along="100 mm")
    assert core_path(state.get("path", HEM)).length / state.scale.factor == pytest.approx(100, abs=1e-3)


def test_figures_moved_aligned_and_spaced_stay_figures(store: FilePath) -> None:
    for x in (20, 50, 200):
        state = do("draw-figure", figure="circle", entered={"diameter": "40 mm"}, x=x, y=x)
    ids = [row["id"] for row in state.all("path")[-3:]]
    do("align-paths", paths=ids, to="foot")
    state = do("spread-paths", paths=ids, way="across")
    figures = [state.get("path", path_id)["figure"] for path_id in ids]
    assert [f["y"] for f in figures] == pytest.approx([200] * 3)
    assert [f["x"] for f in figures] == pytest.approx([20, 110, 200])
    do("reshape-figure", path=ids[1], entered={"diameter": "80 mm"})
    assert core_path(journal.find_sheet(SHEET).get("path", ids[1])).points[:, 0].mean() == pytest.approx(110)


def test_paths_turn_about_their_common_middle(store: FilePath) -> None:
    before = journal.find_sheet(SHEET)
    state = do("turn-paths", paths=[HEM, HEM_L], angle="180°")
    (ax, _), _ = ends(before.get("path", HEM))
    xs = [x for p in (HEM, HEM_L) for x in core_path(before.get("path", p)).points[:, 0]]
    assert ends(state.get("path", HEM))[0][0] == pytest.approx(min(xs) + max(xs) - ax, abs=0.5)
    with pytest.raises(BadInput, match="size"):
        do("turn-paths", paths=[HEM], size="0 %")


def test_paths_of_a_kind_are_found(store: FilePath) -> None:
    do("lay-brush", paths=[HEM, HEM_L, "waistcoat-dart-r"], brush="basting")
    state = journal.find_sheet(SHEET)
    assert set(find_similar(state, HEM, "brush")) == {HEM, HEM_L, "waistcoat-dart-r"}
    assert set(find_similar(state, HEM, "group")) == {HEM, HEM_L}
    assert find_similar(state, HEM, "length", "1 mm")[0] == HEM
    assert HEM_L in find_similar(state, HEM, "length", "1 mm")
    with pytest.raises(BadInput, match="was not imported"):
        find_similar(state, HEM, "colour")
    do("show-paths", paths=[HEM_L], shown=False)
    assert HEM_L not in find_similar(journal.find_sheet(SHEET), HEM, "group")
    with pytest.raises(BadInput, match="has no brush"):
        find_similar(state, "waistcoat-armhole-r", "brush")


def test_what_a_pen_pressed_becomes_the_runs_swell(store: FilePath) -> None:
    points = [[i, 100 + i % 3, 0.2 + i / 150] for i in range(100)]
    state = do("sketch-path", points=points, steadiness="8 mm", within="2 mm")
    row = state.all("path")[-1]
    assert row["swell"][0]["width"] < 60 < 140 < row["swell"][-1]["width"]
    state = do("lay-brush", paths=[row["id"]], brush="rope")
    own = state.runs_of(row["id"])[0]["own"]
    assert own["/courses/0/swell"] == row["swell"]
    state = do("reverse-paths", paths=[row["id"]])
    assert state.get("path", row["id"])["swell"][0]["width"] > 140


def test_a_cut_at_a_node_adds_none(store: FilePath) -> None:
    """Parted there, each part has the node; a hand's breadth on, one comes in first."""
    before = journal.find_sheet(SHEET)
    nodes = before.get("path", HEM)["nodes"]
    middle = nodes[len(nodes) // 2]

    def counted(state: State) -> int:
        new = [path for path in state.all("path") if path["id"] not in before.rows["path"]]
        return sum(len(path["nodes"]) for path in (state.get("path", HEM), *new))

    at_node = do("cut-path", path=HEM, x=middle["x"] + 1e-5, y=middle["y"])
    assert counted(at_node) == len(nodes) + 1
    journal.undo(SHEET, journal.current_revision(SHEET))
    assert counted(do("cut-path", path=HEM, along="20 mm")) == len(nodes) + 2
