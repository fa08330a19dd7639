"""Lockstitch 301: machine stitches that nearly touch, a dimple where the threads lock."""

from __future__ import annotations

from dataclasses import dataclass
from typing import ClassVar

from curlet.core.measures import Measure, Scale
from curlet.core.motif.families.base import About, Family
from curlet.core.motif.motif import Motif
from curlet.core.outlines import lens
from curlet.core.settings import measure, tick


@dataclass(frozen=True)
class Lockstitch(Family):
    """Stitch class 301 (ISO 4915), both faces alike: needle thread above, bobbin thread below."""

    thread: Measure = measure(0.4, "Thread", 0.05, 5, "0.24 mm (tex 40) to 0.4 mm is usual")
    holes: bool = tick(True, "Needle holes")

    about: ClassVar[About] = About(
        "Lockstitch", "stitch", "class 301", "ISO 4915; 8 to 12 to the inch common practice", (1.8, 4.0),
        hold="pinned", gap=0.35, threads=("#e9c46a",), cell=2.2,
    )  # fmt: skip

    @property
    def sewn(self) -> tuple[str, ...]:
        return ("301",)

    def make(self, scale: Scale) -> Motif:
        m, pen = self.begin(scale)
        if m.holes:
            pen.holes([(0, 0), (pen.length, 0)], 0.8 * m.thread)
        pen.fill(lens(0, pen.length, m.thread / 2, end=0.6))
        return pen.motif(m.thread, sewn=True)
