"""Cover stitches 406 and 602: needle rows on the face, a looper's web beneath."""

from __future__ import annotations

from dataclasses import dataclass
from typing import ClassVar

import numpy as np

from curlet.core.measures import Measure, Scale
from curlet.core.motif.families.base import About, Family
from curlet.core.motif.families.pen import Pen
from curlet.core.motif.motif import Motif
from curlet.core.outlines import curve
from curlet.core.settings import choice, measure


@dataclass(frozen=True)
class Cover(Family):
    """Class 406: two needles and a looper; class 602 has a cover thread over the face as well.

    The face shows the needle rows (and 602's cover thread); beneath, the looper crosses between them.
    """

    stitch_class: str = choice("406", "Stitch class", "406", "602")
    face: str = choice("above", "Face", "above", "beneath")
    gauge: Measure = measure(4.8, "Gauge", 1, 30, "3.2, 4.8 and 6.4 mm are usual")
    thread: Measure = measure(0.35, "Thread", 0.05, 5, "0.2 mm to 0.4 mm is usual")

    about: ClassVar[About] = About(
        "Cover stitch", "stitch", "classes 406 and 602", "ISO 4915; gauges common practice", (1.8, 4.0),
        corners="mitre", joins=True, threads=("#f3ead7", "#a8d4de"), cell=2.5,
    )  # fmt: skip

    @property
    def sewn(self) -> tuple[str, ...]:
        return (self.stitch_class,)

    def make(self, scale: Scale) -> Motif:
        m, pen = self.begin(scale)
        h, length = m.gauge / 2, pen.length
        if m.face == "beneath" or m.stitch_class == "602":
            self._web(pen, h, m.thread, m.face == "beneath")
        for y in (-h, h):
            if m.face == "above":
                pen.thread([(0.08 * length, y), (0.86 * length, y)], m.thread)
            else:
                pen.stroke(curve([(0, y), (0.3 * length, y - 0.12 * h), (0.6 * length, y)]), m.thread)
        return pen.motif(m.gauge + m.thread, sewn=True)

    def _web(self, pen: Pen, h: float, thread: float, beneath: bool) -> None:
        """The thread that crosses between the rows, there and back in each stitch."""
        length = pen.length
        x = np.array([0, 0.18, 0.5, 0.68, 1.0]) * length
        y = np.array([-1, -0.9, 1, 0.9, -1]) * h
        pen.stroke(curve(np.stack([x, y], axis=1)), thread, 2)
        if beneath:
            pen.stroke(curve(np.stack([x, -y], axis=1)), thread, 2)
