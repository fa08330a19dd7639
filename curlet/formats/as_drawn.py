"""Paths as they were drawn where they came from, for those with no brush."""

from __future__ import annotations

from collections.abc import Iterable
from dataclasses import dataclass
from itertools import groupby

import numpy as np

from curlet.core.area.edges import edges_of, outline_of_edges
from curlet.core.area.parts import part_of
from curlet.core.drawing import Group, Item, Laid, Paint, Picture, Shape, Solid, Stroke
from curlet.core.dress.fill import Gradient, Placed
from curlet.core.path.cubics import extent
from curlet.core.path.outline import joined, outline_of
from curlet.core.path.path import Path
from curlet.formats.path_doc import FactsDoc

# How far polygons may lie from the curves that they stand for, sheet mm.
_FINE = 0.005


@dataclass(frozen=True, eq=False)
class PictureFill:
    """A PNG that is seen inside a shape, where it lies and how opaque it is, 0…1."""

    png: bytes
    placed: Placed
    opacity: float = 1.0


Filled = Paint | Gradient | PictureFill


@dataclass(frozen=True, eq=False)
class DrawnPath:
    """A path with its facts; a dressed one shows its fill but not its line. `filled` takes the place of the
    fill that it was drawn with."""

    id: str
    title: str
    path: Path
    facts: FactsDoc
    dressed: bool
    filled: Filled | None = None


def draw_as_drawn(paths: Iterable[DrawnPath]) -> tuple[Group, ...]:
    """A group for each element drawn; contours of one element keep their holes."""
    seen = [drawn for drawn in paths if drawn.facts.stroke or drawn.facts.fill or drawn.filled]
    keyed = groupby(seen, key=lambda drawn: drawn.facts.element or drawn.id)
    return tuple(_group(list(part)) for _, part in keyed)


def drawn_id(path_id: str) -> str:
    """The id of the group whose first contour is a path."""
    return f"path-{path_id}"


def _group(contours: list[DrawnPath]) -> Group:
    first = contours[0]
    items: list[Item] = []
    filled = next((drawn.filled for drawn in contours if drawn.filled), None)
    if filled or first.facts.fill:
        filled = filled or Solid(first.facts.fill or "#000000", first.facts.fill_opacity)
        items.append(_fill(contours, filled, first.facts.even_odd))
    lines = [
        Shape(outline_of(drawn.path), stroke=_stroke(drawn.facts))
        for drawn in contours
        if drawn.facts.stroke and drawn.facts.weight > 0 and not drawn.dressed
    ]
    if lines:
        items.append(Laid(tuple(lines)))
    return Group(drawn_id(first.id), first.title, tuple(items))


def _fill(contours: list[DrawnPath], filled: Filled, even_odd: bool) -> Item:
    outlines = [outline_of(drawn.path) for drawn in contours]
    outline = outlines[0] if len(outlines) == 1 else joined(outlines)
    if isinstance(filled, PictureFill):
        # A clip means the same in every program only by the nonzero rule.
        clip = outline_of_edges(edges_of(part_of(outline, _FINE, even_odd=True))) if even_odd else outline
        picture = Picture(filled.png, np.array([filled.placed.placement]))
        return Group("", "", (picture,), filled.opacity, clip=clip)
    if isinstance(filled, Gradient):
        filled = filled.over(*extent(np.concatenate([drawn.path.segments for drawn in contours])))
    return Laid((Shape(outline, filled, even_odd=even_odd),))


def _stroke(facts: FactsDoc) -> Stroke:
    paint = Solid(facts.stroke or "#000000", facts.stroke_opacity)
    return Stroke(paint, facts.weight, facts.ends, facts.joins, facts.dashes)
