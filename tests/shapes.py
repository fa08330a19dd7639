"""Paths for tests, and strategies that make them."""

from __future__ import annotations

import math

import numpy as np
from hypothesis import strategies as st

from curlet.core.errors import BadInput
from curlet.core.path import Path
from curlet.core.path.arcs import arc_to_cubics
from curlet.core.path.chain import chain_to_path
from curlet.core.path.parallel import path_of_cubics


def polyline(*points: tuple[float, float], closed: bool = False) -> Path:
    """Straight segments through points."""
    array = np.array(points, dtype=float)
    return Path.make([f"n{i}" for i in range(1, len(points) + 1)], array, array, array, closed)


def line(length: float) -> Path:
    return polyline((0.0, 0.0), (length, 0.0))


def square(side: float) -> Path:
    """Clockwise on the sheet from its top left."""
    return polyline((0, 0), (side, 0), (side, side), (0, side), closed=True)


def star(reach: float, valley: float, points: int = 5) -> Path:
    """A star about (0, 0), its first point up."""
    turn = np.exp(1j * np.pi * (np.arange(2 * points) / points - 0.5))
    spokes = turn * np.resize([reach, valley], 2 * points)
    return polyline(*((s.real, s.imag) for s in spokes), closed=True)


def turn(degrees: float, leg: float = 40.0) -> Path:
    """Two legs with one turn, clockwise on the sheet where positive."""
    angle = math.radians(degrees)
    return polyline((0, 0), (leg, 0), (leg + leg * math.cos(angle), leg * math.sin(angle)))


def ellipse(a: float, b: float) -> Path:
    return chain_to_path(arc_to_cubics(0j, complex(a), complex(0, b), 0.0, 2 * math.pi), True)


def circle(radius: float) -> Path:
    return ellipse(radius, radius)


def arc(radius: float, length: float, start: tuple[float, float], way: float) -> list[np.ndarray]:
    """Cubics of an arc that begins at a place the way `way` degrees; a straight line where radius is 0."""
    origin, angle = complex(*start), math.radians(way)
    if not radius:
        end = origin + length * complex(math.cos(angle), math.sin(angle))
        a, b = np.array(start), np.array([end.real, end.imag])
        return [np.array([a, (2 * a + b) / 3, (a + 2 * b) / 3, b])]
    inward = 1j * complex(math.cos(angle), math.sin(angle)) * math.copysign(1, radius)
    centre = origin + abs(radius) * inward
    arm = origin - centre
    return list(arc_to_cubics(centre, arm, 1j * arm, 0.0, length / radius))


def two_legs(first: float, second: float, degrees: float, leg: float = 45.0) -> Path:
    """Two legs of those radii (0 straight, above 0 bending clockwise), with a turn of so many degrees."""
    before = arc(first, leg, (80.0, 80.0), 0.0)
    way = math.degrees(leg / first) if first else 0.0
    return path_of_cubics([*before, *arc(second, leg, tuple(before[-1][3]), way + degrees)], closed=False)


def moved(path: Path, x: float, y: float) -> Path:
    """The same path elsewhere."""
    by = np.array([x, y])
    return Path.make(path.node_ids, path.points + by, path.into + by, path.out + by, path.closed)


def cubic(*control: tuple[float, float]) -> Path:
    """A chain of cubics: 3k + 1 control points."""
    points = np.array(control, dtype=float)
    return chain_to_path(np.stack([points[i : i + 4] for i in range(0, len(points) - 3, 3)]), False)


def wave(segments: int, length: float) -> Path:
    """An open winding path of curved segments, the same every time."""
    rng = np.random.default_rng(7)
    x = np.linspace(0, length, 3 * segments + 1)
    y = rng.uniform(-0.12, 0.12, len(x)) * length / segments
    path = chain_to_path(
        np.stack([np.column_stack([x, y])[3 * i : 3 * i + 4] for i in range(segments)]), False
    )
    grown = length / path.length
    return Path.make(path.node_ids, path.points * grown, path.into * grown, path.out * grown, False)


def _heart(lean: float) -> Path:
    """A heart 50 mm wide whose notch has its handles so far to the sides, 10 mm above it."""
    return Path.make(
        ["point", "left", "lobe", "notch", "other", "right"],
        np.array([(25.0, 48), (0, 17), (12, 2), (25, 14), (38, 2), (50, 17)]),
        np.array([(31.0, 43), (0, 26), (5, 2), (25 - lean, 4), (32, 2), (50, 9)]),
        np.array([(19.0, 43), (0, 9), (18, 2), (25 + lean, 4), (45, 2), (50, 26)]),
        closed=True,
    )


# Hearts whose notches turn 157° and 180°.
HEART, UPRIGHT_HEART = _heart(2.0), _heart(0.0)

_COORDINATE = st.floats(-100, 100, allow_nan=False).map(lambda x: round(x, 3))
_POINT = st.tuples(_COORDINATE, _COORDINATE)


@st.composite
def paths(draw: st.DrawFn, most: int = 6) -> Path:
    """Open and closed paths, straight and curved, self-crossing, with cusps and retracted handles."""
    count = draw(st.integers(2, most))
    points = np.array(draw(st.lists(_POINT, min_size=count, max_size=count)))
    kinds = draw(st.lists(st.sampled_from(["bare", "curved", "into"]), min_size=count, max_size=count))
    shifts = np.array(draw(st.lists(_POINT, min_size=2 * count, max_size=2 * count)))
    bent_into = np.array([kind in ("curved", "into") for kind in kinds])[:, None]
    bent_out = np.array([kind == "curved" for kind in kinds])[:, None]
    into = points + np.where(bent_into, shifts[:count] / 3, 0)
    out = points + np.where(bent_out, shifts[count:] / 3, 0)
    closed = draw(st.booleans())
    try:
        return Path.make([f"n{i}" for i in range(1, count + 1)], points, into, out, closed)
    except BadInput:
        return line(10.0)
