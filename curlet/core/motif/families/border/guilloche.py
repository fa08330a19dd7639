"""Guilloche: two bands that plait round discs."""

from __future__ import annotations

from dataclasses import dataclass
from typing import ClassVar

import numpy as np

from curlet.core.measures import Measure, Scale
from curlet.core.motif.families.base import About, Family
from curlet.core.motif.families.border.rails import place_choice, turned_side
from curlet.core.motif.families.pen import Pen
from curlet.core.motif.motif import Motif
from curlet.core.outlines import disc, quarter_band, ribbon, together
from curlet.core.settings import choice, measure, number

_EDGE = -30.0


@dataclass(frozen=True)
class Guilloche(Family):
    """A repeat holds two crossings: the first band goes over at one and under at the next.

    Repeats that meet at crossings turn corners by a mitre: both bands pass through the corner itself.
    """

    width: Measure = measure(12.0, "Width", 0.5, 300, "8 mm to 20 mm is usual")
    pitch: Measure = measure(24.0, "Pitch", 0.5, 400, "twice the width")
    band: Measure = measure(3.0, "Band", 0.1, 80, "a quarter of the width")
    disc: float = number(32, "Disc", 0, 70, "in % of the width; 0 for none", "%")
    meets: str = choice("discs", "Repeats meet at", "discs", "crossings")
    place: str = place_choice(inner=True)

    about: ClassVar[About] = About(
        "Guilloche", "border", "two-strand guilloche", "common practice", (8.0, 80.0),
        corners="piece", joins=True, threads=("#dcc594", "#c8553d", "#a8d4de"),
    )  # fmt: skip

    def natural(self, scale: Scale) -> float:
        m = self.drawn(scale)
        return float(m.pitch if m.place == "repeat" else m.width)

    def make(self, scale: Scale) -> Motif:
        m, pen = self.begin(scale)
        h = (m.width - m.band) / 2
        if m.place != "repeat":
            self._corner(pen, h * turned_side(m.place), m.band, m.disc / 200 * m.width)
            return pen.motif(m.width, overhang=0)
        # Where a repeat begins, in turns of its bands from their widest.
        begin = 0.25 if m.meets == "crossings" else 0.0
        x = np.linspace(-0.25, 1.25, 49)

        def strand(sign: float, low: float = -1.0, high: float = 2.0) -> np.ndarray:
            part = x[(x >= low - 1e-9) & (x <= high + 1e-9)]
            return np.stack([part * pen.length, sign * h * np.cos(2 * np.pi * (part - begin))], axis=1)

        self._band(pen, strand(-1.0), m.band, 2)
        self._band(pen, strand(1.0), m.band, 1)
        # The crossing at which the second band goes over lies well within the repeat.
        low = 0.375 if begin else 0.625
        self._band(pen, strand(-1.0, low, low + 0.25), m.band, 2)
        places = (np.array([0.0, 0.5, 1.0]) + begin) * pen.length
        # As one, so that the halves of those that two repeats share show no seam.
        pen.fill(together(*(disc(place, 0, m.disc / 200 * m.width) for place in places.tolist())), 3)
        return pen.motif(m.width, overhang=0, seamless=True)

    @staticmethod
    def _band(pen: Pen, points: np.ndarray, width: float, thread: int) -> None:
        # The edge a little shorter, so that it shows along the band alone.
        pen.fill(ribbon(points[1:-1] if len(points) > 4 else points, width), thread, _EDGE)
        pen.fill(ribbon(points, 0.82 * width), thread)

    def _corner(self, pen: Pen, h: float, band: float, eye: float) -> None:
        """Both bands turn the corner round one more disc."""
        reach = pen.length
        for side, thread in ((-1.0, 2), (1.0, 1)):
            # A quarter turn about the inner corner of the square.
            r = reach - side * h
            pen.fill(quarter_band(0, reach, r + band / 2, r - band / 2), thread, _EDGE)
            pen.fill(quarter_band(0, reach, r + 0.41 * band, r - 0.41 * band), thread)
        pen.fill(disc(0, 0, eye), 3)
        pen.fill(disc(reach, reach, eye), 3)
