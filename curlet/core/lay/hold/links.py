"""Links: rigid at their own size, each centred on the chord between its two bearing points."""

from __future__ import annotations

from curlet.core.lay.frames import LegLine
from curlet.core.lay.hold.pinned import pinned
from curlet.core.lay.hold.placements import Placements
from curlet.core.lay.repeats import Repeats


def links(line: LegLine, repeats: Repeats, offset: float) -> Placements:
    """Pins at each repeat's two arc lengths; the link keeps the drawn length it was asked to have."""
    return pinned(line, repeats, offset)
