"""What is said of single corners, legs, crossings and start points: kept by node, undone, refused."""

from __future__ import annotations

from pathlib import Path as FilePath
from typing import Any

import pytest
from pydantic import TypeAdapter, ValidationError

from curlet.core.errors import BadInput
from curlet.store import journal
from curlet.store.commands import AnyIntent
from curlet.store.errors import Missing
from curlet.store.laying import lay_row
from curlet.store.runs import run_places
from curlet.store.state import State

SHEET = "waistcoat"
WELT = "waistcoat-welt-pocket-r"
HEM = "waistcoat-hem-r"
RUN = f"run-{WELT}"
HEM_RUN = f"run-{HEM}"
_INTENT = TypeAdapter(AnyIntent)


def do(kind: str, **values: Any) -> State:
    intent = _INTENT.validate_python({"kind": kind, **values})
    return journal.do(SHEET, journal.current_revision(SHEET), intent)


def undo() -> State:
    return journal.undo(SHEET, journal.current_revision(SHEET))


def places(state: State, run: str = RUN) -> dict[str, Any]:
    return run_places(state, run).model_dump(mode="json", exclude_defaults=True)


STEPS = [
    ("set-corner", {"node": "n2", "manner": "mitre"}, {"corners": {"n2": "mitre"}}),
    ("set-count", {"node": "n1", "entered": "9"}, {"counts": {"n1": 9}}),
    ("set-count", {"node": "n1", "entered": "3*3"}, {"counts": {"n1": 9}}),
    ("flip-crossing", {"key": "n1×n3"}, {"flips": ["n1×n3"]}),
    ("slide-start", {"to": 12.5}, {"start": 12.5}),
    ("open-path", {"entered": "8 mm"}, {"opening": 2.0}),
    ("new-seed", {"seed": 7}, {"seed": 7}),
]


@pytest.mark.parametrize(("kind", "values", "kept"), STEPS)
def test_each_is_kept_and_undone(
    store: FilePath, kind: str, values: dict[str, Any], kept: dict[str, Any]
) -> None:
    assert places(do(kind, run=RUN, **values)) == kept
    assert places(undo()) == {}


@pytest.mark.parametrize(
    ("kind", "first", "second"),
    [
        ("set-corner", {"node": "n2", "manner": "stop"}, {"node": "n2"}),
        ("set-count", {"node": "n1", "entered": "4"}, {"node": "n1", "entered": ""}),
        ("flip-crossing", {"key": "a×b"}, {"key": "a×b"}),
        ("open-path", {"entered": "10 mm"}, {"entered": ""}),
    ],
)
def test_each_is_let_go_again(
    store: FilePath, kind: str, first: dict[str, Any], second: dict[str, Any]
) -> None:
    do(kind, run=RUN, **first)
    assert places(do(kind, run=RUN, **second)) == {}


@pytest.mark.parametrize(
    ("kind", "values", "says"),
    [
        ("set-count", {"node": "n1", "entered": "2.5"}, "whole number"),
        ("set-count", {"node": "n1", "entered": "-1"}, "whole number"),
        ("set-count", {"node": "n1", "entered": "soon"}, "not a measure"),
        ("open-path", {"entered": "-3 mm"}, "The opening is"),
        ("open-path", {"entered": "30 %"}, "this takes a length"),
    ],
)
def test_what_cannot_be_is_refused_and_changes_nothing(
    store: FilePath, kind: str, values: dict[str, Any], says: str
) -> None:
    with pytest.raises(BadInput, match=says):
        do(kind, run=RUN, **values)
    assert places(journal.find_sheet(SHEET)) == {}


def test_an_open_paths_start_does_not_slide(store: FilePath) -> None:
    with pytest.raises(BadInput, match="closed path"):
        do("slide-start", run=HEM_RUN, to=3)


def test_an_unknown_manner_is_no_intent(store: FilePath) -> None:
    with pytest.raises(ValidationError):
        do("set-corner", run=RUN, node="n2", manner="twirl")


def test_a_run_that_is_gone_is_missing(store: FilePath) -> None:
    with pytest.raises(Missing):
        do("new-seed", run="gone")


def test_the_start_slides_to_the_nearest_place_on_the_path(store: FilePath) -> None:
    state = journal.find_sheet(SHEET)
    laid, _ = lay_row(state, state.get("run", RUN))
    x, y = laid.path.arc.points([20.0])[0].tolist()
    state = do("slide-start", run=RUN, near=[x + 0.3, y - 0.3])
    assert places(state)["start"] == pytest.approx(20, abs=0.5)
    moved, _ = lay_row(state, state.get("run", RUN))
    assert moved.path.points[0] == pytest.approx([x, y], abs=0.5)


def test_it_slides_the_same_way_when_walked_backwards(store: FilePath) -> None:
    do("reverse-run", run=RUN)
    state = journal.find_sheet(SHEET)
    laid, _ = lay_row(state, state.get("run", RUN))
    x, y = laid.path.arc.points([9.0])[0].tolist()
    state = do("slide-start", run=RUN, near=[x, y])
    moved, _ = lay_row(state, state.get("run", RUN))
    assert moved.path.points[0] == pytest.approx([x, y], abs=1e-3)


def test_a_corners_manner_stays_with_its_node_when_nodes_come_before_it(store: FilePath) -> None:
    do("set-corner", run=HEM_RUN, node="n2", manner="carry")
    state = do("add-node", path=HEM, after="n1")
    laid, measured = lay_row(state, state.get("run", HEM_RUN))
    assert [corner.manner for corner in measured.facts.corners] == ["carry"]
    assert len(laid.courses[0].line.legs) == 1


def test_a_dropped_corner_is_announced(store: FilePath) -> None:
    do("set-corner", run=HEM_RUN, node="n2", manner="carry")
    state = do("delete-nodes", path=HEM, nodes=["n2"])
    _, measured = lay_row(state, state.get("run", HEM_RUN))
    assert "1 corner manner is kept for nodes that turn no corner now." in [
        w.message for w in measured.warnings
    ]


def test_several_runs_on_a_path_are_stacked(store: FilePath) -> None:
    state = do("lay-brush", paths=[HEM], brush="eight", another=True)
    first, second = state.runs_of(HEM)
    assert [first["brush"], second["brush"]] == ["show-stitch", "eight"]
    over = {"items": [{"kind": "run", "id": first["id"]}], "of": {"kind": "run", "id": second["id"]}}
    state = do("reorder", to="above", **over)
    assert [run["brush"] for run in state.runs_of(HEM)] == ["eight", "show-stitch"]
    with pytest.raises(BadInput, match="lies there already"):
        do("reorder", to="above", **over)
    assert [run["brush"] for run in undo().runs_of(HEM)] == ["show-stitch", "eight"]


def test_laying_without_another_changes_the_topmost(store: FilePath) -> None:
    do("lay-brush", paths=[HEM], brush="eight", another=True)
    state = do("lay-brush", paths=[HEM], brush="rope")
    assert [run["brush"] for run in state.runs_of(HEM)] == ["show-stitch", "rope"]


def test_a_motif_is_stretched_once_and_repeated_again(store: FilePath) -> None:
    do("lay-brush", paths=[WELT], brush="stem")
    state = do("switch-course", run=RUN, course=0)
    brush = state.get("brush", state.get("run", RUN)["brush"])
    assert brush["doc"]["courses"][0]["course"] == "span"
    assert not brush["builtin"]
    state = do("switch-course", run=RUN, course=0)
    assert state.get("brush", state.get("run", RUN)["brush"])["doc"]["courses"][0]["course"] == "row"
    assert state.get("brush", "stem")["doc"]["courses"][0]["course"] == "row"


@pytest.mark.parametrize(("course", "says"), [(0, "no motif"), (9, "no such course")])
def test_what_cannot_be_stretched_says_so(store: FilePath, course: int, says: str) -> None:
    do("lay-brush", paths=[WELT], brush="ribbon")
    with pytest.raises(BadInput, match=says):
        do("switch-course", run=RUN, course=course)


def test_an_older_database_gets_its_places(tmp_path: FilePath) -> None:
    """A file of the first version, made without the column, is brought up to date."""
    import sqlite3

    from curlet.demo.load import load_demo
    from curlet.store.database import open_database
    from curlet.store.models import database

    file = tmp_path / "curlet.sqlite"
    open_database(file)
    load_demo()
    database.close()
    with sqlite3.connect(file) as db:
        db.execute("ALTER TABLE run DROP COLUMN places")
        db.execute("PRAGMA user_version = 1")
    db.close()
    open_database(file)
    assert places(do("set-count", run=RUN, node="n1", entered="5")) == {"counts": {"n1": 5}}
    database.close()
