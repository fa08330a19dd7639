"""Intents that write lettering, change it while it is text, and convert it to paths."""

from __future__ import annotations

from typing import Annotated, Literal

from pydantic import Field

from curlet.core.measures import read_measure
from curlet.formats.lettering_doc import LetteringDoc, Text
from curlet.formats.path_doc import Coordinate
from curlet.store.commands.intent import BaseIntent, Entered, Id, garment_length
from curlet.store.lettering import extent_of, free_lettering, put_lettering, shift_lettering
from curlet.store.state import State, new_id

_LENGTHS = ("caps", "bold", "shift", "rise")
_UNITS = {"spacing": ("%", ""), "lines": ("%", ""), "slant": ("°", ""), "turn": ("°", "")}
Number = Literal["caps", "bold", "shift", "rise", "spacing", "lines", "slant", "turn"]
Numbers = Annotated[dict[Number, Entered], Field(max_length=8)]


class WriteLettering(BaseIntent):
    """Write text at a place on the sheet, or along a path; lengths are entered as on the garment.

    Parameters
    ----------
    about : the place is the middle of what is written, rather than of its first baseline's start.
    """

    kind: Literal["write-lettering"]
    text: Text
    font: Id
    entered: Numbers = Field(default_factory=dict)
    align: Literal["left", "centre", "right"] = "left"
    unite: bool = True
    x: Coordinate | None = None
    y: Coordinate | None = None
    about: bool = False
    along: Id | None = None
    group: Id | None = None

    def apply(self, state: State) -> str:
        sheet = state.sheet
        x = sheet["width"] / 2 if self.x is None else self.x
        y = sheet["height"] / 2 if self.y is None else self.y
        own = self.model_dump(include={"text", "font", "align", "unite", "along"})
        doc = LetteringDoc.model_validate({**own, "x": x, "y": y, **read_numbers(self.entered, state)})
        lettering = new_id()
        put_lettering(state, lettering, doc, self.group)
        if self.about and not self.along:
            left, top, right, foot = extent_of(state, lettering)
            shift_lettering(state, lettering, x - (left + right) / 2, y - (top + foot) / 2)
        return f"Write “{_short(self.text)}”"


class SetLettering(BaseIntent):
    """Change lettering while it is text: its words, font, numbers, alignment, or the path it stands on (""
    for none)."""

    kind: Literal["set-lettering"]
    lettering: Id
    text: Text | None = None
    font: Id | None = None
    entered: Numbers = Field(default_factory=dict)
    align: Literal["left", "centre", "right"] | None = None
    unite: bool | None = None
    along: Annotated[str, Field(max_length=60)] | None = None

    def apply(self, state: State) -> str:
        doc = LetteringDoc(**state.get("lettering", self.lettering)["doc"])
        given = self.model_dump(include={"text", "font", "align", "unite"}, exclude_none=True)
        values = {**given, **read_numbers(self.entered, state)}
        if self.along is not None:
            values["along"] = self.along or None
        put_lettering(state, self.lettering, doc.model_copy(update=values))
        return f"Change “{_short(doc.text)}”"


class FreeLettering(BaseIntent):
    """Turn lettering into nodes: its letters are plain paths from then on."""

    kind: Literal["free-lettering"]
    lettering: Id

    def apply(self, state: State) -> str:
        text = state.get("lettering", self.lettering)["doc"]["text"]
        free_lettering(state, self.lettering)
        return f"Convert “{_short(text)}” to paths"


def read_numbers(entered: dict[Number, str], state: State) -> dict[str, float]:
    """Entered numbers by their names: lengths on the garment in sheet mm, others as they are."""
    return {
        name: garment_length(text, state)
        if name in _LENGTHS
        else read_measure(text, accepts=_UNITS[name]).value
        for name, text in entered.items()
    }


def _short(text: str) -> str:
    return " ".join(text.split())[:30]
