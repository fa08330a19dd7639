"""Laid rope: three or four strands, S or Z."""

from __future__ import annotations

import math
from dataclasses import dataclass
from typing import ClassVar

from curlet.core.measures import Measure, Scale
from curlet.core.motif.families.base import About, Family, choice, measure, number
from curlet.core.motif.motif import Motif
from curlet.core.motif.outlines import box, helix, ribbon


@dataclass(frozen=True)
class Laid(Family):
    """Hawser-laid rope, a repeat for each strand: tan(helix angle) = π·D/lay at its surface.

    A lay of 3 to 3.5 diameters is usual for three strands. Held upright, the strands of a Z rope slope
    as the letter's middle stroke does (ISO 2).
    """

    diameter: Measure = measure(8.0, "Diameter", 0.5, 200, "4 mm to 12 mm is usual for cord on garments")
    lay: Measure = measure(26.0, "Lay", 1, 1000, "3 to 3.5 diameters is usual for three strands")
    strands: str = choice("3", "Strands", "3", "4")
    twist: str = choice("Z", "Twist", "S", "Z")
    groove: float = number(11, "Groove between strands", 2, 40, "in % of the diameter", "%")

    about: ClassVar[About] = About(
        "Laid rope", "rope", "hawser-laid", "geometry; lays common practice", (3.0, 30.0),
        corners="mitre", joins=True, threads=("#dcc594",),
    )  # fmt: skip

    @property
    def helix_angle(self) -> float:
        """Of a strand at the surface, degrees from the rope's axis."""
        return math.degrees(math.atan(math.pi * self.diameter.mm / self.lay.mm))

    def natural(self, scale: Scale) -> float:
        return self.lay.drawn(scale) / int(self.strands)

    def make(self, scale: Scale) -> Motif:
        m, pen = self.begin(scale)
        h = m.diameter / 2
        pen.fill(box(-1, -h, pen.length + 1, h))
        reach = math.ceil(m.lay / 2 / pen.length) + 1
        for index in range(-reach, 2):
            middle = helix(m.lay, h, m.twist, index * pen.length)
            pen.fill(ribbon(middle, m.groove / 100 * m.diameter), lighter=-28)
        return pen.motif(m.diameter, overhang=0, seamless=True)
