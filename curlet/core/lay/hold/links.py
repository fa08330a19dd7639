"""Links: rigid at their own size, each centred on the chord between its two bearing points."""

from __future__ import annotations

import numpy as np

from curlet.core.lay.frames import LegLine
from curlet.core.lay.hold.pinned import pinned
from curlet.core.lay.hold.placements import Placements
from curlet.core.lay.repeats import Repeats


def links(line: LegLine, repeats: Repeats, offset: float, length: float) -> Placements:
    """Pins at each repeat's two arc lengths; a link keeps the length it was asked to have."""
    at = pinned(line, repeats, offset)
    play = at.length - length
    return Placements(at.start + at.along * (play / 2)[:, None], at.along, np.full_like(at.length, length))
