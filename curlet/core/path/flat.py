"""An outline as a fine polygon, and where on which cubic each of its points lies."""

from __future__ import annotations

from dataclasses import dataclass
from itertools import zip_longest
from typing import Any

import numpy as np
import shapely
from numpy.typing import NDArray
from shapely.geometry.base import BaseGeometry

from curlet.core.drawing import Outline
from curlet.core.path.contours import contours
from curlet.core.path.cubics import weights

Floats = NDArray[np.float64]
Ints = NDArray[np.intp]

# Points along a cubic at the most.
_MOST = 48
# How shapely mends a contour that crosses itself if all that it goes round belongs to it.
_OVER_ITSELF = {"method": "structure", "keep_collapsed": False}

_NOTHING = shapely.Polygon()
# Polygons that have less than this share of their area in common only touch.
_NO_OVERLAP = 1e-12


@dataclass(frozen=True, eq=False)
class Flat:
    """An outline's contours, each cubic in as many chords as keep it within a tolerance.

    Attributes
    ----------
    cubics : (m, 4, 2) of all its contours, end to end within each.
    points : (n, 2) where chords begin.
    which, t : (n,) on which cubic each point lies, and where along it.
    begins : where each contour's points begin.
    """

    cubics: Floats
    points: Floats
    which: Ints
    t: Floats
    begins: tuple[int, ...]

    def polygon(self, even_odd: bool) -> BaseGeometry:
        """Its area. Holes are told by the rule, or by which way round they run."""
        polygons, turns = self._polygons()
        if even_odd:
            return shapely.symmetric_difference_all(polygons)
        one, other = (_depths(list(polygons[turns == way])) for way in (True, False))
        # Filled is where the contours of one way are more than those of the other.
        both = zip_longest(one, other, fillvalue=_NOTHING)
        return shapely.union_all([shapely.symmetric_difference(*deep) for deep in both])

    def covered(self) -> BaseGeometry:
        """What its contours cover, though they lie over one another or themselves: a hole is one only in the
        contour that it lies in, of several in the nearest before it."""
        polygons, turns = self._polygons(**_OVER_ITSELF)
        if not len(polygons) or (turns == turns[0]).all():
            return shapely.union_all(polygons)
        outer, holes = np.flatnonzero(turns == turns[0]), np.flatnonzero(turns != turns[0])
        hole, shell = shapely.STRtree(polygons[outer]).query(polygons[holes], predicate="within")
        for index in np.unique(hole).tolist():
            within = outer[shell[hole == index]]
            before = within[within < holes[index]]
            own = before.max() if len(before) else within.min()
            polygons[own] = shapely.difference(polygons[own], polygons[holes[index]])
        return shapely.union_all(polygons[outer])

    def _polygons(self, **mended: Any) -> tuple[NDArray[np.object_], NDArray[np.bool_]]:
        """Each contour's area by itself, and whether it runs counter-clockwise where y goes up."""
        counts = np.diff([*self.begins, len(self.points)])
        long = counts >= 3
        if not long.any():
            return np.zeros(0, dtype=object), np.zeros(0, dtype=bool)
        kept = np.repeat(long, counts)
        of = np.repeat(np.cumsum(long) - 1, counts)[kept]
        rings = shapely.linearrings(self.points[kept], indices=of)
        polygons = shapely.polygons(rings)
        bad = ~shapely.is_valid(polygons)
        polygons[bad] = shapely.make_valid(polygons[bad], **mended)
        return polygons, shapely.is_ccw(rings)


def _depths(polygons: list[BaseGeometry]) -> list[BaseGeometry]:
    """What at least one of the polygons covers, at least two, and so on, as long as anything is."""
    if len(polygons) <= 1:
        return polygons
    union = shapely.union_all(polygons)
    if shapely.area(polygons).sum() - union.area <= _NO_OVERLAP * union.area:
        return [union]
    half = len(polygons) // 2
    one, other = [None, *_depths(polygons[:half])], [None, *_depths(polygons[half:])]
    found = []
    for depth in range(1, len(one) + len(other) - 1):
        ways = [(i, depth - i) for i in range(depth + 1) if i < len(one) and depth - i < len(other)]
        parts = [shapely.intersection(one[i], other[j]) if i and j else one[i] or other[j] for i, j in ways]
        found.append(shapely.union_all(parts))
    return [deep for deep in found if deep.area > 0]


def flat(outline: Outline, tolerance: float) -> Flat:
    """An outline's contours within a tolerance, mm."""
    parts = contours(outline)
    if not parts:
        none = np.zeros(0)
        return Flat(np.zeros((0, 4, 2)), np.zeros((0, 2)), none.astype(np.intp), none, ())
    cubics = np.concatenate([part.cubics for part in parts])
    # A cubic lies within 6/8 of its control polygon's second difference over n² (de Boor).
    second = np.abs(np.diff(cubics, n=2, axis=1)).max(axis=(1, 2))
    counts = np.clip(np.ceil(np.sqrt(0.75 * second / tolerance)), 1, _MOST).astype(int)
    last = np.cumsum([len(part.cubics) for part in parts]) - 1
    which = np.repeat(np.arange(len(cubics)), counts)
    first = np.cumsum(counts) - counts
    t = (np.arange(len(which)) - first[which]) / counts[which]
    points = np.einsum("nc,ncd->nd", weights(t), cubics[which])
    return Flat(cubics, points, which, t, tuple(first[[0, *(last[:-1] + 1)]].tolist()))
