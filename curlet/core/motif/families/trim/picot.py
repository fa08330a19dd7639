"""Picot: small loops along a cord."""

from __future__ import annotations

from dataclasses import dataclass
from typing import ClassVar

from curlet.core.measures import Measure, Scale
from curlet.core.motif.families.base import About, Family
from curlet.core.motif.motif import Motif
from curlet.core.outlines import box, curve
from curlet.core.settings import measure


@dataclass(frozen=True)
class Picot(Family):
    """Loops of thread on a narrow heading; they stand to the right of the way."""

    loop: Measure = measure(4.0, "Loop's height", 0.3, 60, "2 mm to 5 mm is usual")
    pitch: Measure = measure(4.0, "Loops apart", 0.3, 60, "about their height")
    thread: Measure = measure(0.6, "Thread", 0.05, 10, "0.4 mm to 0.8 mm is usual")
    heading: Measure = measure(1.6, "Heading", 0.1, 30, "1 mm to 3 mm is usual")

    about: ClassVar[About] = About(
        "Picot", "trim", "picot edging", "common practice", (2.0, 12.0),
        corners="mitre", joins=True, threads=("#f3ead7",), cell="pitch",
    )  # fmt: skip

    def make(self, scale: Scale) -> Motif:
        m, pen = self.begin(scale)
        length, h = pen.length, m.heading / 2
        loop = [
            (0.42 * length, h), (0.12 * length, h + 0.45 * m.loop), (0.5 * length, h + m.loop - m.thread / 2),
            (0.88 * length, h + 0.45 * m.loop), (0.58 * length, h),
        ]  # fmt: skip
        pen.stroke(curve(loop), m.thread)
        pen.fill(box(0, -h, length, h), lighter=-8)
        return pen.motif(2 * (h + m.loop), overhang=0)
