"""Intents on check marks: measurements that stay on the sheet."""

from __future__ import annotations

from typing import Annotated, Literal

from pydantic import Field

from curlet.core.path import measuring
from curlet.formats.mark_doc import MarkDoc
from curlet.store.commands.intent import BaseIntent, Id
from curlet.store.paths import core_path
from curlet.store.state import State, new_id


class KeepMark(BaseIntent):
    """Keep a measurement on the sheet; one along a path moves with it."""

    kind: Literal["keep-mark"]
    mark: Annotated[MarkDoc, Field()]

    def apply(self, state: State) -> str:
        mark = self.mark
        if mark.path:
            path = core_path(state.get("path", mark.path))
            anchors = tuple(measuring.anchored(path, at) for at in mark.places)
            mark = mark.model_copy(update={"anchors": anchors})
        row = {
            "id": new_id(),
            "sheet": state.sheet["id"],
            "doc": mark.model_dump(mode="json"),
            "position": state.next_position("mark"),
        }
        state.put("mark", row)
        return "Keep a check mark"


class RemoveMark(BaseIntent):
    """Remove a check mark."""

    kind: Literal["remove-mark"]
    mark: Id

    def apply(self, state: State) -> str:
        state.remove("mark", self.mark)
        return "Remove a check mark"
