"""Bartack: a dense zigzag that holds a pocket's corner."""

from __future__ import annotations

from dataclasses import dataclass
from typing import ClassVar

import numpy as np

from curlet.core.measures import Measure, Scale
from curlet.core.motif.families.base import About, Family
from curlet.core.motif.motif import Motif
from curlet.core.settings import count, measure


@dataclass(frozen=True)
class Bartack(Family):
    """Class 304 sewn close: 28 or 42 stitches over 6 to 12 mm."""

    length: Measure = measure(10.0, "Length", 1, 60, "6 mm to 12 mm is usual")
    width: Measure = measure(2.0, "Width", 0.3, 20, "1.5 mm to 3 mm is usual")
    thread: Measure = measure(0.3, "Thread", 0.05, 5, "0.25 mm to 0.4 mm is usual")
    stitches: int = count(28, "Stitches", 6, 120, "28 or 42 are usual")

    about: ClassVar[About] = About(
        "Bartack", "stitch", "class 304, close", "common practice", (4.0, 20.0),
        hold="rigid", gap=20.0, threads=("#e9c46a",), cell="length",
    )  # fmt: skip

    def make(self, scale: Scale) -> Motif:
        m, pen = self.begin(scale)
        h = (m.width - m.thread) / 2
        x = np.linspace(m.thread / 2, pen.length - m.thread / 2, m.stitches + 1)
        y = np.where(np.arange(m.stitches + 1) % 2, h, -h)
        pen.thread(np.stack([x, y], axis=1), m.thread)
        return pen.motif(m.width, overhang=0)
