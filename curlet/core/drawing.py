"""The drawing: the one result that screen, SVG, PDF and PNG are all written from.

Coordinates are sheet mm, y downward. Groups are painted in order, later over earlier.
"""

from __future__ import annotations

import math
from collections.abc import Iterable, Iterator
from dataclasses import dataclass, field, replace
from functools import cached_property

import numpy as np
from numpy.typing import NDArray

Floats = NDArray[np.float64]

# a b c d e f, as SVG's matrix(): (x, y) goes to (ax + cy + e, bx + dy + f).
Affine = tuple[float, float, float, float, float, float]

POINTS_PER_COMMAND = {"M": 1, "L": 1, "C": 3, "Z": 0}
IDENTITY: Affine = (1.0, 0.0, 0.0, 1.0, 0.0, 0.0)
# Resolutions, pixels to the mm, from the first up to the second.
ALWAYS = (0.0, math.inf)


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
    """Colours from one point to another, in mm moved by `matrix` to where the shape is."""

    start: tuple[float, float]
    end: tuple[float, float]
    stops: tuple[Stop, ...]
    matrix: Affine = IDENTITY


@dataclass(frozen=True)
class RadialGradient:
    """Colours from a centre out to `radius`, in mm moved by `matrix` to where the shape is."""

    centre: tuple[float, float]
    radius: float
    stops: tuple[Stop, ...]
    matrix: Affine = IDENTITY


@dataclass(frozen=True, eq=False)
class Tiling:
    """Shapes repeated without end in tiles, as a cloth's threads are.

    Attributes
    ----------
    shapes : one tile's, in its own units; what runs over its edge is cut there.
    width, height : the tile's size, mm.
    matrix : moves the tiles to where the shape is.
    mean : "#rrggbb", what it looks like where a tile is too small to be seen.
    unit : mm to the tile's own unit.
    opaque : whether nothing shows through it.
    """

    shapes: tuple[Shape, ...]
    width: float
    height: float
    matrix: Affine = IDENTITY
    mean: str = "#808080"
    unit: float = 1.0
    opaque: bool = False


Paint = Solid | LinearGradient | RadialGradient | Tiling


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
    """An outline with a fill, a stroke, or both; `even_odd` chooses the filling rule.

    Attributes
    ----------
    move : how far it is moved on the sheet, mm, after all that places it.
    stands : how it takes relief: "raised", "flat" or "sunk".
    seen : the resolutions at which it is painted, pixels to the mm: from the first, below the second.
    height : of a step in relief above the edge of what it is a step of, mm; None for what is none.
    """

    outline: Outline
    fill: Paint | None = None
    stroke: Stroke | None = None
    even_odd: bool = False
    move: tuple[float, float] = (0.0, 0.0)
    seen: tuple[float, float] = ALWAYS
    stands: str = "raised"
    height: float | None = None

    @property
    def is_detail(self) -> bool:
        """Whether it is painted only where there are pixels enough for it: a step in relief, a shadow."""
        return self.seen[0] > 0

    def is_seen(self, resolution: float) -> bool:
        """Whether it is painted at a resolution, pixels to the mm."""
        return self.seen[0] <= resolution < self.seen[1]


@dataclass(frozen=True, eq=False)
class Stamps:
    """Shapes repeated at placements: (n, 6) affine a b c d e f, as SVG's matrix().

    They are painted placement by placement; or, where they lie `apart`, in any order.
    """

    shapes: tuple[Shape, ...]
    placements: Floats
    apart: bool = False


@dataclass(frozen=True, eq=False)
class Laid:
    """Shapes that stand where they are."""

    shapes: tuple[Shape, ...]


@dataclass(frozen=True, eq=False)
class Picture:
    """A PNG picture laid over the unit square, moved by each of (n, 6) placements."""

    png: bytes
    placements: Floats


@dataclass(frozen=True)
class Words:
    """A line of plain text: `x`, `y` is the left end of its baseline, mm, `size` mm to the em."""

    text: str
    x: float
    y: float
    size: float


@dataclass(frozen=True, eq=False)
class Spelled:
    """What letters that are drawn as shapes say, for files in which text is searched and copied.

    Attributes
    ----------
    letters : the characters of each, from ems with y downward to where they stand, sheet mm.
    font : the TrueType file that they are of; None where there is none, as for letters that a pen draws.
    """

    letters: tuple[tuple[str, Affine], ...]
    font: bytes | None = None


@dataclass(frozen=True, eq=False)
class Group:
    """Named content, painted together: opacity, clip, mask and blur apply to the whole of it.

    Attributes
    ----------
    mask : opaque greys; white shows all, black nothing, and nothing shows where none of them lies.
    blur : standard deviation of a Gaussian that the content is spread by, before it is masked, mm.
    words : what the items are the letters of, for files that hold text as text.
    """

    id: str
    title: str
    items: tuple[Item, ...] = ()
    opacity: float = 1.0
    clip: Outline | None = None
    mask: tuple[Shape, ...] = ()
    blur: float = 0.0
    facts: dict[str, str] = field(default_factory=dict)
    words: Words | None = None


Item = Stamps | Laid | Picture | Group


@dataclass(frozen=True, eq=False)
class Drawing:
    """A sheet of `width` × `height` mm and its groups, bottom to top; or the part of a sheet that begins at
    `corner`, its left and top. `texts` are what letters among them say."""

    width: float
    height: float
    groups: tuple[Group, ...] = ()
    title: str = ""
    corner: tuple[float, float] | None = None
    texts: tuple[Spelled, ...] = ()

    @cached_property
    def repeats(self) -> int:
        """How many placements there are in all."""
        return sum(_count(group) for group in self.groups)


def _count(item: Item) -> int:
    if isinstance(item, Stamps | Picture):
        return len(item.placements)
    return sum(_count(inner) for inner in item.items) if isinstance(item, Group) else 0


def compose(outer: Affine, inner: Affine) -> Affine:
    """The affine that moves by `inner` and then by `outer`."""
    a, b, c, d, e, f = outer
    p, q, r, s, t, u = inner
    return (a * p + c * q, b * p + d * q, a * r + c * s, b * r + d * s, a * t + c * u + e, b * t + d * u + f)


def under(paint: Paint, matrix: Affine) -> Paint:
    """A paint moved with its shape."""
    return paint if isinstance(paint, Solid) else replace(paint, matrix=compose(matrix, paint.matrix))


def moved_paint(shape: Shape, matrix: Affine) -> Shape:
    """A shape whose gradients move with it; its outline is left to the caller."""
    paints = (shape.fill, shape.stroke and shape.stroke.paint)
    if all(paint is None or isinstance(paint, Solid) for paint in paints):
        return shape
    stroke = shape.stroke and replace(shape.stroke, paint=under(shape.stroke.paint, matrix))
    return replace(shape, fill=shape.fill and under(shape.fill, matrix), stroke=stroke)


def is_opaque_line(shape: Shape) -> bool:
    """Lines of one opaque colour look the same drawn in one go or one by one."""
    paint = shape.stroke.paint if shape.stroke else None
    return shape.fill is None and isinstance(paint, Solid) and paint.opacity >= 1


def outline_there(shape: Shape) -> Outline:
    """A shape's outline where it is moved to."""
    if shape.move == (0.0, 0.0):
        return shape.outline
    return Outline(shape.outline.commands, shape.outline.points + shape.move)


def placed(points: Floats, placements: Floats) -> Floats:
    """(k, 2) points under (n, 6) affines, as (n, k, 2)."""
    linear = placements[:, :4].reshape(-1, 2, 2)
    moved: Floats = points @ linear + placements[:, None, 4:]
    return moved


def box_around(items: Iterable[Item]) -> tuple[Floats, Floats]:
    """The least and the greatest x and y of all that items paint, sheet mm, with room for their lines.

    Raises
    ------
    ValueError
        If nothing is painted.
    """
    boxes = [box for item in items for box in _boxes(item)]
    return np.min([low for low, _ in boxes], axis=0), np.max([high for _, high in boxes], axis=0)


def _boxes(item: Item) -> Iterator[tuple[Floats, Floats]]:
    if isinstance(item, Group):
        for inner in item.items:
            yield from _boxes(inner)
    elif isinstance(item, Picture):
        corners = placed(np.array([[0.0, 0], [1, 0], [1, 1], [0, 1]]), item.placements).reshape(-1, 2)
        yield corners.min(axis=0), corners.max(axis=0)
    else:
        for shape in item.shapes:
            points = shape.outline.points
            if isinstance(item, Stamps):
                points = placed(points, item.placements).reshape(-1, 2)
            if len(points):
                # A mitre reaches as many half weights beyond its corner.
                room = shape.stroke.weight / 2 * shape.stroke.mitre_limit if shape.stroke else 0.0
                yield points.min(axis=0) + shape.move - room, points.max(axis=0) + shape.move + room
