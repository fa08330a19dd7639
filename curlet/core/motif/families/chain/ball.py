"""Ball chain: hollow balls on a link wire."""

from __future__ import annotations

from dataclasses import dataclass
from typing import ClassVar

from curlet.core.measures import Measure, Scale
from curlet.core.motif.families.base import About, Family
from curlet.core.motif.families.chain.links import LINE, SHADE
from curlet.core.motif.motif import Motif
from curlet.core.outlines import disc, lines
from curlet.core.settings import measure


@dataclass(frozen=True)
class Ball(Family):
    """Bead chain by ball and the wire that shows between: 2.4 mm and 3.2 mm balls are usual."""

    ball: Measure = measure(3.2, "Ball", 0.2, 40, "2.4 mm to 4.5 mm is usual")
    bar: Measure = measure(1.1, "Link wire between balls", 0.05, 30, "about a third of the ball")
    wire: Measure = measure(0.9, "Wire", 0.05, 15, "a quarter of the ball")

    about: ClassVar[About] = About(
        "Ball chain", "chain", "bead chain", "common practice", (1.0, 12.0),
        hold="pinned", corners="carry", threads=("#aab4bd",),
    )  # fmt: skip

    def natural(self, scale: Scale) -> float:
        m = self.drawn(scale)
        return float(m.ball + m.bar)

    def make(self, scale: Scale) -> Motif:
        m, pen = self.begin(scale)
        r, middle = m.ball / 2, pen.length / 2
        # The wire's round ends meet on the path, so that it bends where two repeats do.
        pen.stroke(lines([(0, 0), (pen.length, 0)]), m.wire, lighter=-14)
        pen.fill(disc(middle, 0, r))
        pen.fill(disc(middle - 0.2 * r, -0.25 * r, 0.3 * r), lighter=7)
        pen.stroke(disc(middle, 0, r - LINE * r), LINE * m.ball, lighter=SHADE)
        return pen.motif(m.ball)
