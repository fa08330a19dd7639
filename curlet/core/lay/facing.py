"""Facing and mirroring: how a repeat is turned in its own place."""

from __future__ import annotations

from dataclasses import dataclass
from functools import cached_property

import numpy as np
from numpy.typing import NDArray

from curlet.core.brush.rules import Facing
from curlet.core.lay.repeats import Repeats

Floats = NDArray[np.float64]
Ints = NDArray[np.intp]
Bools = NDArray[np.bool_]


@dataclass(frozen=True, eq=False)
class Local:
    """What is done to each repeat about its own middle, before it is put on the path.

    Attributes
    ----------
    matrix : (n, 2, 2) linear part, mm to mm.
    shift : (n, 2) along and across, mm.
    shade : (n,) change of lightness, %.
    hue : (n,) turn round the hue circle, degrees.
    plain : whether nothing at all is done.
    """

    matrix: Floats
    shift: Floats
    shade: Floats
    hue: Floats
    plain: bool = False

    @cached_property
    def mirrored(self) -> Bools:
        """(n,) whether each repeat's artwork lies mirrored, so that its contours wind the other way."""
        if self.plain:
            return np.zeros(len(self.matrix), dtype=bool)
        return np.asarray(np.linalg.det(self.matrix) < 0)

    def take(self, which: Ints) -> Local:
        """That of some of the repeats."""
        return Local(self.matrix[which], self.shift[which], self.shade[which], self.hue[which], self.plain)


def still(count: int) -> Local:
    """Nothing done."""
    matrix, none = np.broadcast_to(np.eye(2), (count, 2, 2)), np.zeros(count)
    return Local(matrix, np.broadcast_to(0.0, (count, 2)), none, none, plain=True)


def rotation(degrees: Floats) -> Floats:
    """(n, 2, 2) turns, clockwise on the sheet."""
    angle = np.radians(degrees)
    cos, sin = np.cos(angle), np.sin(angle)
    return np.stack([np.stack([cos, -sin], axis=-1), np.stack([sin, cos], axis=-1)], axis=-2)


def faced(facing: Facing, repeats: Repeats, angle: Floats) -> Local:
    """Flips, alternate mirroring and turns; `angle` (n,) is the way the path runs, degrees."""
    matrix = np.broadcast_to(np.eye(2), (len(repeats), 2, 2)).copy()
    none = np.zeros(len(repeats))
    flip = np.ones((len(repeats), 2))
    if facing.end_to_end:
        flip[:, 0] *= -1
    if facing.side_to_side:
        flip[:, 1] *= -1
    if facing.mirror_alternate:
        flip[repeats.counted & (repeats.number % 2 == 1), 1] *= -1
    matrix *= flip[:, None, :]
    turn = {"along": 0.0 * angle, "level": -angle, "turned": 0.0 * angle + facing.angle}[facing.kind]
    return Local(rotation(turn) @ matrix, np.zeros((len(repeats), 2)), none, none)
