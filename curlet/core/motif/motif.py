"""What a motif is: shapes in a cell, baseline at mid-width."""

from __future__ import annotations

from collections.abc import Callable
from dataclasses import dataclass, replace
from typing import ClassVar, Protocol

import numpy as np
from numpy.typing import NDArray

from curlet.core.drawing import Outline
from curlet.core.dress.colour import RoleShape
from curlet.core.measures import Measure, Scale

Floats = NDArray[np.float64]


@dataclass(frozen=True)
class Motif:
    """One piece of artwork in its cell.

    Attributes
    ----------
    shapes : x runs 0…1 along the cell, y is mm across it, 0 on the baseline.
    width : the cell's width across the path, drawn mm.
    overhang : how far the artwork stands beyond each end of the cell, drawn mm.
    runs_on : whether artwork reaches over into its neighbours' cells and belongs there: where a row ends it
        goes on to the end, and is cut there.
    sewn : whether the cloth holds each of its contours, so that at a cut none hangs on another.
    interlinked : whether each repeat passes over the next one on its upper side and under it on its lower.
    picture : a PNG that fills the cell, under the shapes; it is always laid rigidly.
    """

    shapes: tuple[RoleShape, ...]
    width: float
    overhang: float = 0.0
    picture: bytes | None = None
    runs_on: bool = False
    sewn: bool = False
    interlinked: bool = False

    def sized(self, size: float, weight: float) -> Motif:
        """Width times `size`, strokes times `weight`."""
        if size == 1 and weight == 1:
            return self
        shapes = tuple(_sized(item, size, weight) for item in self.shapes)
        overhang = self.overhang * max(size, weight)
        return replace(self, shapes=shapes, width=self.width * size, overhang=overhang)

    def with_ends_kept(self, natural: float, drawn: float, keep: float) -> Motif:
        """Stretched from `natural` to `drawn` mm with `keep` mm at each end left in proportion."""
        keep = min(keep, natural / 2, drawn / 2)
        if keep <= 0:
            return self
        before = np.array([-1e3, 0, keep / natural, 1 - keep / natural, 1, 1e3])
        after = np.array(
            [-1e3 * natural / drawn, 0, keep / drawn, 1 - keep / drawn, 1, 1 + 999 * natural / drawn]
        )

        def along(points: Floats) -> Floats:
            return np.stack([np.interp(points[:, 0], before, after), points[:, 1]], axis=1)

        return reshaped(self, along)


def reshaped(motif: Motif, change: Callable[[Floats], Floats]) -> Motif:
    """A motif with all its points moved."""

    def moved(item: RoleShape) -> RoleShape:
        outline = item.shape.outline
        there = Outline(outline.commands, change(outline.points))
        return replace(item, shape=replace(item.shape, outline=there))

    return replace(motif, shapes=tuple(moved(item) for item in motif.shapes))


def _sized(item: RoleShape, size: float, weight: float) -> RoleShape:
    outline = item.shape.outline
    wide = Outline(outline.commands, outline.points * np.array([1.0, size]))
    stroke = item.shape.stroke and replace(item.shape.stroke, weight=item.shape.stroke.weight * weight)
    gradient = item.gradient and item.gradient.moved((1.0, 0.0, 0.0, size, 0.0, 0.0))
    return replace(item, shape=replace(item.shape, outline=wide, stroke=stroke), gradient=gradient)


class MotifMaker(Protocol):
    """A parametric motif: a family's measures, turned into artwork at a scale.

    `bends` is False for one that is always laid rigidly.
    """

    bends: ClassVar[bool]

    @property
    def thread(self) -> Measure | None:
        """Thickness of the thread that it is drawn with, where it is drawn with one."""

    def make(self, scale: Scale) -> Motif: ...

    def check(self) -> None:
        """Raise BadInput where a measure is out of bounds."""


def half_width_of(motifs: tuple[Motif, ...]) -> float:
    """Half of the widest motif's width, drawn mm."""
    return max((motif.width for motif in motifs), default=0.0) / 2
