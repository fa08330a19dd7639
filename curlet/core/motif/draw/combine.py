"""Shapes united, cut from one another, and lines turned into areas."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import replace

from curlet.core.drawing import Outline
from curlet.core.errors import BadInput
from curlet.core.motif.art import path_text
from curlet.core.motif.draw.shapes import chosen
from curlet.core.motif.families.artwork import ArtShape, Artwork, read_outline
from curlet.core.path.booleans import WAYS, combined, line_as_area
from curlet.core.path.outline import joined


def combine(art: Artwork, which: Sequence[int], how: str) -> Artwork:
    """The chosen shapes as one, in the place and with the colours of the lowest.

    Parameters
    ----------
    how : "unite", "cut" (the upper ones from the lowest), "common" or "apart".

    Raises
    ------
    BadInput
        If fewer than two are chosen, or nothing would be left.
    """
    some = chosen(art, which)
    if len(some) < 2 or how not in WAYS:
        raise BadInput("Choose two shapes or more to combine them.")
    areas = [area_of(art.shapes[i]) for i in some]
    made = combined(areas, how, [art.shapes[i].even_odd and art.shapes[i].fill is not None for i in some])
    if made is None:
        raise BadInput("Nothing would be left of these shapes. Choose others, or another way.")
    lowest = art.shapes[some[0]]
    fill = lowest.fill or lowest.stroke
    one = replace(lowest, d=path_text(made), fill=fill, stroke=None, even_odd=False)
    left = [one if i == some[0] else shape for i, shape in enumerate(art.shapes) if i not in some[1:]]
    return replace(art, shapes=tuple(left))


def lines_as_areas(art: Artwork, which: Sequence[int]) -> Artwork:
    """The chosen shapes' lines as areas of their own, so that they grow with the artwork."""
    some, shapes = set(chosen(art, which)), []
    for index, shape in enumerate(art.shapes):
        if index not in some or shape.stroke is None:
            shapes.append(shape)
            continue
        if shape.fill is not None:
            shapes.append(replace(shape, stroke=None))
        if (area := _line(shape)) is not None:
            shapes.append(replace(shape, d=path_text(area), fill=shape.stroke, stroke=None, gradient=None))
    return replace(art, shapes=tuple(shapes))


def clipped_by(shape: ArtShape, clips: Sequence[Outline]) -> list[ArtShape]:
    """What is seen of a shape within every clip: its fill, and its line as an area; unclipped it stays."""
    if not clips:
        return [shape]
    parts = []
    if shape.fill is not None:
        parts.append((replace(shape, stroke=None), read_outline(shape.d), shape.even_odd))
    if (line := _line(shape)) is not None:
        parts.append((replace(shape, fill=shape.stroke, stroke=None, gradient=None), line, False))
    return [
        replace(part, d=path_text(left), even_odd=False)
        for part, outline, rule in parts
        if (left := _within(outline, rule, clips)) is not None
    ]


def _within(outline: Outline, even_odd: bool, clips: Sequence[Outline]) -> Outline | None:
    left: Outline | None = outline
    for clip in clips:
        if left is None:
            break
        left = combined([left, clip], "common", [even_odd, False])
        even_odd = False
    return left


def area_of(shape: ArtShape) -> Outline:
    """All that a shape covers, its line too."""
    outline, line = read_outline(shape.d), _line(shape)
    if line is None:
        return outline
    if shape.fill is None:
        return line
    whole = combined([outline, line], "unite", [shape.even_odd, False])
    return whole if whole is not None else joined([outline, line])


def _line(shape: ArtShape) -> Outline | None:
    if shape.stroke is None:
        return None
    return line_as_area(read_outline(shape.d), shape.weight, shape.ends, shape.joins)
