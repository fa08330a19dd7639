"""Box chain: square links, alternately faces and joints."""

from __future__ import annotations

from dataclasses import dataclass
from typing import ClassVar

from curlet.core.measures import Measure, Scale
from curlet.core.motif.families.base import About, Family
from curlet.core.motif.families.chain.links import LINE, SHADE
from curlet.core.motif.motif import Motif
from curlet.core.outlines import box
from curlet.core.settings import measure


@dataclass(frozen=True)
class Box(Family):
    """Venetian chain: folded squares, seen as a face and a narrow joint."""

    side: Measure = measure(4.0, "Side", 0.3, 60, "1 mm to 4 mm is usual")
    joint: Measure = measure(1.0, "Joint", 0.1, 30, "about a quarter of the side")

    about: ClassVar[About] = About(
        "Box chain", "chain", "Venetian chain", "common practice", (1.0, 15.0),
        hold="rigid", corners="carry", threads=("#aab4bd",),
    )  # fmt: skip

    def natural(self, scale: Scale) -> float:
        m = self.drawn(scale)
        return float(m.side + m.joint)

    def make(self, scale: Scale) -> Motif:
        m, pen = self.begin(scale)
        h, edge, a = m.side / 2, LINE * m.side, m.joint / 2
        pen.fill(box(-0.3 * a, -0.55 * h, pen.length + 0.3 * a, 0.55 * h), lighter=-22)
        face = box(a, -h, a + m.side, h)
        pen.fill(face)
        pen.stroke(face, edge, lighter=SHADE, joins="mitre")
        inset = 0.28 * m.side
        pen.stroke(
            box(a + inset, -h + inset, a + m.side - inset, h - inset), edge, lighter=-14, joins="mitre"
        )
        return pen.motif(m.side + edge, overhang=0.15 * m.joint)
