"""Links: rigid at their own size, each centred on the chord between its two bearing points."""

from __future__ import annotations

import numpy as np
from numpy.typing import NDArray

from curlet.core.lay.frames import LegLine
from curlet.core.lay.hold.pinned import pinned
from curlet.core.lay.hold.placements import Placements
from curlet.core.lay.repeats import Repeats

Floats = NDArray[np.float64]


def links(line: LegLine, repeats: Repeats, offset: float, length: Floats) -> Placements:
    """Pins at each repeat's two arc lengths; a link keeps the length it was asked to have, and a clasp or a
    ring its own."""
    at = pinned(line, repeats, offset)
    kept = np.where(repeats.counted, length, at.length)
    play = at.length - kept
    return Placements(at.start + at.along * (play / 2)[:, None], at.along, kept)
