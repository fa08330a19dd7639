"""Rigid: as it is, turned at its middle to the tangent there."""

from __future__ import annotations

import numpy as np
from numpy.typing import NDArray

from curlet.core.lay.frames import LegLine
from curlet.core.lay.hold.placements import Placements
from curlet.core.lay.repeats import Repeats

Floats = NDArray[np.float64]


def rigid(line: LegLine, repeats: Repeats, offset: float, length: Floats | None = None) -> Placements:
    """Centred on the row's own line, `offset` to the right of the path."""
    frames = line.frames(repeats.middle, repeats.leg)
    beside = offset + repeats.beside
    # A repeat beside a bend has its length on its own line, Δs − offset·Δθ, not on the path's.
    own = repeats.end - repeats.start
    if offset:
        own = np.maximum(own - offset * _turned(line, repeats), 0.0)
    centre = frames.beside(beside)
    return Placements(centre - frames.along * (own / 2)[:, None], frames.along, own)


def _turned(line: LegLine, repeats: Repeats) -> Floats:
    """(n,) how far the path turns along each repeat, radians, clockwise on the sheet."""
    a = line.frames(repeats.start, repeats.leg).along
    b = line.frames(repeats.end, repeats.leg).along
    return np.asarray(np.arctan2(a[:, 0] * b[:, 1] - a[:, 1] * b[:, 0], (a * b).sum(axis=1)))
