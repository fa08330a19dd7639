"""Backstitch: plump stitches end to end, each going back into the last one's hole."""

from __future__ import annotations

from dataclasses import dataclass
from typing import ClassVar

from curlet.core.measures import Measure, Scale
from curlet.core.motif.families.base import About, Family
from curlet.core.motif.motif import Motif
from curlet.core.outlines import lens
from curlet.core.settings import measure, number


@dataclass(frozen=True)
class Backstitch(Family):
    """Hand backstitch: no gap, the thread drawn in where it dives."""

    thread: Measure = measure(0.7, "Thread", 0.05, 10, "0.5 mm to 1 mm is usual for embroidery thread")
    waist: float = number(45, "Thickness at its holes", 10, 100, "where thread dives it is drawn in", "%")

    about: ClassVar[About] = About(
        "Backstitch", "stitch", "hand backstitch", "common practice", (2.0, 5.0),
        hold="pinned", threads=("#c8553d",), cell=3.0,
    )  # fmt: skip

    def make(self, scale: Scale) -> Motif:
        m, pen = self.begin(scale)
        pen.fill(lens(0.02 * pen.length, 0.98 * pen.length, m.thread / 2, end=m.waist / 100))
        return pen.motif(m.thread, sewn=True)
