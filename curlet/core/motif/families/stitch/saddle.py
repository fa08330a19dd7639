"""Saddle stitch: two needles through the same holes, every stitch slightly aslant."""

from __future__ import annotations

from dataclasses import dataclass
from typing import ClassVar

from curlet.core.measures import Measure, Scale
from curlet.core.motif.families.base import About, Family
from curlet.core.motif.motif import Motif
from curlet.core.settings import choice, measure, number, tick


@dataclass(frozen=True)
class Saddle(Family):
    """Leather worker's stitch: thread without a break, each stitch leaning the same way."""

    thread: Measure = measure(0.6, "Thread", 0.05, 10, "0.5 mm to 0.8 mm is usual for leather")
    lean: float = number(0.8, "Lean", 0, 3, "about a thread's thickness", "threads")
    twist: str = choice("none", "Twist lines", "none", "S", "Z")
    holes: bool = tick(True, "Needle holes")

    about: ClassVar[About] = About(
        "Saddle stitch", "stitch", "hand saddle stitch", "common practice", (2.5, 6.0),
        hold="pinned", gap=0.5, threads=("#f3ead7",), cell=3.5,
    )  # fmt: skip

    def make(self, scale: Scale) -> Motif:
        m, pen = self.begin(scale)
        rise = m.lean * m.thread / 2
        ends = [(0, rise), (pen.length, -rise)]
        if m.holes:
            pen.holes(ends, m.thread)
        pen.thread(ends, m.thread, m.twist)
        return pen.motif(m.thread + 2 * rise, sewn=True)
