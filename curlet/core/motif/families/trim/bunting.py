"""Bunting: flags on a tape."""

from __future__ import annotations

from dataclasses import dataclass
from typing import ClassVar

from curlet.core.measures import Measure, Scale
from curlet.core.motif.families.base import About, Family
from curlet.core.motif.motif import Motif
from curlet.core.outlines import box, lines
from curlet.core.settings import choice, count, measure


@dataclass(frozen=True)
class Bunting(Family):
    """Pointed or swallow-tailed flags; a repeat has one of each colour."""

    flag: Measure = measure(16.0, "Flag's width", 1, 400, "as wide as deep")
    depth: Measure = measure(18.0, "Flag's depth", 1, 400, "as deep as wide")
    apart: Measure = measure(4.0, "Flags apart", 0, 200, "a quarter of the width")
    tape: Measure = measure(2.5, "Tape", 0.2, 60, "2 mm to 12 mm is usual")
    form: str = choice("pointed", "Form", "pointed", "swallow-tailed", "square")
    colours: int = count(3, "Colours", 1, 6, "three are usual")

    about: ClassVar[About] = About(
        "Bunting", "trim", "flag bunting", "common practice", (10.0, 200.0),
        corners="mitre", joins=True,
        threads=("#c8553d", "#e9c46a", "#a8d4de", "#f3ead7", "#7c4a63", "#5f7f52"),
    )  # fmt: skip

    def natural(self, scale: Scale) -> float:
        m = self.drawn(scale)
        return float(m.colours * (m.flag + m.apart))

    def make(self, scale: Scale) -> Motif:
        m, pen = self.begin(scale)
        whole = m.tape + m.depth
        top, foot = -whole / 2 + m.tape / 2, whole / 2
        for index in range(m.colours):
            a = index * (m.flag + m.apart) + m.apart / 2
            b, middle = a + m.flag, a + m.flag / 2
            tail = {
                "pointed": [(middle, foot)],
                "swallow-tailed": [(b, foot), (middle, foot - 0.28 * m.depth), (a, foot)],
                "square": [(b, foot), (a, foot)],
            }[m.form]
            pen.fill(lines([(a, top), (b, top), *tail], closed=True), index + 1)
        pen.fill(box(0, -whole / 2, pen.length, -whole / 2 + m.tape), 1, -10)
        return pen.motif(whole, overhang=0)
