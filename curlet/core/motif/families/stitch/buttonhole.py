"""Buttonhole: two satin columns, a bar at each end, and the cut between."""

from __future__ import annotations

from dataclasses import dataclass
from typing import ClassVar

import numpy as np

from curlet.core.measures import Measure, Scale
from curlet.core.motif.families.base import About, Family
from curlet.core.motif.motif import Motif
from curlet.core.outlines import capsule, lines
from curlet.core.settings import measure


@dataclass(frozen=True)
class Buttonhole(Family):
    """Straight buttonhole with bars; its length is the button's diameter and thickness."""

    length: Measure = measure(18.0, "Length", 3, 80, "the button's diameter and thickness")
    width: Measure = measure(4.5, "Width", 1, 20, "4 mm to 5 mm is usual")
    thread: Measure = measure(0.35, "Thread", 0.05, 5, "0.25 mm to 0.4 mm is usual")

    about: ClassVar[About] = About(
        "Buttonhole", "stitch", "straight buttonhole", "common practice", (10.0, 35.0),
        hold="rigid", gap=60.0, threads=("#f3ead7",), cell="length",
    )  # fmt: skip

    def make(self, scale: Scale) -> Motif:
        m, pen = self.begin(scale)
        bar, t = 0.1 * pen.length, m.thread
        slit = 0.06 * m.width
        pen.fill(capsule(0.8 * bar, pen.length - 0.8 * bar, max(slit, t / 2)), own="#2f2b26")
        for x in np.arange(bar, pen.length - bar, t * 1.05):
            for side in (-1, 1):
                pen.stroke(lines([(x, side * (slit + t)), (x + t / 2, side * (m.width - t) / 2)]), t)
        for x0 in (t / 2, pen.length - bar):
            for x in np.arange(x0, x0 + bar - t / 2 + 1e-9, t * 1.05):
                pen.stroke(lines([(x, -(m.width - t) / 2), (x, (m.width - t) / 2)]), t, lighter=-6)
        return pen.motif(m.width, overhang=0)
