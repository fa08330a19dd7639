"""Cutting a cell's shapes square across: what is kept lies between two places along it."""

from __future__ import annotations

from collections.abc import Iterator
from dataclasses import replace
from functools import partial
from itertools import groupby

import numpy as np
from numpy.typing import NDArray

from curlet.core.drawing import Outline, Shape
from curlet.core.path.contours import contours
from curlet.core.path.cubics import cut_where, straight
from curlet.core.path.runs import joined_along, kept_runs

Floats = NDArray[np.float64]

_AXES = np.eye(2)
_FAR = 1e9
_MIDDLE = np.array([0.125, 0.375, 0.375, 0.125])


def part_of(shape: Shape, low: float, high: float) -> Iterator[Shape]:
    """A cell's shape between two places along it: its fill cut square, its lines cut short."""
    if (
        shape.fill is not None
        and (area := clipped(shape.outline, low, high, even_odd=shape.even_odd)) is not None
    ):
        yield replace(shape, outline=area, stroke=None)
    if shape.stroke is not None and (outline := shortened(shape.outline, low, high)) is not None:
        yield replace(shape, outline=outline, fill=None)


def clipped(
    outline: Outline, low: float, high: float, axis: int = 0, *, even_odd: bool = False
) -> Outline | None:
    """A filled outline between two places along (axis 0) or across (axis 1), None if nothing of it is."""
    closed = [part.cubics if part.closed else _closed(part.cubics) for part in contours(outline)]
    for place, after in ((low, True), (high, False)):
        closed = _beyond(closed, place, axis, even_odd, after=after)
    return _outline([list(cubics) for cubics in closed], "Z") if closed else None


def _beyond(chains: list[Floats], place: float, axis: int, even_odd: bool, *, after: bool) -> list[Floats]:
    """Closed contours on one side of a place, each closed along it."""
    whole: list[Floats] = []
    runs: list[list[Floats]] = []
    for cubics in chains:
        pieces = [part for cubic in cubics for part in cut_where(cubic, _AXES[axis], np.array([place]))]
        middles = np.array([part[:, axis] @ _MIDDLE for part in pieces]) - place
        kept = middles > 0 if after else middles < 0
        if kept.all():
            whole.append(cubics)
        else:
            runs += kept_runs(pieces, kept)
    # Runs are matched by their height, here the place across the cut.
    turn = slice(None, None, 1 if axis == 0 else -1)
    turned = [[part[:, turn] for part in run] for run in runs]
    joined = joined_along(turned, lambda here, there: [straight(here, there)], even_odd=even_odd)
    return [*whole, *(cubics[..., turn] for cubics in joined)]


def _closed(cubics: Floats) -> Floats:
    a, b = cubics[-1, 3], cubics[0, 0]
    return cubics if np.array_equal(a, b) else np.concatenate([cubics, straight(a, b)[None]])


def shortened(outline: Outline, low: float, high: float, axis: int = 0) -> Outline | None:
    """The parts of a line between two places, None if there are none."""
    chains = [
        list(run)
        for parts in _cut(outline, low, high, axis)
        for kept, run in groupby(parts, key=lambda part: _inside(part, low, high, axis))
        if kept
    ]
    return _outline(chains, "") if chains else None


def quarter(
    outline: Outline, length: float, *, right: bool, upper: bool, lap: float = 0.0, line: bool = False
) -> Outline:
    """A quarter of what is drawn about a cell's middle, and `lap` mm of its neighbours."""
    half = length / 2
    cut = shortened if line else partial(clipped, even_odd=True)
    beside = cut(outline, half - lap if right else -_FAR, _FAR if right else half + lap)
    found = beside and cut(beside, -_FAR if upper else -lap, lap if upper else _FAR, 1)
    assert found is not None
    return found


def _cut(outline: Outline, low: float, high: float, axis: int) -> list[list[Floats]]:
    at = np.array([low, high])
    return [
        [part for cubic in contour.cubics for part in cut_where(cubic, _AXES[axis], at)]
        for contour in contours(outline)
    ]


def _inside(cubic: Floats, low: float, high: float, axis: int) -> bool:
    """Whether a segment that neither cut passes lies between them."""
    middle = float(cubic[:, axis] @ _MIDDLE)
    return low <= middle <= high


def _outline(chains: list[list[Floats]], end: str) -> Outline:
    points = [np.concatenate([chain[0][:1], *(part[1:] for part in chain)]) for chain in chains]
    return Outline("".join("M" + "C" * len(chain) + end for chain in chains), np.concatenate(points))
