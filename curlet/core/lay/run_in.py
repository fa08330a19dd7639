"""Shapes of artwork that go on from one another, painted as one."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import replace

import numpy as np

from curlet.core.drawing import Shape, Solid
from curlet.core.path.outline import clockwise, joined, turned_back

# Points so near to one another meet, mm.
_MEET = 0.02


def run_in(shapes: Sequence[Shape], more: Sequence[Shape]) -> list[Shape]:
    """Shapes of artwork that lies beside other artwork, painted with what they go on from of it, so that
    no seam shows where the two meet. Both keep their own order."""
    found, at = list(shapes), 0
    for shape in more:
        place = next((i for i in range(at, len(found)) if _goes_on(found[i], shape)), None)
        if place is None:
            found.insert(at, shape)
            at += 1
        else:
            found[place] = together([found[place], _wound_as(shape, found[place])])
            at = place + 1
    return found


def _goes_on(one: Shape, other: Shape) -> bool:
    """Whether two shapes look alike and meet in a point."""
    looks = [(s.fill, s.stroke, s.even_odd, s.move, s.seen, s.stands) for s in (one, other)]
    if looks[0] != looks[1] or graded(one):
        return False
    there, points = other.outline.points, one.outline.points
    low, high = there.min(axis=0) - _MEET, there.max(axis=0) + _MEET
    near = points[((points > low) & (points < high)).all(axis=1)]
    return bool((np.abs(near[:, None] - there[None]).max(axis=2, initial=0.0) < _MEET).any())


def _wound_as(shape: Shape, other: Shape) -> Shape:
    """A shape that runs the way of the other: where they overlap, neither cuts the other."""
    if shape.fill is None or shape.even_odd or clockwise(shape.outline) == clockwise(other.outline):
        return shape
    return replace(shape, outline=turned_back(shape.outline))


def together(shapes: Sequence[Shape]) -> Shape:
    """Shapes that look alike as one."""
    if len(shapes) == 1:
        return shapes[0]
    return replace(shapes[0], outline=joined([shape.outline for shape in shapes]))


def graded(shape: Shape) -> bool:
    """Whether it has a gradient."""
    paints = (shape.fill, shape.stroke and shape.stroke.paint)
    return any(paint is not None and not isinstance(paint, Solid) for paint in paints)
