"""Figures drawn by number: paths about the origin, walked clockwise, closed ones from their top.

Arcs are cubics within 2.3e-6 of their length; a spiral's are about as near.
"""

from __future__ import annotations

import math
from collections.abc import Callable, Mapping
from dataclasses import dataclass
from functools import partial

import numpy as np
from numpy.typing import NDArray

from curlet.core.bounds import Bounds
from curlet.core.errors import BadInput
from curlet.core.path.arcs import arc_to_cubics as _arc_to_cubics
from curlet.core.path.chain import path_of_cubics
from curlet.core.path.path import Path

Floats = NDArray[np.float64]
Values = Mapping[str, float]

# Where a figure is looked at for how large it is, as shares of its length.
_AROUND = np.linspace(0, 1, 2_001)
_FLAT = 1e-9
# Cubics to each turn of a spiral.
_PER_TURN = 16


@dataclass(frozen=True)
class Setting:
    """One number of a figure: a length in mm, an angle in degrees, a count or a percentage."""

    name: str
    label: str
    form: str
    default: float
    bounds: Bounds
    whole: bool = False


@dataclass(frozen=True)
class Figure:
    """A kind of figure and how it is drawn."""

    name: str
    settings: tuple[Setting, ...]
    draw: Callable[[Values], Path]

    def values(self, given: Values) -> dict[str, float]:
        """Given numbers with the defaults of those that are not, all within bounds.

        Raises
        ------
        BadInput
            If one is out of bounds, or is none of this figure's.
        """
        strange = set(given) - {setting.name for setting in self.settings}
        if strange:
            raise BadInput(f"A {self.name.lower()} has no “{min(strange)[:32]}”.")
        found = {setting.name: float(given.get(setting.name, setting.default)) for setting in self.settings}
        for setting in self.settings:
            setting.bounds.check(found[setting.name])
            if setting.whole and found[setting.name] % 1:
                raise BadInput(f"{setting.label}: write a whole number.")
        return found

    def make(self, given: Values) -> Path:
        """The figure about the origin, sheet mm."""
        return self.draw(self.values(given))


def spanned(figure: Figure, given: Values, across: float, down: float) -> dict[str, float]:
    """A figure’s numbers so that it fills a box, mm, as it is dragged: its width and height, or a line’s
    length and direction; any other figure is as large as goes into the box.

    Examples
    --------
    >>> spanned(FIGURES["circle"], {}, 30, -20)
    {'diameter': 20.0}
    """
    names = {setting.name for setting in figure.settings}
    values = figure.values(given)
    if {"width", "height"} <= names:
        return {**values, "width": abs(across), "height": abs(down)}
    if {"length", "direction"} <= names:
        direction = math.degrees(math.atan2(down, across))
        return {**values, "length": math.hypot(across, down), "direction": direction}
    points = figure.make(given).arc.points(_AROUND * figure.make(given).length)
    wide, high = (points.max(axis=0) - points.min(axis=0)).tolist()
    larger = min(abs(across) / max(wide, _FLAT), abs(down) / max(high, _FLAT))
    lengths = {setting.name for setting in figure.settings if setting.form == "length"}
    return {name: value * (larger if name in lengths else 1.0) for name, value in values.items()}


def _mm(name: str, label: str, default: float, low: float = 0.1) -> Setting:
    return Setting(name, label, "length", default, Bounds(label, low, 10_000))


def _angle(name: str, label: str, default: float, low: float = -360, high: float = 360) -> Setting:
    return Setting(name, label, "angle", default, Bounds(label, low, high, unit="°"))


def _count(name: str, label: str, default: int, low: int, high: int = 400) -> Setting:
    return Setting(name, label, "count", default, Bounds(label, low, high, unit=""), whole=True)


def _share(name: str, label: str, default: float, low: float, high: float) -> Setting:
    return Setting(name, label, "percent", default, Bounds(label, low, high, unit="%"))


# Few nodes to a turn, so that a hand can shape them: an arc of 50 mm is drawn within 0.1 µm.
_rounded = partial(_arc_to_cubics, per_turn=8)


def _of_points(points: list[tuple[float, float]], closed: bool = True) -> Path:
    at = np.array(points, dtype=np.float64)
    return Path.make([f"n{i + 1}" for i in range(len(at))], at, at, at, closed)


def _straight(a: complex, b: complex) -> Floats:
    ends = np.array([[a.real, a.imag], [b.real, b.imag]])
    return np.array([[ends[0], (2 * ends[0] + ends[1]) / 3, (ends[0] + 2 * ends[1]) / 3, ends[1]]])


def _rectangle(v: Values) -> Path:
    w, h, r = v["width"] / 2, v["height"] / 2, min(v["radius"], v["width"] / 2, v["height"] / 2)
    if r < 1e-6:
        return _of_points([(-w, -h), (w, -h), (w, h), (-w, h)])
    corners = [complex(w - r, r - h), complex(w - r, h - r), complex(r - w, h - r), complex(r - w, r - h)]
    chain, here = [], complex(r - w, -h)
    for index, centre in enumerate(corners):
        arm = r * 1j ** (index + 3)
        if abs(centre + arm - here) > 1e-9:
            chain.append(_straight(here, centre + arm))
        chain.append(_rounded(centre, arm, 1j * arm, 0.0, math.pi / 2))
        here = centre + 1j * arm
    return path_of_cubics(np.concatenate(chain), closed=True)


def _ellipse(v: Values) -> Path:
    up, right = complex(0, -v["height"] / 2), complex(v["width"] / 2, 0)
    return path_of_cubics(_rounded(0j, up, right, 0.0, 2 * math.pi), closed=True)


def _circle(v: Values) -> Path:
    return _ellipse({"width": v["diameter"], "height": v["diameter"]})


def _round(count: int, radii: list[float]) -> list[tuple[float, float]]:
    """Points about the origin from the top, at the radii in turn."""
    angles = -math.pi / 2 + 2 * math.pi * np.arange(count) / count
    return [
        (radii[i % len(radii)] * math.cos(a), radii[i % len(radii)] * math.sin(a))
        for i, a in enumerate(angles)
    ]


def _polygon(v: Values) -> Path:
    return _of_points(_round(round(v["sides"]), [v["diameter"] / 2]))


def _star(v: Values) -> Path:
    far = v["diameter"] / 2
    return _of_points(_round(2 * round(v["points"]), [far, far * v["inner"] / 100]))


def _heart(v: Values) -> Path:
    """Two lobes that are half circles seen from the front, and sides that run straight down to the point."""
    w, h = v["width"], v["height"]
    right = np.array(
        [
            [(0.0, -0.26), (0.03, -0.43), (0.13, -0.5), (0.25, -0.5)],
            [(0.25, -0.5), (0.39, -0.5), (0.5, -0.39), (0.5, -0.24)],
            [(0.5, -0.24), (0.5, 0.0), (0.3, 0.21), (0.0, 0.5)],
        ]
    )
    left = right[::-1, ::-1] * (-1, 1)
    return path_of_cubics(np.concatenate([right, left]) * (w, h), closed=True)


def _scalloped(v: Values) -> Path:
    """Equal half circles along a ring: their ends lie on a circle of the stated diameter."""
    count, r = round(v["scallops"]), v["diameter"] / 2
    ends = [
        r * complex(math.cos(a), math.sin(a)) for a in -math.pi / 2 + 2 * math.pi * np.arange(count) / count
    ]
    chain = []
    for one, other in zip(ends, [*ends[1:], ends[0]], strict=True):
        middle, arm = (one + other) / 2, (one - other) / 2
        chain.append(_rounded(middle, arm, 1j * arm, 0.0, math.pi))
    return path_of_cubics(np.concatenate(chain), closed=True)


def _spiral(v: Values) -> Path:
    """Archimedes' spiral: the radius grows evenly with the turn, from the middle outward."""
    whole = 2 * math.pi * v["turns"]
    count = max(math.ceil(v["turns"] * _PER_TURN), 2)
    inner, outer = v["inner"] / 2, v["diameter"] / 2
    if inner >= outer:
        raise BadInput("A spiral begins nearer to its middle than it ends. Make its start smaller.")
    angles = np.linspace(0, whole, count + 1)
    radius, slope = inner + (outer - inner) * angles / whole, (outer - inner) / whole
    way = np.exp(1j * (angles - math.pi / 2))
    # Handles as long as an arc's are, for the same step of angle.
    at, rate = radius * way, (slope + 1j * radius) * way * (4 / 3 * math.tan(whole / count / 4))
    chain = np.stack([at[:-1], at[:-1] + rate[:-1], at[1:] - rate[1:], at[1:]], axis=1)
    return path_of_cubics(np.stack([chain.real, chain.imag], axis=-1), closed=False)


def _arc(v: Values) -> Path:
    if abs(v["sweep"]) < 0.01:
        raise BadInput("An arc sweeps over at least 0.01°.")
    up = complex(0, -v["diameter"] / 2)
    cubics = _rounded(0j, up, 1j * up, math.radians(v["start"]), math.radians(v["sweep"]))
    return path_of_cubics(cubics, closed=False)


def _line(v: Values) -> Path:
    half, angle = v["length"] / 2, math.radians(v["direction"])
    x, y = half * math.cos(angle), half * math.sin(angle)
    return _of_points([(-x, -y), (x, y)], closed=False)


_WIDE, _HIGH = _mm("width", "Width", 60), _mm("height", "Height", 40)
_ACROSS = _mm("diameter", "Diameter", 50)

FIGURES: dict[str, Figure] = {
    "rectangle": Figure("Rectangle", (_WIDE, _HIGH, _mm("radius", "Corner radius", 0, 0)), _rectangle),
    "circle": Figure("Circle", (_ACROSS,), _circle),
    "ellipse": Figure("Ellipse", (_WIDE, _HIGH), _ellipse),
    "polygon": Figure("Polygon", (_ACROSS, _count("sides", "Sides", 6, 3)), _polygon),
    "star": Figure(
        "Star",
        (_ACROSS, _count("points", "Points", 5, 2), _share("inner", "Inner points", 45, 1, 100)),
        _star,
    ),
    "heart": Figure("Heart", (_mm("width", "Width", 50), _mm("height", "Height", 46)), _heart),
    "scalloped": Figure("Scalloped round", (_ACROSS, _count("scallops", "Scallops", 16, 3)), _scalloped),
    "spiral": Figure(
        "Spiral",
        (
            _ACROSS,
            _mm("inner", "Begins at a diameter of", 4, 0),
            Setting("turns", "Turns", "count", 4, Bounds("Turns", 0.1, 200, unit="")),
        ),
        _spiral,
    ),
    "arc": Figure(
        "Arc", (_ACROSS, _angle("start", "Starts at", -60), _angle("sweep", "Sweeps over", 120)), _arc
    ),
    "line": Figure(
        "Straight line", (_mm("length", "Length", 80), _angle("direction", "Direction", 0)), _line
    ),
}


def figure_of(name: str) -> Figure:
    """A figure by its name; BadInput if there is none."""
    if name not in FIGURES:
        raise BadInput(f"There is no figure “{name[:32]}”. Choose one from the list.")
    return FIGURES[name]
