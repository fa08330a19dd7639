"""The clean outline of a drawing: all that it shows, as one shape, for a cutter or a plotter."""

from __future__ import annotations

from collections.abc import Callable, Sequence
from dataclasses import dataclass

import numpy as np

from curlet.core.area.clean import Clean, cleaned
from curlet.core.area.edges import Edge, edges_of
from curlet.core.area.parts import united
from curlet.core.area.silhouette import silhouette
from curlet.core.bounds import Bounds
from curlet.core.drawing import Group
from curlet.core.path.arc_length import ArcLength

WITHIN = Bounds("How far the outline may lie off", 0.001, 10, "0.05 mm is usual for a cutter")


@dataclass(frozen=True, eq=False)
class CleanOutline:
    """An outline's contours, sheet mm: the outer ones run clockwise on the sheet, holes the other way."""

    edges: tuple[Edge, ...]

    @property
    def outer(self) -> tuple[Edge, ...]:
        """The contours that enclose a shape."""
        return tuple(edge for edge in self.edges if not is_hole(edge))

    @property
    def holes(self) -> tuple[Edge, ...]:
        """The contours that enclose what is left out of a shape."""
        return tuple(edge for edge in self.edges if is_hole(edge))

    @property
    def nodes(self) -> int:
        """How many nodes all contours have."""
        return sum(len(edge.cubics) for edge in self.edges)

    @property
    def length(self) -> float:
        """How long all contours are together, mm."""
        return sum(ArcLength(edge.cubics, edge.straight, True).length for edge in self.edges)


def clean_outline(
    groups: Sequence[Group], clean: Clean, within: float, tell: Callable[[int], object] = lambda done: None
) -> CleanOutline:
    """What groups show, united and cleaned.

    Parameters
    ----------
    within : how far edges may lie from where they should, mm.
    tell : called with how many groups are done.

    Raises
    ------
    TooMuch
        If a group has too many pieces.

    >>> from curlet.core.drawing import Laid, Shape, Solid
    >>> from curlet.core.outlines import box
    >>> shapes = (Shape(box(0, 0, 4, 2), Solid("#000000")), Shape(box(3, 1, 6, 3), Solid("#ffffff")))
    >>> found = clean_outline([Group("one", "", (Laid(shapes),))], Clean(), 0.01)
    >>> len(found.outer), found.nodes, round(found.length, 6)
    (1, 8, 18.0)
    """
    WITHIN.check(within)
    parts = []
    for done, group in enumerate(groups):
        tell(done)
        parts.append(silhouette((group,), within / 2))
    tell(len(groups))
    return CleanOutline(edges_of(cleaned(united(parts), clean, within)) if parts else ())


def is_hole(edge: Edge) -> bool:
    """Whether a contour runs round a hole."""
    x, y = edge.cubics.reshape(-1, 2).T
    return float(np.roll(x, 1) @ y - x @ np.roll(y, 1)) < 0
