"""Belcher chain: round links of broad D-shaped wire."""

from __future__ import annotations

from dataclasses import dataclass
from typing import ClassVar

from curlet.core.measures import Measure, Scale
from curlet.core.motif.families.base import About, Family
from curlet.core.motif.families.chain.links import FACES, ring, side, turning, whole_ring
from curlet.core.motif.motif import Motif, MotifMaker
from curlet.core.outlines import capsule, disc
from curlet.core.settings import choice, measure


@dataclass(frozen=True)
class Belcher(Family):
    """Round links, alternately flat and edge-on; edge-on the broad wire shows as a barrel."""

    wire: Measure = measure(2.0, "Wire", 0.1, 40, "1 mm to 3 mm is usual")
    opening: Measure = measure(5.0, "Opening", 0.3, 120, "two to three wires")
    breadth: Measure = measure(3.6, "Breadth edge-on", 0.2, 80, "about twice the wire")
    face: str = choice("flat", "Link lies", *FACES)

    about: ClassVar[About] = About(
        "Belcher link", "chain", "belcher chain", "common practice", (2.0, 30.0),
        hold="links", corners="carry", overlap="interlaced", threads=("#d9b45b",), cell="opening",
    )  # fmt: skip

    @property
    def by_turns(self) -> tuple[MotifMaker, ...]:
        return turning(self.face, self._flat, self._side)

    def make(self, scale: Scale) -> Motif:
        if self.face == "edge-on":
            return self._side(scale)
        return self._flat(scale, passes=self.face == "flat")

    def _flat(self, scale: Scale, passes: bool = False) -> Motif:
        m, pen = self.begin(scale)
        middle, r, draw = pen.length / 2, pen.length / 2 + m.wire, ring if passes else whole_ring
        draw(pen, disc(middle, 0, r), disc(middle, 0, r - m.wire), m.wire)
        return pen.motif(2 * r, overhang=m.wire)

    def _side(self, scale: Scale) -> Motif:
        m, pen = self.begin(scale)
        middle, r = pen.length / 2, pen.length / 2 + m.wire
        side(pen, capsule(middle - r, middle + r, min(m.breadth / 2, r)), m.wire)
        return pen.motif(m.breadth, overhang=m.wire)
