"""Pompom trim: balls of cut yarn on a narrow heading."""

from __future__ import annotations

from dataclasses import dataclass
from typing import ClassVar

import numpy as np

from curlet.core.measures import Measure, Scale
from curlet.core.motif.families.base import About, Family
from curlet.core.motif.motif import Motif
from curlet.core.outlines import box, curve, lines
from curlet.core.settings import measure


@dataclass(frozen=True)
class Pompom(Family):
    """Bobble fringe; the balls hang to the right of the way."""

    ball: Measure = measure(10.0, "Ball", 1, 120, "6 mm to 20 mm is usual")
    pitch: Measure = measure(14.0, "Balls apart", 1, 200, "a little more than their width")
    heading: Measure = measure(4.0, "Heading", 0.5, 60, "3 mm to 6 mm is usual")
    drop: Measure = measure(2.5, "Drop", 0, 60, "2 mm to 5 mm is usual")

    about: ClassVar[About] = About(
        "Pompom", "trim", "bobble fringe", "common practice", (7.0, 50.0),
        corners="mitre", joins=True, threads=("#c8553d", "#f3ead7"), cell="pitch",
    )  # fmt: skip

    def make(self, scale: Scale) -> Motif:
        m, pen = self.begin(scale)
        whole = m.heading + m.drop + m.ball
        top, x, r = -whole / 2, pen.length / 2, m.ball / 2
        centre = whole / 2 - r
        pen.stroke(lines([(x, top + m.heading / 2), (x, centre)]), 0.1 * m.ball, 2)
        spikes = 34
        a = np.linspace(0, 2 * np.pi, 2 * spikes, endpoint=False)
        edge = r * np.where(np.arange(2 * spikes) % 2, 0.88, 1.0)
        pen.fill(curve(np.stack([x + edge * np.cos(a), centre + edge * np.sin(a)], axis=1), closed=True))
        for index in range(12):
            turn = 2.4 * index
            near, far = 0.25 * r + 0.04 * r * (index % 4), 0.78 * r
            way = np.array([np.cos(turn), np.sin(turn)])
            pen.stroke(lines([(x, centre) + near * way, (x, centre) + far * way]), 0.05 * m.ball, lighter=-14)
        pen.fill(box(0, top, pen.length, top + m.heading), 2)
        return pen.motif(whole, overhang=max(r - x, 0.0))
