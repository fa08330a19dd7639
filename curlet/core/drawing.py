"""The drawing: the one result that screen, SVG, PDF and PNG are all written from.

Coordinates are sheet mm, y downward. Groups are painted in order, later over earlier.
"""

from __future__ import annotations

from dataclasses import dataclass, field
from functools import cached_property

import numpy as np
from numpy.typing import NDArray

Floats = NDArray[np.float64]

POINTS_PER_COMMAND = {"M": 1, "L": 1, "C": 3, "Z": 0}
IDENTITY = (1.0, 0.0, 0.0, 1.0, 0.0, 0.0)


@dataclass(frozen=True, eq=False)
class Outline:
    """Path geometry: `commands` of M, L, C, Z over (k, 2) `points`, mm."""

    commands: str
    points: Floats


@dataclass(frozen=True)
class Solid:
    """One colour, "#rrggbb", with opacity 0…1."""

    colour: str
    opacity: float = 1.0


@dataclass(frozen=True)
class Stop:
    """A colour at `offset` 0…1 along a gradient."""

    offset: float
    colour: str
    opacity: float = 1.0


@dataclass(frozen=True)
class LinearGradient:
    """Colours from one point to another, in the shape's own mm."""

    start: tuple[float, float]
    end: tuple[float, float]
    stops: tuple[Stop, ...]


@dataclass(frozen=True)
class RadialGradient:
    """Colours from a centre out to `radius`, in the shape's own mm."""

    centre: tuple[float, float]
    radius: float
    stops: tuple[Stop, ...]


Paint = Solid | LinearGradient | RadialGradient


@dataclass(frozen=True)
class Stroke:
    """A line of even weight in sheet mm, whatever the placement does to its centreline.

    `ends` is "round" or "flat"; `joins` is "round", "mitre" or "bevel"; `dashes` are mm.
    """

    paint: Paint
    weight: float
    ends: str = "round"
    joins: str = "round"
    dashes: tuple[float, ...] = ()
    mitre_limit: float = 4.0


@dataclass(frozen=True, eq=False)
class Shape:
    """An outline with a fill, a stroke, or both; `even_odd` chooses the filling rule."""

    outline: Outline
    fill: Paint | None = None
    stroke: Stroke | None = None
    even_odd: bool = False


@dataclass(frozen=True, eq=False)
class Stamps:
    """Shapes repeated at placements: (n, 6) affine a b c d e f, as SVG's matrix()."""

    shapes: tuple[Shape, ...]
    placements: Floats


@dataclass(frozen=True, eq=False)
class Laid:
    """Shapes that stand where they are."""

    shapes: tuple[Shape, ...]


@dataclass(frozen=True, eq=False)
class Picture:
    """A PNG picture laid over the unit square moved by `matrix`."""

    png: bytes
    matrix: tuple[float, float, float, float, float, float]


@dataclass(frozen=True, eq=False)
class Group:
    """Named content, painted together: opacity and clip apply to the whole of it."""

    id: str
    title: str
    items: tuple[Item, ...] = ()
    opacity: float = 1.0
    clip: Outline | None = None
    facts: dict[str, str] = field(default_factory=dict)


Item = Stamps | Laid | Picture | Group


@dataclass(frozen=True, eq=False)
class Drawing:
    """A sheet of `width` × `height` mm and its groups, bottom to top."""

    width: float
    height: float
    groups: tuple[Group, ...] = ()
    title: str = ""

    @cached_property
    def repeats(self) -> int:
        """How many placements there are in all."""
        return sum(_count(group) for group in self.groups)


def _count(item: Item) -> int:
    if isinstance(item, Stamps):
        return len(item.placements)
    return sum(_count(inner) for inner in item.items) if isinstance(item, Group) else 0


def placed(points: Floats, placements: Floats) -> Floats:
    """(k, 2) points under (n, 6) affines, as (n, k, 2)."""
    linear = placements[:, :4].reshape(-1, 2, 2)
    moved: Floats = points @ linear + placements[:, None, 4:]
    return moved
