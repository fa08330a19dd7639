"""Intents that draw figures by number, and change their numbers while they are still figures."""

from __future__ import annotations

from typing import Annotated, Literal

from pydantic import Field

from curlet.core.errors import BadInput
from curlet.core.measures import Measure, read_measure
from curlet.core.path.figures import Figure, figure_of
from curlet.core.path.rework import moved
from curlet.formats.path_doc import FigureDoc, to_nodes
from curlet.store.commands.intent import BaseIntent, Coordinate, Id
from curlet.store.state import State, new_id

Word = Annotated[str, Field(min_length=1, max_length=32)]
Typed = dict[Word, Annotated[str, Field(min_length=1, max_length=64)]]

_UNITS = {"angle": ("°", ""), "count": ("",), "percent": ("%", "")}


class DrawFigure(BaseIntent):
    """Draw a figure about a place, or about the sheet's middle; lengths are typed as worn."""

    kind: Literal["draw-figure"]
    figure: Word
    typed: Typed = Field(default_factory=dict)
    x: Coordinate | None = None
    y: Coordinate | None = None
    group: Id | None = None

    def apply(self, state: State) -> str:
        if self.group is not None:
            state.get("group", self.group)
        figure, sheet = figure_of(self.figure), state.sheet
        x = sheet["width"] / 2 if self.x is None else self.x
        y = sheet["height"] / 2 if self.y is None else self.y
        values = figure.values(read_values(figure, self.typed, state))
        row = {
            "id": new_id(),
            "sheet": sheet["id"],
            "group": self.group,
            "name": f"{figure.name} {len(state.rows['path']) + 1}",
            "facts": {},
            "position": state.next_position("path"),
        }
        _put(state, row, FigureDoc(figure=self.figure, values=values, x=x, y=y))
        return f"Draw a {figure.name.lower()}"


class ReshapeFigure(BaseIntent):
    """Give a figure other numbers."""

    kind: Literal["reshape-figure"]
    path: Id
    typed: Typed

    def apply(self, state: State) -> str:
        row = state.get("path", self.path)
        if not row.get("figure"):
            raise BadInput("This path is no longer a figure: its nodes have been edited. Move those instead.")
        now = FigureDoc.model_validate(row["figure"])
        figure = figure_of(now.figure)
        values = figure.values({**now.values, **read_values(figure, self.typed, state)})
        _put(state, row, now.model_copy(update={"values": values}))
        return f"Reshape {row['name']}"


def read_values(figure: Figure, typed: Typed, state: State) -> dict[str, float]:
    """Typed numbers by their settings: lengths on the garment in sheet mm, angles in degrees."""
    forms = {setting.name: setting.form for setting in figure.settings}
    found = {}
    for name, text in typed.items():
        form = forms.get(name, "count")
        if form == "length":
            found[name] = Measure(read_measure(text).value).drawn(state.scale)
        else:
            found[name] = read_measure(text, accepts=_UNITS[form]).value
    return found


def _put(state: State, row: dict[str, object], doc: FigureDoc) -> None:
    path = moved(figure_of(doc.figure).make(doc.values), doc.x, doc.y)
    nodes = [node.model_dump(mode="json") for node in to_nodes(path)]
    figure = doc.model_dump(mode="json")
    state.put("path", {**row, "closed": path.closed, "nodes": nodes, "figure": figure})
