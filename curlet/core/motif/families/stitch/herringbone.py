"""Herringbone: threads that cross near both edges."""

from __future__ import annotations

from dataclasses import dataclass
from typing import ClassVar

from curlet.core.measures import Measure, Scale
from curlet.core.motif.families.base import About, Family
from curlet.core.motif.motif import Motif
from curlet.core.outlines import lines
from curlet.core.settings import measure, number


@dataclass(frozen=True)
class Herringbone(Family):
    """Catch stitch: every thread goes on past where the next one begins, so that they cross."""

    width: Measure = measure(6.0, "Width", 0.5, 60, "5 mm to 8 mm is usual for hems")
    thread: Measure = measure(0.5, "Thread", 0.05, 10, "0.4 mm to 0.7 mm is usual")
    cross: float = number(25, "Crossing", 5, 45, "how much of a repeat the threads overlap", "%")

    about: ClassVar[About] = About(
        "Herringbone", "stitch", "catch stitch", "common practice", (3.0, 12.0),
        corners="pivot", threads=("#a8d4de",), cell=5.0,
    )  # fmt: skip

    def make(self, scale: Scale) -> Motif:
        m, pen = self.begin(scale)
        h, length, c = (m.width - m.thread) / 2, pen.length, m.cross / 200
        pen.stroke(lines([(-c * length, h), ((0.5 + c) * length, -h)]), m.thread, lighter=-8)
        pen.stroke(lines([((0.5 - c) * length, -h), ((1 + c) * length, h)]), m.thread)
        return pen.motif(m.width, overhang=c * length + m.thread / 2, sewn=True)
