"""A run is drawn anew exactly when something that shows has changed."""

from __future__ import annotations

from pathlib import Path as FilePath
from typing import Any

import pytest

from curlet.core.drawing import Group
from curlet.store import journal
from curlet.store.laying import draw_row
from curlet.store.state import State
from tests.store.test_every_intent import INTENT

SHEET, HEM = "waistcoat", "waistcoat-hem-r"
RUN = f"run-{HEM}"


def do(kind: str, **values: Any) -> State:
    intent = INTENT.validate_python({"kind": kind, **values})
    return journal.do(SHEET, journal.current_revision(SHEET), intent)


def drawn(state: State) -> Group:
    return draw_row(state, state.get("run", RUN))


def test_the_same_run_is_drawn_once(store: FilePath) -> None:
    before = drawn(journal.find_sheet(SHEET))
    assert drawn(journal.find_sheet(SHEET)) is before
    # Another path's change is none of its own.
    assert drawn(do("rename-path", path="waistcoat-hem-l", name="Left")) is before
    do("move-nodes", path=HEM, moves=[{"id": "n1", "x": 100, "y": 100}])
    assert drawn(journal.find_sheet(SHEET)) is not before
    assert drawn(journal.undo(SHEET, journal.current_revision(SHEET))) is before


@pytest.mark.parametrize(
    ("kind", "values"),
    [
        ("rename-path", {"path": HEM, "name": "Foot"}),
        ("set-sheet", {"light_azimuth": "40"}),
        ("set-sheet", {"scale": "1:2"}),
        ("set-on-runs", {"runs": [RUN], "settings": [{"pointer": "/threads/0", "entered": "navy"}]}),
        ("move-nodes", {"path": HEM, "moves": [{"id": "n1", "x": 100, "y": 100}]}),
    ],
)
def test_whatever_shows_draws_it_anew(store: FilePath, kind: str, values: dict[str, Any]) -> None:
    before = drawn(journal.find_sheet(SHEET))
    assert drawn(do(kind, **values)) is not before


def test_two_runs_alike_on_one_path_have_their_own_names(store: FilePath) -> None:
    state = journal.find_sheet(SHEET).draft()
    state.put("run", {**state.get("run", RUN), "id": "another"})
    assert [draw_row(state, run).id for run in state.runs_of(HEM)] == ["run-another", f"run-{RUN}"]
