"""Twisted cord: two plies whose backs bulge at the edges."""

from __future__ import annotations

from dataclasses import dataclass
from typing import ClassVar

from curlet.core.measures import Measure, Scale
from curlet.core.motif.families.base import About, Family
from curlet.core.motif.families.rope.laid import INSIDE
from curlet.core.motif.motif import Motif
from curlet.core.outlines import box, strand
from curlet.core.settings import choice, measure

# A ply's width along the cord, of the half lay; the rest is the groove beside it.
_PLY = 0.9


@dataclass(frozen=True)
class Cord(Family):
    """Two-ply twisted cord; the plies may be of two colours."""

    diameter: Measure = measure(4.0, "Diameter", 0.3, 60, "2 mm to 6 mm is usual")
    lay: Measure = measure(12.0, "Lay", 0.6, 300, "about three diameters")
    twist: str = choice("S", "Twist", "S", "Z")
    plies: str = choice("two colours", "Plies", "one colour", "two colours")

    about: ClassVar[About] = About(
        "Twisted cord", "rope", "two-ply cord", "common practice", (3.0, 30.0),
        corners="mitre", overlap="interlaced", joins=True, threads=("#c8553d", "#e9c46a"), cell="lay",
    )  # fmt: skip

    def make(self, scale: Scale) -> Motif:
        m, pen = self.begin(scale)
        h, half = m.diameter / 2, m.lay / 2
        pen.fill(box(0, -INSIDE * h, pen.length, INSIDE * h), 1, -20)
        for index, thread in enumerate((1, 2 if m.plies == "two colours" else 1)):
            ply = strand(m.lay, h, (index + 0.5) * half, _PLY * half / 2, m.twist)
            pen.fill(ply, thread, over=True)
        return pen.motif(m.diameter, overhang=m.lay / 4, runs_on=True)
