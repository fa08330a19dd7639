"""Checker: alternate squares of two colours."""

from __future__ import annotations

from dataclasses import dataclass
from typing import ClassVar

from curlet.core.measures import Measure, Scale
from curlet.core.motif.families.base import About, Family
from curlet.core.motif.families.border.rails import place_choice
from curlet.core.motif.motif import Motif
from curlet.core.outlines import box, lines
from curlet.core.settings import count, measure


@dataclass(frozen=True)
class Checker(Family):
    """Two squares along, as many across as asked; the corner goes on with the board."""

    square: Measure = measure(4.0, "Square", 0.1, 100, "3 mm to 8 mm is usual")
    rows: int = count(3, "Squares across", 1, 12, "two or three are usual")
    place: str = place_choice()

    about: ClassVar[About] = About(
        "Checker", "border", "chequered border", "common practice", (1.5, 40.0),
        corners="piece", joins=True, threads=("#2b3440", "#f3ead7"),
    )  # fmt: skip

    def natural(self, scale: Scale) -> float:
        m = self.drawn(scale)
        # A corner's reach is an even count of squares, and half of the width past them.
        return float(2 * m.square if m.place == "repeat" else self._reach() * m.square)

    def _reach(self) -> float:
        whole = self.rows // 2 + 1
        return (whole + whole % 2) + self.rows / 2

    def make(self, scale: Scale) -> Motif:
        m, pen = self.begin(scale)
        s, h = m.square, m.rows * m.square / 2
        corner = m.place == "corner"
        along = round((pen.length + h) / s) if corner else 2
        if corner:
            out, end = pen.length + h, pen.length
            points = [
                (0, -h),
                (out, -h),
                (out, end),
                (pen.length - h, end),
                (pen.length - h, h),
                (0, h),
            ]
            pen.fill(lines(points, closed=True), 2)
        else:
            pen.fill(box(0, -h, pen.length, h), 2)
        for column in range(along):
            down = along if corner and (column + 0.5) * s > pen.length - h else m.rows
            for row in range(column % 2, down, 2):
                x, y = column * s, row * s - h
                pen.fill(box(x, y, x + s, y + s))
        return pen.motif(2 * h, overhang=0)
