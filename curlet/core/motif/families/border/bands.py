"""Parallel bands, thick and thin."""

from __future__ import annotations

from dataclasses import dataclass
from typing import ClassVar

from curlet.core.measures import Measure, Scale
from curlet.core.motif.families.base import About, Family
from curlet.core.motif.families.border.rails import place_choice, rail
from curlet.core.motif.motif import Motif
from curlet.core.settings import choice, count, measure, number


@dataclass(frozen=True)
class Bands(Family):
    """Lines side by side, of even weight or thick in the middle, in as many colours as there are threads."""

    width: Measure = measure(8.0, "Width", 0.2, 200, "5 mm to 15 mm is usual")
    bands: int = count(3, "Bands", 1, 15, "three or five are usual")
    cover: float = number(60, "Cover", 5, 100, "how much of the width is line", "%")
    form: str = choice("thick middle", "Weights", "thick middle", "even")
    place: str = place_choice()

    about: ClassVar[About] = About(
        "Parallel bands", "border", "ruled border", "common practice", (2.0, 40.0),
        corners="piece", joins=True, threads=("#2b3440", "#c8553d"),
    )  # fmt: skip

    def natural(self, scale: Scale) -> float:
        m = self.drawn(scale)
        return float(m.width)

    def make(self, scale: Scale) -> Motif:
        m, pen = self.begin(scale)
        middle = (m.bands - 1) / 2
        weights = [
            (2.4 if m.form == "thick middle" and abs(i - middle) < 0.75 else 1.0) for i in range(m.bands)
        ]
        gap = (m.width * (1 - m.cover / 100)) / max(m.bands - 1, 1)
        unit = (m.width - gap * (m.bands - 1)) / sum(weights)
        y = -m.width / 2
        for weight in weights:
            thick = 2 if weight > 1 else 1
            rail(pen, y + unit * weight / 2, unit * weight, corner=m.place == "corner", thread=thick)
            y += unit * weight + gap
        return pen.motif(m.width, overhang=0)
