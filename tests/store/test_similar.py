"""Finding all the seams of a kind, each way of it."""

from __future__ import annotations

from pathlib import Path as FilePath

import pytest

from curlet.core.errors import BadInput
from curlet.formats.svg_in import read_svg
from curlet.store import journal
from curlet.store.commands import ImportDrawing
from curlet.store.errors import Missing
from curlet.store.similar import find_similar
from curlet.store.state import State
from tests.store.test_path_commands import HEM, SHEET, do

FLAT = """<svg xmlns="http://www.w3.org/2000/svg" width="90mm" viewBox="0 0 90 90"><g fill="none">
<path id="a" d="M0 0h40" stroke="#b00" stroke-width="0.5" stroke-dasharray="2 1"/>
<path id="b" d="M0 9h40.8" stroke="#b00" stroke-width="0.5" stroke-dasharray="2 1"/>
<path id="c" d="M0 19h20" stroke="#b00" stroke-width="0.8"/>
<path id="d" d="M0 29h20" stroke="#06c" stroke-width="0.5" stroke-dasharray="2 1"/>
<path id="e" d="M0 39h20v9h-20z" fill="#b00"/></g></svg>"""


def taken() -> State:
    groups = (("Flat", "#bb0000", read_svg(FLAT.encode()).paths),)
    return journal.do(SHEET, journal.current_revision(SHEET), ImportDrawing(title="Flat", groups=groups))


def named(state: State, ids: list[str]) -> list[str]:
    return [state.get("path", path_id)["name"] for path_id in ids]


def alike(state: State, name: str, by: str, within: str = "0 mm") -> list[str]:
    path = next(row["id"] for row in state.all("path") if row["name"] == name)
    return named(state, find_similar(state, path, by, within))  # type: ignore[arg-type]


def test_by_line_colour_a_fill_counts_where_there_is_no_line(store: FilePath) -> None:
    assert alike(taken(), "a", "colour") == ["a", "b", "c", "e"]


def test_by_line_style_colour_does_not_count(store: FilePath) -> None:
    assert alike(taken(), "a", "style") == ["a", "b", "d"]


@pytest.mark.parametrize(
    ("within", "found"),
    [
        ("0 mm", ["a"]),
        ("3.1 mm", ["a"]),
        ("3.3 mm", ["a", "b"]),
        ("75 mm", ["a", "b", "e"]),
        ("90 mm", ["a", "b", "c", "d", "e"]),
    ],
)
def test_by_length_give_or_take_what_is_said_as_worn(store: FilePath, within: str, found: list[str]) -> None:
    """1:4, so that 0.8 mm drawn are 3.2 garment mm."""
    state = taken()
    assert [name for name in alike(state, "a", "length", within) if len(name) == 1] == found


def test_by_group_and_by_its_mark(store: FilePath) -> None:
    state = taken()
    assert alike(state, "c", "group") == ["c", "a", "b", "d", "e"]
    do("group-paths", paths=[row["id"] for row in state.all("path") if row["name"] == "e"], new_name="Else")
    other = next(row["id"] for row in journal.find_sheet(SHEET).all("group") if row["name"] == "Else")
    state = do("set-group", group=other, mark="#bb0000")
    assert alike(state, "a", "group") == ["a", "b", "c", "d"]
    assert alike(state, "a", "mark") == ["a", "b", "c", "d", "e"]


def test_by_brush_all_that_it_wears_counts(store: FilePath) -> None:
    ids = {row["name"]: row["id"] for row in taken().all("path")}
    do("lay-brush", paths=[ids["a"], ids["b"], ids["c"]], brush="rope")
    state = do("lay-brush", paths=[ids["c"]], brush="eight", another=True)
    assert alike(state, "a", "brush") == ["a", "b"]
    assert alike(state, "c", "brush") == ["c"]


def test_hidden_paths_are_not_found_but_the_one_asked_of_is(store: FilePath) -> None:
    ids = {row["name"]: row["id"] for row in taken().all("path")}
    state = do("show-paths", paths=[ids["b"]], shown=False)
    assert alike(state, "a", "style") == ["a", "d"]
    assert alike(state, "b", "style") == ["b", "a", "d"]


@pytest.mark.parametrize(
    ("by", "says"),
    [("colour", "not imported"), ("style", "not imported"), ("brush", "has no brush"), ("group", "no seam")],
)
def test_what_a_path_has_not_is_said(store: FilePath, by: str, says: str) -> None:
    state = do("draw-path", nodes=[{"x": 0, "y": 0}, {"x": 50, "y": 9}])
    path = state.all("path")[-1]["id"]
    with pytest.raises(BadInput, match=says):
        find_similar(state, path, by)  # type: ignore[arg-type]


def test_a_path_that_is_gone_and_a_length_that_is_none_are_refused(store: FilePath) -> None:
    state = journal.find_sheet(SHEET)
    with pytest.raises(Missing):
        find_similar(state, "gone", "length")
    with pytest.raises(BadInput, match="not a measure"):
        find_similar(state, HEM, "length", "about")
