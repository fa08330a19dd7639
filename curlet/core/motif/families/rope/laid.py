"""Laid rope: three or four strands, S or Z."""

from __future__ import annotations

import math
from dataclasses import dataclass
from typing import ClassVar

from curlet.core.measures import Measure, Scale
from curlet.core.motif.families.base import About, Family
from curlet.core.motif.motif import Motif
from curlet.core.outlines import box, strand
from curlet.core.settings import choice, measure, number

# The inside's width, of the rope's.
INSIDE = 0.9


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
    groove: float = number(11, "Groove between strands", 2, 40, "in % of a strand", "%")

    about: ClassVar[About] = About(
        "Laid rope", "rope", "hawser-laid", "geometry; lays common practice", (3.0, 30.0),
        corners="mitre", overlap="interlaced", joins=True, threads=("#dcc594",),
    )  # fmt: skip

    @property
    def helix_angle(self) -> float:
        """Of a strand at the surface, degrees from the rope's axis."""
        return math.degrees(math.atan(math.pi * self.diameter.mm / self.lay.mm))

    def natural(self, scale: Scale) -> float:
        return self.lay.drawn(scale) / int(self.strands)

    def make(self, scale: Scale) -> Motif:
        m, pen = self.begin(scale)
        h, pitch = m.diameter / 2, pen.length
        # What shows between the strands is the rope's dark inside, a little narrower than they are.
        pen.fill(box(0, -INSIDE * h, pitch, INSIDE * h), lighter=-30)
        pen.fill(strand(m.lay, h, pitch / 2, pitch * (1 - m.groove / 100) / 2, m.twist), over=True)
        return pen.motif(m.diameter, overhang=m.lay / 4, runs_on=True)
