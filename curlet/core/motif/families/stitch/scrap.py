"""A hand-drawn scrap of thread: a loose end, curling."""

from __future__ import annotations

from dataclasses import dataclass
from typing import ClassVar

import numpy as np

from curlet.core.measures import Measure, Scale
from curlet.core.motif.families.base import About, Family
from curlet.core.motif.motif import Motif
from curlet.core.outlines import ribbon
from curlet.core.settings import measure, number

# Drawn by hand on a grid of a hundred along and fifty across.
_HAND = (
    (2, 4), (9, -9), (20, -14), (31, -5), (38, 9), (48, 15), (58, 7), (61, -8), (53, -16),
    (47, -6), (55, 6), (70, 8), (82, -2), (97, 3),
)  # fmt: skip


@dataclass(frozen=True)
class Scrap(Family):
    """One loose thread, thinner at both ends; with sway it never looks the same twice."""

    length: Measure = measure(14.0, "Length", 1, 200, "10 mm to 20 mm is usual")
    thread: Measure = measure(0.5, "Thread", 0.05, 10, "0.3 mm to 0.8 mm is usual")
    curl: float = number(100, "Curl", 0, 200, "100 % is as drawn", "%")

    about: ClassVar[About] = About(
        "Scrap of thread", "stitch", "loose thread", "drawn by hand", (6.0, 40.0),
        hold="bend", gap=-3.0, threads=("#c8553d",), cell="length",
    )  # fmt: skip

    def make(self, scale: Scale) -> Motif:
        m, pen = self.begin(scale)
        points = np.array(_HAND) / 100 * pen.length * np.array([1.0, m.curl / 100])
        taper = np.interp(np.linspace(0, 1, len(points)), [0, 0.12, 0.9, 1], [0.5, 1, 1, 0.4])
        pen.fill(ribbon(points, m.thread * taper))
        return pen.motif(0.34 * pen.length * max(m.curl / 100, 0.05) + m.thread)
