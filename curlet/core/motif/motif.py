"""What a motif is: shapes in a cell, baseline at mid-width."""

from __future__ import annotations

from dataclasses import dataclass, replace
from typing import Protocol

import numpy as np

from curlet.core.drawing import Outline
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

    def sized(self, size: float, weight: float) -> Motif:
        """Width times `size`, strokes times `weight`."""
        if size == 1 and weight == 1:
            return self
        shapes = tuple(_sized(item, size, weight) for item in self.shapes)
        return Motif(shapes, self.width * size, self.overhang * weight)

    def with_ends_kept(self, natural: float, drawn: float, keep: float) -> Motif:
        """Stretched from `natural` to `drawn` mm with `keep` mm at each end left in proportion."""
        keep = min(keep, natural / 2, drawn / 2)
        if keep <= 0:
            return self
        before = np.array([-1e3, 0, keep / natural, 1 - keep / natural, 1, 1e3])
        after = np.array(
            [-1e3 * natural / drawn, 0, keep / drawn, 1 - keep / drawn, 1, 1 + 999 * natural / drawn]
        )

        def moved(item: RoleShape) -> RoleShape:
            points = item.shape.outline.points.copy()
            points[:, 0] = np.interp(points[:, 0], before, after)
            outline = Outline(item.shape.outline.commands, points)
            return replace(item, shape=replace(item.shape, outline=outline))

        return replace(self, shapes=tuple(moved(item) for item in self.shapes))


def _sized(item: RoleShape, size: float, weight: float) -> RoleShape:
    outline = item.shape.outline
    wide = Outline(outline.commands, outline.points * np.array([1.0, size]))
    stroke = item.shape.stroke and replace(item.shape.stroke, weight=item.shape.stroke.weight * weight)
    return replace(item, shape=replace(item.shape, outline=wide, stroke=stroke))


class MotifMaker(Protocol):
    """A parametric motif: a family's measures, turned into artwork at a scale."""

    @property
    def thread(self) -> Measure | None:
        """Thickness of the thread that it is drawn with, where it is drawn with one."""

    def make(self, scale: Scale) -> Motif: ...

    def check(self) -> None:
        """Raise BadInput where a measure is out of bounds."""
