"""Key border (meander), with its own corner."""

from __future__ import annotations

from dataclasses import dataclass
from typing import ClassVar

from curlet.core.measures import Measure, Scale
from curlet.core.motif.families.base import About, Family
from curlet.core.motif.families.border.rails import place_choice, rail, turned_side
from curlet.core.motif.motif import Motif
from curlet.core.outlines import box, lines
from curlet.core.settings import measure

# Along and across, in shares of the repeat and of half the width less half a line.
_HOOK = ((0.1, 1), (0.1, -1), (0.86, -1), (0.86, 0.34), (0.36, 0.34), (0.36, -0.36), (0.6, -0.36))
_CORNER = ((-1, 1), (-1, -1), (1, -1), (1, 0.34), (-0.34, 0.34), (-0.34, -0.36), (0.4, -0.36))

# Half of the square in an inner corner, as a share of half the width.
_EYE = 0.34


@dataclass(frozen=True)
class Key(Family):
    """Hooks on a rail; the rail lies to the right, so that it runs along the inside of a frame."""

    width: Measure = measure(12.0, "Width", 0.5, 300, "8 mm to 20 mm is usual")
    pitch: Measure = measure(14.0, "Pitch", 0.5, 300, "a little more than the width")
    line: Measure = measure(1.6, "Line", 0.05, 60, "an eighth of the width")
    place: str = place_choice(inner=True)

    about: ClassVar[About] = About(
        "Key", "border", "meander", "common practice", (5.0, 60.0),
        corners="piece", joins=True, threads=("#2b3440",),
    )  # fmt: skip

    def natural(self, scale: Scale) -> float:
        m = self.drawn(scale)
        return float(m.pitch if m.place == "repeat" else m.width)

    def make(self, scale: Scale) -> Motif:
        m, pen = self.begin(scale)
        h = (m.width - m.line) / 2
        rail(pen, turned_side(m.place) * h, m.line, corner=m.place != "repeat")
        if m.place == "inner corner":
            eye = _EYE * h
            pen.fill(box(pen.length - eye, -eye, pen.length + eye, eye))
            return pen.motif(m.width, overhang=0)
        if m.place == "corner":
            hook = [(pen.length + x * h, y * h) for x, y in _CORNER]
        else:
            hook = [(x * pen.length, y * h) for x, y in _HOOK]
        pen.stroke(lines(hook), m.line, ends="square", joins="mitre")
        return pen.motif(m.width, overhang=0)
