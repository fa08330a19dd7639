"""Zigzag 304 and three-step zigzag."""

from __future__ import annotations

from dataclasses import dataclass
from typing import ClassVar

import numpy as np

from curlet.core.measures import Measure, Scale
from curlet.core.motif.families.base import About, Family
from curlet.core.motif.motif import Motif
from curlet.core.settings import choice, count, measure, tick


@dataclass(frozen=True)
class Zigzag(Family):
    """Stitch class 304 (ISO 4915); with three steps, three stitches to each side.

    A repeat is there and back: two stitches, or six.
    """

    width: Measure = measure(4.0, "Width", 0.3, 60, "3 mm to 5 mm is usual")
    thread: Measure = measure(0.4, "Thread", 0.05, 5, "0.24 mm (tex 40) to 0.4 mm is usual")
    steps: int = count(1, "Stitches to each side", 1, 5, "1 for 304, 3 for three-step")
    twist: str = choice("none", "Twist lines", "none", "S", "Z")
    holes: bool = tick(False, "Needle holes")

    about: ClassVar[About] = About(
        "Zigzag", "stitch", "class 304", "ISO 4915; widths common practice", (1.0, 8.0),
        corners="mitre", joins=True, threads=("#c8553d",),
    )  # fmt: skip

    def natural(self, scale: Scale) -> float:
        return 2.5 * max(self.steps * 0.7, 1) * scale.factor

    @property
    def sewn(self) -> tuple[str, ...]:
        return ("304",)

    def make(self, scale: Scale) -> Motif:
        m, pen = self.begin(scale)
        h, count = (m.width - m.thread) / 2, m.steps
        x = np.linspace(0, pen.length, 2 * count + 1)
        y = h * (1 - 2 * np.abs(np.arange(2 * count + 1) - count) / count)
        points = np.stack([x, y], axis=1)
        if m.holes:
            pen.holes(points, m.thread)
        pen.thread(points, m.thread, m.twist)
        return pen.motif(m.width)
