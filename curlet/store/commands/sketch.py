"""Keeping a line drawn by hand."""

from __future__ import annotations

from typing import Annotated, Literal

import numpy as np
from pydantic import Field

from curlet.core.errors import BadInput
from curlet.core.path.sketch import MAX_POINTS, sketch
from curlet.formats.path_doc import Coordinate
from curlet.store.commands.intent import BaseIntent, Entered, Id, garment_length
from curlet.store.paths import add_path, next_name
from curlet.store.state import State

Pressure = Annotated[float, Field(ge=0, le=1)]


class SketchPath(BaseIntent):
    """Keep a line drawn by hand: points in sheet mm with the pen's pressure at each; steadiness and the
    distance within which the path stays are entered as on the garment. Ends that meet close it."""

    kind: Literal["sketch-path"]
    points: Annotated[list[tuple[Coordinate, Coordinate, Pressure]], Field(max_length=MAX_POINTS)]
    steadiness: Entered = "3 mm"
    within: Entered = "1 mm"
    meeting: Annotated[float, Field(ge=0, le=1_000)] = 0.0
    group: Id | None = None

    def apply(self, state: State) -> str:
        if len(self.points) < 2:
            raise BadInput("This line is too short. Draw it longer, or zoom in.")
        drawn = np.array(self.points, dtype=np.float64)
        steadiness, within = garment_length(self.steadiness, state), garment_length(self.within, state)
        made = sketch(drawn[:, :2], drawn[:, 2], steadiness, within, self.meeting)
        swell = [{"at": at, "width": width} for at, width in made.swell]
        name = next_name(state, "Sketch")
        add_path(state, name, made.path, self.group, swell=swell)
        return f"Draw {name}"
