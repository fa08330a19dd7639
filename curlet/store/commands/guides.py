"""Intents on guide pictures: images under the paths to trace over."""

from __future__ import annotations

import math
from typing import Annotated, Literal

from pydantic import Field

from curlet.core.dress.fill import FADE, WIDTH, Placed, dragged, sized
from curlet.core.errors import BadInput
from curlet.core.measures import read_measure
from curlet.formats.fill_doc import PictureId
from curlet.formats.path_doc import Coordinate
from curlet.store.commands.intent import BaseIntent, Entered, Id, Name, garment_length
from curlet.store.records import GuideRecord
from curlet.store.state import State, new_id

Spot = tuple[Coordinate, Coordinate]
Grip = Literal["middle", "left", "right", "top", "bottom", "arc"]
_LOCKED = "This guide picture is locked, so that it stays where it is. Unlock it first."
# What dragging by a grip is called; by an edge it is sizing.
DRAGGED = {"middle": "Move", "arc": "Turn"}


class AddGuide(BaseIntent):
    """Lay a kept picture under the paths, as wide as most of the sheet, in its middle."""

    kind: Literal["add-guide"] = "add-guide"
    name: Name
    picture: PictureId
    width: Annotated[int, Field(gt=0)]
    height: Annotated[int, Field(gt=0)]

    def apply(self, state: State) -> str:
        sheet = state.sheet
        size = 0.8 * min(sheet["width"] / self.width, sheet["height"] / self.height)
        row = {
            "id": new_id(),
            "sheet": sheet["id"],
            "picture": self.picture,
            "name": self.name,
            "x": sheet["width"] / 2,
            "y": sheet["height"] / 2,
            "width": self.width * size,
            "height": self.height * size,
            "turn": 0.0,
            "fade": 50.0,
            "shown": True,
            "locked": False,
            "crop": {},
            # Under what is there already: it is traced over.
            "position": state.first_position(),
        }
        state.put("guide", row)
        return f"Lay {self.name} under the paths"


class SetGuide(BaseIntent):
    """Place, size, turn, fade, show or lock a guide picture; its middle, from the sheet's left and top, and
    its width are entered as on the garment."""

    kind: Literal["set-guide"]
    guide: Id
    x: Entered | None = None
    y: Entered | None = None
    width: Entered | None = None
    turn: Entered | None = None
    fade: Entered | None = None
    shown: bool | None = None
    locked: bool | None = None

    def apply(self, state: State) -> str:
        row = state.get("guide", self.guide)
        values: dict[str, object] = self.model_dump(include={"shown", "locked"}, exclude_none=True)
        for side, entered in (("x", self.x), ("y", self.y)):
            if entered is not None:
                values[side] = garment_length(entered, state)
        if self.turn is not None:
            values["turn"] = read_measure(self.turn, accepts=("°", "")).value
        if self.fade is not None:
            values["fade"] = FADE.check(read_measure(self.fade, accepts=("%", "")).value)
        if self.width is not None:
            lies = sized(_placed(row), garment_length(self.width, state))
            values |= {"width": lies.width, "height": lies.height}
        if row["locked"] and {"x", "y", "width", "turn"} & set(values) and self.locked is not False:
            raise BadInput(_LOCKED)
        state.update("guide", self.guide, **values)
        return f"Change {row['name']}"


class DragGuide(BaseIntent):
    """Bring a guide picture by one of its grips to a spot (sheet mm), as `dragged` has it."""

    kind: Literal["drag-guide"]
    guide: Id
    grip: Grip
    x: Coordinate
    y: Coordinate
    steady: bool = False

    def apply(self, state: State) -> str:
        row = state.get("guide", self.guide)
        if row["locked"]:
            raise BadInput(_LOCKED)
        lies = dragged(_placed(row), self.grip, (self.x, self.y), self.steady)
        state.update("guide", self.guide, **_values(lies))
        return f"{DRAGGED.get(self.grip, 'Size')} {row['name']}"


class CalibrateGuide(BaseIntent):
    """Size a guide picture by a line on it whose length on the garment is known; the line's start stays."""

    kind: Literal["calibrate-guide"]
    guide: Id
    start: Spot
    finish: Spot
    length: Entered

    def apply(self, state: State) -> str:
        row = state.get("guide", self.guide)
        if row["locked"]:
            raise BadInput(_LOCKED)
        drawn, wanted = math.dist(self.start, self.finish), garment_length(self.length, state)
        if drawn < 0.1 or wanted <= 0:
            raise BadInput("Draw the line between two places apart, and give its length above 0.")
        k = wanted / drawn
        WIDTH.check(row["width"] * k)
        x, y = (at + k * (middle - at) for at, middle in zip(self.start, (row["x"], row["y"]), strict=True))
        state.update("guide", self.guide, x=x, y=y, width=row["width"] * k, height=row["height"] * k)
        return f"Calibrate {row['name']}"


class RemoveGuide(BaseIntent):
    """Remove a guide picture."""

    kind: Literal["remove-guide"]
    guide: Id

    def apply(self, state: State) -> str:
        name = state.get("guide", self.guide)["name"]
        state.remove("guide", self.guide)
        return f"Remove {name}"


def _placed(row: GuideRecord) -> Placed:
    return Placed(row["x"], row["y"], row["width"], row["height"], row["turn"])


def _values(lies: Placed) -> dict[str, float]:
    return {"x": lies.x, "y": lies.y, "width": lies.width, "height": lies.height, "turn": lies.turn}
