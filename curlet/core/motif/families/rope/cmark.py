"""C-mark rope: C-shaped strand marks over a band."""

from __future__ import annotations

from dataclasses import dataclass
from typing import ClassVar

import numpy as np

from curlet.core.measures import Measure, Scale
from curlet.core.motif.families.base import About, Family
from curlet.core.motif.motif import Motif
from curlet.core.outlines import box, ribbon
from curlet.core.settings import choice, measure, number


@dataclass(frozen=True)
class CMark(Family):
    """The quick rope of graphics: marks 70 to 80 % of their own width apart read as a rope."""

    diameter: Measure = measure(6.0, "Diameter", 0.5, 100, "4 mm to 10 mm is usual")
    mark: Measure = measure(5.0, "Mark's width", 0.3, 100, "a little less than the diameter")
    apart: float = number(75, "Marks apart", 50, 120, "70 % to 80 % of their width reads as a rope", "%")
    line: Measure = measure(0.6, "Line", 0.05, 10, "a tenth of the diameter")
    twist: str = choice("Z", "Twist", "S", "Z")

    about: ClassVar[About] = About(
        "C-mark rope", "rope", "drawn rope", "spacing: common practice", (1.5, 15.0),
        corners="mitre", overlap="interlaced", joins=True, threads=("#dcc594",),
    )  # fmt: skip

    def natural(self, scale: Scale) -> float:
        return self.mark.drawn(scale) * self.apart / 100

    def make(self, scale: Scale) -> Motif:
        m, pen = self.begin(scale)
        h = m.diameter / 2
        pen.fill(box(0, -h, pen.length, h))
        for y in (-h + m.line / 2, h - m.line / 2):
            pen.fill(box(0, y - m.line / 2, pen.length, y + m.line / 2), lighter=-34)
        turn = np.linspace(-0.5, 0.5, 9) * np.pi
        lean = -1 if m.twist == "S" else 1
        bow = m.mark * (0.5 * np.cos(turn) - 0.25 + 0.5 * lean * np.sin(turn))
        arc = np.stack([bow, (h - 0.6 * m.line) * np.sin(turn)], axis=1)
        pen.fill(ribbon(arc + (0.5 * pen.length, 0), m.line), lighter=-34, over=True)
        overhang = max(0.0, float(np.abs(bow).max()) + m.line / 2 - pen.length / 2)
        return pen.motif(m.diameter, overhang=overhang, runs_on=True)
