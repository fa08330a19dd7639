"""What a motif is: shapes in a cell, baseline at mid-width."""

from __future__ import annotations

from dataclasses import dataclass
from typing import Protocol

from curlet.core.dress.colour import RoleShape
from curlet.core.measures import Measure, Scale


@dataclass(frozen=True)
class Motif:
    """One piece of artwork in its cell.

    Attributes
    ----------
    shapes : x runs 0…1 along the cell, y is mm across it, 0 on the baseline.
    width : the cell's width across the path, drawn mm.
    overhang : how far the artwork stands beyond each end of the cell, drawn mm.
    """

    shapes: tuple[RoleShape, ...]
    width: float
    overhang: float = 0.0


class MotifMaker(Protocol):
    """A parametric motif: a family's measures, turned into artwork at a scale."""

    @property
    def thread(self) -> Measure:
        """Thickness of the thread that it is drawn with."""

    def make(self, scale: Scale) -> Motif: ...

    def check(self) -> None:
        """Raise BadInput where a measure is out of bounds."""
