"""Leaf and stem, with root and tip ends."""

from __future__ import annotations

from dataclasses import dataclass
from typing import ClassVar

import numpy as np

from curlet.core.measures import Measure, Scale
from curlet.core.motif.families.base import About, Family
from curlet.core.motif.families.pen import Pen
from curlet.core.motif.motif import Motif
from curlet.core.outlines import curve, disc, lines, moved, quarter_band, ribbon
from curlet.core.settings import choice, measure


@dataclass(frozen=True)
class LeafStem(Family):
    """Alternate leaves on a stem that waves a little; a root, a tip and a corner of their own."""

    width: Measure = measure(14.0, "Width", 0.5, 300, "10 mm to 25 mm is usual")
    pitch: Measure = measure(20.0, "Pitch", 0.5, 400, "a leaf on each side")
    stem: Measure = measure(1.2, "Stem", 0.05, 40, "a twelfth of the width")
    place: str = choice("repeat", "Drawn for", "repeat", "root", "tip", "corner")

    about: ClassVar[About] = About(
        "Leaf and stem", "border", "leaf scroll", "drawn by hand", (8.0, 80.0),
        corners="piece", joins=True, threads=("#5f7f52", "#8a9a5b"),
    )  # fmt: skip

    def natural(self, scale: Scale) -> float:
        m = self.drawn(scale)
        return float({"repeat": m.pitch, "corner": m.width}.get(m.place, 0.7 * m.pitch))

    def make(self, scale: Scale) -> Motif:
        m, pen = self.begin(scale)
        getattr(self, f"_{m.place}")(pen, m.width / 2, m.stem)
        return pen.motif(m.width, overhang=0, seamless=m.place == "repeat")

    @staticmethod
    def _leaf(pen: Pen, x: float, y: float, long: float, lean: float, flip: bool, thread: int) -> None:
        leaf = curve([(0, 0), (0.3 * long, -0.2 * long), (0.75 * long, -0.16 * long), (long, 0.02 * long),
                        (0.7 * long, 0.1 * long), (0.3 * long, 0.1 * long)], closed=True)  # fmt: skip
        pen.fill(moved(moved(leaf, 0, 0, lean), x, y, flip=flip), thread)
        vein = lines([(0.08 * long, 0), (0.8 * long, -0.02 * long)])
        pen.stroke(moved(moved(vein, 0, 0, lean), x, y, flip=flip), 0.035 * long, thread, -16)

    def _repeat(self, pen: Pen, h: float, stem: float) -> None:
        x = np.linspace(-0.125, 1.125, 41)
        # Level where it meets the next repeat, a piece or a corner.
        sway = 0.2 * h * np.sin(2 * np.pi * x) * np.sin(np.pi * x) ** 4
        points = np.stack([x * pen.length, sway], axis=1)
        pen.fill(ribbon(points, stem))
        self._leaf(pen, 0.12 * pen.length, 0.06 * h, 1.16 * h, -42, False, 1)
        self._leaf(pen, 0.62 * pen.length, -0.06 * h, 1.16 * h, -42, True, 2)

    def _root(self, pen: Pen, h: float, stem: float) -> None:
        length = pen.length
        taper = np.array([3.2, 2.0, 1.2, 1.0])
        pen.fill(
            ribbon([(0.12 * length, 0), (0.3 * length, 0), (0.6 * length, 0), (length, 0)], stem * taper)
        )
        for rise in (-0.42, 0.0, 0.42):
            tip = [(0.3 * length, 0), (0.12 * length, rise * 0.5 * h), (0.0, rise * h)]
            pen.fill(ribbon(tip, stem * np.array([1.4, 1.0, 0.3])))

    def _tip(self, pen: Pen, h: float, stem: float) -> None:
        length = pen.length
        pen.fill(ribbon([(0, 0), (0.3 * length, 0), (0.6 * length, 0)], stem * np.array([1.0, 0.9, 0.6])))
        for lean, flip in ((-30, False), (-30, True)):
            self._leaf(pen, 0.25 * length, 0, 0.8 * h, lean, flip, 2)
        self._leaf(pen, 0.5 * length, 0, 0.48 * length, 3, False, 1)

    def _corner(self, pen: Pen, h: float, stem: float) -> None:
        reach = pen.length
        pen.fill(quarter_band(0, reach, reach + stem / 2, reach - stem / 2))
        middle = np.array([0, reach]) + reach * np.array([1, -1]) * np.sqrt(0.5)
        self._leaf(pen, float(middle[0]), float(middle[1]), 1.1 * h, -45, False, 1)
        pen.fill(disc(float(middle[0]), float(middle[1]), 0.14 * h), 2)
