"""Intents on single repeats, placed by hand."""

from __future__ import annotations

import math
from typing import Annotated, Literal

from pydantic import Field

from curlet.core.lay.single import SIZE
from curlet.core.measures import read_measure
from curlet.formats.brush_file import read_brush
from curlet.formats.path_doc import Coordinate
from curlet.store.commands.intent import BaseIntent, Entered, Id, Ids, garment_length
from curlet.store.own import keep_own, read_own
from curlet.store.runs import run_brush
from curlet.store.shades_brought import add_look_shades
from curlet.store.state import State, new_id


class PlaceSingle(BaseIntent):
    """Place one repeat of a brush."""

    kind: Literal["place-single"]
    brush: Id
    x: Coordinate
    y: Coordinate
    turn: Entered = "0"
    size: Entered = "100 %"

    def apply(self, state: State) -> str:
        brush = state.get("brush", self.brush)["doc"]
        read_brush(brush)
        add_look_shades(state, brush)
        row = {
            "id": new_id(),
            "sheet": state.sheet["id"],
            "brush": self.brush,
            "own": {},
            "crop": {},
            "x": self.x,
            "y": self.y,
            **_read(self.turn, self.size),
            "position": state.next_position("single"),
        }
        state.put("single", row)
        return f"Place one of {brush['name']}"


class SetSingle(BaseIntent):
    """Move, turn or resize a single repeat, or make it one of another brush.

    Parameters
    ----------
    x, y : where its middle is brought, sheet mm; `left` and `top` say the same as entered, on the garment.
    toward : a spot (sheet mm) that it is turned to run to.
    thread : the number of a thread, from 0, that is given a `colour`: any CSS colour, or a shade.
    """

    kind: Literal["set-single"]
    single: Id
    x: Coordinate | None = None
    y: Coordinate | None = None
    left: Entered | None = None
    top: Entered | None = None
    toward: tuple[Coordinate, Coordinate] | None = None
    turn: Entered | None = None
    size: Entered | None = None
    brush: Id | None = None
    thread: Annotated[int, Field(ge=0, lt=64)] | None = None
    colour: Entered | None = None

    def apply(self, state: State) -> str:
        values = self.model_dump(include={"x", "y", "brush"}, exclude_none=True)
        if self.brush is not None:
            add_look_shades(state, state.get("brush", self.brush)["doc"])
            # Its own colours were for the threads of another.
            values["own"] = {}
        for side, entered in (("x", self.left), ("y", self.top)):
            if entered is not None:
                values[side] = garment_length(entered, state)
        if self.toward is not None:
            row = state.get("single", self.single)
            across, down = self.toward[0] - row["x"], self.toward[1] - row["y"]
            values["turn"] = math.degrees(math.atan2(down, across))
        state.update("single", self.single, **values, **_read(self.turn, self.size))
        if self.thread is not None and self.colour is not None:
            pointer = f"/threads/{self.thread}"
            brush = run_brush(state, state.get("single", self.single))
            keep_own(state, "single", self.single, pointer, read_own(state, brush, pointer, self.colour))
        return "Change a single repeat"


class RemoveSingles(BaseIntent):
    """Remove single repeats."""

    kind: Literal["remove-singles"]
    singles: Annotated[Ids, Field(min_length=1)]

    def apply(self, state: State) -> str:
        for single in self.singles:
            state.remove("single", single)
        return f"Remove {len(self.singles)} single repeats" if len(self.singles) > 1 else "Remove it"


def _read(turn: str | None, size: str | None) -> dict[str, float]:
    values = {}
    if turn is not None:
        values["turn"] = read_measure(turn, accepts=("°", "")).value
    if size is not None:
        values["size"] = SIZE.check(read_measure(size, accepts=("%", "")).value)
    return values
