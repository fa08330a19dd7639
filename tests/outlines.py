"""Drawn outlines as polygons, for measuring what was laid."""

from __future__ import annotations

from collections.abc import Iterator
from dataclasses import replace

import numpy as np
from shapely import LineString, Polygon, union_all
from shapely.geometry.base import BaseGeometry

from curlet.core.brush import Brush, Row
from curlet.core.drawing import Group, Item, Laid, Outline, Shape, Stamps, placed
from curlet.core.dress.colour import ColourRole
from curlet.core.lay import LaidRow, LaidRun
from curlet.core.lay.draw import draw_run
from curlet.core.measures import Measure
from curlet.core.motif.families import ArtShape, Artwork
from curlet.core.path.contours import contours

PER_CUBIC = 24


def flattened(outline: Outline, per: int = PER_CUBIC) -> list[np.ndarray]:
    """Each contour as (k, 2) points."""
    t = np.linspace(0, 1, per + 1)[1:, None]
    found = []
    for contour in contours(outline):
        points = [contour.cubics[:1, 0]]
        for a, b, c, d in contour.cubics:
            u = 1 - t
            points.append(u**3 * a + 3 * u * u * t * b + 3 * u * t * t * c + t**3 * d)
        found.append(np.concatenate(points))
    return found


def shapes_of(item: Item) -> Iterator[tuple[Shape, Outline, list[Outline]]]:
    """Every shape drawn with its outline on the sheet and the clips that it lies within."""
    if isinstance(item, Group):
        clip = [item.clip] if item.clip else []
        inside = (drawn for inner in item.items for drawn in shapes_of(inner))
        yield from ((shape, outline, [*clips, *clip]) for shape, outline, clips in inside)
    elif isinstance(item, Laid):
        yield from ((shape, shape.outline, []) for shape in item.shapes)
    elif isinstance(item, Stamps):
        for shape in item.shapes:
            for points in placed(shape.outline.points, item.placements):
                yield shape, Outline(shape.outline.commands, points), []


def polygon(outline: Outline) -> BaseGeometry:
    rings = [Polygon(points).buffer(0) for points in flattened(outline) if len(points) > 3]
    return union_all(rings)


def even_odd_area(outline: Outline, per: int = PER_CUBIC) -> BaseGeometry:
    """An outline's area with its holes, by the even-odd rule."""
    whole: BaseGeometry = Polygon()
    for ring in flattened(outline, per):
        whole = whole.symmetric_difference(Polygon(ring).buffer(0))
    return whole


def _clip(outline: Outline) -> BaseGeometry:
    """A clip's area: its first contour less those wound the other way."""
    first, *holes = [Polygon(points).buffer(0) for points in flattened(outline)]
    return first.difference(union_all(holes))


def filled_area(run: LaidRun) -> BaseGeometry:
    """The union of everything filled, clipped as it is drawn."""
    parts = []
    for shape, outline, clips in shapes_of(draw_run(run, "run", "")):
        if shape.fill:
            area = polygon(outline)
            for clip in clips:
                area = area.intersection(_clip(clip))
            parts.append(area)
    return union_all(parts)


def drawn_parts(run: LaidRun) -> list[BaseGeometry]:
    """All that is drawn, contour by contour, lines with their weight."""
    parts: list[BaseGeometry] = []
    for shape, outline, _ in shapes_of(draw_run(run, "run", "")):
        for points in flattened(outline):
            if shape.stroke:
                parts.append(LineString(points).buffer(shape.stroke.weight / 2))
            elif len(points) > 3:
                parts.append(Polygon(points).buffer(0))
    return parts


def drawn_area(run: LaidRun) -> BaseGeometry:
    """All that is drawn, as one."""
    return union_all(drawn_parts(run))


def block(length: float, width: float, **rules: object) -> Brush:
    """A brush of plain blocks that fill their cell."""
    h = width / 2
    shape = ArtShape(f"M0 {-h}L{length} {-h}L{length} {h}L0 {h}Z", fill=ColourRole())
    fields = {"hold": "bend", "gap": Measure(0.0), **rules}
    corners = fields.pop("corners", None)
    row = Row(Artwork((shape,), length, width), Measure(length), **fields)  # type: ignore[arg-type]
    return Brush(courses=(row,), **({"corners": corners} if corners else {}))  # type: ignore[arg-type]


def main_row(run: LaidRun) -> LaidRow:
    assert run.main is not None
    return run.main


def with_main(brush: Brush, **fields: object) -> Brush:
    """A brush whose main course has other settings."""
    courses = list(brush.courses)
    assert brush.main is not None
    courses[brush.main] = replace(courses[brush.main], **fields)  # type: ignore[arg-type]
    return replace(brush, courses=tuple(courses))
