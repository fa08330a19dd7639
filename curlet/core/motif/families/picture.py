"""A picture as a motif: a photographed stitch or bead, cut out on transparency."""

from __future__ import annotations

from dataclasses import dataclass
from typing import ClassVar

from curlet.core.measures import Measure, MeasuredOn, Scale
from curlet.core.motif.families.artwork import CELL_LENGTH, CELL_WIDTH
from curlet.core.motif.motif import Motif


@dataclass(frozen=True)
class PictureMotif:
    """A PNG that fills a cell of `length` × `width` mm, on the garment or on paper as `frame` says.

    It does not bend: whatever the row's hold is, it stays rigid.
    """

    bends: ClassVar[bool] = False
    png: bytes
    length: float
    width: float
    on: MeasuredOn = MeasuredOn.GARMENT

    @property
    def thread(self) -> Measure | None:
        return None

    def check(self) -> None:
        CELL_LENGTH.check(self.length)
        CELL_WIDTH.check(self.width)

    def make(self, scale: Scale) -> Motif:
        k = scale.factor if self.on is MeasuredOn.GARMENT else 1.0
        return Motif((), self.width * k, picture=self.png)
