"""Running stitch: one straight thread between two holes."""

from __future__ import annotations

from dataclasses import dataclass
from typing import ClassVar

from curlet.core.measures import Measure, Scale
from curlet.core.motif.families.base import About, Family
from curlet.core.motif.families.pen import Pen
from curlet.core.motif.motif import Motif
from curlet.core.settings import choice, measure, tick


@dataclass(frozen=True)
class Running(Family):
    """Stitch class 301 seen from one side (ISO 4915).

    The thread's round ends stand half its thickness beyond the holes; flat ends stop at them.
    """

    thread: Measure = measure(0.4, "Thread", 0.005, 100, "0.4 mm is usual for topstitching thread")
    ends: str = choice("round", "Thread ends", "round", "flat")
    twist: str = choice("none", "Twist lines", "none", "S", "Z")
    holes: bool = tick(False, "Needle holes")

    about: ClassVar[About] = About(
        "Running stitch", "stitch", "class 301, one side", "ISO 4915; lengths common practice", (1.2, 12.0),
        hold="pinned", gap=1.0, threads=("#e9c46a",), cell=3.0,
    )  # fmt: skip

    @property
    def sewn(self) -> tuple[str, ...]:
        return ("301",)

    def make(self, scale: Scale) -> Motif:
        weight = self.thread.drawn(scale)
        pen = Pen(self.natural(scale))
        if self.holes:
            pen.holes([(0, 0), (pen.length, 0)], weight)
        pen.thread([(0, 0), (pen.length, 0)], weight, self.twist, ends=self.ends)
        return pen.motif(weight, sewn=True)
