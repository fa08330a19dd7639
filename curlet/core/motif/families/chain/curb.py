"""Curb chain: links twisted so that all lie flat, each aslant."""

from __future__ import annotations

import math
from dataclasses import dataclass
from typing import ClassVar

from curlet.core.measures import Measure, Scale
from curlet.core.motif.families.base import About, Family
from curlet.core.motif.families.chain.links import ring
from curlet.core.motif.motif import Motif
from curlet.core.outlines import disc
from curlet.core.settings import measure, number

# A narrow link that leans much would have to be longer than this many halves of its pitch.
_LONGEST = 1.4


@dataclass(frozen=True)
class Curb(Family):
    """Flat curb chain, every link over the next on one side and under it on the other."""

    wire: Measure = measure(2.0, "Wire", 0.1, 40, "0.8 mm to 3 mm is usual")
    pitch: Measure = measure(6.0, "Pitch", 0.3, 150, "about three wires")
    width: Measure = measure(8.0, "Width", 0.5, 150, "about four wires")
    lean: float = number(24, "Lean", 0, 60, "20° to 30° is usual", "°")

    about: ClassVar[About] = About(
        "Curb chain", "chain", "curb chain", "common practice", (2.0, 30.0),
        hold="rigid", corners="carry", overlap="interlaced", threads=("#d9b45b",), cell="pitch",
    )  # fmt: skip

    def make(self, scale: Scale) -> Motif:
        m, pen = self.begin(scale)
        ry = m.width / 2
        rx = m.wire + self._half_hole(pen.length / 2, ry - m.wire)
        inner = (max(rx - m.wire, 0.1 * m.wire), max(ry - m.wire, 0.1 * m.wire))
        middle = pen.length / 2
        ring(pen, disc(middle, 0, rx, ry, m.lean), disc(middle, 0, *inner, m.lean), m.wire)
        return pen.motif(2 * max(rx, ry), overhang=rx - pen.length / 2, interlinked=True)

    def _half_hole(self, half: float, ry: float) -> float:
        """Half the length of a link's hole, so that on the chain's middle the hole ends half a pitch from the
        link's own middle: there the wires of two links lie side by side, and the edge of one goes on as that
        of the other.

        From the leaning ellipse at y = 0, 1/x² = cos²/a² + sin²/b².
        """
        lean = math.radians(self.lean)
        rest = 1 / half**2 - (math.sin(lean) / max(ry, 1e-9)) ** 2
        longest = _LONGEST * half
        return min(math.cos(lean) / math.sqrt(rest), longest) if rest > 0 else longest
