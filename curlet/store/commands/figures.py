"""Intents that draw figures by number, and change their numbers while they are still figures."""

from __future__ import annotations

from typing import Annotated, Literal

from pydantic import Field

from curlet.core.errors import BadInput
from curlet.core.measures import Measure, read_measure
from curlet.core.path.figures import Figure, figure_of, spanned
from curlet.core.path.path import Path
from curlet.core.path.rework import moved
from curlet.formats.path_doc import Coordinate, FigureDoc, Point, node_rows
from curlet.store.commands.intent import BaseIntent, Entered, Id
from curlet.store.paths import add_path, check_unlocked, next_name
from curlet.store.records import PathRecord
from curlet.store.state import State

Word = Annotated[str, Field(min_length=1, max_length=32)]
TypedValues = dict[Word, Entered]

_UNITS = {"angle": ("°", ""), "count": ("",), "percent": ("%", "")}


class DrawFigure(BaseIntent):
    """Draw a figure about a place, or about the sheet's middle; lengths are entered as on the garment. With
    `to` it fills the box from (x, y) to there."""

    kind: Literal["draw-figure"]
    figure: Word
    entered: TypedValues = Field(default_factory=dict)
    x: Coordinate | None = None
    y: Coordinate | None = None
    to: Point | None = None
    group: Id | None = None

    def apply(self, state: State) -> str:
        figure, sheet = figure_of(self.figure), state.sheet
        x = sheet["width"] / 2 if self.x is None else self.x
        y = sheet["height"] / 2 if self.y is None else self.y
        values = figure.values(read_values(figure, self.entered, state))
        if self.to is not None:
            across, down = self.to[0] - x, self.to[1] - y
            values = figure.values(spanned(figure, values, across, down))
            x, y = x + across / 2, y + down / 2
        doc = FigureDoc(figure=self.figure, values=values, x=x, y=y)
        name = next_name(state, figure.name)
        add_path(state, name, _drawn(doc), self.group, figure=doc.model_dump(mode="json"))
        return f"Draw a {figure.name.lower()}"


class ReshapeFigure(BaseIntent):
    """Give a figure other numbers."""

    kind: Literal["reshape-figure"]
    path: Id
    entered: TypedValues

    def apply(self, state: State) -> str:
        row = state.get("path", self.path)
        if not row.get("figure"):
            raise BadInput("This path is no longer a figure: its nodes have been edited. Move those instead.")
        check_unlocked(row)
        now = FigureDoc.model_validate(row["figure"])
        figure = figure_of(now.figure)
        values = figure.values({**now.values, **read_values(figure, self.entered, state)})
        _put(state, row, now.model_copy(update={"values": values}))
        return f"Reshape {row['name']}"


def read_values(figure: Figure, entered: TypedValues, state: State) -> dict[str, float]:
    """Entered numbers by their settings: lengths on the garment in sheet mm, angles in degrees."""
    forms = {setting.name: setting.form for setting in figure.settings}
    found = {}
    for name, text in entered.items():
        form = forms.get(name, "count")
        if form == "length":
            found[name] = Measure(read_measure(text).value).drawn(state.scale)
        else:
            found[name] = read_measure(text, accepts=_UNITS[form]).value
    return found


def _drawn(doc: FigureDoc) -> Path:
    return moved(figure_of(doc.figure).make(doc.values), doc.x, doc.y)


def _put(state: State, row: PathRecord, doc: FigureDoc) -> None:
    path = _drawn(doc)
    nodes = node_rows(path)
    figure = doc.model_dump(mode="json")
    state.put("path", {**row, "closed": path.closed, "nodes": nodes, "figure": figure})
