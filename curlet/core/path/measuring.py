"""What the Measure tool tells: distances, angles, radii."""

from __future__ import annotations

import math
from dataclasses import dataclass

import numpy as np
from numpy.typing import NDArray

from curlet.core.errors import BadInput
from curlet.core.path import edit
from curlet.core.path.path import Path

Floats = NDArray[np.float64]
Spot = tuple[float, float]
# A point between two nodes, and how far from the first to the second, 0 to 1 of the length between them.
Anchor = tuple[str, str, float]

_SAMPLES = 200


@dataclass(frozen=True, eq=False)
class Measured:
    """A measurement: a length in sheet mm or an angle in degrees, and the line that shows it, (n, 2) mm."""

    value: float
    angle: bool
    line: Floats


def straight(start: Spot, finish: Spot) -> Measured:
    """The distance between two places."""
    return Measured(math.dist(start, finish), False, np.array([start, finish], dtype=np.float64))


def along(path: Path, start: float, finish: float) -> Measured:
    """The distance between two arc lengths of a path, mm; the shorter way on a closed one."""
    a, b = sorted((start, finish))
    far = b - a
    places = np.linspace(a, b, _SAMPLES)
    if path.closed and path.length - far < far:
        far = path.length - far
        places = np.linspace(b, b + far, _SAMPLES) % path.length
    return Measured(far, False, path.arc.points(places))


def angle(one: Spot, corner: Spot, other: Spot) -> Measured:
    """The angle at a corner between two places, 0° to 180°.

    Raises
    ------
    BadInput
        If a place lies on the corner.

    >>> round(angle((10, 0), (0, 0), (0, 5)).value, 6)
    90.0
    """
    a, b = np.subtract(one, corner), np.subtract(other, corner)
    if min(np.hypot(*a), np.hypot(*b)) < 1e-9:
        raise BadInput("An angle needs two places apart from its corner.")
    turn = math.degrees(abs(math.atan2(a[0] * b[1] - a[1] * b[0], float(a @ b))))
    return Measured(turn, True, np.array([one, corner, other], dtype=np.float64))


def radius(one: Spot, other: Spot, third: Spot) -> Measured:
    """The radius of the circle through three places: R = abc / 4K (the circumradius of a triangle).

    Raises
    ------
    BadInput
        If they lie on one line.
    """
    a, b, c = math.dist(other, third), math.dist(one, third), math.dist(one, other)
    area = abs((other[0] - one[0]) * (third[1] - one[1]) - (other[1] - one[1]) * (third[0] - one[0])) / 2
    if area < 1e-9 * max(a, b, c, 1e-9) ** 2:
        raise BadInput("These places lie on one line, so no circle goes through them. Choose others.")
    return Measured(a * b * c / (4 * area), False, np.array([one, other, third], dtype=np.float64))


def radius_at(path: Path, s: float) -> Measured:
    """The radius of a path at an arc length, mm.

    Raises
    ------
    BadInput
        If it is straight there.
    """
    bend = float(path.arc.curvature(np.array([s]))[0])
    if abs(bend) < 1e-9:
        raise BadInput("The path is straight here, so it has no radius.")
    at, along_it = path.arc.points([s])[0], path.arc.tangents([s])[0]
    middle = at + np.array([-along_it[1], along_it[0]]) / bend
    return Measured(1 / abs(bend), False, np.array([middle, at]))


def anchored(path: Path, near: Spot) -> Anchor:
    """The point of a path nearest to a place, by the nodes that it lies between."""
    segment, _ = edit.nearest(path, near)
    s, positions = edit.nearest_length(path, near), path.node_positions
    share = (s - positions[segment]) / (positions[segment + 1] - positions[segment] or 1.0)
    ids = path.node_ids
    return ids[segment], ids[(segment + 1) % len(ids)], min(max(float(share), 0.0), 1.0)


def length_at(path: Path, anchor: Anchor) -> float:
    """The arc length of an anchored point, mm, however the path was edited since.

    Raises
    ------
    BadInput
        If one of its two nodes is gone.
    """
    before, after, share = anchor
    if not {before, after} <= set(path.node_ids):
        raise BadInput("A node that this was measured from is gone. Measure it again.")
    i, j = path.node_index(before), path.node_index(after)
    a, b = float(path.node_positions[i]), float(path.node_positions[j])
    if not path.closed:
        return a + share * (b - a)
    count = len(path.node_ids)
    ahead, back = (b - a) % path.length or path.length, (a - b) % path.length or path.length
    forward = j == (i + 1) % count or (i != (j + 1) % count and ahead <= back)
    return float(path.arc.wrap(a + share * ahead if forward else a - share * back))
