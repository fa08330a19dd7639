"""What lies under a corner's cut, so that no light shows along it.

Both legs end on the cut, and each covers a part of the same pixels there; where they look alike they are one
shape, but where they do not, or lie over one another, a renderer lets through some of what is behind both.
"""

from __future__ import annotations

from collections import Counter
from collections.abc import Iterator, Sequence
from dataclasses import dataclass, replace
from functools import cached_property

import numpy as np
from numpy.typing import NDArray

from curlet.core.drawing import Item, Laid, Outline, Paint, Shape, Solid, Stamps, placed
from curlet.core.lay.corners.cut import Cut, as_it_stands
from curlet.core.lay.hold.cut_rigid import shape_clipped
from curlet.core.lay.row import LaidRow
from curlet.core.path.booleans import line_as_area
from curlet.core.path.outline import boxes, clockwise, joined, starts, steps, turned_back

Floats = NDArray[np.float64]

# Wider than a pixel of anything that is looked at closely, mm.
_WIDTH = 0.8
# What ends so near to a cut ends on it, mm.
_ON_CUT = 0.02


@dataclass(frozen=True)
class _Placed:
    """A shape as it lies, with the boxes of its contours."""

    shape: Shape
    low: Floats
    high: Floats

    def within(self, low: Floats, high: Floats) -> Outline | None:
        """The contours that come within a box."""
        near = np.asarray((self.high > low).all(axis=1) & (self.low < high).all(axis=1))
        if not near.any():
            return None
        commands, counts = steps(self.shape.outline)
        kept = near[np.cumsum(commands == ord("M")) - 1]
        text = commands[kept].tobytes().decode()
        return Outline(text, self.shape.outline.points[np.repeat(kept, counts)])


class _Everything:
    """The shapes of items but for their details, to be asked for what of them comes near a place."""

    def __init__(self, items: Sequence[Item]) -> None:
        self._items = items

    def within(self, low: Floats, high: Floats) -> Iterator[Shape]:
        """What may come within a box: of each shape, the contours that do."""
        for placed_shape in self._laid:
            outline = placed_shape.within(low, high)
            if outline is not None:
                yield replace(placed_shape.shape, outline=outline)
        for shape, points in self._stamped:
            hit = (points.max(axis=1) > low).all(axis=1) & (points.min(axis=1) < high).all(axis=1)
            for there in points[hit]:
                yield replace(shape, outline=Outline(shape.outline.commands, there))

    @cached_property
    def _laid(self) -> list[_Placed]:
        shapes = [shape for item in self._items if isinstance(item, Laid) for shape in item.shapes]
        some = [shape for shape in shapes if len(shape.outline.points) and not shape.is_detail]
        return [_Placed(shape, *boxes(shape.outline)) for shape in some]

    @cached_property
    def _stamped(self) -> list[tuple[Shape, Floats]]:
        """Each shape of stamps, and (n, m, 2) its points wherever it is stamped."""
        stamps = [item for item in self._items if isinstance(item, Stamps)]
        return [
            (shape, placed(shape.outline.points, item.placements))
            for item in stamps
            for shape in item.shapes
            if not shape.is_detail
        ]


def under_cuts(row: LaidRow, items: Sequence[Item], *, as_one: bool) -> list[Item]:
    """Under each corner that cuts a row, a strip along the cut of just what the row's items cover there.

    Parameters
    ----------
    as_one : whether what looks alike on both legs is one shape: then corners at which only such parts meet
        need no strip.
    """
    found = []
    everything = _Everything(items)
    for room in row.rooms:
        cut = row.cuts.get((room.leg, True))
        if cut is None or not room.stop.cut or room.stop.folded or len(cut.heights) < 2:
            continue
        points = row.line.frames(cut.places, np.full(len(cut.places), room.leg)).beside(cut.heights)
        strip = _strip(points, as_it_stands(cut, row.line, room.leg), everything, as_one)
        if strip is not None:
            found.append(strip)
    return [Laid(tuple(found))] if found else []


def _strip(line: Floats, cut: Cut, everything: _Everything, as_one: bool) -> Shape | None:
    """A strip along a cut's line; None where none is needed, or it would show through."""
    near = list(everything.within(line.min(axis=0) - _WIDTH, line.max(axis=0) + _WIDTH))
    paints = [paint for shape in near for paint in _paints(shape)]
    if len(paints) < 2 or not all(isinstance(paint, Solid) and paint.opacity == 1 for paint in paints):
        return None
    if as_one and _alike_on(cut, near):
        return None
    areas = [area for shape in near if not shape.even_odd for area in _areas(shape, cut)]
    if not areas:
        return None
    (most, _), *_ = Counter(paints).most_common(1)
    everything_near = Shape(joined(areas), most)
    half = _WIDTH / 2
    begins = replace(cut, at_end=False, places=cut.places - half)
    ends = replace(cut, places=cut.places + half)
    return next(shape_clipped(everything_near, (begins, ends)), None)


def _alike_on(cut: Cut, shapes: Sequence[Shape]) -> bool:
    """Whether parts that look alike meet all along a cut."""
    sides: dict[object, tuple[list[float], list[float]]] = {}
    for shape in shapes:
        past, height = _about(cut, shape.outline.points)
        for contour in np.split(np.arange(len(past)), starts(shape.outline)[1:]):
            on = contour[np.abs(past[contour]) < _ON_CUT]
            if len(on):
                before, after = sides.setdefault((shape.fill, shape.stroke), ([], []))
                (after if past[contour].mean() > 0 else before).extend(height[on].tolist())
    return all(_near_all(*each) and _near_all(*each[::-1]) for each in sides.values())


def _near_all(some: list[float], others: list[float]) -> bool:
    """Whether each of some heights is one of the others too."""
    return all(min((abs(a - b) for b in others), default=1.0) < _ON_CUT for a in some)


def _about(cut: Cut, points: Floats) -> tuple[Floats, Floats]:
    """How far points lie past a cut, and their heights along it, mm."""
    up, there = np.array([-cut.along[1], cut.along[0]]), points - cut.corner
    height = np.asarray(there @ up)
    return -cut.inside(there @ cut.along + cut.s, height), height


def _areas(shape: Shape, cut: Cut) -> Iterator[Outline]:
    """What a shape covers, clockwise, where it may lie on the strip along a cut."""
    past, _ = _about(cut, shape.outline.points)
    weight = shape.stroke.weight if shape.stroke else 0.0
    if past.min() - weight > _WIDTH / 2 or past.max() + weight < -_WIDTH / 2:
        return
    if shape.fill is not None:
        yield shape.outline if clockwise(shape.outline) else turned_back(shape.outline)
    if shape.stroke is not None:
        area = line_as_area(shape.outline, weight, shape.stroke.ends, shape.stroke.joins, shape.stroke.dashes)
        if area is not None:
            yield area if clockwise(area) else turned_back(area)


def _paints(shape: Shape) -> list[Paint]:
    paints = shape.fill, shape.stroke.paint if shape.stroke else None
    return [paint for paint in paints if paint is not None]
