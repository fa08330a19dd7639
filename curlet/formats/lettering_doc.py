"""Lettering as it is kept: what is written, in which font, where."""

from __future__ import annotations

from typing import Annotated, Literal

import numpy as np
from pydantic import BaseModel, ConfigDict, Field

from curlet.core.path import rework
from curlet.core.path.lettering import Font, Lettering, Piece, write
from curlet.core.path.path import Path

Text = Annotated[str, Field(max_length=2_000)]


class LetteringDoc(BaseModel):
    """Lengths in sheet mm, spacings in % of the cap height, angles in degrees. `x`, `y` is where its first
    baseline begins, has its middle or ends; `along` a path that it stands on instead."""

    model_config = ConfigDict(extra="forbid", frozen=True)
    text: Text
    font: Annotated[str, Field(max_length=80)]
    caps: float = 20.0
    spacing: float = 0.0
    lines: float = 160.0
    slant: float = 0.0
    bold: float = 0.0
    align: Literal["left", "centre", "right"] = "left"
    unite: bool = True
    x: float = 0.0
    y: float = 0.0
    turn: float = 0.0
    along: str | None = None
    shift: float = 0.0
    rise: float = 0.0

    def write(self, font: Font, along: Path | None) -> list[Piece]:
        """Its contours on the sheet; raises BadInput as the core's `write` does."""
        own = {"font", "x", "y", "turn", "along"}
        pieces = write(font, Lettering(**self.model_dump(exclude=own)), along)
        if along:
            return pieces
        angle = np.radians(self.turn)
        turn = np.array([[np.cos(angle), np.sin(angle)], [-np.sin(angle), np.cos(angle)]])
        return [Piece(p.key, rework.placed(p.path, turn, (self.x, self.y))) for p in pieces]
