"""Pinked edge: cloth cut in teeth."""

from __future__ import annotations

from dataclasses import dataclass
from typing import ClassVar

import numpy as np

from curlet.core.drawing import Outline
from curlet.core.measures import Measure, Scale
from curlet.core.motif.families.base import About, Family
from curlet.core.motif.motif import Motif
from curlet.core.outlines import curve, lines
from curlet.core.settings import choice, measure


@dataclass(frozen=True)
class Pinked(Family):
    """Teeth of pinking shears, 3 to 5 mm; the cloth lies to the left of the way."""

    tooth: Measure = measure(4.0, "Tooth's width", 0.3, 60, "3 mm to 5 mm is usual")
    height: Measure = measure(2.6, "Tooth's height", 0.2, 60, "about 0.65 of the width")
    border: Measure = measure(4.0, "Cloth beside it", 0, 200, "as much as is to be seen")
    form: str = choice("teeth", "Form", "teeth", "waves")

    about: ClassVar[About] = About(
        "Pinked edge", "trim", "pinked edge", "common practice", (2.0, 8.0),
        corners="mitre", joins=True, threads=("#66757d",), cell="tooth",
    )  # fmt: skip

    def make(self, scale: Scale) -> Motif:
        m, pen = self.begin(scale)
        whole = m.height + m.border
        top, foot, length = -whole / 2, whole / 2, pen.length
        valley = foot - m.height
        if m.form == "teeth":
            pen.fill(lines([(0, top), (length, top), (length, valley), (length / 2, foot),
                            (0, valley)], closed=True))  # fmt: skip
        else:
            edge = [(-0.5, foot), (-0.25, (foot + valley) / 2), (0, valley), (0.25, (foot + valley) / 2),
                    (0.5, foot), (0.75, (foot + valley) / 2), (1, valley), (1.25, (foot + valley) / 2),
                    (1.5, foot)]  # fmt: skip
            wave = curve([(x * length, y) for x, y in edge])
            back = np.array([(1.5 * length, top), (-0.5 * length, top)])
            pen.fill(Outline(wave.commands + "LLZ", np.concatenate([wave.points, back])))
        return pen.motif(whole, overhang=0, seamless=True)
