"""Intents on the sheet itself."""

from __future__ import annotations

from typing import Literal

from curlet.core.bounds import Bounds
from curlet.core.measures import Scale, read_measure
from curlet.store.commands.intent import BaseIntent, Name
from curlet.store.state import State

SIDE = Bounds("The sheet's side", 5, 20_000, "A4 is 210 mm × 297 mm")


class SetSheet(BaseIntent):
    """Change a sheet's name, size, scale or ground."""

    kind: Literal["set-sheet"]
    name: Name | None = None
    width: str | None = None
    height: str | None = None
    scale: str | None = None
    ground: Literal["light", "dark"] | None = None

    def apply(self, state: State) -> str:
        values: dict[str, object] = {}
        if self.name is not None:
            values["name"] = self.name.strip() or "Sheet"
        for side, typed in (("width", self.width), ("height", self.height)):
            if typed is not None:
                values[side] = SIDE.check(read_measure(typed).value)
        if self.scale is not None:
            values["scale"] = str(Scale.read(self.scale))
        if self.ground is not None:
            values["ground"] = self.ground
        state.update("sheet", state.sheet["id"], **values)
        return f"Change the sheet's {' and '.join(values) or 'settings'}"
