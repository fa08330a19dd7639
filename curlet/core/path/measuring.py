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


def along(path: Path, start: Spot, finish: Spot) -> Measured:
    """The distance along a path between the points of it nearest to two places, the shorter way on a closed
    one."""
    a, b = sorted(edit.nearest_length(path, spot) for spot in (start, finish))
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


def radius_at(path: Path, near: Spot) -> Measured:
    """The radius of a path where it comes nearest to a place.

    Raises
    ------
    BadInput
        If it is straight there.
    """
    s = edit.nearest_length(path, near)
    bend = float(path.arc.curvature(np.array([s]))[0])
    if abs(bend) < 1e-9:
        raise BadInput("The path is straight here, so it has no radius.")
    at, along_it = path.arc.points([s])[0], path.arc.tangents([s])[0]
    middle = at + np.array([-along_it[1], along_it[0]]) / bend
    return Measured(1 / abs(bend), False, np.array([middle, at]))
