"""Fringe and tassel fringe."""

from __future__ import annotations

from dataclasses import dataclass
from typing import ClassVar

import numpy as np

from curlet.core.measures import Measure, Scale
from curlet.core.motif.families.base import About, Family
from curlet.core.motif.families.pen import Pen
from curlet.core.motif.motif import Motif
from curlet.core.outlines import box, curve, disc, lines, ribbon
from curlet.core.settings import count, measure


def _heading(pen: Pen, top: float, foot: float) -> None:
    """A woven heading with its two ribs."""
    pen.fill(box(0, top, pen.length, foot))
    rib = 0.16 * (foot - top)
    for y in (top + 1.5 * rib, foot - 1.5 * rib):
        pen.fill(box(0, y - rib / 2, pen.length, y + rib / 2), lighter=-18)


@dataclass(frozen=True)
class Fringe(Family):
    """Cut threads hanging from a heading, to the right of the way."""

    depth: Measure = measure(22.0, "Depth over all", 2, 400, "20 mm to 60 mm is usual")
    heading: Measure = measure(5.0, "Heading", 0.5, 60, "4 mm to 8 mm is usual")
    thread: Measure = measure(1.0, "Thread", 0.05, 20, "0.8 mm to 2 mm is usual")
    strands: int = count(4, "Threads in a repeat", 1, 24, "their lengths differ a little")

    about: ClassVar[About] = About(
        "Fringe", "trim", "cut fringe", "common practice", (1.5, 25.0),
        corners="piece", made="gathered", joins=True, threads=("#e9c46a",),
    )  # fmt: skip

    def natural(self, scale: Scale) -> float:
        return self.strands * 1.25 * self.thread.drawn(scale)

    def make(self, scale: Scale) -> Motif:
        m, pen = self.begin(scale)
        h, step = m.depth / 2, pen.length / m.strands
        foot = -h + m.heading
        for index in range(m.strands):
            x = (index + 0.43) * step
            end = h - 0.06 * m.depth * (index * 5 % 3) / 2
            # All to one side, so that no thread closes the gap to the next or leaves the cell.
            waver = (0.11 + 0.015 * (index * 3 % 4)) * step
            points = [(x, foot - 0.2 * m.heading), (x + waver, 0.4 * foot + 0.6 * end), (x, end)]
            pen.fill(ribbon(points, m.thread), lighter=(-10.0, 0.0, -5.0)[index % 3])
        _heading(pen, -h, foot)
        return pen.motif(m.depth, overhang=0)


@dataclass(frozen=True)
class TasselFringe(Family):
    """Tassels on a heading: neck, head and skirt."""

    depth: Measure = measure(30.0, "Depth over all", 4, 400, "25 mm to 60 mm is usual")
    heading: Measure = measure(6.0, "Heading", 0.5, 60, "4 mm to 8 mm is usual")
    tassel: Measure = measure(9.0, "Tassel's width", 1, 120, "a third of its drop")
    pitch: Measure = measure(14.0, "Tassels apart", 1, 200, "one and a half widths")

    about: ClassVar[About] = About(
        "Tassel fringe", "trim", "tassel fringe", "common practice", (8.0, 60.0),
        corners="mitre", joins=True, threads=("#7c4a63", "#e9c46a"), cell="pitch",
    )  # fmt: skip

    def make(self, scale: Scale) -> Motif:
        m, pen = self.begin(scale)
        h, x = m.depth / 2, pen.length / 2
        foot, r = -h + m.heading, 0.3 * m.tassel
        top = foot + 0.12 * m.depth
        pen.stroke(lines([(x, foot - 0.3 * m.heading), (x, top)]), 0.14 * m.tassel)
        skirt = curve([
            (x - 0.7 * r, top + 1.5 * r), (x - m.tassel / 2, h - 0.04 * m.depth), (x, h - 0.02 * m.depth),
            (x + m.tassel / 2, h - 0.04 * m.depth), (x + 0.7 * r, top + 1.5 * r),
        ], closed=True)  # fmt: skip
        pen.fill(skirt)
        for u in np.linspace(-0.75, 0.75, 6):
            line = [(x + 0.6 * r * u, top + 2.1 * r), (x + 0.46 * m.tassel * u, h - 0.07 * m.depth)]
            pen.stroke(lines(line), 0.045 * m.tassel, lighter=-16)
        pen.fill(disc(x, top + 0.8 * r, r))
        pen.fill(box(x - 0.72 * r, top + 1.4 * r, x + 0.72 * r, top + 1.95 * r), 2)
        _heading(pen, -h, foot)
        return pen.motif(m.depth, overhang=0)
