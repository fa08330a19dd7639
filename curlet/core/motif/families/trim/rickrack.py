"""Rickrack: a woven zigzag braid with rounded turns."""

from __future__ import annotations

from dataclasses import dataclass
from typing import ClassVar

import numpy as np

from curlet.core.measures import Measure, Scale
from curlet.core.motif.families.base import About, Family
from curlet.core.motif.motif import Motif
from curlet.core.outlines import curve, ribbon, wave
from curlet.core.settings import measure, tick


@dataclass(frozen=True)
class Rickrack(Family):
    """Baby (5 mm), medium (11 mm) and jumbo (16 mm) widths are usual."""

    width: Measure = measure(11.0, "Width over all", 1, 120, "5, 11 and 16 mm are usual")
    braid: Measure = measure(5.0, "Braid", 0.3, 60, "about half of the width")
    pitch: Measure = measure(12.0, "Pitch", 1, 120, "about the width")
    stitched: bool = tick(True, "Stitched along its middle")

    about: ClassVar[About] = About(
        "Rickrack", "trim", "rickrack braid", "common practice", (4.0, 25.0),
        corners="mitre", joins=True, threads=("#c8553d",), cell="pitch",
    )  # fmt: skip

    def make(self, scale: Scale) -> Motif:
        m, pen = self.begin(scale)
        h = max(m.width - m.braid, 0.0) / 2
        # Repeats meet at a crest, so that both legs of a corner come to it alike.
        points = wave(3 * pen.length, h, 3) - np.array([1.75 * pen.length, 0])
        pen.fill(ribbon(points, m.braid))
        if m.stitched:
            line = 0.07 * m.braid
            for part in (0.06, 0.31, 0.56, 0.81):
                x = np.linspace(part, part + 0.13, 4)
                y = -h * np.cos(2 * np.pi * x)
                pen.stroke(curve(np.stack([x * pen.length, y], axis=1)), line, lighter=-24)
        return pen.motif(m.width, overhang=0, seamless=True)
