"""Intents on the sheet itself."""

from __future__ import annotations

from typing import Annotated, Literal

from pydantic import Field

from curlet.core.errors import BadInput
from curlet.core.measures import Scale, read_measure
from curlet.formats.cloth_doc import ClothDoc, painted_cloth
from curlet.store.commands.intent import BaseIntent, Entered, Name
from curlet.store.shades import shade_colours
from curlet.store.sheets import read_side
from curlet.store.state import State


class SetSheet(BaseIntent):
    """Change a sheet's name, size, scale, unit, light or background; `background_cloth` is what lies behind
    it all where the background is "cloth"."""

    kind: Literal["set-sheet"]
    name: Name | None = None
    width: str | None = None
    height: str | None = None
    scale: str | None = None
    unit: Literal["mm", "in"] | None = None
    light_azimuth: Entered | None = None
    light_elevation: Entered | None = None
    background: Literal["light", "dark", "cloth"] | None = None
    background_cloth: ClothDoc | None = None

    def apply(self, state: State) -> str:
        values: dict[str, object] = {}
        if self.name is not None:
            values["name"] = self.name.strip() or "Sheet"
        for side, entered in (("width", self.width), ("height", self.height)):
            if entered is not None:
                values[side] = read_side(entered, self.unit or state.sheet["unit"])
        if self.scale is not None:
            values["scale"] = str(Scale.read(self.scale))
        if self.background is not None:
            values["background"] = self.background
        lit = {"light_azimuth": self.light_azimuth, "light_elevation": self.light_elevation}
        values |= {name: _degrees(entered) for name, entered in lit.items() if entered is not None}
        if self.unit is not None:
            values["unit"] = self.unit
        if self.background_cloth is not None:
            painted_cloth(self.background_cloth, shade_colours(state)).to_core()
            values |= {
                "background": "cloth",
                "background_cloth": self.background_cloth.model_dump(mode="json"),
            }
        state.update("sheet", state.sheet["id"], **values)
        state.light.check()
        named = list(dict.fromkeys(_WORDS.get(name, name) for name in values))
        return f"Change the sheet's {' and '.join(named) or 'settings'}"


# What is told of a change, where that is not the setting's own name.
_WORDS = {"light_azimuth": "light", "light_elevation": "light", "background_cloth": "background"}


def _degrees(entered: str) -> float:
    return read_measure(entered, accepts=("°", "")).value


class ScaleByLength(BaseIntent):
    """Set the drawing scale by a line of known length: what is drawn stays, and what it measures follows.

    `drawn` is the line's length in sheet mm, as Measure gives it.
    """

    kind: Literal["scale-by-length"]
    drawn: Annotated[float, Field(gt=0, le=1e6)]
    length: Entered

    def apply(self, state: State) -> str:
        garment = read_measure(self.length).value
        if garment <= 0:
            raise BadInput("Give a length above 0.")
        ratio = garment / self.drawn
        # As people write scales, to four figures: 1:4, or 2:1 where it is drawn larger.
        scale = Scale(1.0, float(f"{ratio:.4g}")) if ratio >= 1 else Scale(float(f"{1 / ratio:.4g}"), 1.0)
        state.update("sheet", state.sheet["id"], scale=str(scale))
        return f"Set the scale to {scale}"
