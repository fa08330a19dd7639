"""Ruffle: cloth gathered at one edge, waving at the other."""

from __future__ import annotations

from dataclasses import dataclass
from typing import ClassVar

import numpy as np

from curlet.core.drawing import Outline
from curlet.core.measures import Measure, Scale
from curlet.core.motif.families.base import About, Family
from curlet.core.motif.families.pen import Pen
from curlet.core.motif.motif import Motif
from curlet.core.outlines import box, curve
from curlet.core.settings import measure, number


@dataclass(frozen=True)
class Ruffle(Family):
    """Cut length over finished length is the fullness: 1.5 to 2.5; its hem waves to the right."""

    depth: Measure = measure(18.0, "Depth", 2, 300, "15 mm to 50 mm is usual")
    fold: Measure = measure(9.0, "Fold", 1, 150, "half of the depth")
    fullness: float = number(1.8, "Fullness", 1, 4, "1.5 to 2.5 is usual", "times")

    about: ClassVar[About] = About(
        "Ruffle", "trim", "gathered ruffle", "common practice", (4.0, 40.0),
        corners="piece", made="gathered", joins=True, threads=("#a8d4de",), cell="fold",
    )  # fmt: skip

    def make(self, scale: Scale) -> Motif:
        m, pen = self.begin(scale)
        h, length = m.depth / 2, pen.length
        swing = 0.09 * m.depth * (m.fullness - 1) ** 0.5
        self._hem(pen, h, h - 0.9 * swing, 0.25 * swing, -20)
        self._hem(pen, h, h - swing, swing, 0)
        # A fold's valley in the middle and its crests at both ends, each deepened or lit in soft steps.
        wide = 0.3 * length * min(1.0, m.fullness - 0.5)
        for place, shades, reach in (
            (0.5, (-3.0, -6.0, -9.0, -12.0), m.depth - 2.2 * swing),
            (0.0, (1.5, 3.0, 4.5), 0.9 * m.depth),
            (1.0, (1.5, 3.0, 4.5), 0.9 * m.depth),
            (0.25, (-1.5, -3.0), 0.62 * m.depth),
            (0.75, (-1.5, -3.0), 0.55 * m.depth),
        ):
            for step, shade in enumerate(shades):
                k = 1 - step / len(shades)
                fold = _fold(place * length, -h + 0.06 * m.depth, reach * (0.7 + 0.3 * k), wide * k)
                pen.fill(fold, lighter=shade)
        pen.fill(box(0, -h, length, -h + 0.07 * m.depth), lighter=-14)
        return pen.motif(m.depth, overhang=0, seamless=True)

    @staticmethod
    def _hem(pen: Pen, h: float, middle: float, swing: float, shade: float) -> None:
        """Cloth from the gathered edge down to a waving hem."""
        x = np.linspace(-0.25, 1.25, 25)
        edge = curve(np.stack([x * pen.length, middle + swing * np.cos(2 * np.pi * x)], axis=1))
        top = np.array([(1.25 * pen.length, -h), (-0.25 * pen.length, -h)])
        pen.fill(Outline(edge.commands + "LLZ", np.concatenate([edge.points, top])), lighter=shade)


def _fold(x: float, top: float, long: float, wide: float) -> Outline:
    """A fold that opens from the gathers and closes softly."""
    half = wide / 2
    return curve(
        [
            (x, top), (x + 0.3 * half, top + 0.3 * long), (x + half, top + 0.8 * long), (x, top + long),
            (x - half, top + 0.8 * long), (x - 0.3 * half, top + 0.3 * long),
        ],
        closed=True,
    )  # fmt: skip
