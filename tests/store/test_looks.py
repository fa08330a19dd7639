"""Looks: kept in the Library, given and linked, changed with follow or keep, taken up and given elsewhere."""

from __future__ import annotations

from pathlib import Path as FilePath
from typing import Any

import pytest
from pydantic import TypeAdapter, ValidationError

from curlet.core.errors import CurletError
from curlet.formats.brush_file import BrushDoc, LookDoc, read_brush
from curlet.store import journal
from curlet.store.commands import AnyIntent
from curlet.store.commands.clip import copied
from curlet.store.commands.looks import take_up
from curlet.store.runs import laid_brush
from curlet.store.state import State, load_state

SHEET, HEM, OTHER = "waistcoat", "run-waistcoat-hem-r", "waistcoat-hem-l"
PATHS = ["waistcoat-hem-l", "waistcoat-armhole-r", "waistcoat-armhole-l"]


def do(kind: str, sheet: str = SHEET, **values: Any) -> State:
    intent = TypeAdapter(AnyIntent).validate_python({"kind": kind, **values})
    return journal.do(sheet, journal.current_revision(sheet), intent)


def set_on(pointer: str, entered: str, run: str = HEM, sheet: str = SHEET) -> State:
    return do("set-on-runs", sheet, runs=[run], settings=[{"pointer": pointer, "entered": entered}])


@pytest.fixture
def styled(store: FilePath) -> State:
    """The hem with relief, a longer stitch and the shade Rust."""
    for shade in load_state(SHEET).all("shade"):
        do("remove-shade", shade=shade["id"], successor="own")
    do("add-shade", name="Rust", colour="#c8553d")
    set_on("/relief/height", "60 %")
    set_on("/courses/*/length", "4 mm")
    return set_on("/threads/0", "Rust")


def worn(state: State, path: str) -> Any:
    return laid_brush(state, state.runs_of(path)[-1])


def test_a_look_is_kept_under_a_name_and_given_to_many(styled: State) -> None:
    state = do("make-look", run=HEM, name="Rust topstitch")
    run = state.get("run", HEM)
    assert run["own"] == {}
    doc = read_brush(state.get("brush", run["brush"])["doc"])
    assert doc.look is not None
    assert doc.look.shades == {"/threads/0": "Rust"}
    state = do("lay-brush", paths=PATHS, brush=run["brush"])
    for path in PATHS:
        assert worn(state, path).relief.height == 60
        assert worn(state, path).threads == ("#c8553d",)
    # All of them are recoloured by the shade, at once.
    rust = state.all("shade")[0]["id"]
    state = do("set-shade", shade=rust, colour="#335577")
    assert {worn(state, path).threads for path in PATHS} == {("#335577",)}
    # Its name on the card may change: what uses it still does.
    do("set-shade", shade=rust, name="Sea")
    state = do("set-shade", shade=rust, colour="#112233")
    assert {worn(state, path).threads for path in PATHS} == {("#112233",)}


def test_a_changed_look_is_followed_or_kept(styled: State) -> None:
    look = do("make-look", run=HEM, name="Rust topstitch").get("run", HEM)["brush"]
    do("lay-brush", paths=PATHS, brush=look)
    set_on("/courses/*/length", "6 mm")
    state = do("give-to-brush", run=HEM)
    assert {worn(state, path).rows[0].length.mm for path in PATHS} == {6}
    assert read_brush(state.get("brush", look)["doc"]).look is not None
    set_on("/relief/height", "0 %")
    state = do("give-to-brush", run=HEM, keep=True)
    assert {worn(state, path).relief.height for path in PATHS} == {60}
    assert laid_brush(state, state.get("run", HEM)).relief.height == 0
    assert laid_brush(state, state.get("run", HEM)).name == "Rust topstitch"
    assert worn(state, PATHS[0]).name == "Rust topstitch, as it was"
    state = journal.undo(SHEET, journal.current_revision(SHEET))
    assert state.get("run", HEM)["brush"] == look
    assert state.get("brush", look)["doc"]["name"] == "Rust topstitch"


def test_a_look_brings_its_shades_to_another_sheet(styled: State) -> None:
    look = do("make-look", run=HEM, name="Rust topstitch").get("run", HEM)["brush"]
    path = load_state("satchel").all("path")[0]["id"]
    before = len(load_state("satchel").rows["shade"])
    state = do("lay-brush", "satchel", paths=[path], brush=look)
    assert len(state.rows["shade"]) == before + 1
    assert worn(state, path).threads == ("#c8553d",)
    rust = next(shade["id"] for shade in state.all("shade") if shade["name"] == "Rust")
    assert worn(do("set-shade", "satchel", shade=rust, colour="#010203"), path).threads == ("#010203",)


def test_a_look_is_taken_up_here_and_given_there(styled: State) -> None:
    taken = take_up(styled, HEM).model_dump(mode="json")
    state = do("give-look", paths=PATHS, taken=taken)
    assert {worn(state, path).threads for path in PATHS} == {("#c8553d",)}
    assert {worn(state, path).rows[0].length.mm for path in PATHS} == {4}
    # On a sheet that has a shade of this name its own colour is taken.
    do("add-shade", "satchel", name="RUST", colour="#000080")
    path = load_state("satchel").all("path")[0]["id"]
    state = do("give-look", "satchel", paths=[path], taken=taken)
    assert worn(state, path).threads == ("#000080",)
    # On one that has none it is added.
    path = load_state("coat").all("path")[0]["id"]
    state = do("give-look", "coat", paths=[path], taken=taken)
    assert worn(state, path).threads == ("#c8553d",)
    assert "Rust" in {shade["name"] for shade in state.all("shade")}


@pytest.mark.parametrize(
    ("change", "said"),
    [
        ({"brush": "gone"}, "no longer in the Library"),
        ({"own": {"/courses/0/length": "wide"}}, "cannot be read"),
        ({"own": {"/relief/height": 1e9}}, "from 0"),
        ({"own": {"/nothing": 1}}, "no setting"),
    ],
)
def test_a_look_that_is_none_is_refused_whole(styled: State, change: dict[str, Any], said: str) -> None:
    taken = {**take_up(styled, HEM).model_dump(mode="json"), **change}
    before = load_state(SHEET).rows
    with pytest.raises(CurletError, match=said):
        do("give-look", paths=PATHS, taken=taken)
    assert load_state(SHEET).rows == before


def test_copied_paths_bring_their_shades(styled: State) -> None:
    clip = copied(styled, ["waistcoat-hem-r"]).model_dump(mode="json")
    state = do("paste", "curtain", clip=clip)
    path = state.all("path")[-1]["id"]
    rust = next(shade["id"] for shade in state.all("shade") if shade["name"] == "Rust")
    assert worn(do("set-shade", "curtain", shade=rust, colour="#0a0b0c"), path).threads == ("#0a0b0c",)


def test_a_look_travels_in_a_brush_file(styled: State) -> None:
    state = do("make-look", run=HEM, name="L")
    doc = read_brush(state.get("brush", state.get("run", HEM)["brush"])["doc"])
    assert BrushDoc.model_validate_json(doc.model_dump_json()) == doc
    broken = doc.model_dump(mode="json") | {"look": {"shades": {"/name": "Rust"}}}
    with pytest.raises(ValidationError, match="is not a colour"):
        BrushDoc.model_validate(broken)


def test_a_single_repeat_takes_a_shade(styled: State) -> None:
    state = do("place-single", brush="chainstitch", x=20, y=20)
    single = state.all("single")[-1]["id"]
    state = do("set-single", single=single, thread=1, colour="Rust")
    assert laid_brush(state, state.get("single", single)).threads[1] == "#c8553d"
    rust = state.all("shade")[0]["id"]
    state = do("set-shade", shade=rust, colour="#123456")
    assert laid_brush(state, state.get("single", single)).threads[1] == "#123456"
    with pytest.raises(CurletError, match="no setting"):
        do("set-single", single=single, thread=5, colour="Rust")


def test_a_look_of_a_newer_version_is_told_and_left_as_it_is(styled: State) -> None:
    look = do("make-look", run=HEM, name="Later").get("run", HEM)["brush"]
    doc = load_state(SHEET).get("brush", look)["doc"]
    with pytest.raises(CurletError, match="newer Curlet"):
        read_brush({**doc, "version": 2})


def kept(name: str) -> LookDoc:
    """The look that the hem's run is kept as, under a name."""
    state = do("make-look", run=HEM, name=name)
    look = read_brush(state.get("brush", state.get("run", HEM)["brush"])["doc"]).look
    assert look is not None
    return look


def test_a_look_made_of_a_look_keeps_what_the_run_did_not_change(styled: State) -> None:
    """What the run has of its own takes the place of the look's shade, or of the colour of the path."""
    kept("Rust topstitch")
    set_on("/relief/height", "80 %")
    assert kept("Higher").shades == {"/threads/0": "Rust"}
    set_on("/threads/0", "#112233")
    assert kept("Blue").shades == {}
    assert worn(load_state(SHEET), "waistcoat-hem-r").threads == ("#112233",)
    set_on("/threads/0", "colour-of-path")
    assert kept("As the path").of_path == ("/threads/0",)
    set_on("/threads/0", "#445566")
    assert kept("Grey").of_path == ()
    assert worn(load_state(SHEET), "waistcoat-hem-r").threads == ("#445566",)
