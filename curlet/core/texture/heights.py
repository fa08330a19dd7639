"""How high what is drawn stands: the steps of its relief, as they are drawn, each at its own height."""

from __future__ import annotations

from collections.abc import Iterable, Iterator, Sequence
from dataclasses import dataclass, replace

import numpy as np
import shapely
from shapely.geometry.base import BaseGeometry

from curlet.core.drawing import Group, Item, Laid, Outline, Shape, Stamps, Stroke, placed
from curlet.core.path.flat import flat

_STILL = np.array([[1.0, 0, 0, 1, 0, 0]])
# What stands less high than this share of the highest is a detail, as in relief: it lies on what it is drawn
# over and takes nothing away from that.
_DETAIL = 0.3
# So is what lies within something about as high and takes up most of it: the face of a bead.
_FACE, _AS_HIGH, _WITHIN = 0.5, 0.6, 0.95
# What others cover by more than this share is what they lie on: the core of a rope, seen in its grooves.
_COVERED = 0.6
_WITHIN_MM = 0.02


@dataclass(frozen=True)
class Step:
    """An area, or a line of a weight, that stands so many mm above the cloth."""

    outline: Outline
    height: float
    stroke: Stroke | None = None
    even_odd: bool = False


@dataclass(frozen=True)
class Raised:
    """One thing in relief, from its edge to its top; a `detail` is seen only where it is higher than what it
    lies on, all else wherever it is painted."""

    steps: tuple[Step, ...]
    detail: bool = False

    @property
    def height(self) -> float:
        """Of its top, mm."""
        return self.steps[-1].height


def heights_of(items: Iterable[Item]) -> list[Raised]:
    """Everything in relief in a drawing that is lit from straight above, in painting order. Pictures and what
    is flat say nothing of their depth; what is covered by others is as low as the cloth."""
    found = [Raised(tuple(steps)) for steps in _stacks(_steps(items))]
    least = _DETAIL * max((one.height for one in found), default=0.0)
    sized = [replace(one, detail=one.height < least) for one in found]
    return _uncovered(sized)


def _uncovered(found: Sequence[Raised]) -> list[Raised]:
    """Things without the relief of what others lie on, and with faces as details."""
    solid = {
        at: _area(one.steps[0]) for at, one in enumerate(found) if not one.detail and not one.steps[0].stroke
    }
    places = [at for at, area in solid.items() if area.area > 0]
    tree = shapely.STRtree([solid[at] for at in places])
    kept, faces = list(found), set[int]()
    for place, at in enumerate(places):
        area, covering = solid[at], []
        for other in sorted(places[near] for near in tree.query(area, "intersects") if near > place):
            if _is_face(solid[other], found[other], area, found[at]):
                faces.add(other)
            else:
                covering.append(solid[other])
        covered = shapely.intersection(shapely.union_all(covering), area).area if covering else 0.0
        if covered > _COVERED * area.area:
            kept[at] = Raised(tuple(replace(step, height=0.0) for step in found[at].steps[:1]))
    return [replace(one, detail=True) if at in faces else one for at, one in enumerate(kept)]


def _is_face(inner: BaseGeometry, one: Raised, outer: BaseGeometry, other: Raised) -> bool:
    if inner.area < _FACE * outer.area or one.height < _AS_HIGH * other.height:
        return False
    return bool(shapely.intersection(inner, outer).area > _WITHIN * inner.area)


def _area(step: Step) -> BaseGeometry:
    return flat(step.outline, _WITHIN_MM).polygon(step.even_odd)


def _stacks(steps: Iterable[Step]) -> Iterator[list[Step]]:
    """Steps by the thing that they are of: each begins at its edge, on the cloth."""
    stack: list[Step] = []
    for step in steps:
        if step.height == 0 and stack:
            yield stack
            stack = []
        stack.append(step)
    if stack:
        yield stack


def _steps(items: Iterable[Item]) -> Iterator[Step]:
    for item in items:
        if isinstance(item, Group):
            yield from _steps(item.items)
        elif isinstance(item, Laid | Stamps):
            for at in item.placements if isinstance(item, Stamps) else _STILL:
                for shape in item.shapes:
                    if shape.height is not None:
                        yield _there(shape, shape.height, at)


def _there(shape: Shape, height: float, at: np.ndarray) -> Step:
    outline = Outline(shape.outline.commands, placed(shape.outline.points, at[None])[0])
    return Step(outline, height, None if shape.fill is not None else shape.stroke, shape.even_odd)
