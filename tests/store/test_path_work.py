"""Paths made from paths by command: measures, names in pairs, brushes kept, one step to undo."""

from __future__ import annotations

from pathlib import Path as FilePath
from typing import Any

import numpy as np
import pytest

from curlet.core.errors import BadInput
from curlet.store import journal
from curlet.store.paths import core_path
from curlet.store.records import Json
from curlet.store.state import State
from tests.store.test_path_commands import HEM, SHEET, do

FRONT = "waistcoat-front-r"


def newest(state: State, count: int = 1) -> list[Json]:
    return state.all("path")[-count:]


def test_a_seam_allowance_is_as_wide_as_stated_on_the_garment(store: FilePath) -> None:
    state = do("parallel-copy", paths=[FRONT], distance="1.5 cm", side="left")
    (copy,) = newest(state)
    before = core_path(state.get("path", FRONT))
    assert copy["name"] == "Front R, left 1.5 cm"
    assert (copy["closed"], copy["group"]) == (True, state.get("path", FRONT)["group"])
    assert state.runs_of(copy["id"]) == []
    after = core_path(copy)
    # The nearest point of the copy is just that far, in garment mm.
    ours = after.arc.points(np.arange(0, after.length, 5.0))
    theirs = before.arc.points(np.arange(0, before.length, 0.25))
    gap = np.hypot(*np.moveaxis(ours[:, None] - theirs, -1, 0)).min()
    assert gap == pytest.approx(15 * state.scale.factor, abs=0.05)
    both = do("parallel-copy", paths=[HEM], distance="3 mm", side="both", corners="round")
    assert len(both.all("path")) == len(state.all("path")) + 2


def test_half_a_garment_becomes_the_whole(store: FilePath) -> None:
    dressed = do("lay-brush", paths=[HEM], brush="topstitch")
    run = dressed.runs_of(HEM)[-1]
    do("set-corner", run=run["id"], node=dressed.get("path", HEM)["nodes"][1]["id"], manner="stop")
    state = do("mirror-paths", paths=[HEM, "waistcoat-dart-r"], about="right")
    hem, dart = newest(state, 2)
    assert (hem["name"], dart["name"]) == ("Hem L", "Dart L")
    (copy,) = [r for r in state.runs_of(hem["id"]) if r["brush"] == "topstitch"]
    assert copy["places"]["corners"]
    original, mirrored = core_path(state.get("path", HEM)), core_path(hem)
    assert mirrored.length == pytest.approx(original.length)
    # Mirrored about one upright line, and walked the other way.
    assert np.ptp(original.points[::-1, 0] + mirrored.points[:, 0]) < 1e-9
    assert np.allclose(original.points[::-1, 1], mirrored.points[:, 1])
    assert mirrored.node_ids == original.node_ids[::-1]
    assert journal.undo(SHEET, journal.current_revision(SHEET)).all("path")[-1]["id"] != dart["id"]


@pytest.mark.parametrize(("about", "ends"), [("left", [-20, 10]), ("right", [40, 70])])
def test_a_line_is_mirrored_about_its_very_end(store: FilePath, about: str, ends: list[float]) -> None:
    drawn = do("draw-path", nodes=[{"x": 10, "y": 5}, {"x": 40, "y": 9}])
    (line,) = newest(drawn, 1)
    (copy,) = newest(do("mirror-paths", paths=[line["id"]], about=about), 1)
    assert sorted(node["x"] for node in copy["nodes"]) == pytest.approx(ends)


def test_a_path_is_split_at_its_corners_and_joined_again(store: FilePath) -> None:
    before = do("lay-brush", paths=[FRONT], brush="topstitch")
    length = core_path(before.get("path", FRONT)).length
    count = len(before.all("path"))
    state = do("split-path", path=FRONT)
    parts = [state.get("path", FRONT), *newest(state, len(state.all("path")) - count)]
    assert not any(part["closed"] for part in parts)
    assert sum(core_path(part).length for part in parts) == pytest.approx(length, abs=1e-3)
    assert all(state.runs_of(part["id"]) for part in parts)
    for part in parts[1:]:
        state = do("join-paths", paths=[FRONT, part["id"]])
    state = do("join-paths", paths=[FRONT])
    whole = state.get("path", FRONT)
    assert (whole["closed"], len(state.all("path"))) == (True, count)
    assert core_path(whole).length == pytest.approx(length, abs=1e-3)
    assert len(whole["nodes"]) == len(before.get("path", FRONT)["nodes"])


def test_copies_wear_what_they_are_copies_of(store: FilePath) -> None:
    state = do("duplicate-paths", paths=[HEM])
    (copy,) = newest(state)
    assert copy["name"] == "Hem R (copy)"
    brushes = [run["brush"] for run in state.runs_of(HEM)]
    assert [run["brush"] for run in state.runs_of(copy["id"])] == brushes
    turned = core_path(do("reverse-paths", paths=[HEM]).get("path", HEM))
    assert turned.node_ids == core_path(state.get("path", HEM)).node_ids[::-1]


def test_a_path_of_many_nodes_is_simplified(store: FilePath) -> None:
    many = [{"x": x / 4, "y": 20 + (x / 60) ** 2} for x in range(300)]
    path = newest(do("draw-path", nodes=many))[0]
    state = do("simplify-paths", paths=[path["id"]], within="0.2 mm")
    few = state.get("path", path["id"])
    assert len(few["nodes"]) < 8
    assert core_path(few).length == pytest.approx(core_path(path).length, abs=0.2)


@pytest.mark.parametrize(
    ("kind", "values", "words"),
    [
        ("parallel-copy", {"paths": [HEM], "distance": "soon"}, "not a measure"),
        ("parallel-copy", {"paths": [HEM], "distance": "0 mm"}, "distance"),
        (
            "parallel-copy",
            {"paths": ["waistcoat-welt-pocket-r"], "distance": "20 cm"},
            "Nothing of this path",
        ),
        ("split-path", {"path": "waistcoat-dart-r"}, "no corner"),
        ("join-paths", {"paths": [FRONT]}, "closed already"),
        ("join-paths", {"paths": [FRONT, HEM]}, "open paths"),
        ("simplify-paths", {"paths": [HEM], "within": "0"}, "How far"),
    ],
)
def test_what_cannot_be_done_says_why_and_changes_nothing(
    store: FilePath, kind: str, values: dict[str, Any], words: str
) -> None:
    before = journal.current_revision(SHEET)
    with pytest.raises(BadInput, match=words):
        do(kind, **values)
    assert journal.current_revision(SHEET) == before
