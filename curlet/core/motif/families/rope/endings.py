"""Rope's end pieces: wrapped, cut, knotted, eye."""

from __future__ import annotations

from dataclasses import dataclass
from typing import ClassVar

import numpy as np

from curlet.core.measures import Measure, Scale
from curlet.core.motif.families.base import About, Family
from curlet.core.motif.motif import Motif
from curlet.core.outlines import box, curve, disc, ribbon, together
from curlet.core.settings import choice, count, measure

# Past the threads of a two-ply cord.
_WHIPPING = 3


@dataclass(frozen=True)
class WrappedEnd(Family):
    """A whipping: turns of a thread of its own round the rope's end. The rope meets it at its entry edge."""

    diameter: Measure = measure(8.0, "Diameter", 0.5, 200, "as the rope's")
    length: Measure = measure(10.0, "Length", 0.5, 200, "one to one and a half diameters is usual")
    turns: int = count(6, "Turns", 2, 40, "six to ten are usual")
    side: str = choice("end", "Placed at", "end", "start")

    about: ClassVar[About] = About(
        "Wrapped end", "rope", "whipping", "common practice", (3.0, 40.0), piece=True,
        threads=("#dcc594", "#c8553d"), cell="length",
    )  # fmt: skip

    def make(self, scale: Scale) -> Motif:
        m, pen = self.begin(scale)
        h = m.diameter / 2
        pen.fill(box(0, -h, pen.length, h))
        wrap = 0.8 * pen.length
        x0 = (0.04 if m.side == "end" else 0.16) * pen.length
        step = wrap / m.turns
        for turn in range(m.turns):
            a = x0 + turn * step
            pen.fill(box(a, -1.06 * h, a + step * 0.96, 1.06 * h), _WHIPPING, (0.0, -8.0)[turn % 2])
        return pen.motif(m.diameter * 1.06)


@dataclass(frozen=True)
class CutEnd(Family):
    """Fibres fanned out where the rope was cut."""

    diameter: Measure = measure(8.0, "Diameter", 0.5, 200, "as the rope's")
    length: Measure = measure(12.0, "Length", 0.5, 200, "one to two diameters is usual")
    fibres: int = count(11, "Fibres", 3, 60, "enough to cover the end")
    side: str = choice("end", "Placed at", "end", "start")

    about: ClassVar[About] = About(
        "Cut end", "rope", "frayed end", "common practice", (3.0, 40.0), piece=True,
        threads=("#dcc594",), cell="length",
    )  # fmt: skip

    def make(self, scale: Scale) -> Motif:
        m, pen = self.begin(scale)
        h, length = m.diameter / 2, pen.length
        away = m.side == "end"
        thick = m.diameter / m.fibres * 1.25
        for index in range(m.fibres):
            u = (index + 0.5) / m.fibres * 2 - 1
            reach = length * (0.72 + 0.26 * abs(np.sin(2.4 * index + 0.6)))
            x = np.array([0, 0.4 * reach, reach])
            y = np.array([u * h * (1 - 1 / m.fibres), 1.08 * u * h, 1.5 * u * h])
            points = np.stack([x if away else length - x, y], axis=1)
            pen.fill(
                ribbon(points, thick * np.array([1.0, 0.9, 0.35])), lighter=(-12.0, 0.0, -6.0)[index % 3]
            )
        return pen.motif(m.diameter * 1.5)


@dataclass(frozen=True)
class Knot(Family):
    """A stopper knot at the rope's end."""

    diameter: Measure = measure(8.0, "Rope's diameter", 0.5, 200, "as the rope's")
    side: str = choice("end", "Placed at", "end", "start")

    about: ClassVar[About] = About(
        "Knot", "rope", "overhand stopper", "common practice", (3.0, 60.0), piece=True, threads=("#dcc594",),
    )  # fmt: skip

    def natural(self, scale: Scale) -> float:
        return 2.6 * self.diameter.drawn(scale)

    def make(self, scale: Scale) -> Motif:
        m, pen = self.begin(scale)
        d, length = m.diameter, pen.length
        flip = 1.0 if m.side == "end" else -1.0

        def at(points: list[tuple[float, float]]) -> np.ndarray:
            found: np.ndarray = np.array(points) * float(d)
            found[:, 0] = found[:, 0] if flip > 0 else length - found[:, 0]
            return found

        pen.fill(ribbon(at([(1.3, 0.1), (1.9, 0.25), (2.5, 0.42)]), d * 0.8), lighter=-8)
        pen.fill(ribbon(at([(0, 0), (0.5, 0), (1.0, -0.1)]), d))
        for points, shade in (
            ([(0.75, 0.75), (1.0, 0.1), (1.5, -0.55), (1.85, -0.6)], -8.0),
            ([(0.6, -0.55), (0.95, -0.75), (1.5, -0.2), (1.75, 0.55), (1.4, 0.8)], 0.0),
        ):
            pen.fill(ribbon(at(points), d * 0.86), lighter=-26)
            pen.fill(ribbon(at(points), d * 0.74), lighter=shade)
        return pen.motif(2.4 * d)


@dataclass(frozen=True)
class Eye(Family):
    """An eye spliced into the rope's end."""

    diameter: Measure = measure(8.0, "Rope's diameter", 0.5, 200, "as the rope's")
    opening: Measure = measure(14.0, "Opening", 0.5, 300, "about twice the diameter")
    side: str = choice("end", "Placed at", "end", "start")

    about: ClassVar[About] = About(
        "Eye", "rope", "eye splice", "common practice", (5.0, 80.0), piece=True, threads=("#dcc594",),
    )  # fmt: skip

    def natural(self, scale: Scale) -> float:
        m = self.drawn(scale)
        return float(m.opening + 2.6 * m.diameter)

    def make(self, scale: Scale) -> Motif:
        m, pen = self.begin(scale)
        d, length = m.diameter, pen.length
        r = m.opening / 2 + d
        centre = length - r if m.side == "end" else r
        ring = together(disc(centre, 0, r, 0.8 * r), disc(centre, 0, r - d, 0.8 * r - d))
        neck = (0.0, 1.6 * d) if m.side == "end" else (length, length - 1.6 * d)
        x = np.linspace(*neck, 4)
        pen.fill(ribbon(np.stack([x, 0 * x], axis=1), d))
        pen.fill(ring, even_odd=True)
        for a in np.linspace(0, 2 * np.pi, 15)[:-1]:
            out, inner = np.array([np.cos(a), 0.8 * np.sin(a)]), 0.14
            turn = np.array([np.cos(a + inner), 0.8 * np.sin(a + inner)])
            pen.stroke(curve([(centre, 0) + out * (r - 0.8 * d), (centre, 0) + turn * (r - 0.18 * d)]),
                       0.09 * d, lighter=-28)  # fmt: skip
        return pen.motif(1.6 * r)
