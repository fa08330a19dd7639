"""A motif's picture at its placements."""

from __future__ import annotations

import numpy as np
from numpy.typing import NDArray

from curlet.core.drawing import Picture
from curlet.core.motif.motif import Motif

Floats = NDArray[np.float64]


def picture_item(motif: Motif, placements: Floats) -> Picture:
    """The picture over its whole cell, at (n, 6) placements of the cell."""
    assert motif.picture is not None
    linear = placements[:, :4].reshape(-1, 2, 2)
    over_cell = np.array([[1.0, 0.0], [0.0, motif.width]]) @ linear
    corner = np.array([0.0, -motif.width / 2]) @ linear + placements[:, 4:]
    return Picture(motif.picture, np.concatenate([over_cell.reshape(-1, 4), corner], axis=1))
