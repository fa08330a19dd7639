"""Dentil and dog-tooth: blocks or teeth on a rail."""

from __future__ import annotations

from dataclasses import dataclass
from typing import ClassVar

import numpy as np

from curlet.core.measures import Measure, Scale
from curlet.core.motif.families.base import About, Family
from curlet.core.motif.families.border.rails import place_choice, rail, turned_side
from curlet.core.motif.motif import Motif
from curlet.core.outlines import box, lines
from curlet.core.settings import measure, number


@dataclass(frozen=True)
class Dentil(Family):
    """Blocks two thirds as wide as they stand apart, under a rail to the left; one block in the corner."""

    width: Measure = measure(8.0, "Width", 0.3, 200, "5 mm to 12 mm is usual")
    pitch: Measure = measure(6.0, "Pitch", 0.2, 200, "three quarters of the width")
    block: float = number(66, "Block", 10, 95, "in % of the pitch", "%")
    rail: Measure = measure(1.6, "Rail", 0.05, 60, "a fifth of the width")
    place: str = place_choice(inner=True)

    about: ClassVar[About] = About(
        "Dentil", "border", "dentil moulding", "common practice", (2.0, 30.0),
        corners="piece", joins=True, threads=("#2b3440",),
    )  # fmt: skip

    def natural(self, scale: Scale) -> float:
        m = self.drawn(scale)
        return float(m.pitch if m.place == "repeat" else m.width / 2 + m.pitch * (1 - m.block / 200))

    def make(self, scale: Scale) -> Motif:
        m, pen = self.begin(scale)
        h, side = m.width / 2, m.width / 2 - m.rail
        rail(pen, turned_side(m.place) * (m.rail / 2 - h), m.rail, corner=m.place != "repeat")
        if m.place == "corner":
            pen.fill(box(pen.length - h, -side, pen.length + side, h))
        elif m.place == "inner corner":
            pen.fill(box(pen.length - side, -h, pen.length + h, side))
        else:
            half = m.block / 200 * m.pitch
            pen.fill(box(pen.length / 2 - half, -h + m.rail * 0.5, pen.length / 2 + half, h))
        return pen.motif(m.width, overhang=0)


@dataclass(frozen=True)
class DogTooth(Family):
    """Teeth that touch at their feet, on a rail to the right; the corner's tooth stands on the diagonal."""

    width: Measure = measure(8.0, "Width", 0.3, 200, "5 mm to 12 mm is usual")
    pitch: Measure = measure(8.0, "Pitch", 0.2, 200, "as wide as high")
    rail: Measure = measure(1.2, "Rail", 0.05, 60, "a seventh of the width")
    place: str = place_choice(inner=True)

    about: ClassVar[About] = About(
        "Dog-tooth", "border", "dog-tooth border", "common practice", (2.0, 40.0),
        corners="piece", joins=True, threads=("#c8553d",),
    )  # fmt: skip

    def natural(self, scale: Scale) -> float:
        m = self.drawn(scale)
        return float(m.pitch if m.place == "repeat" else m.width)

    def make(self, scale: Scale) -> Motif:
        m, pen = self.begin(scale)
        h, length = m.width / 2, pen.length
        foot = h - m.rail
        rail(pen, turned_side(m.place) * (h - m.rail / 2), m.rail, corner=m.place != "repeat")
        if m.place == "corner":
            a = length - foot
            sunk, beside = foot + m.rail / 2, a - m.rail / 2
            teeth = [(0, sunk), (0, foot), (a / 2, -h), (a, foot), (a, sunk)]
            pen.fill(lines(teeth, closed=True))
            teeth = [
                (beside, length),
                (a, length),
                (length + h, length - a / 2),
                (a, length - a),
                (beside, length - a),
            ]
            pen.fill(lines(teeth, closed=True))
            d = h + foot
            kite = [(-0.06, -0.06), (0.62, 0.25), (1, 1), (0.25, 0.62)]
            pen.fill(lines([(a + x * d, foot - y * d) for x, y in kite], closed=True))
        elif m.place == "inner corner":
            # The tips of both meet on the diagonal.
            sunk = -foot - m.rail / 2
            tooth = np.array([(0, sunk), (0, -foot), (length / 2, h), (length, -foot), (length, sunk)])
            mirrored = length - tooth[:, ::-1]
            pen.fill(lines(tooth, closed=True))
            pen.fill(lines(mirrored, closed=True))
        else:
            # The teeth's feet go down into the rail.
            sunk = foot + m.rail / 2
            points = [(0, sunk), (0, foot), (length / 2, -h), (length, foot), (length, sunk)]
            pen.fill(lines(points, closed=True))
        return pen.motif(m.width, overhang=0)
