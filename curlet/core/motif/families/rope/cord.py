"""Twisted cord: two plies whose backs bulge at the edges."""

from __future__ import annotations

from dataclasses import dataclass
from typing import ClassVar

import numpy as np

from curlet.core.measures import Measure, Scale
from curlet.core.motif.families.base import About, Family, choice, measure
from curlet.core.motif.motif import Motif
from curlet.core.motif.outlines import box, lens, moved


@dataclass(frozen=True)
class Cord(Family):
    """Two-ply twisted cord; the plies may be of two colours."""

    diameter: Measure = measure(4.0, "Diameter", 0.3, 60, "2 mm to 6 mm is usual")
    lay: Measure = measure(12.0, "Lay", 0.6, 300, "about three diameters")
    twist: str = choice("S", "Twist", "S", "Z")
    plies: str = choice("two colours", "Plies", "one colour", "two colours")

    about: ClassVar[About] = About(
        "Twisted cord", "rope", "two-ply cord", "common practice", (3.0, 30.0),
        corners="carry", joins=True, threads=("#c8553d", "#e9c46a"), cell="lay",
    )  # fmt: skip

    def make(self, scale: Scale) -> Motif:
        m, pen = self.begin(scale)
        h, half = m.diameter / 2, m.lay / 2
        pen.fill(box(-1, -0.72 * h, pen.length + 1, 0.72 * h), 1, -20)
        angle = float(np.degrees(np.arctan2(m.diameter, 0.62 * m.lay))) * (1 if m.twist == "Z" else -1)
        long = float(np.hypot(m.diameter, 0.62 * m.lay)) * 0.98
        ply = lens(-long / 2, long / 2, min(0.3 * half, 0.62 * h) * 1.06, end=0.35)
        for index in range(-1, 4):
            second = 2 if m.plies == "two colours" and index % 2 else 1
            pen.fill(moved(ply, (index - 0.5) * half, 0, angle), second)
        return pen.motif(m.diameter, overhang=0, seamless=True)
