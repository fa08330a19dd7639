"""Cutting a cell's shapes square across: what is kept lies between two places along it."""

from __future__ import annotations

from collections.abc import Iterator
from dataclasses import replace
from itertools import groupby

import numpy as np
from numpy.typing import NDArray

from curlet.core.drawing import Outline, Shape
from curlet.core.path.contours import contours
from curlet.core.path.cubics import cut_where

Floats = NDArray[np.float64]

_AXES = np.eye(2)
_FAR = 1e9


def part_of(shape: Shape, low: float, high: float) -> Iterator[Shape]:
    """A cell's shape between two places along it: its fill cut square, its lines cut short."""
    if shape.fill is not None:
        yield replace(shape, outline=clipped(shape.outline, low, high), stroke=None)
    if shape.stroke is not None and (outline := shortened(shape.outline, low, high)) is not None:
        yield replace(shape, outline=outline, fill=None)


def clipped(outline: Outline, low: float, high: float, axis: int = 0) -> Outline:
    """A filled outline between two places along (axis 0) or across (axis 1): what lies outside is laid
    flat on the cut, where it encloses nothing."""
    chains = [
        [part if _inside(part, low, high, axis) else _flat(part, low, high, axis) for part in parts]
        for parts in _cut(outline, low, high, axis)
    ]
    return _outline(chains, "Z")


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
    cut = shortened if line else clipped
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
    middle = float(cubic[:, axis] @ (0.125, 0.375, 0.375, 0.125))
    return low <= middle <= high


def _flat(cubic: Floats, low: float, high: float, axis: int) -> Floats:
    flat = cubic.copy()
    flat[:, axis] = np.clip(flat[:, axis], low, high)
    return flat


def _outline(chains: list[list[Floats]], end: str) -> Outline:
    points = [np.concatenate([chain[0][:1], *(part[1:] for part in chain)]) for chain in chains]
    return Outline("".join("M" + "C" * len(chain) + end for chain in chains), np.concatenate(points))
