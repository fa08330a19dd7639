"""Flat braid and round braid."""

from __future__ import annotations

from dataclasses import dataclass
from typing import ClassVar

import numpy as np

from curlet.core.measures import Measure, Scale
from curlet.core.motif.families.base import About, Family
from curlet.core.motif.families.rope.laid import INSIDE
from curlet.core.motif.motif import Motif
from curlet.core.outlines import box, lens, moved
from curlet.core.settings import choice, count, measure


@dataclass(frozen=True)
class FlatBraid(Family):
    """Strands plaited over one, under one: they lean one way in every other column, then the other."""

    width: Measure = measure(10.0, "Width", 0.5, 120, "6 mm to 15 mm is usual")
    columns: int = count(4, "Columns", 2, 12, "one less than there are strands")
    pick: Measure = measure(4.0, "Pick", 0.3, 60, "along the braid, from one crossing to the next")
    colours: str = choice("one", "Colours", "one", "two")

    about: ClassVar[About] = About(
        "Flat braid", "rope", "plaited braid", "common practice", (1.0, 15.0),
        corners="mitre", overlap="interlaced", joins=True, threads=("#7c4a63", "#dcc594"), cell="pick",
    )  # fmt: skip

    def make(self, scale: Scale) -> Motif:
        m, pen = self.begin(scale)
        h, column = m.width / 2, m.width / m.columns
        pen.fill(box(0, -0.9 * h, pen.length, 0.9 * h), 1, -18)
        angle = float(np.degrees(np.arctan2(column, 0.8 * m.pick)))
        long = float(np.hypot(column, 0.8 * m.pick)) * 1.02
        strand = lens(-long / 2, long / 2, 0.28 * min(m.pick, column * 1.6), end=0.4)
        for row in range(m.columns):
            y = (row + 0.5) * column - h
            lean, colour = (angle, 1) if row % 2 else (-angle, 2 if m.colours == "two" else 1)
            x = (0.75 if row % 2 else 0.25) * m.pick
            pen.fill(moved(strand, x, y, lean), colour, over=True)
        return pen.motif(m.width, overhang=0.25 * m.pick, runs_on=True)


@dataclass(frozen=True)
class RoundBraid(Family):
    """Strands that meet in a V along the middle, as on a sleeve of eight."""

    diameter: Measure = measure(6.0, "Diameter", 0.5, 80, "4 mm to 10 mm is usual")
    pick: Measure = measure(3.2, "Pick", 0.3, 40, "along the braid, from one strand to the next")

    about: ClassVar[About] = About(
        "Round braid", "rope", "braided cord", "common practice", (1.0, 12.0),
        corners="mitre", overlap="interlaced", joins=True, threads=("#f3ead7",), cell="pick",
    )  # fmt: skip

    def make(self, scale: Scale) -> Motif:
        m, pen = self.begin(scale)
        h = m.diameter / 2
        pen.fill(box(0, -INSIDE * h, pen.length, INSIDE * h), 1, -20)
        angle = float(np.degrees(np.arctan2(h, 0.95 * m.pick)))
        long = float(np.hypot(h, 0.95 * m.pick)) * 1.02
        strand = lens(-long / 2, long / 2, 0.36 * m.pick, end=0.45)
        for side in (-1, 1):
            x = (0.25 if side > 0 else 0.75) * m.pick
            pen.fill(moved(strand, x, side * h / 2, -side * angle), over=True)
        return pen.motif(m.diameter, overhang=0.3 * m.pick, runs_on=True)
