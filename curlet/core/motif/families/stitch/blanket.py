"""Blanket stitch: legs into the cloth, joined along its edge."""

from __future__ import annotations

import math
from dataclasses import dataclass
from typing import ClassVar

from curlet.core.measures import Measure, Scale
from curlet.core.motif.families.base import About, Family
from curlet.core.motif.motif import Motif
from curlet.core.outlines import curve
from curlet.core.settings import measure, number


@dataclass(frozen=True)
class Blanket(Family):
    """Hand blanket stitch; the edge lies to the right of the way."""

    depth: Measure = measure(5.0, "Depth", 0.5, 60, "4 mm to 8 mm is usual")
    thread: Measure = measure(0.7, "Thread", 0.05, 10, "0.5 mm to 1 mm is usual for embroidery thread")
    lean: float = number(0, "Lean of the legs", -45, 45, "0° stands square to the edge", "°")

    about: ClassVar[About] = About(
        "Blanket stitch", "stitch", "hand blanket stitch", "common practice", (3.0, 10.0),
        corners="mitre", joins=True, threads=("#c8553d",), cell=5.0,
    )  # fmt: skip

    def make(self, scale: Scale) -> Motif:
        m, pen = self.begin(scale)
        h, length = (m.depth - m.thread) / 2, pen.length
        shift = math.tan(math.radians(m.lean)) * 2 * h
        pen.thread([(length / 2, h), (length / 2 + shift, -h)], m.thread)
        edge = [
            (0, h),
            (0.45 * length, h),
            (0.55 * length, h - 0.25 * m.thread),
            (0.7 * length, h),
            (length, h),
        ]
        pen.stroke(curve(edge), m.thread)
        return pen.motif(m.depth)
