"""A clean outline: narrow gaps closed, crumbs dropped, grown or thinned."""

from __future__ import annotations

from dataclasses import dataclass

import numpy as np
import shapely
from shapely.geometry.base import BaseGeometry

from curlet.core.area.parts import Part, part_of, together
from curlet.core.bounds import Bounds
from curlet.core.drawing import Outline
from curlet.core.path.refit import outlines_of, rings_of

GAPS = Bounds("The gaps that are closed", 0, 100)
GROW = Bounds("How much an area is grown", -100, 100)
LEAST = Bounds("What is dropped", 0, 10_000, unit="mm²")
# Where two shapes are joined they overlap by this, mm.
_HAIR = 1e-3
_QUADRANT = 32
# What a closing fills of a corner of more than about 50°, as a share of its disc's radius squared.
_CORNER = 1.0
_MITRE = 10.0


@dataclass(frozen=True)
class Clean:
    """How an area's edges are cleaned, sheet mm.

    Attributes
    ----------
    gaps : gaps and notches narrower than this are closed.
    grow : how far edges are moved outwards, or inwards below 0.
    round : whether corners are round where edges are moved outwards, or sharp.
    least : pieces and holes smaller than this are dropped, mm².
    """

    gaps: float = 0.0
    grow: float = 0.0
    round: bool = True
    least: float = 0.02

    def check(self) -> None:
        """BadInput where a number is out of bounds."""
        GAPS.check(self.gaps)
        GROW.check(self.grow)
        LEAST.check(self.least)


# An area is freed of what is too small to be seen, and left as it is otherwise.
PLAIN = Clean()


def cleaned(part: Part, clean: Clean, tolerance: float) -> Part:
    """An area cleaned. Edges that need not move stay the curves that they are.

    Parameters
    ----------
    tolerance : how far moved edges may lie from where they should, mm.

    >>> from curlet.core.outlines import box
    >>> grown = cleaned(part_of(box(0, 0, 4, 2), 0.01), Clean(grow=1.0, round=False), 0.01)
    >>> grown.area.area
    24.0
    """
    if clean.gaps:
        part = _closed(part, clean.gaps, tolerance)
    if clean.grow:
        join = "round" if clean.round else "mitre"
        # What is dropped is not grown first.
        seen = _without_crumbs(part.area, clean.least)
        moved = shapely.buffer(seen, clean.grow, quad_segs=_QUADRANT, join_style=join, mitre_limit=_MITRE)
        part = _refitted(moved, tolerance)
    return together([part], _without_crumbs(part.area, clean.least))


def _closed(part: Part, gaps: float, tolerance: float) -> Part:
    """What lies in narrow gaps added: the closing by a disc of their width (Serra, Image Analysis and
    Mathematical Morphology, 1982), but for what it would round off in corners."""
    grown = shapely.buffer(part.area, gaps / 2, quad_segs=_QUADRANT)
    wide = shapely.buffer(grown, -gaps / 2, quad_segs=_QUADRANT)
    fillings = shapely.get_parts(shapely.difference(wide, part.area))
    # A disc in a corner of θ leaves cot θ/2 - (π - θ)/2 times its radius squared: 0.22 at a right angle. And
    # rounding leaves slits along every edge.
    area = shapely.area(fillings)
    real = (area > _CORNER * (gaps / 2) ** 2) & (area > tolerance * shapely.length(fillings) / 2)
    if not real.any():
        return part
    # They overlap the shapes, and reach no further than they do: a spike would grow with the edges.
    within = shapely.intersection(shapely.buffer(fillings[real], _HAIR, join_style="mitre"), part.area)
    fill = _refitted(shapely.union_all([*fillings[real], *within]), tolerance)
    return together([part, fill], shapely.union(part.area, fill.area))


def _refitted(area: BaseGeometry, tolerance: float) -> Part:
    """Polygons as a part whose edges are curves again."""
    (outline,) = outlines_of([rings_of(area, 0.0)], [tolerance / 2])
    return part_of(outline or Outline("", np.zeros((0, 2))), tolerance / 2)


def _without_crumbs(area: BaseGeometry, least: float) -> BaseGeometry:
    kept = []
    for polygon in shapely.get_parts(area):
        if polygon.geom_type == "Polygon" and polygon.area >= max(least, 1e-12):
            holes = [hole for hole in polygon.interiors if shapely.Polygon(hole).area >= least]
            kept.append(shapely.Polygon(polygon.exterior, holes))
    return shapely.MultiPolygon(kept)
