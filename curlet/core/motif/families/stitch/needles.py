"""Twin and triple needle: rows of lockstitch a gauge apart, in step."""

from __future__ import annotations

from dataclasses import dataclass
from typing import ClassVar

from curlet.core.measures import Measure, Scale
from curlet.core.motif.families.base import About, Family
from curlet.core.motif.motif import Motif
from curlet.core.settings import choice, count, measure


@dataclass(frozen=True)
class Needles(Family):
    """Two to four needles in one bar; gauges of 1/8, 3/16, 1/4 and 3/8 in are usual."""

    needles: int = count(2, "Needles", 2, 4, "two or three are usual")
    gauge: Measure = measure(6.35, "Gauge", 0.8, 50, "6.35 mm (1/4 in) is usual for twin needle")
    thread: Measure = measure(0.4, "Thread", 0.05, 5, "0.4 mm is usual for topstitching thread")
    twist: str = choice("none", "Twist lines", "none", "S", "Z")

    about: ClassVar[About] = About(
        "Twin and triple needle", "stitch", "class 301, needle bar", "gauges: common practice", (2.0, 5.0),
        corners="mitre", gap=1.0, threads=("#e9c46a",), cell=3.0,
    )  # fmt: skip

    @property
    def sewn(self) -> tuple[str, ...]:
        return ("301",) * self.needles

    def make(self, scale: Scale) -> Motif:
        m, pen = self.begin(scale)
        whole = m.gauge * (m.needles - 1)
        for needle in range(m.needles):
            y = needle * m.gauge - whole / 2
            pen.thread([(0, y), (pen.length, y)], m.thread, m.twist)
        return pen.motif(whole + m.thread, sewn=True)
