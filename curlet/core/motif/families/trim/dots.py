"""Graded-dot edge: rows of dots shrinking away from a solid side."""

from __future__ import annotations

from dataclasses import dataclass
from typing import ClassVar

from curlet.core.measures import Measure, Scale
from curlet.core.motif.families.base import About, Family
from curlet.core.motif.motif import Motif
from curlet.core.outlines import box, disc, together
from curlet.core.settings import count, measure, number


@dataclass(frozen=True)
class Dots(Family):
    """The printed edge that fades: alternate rows stand half a pitch on; the solid side is to the left."""

    pitch: Measure = measure(4.0, "Dots apart", 0.2, 60, "2 mm to 6 mm is usual")
    rows: int = count(6, "Rows", 1, 24, "five to eight are usual")
    largest: float = number(96, "First row's dots", 20, 140, "in % of the pitch", "%")
    smallest: float = number(14, "Last row's dots", 2, 100, "in % of the pitch", "%")
    solid: Measure = measure(3.0, "Solid side", 0, 100, "0 for dots alone")

    about: ClassVar[About] = About(
        "Graded-dot edge", "trim", "halftone edge", "common practice", (1.5, 12.0),
        corners="mitre", joins=True, threads=("#2b3440",), cell="pitch",
    )  # fmt: skip

    def make(self, scale: Scale) -> Motif:
        m, pen = self.begin(scale)
        step = 0.78 * m.pitch
        whole = m.solid + step * m.rows
        top = -whole / 2
        if m.solid:
            pen.fill(box(0, top, pen.length, top + m.solid))
        dots = []
        for row in range(m.rows):
            share = row / max(m.rows - 1, 1)
            r = (m.largest + share * (m.smallest - m.largest)) / 200 * m.pitch
            y = top + m.solid + (row + 0.35) * step
            for x in (0.0, m.pitch) if row % 2 else (m.pitch / 2,):
                dots.append(disc(x, y, r))
        # As one, so that the halves of those that two repeats share show no seam.
        pen.fill(together(*dots))
        return pen.motif(whole, overhang=0, seamless=True)
