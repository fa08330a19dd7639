"""Mitre: both legs run on and are cut on the bisector."""

from __future__ import annotations

import math
from dataclasses import dataclass

import numpy as np
from numpy.typing import NDArray

from curlet.core.drawing import Outline
from curlet.core.lay.corners.manner import CornerAsk, Turning
from curlet.core.lay.corners.plain import Unshaped
from curlet.core.lay.frames import LegLine

Floats = NDArray[np.float64]


@dataclass(frozen=True)
class Mitre(Unshaped):
    """A fibre at height y is cut at x = −y·tan(τ/2), in mid-gap, so that both legs are cut at the same
    point of the repeat. Past the mitre limit, a flat cut."""

    label: str = "Mitre"
    done: str = "mitred"
    settings: tuple[str, ...] = ("mitre_limit",)
    breaks: bool = True
    sharp: bool = True

    def turning(self, ask: CornerAsk) -> Turning:
        return Turning(cut=True, gap=0.5)


def half_plane(line: LegLine, leg: int, *, at_end: bool, far: float) -> Outline:
    """The side of the bisector that a leg lies on, at its end or its start, as a large square."""
    other = (leg + 1 if at_end else leg - 1) % len(line.legs)
    ours, theirs = (line.ends, line.begins) if at_end else (line.begins, line.ends)
    corner, way = ours.point[leg], ours.along[leg]
    onward = way + theirs.along[other]
    size = np.hypot(*onward)
    onward = onward / size if size > 1e-9 else way
    bisector = np.array([-onward[1], onward[0]])
    back = -onward if at_end else onward
    square = [corner + far * bisector, corner - far * bisector]
    points = np.array([*square, square[1] + 2 * far * back, square[0] + 2 * far * back])
    return Outline("MLLLZ", points)


def under_fold(line: LegLine, leg: int, far: float, offset: float, reach: float) -> tuple[Outline, Outline]:
    """Where a leg shows under a fold at its end: past the bisector, and within its neighbour's far edge.

    Two clips, each a large square: the one takes what lies past the bisector, the other what lies
    within the outer edge of the leg that goes on, `reach` beside its own line.
    """
    other = (leg + 1) % len(line.legs)
    past = half_plane(line, other, at_end=False, far=far)
    corner, on = line.begins.point[other], line.begins.along[other]
    along = line.ends.along[leg]
    right = np.array([-on[1], on[0]])
    side = 1.0 if float(right @ along) > 0 else -1.0
    out = side * right
    edge = corner + out * (reach + side * offset)
    square = [edge + far * on, edge - far * on]
    points = np.array([*square, square[1] - 2 * far * out, square[0] - 2 * far * out])
    return past, Outline("MLLLZ", points)


def crease(line: LegLine, leg: int, offset: float, reach: float) -> Outline:
    """The fold itself: from the inner corner to the outer one, at a leg's end."""
    corner = line.legs[leg].end
    half = math.tan(math.radians(corner.turn if corner else 0.0) / 2)
    ends = [
        line.ends.point[leg] + q * line.ends.across[leg] - q * half * line.ends.along[leg]
        for q in (offset - reach, offset + reach)
    ]
    return Outline("ML", np.array(ends))
