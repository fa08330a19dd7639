"""Cross stitch: two threads, the second over the first."""

from __future__ import annotations

from dataclasses import dataclass
from typing import ClassVar

from curlet.core.measures import Measure, Scale
from curlet.core.motif.families.base import About, Family
from curlet.core.motif.motif import Motif
from curlet.core.outlines import lines
from curlet.core.settings import choice, measure


@dataclass(frozen=True)
class Cross(Family):
    """Counted cross stitch; the lower leg is drawn a shade darker, so that the upper reads as on top."""

    width: Measure = measure(2.6, "Width", 0.3, 40, "1.8 mm (14 count) to 3 mm is usual")
    thread: Measure = measure(0.6, "Thread", 0.05, 10, "two strands, about 0.6 mm, are usual")
    upper: str = choice("rising", "Upper leg", "rising", "falling")

    about: ClassVar[About] = About(
        "Cross stitch", "stitch", "counted cross stitch", "common practice", (1.5, 4.0),
        hold="rigid", threads=("#c8553d",), cell="width",
    )  # fmt: skip

    def make(self, scale: Scale) -> Motif:
        m, pen = self.begin(scale)
        h, a, b = (m.width - m.thread) / 2, m.thread / 2, pen.length - m.thread / 2
        falling, rising = [(a, -h), (b, h)], [(a, h), (b, -h)]
        below, above = (falling, rising) if m.upper == "rising" else (rising, falling)
        pen.stroke(lines(below), m.thread, lighter=-10)
        pen.stroke(lines(above), m.thread)
        return pen.motif(m.width, overhang=0, sewn=True)
