"""Intents on a sheet's shade card and its colourways."""

from __future__ import annotations

from typing import Annotated, Any, Literal

from pydantic import BaseModel, ConfigDict, Field

from curlet.core.dress.colour import read_colour
from curlet.core.errors import BadInput
from curlet.formats.cloth_doc import ClothDoc
from curlet.formats.names import ended
from curlet.formats.path_doc import FactsDoc
from curlet.formats.shade_refs import is_ref, shade_ref
from curlet.store.commands.intent import BaseIntent, Entered, Id, Name
from curlet.store.names import unlike
from curlet.store.paths import element_of
from curlet.store.records import Json, PathRecord, ShadeRecord
from curlet.store.runs import run_brush
from curlet.store.shade_card import (
    MAX_COLOURWAYS,
    MAX_SHADES,
    add_shade,
    fit_name,
    pin_looks,
    put_instead,
    put_way,
    rename_shade,
    shown_way,
)
from curlet.store.shades import colour_in, shade_colours, shade_named, shown_colourway, using
from curlet.store.state import State


class NewShade(BaseModel):
    """A shade to be added: its name, and its colours, one for each colourway that is named beside them."""

    model_config = ConfigDict(extra="forbid", frozen=True)
    name: Annotated[str, Field(max_length=200)] = ""
    colours: Annotated[dict[str, str], Field(min_length=1, max_length=MAX_COLOURWAYS)]


class AddShade(BaseIntent):
    """Add a shade; without a name it is called by its colour."""

    kind: Literal["add-shade"]
    colour: Entered
    name: Name | None = None

    def apply(self, state: State) -> str:
        row = add_shade(state, self.name or "", read_colour(self.colour))
        return f"Add the shade {row['name']}"


class SetShade(BaseIntent):
    """Give a shade another name, or another colour in the colourway that is shown."""

    kind: Literal["set-shade"]
    shade: Id
    name: Name | None = None
    colour: Entered | None = None

    def apply(self, state: State) -> str:
        row = state.get("shade", self.shade)
        if self.colour is not None:
            colours = {**row["colours"], shown_way(state): read_colour(self.colour)}
            state.update("shade", self.shade, colours=colours)
        if self.name is not None:
            rename_shade(state, row, self.name)
        return f"Change the shade {state.get('shade', self.shade)['name']}"


class OrderShade(BaseIntent):
    """Bring a shade to another place on the card, counted from 0."""

    kind: Literal["order-shade"]
    shade: Id
    place: Annotated[int, Field(ge=0, lt=MAX_SHADES)]

    def apply(self, state: State) -> str:
        row = state.get("shade", self.shade)
        others = [other for other in state.all("shade") if other["id"] != self.shade]
        others.insert(self.place, row)
        for position, each in enumerate(others):
            state.update("shade", each["id"], position=position)
        return f"Move the shade {row['name']}"


class RemoveShade(BaseIntent):
    """Remove a shade. What uses it takes the `successor` instead, or with "own" keeps its colour as one of
    its own."""

    kind: Literal["remove-shade"]
    shade: Id
    successor: Id | None = None

    def apply(self, state: State) -> str:
        row = state.get("shade", self.shade)
        used = list(using(state, self.shade))
        if used and self.successor is None:
            raise BadInput(
                f"{row['name']} is used {len(used)} time{'s' * (len(used) > 1)}. Choose the shade that takes "
                "its place, or let what uses it keep its colour."
            )
        if used:
            self._succeeded(state, row, used)
        state.remove("shade", self.shade)
        return f"Remove the shade {row['name']}"

    def _succeeded(self, state: State, row: ShadeRecord, used: list[tuple[str, Json]]) -> None:
        assert self.successor is not None
        if self.successor == self.shade:
            raise BadInput("A shade cannot take its own place. Choose another.")
        new = (
            colour_in(row, shown_colourway(state))
            if self.successor == "own"
            else shade_ref(state.get("shade", self.successor)["id"])
        )
        pin_looks(state, row, used)
        for kind, each in used:
            put_instead(state, kind, each["id"], {shade_ref(self.shade): new})


class AddColourway(BaseIntent):
    """Add a colourway as a copy of the one that is shown, and show it."""

    kind: Literal["add-colourway"]
    name: Name | None = None

    def apply(self, state: State) -> str:
        shown = shown_way(state)
        ways = state.all("colourway")
        if len(ways) >= MAX_COLOURWAYS:
            raise BadInput(f"A sheet has up to {MAX_COLOURWAYS} colourways. Remove one first.")
        taken = [way["name"] for way in ways]
        way = put_way(state, unlike(self.name or f"Colourway {len(ways) + 1}", taken))
        for row in state.all("shade"):
            state.update("shade", row["id"], colours={**row["colours"], way: colour_in(row, shown)})
        state.update("sheet", state.sheet["id"], colourway=way)
        return f"Add {state.get('colourway', way)['name']}"


class ShowColourway(BaseIntent):
    """Show the sheet in another colourway."""

    kind: Literal["show-colourway"]
    colourway: Id

    def apply(self, state: State) -> str:
        row = state.get("colourway", self.colourway)
        state.update("sheet", state.sheet["id"], colourway=self.colourway)
        return f"Show {row['name']}"


class RenameColourway(BaseIntent):
    """Give a colourway another name."""

    kind: Literal["rename-colourway"]
    colourway: Id
    name: Name

    def apply(self, state: State) -> str:
        others = [row["name"] for row in state.all("colourway") if row["id"] != self.colourway]
        state.update("colourway", self.colourway, name=unlike(self.name, others))
        return f"Rename {self.name}"


class RemoveColourway(BaseIntent):
    """Remove a colourway; if it is the one that is shown, the first of the others is shown."""

    kind: Literal["remove-colourway"]
    colourway: Id

    def apply(self, state: State) -> str:
        row = state.get("colourway", self.colourway)
        if len(state.rows["colourway"]) == 1:
            raise BadInput("This is the only colourway. Add another before you remove it.")
        state.remove("colourway", self.colourway)
        for shade in state.all("shade"):
            colours = {way: colour for way, colour in shade["colours"].items() if way != self.colourway}
            state.update("shade", shade["id"], colours=colours)
        state.update("sheet", state.sheet["id"], colourway=shown_colourway(state))
        return f"Remove {row['name']}"


class ShadesFromUse(BaseIntent):
    """Make shades of the colours that the sheet uses already: threads of runs and of single repeats, fills,
    fills as they were drawn, and the background. Each of them takes its shade from then on, a fill as a cloth
    of one colour."""

    kind: Literal["shades-from-use"]

    def apply(self, state: State) -> str:
        before = len(state.rows["shade"])
        taker = _Taker(state)
        for run in state.all("run"):
            taker.threads("run", run)
        for single in state.all("single"):
            taker.threads("single", single)
        for path in state.all("path"):
            if path["fill"]:
                state.update("path", path["id"], fill=taker.fill(path["fill"]))
        for path_id, fill in _plain_fills(state).items():
            state.update("path", path_id, fill=taker.fill(ClothDoc(warp=fill, weft=fill).model_dump()))
        if state.sheet["background"] == "cloth" and state.sheet["background_cloth"]:
            cloth = taker.fill(state.sheet["background_cloth"])
            state.update("sheet", state.sheet["id"], background_cloth=cloth)
        if not taker.taken:
            raise BadInput("Every colour that this sheet uses is a shade already.")
        return f"Make {len(state.rows['shade']) - before} shades of the colours used"


def _plain_fills(state: State) -> dict[str, str]:
    """The fills as drawn that a cloth could stand for, by the first path of each shape."""
    found: dict[str, PathRecord] = {}
    filled = {element_of(path) for path in state.all("path") if path["fill"]}
    for path in state.all("path"):
        found.setdefault(element_of(path), path)
    firsts = {element: path for element, path in found.items() if element not in filled and path["closed"]}
    facts = {path["id"]: FactsDoc(**path["facts"]) for path in firsts.values()}
    return {key: fact.fill for key, fact in facts.items() if fact.fill and fact.fill_opacity == 1}


class ImportShades(BaseIntent):
    """Put shades from outside on the card: one whose name is there already gets the new colours, one without
    a name whose colour is there already is left out. Colourways are matched by their names, or added."""

    kind: Literal["import-shades"] = "import-shades"
    shades: Annotated[list[NewShade], Field(min_length=1)]

    def apply(self, state: State) -> str:
        ways = self._ways(state)
        for new in self.shades:
            colours = {ways[name]: read_colour(colour) for name, colour in new.colours.items()}
            there = shade_named(state, fit_name(new.name)) if new.name else None
            if not new.name and set(colours.values()) <= set(shade_colours(state).values()):
                continue
            if there:
                state.update("shade", there["id"], colours={**there["colours"], **colours})
            else:
                add_shade(state, new.name, next(iter(colours.values())), colours)
        return f"Import {len(self.shades)} shade{'s' * (len(self.shades) != 1)}"

    def _ways(self, state: State) -> dict[str, str]:
        """The ids of the colourways that are named; "" names the one that is shown."""
        shown = shown_way(state)
        found = {"": shown} | {row["name"]: row["id"] for row in state.all("colourway")}
        for name in dict.fromkeys(name for new in self.shades for name in new.colours):
            if name not in found:
                if len(state.rows["colourway"]) >= MAX_COLOURWAYS:
                    raise BadInput(f"A sheet has up to {MAX_COLOURWAYS} colourways; this file has more.")
                found[name] = put_way(state, ended(name, ""))
                for row in state.all("shade"):
                    colours = {**row["colours"], found[name]: colour_in(row, shown)}
                    state.update("shade", row["id"], colours=colours)
        return found


class _Taker:
    """Puts shades in the place of colours, making them where there are none."""

    def __init__(self, state: State) -> None:
        self.state = state
        self.taken = 0
        # Of two shades of one colour the first is taken.
        self._by_colour = {colour: ref for ref, colour in reversed(shade_colours(state).items())}

    def threads(self, kind: str, row: Any) -> None:
        own = {key: value for key, value in row["own"].items() if key != "/threads"}
        for index, colour in enumerate(run_brush(self.state, row).threads):
            if not is_ref(own.get(f"/threads/{index}")):
                own[f"/threads/{index}"] = self._ref(colour)
        self.state.update(kind, row["id"], own=own)

    def fill(self, fill: Json) -> Json:
        sides = {side: self._ref(colour) for side, colour in fill.items() if side in ("warp", "weft")}
        stops = [{**stop, "colour": self._ref(stop["colour"])} for stop in fill.get("stops", ())]
        return {**fill, **sides, **({"stops": stops} if stops else {})}

    def _ref(self, colour: str) -> str:
        if is_ref(colour):
            return colour
        self.taken += 1
        plain = read_colour(colour)
        if plain not in self._by_colour:
            self._by_colour[plain] = shade_ref(add_shade(self.state, "", plain)["id"])
        return self._by_colour[plain]
