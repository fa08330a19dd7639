"""Areas that are known as polygons, as outlines of cubics again."""

from __future__ import annotations

import math
from collections.abc import Sequence

import numpy as np
import shapely
from numpy.typing import NDArray
from shapely.geometry.base import BaseGeometry

from curlet.core.drawing import Outline
from curlet.core.path.fit_cubics import fit_cubics
from curlet.core.path.outline import joined, of_chain

Floats = NDArray[np.float64]
Ints = NDArray[np.intp]

# A turn sharper than this is a corner, degrees: a polygon's sides turn by less along a curve.
_SHARP = 16.0
# Points along an edge at the least: with few, a fit may do anything between them.
_POINTS = 48
# Points are level within this share of the edge's size.
_LEVEL = 1e-6


def rings_of(area: BaseGeometry, crumb: float) -> list[Floats]:
    """(n, 2) points of an area's outer edges and holes, each closed, without parts below `crumb` mm²."""
    polygons = [part for part in shapely.get_parts(area) if part.geom_type == "Polygon" and part.area > crumb]
    rings = [ring for polygon in polygons for ring in (polygon.exterior, *polygon.interiors)]
    return [shapely.get_coordinates(shapely.segmentize(ring, ring.length / _POINTS)) for ring in rings]


def outlines_of(rings: Sequence[list[Floats]], tolerances: Sequence[float]) -> tuple[Outline | None, ...]:
    """Areas' edges as outlines of cubics, each within its tolerance, mm; None for one that has none."""
    lines, breaks = [], []
    for each, tolerance in zip(rings, tolerances, strict=True):
        for ring in each:
            line, corners = _from_a_corner(ring)
            lines.append(line / tolerance)
            breaks.append(corners)
    fitted = iter(fit_cubics(lines, breaks, 1.0))
    found: list[Outline | None] = []
    for each, tolerance in zip(rings, tolerances, strict=True):
        chains = [of_chain(next(fitted) * tolerance, True) for _ in each]
        found.append(joined(chains) if chains else None)
    return tuple(found)


def _from_a_corner(ring: Floats) -> tuple[Floats, Ints]:
    """A ring begun at its leftmost corner, or point if it has none, and where its corners are: where it
    came to begin depends on how the processor rounds."""
    points = ring[:-1]
    into = points - np.roll(points, 1, axis=0)
    out = np.roll(points, -1, axis=0) - points
    turns = np.abs(np.arctan2(into[:, 0] * out[:, 1] - into[:, 1] * out[:, 0], (into * out).sum(axis=1)))
    corners = np.flatnonzero(turns > math.radians(_SHARP))
    begins = _leftmost(points, corners if len(corners) else np.arange(len(points)))
    points, corners = np.roll(points, -begins, axis=0), np.sort((corners - begins) % len(points))
    return np.concatenate([points, points[:1]]), corners


def _leftmost(points: Floats, among: Ints) -> int:
    """Which of the points is furthest left, and of those that are level the topmost."""
    apart = _LEVEL * np.ptp(points, axis=0).max()
    x, y = np.round(points[among].T / apart) if apart else points[among].T
    return int(among[np.lexsort((y, x))[0]])
