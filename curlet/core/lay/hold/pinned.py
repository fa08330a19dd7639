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
    # Start and end by turns, so that they come in order along the path.
    holes = path.arc.points(np.stack([slots.start, slots.end], axis=1).ravel()).reshape(-1, 4)
    start = np.ascontiguousarray(holes[:, :2])
    chord = holes[:, 2:] - start
    length = np.hypot(chord[:, 0], chord[:, 1])
    along = chord / np.maximum(length, SHORTEST)[:, None]
    if len(length) and length.min() < SHORTEST:
        folded = length < SHORTEST
        along[folded] = path.arc.tangents(slots.start[folded])
    return Placements(start, along, length)
