"""Piping: a covered cord with its flange."""

from __future__ import annotations

from dataclasses import dataclass
from typing import ClassVar

from curlet.core.measures import Measure, Scale
from curlet.core.motif.families.base import About, Family
from curlet.core.motif.motif import Motif
from curlet.core.outlines import box, lines
from curlet.core.settings import measure


@dataclass(frozen=True)
class Piping(Family):
    """A cord in bias-cut cloth, stitched close; its flange lies to the left of the way."""

    cord: Measure = measure(4.0, "Covered cord", 0.5, 40, "2 mm to 6 mm is usual")
    flange: Measure = measure(6.0, "Flange", 0, 60, "the seam allowance; 0 where it is hidden")
    stitch: Measure = measure(2.8, "Stitch length", 0.5, 12, "2.5 mm to 3 mm is usual")

    about: ClassVar[About] = About(
        "Piping", "trim", "covered piping", "common practice", (1.5, 8.0),
        corners="mitre", joins=True, threads=("#c8553d", "#f3ead7"),
    )  # fmt: skip

    def natural(self, scale: Scale) -> float:
        return 1.25 * self.stitch.drawn(scale)

    def make(self, scale: Scale) -> Motif:
        m, pen = self.begin(scale)
        whole = m.cord + m.flange
        top = -whole / 2
        pen.fill(box(0, top, pen.length, top + m.flange + 0.3 * m.cord), lighter=-10)
        y = whole / 2 - m.cord
        for share, shade in ((1.0, -16.0), (0.78, 0.0), (0.3, 6.0)):
            inset = (1 - share) / 2 * m.cord
            pen.fill(box(0, y + inset, pen.length, y + m.cord - inset), lighter=shade)
        thread = 0.1 * m.cord
        line = [(0.1 * pen.length, y - thread), (0.9 * pen.length, y - thread)]
        pen.stroke(lines(line), thread, 2)
        return pen.motif(whole, overhang=0)
