"""Scallops: discs or half discs side by side."""

from __future__ import annotations

from dataclasses import dataclass
from typing import ClassVar

from curlet.core.measures import Measure, Scale
from curlet.core.motif.families.base import About, Family, choice, measure, number
from curlet.core.motif.motif import Motif
from curlet.core.motif.outlines import box, disc


@dataclass(frozen=True)
class Scallop(Family):
    """Discs about 98 % of their width apart read as a scalloped edge (common practice).

    On an edge, the discs' left halves are covered by a solid side.
    """

    width: Measure = measure(10.0, "Scallop's width", 0.5, 200, "8 mm to 20 mm is usual")
    apart: float = number(98, "Scallops apart", 60, 140, "98 % of their width reads as an edge", "%")
    form: str = choice("discs", "Form", "discs", "edge")
    eyelet: float = number(18, "Eyelet", 0, 60, "in % of the scallop's width; 0 for none", "%")
    line: Measure = measure(0.4, "Stitched line", 0, 5, "0 for none")

    about: ClassVar[About] = About(
        "Scallop", "trim", "scalloped edge", "spacing: common practice", (4.0, 40.0),
        hold="ride", corners="carry", threads=("#f3ead7", "#7c4a63"),
    )  # fmt: skip

    def natural(self, scale: Scale) -> float:
        return self.width.drawn(scale) * self.apart / 100

    def make(self, scale: Scale) -> Motif:
        m, pen = self.begin(scale)
        r, middle = m.width / 2, pen.length / 2
        pen.fill(disc(middle, 0, r))
        if m.line:
            pen.stroke(disc(middle, 0, max(r - 1.5 * m.line, r / 2)), m.line, lighter=-22)
        if m.form == "edge":
            pen.fill(box(-0.02, -r, pen.length + 0.02, 0))
        if m.eyelet:
            pen.fill(disc(middle, 0.35 * r if m.form == "edge" else 0, m.eyelet / 200 * m.width), 2)
        return pen.motif(m.width, overhang=max(r - middle, 0.0))
