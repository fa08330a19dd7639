"""Paths as they were drawn where they came from, for those with no brush."""

from __future__ import annotations

from collections.abc import Iterable
from dataclasses import dataclass
from itertools import groupby

from curlet.core.drawing import Group, Laid, Paint, Shape, Solid, Stroke
from curlet.core.path.outline import joined, outline_of
from curlet.core.path.path import Path
from curlet.formats.path_doc import FactsDoc


@dataclass(frozen=True, eq=False)
class DrawnPath:
    """A path with its facts; a dressed one shows its fill but not its line. A cloth covers the fill."""

    id: str
    title: str
    path: Path
    facts: FactsDoc
    dressed: bool
    cloth: Paint | None = None


def draw_as_drawn(paths: Iterable[DrawnPath]) -> tuple[Group, ...]:
    """A group for each element drawn; contours of one element keep their holes."""
    seen = [drawn for drawn in paths if drawn.facts.stroke or drawn.facts.fill or drawn.cloth]
    keyed = groupby(seen, key=lambda drawn: drawn.facts.element or drawn.id)
    return tuple(_group(list(part)) for _, part in keyed)


def drawn_id(path_id: str) -> str:
    """The id of the group whose first contour is a path."""
    return f"path-{path_id}"


def _group(contours: list[DrawnPath]) -> Group:
    first = contours[0]
    shapes = []
    cloth = next((drawn.cloth for drawn in contours if drawn.cloth), None)
    if cloth or first.facts.fill:
        outlines = [outline_of(drawn.path) for drawn in contours]
        outline = outlines[0] if len(outlines) == 1 else joined(outlines)
        fill = cloth or Solid(first.facts.fill or "#000000", first.facts.fill_opacity)
        shapes.append(Shape(outline, fill, even_odd=first.facts.even_odd))
    shapes += [
        Shape(outline_of(drawn.path), stroke=_stroke(drawn.facts))
        for drawn in contours
        if drawn.facts.stroke and drawn.facts.weight > 0 and not drawn.dressed
    ]
    return Group(drawn_id(first.id), first.title, (Laid(tuple(shapes)),))


def _stroke(facts: FactsDoc) -> Stroke:
    paint = Solid(facts.stroke or "#000000", facts.stroke_opacity)
    return Stroke(paint, facts.weight, facts.ends, facts.joins, facts.dashes)
