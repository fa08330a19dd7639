"""Cable chain: oval links, alternately flat and edge-on."""

from __future__ import annotations

from dataclasses import dataclass
from typing import ClassVar

from curlet.core.measures import Measure, Scale
from curlet.core.motif.families.base import About, Family
from curlet.core.motif.families.chain.links import FACES, ring, side, turning, whole_ring
from curlet.core.motif.motif import Motif, MotifMaker
from curlet.core.outlines import capsule
from curlet.core.settings import choice, measure, number


@dataclass(frozen=True)
class Cable(Family):
    """One link by wire and pitch (inside length): 4 × 16, 5 × 18.5, 8 × 24 of DIN 766 (from memory);
    4 × 32 is a long link of DIN 763 (from memory)."""

    wire: Measure = measure(4.0, "Wire", 0.1, 60, "4 mm to 8 mm for chain; 0.8 mm to 2 mm for trimming")
    pitch: Measure = measure(16.0, "Pitch", 0.3, 300, "three to four wires; long links, eight")
    width: float = number(3.2, "Width", 2.2, 6, "3.2 wires outside is usual", "wires")
    face: str = choice("flat", "Link lies", *FACES)

    about: ClassVar[About] = About(
        "Cable chain link", "chain", "short link chain, DIN 766", "DIN 766 and 763, from memory", (2.0, 60.0),
        hold="links", corners="carry", overlap="interlaced", threads=("#aab4bd",), cell="pitch",
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
        h, draw = m.width * m.wire / 2, ring if passes else whole_ring
        draw(pen, capsule(-m.wire, pen.length + m.wire, h), capsule(0, pen.length, h - m.wire), m.wire)
        return pen.motif(2 * h, overhang=m.wire)

    def _side(self, scale: Scale) -> Motif:
        m, pen = self.begin(scale)
        side(pen, capsule(-m.wire, pen.length + m.wire, m.wire / 2), m.wire)
        return pen.motif(m.wire, overhang=m.wire)
