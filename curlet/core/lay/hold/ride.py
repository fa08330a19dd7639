"""Ride: rigid at the repeat's middle, turned to the tangent there."""

from __future__ import annotations

import numpy as np
from numpy.typing import NDArray

from curlet.core.lay.frames import LegLine
from curlet.core.lay.hold.placements import Placements
from curlet.core.lay.repeats import Repeats

Floats = NDArray[np.float64]


def ride(line: LegLine, repeats: Repeats, offset: float, length: Floats | None = None) -> Placements:
    """Centred on the row's own line, `offset` to the right of the path."""
    frames = line.frames(repeats.middle, repeats.leg)
    beside = offset + repeats.beside
    # A repeat beside a bend has its length on its own line, not on the path's.
    own = (repeats.end - repeats.start) * np.maximum(1 - frames.bend * offset, 0.0)
    centre = frames.beside(beside)
    return Placements(centre - frames.along * (own / 2)[:, None], frames.along, own)
