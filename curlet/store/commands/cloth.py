"""Intents that give areas a cloth."""

from __future__ import annotations

from typing import Literal

from curlet.core.errors import BadInput
from curlet.formats.cloth_doc import ClothDoc, painted_cloth
from curlet.store.commands.intent import BaseIntent, Ids
from curlet.store.names import names_of
from curlet.store.shades import shade_colours
from curlet.store.state import State


class SetCloth(BaseIntent):
    """Fill what closed paths enclose with a cloth, or with none."""

    kind: Literal["set-cloth"]
    paths: Ids
    cloth: ClothDoc | None = None

    def apply(self, state: State) -> str:
        if self.cloth:
            painted_cloth(self.cloth, shade_colours(state)).to_core()
        for path_id in self.paths:
            row = state.get("path", path_id)
            if self.cloth and not row["closed"]:
                raise BadInput(f"{row['name']} is open, so it encloses nothing. Close it first.")
            state.update("path", path_id, cloth=self.cloth.model_dump(mode="json") if self.cloth else {})
        return f"{'Fill' if self.cloth else 'Empty'} {names_of(state, self.paths)}"
