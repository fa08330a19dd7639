"""Scallops: arcs filled to a base line, or discs in a row."""

from __future__ import annotations

from dataclasses import dataclass
from types import SimpleNamespace
from typing import ClassVar

import numpy as np

from curlet.core.drawing import Outline
from curlet.core.measures import Measure, Scale
from curlet.core.motif.families.base import About, Family
from curlet.core.motif.families.pen import Pen
from curlet.core.motif.motif import Motif
from curlet.core.outlines import Floats, arc, box, disc
from curlet.core.settings import choice, measure, number


@dataclass(frozen=True)
class Scallop(Family):
    """An edge of arcs that rise from a base line, to the right of the way, with cloth behind it; or discs.

    An arc of width w and rise h is part of a circle of radius (w²/4 + h²)/2h; one that rises by more than
    half its width is half of an ellipse. Discs about 98 % of their width apart read as a scalloped edge
    (common practice).
    """

    width: Measure = measure(10.0, "Scallop's width", 0.5, 200, "8 mm to 20 mm is usual")
    rise: Measure = measure(4.0, "Arc's rise", 0.05, 200, "a third to a half of the width")
    depth: Measure = measure(3.0, "Cloth behind the arcs", 0, 200, "as much as is to be seen")
    apart: float = number(98, "Discs apart", 60, 140, "98 % of their width reads as an edge", "%")
    form: str = choice("edge", "Form", "edge", "discs")
    eyelet: float = number(18, "Eyelet", 0, 60, "in % of the scallop's width; 0 for none", "%")
    line: Measure = measure(0.4, "Stitched line", 0, 5, "0 for none")

    about: ClassVar[About] = About(
        "Scallop", "trim", "scalloped edge", "spacing of discs: common practice", (4.0, 40.0),
        corners="mitre", joins=True, threads=("#f3ead7", "#7c4a63"),
    )  # fmt: skip

    def natural(self, scale: Scale) -> float:
        return self.width.drawn(scale) * (self.apart / 100 if self.form == "discs" else 1.0)

    def make(self, scale: Scale) -> Motif:
        m, pen = self.begin(scale)
        return self._discs(pen, m) if self.form == "discs" else self._edge(pen, m)

    @staticmethod
    def _discs(pen: Pen, m: SimpleNamespace) -> Motif:
        r, middle = m.width / 2, pen.length / 2
        pen.fill(disc(middle, 0, r))
        if m.line:
            pen.stroke(disc(middle, 0, max(r - 1.5 * m.line, r / 2)), m.line, lighter=-22)
        if m.eyelet:
            pen.fill(disc(middle, 0, m.eyelet / 200 * m.width), 2)
        return pen.motif(m.width, overhang=max(r - middle, 0.0))

    @staticmethod
    def _edge(pen: Pen, m: SimpleNamespace) -> Motif:
        whole, length = m.depth + m.rise, pen.length
        base = whole / 2 - m.rise
        edge = _rising(length, m.rise) + (length / 2, base)
        back = [(length, -whole / 2), (0, -whole / 2)]
        commands = "M" + "C" * (len(edge) // 3) + "LLZ"
        pen.fill(Outline(commands, np.concatenate([edge, np.array(back)])))
        if m.line:
            inset = 2 * m.line
            line = _rising(length - 2 * inset, m.rise - inset) if min(length / 2, m.rise) > inset else None
            if line is not None:
                at = line + (length / 2, base)
                pen.stroke(Outline("M" + "C" * (len(at) // 3), at), m.line, lighter=-22)
            pen.fill(box(0, -whole / 2, length, -whole / 2 + m.line), lighter=-22)
        if m.eyelet:
            pen.fill(disc(length / 2, base + 0.3 * m.rise, m.eyelet / 200 * m.width), 2)
        return pen.motif(whole, overhang=0)


def _rising(width: float, rise: float) -> Floats:
    """The cubics of an arc from one end of a level chord to the other, about the chord's middle."""
    if rise >= width / 2:
        return arc(1.0, 180, 0) * (width / 2, rise)
    r = (width**2 / 4 + rise**2) / (2 * rise)
    half = float(np.degrees(np.arcsin(width / 2 / r)))
    return arc(r, 90 + half, 90 - half) + (0, rise - r)
