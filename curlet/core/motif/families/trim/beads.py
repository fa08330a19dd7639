"""Beads and pearls, sequins: round things on a thread."""

from __future__ import annotations

from dataclasses import dataclass
from typing import ClassVar

from curlet.core.measures import Measure, Scale
from curlet.core.motif.families.base import About, Family
from curlet.core.motif.motif import Motif
from curlet.core.outlines import box, disc, moved, sector, together
from curlet.core.settings import choice, measure


@dataclass(frozen=True)
class Bead(Family):
    """A bead or pearl with its thread through it."""

    width: Measure = measure(5.0, "Bead", 0.3, 60, "3 mm to 8 mm is usual")
    length: Measure = measure(5.0, "Along the thread", 0.3, 60, "as wide, or longer for a bugle")
    form: str = choice("pearl", "Form", "pearl", "bead")
    thread: Measure = measure(0.3, "Thread", 0.05, 5, "0.2 mm to 0.4 mm is usual")

    about: ClassVar[About] = About(
        "Bead", "trim", "beading", "common practice", (2.0, 20.0),
        hold="rigid", corners="piece", made="turned", fit="even-gaps", gap=0.6,
        threads=("#f3ead7", "#dcc594"), cell="length",
    )  # fmt: skip

    def make(self, scale: Scale) -> Motif:
        m, pen = self.begin(scale)
        x, rx, ry = pen.length / 2, pen.length / 2, m.width / 2
        reach = 0.12 * m.width
        pen.fill(box(-reach, -m.thread / 2, pen.length + reach, m.thread / 2), 2, -12)
        pen.fill(disc(x, 0, rx, ry), lighter=-16)
        pen.fill(disc(x - 0.06 * rx, -0.06 * ry, 0.88 * rx, 0.88 * ry))
        if m.form == "pearl":
            pen.fill(disc(x - 0.3 * rx, -0.34 * ry, 0.24 * rx, 0.2 * ry, -30), lighter=6)
        else:
            pen.fill(disc(x, 0, 0.16 * rx, 0.34 * ry), lighter=-34)
        return pen.motif(m.width, overhang=reach)


# A cupped sequin's six facets, by where they begin and how light they are, the light from the upper left.
_FACET = 60.0
_LIT = ((0.0, -11.0), (60.0, -14.0), (120.0, -5.0), (180.0, 7.0), (240.0, 11.0), (300.0, 3.0))


@dataclass(frozen=True)
class Sequin(Family):
    """Flat or cupped discs with a hole, each lying over the one before it, lit on one side."""

    width: Measure = measure(6.0, "Sequin", 0.5, 60, "4, 6 and 8 mm are usual")
    hole: Measure = measure(1.0, "Hole", 0.1, 10, "about 1 mm")
    cut: str = choice("cupped", "Form", "cupped", "flat")

    about: ClassVar[About] = About(
        "Sequin", "trim", "sequin string", "common practice", (2.0, 15.0),
        hold="rigid", corners="carry", gap=-2.4, threads=("#7c4a63", "#f3ead7"), cell="width",
    )  # fmt: skip

    def make(self, scale: Scale) -> Motif:
        m, pen = self.begin(scale)
        r, x = m.width / 2, pen.length / 2
        pen.fill(together(disc(x, 0, r), disc(x, 0, m.hole / 2)), even_odd=True)
        if m.cut == "cupped":
            for turn, shade in _LIT:
                pen.fill(moved(sector(r, 0.42 * r, turn, turn + _FACET), x, 0), lighter=shade)
        else:
            pen.fill(moved(sector(r, m.hole / 2, 135, 315), x, 0), lighter=-7)
        pen.stroke(disc(x, 0, r * 0.97), 0.04 * m.width, lighter=-20)
        pen.fill(box(x - 0.55 * r, -0.04 * m.width, x, 0.04 * m.width), 2)
        return pen.motif(m.width, overhang=0)
