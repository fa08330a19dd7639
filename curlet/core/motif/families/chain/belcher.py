"""Belcher chain: round links of broad D-shaped wire."""

from __future__ import annotations

from dataclasses import dataclass
from typing import ClassVar

from curlet.core.measures import Measure, Scale
from curlet.core.motif.families.base import About, Family, choice, measure
from curlet.core.motif.families.chain.links import LINE, SHADE, ring
from curlet.core.motif.motif import Motif
from curlet.core.motif.outlines import capsule, disc


@dataclass(frozen=True)
class Belcher(Family):
    """Round links, flat and edge-on by turns; edge-on the broad wire shows as a barrel."""

    wire: Measure = measure(2.0, "Wire", 0.1, 40, "1 mm to 3 mm is usual")
    opening: Measure = measure(5.0, "Opening", 0.3, 120, "two to three wires")
    breadth: Measure = measure(3.6, "Breadth edge-on", 0.2, 80, "about twice the wire")
    face: str = choice("flat", "Link lies", "flat", "edge-on")

    about: ClassVar[About] = About(
        "Belcher link", "chain", "belcher chain", "common practice", (2.0, 30.0),
        hold="links", corners="carry", overlap="interlaced", threads=("#d9b45b",), cell="opening",
    )  # fmt: skip

    def make(self, scale: Scale) -> Motif:
        m, pen = self.begin(scale)
        middle, r = pen.length / 2, pen.length / 2 + m.wire
        if m.face == "edge-on":
            barrel = capsule(middle - r, middle + r, min(m.breadth / 2, r))
            pen.fill(barrel, lighter=-6)
            pen.stroke(barrel, LINE * m.wire, lighter=SHADE)
            return pen.motif(m.breadth, overhang=m.wire)
        ring(pen, disc(middle, 0, r), disc(middle, 0, r - m.wire), m.wire)
        return pen.motif(2 * r, overhang=m.wire)
