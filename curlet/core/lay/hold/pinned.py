"""Pinned: rigid, both ends on the path; thread lies straight between its holes."""

from __future__ import annotations

import numpy as np
from numpy.typing import NDArray

from curlet.core.lay.frames import LegLine
from curlet.core.lay.hold.placements import SHORTEST, Placements
from curlet.core.lay.repeats import Repeats

Floats = NDArray[np.float64]


def pinned(line: LegLine, repeats: Repeats, offset: float, length: Floats | None = None) -> Placements:
    """Holes at each repeat's two arc lengths, `offset` to the right of the path.

    The drawn length is the chord: on a curve of radius R it is shorter than the feed l by
    l³/24R², which is left as it is.
    """
    holes = _holes(line, repeats, offset)
    start = holes[:, ::2]
    # Coordinates by rows, which numpy is quick at.
    along = holes[:, 1::2] - start
    x, y = along
    between = np.sqrt(x * x + y * y)
    along /= np.maximum(between, SHORTEST)
    if len(between) and between.min() < SHORTEST:
        folded = between < SHORTEST
        along[:, folded] = line.path.arc.tangents(repeats.start[folded]).T
    return Placements(start.T, along.T, between)


def _holes(line: LegLine, repeats: Repeats, offset: float) -> Floats:
    """(2, 2n) x and y of each repeat's start and end hole."""
    # Start and end alternately, so that they come in order along the path.
    s = np.stack([repeats.start, repeats.end], axis=1).ravel()
    whole = line.path.length
    inside = line.path.closed or not len(s) or (repeats.start.min() >= 0 and repeats.end.max() <= whole)
    plain = offset == 0 and inside and repeats.counted.all() and not repeats.beside.any()
    if plain:
        return line.path.arc.coordinates(s)
    frames = line.frames(s, np.repeat(repeats.leg, 2))
    return frames.beside(offset + np.repeat(repeats.beside, 2)).T
