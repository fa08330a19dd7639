"""Overedge 504 and safety stitch 516: loops that wrap the cloth's edge."""

from __future__ import annotations

from dataclasses import dataclass
from typing import ClassVar

from curlet.core.measures import Measure, Scale
from curlet.core.motif.families.base import About, Family
from curlet.core.motif.motif import Motif
from curlet.core.outlines import curve
from curlet.core.settings import measure, tick


@dataclass(frozen=True)
class Overedge(Family):
    """Class 504: a needle row, an upper and a lower looper that meet on the edge.

    With a row of 401 beside it, a safety stitch (401 + 504, called 516 in ASTM D6193). The edge lies to
    the right of the way.
    """

    width: Measure = measure(4.5, "Width of bite", 1, 30, "4 mm to 6 mm is usual")
    thread: Measure = measure(0.3, "Thread", 0.05, 5, "0.2 mm to 0.35 mm is usual")
    safety: bool = tick(False, "Safety row, 516")
    distance: Measure = measure(3.2, "Safety row's distance", 0.5, 20, "3.2 mm is usual")

    about: ClassVar[About] = About(
        "Overedge", "stitch", "class 504; 516 with its safety row", "ISO 4915, ASTM D6193", (1.5, 4.0),
        corners="mitre", joins=True, threads=("#f3ead7", "#dcc594"), cell=2.5,
    )  # fmt: skip

    @property
    def sewn(self) -> tuple[str, ...]:
        return ("516",) if self.safety else ("504",)

    def make(self, scale: Scale) -> Motif:
        m, pen = self.begin(scale)
        length, h, t = pen.length, m.width / 2, m.thread
        pen.stroke(
            curve([(0, h), (0.3 * length, 0.2 * h), (0.5 * length, -h), (0.62 * length, -0.7 * h)]), t, 2
        )
        pen.stroke(curve([(0.5 * length, -h), (0.75 * length, 0.3 * h), (length, h)]), t, 2)
        pen.stroke(curve([(0, h), (0.35 * length, 0.82 * h), (0.7 * length, 1.04 * h), (length, h)]), t, 2)
        pen.thread([(0.06 * length, -h), (0.86 * length, -h)], t)
        half = h + t / 2
        if m.safety:
            y = -h - m.distance
            pen.thread([(0.06 * length, y), (0.86 * length, y)], t)
            half += m.distance
        return pen.motif(2 * half, sewn=True)
