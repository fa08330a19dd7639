"""Blind hem: small stitches in the fold, then one that catches the cloth."""

from __future__ import annotations

from dataclasses import dataclass
from typing import ClassVar

import numpy as np

from curlet.core.measures import Measure, Scale
from curlet.core.motif.families.base import About, Family
from curlet.core.motif.motif import Motif
from curlet.core.settings import count, measure


@dataclass(frozen=True)
class BlindHem(Family):
    """Machine blind hem: straight stitches and a bite to the left."""

    width: Measure = measure(3.0, "Bite", 0.3, 20, "2 mm to 4 mm is usual")
    thread: Measure = measure(0.3, "Thread", 0.05, 5, "0.2 mm to 0.3 mm is usual")
    straight: int = count(4, "Stitches between bites", 1, 12, "four are usual")

    about: ClassVar[About] = About(
        "Blind hem", "stitch", "machine blind hem", "common practice", (5.0, 20.0),
        corners="pivot", joins=True, threads=("#f3ead7",),
    )  # fmt: skip

    def natural(self, scale: Scale) -> float:
        return 1.6 * (self.straight + 2) * scale.factor

    def make(self, scale: Scale) -> Motif:
        m, pen = self.begin(scale)
        h = (m.width - m.thread) / 2
        step = pen.length / (m.straight + 2)
        x = np.append(np.arange(m.straight + 1), [m.straight + 1, m.straight + 2]) * step
        y = np.append(np.full(m.straight + 1, h), [-h, h])
        y[1 : m.straight : 2] -= 0.25 * m.thread
        pen.thread(np.stack([x, y], axis=1), m.thread)
        return pen.motif(m.width)
