"""A drawing trimmed to what it paints, with a margin."""

from __future__ import annotations

import math
from collections.abc import Iterable, Iterator
from dataclasses import replace

import numpy as np
import shapely
from numpy.typing import NDArray

from curlet.core.bounds import Bounds
from curlet.core.drawing import (
    Drawing,
    Group,
    Item,
    Laid,
    Outline,
    Picture,
    Shape,
    Stamps,
    Stroke,
    box_around,
    placed,
)
from curlet.core.errors import BadInput
from curlet.core.path.booleans import line_as_area
from curlet.core.path.flat import flat

Floats = NDArray[np.float64]

Box = tuple[Floats, Floats]
Part = Group | Picture | Stamps

MARGIN = Bounds("Margin", 0, 1_000, "0 mm is up to the artwork")
# How far the box may lie within the curves that it is around, mm.
_FINE = 0.002
# What is blurred is seen so many standard deviations far: there it is a hundredth of what it was.
_BLURRED = 2.6
_RIGID = 1e-6
_STILL = np.array([[1.0, 0, 0, 1, 0, 0]])
_UNIT = np.array([[0.0, 0], [1, 0], [1, 1], [0, 1]])


def trimmed(drawing: Drawing, margin: float, per_mm: float | None = None) -> Drawing:
    """A drawing on just the part of its sheet that it paints, beyond the sheet's edges too.

    Parameters
    ----------
    margin : what is left around it, mm.
    per_mm : pixels to the mm, at whole ones of which its edges lie; None where there are none.

    Raises
    ------
    BadInput
        If nothing is painted, or the margin is out of bounds.

    >>> from curlet.core.drawing import Laid, Shape, Solid
    >>> square = Outline("MLLLZ", np.array([[2.0, 3], [6, 3], [6, 5], [2, 5]]))
    >>> shown = Drawing(100, 80, (Group("a", "", (Laid((Shape(square, Solid("#aa3322")),)),)),))
    >>> small = trimmed(shown, 1.0)
    >>> small.corner, small.width, small.height
    ((1.0, 2.0), 6.0, 4.0)
    """
    MARGIN.check(margin)
    box = painted_box(drawing.groups)
    if box is None:
        raise BadInput("Nothing is drawn here, so there is nothing to trim to. Choose something else.")
    low, high = box[0] - margin, box[1] + margin
    if per_mm:
        low, high = np.floor(low * per_mm + _RIGID) / per_mm, np.ceil(high * per_mm - _RIGID) / per_mm
    width, height = (high - low).tolist()
    return replace(drawing, width=width, height=height, corner=(float(low[0]), float(low[1])))


def painted_box(items: Iterable[Item]) -> Box | None:
    """The least and the greatest x and y of all that items paint, sheet mm; None where that is nothing."""
    parts = [part for item in items for part in _parts(item)]
    roughly = [(box, part) for part in parts if (box := _roughly(part)) is not None]
    known: dict[int, Box | None] = {}
    sides = [_side(roughly, known, end, axis) for end in (0, 1) for axis in (0, 1)]
    if None in sides:
        return None
    return np.array(sides[:2]), np.array(sides[2:])


def _side(roughly: list[tuple[Box, Part]], known: dict[int, Box | None], end: int, axis: int) -> float | None:
    """The least (`end` 0) or the greatest x or y of parts. Only those are looked at closely that may reach
    farther than what has been looked at."""
    sign = 1 if end == 0 else -1
    best: float | None = None
    for box, part in sorted(roughly, key=lambda each: sign * each[0][end][axis]):
        if best is not None and sign * box[end][axis] >= sign * best:
            break
        if id(part) not in known:
            known[id(part)] = _closely(part)
        found = known[id(part)]
        if found is not None and (best is None or sign * found[end][axis] < sign * best):
            best = float(found[end][axis])
    return best


def _parts(item: Item) -> Iterator[Part]:
    """What an item paints, a shape at a time with its placements; a group or a picture as it is."""
    if isinstance(item, Group):
        yield item
    elif isinstance(item, Laid):
        yield from (Stamps((shape,), _STILL) for shape in item.shapes if len(shape.outline.points))
    elif len(item.placements):
        if isinstance(item, Picture):
            yield item
        else:
            shapes = (shape for shape in item.shapes if len(shape.outline.points))
            yield from (Stamps((shape,), item.placements) for shape in shapes)


def _roughly(part: Part) -> Box | None:
    """A box that is no smaller than what a part paints."""
    if isinstance(part, Group):
        boxes = [box for item in part.items for inner in _parts(item) if (box := _roughly(inner)) is not None]
        return _seen(part, _union(boxes) if boxes else None)
    return box_around((part,))


def _closely(part: Part) -> Box | None:
    if isinstance(part, Group):
        return _seen(part, painted_box(part.items))
    if isinstance(part, Picture):
        return _around(placed(_UNIT, part.placements))
    (shape,) = part.shapes
    boxes = [
        _around(placed(_hull(points), part.placements) + shape.move, room)
        for points, room in _covered(shape, _are_rigid(part.placements))
    ]
    return _union(boxes) if boxes else None


def _seen(group: Group, box: Box | None) -> Box | None:
    """What is seen of a group's content that takes up a box."""
    if box is None or group.opacity <= 0:
        return None
    low, high = box[0] - _BLURRED * group.blur, box[1] + _BLURRED * group.blur
    if group.clip is not None:
        if not len(group.clip.points):
            return None
        inner = _around(_points(group.clip))
        low, high = np.maximum(low, inner[0]), np.minimum(high, inner[1])
    return (low, high) if (low < high).all() else None


def _union(boxes: list[Box]) -> Box:
    return np.min([low for low, _ in boxes], axis=0), np.max([high for _, high in boxes], axis=0)


def _covered(shape: Shape, rigid: bool) -> Iterator[tuple[Floats, float]]:
    """(k, 2) points around what a shape's fill and its line cover, before its move, and how far these reach
    beyond them, mm."""
    if not len(shape.outline.points):
        return
    if shape.fill is not None:
        yield _points(shape.outline), 0.0
    if shape.stroke is not None:
        yield _line(shape.outline, shape.stroke, rigid)


def _line(outline: Outline, stroke: Stroke, rigid: bool) -> tuple[Floats, float]:
    half, points = stroke.weight / 2, _points(outline)
    if stroke.ends == "round" and stroke.joins == "round":
        return points, half
    # A line that is not turned alone is drawn as heavy as ever: there it is told from its corners' reach.
    area = line_as_area(outline, stroke.weight, stroke.ends, stroke.joins, stroke.dashes) if rigid else None
    if area is not None and len(area.points):
        return _points(area), 0.0
    return points, half * (stroke.mitre_limit if stroke.joins == "mitre" else math.sqrt(2))


def _points(outline: Outline) -> Floats:
    made = flat(outline, _FINE)
    return np.concatenate([made.points, made.cubics[:, 3]])


def _hull(points: Floats) -> Floats:
    """The corners around points: no other can be the outermost one, however they are placed."""
    return np.asarray(shapely.get_coordinates(shapely.MultiPoint(points).convex_hull))


def _are_rigid(placements: Floats) -> bool:
    a, b, c, d = placements[:, :4].T
    off = np.stack([np.hypot(a, b) - 1, np.hypot(c, d) - 1, a * c + b * d])
    return bool((np.abs(off) < _RIGID).all())


def _around(points: Floats, room: float = 0.0) -> Box:
    flat_points = points.reshape(-1, 2)
    return flat_points.min(axis=0) - room, flat_points.max(axis=0) + room
