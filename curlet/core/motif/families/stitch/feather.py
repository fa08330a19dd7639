"""Feather stitch: open loops alternately to the left and to the right."""

from __future__ import annotations

from dataclasses import dataclass
from typing import ClassVar

from curlet.core.measures import Measure, Scale
from curlet.core.motif.families.base import About, Family
from curlet.core.motif.motif import Motif
from curlet.core.outlines import curve
from curlet.core.settings import measure


@dataclass(frozen=True)
class Feather(Family):
    """Hand feather stitch: each loop is held down by the next. A repeat has one of each side."""

    width: Measure = measure(7.0, "Width", 0.5, 60, "6 mm to 10 mm is usual")
    thread: Measure = measure(0.6, "Thread", 0.05, 10, "0.5 mm to 0.8 mm is usual")

    about: ClassVar[About] = About(
        "Feather stitch", "stitch", "hand feather stitch", "common practice", (5.0, 16.0),
        corners="pivot", threads=("#5f7f52",), cell=8.0,
    )  # fmt: skip

    def make(self, scale: Scale) -> Motif:
        m, pen = self.begin(scale)
        h, length = (m.width - m.thread) / 2, pen.length
        # The knot of every loop lies a little beside the middle, on its own side.
        for start, side in ((0.0, -1), (0.5, 1)):
            knot_in, knot_out = (start * length, -side * 0.25 * h), ((start + 0.5) * length, side * 0.25 * h)
            arm = [
                ((start + 0.02) * length, side * h), ((start + 0.25) * length, side * 0.62 * h), knot_out,
            ]  # fmt: skip
            pen.stroke(curve([knot_in, ((start + 0.25) * length, -side * 0.12 * h), knot_out]), m.thread)
            pen.stroke(curve(arm), m.thread)
        return pen.motif(m.width)
