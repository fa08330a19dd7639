"""Pinned: rigid, both ends on the path; thread lies straight between its holes."""

from __future__ import annotations

import numpy as np

from curlet.core.lay.hold.placements import Placements
from curlet.core.lay.slots import Slots
from curlet.core.path.path import Path

SHORTEST = 1e-9


def pinned(path: Path, slots: Slots) -> Placements:
    """Holes at each slot's two arc lengths.

    The drawn length is the chord: on a curve of radius R it is shorter than the feed l by
    l³/24R², which is left as it is.
    """
    holes = path.arc.points(np.concatenate([slots.start, slots.end]))
    start, end = holes[: len(slots)], holes[len(slots) :]
    chord = end - start
    length = np.hypot(chord[:, 0], chord[:, 1])
    folded = length < SHORTEST
    along = chord / np.where(folded, 1.0, length)[:, None]
    if folded.any():
        along[folded] = path.arc.tangents(slots.start[folded])
    return Placements(start, along, length)
