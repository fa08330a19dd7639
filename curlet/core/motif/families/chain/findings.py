"""A chain's end pieces: clasp and end ring."""

from __future__ import annotations

from dataclasses import dataclass
from typing import ClassVar

from curlet.core.measures import Measure, Scale
from curlet.core.motif.families.base import About, Family
from curlet.core.motif.families.chain.links import LINE, SHADE
from curlet.core.motif.motif import Motif
from curlet.core.outlines import capsule, curve, disc, together
from curlet.core.settings import choice, measure


@dataclass(frozen=True)
class EndRing(Family):
    """A jump ring that the clasp takes hold of."""

    wire: Measure = measure(2.0, "Wire", 0.1, 40, "as the chain's")
    opening: Measure = measure(7.0, "Opening", 0.3, 120, "three to four wires")

    about: ClassVar[About] = About(
        "End ring", "chain", "jump ring", "common practice", (2.0, 60.0), hold="rigid", piece=True,
        threads=("#aab4bd",),
    )  # fmt: skip

    def natural(self, scale: Scale) -> float:
        m = self.drawn(scale)
        return float(m.opening + 2 * m.wire)

    def make(self, scale: Scale) -> Motif:
        m, pen = self.begin(scale)
        r = pen.length / 2
        outer, inner = disc(r, 0, r), disc(r, 0, r - m.wire)
        pen.fill(together(outer, inner), even_odd=True)
        for edge in (outer, inner):
            pen.stroke(edge, LINE * m.wire, lighter=SHADE)
        return pen.motif(2 * r)


@dataclass(frozen=True)
class Clasp(Family):
    """A sprung hook clasp: eye, body with its lever, and hook."""

    length: Measure = measure(16.0, "Length", 1, 120, "9 mm to 16 mm is usual")
    side: str = choice("end", "Placed at", "end", "start")

    about: ClassVar[About] = About(
        "Clasp", "chain", "sprung hook clasp", "common practice", (5.0, 60.0), hold="rigid", piece=True,
        threads=("#aab4bd",), cell="length",
    )  # fmt: skip

    def make(self, scale: Scale) -> Motif:
        m, pen = self.begin(scale)
        unit, flip = pen.length / 16, m.side == "start"

        def x(value: float) -> float:
            return pen.length - value * unit if flip else value * unit

        eye = together(disc(x(1.6), 0, 1.6 * unit), disc(x(1.6), 0, 0.8 * unit))
        outline = curve([
            (x(2.6), 0.9 * unit), (x(4.5), 1.9 * unit), (x(9), 3.4 * unit), (x(14), 2.9 * unit),
            (x(16), 0.2 * unit), (x(14), -2.9 * unit), (x(9), -3.4 * unit), (x(4.5), -1.9 * unit),
            (x(2.6), -0.9 * unit),
        ], closed=True)  # fmt: skip
        inner = curve([
            (x(7.6), 0.9 * unit), (x(10), 1.9 * unit), (x(13), 1.5 * unit), (x(14.3), 0),
            (x(13), -1.6 * unit), (x(10), -1.8 * unit), (x(7.6), -0.9 * unit),
        ], closed=True)  # fmt: skip
        pen.fill(eye, even_odd=True)
        pen.fill(together(outline, inner), even_odd=True)
        for edge in (outline, inner):
            pen.stroke(edge, 0.3 * unit, lighter=SHADE)
        a, b = sorted((x(4.2), x(8.0)))
        pen.fill(capsule(a, b, 0.7 * unit, -2.2 * unit), lighter=-18)
        return pen.motif(6.8 * unit)
