"""A sheet's rows in memory: the order in which they are kept and painted, and who may use them."""

from __future__ import annotations

from pathlib import Path as FilePath
from typing import Any

import pytest

from curlet.core.errors import BadInput
from curlet.store.lock import alone_in
from curlet.store.state import KINDS, State


def holding(**rows: list[tuple[str, float]]) -> State:
    """A state with rows at positions, by their kinds."""
    empty: dict[str, dict[str, Any]] = {kind: {} for kind in KINDS}
    there = {kind: {name: {"id": name, "position": at} for name, at in each} for kind, each in rows.items()}
    return State({**empty, **there})


def test_the_first_of_a_kind_is_at_none_and_the_next_are_behind_it() -> None:
    state = holding(path=[("a", 4.0)], mark=[])
    assert state.next_position("mark") == 0
    state.put("mark", {"id": "m", "position": state.next_position("mark")})
    assert state.next_position("mark") == 1
    # What is painted is one order, whatever its kind.
    assert state.next_position("run") == 5


def test_a_place_above_another_lies_below_what_was_above_that() -> None:
    state = holding(path=[("a", 1.0), ("c", 5.0)], single=[("b", 2.0)])
    assert 1 < state.positions_above(1.0)[0] < 2
    first, second = state.positions_above(2.0, 2)
    assert 2 < first < second < 5
    assert state.positions_above(5.0)[0] > 5


def test_a_place_under_everything() -> None:
    assert holding(path=[("a", 3.0)], guide=[("g", -2.0)]).first_position() < -2
    assert holding().first_position() == 0


def test_a_folder_is_made_and_is_one_servers_alone(tmp_path: FilePath) -> None:
    folder = tmp_path / "theatre" / "data"
    with alone_in(folder), pytest.raises(BadInput, match="Another Curlet"), alone_in(folder):
        pass
    with alone_in(folder):
        assert folder.is_dir()
