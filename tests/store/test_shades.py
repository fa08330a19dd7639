"""A sheet's shades and colourways: changed in one place, switched, removed with a successor, copied."""

from __future__ import annotations

from pathlib import Path as FilePath
from typing import Any

import pytest
from pydantic import TypeAdapter

from curlet.core.errors import CurletError
from curlet.store import journal
from curlet.store.commands import AnyIntent, ImportShades
from curlet.store.commands.shades import NewShade
from curlet.store.runs import laid_brush, run_brush
from curlet.store.shades import shade_colours, shades_of
from curlet.store.sheets import duplicate_sheet
from curlet.store.state import State, load_state

SHEET, HEM = "waistcoat", "run-waistcoat-hem-r"


def do(kind: str, sheet: str = SHEET, **values: Any) -> State:
    intent = TypeAdapter(AnyIntent).validate_python({"kind": kind, **values})
    return journal.do(sheet, journal.current_revision(sheet), intent)


def set_on(runs: list[str], pointer: str, entered: str) -> State:
    return do("set-on-runs", runs=runs, settings=[{"pointer": pointer, "entered": entered}])


@pytest.fixture
def card(store: FilePath) -> dict[str, str]:
    """A sheet with three shades on its card and no others: their ids by name."""
    for shade in load_state(SHEET).all("shade"):
        do("remove-shade", shade=shade["id"], successor="own")
    do("lay-brush", paths=["waistcoat-hem-l"], brush="topstitch")
    for name, colour in (("Cream", "#f3ead7"), ("Rust", "#c8553d"), ("Ink", "#1f2a44")):
        do("add-shade", name=name, colour=colour)
    return {shade["name"]: shade["id"] for shade in load_state(SHEET).all("shade")}


def other(state: State) -> str:
    """The run on the other half's hem."""
    return str(state.runs_of("waistcoat-hem-l")[0]["id"])


def thread(state: State, run: str = HEM, number: int = 0) -> str:
    return laid_brush(state, state.get("run", run)).threads[number]


def test_a_changed_shade_changes_everything_that_uses_it(card: dict[str, str]) -> None:
    set_on([HEM, other(load_state(SHEET))], "/threads/0", "Rust")
    cloth = {"weave": "twill", "warp": f"shade:{card['Rust']}", "weft": "#ffffff"}
    do("set-fill", paths=["waistcoat-front-r"], fill=cloth)
    state = do("set-shade", shade=card["Rust"], colour="rebeccapurple")
    assert thread(state) == thread(state, other(state)) == "#663399"
    assert shade_colours(state)[state.get("path", "waistcoat-front-r")["fill"]["warp"]] == "#663399"
    state = do("set-shade", shade=card["Rust"], name="Iris")
    assert thread(state) == "#663399"


def test_switching_the_colourway_switches_all_of_them(card: dict[str, str]) -> None:
    set_on([HEM], "/threads/0", f"shade:{card['Rust']}")
    first = load_state(SHEET).all("colourway")[0]["id"]
    state = do("add-colourway", name="Night")
    assert thread(state) == "#c8553d"
    state = do("set-shade", shade=card["Rust"], colour="#223344")
    assert thread(state) == "#223344"
    night = state.sheet["colourway"]
    assert thread(do("show-colourway", colourway=first)) == "#c8553d"
    assert thread(do("show-colourway", colourway=night)) == "#223344"
    # The one that is shown is removed: another is.
    assert thread(do("remove-colourway", colourway=night)) == "#c8553d"
    with pytest.raises(CurletError, match="only colourway"):
        do("remove-colourway", colourway=first)


def test_a_used_shade_is_removed_only_with_a_successor(card: dict[str, str]) -> None:
    set_on([HEM], "/threads/0", "Rust")
    with pytest.raises(CurletError, match="used 1 time"):
        do("remove-shade", shade=card["Rust"])
    with pytest.raises(CurletError, match="its own place"):
        do("remove-shade", shade=card["Rust"], successor=card["Rust"])
    state = do("remove-shade", shade=card["Rust"], successor=card["Ink"])
    assert thread(state) == "#1f2a44"
    state = do("remove-shade", shade=card["Ink"], successor="own")
    assert thread(state) == "#1f2a44"
    assert state.get("run", HEM)["own"]["/threads/0"] == "#1f2a44"
    # What nothing uses goes without one.
    assert not do("remove-shade", shade=card["Cream"]).rows["shade"]


def test_threads_of_unlike_brushes_are_set_by_their_number(card: dict[str, str]) -> None:
    do("lay-brush", paths=["waistcoat-hem-l"], brush="chainstitch")
    state = load_state(SHEET)
    assert len(run_brush(state, state.get("run", HEM)).threads) == 1
    assert len(run_brush(state, state.get("run", other(state))).threads) == 2
    state = set_on([HEM, other(state)], "/threads/1", "Ink")
    assert thread(state, other(state), 1) == "#1f2a44"
    assert "/threads/1" not in state.get("run", HEM)["own"]
    with pytest.raises(CurletError, match="thread 2"):
        set_on([HEM], "/threads/1", "Ink")
    with pytest.raises(CurletError, match="is not a colour"):
        set_on([HEM], "/threads/0", "Rusty")
    with pytest.raises(CurletError, match="no longer on this sheet"):
        set_on([HEM], "/threads/0", "shade:gone")


def test_a_thread_takes_the_colour_of_its_path(card: dict[str, str]) -> None:
    group = load_state(SHEET).get("path", "waistcoat-hem-r")["group"]
    state = set_on([HEM], "/threads/0", "colour-of-path")
    do("set-group", group=group, mark="teal")
    assert thread(load_state(SHEET)) == "#008080"
    state = do("group-paths", paths=["waistcoat-hem-r"], new_name="Feet")
    assert thread(state) == state.get("group", state.get("path", "waistcoat-hem-r")["group"])["mark"]


def test_a_row_runs_through_shades_by_name(card: dict[str, str]) -> None:
    state = set_on([HEM], "/courses/*/shades", "cream, Cream, rust, 2, #abcdef")
    row = laid_brush(state, state.get("run", HEM)).rows[0]
    assert [shade.own for shade in row.shades] == ["#f3ead7", "#f3ead7", "#c8553d", None, "#abcdef"]
    assert row.shades[3].thread == 2
    assert shades_of(state, "run", state.get("run", HEM)) == {card["Cream"], card["Rust"]}
    state = do("remove-shade", shade=card["Rust"], successor=card["Ink"])
    assert laid_brush(state, state.get("run", HEM)).rows[0].shades[2].own == "#1f2a44"
    state = set_on([HEM], "/courses/*/shades", "")
    assert not laid_brush(state, state.get("run", HEM)).rows[0].shades


def test_the_card_is_taken_from_what_the_sheet_uses(store: FilePath) -> None:
    before = load_state(SHEET)
    colours = {run["id"]: laid_brush(before, run).threads for run in before.all("run")}
    state = do("shades-from-use")
    assert {run["id"]: laid_brush(state, run).threads for run in state.all("run")} == colours
    used = set().union(*(shades_of(state, "run", run) for run in state.all("run")))
    way = state.all("colourway")[0]["id"]
    assert {state.get("shade", shade)["colours"][way] for shade in used} == {
        colour for threads in colours.values() for colour in threads
    }
    # What was filled as it was drawn is as it was, and takes a shade too.
    front = state.get("path", "waistcoat-front-r")
    assert shade_colours(state)[front["fill"]["warp"]] == front["facts"]["fill"]
    assert not state.get("path", "waistcoat-dart-r")["fill"]
    with pytest.raises(CurletError, match="a shade already"):
        do("shades-from-use")


def test_a_copied_sheet_has_a_card_of_its_own(card: dict[str, str]) -> None:
    set_on([HEM], "/threads/0", "Rust")
    do("add-colourway", name="Night")
    copy = duplicate_sheet(SHEET)
    state = load_state(copy)
    run = next(r for r in state.all("run") if "/threads/0" in r["own"] and laid_brush(state, r).threads)
    assert not set(state.rows["shade"]) & set(card.values())
    do(
        "set-shade",
        sheet=copy,
        shade=next(s["id"] for s in state.all("shade") if s["name"] == "Rust"),
        colour="#111111",
    )
    state = load_state(copy)
    assert laid_brush(state, state.get("run", run["id"])).threads[0] == "#111111"
    assert state.sheet["colourway"] in state.rows["colourway"]
    assert thread(load_state(SHEET)) == "#c8553d"


def test_a_card_holds_only_so_many_shades_and_loses_none(card: dict[str, str]) -> None:
    many = [NewShade(name=f"Shade {i}", colours={"": "#808080"}) for i in range(500)]
    with pytest.raises(CurletError, match="up to 256 shades"):
        journal.do(SHEET, journal.current_revision(SHEET), ImportShades(shades=many))
    assert set(load_state(SHEET).rows["shade"]) == set(card.values())


def test_imported_shades_are_matched_by_name_and_by_colourway(card: dict[str, str]) -> None:
    first = load_state(SHEET).all("colourway")[0]["name"]
    shades = [
        NewShade(name="rust", colours={first: "#aa0000", "Night": "#330000"}),
        NewShade(name="Moss, dark", colours={first: "#5f7f52", "Night": "#203018"}),
    ]
    state = journal.do(SHEET, journal.current_revision(SHEET), ImportShades(shades=shades))
    ways = {way["name"]: way["id"] for way in state.all("colourway")}
    assert state.get("shade", card["Rust"])["colours"] == {ways[first]: "#aa0000", ways["Night"]: "#330000"}
    assert state.get("shade", card["Cream"])["colours"][ways["Night"]] == "#f3ead7"
    assert state.all("shade")[-1]["name"] == "Moss dark"


def test_shades_are_brought_to_another_place_and_none_has_anothers_name(card: dict[str, str]) -> None:
    state = do("order-shade", shade=card["Ink"], place=0)
    assert [shade["name"] for shade in state.all("shade")] == ["Ink", "Cream", "Rust"]
    state = do("set-shade", shade=card["Ink"], name="Rust")
    assert [shade["name"] for shade in state.all("shade")] == ["Rust 2", "Cream", "Rust"]
