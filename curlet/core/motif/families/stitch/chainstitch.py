"""Chain stitch 101 and 401: loops on one face, plain stitches on the other."""

from __future__ import annotations

from dataclasses import dataclass
from typing import ClassVar

from curlet.core.measures import Measure, Scale
from curlet.core.motif.families.base import About, Family
from curlet.core.motif.motif import Motif
from curlet.core.outlines import curve, lens
from curlet.core.settings import choice, measure


@dataclass(frozen=True)
class Chainstitch(Family):
    """Classes 101 (one thread) and 401 (two): each loop passes through the one before it.

    Class 401's looper thread lies twice along the looped face, so it is drawn fuller.
    """

    face: str = choice("looped", "Face", "looped", "plain")
    stitch_class: str = choice("101", "Stitch class", "101", "401")
    thread: Measure = measure(0.45, "Thread", 0.05, 5, "0.3 mm to 0.6 mm is usual")
    width: Measure = measure(1.7, "Width of the loops", 0.3, 20, "three to four threads is usual")

    about: ClassVar[About] = About(
        "Chain stitch", "stitch", "classes 101 and 401", "ISO 4915", (2.0, 6.0),
        corners="carry", threads=("#a8d4de", "#7c4a63"), cell=3.2,
    )  # fmt: skip

    @property
    def sewn(self) -> tuple[str, ...]:
        return (self.stitch_class,)

    def make(self, scale: Scale) -> Motif:
        m, pen = self.begin(scale)
        if m.face == "plain":
            pen.fill(lens(0.05 * pen.length, 0.95 * pen.length, m.thread / 2, end=0.55))
            return pen.motif(m.thread)
        length, h = pen.length, (m.width - m.thread) / 2
        looper = 2 if m.stitch_class == "401" else 1
        for side in (-1, 1):
            loop = [
                (-0.18 * length, side * 0.25 * h), (0.1 * length, side * 0.8 * h), (0.4 * length, side * h),
                (0.75 * length, side * 0.75 * h), (length, 0),
            ]  # fmt: skip
            pen.stroke(curve(loop), m.thread, looper)
        if m.stitch_class == "401":
            pen.stroke(curve([(0.12 * length, 0), (0.85 * length, 0)]), 0.8 * m.thread, 1)
        return pen.motif(m.width)
