"""Whip stitch: slanting threads over an edge."""

from __future__ import annotations

from dataclasses import dataclass
from typing import ClassVar

from curlet.core.measures import Measure, Scale
from curlet.core.motif.families.base import About, Family
from curlet.core.motif.motif import Motif
from curlet.core.settings import choice, measure, number


@dataclass(frozen=True)
class Whip(Family):
    """Hand overcasting: every thread leans alike."""

    depth: Measure = measure(4.0, "Depth", 0.3, 60, "3 mm to 5 mm is usual")
    thread: Measure = measure(0.6, "Thread", 0.05, 10, "0.4 mm to 0.8 mm is usual")
    lean: float = number(60, "Lean", 0, 100, "how much of a repeat a thread crosses", "%")
    twist: str = choice("none", "Twist lines", "none", "S", "Z")

    about: ClassVar[About] = About(
        "Whip stitch", "stitch", "hand overcasting", "common practice", (2.0, 6.0),
        corners="pivot", threads=("#f3ead7",), cell=3.0,
    )  # fmt: skip

    def make(self, scale: Scale) -> Motif:
        m, pen = self.begin(scale)
        h, reach = (m.depth - m.thread) / 2, m.lean / 100 * pen.length
        start = (pen.length - reach) / 2
        pen.thread([(start, h), (start + reach, -h)], m.thread, m.twist)
        return pen.motif(m.depth, sewn=True)
