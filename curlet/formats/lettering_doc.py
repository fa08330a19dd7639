"""Lettering as it is kept: what is written, in which font, where."""

from __future__ import annotations

import math
from typing import Annotated, Literal

import numpy as np
from pydantic import BaseModel, ConfigDict, Field

from curlet.core.drawing import Affine, compose
from curlet.core.path import rework
from curlet.core.path.lettering import Font, Lettering, Piece, spelled, write
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
        pieces = write(font, self._core(), along)
        if along:
            return pieces
        a, b, c, d, x, y = self._place()
        return [Piece(p.key, rework.placed(p.path, np.array([[a, b], [c, d]]), (x, y))) for p in pieces]

    def spell(self, font: Font, along: Path | None) -> tuple[tuple[str, Affine], ...]:
        """What is written, letter by letter, as the core's `spelled`, on the sheet."""
        letters = spelled(font, self._core(), along)
        return letters if along else tuple((said, compose(self._place(), at)) for said, at in letters)

    def _core(self) -> Lettering:
        return Lettering(**self.model_dump(exclude={"font", "x", "y", "turn", "along"}))

    def _place(self) -> Affine:
        cos, sin = math.cos(math.radians(self.turn)), math.sin(math.radians(self.turn))
        return (cos, sin, -sin, cos, self.x, self.y)
