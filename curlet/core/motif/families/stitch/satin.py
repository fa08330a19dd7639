"""Satin column: threads side by side across it."""

from __future__ import annotations

from dataclasses import dataclass
from typing import ClassVar

import numpy as np

from curlet.core.measures import Measure, Scale
from curlet.core.motif.families.base import About, Family
from curlet.core.motif.motif import Motif
from curlet.core.outlines import lines
from curlet.core.settings import count, measure, number

_SIDE_BY_SIDE = 1.5


@dataclass(frozen=True)
class Satin(Family):
    """Embroidered column: 0.4 mm between threads of about 0.4 mm covers the cloth."""

    width: Measure = measure(5.0, "Width", 0.5, 40, "2 mm to 8 mm is usual; wider ones catch")
    thread: Measure = measure(0.4, "Thread", 0.05, 5, "0.4 mm is usual for machine embroidery")
    density: float = number(100, "Cover", 40, 200, "100 % lays threads side by side", "%")
    lean: float = number(15, "Lean", -60, 60, "0° lies square across", "°")
    passes: int = count(6, "Threads in a repeat", 2, 40, "the shade changes a little from one to the next")

    about: ClassVar[About] = About(
        "Satin column", "stitch", "embroidered satin", "common practice", (1.0, 12.0),
        corners="mitre", threads=("#7c4a63",),
    )  # fmt: skip

    def natural(self, scale: Scale) -> float:
        return self.passes * self.thread.drawn(scale) * 100 / self.density

    def make(self, scale: Scale) -> Motif:
        m, pen = self.begin(scale)
        # Threads that lie side by side are drawn a little over one another: no light comes between them.
        weight = m.thread * (_SIDE_BY_SIDE if m.density >= 100 else 1.0)
        h = (m.width - weight) / 2
        shift = np.tan(np.radians(m.lean)) * h
        step = pen.length / m.passes
        for index in range(m.passes):
            x = (index + 0.5) * step
            shade = (-9.0, 0.0, -5.0)[index % 3]
            pen.stroke(lines([(x + shift, -h), (x - shift, h)]), weight, lighter=shade)
        return pen.motif(m.width, overhang=weight / 2 + abs(shift), sewn=True)
