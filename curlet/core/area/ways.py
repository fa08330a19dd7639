"""The four ways in which shapes make an area."""

from __future__ import annotations

from collections.abc import Callable, Sequence
from dataclasses import dataclass

import numpy as np
import shapely
from numpy.typing import NDArray
from shapely.geometry.base import BaseGeometry

from curlet.core.area.parts import Part, together
from curlet.core.choice import chosen

Geometries = NDArray[np.object_]


@dataclass(frozen=True)
class Way:
    """A way: what it is called, and what it leaves of the first shape and the others.

    Attributes
    ----------
    empty : what is said where it leaves nothing.
    """

    label: str
    make: Callable[[Geometries], BaseGeometry]
    empty: str


WAYS = {
    "join": Way("Join", shapely.union_all, "These enclose nothing together. Close the paths first."),
    "cut": Way(
        "Cut away",
        lambda areas: shapely.difference(areas[0], shapely.union_all(areas[1:])),
        "Nothing is left when the others are cut away from the first. Choose another one first.",
    ),
    "common": Way(
        "Common",
        shapely.intersection_all,
        "These have nothing in common. Move them over one another, or join them.",
    ),
    "either": Way(
        "Either but not both",
        shapely.symmetric_difference_all,
        "These cover one another wholly, so nothing is in only one of them.",
    ),
}


# What of a run an area is made of.
USES = {"shape": "As it lies", "filled": "With its inside", "inside": "Its inside only"}


def made(parts: Sequence[Part], way: str) -> Part:
    """The area that parts make in a way, the first of them first; its polygons are empty where nothing is
    left.

    Raises
    ------
    BadInput
        If there is no such way.

    >>> from curlet.core.area.parts import part_of
    >>> from curlet.core.outlines import box
    >>> boxes = [part_of(box(x, 0, x + 2, 2), 0.01) for x in (0, 1)]
    >>> [made(boxes, way).area.area for way in WAYS]
    [6.0, 2.0, 2.0, 4.0]
    """
    areas = np.array([part.area for part in parts], dtype=object)
    return together(parts, chosen(WAYS, way, "way").make(areas))
