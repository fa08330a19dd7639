"""Ruffle: cloth gathered at one edge, waving at the other."""

from __future__ import annotations

from dataclasses import dataclass
from typing import ClassVar

import numpy as np

from curlet.core.drawing import Outline
from curlet.core.measures import Measure, Scale
from curlet.core.motif.families.base import About, Family, measure, number
from curlet.core.motif.motif import Motif
from curlet.core.motif.outlines import box, curve


@dataclass(frozen=True)
class Ruffle(Family):
    """Cut length over finished length is the fullness: 1.5 to 2.5; its hem waves to the right."""

    depth: Measure = measure(18.0, "Depth", 2, 300, "15 mm to 50 mm is usual")
    fold: Measure = measure(9.0, "Fold", 1, 150, "half of the depth")
    fullness: float = number(1.8, "Fullness", 1, 4, "1.5 to 2.5 is usual", "times")

    about: ClassVar[About] = About(
        "Ruffle", "trim", "gathered ruffle", "common practice", (4.0, 40.0),
        corners="piece", joins=True, threads=("#a8d4de",), cell="fold",
    )  # fmt: skip

    def make(self, scale: Scale) -> Motif:
        m, pen = self.begin(scale)
        h, length = m.depth / 2, pen.length
        swing = 0.09 * m.depth * (m.fullness - 1) ** 0.5
        x = np.linspace(-0.25, 1.25, 25)
        hem = np.stack([x * length, h - swing + swing * np.cos(2 * np.pi * x)], axis=1)
        edge = curve(hem)
        top = np.array([(1.25 * length, -h), (-0.25 * length, -h)])
        pen.fill(Outline(edge.commands + "LLZ", np.concatenate([edge.points, top])))
        for place, shade, reach in ((0.5, -14.0, 0.95), (0.2, -7.0, 0.55), (0.8, -7.0, 0.6)):
            wide = 0.16 * length * (m.fullness - 0.6)
            tip = -h + 0.08 * m.depth
            foot = -h + reach * (m.depth - 2 * swing)
            fold = curve([
                (place * length, tip), (place * length - wide / 2, foot), (place * length + wide / 2, foot),
            ])  # fmt: skip
            pen.fill(Outline(fold.commands + "Z", fold.points), lighter=shade)
        pen.fill(box(-0.02, -h, length + 0.02, -h + 0.07 * m.depth), lighter=-18)
        return pen.motif(m.depth, overhang=0, seamless=True)
