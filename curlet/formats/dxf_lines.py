"""Writing a drawing as DXF lines in mm, for plotters and cutters: a layer for each thing on the sheet."""

from __future__ import annotations

import re
from collections.abc import Iterator
from dataclasses import dataclass
from typing import Any

import numpy as np
import shapely
from numpy.typing import NDArray

from curlet.core.drawing import (
    Drawing,
    Group,
    Item,
    Laid,
    Outline,
    Paint,
    Picture,
    Shape,
    Solid,
    Tiling,
    placed,
)
from curlet.core.errors import BadInput, TooMuch
from curlet.core.path.booleans import line_as_area
from curlet.core.path.contours import Contour, contours
from curlet.core.path.flat import flat
from curlet.formats.dxf_space import DxfSpace
from curlet.formats.output import FileSettings, Output, Tell, alone, each_group, untold

Floats = NDArray[np.float64]

# How near polylines come to their curves, mm, and how many entities a plotter's program still opens.
_WITHIN = 0.01
MAX_ENTITIES = 200_000
_STRAIGHT = 1e-6
# What a layer's name may not hold (DXF Reference, symbol table names), and how long it may be.
_NOT_IN_LAYERS = re.compile(r'[<>/\\":;?*|=`,\x00-\x1f]+')
_LONGEST = 200


def write_dxf_lines(drawing: Drawing, settings: FileSettings, tell: Tell = untold) -> bytes:
    """Lines along their middles or around what they cover, fills around theirs; y upward from the drawing's
    foot.

    Raises
    ------
    BadInput
        If nothing is drawn that has lines.
    TooMuch
        If there would be more than 200,000.
    """
    left, top = drawing.corner or (0.0, 0.0)
    space = DxfSpace((left, top + drawing.height), settings.larger)
    names: set[str] = set()
    count = 0
    for group in each_group(drawing, tell):
        lines = list(_lines(group, settings.lines == "edges", None))
        count += len(lines)
        if count > MAX_ENTITIES:
            raise TooMuch(
                f"This would be more than {MAX_ENTITIES:,} lines, which hardly any plotter's program opens. "
                "Export a part of the sheet, or its outline."
            )
        if lines:
            layer = _layer(group.title or group.id, names)
            space.layer(layer)
            for line in lines:
                _add(space, line, layer, settings.curves == "splines")
    if not count:
        raise BadInput("Nothing is drawn here that has lines. Choose paths with a brush, a line or a fill.")
    return space.written()


def _add(space: DxfSpace, line: _Line, layer: str, splines: bool) -> None:
    contour = line.contour
    how: dict[str, Any] = {"closed": contour.closed, "layer": layer, "true_color": line.colour}
    if splines and not _is_straight(contour):
        space.spline(contour.cubics, **how)
    else:
        space.polyline(_points(contour), **how)


def _layer(title: str, names: set[str]) -> str:
    """A layer's name of a title, unlike the others."""
    plain = _NOT_IN_LAYERS.sub(" ", title).strip()[:_LONGEST] or "Line"
    name, number = plain, 1
    while name.casefold() in names:
        number += 1
        name = f"{plain} {number}"
    names.add(name.casefold())
    return name


@dataclass(frozen=True, eq=False)
class _Line:
    contour: Contour
    colour: int


def _lines(item: Item, edges: bool, crop: Any) -> Iterator[_Line]:
    """The lines of an item; `crop` is the area that it is cropped to, if it is."""
    if isinstance(item, Group):
        if item.clip is not None:
            own = flat(item.clip, _WITHIN).polygon(even_odd=False)
            crop = own if crop is None else shapely.intersection(crop, own)
        for inner in item.items:
            yield from _lines(inner, edges, crop)
    elif not isinstance(item, Picture):
        placements = None if isinstance(item, Laid) else item.placements
        for shape in item.shapes:
            # Steps in relief are how it looks, not where it is.
            if not shape.is_detail:
                yield from _of_shape(shape, placements, edges, crop)


def _of_shape(shape: Shape, placements: Floats | None, edges: bool, crop: Any) -> Iterator[_Line]:
    still = np.array([[1.0, 0, 0, 1, 0, 0]]) if placements is None else placements
    for points in placed(shape.outline.points, still) + shape.move:
        outline = Outline(shape.outline.commands, points)
        for there, paint in _painted(shape, outline, edges):
            for contour in contours(there):
                for kept in [contour] if crop is None else _cropped(contour, crop):
                    yield _Line(kept, _colour(paint))


def _painted(shape: Shape, outline: Outline, edges: bool) -> Iterator[tuple[Outline, Paint]]:
    stroke = shape.stroke
    if stroke is not None and edges:
        area = line_as_area(outline, stroke.weight, stroke.ends, stroke.joins, stroke.dashes)
        if area is not None:
            yield area, stroke.paint
    if shape.fill is not None:
        yield outline, shape.fill
    elif stroke is not None and not edges:
        yield outline, stroke.paint


def _cropped(contour: Contour, crop: Any) -> list[Contour]:
    """What an area leaves of a contour: of a closed one, its area."""
    points = _points(contour)
    if contour.closed and len(points) >= 3:
        left = shapely.intersection(shapely.make_valid(shapely.Polygon(points)), crop)
        rings = shapely.get_rings(left)
        return [_contour(shapely.get_coordinates(ring)[:-1], closed=True) for ring in rings]
    left = shapely.line_merge(shapely.intersection(shapely.LineString(points), crop))
    parts = shapely.get_parts(left)
    lines = [shapely.get_coordinates(part) for part in parts if part.geom_type == "LineString"]
    return [_contour(line, closed=False) for line in lines]


def _contour(points: Floats, *, closed: bool) -> Contour:
    commands = "M" + "L" * (len(points) - 1) + ("Z" if closed else "")
    return contours(Outline(commands, points))[0]


def _points(contour: Contour) -> Floats:
    """Points along a contour; of a closed one without its first again."""
    commands = "M" + "C" * len(contour.cubics)
    outline = Outline(commands, np.concatenate([contour.cubics[:1, 0], contour.cubics[:, 1:].reshape(-1, 2)]))
    points = flat(outline, _WITHIN).points
    return points if contour.closed else np.concatenate([points, contour.cubics[-1:, 3]])


def _is_straight(contour: Contour) -> bool:
    cubics = contour.cubics
    chords = cubics[:, 3] - cubics[:, 0]
    arms = cubics[:, 1:3] - cubics[:, :1]
    off = np.abs(chords[:, None, 0] * arms[..., 1] - chords[:, None, 1] * arms[..., 0])
    return bool((off <= _STRAIGHT * (1 + np.abs(chords).sum(axis=1)[:, None])).all())


def _colour(paint: Paint) -> int:
    """A paint's colour as a number; of several the first, of a cloth the one that it looks like."""
    if isinstance(paint, Solid):
        text = paint.colour
    else:
        text = paint.mean if isinstance(paint, Tiling) else paint.stops[0].colour
    return int(text[1:], 16)


DXF = Output(
    "DXF lines",
    "image/vnd.dxf",
    alone(write_dxf_lines),
    settings=("lines", "curves", "larger"),
)
