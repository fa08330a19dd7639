"""What a run covers: its silhouette."""

from __future__ import annotations

from collections.abc import Iterable, Iterator, Sequence
from dataclasses import replace

import numpy as np
import shapely
from numpy.typing import NDArray

from curlet.core.area.edges import edges_of, outline_of_edges
from curlet.core.area.parts import Part, part_of, stamped, together, united
from curlet.core.drawing import Group, Item, Laid, Outline, Picture, Shape, Stroke, outline_there
from curlet.core.errors import TooMuch
from curlet.core.path.booleans import line_as_area

Floats = NDArray[np.float64]

MOST_REPEATS = 20_000
_SQUARE = Outline("MLLLZ", np.array([[0.0, 0], [1, 0], [1, 1], [0, 1]]))
# Placements are alike but for their turn if their other parts are as near as this, mm.
_ALIKE = 1e-6
# What is laid as often is united before it is laid.
_OFTEN = 4


def silhouette(items: Iterable[Item], tolerance: float) -> Part:
    """What items cover, as one shape; what shows through covers too, shadows do not.

    Parameters
    ----------
    tolerance : of the polygons that it is worked out with, mm.

    Raises
    ------
    TooMuch
        If there are more than 20,000 repeats.
    """
    every = tuple(items)
    count = sum(_count(item) for item in every)
    if count > MOST_REPEATS:
        raise TooMuch(
            f"This run has {count:,} pieces; an area can be made of {MOST_REPEATS:,} at the most. "
            "Make the stitches longer, or use the path without its run."
        )
    parts = [part for item in every for part in _parts(item, tolerance)]
    return united(parts)


def _count(item: Item) -> int:
    if isinstance(item, Group):
        return sum(_count(inner) for inner in item.items)
    if isinstance(item, Laid):
        return sum(shape.outline.commands.count("M") for shape in item.shapes if not shape.is_detail)
    return len(item.placements)


def _parts(item: Item, tolerance: float) -> Iterator[Part]:
    if isinstance(item, Group):
        yield from _of_group(item, tolerance)
    elif isinstance(item, Picture):
        yield stamped(_SQUARE, item.placements, tolerance)
    elif isinstance(item, Laid):
        for shape in _grounds(item.shapes):
            yield from (part_of(outline, tolerance, even_odd=odd) for outline, odd in _outlines(shape))
    else:
        by_move: dict[tuple[float, float], list[Shape]] = {}
        for shape in _grounds(item.shapes):
            by_move.setdefault(shape.move, []).append(shape)
        for move, shapes in by_move.items():
            yield from _of_stamps(shapes, item.placements + [0, 0, 0, 0, *move], tolerance)


def _grounds(shapes: Sequence[Shape]) -> Iterator[Shape]:
    return (shape for shape in shapes if not shape.is_detail and len(shape.outline.points))


def _of_group(group: Group, tolerance: float) -> Iterator[Part]:
    parts = [part for inner in group.items for part in _parts(inner, tolerance)]
    if group.clip is None or not parts:
        yield from parts
        return
    clip = part_of(group.clip, tolerance)
    covered = shapely.union_all([part.area for part in parts])
    yield together([*parts, clip], shapely.intersection(covered, clip.area))


def _outlines(shape: Shape) -> Iterator[tuple[Outline, bool]]:
    """What a shape covers, its fill and its line, each with whether it is filled by even-odd."""
    outline = outline_there(shape)
    if shape.fill is not None:
        yield outline, shape.even_odd
    if shape.stroke is not None and (area := _line(outline, shape.stroke)) is not None:
        yield area, True


def _of_stamps(shapes: Sequence[Shape], placements: Floats, tolerance: float) -> Iterator[Part]:
    """What stamps cover. What several shapes make that is alike but for its turn is united once, so that
    what lies within it is no longer looked at."""
    for form, there in _alike_but_turned(placements):
        formed = (replace(s, outline=Outline(s.outline.commands, s.outline.points @ form)) for s in shapes)
        outlines = [each for shape in formed for each in _outlines(replace(shape, move=(0.0, 0.0)))]
        if len(outlines) > 1 and len(there) >= _OFTEN:
            edges = edges_of(united([part_of(outline, tolerance, even_odd=odd) for outline, odd in outlines]))
            outlines = [(outline_of_edges(edges), True)] if edges else []
        yield from (stamped(outline, there, tolerance, even_odd=odd) for outline, odd in outlines)


def _alike_but_turned(placements: Floats) -> Iterator[tuple[Floats, Floats]]:
    """Placements that are alike but for where they lie and how they are turned: (2, 2) what they share, by
    which points are multiplied first, and (k, 6) the places of it. A line is as heavy at all of them."""
    angle = np.arctan2(placements[:, 1], placements[:, 0])
    cos, sin = np.cos(angle), np.sin(angle)
    back = np.stack([np.stack([cos, -sin], axis=1), np.stack([sin, cos], axis=1)], axis=1)
    forms = placements[:, :4].reshape(-1, 2, 2) @ back
    keys, of = np.unique(np.round(forms.reshape(-1, 4) / _ALIKE), axis=0, return_inverse=True)
    for number in range(len(keys)):
        own = np.flatnonzero(of.ravel() == number)
        turned = np.stack([cos[own], sin[own], -sin[own], cos[own]], axis=1)
        yield forms[own[0]], np.concatenate([turned, placements[own, 4:]], axis=1)


def _line(outline: Outline, stroke: Stroke) -> Outline | None:
    return line_as_area(outline, stroke.weight, stroke.ends, stroke.joins, stroke.dashes)
