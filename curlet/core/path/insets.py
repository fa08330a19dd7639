"""Insets: what is left of an area when its edge is moved inwards by a stated distance.

They are made of the outline as a fine polygon (shapely's negative buffer) and fitted with cubics again.
"""

from __future__ import annotations

import math
from collections.abc import Sequence
from dataclasses import dataclass
from functools import lru_cache

import numpy as np
import shapely
from numpy.typing import NDArray
from shapely.geometry.base import BaseGeometry

from curlet.core.drawing import Outline
from curlet.core.path.flat import flat
from curlet.core.path.refit import outlines_of, rings_of

Floats = NDArray[np.float64]
Ints = NDArray[np.intp]

# How far the polygon may lie from the outline, and the fit from the polygon, as shares of the half width.
_FLAT, _FITTED = 0.004, 0.008
# The half width is known to this share of itself at the least.
_KNOWN = 0.02
# What is smaller than this share of the area is a crumb.
_CRUMB = 1e-6
# Parts that lie nearer to one another than this share of their size meet.
_HAIR = 1e-3
_QUADRANT = 8


def half_width(outline: Outline, even_odd: bool = False) -> float:
    """The radius of the largest circle within an area: no inset by more leaves anything.

    >>> from curlet.core.outlines import disc
    >>> round(half_width(disc(0, 0, 2.0)), 2)
    2.0
    """
    return _known(outline, even_odd)[1]


@dataclass(frozen=True, eq=False)
class Left:
    """What is left of an area at several distances.

    Attributes
    ----------
    rings : (n, 2) points of each one's outer edges and holes, mm.
    tolerance : how near cubics are to come to them, mm.
    """

    rings: list[list[Floats]]
    tolerance: float


def fitted(areas: Sequence[Left]) -> list[tuple[Outline | None, ...]]:
    """The edges of what is left of areas, as cubics that are fitted in one go; None where nothing is left.

    >>> from curlet.core.outlines import box, disc
    >>> (inner, none), (line,) = fitted([left(disc(0, 0, 2.0), (0.5, 2.1)), left(box(0, 0, 5, 2), (0.5,))])
    >>> round(float(np.hypot(*inner.points[0])), 2), none, float(line.points[:, 0].max())
    (1.5, None, 4.5)
    """
    found = iter(
        outlines_of(
            [rings for area in areas for rings in area.rings],
            [area.tolerance for area in areas for _ in area.rings],
        )
    )
    return [tuple(next(found) for _ in area.rings) for area in areas]


def insets(
    outline: Outline, distances: Sequence[float], even_odd: bool = False
) -> tuple[Outline | None, ...]:
    """The area's edge moved inwards by each distance; None where nothing is left.

    Parameters
    ----------
    outline : of an area, in mm both ways.
    distances : mm, 0 or more.

    >>> from curlet.core.outlines import disc
    >>> inner, none = insets(disc(0, 0, 2.0), (0.5, 2.1))
    >>> round(float(np.hypot(*inner.points[0])), 2), none
    (1.5, None)
    """
    return _insets(outline.commands, outline.points.tobytes(), tuple(distances), even_odd)


def left(outline: Outline, distances: Sequence[float], even_odd: bool = False) -> Left:
    """What is left of an area whose edge is moved inwards by each distance."""
    area, half = _known(outline, even_odd)
    moved = [shapely.buffer(area, -distance, quad_segs=_QUADRANT) for distance in distances]
    return Left([rings_of(part, _CRUMB * area.area) for part in moved], _FITTED * half)


def left_of_endless(
    outline: Outline,
    length: float,
    distances: Sequence[float],
    moves: Sequence[float],
    even_odd: bool = False,
) -> Left:
    """What is left of an area that repeats end to end every `length` mm along x, from 0 on: its two ends,
    where it meets itself, are no edges. Each goes on by as much as it is to be moved.

    >>> from curlet.core.outlines import box
    >>> ((inset,),) = fitted([left_of_endless(box(0, -1, 5, 1), 5.0, (0.25,), (0.1,))])
    >>> [round(float(edge), 2) for edge in (*inset.points.min(axis=0), *inset.points.max(axis=0))]
    [-0.1, -0.75, 5.1, 0.75]
    """
    area, half = _known(outline, even_odd)
    whole = _united([shapely.transform(area, lambda at, by=by: at + (by, 0)) for by in (-length, 0, length)])
    low, high = whole.bounds[1], whole.bounds[3]
    rings = []
    for distance, move in zip(distances, moves, strict=True):
        moved = shapely.buffer(whole, -distance, quad_segs=_QUADRANT)
        cell = shapely.box(-move, low, length + move, high)
        rings.append(rings_of(shapely.intersection(moved, cell), _CRUMB * area.area))
    return Left(rings, _FITTED * half)


def half_width_of_parts(outlines: Sequence[Outline]) -> float:
    """The half width of an area that is drawn in parts."""
    return _known_parts(tuple((outline.commands, outline.points.tobytes()) for outline in outlines))[1]


def left_of_parts(
    outlines: Sequence[Outline], distances: Sequence[float], moves: Sequence[float]
) -> list[Left]:
    """What is left of an area that is drawn in parts, cut to each part: a part inset by itself would show
    where it meets the next. As each goes on by as much as it is to be moved, none moves off where its part
    ends."""
    areas = [_known(outline, False)[0] for outline in outlines]
    whole, half = _known_parts(tuple((outline.commands, outline.points.tobytes()) for outline in outlines))
    moved = [shapely.buffer(whole, -distance, quad_segs=_QUADRANT) for distance in distances]
    crumb = _CRUMB * whole.area
    return [
        Left(
            [
                rings_of(shapely.intersection(each, shapely.buffer(area, move)), crumb)
                for each, move in zip(moved, moves, strict=True)
            ],
            _FITTED * half,
        )
        for area in areas
    ]


@lru_cache(maxsize=2048)
def _insets(
    commands: str, points: bytes, distances: tuple[float, ...], even_odd: bool
) -> tuple[Outline | None, ...]:
    return fitted([left(_outline(commands, points), distances, even_odd)])[0]


def _united(areas: Sequence[BaseGeometry]) -> BaseGeometry:
    """Areas that meet edge to edge as one, with no slit where they meet."""
    hair = math.sqrt(max(area.area for area in areas)) * _HAIR
    return shapely.buffer(shapely.union_all([shapely.buffer(area, hair) for area in areas]), -hair)


def _known(outline: Outline, even_odd: bool) -> tuple[BaseGeometry, float]:
    """An outline's area as a fine polygon, and its half width."""
    return _area_of(outline.commands, outline.points.tobytes(), even_odd)


@lru_cache(maxsize=2048)
def _area_of(commands: str, points: bytes, even_odd: bool) -> tuple[BaseGeometry, float]:
    outline = _outline(commands, points)
    size = float(np.ptp(outline.points, axis=0).max(initial=0.0))
    if size == 0:
        return shapely.Polygon(), 0.0
    rough = flat(outline, size / 50).polygon(even_odd)
    # Of a strip it is the half width, of a disc half of it.
    about = rough.area / rough.length if rough.area else 0.0
    area = flat(outline, max(about, 1e-4 * size) * _FLAT).polygon(even_odd)
    return area, _half_width(area)


def _outline(commands: str, points: bytes) -> Outline:
    return Outline(commands, np.frombuffer(points).reshape(-1, 2))


@lru_cache(maxsize=512)
def _known_parts(parts: tuple[tuple[str, bytes], ...]) -> tuple[BaseGeometry, float]:
    """What outlines cover together, and its half width."""
    whole = _united([_area_of(commands, points, False)[0] for commands, points in parts])
    return whole, _half_width(whole)


def _half_width(area: BaseGeometry) -> float:
    if area.is_empty or area.area <= 0:
        return 0.0
    about = area.area / max(area.length, 1e-12)
    parts = [part for part in shapely.get_parts(area) if part.geom_type == "Polygon" and part.area > 0]
    circles = (shapely.maximum_inscribed_circle(part, _KNOWN * about) for part in parts)
    return max((float(circle.length) for circle in circles), default=0.0)
