"""The panels that arc length is added up on, and its inverse on each of them."""

from __future__ import annotations

import numpy as np
from numpy.typing import NDArray

Floats = NDArray[np.float64]
Ints = NDArray[np.intp]

MOST_PANELS, FEWEST_PANELS, PANELS_IN_ALL = 28, 4, 8192


def panel_counts(straight: NDArray[np.bool_]) -> Ints:
    """How many panels each segment begins with."""
    panels = PANELS_IN_ALL // max(len(straight), 1)
    return np.where(straight, 1, min(max(panels, FEWEST_PANELS), MOST_PANELS))


def divided(count: Ints) -> tuple[Ints, Floats, Floats]:
    """Segment, start and end of each panel, for so many panels to each segment."""
    seg = np.repeat(np.arange(len(count)), count)
    first = np.repeat(np.cumsum(count) - count, count)
    t0 = (np.arange(len(seg)) - first) / count[seg]
    t1 = (np.arange(len(seg)) - first + 1) / count[seg]
    return seg, t0, t1


def inverse_on(rate: Floats, t0: Floats, t1: Floats, length: Floats) -> Floats:
    """(6, k) coefficients of t over u = 0…1 along each panel, from its rates.

    A standstill has no finite slope: there the panel is crossed evenly, being halved until
    it is too short for that to matter.
    """
    rise = t1 - t0
    (m0, m1), (q0, q1) = slope, bend = _slopes(rate, np.stack([t0, t1]), length)
    fine = np.isfinite(slope).all(axis=0) & np.isfinite(bend).all(axis=0)
    if not fine.all():
        slope[:, ~fine], bend[:, ~fine] = rise[~fine], 0.0
    return np.stack(
        [
            t0,
            m0,
            q0 / 2,
            10 * rise - 6 * m0 - 4 * m1 - 1.5 * q0 + 0.5 * q1,
            -15 * rise + 8 * m0 + 7 * m1 + 1.5 * q0 - q1,
            6 * rise - 3 * (m0 + m1) + 0.5 * (q1 - q0),
        ]
    )


def _slopes(rate: Floats, t: Floats, length: Floats) -> tuple[Floats, Floats]:
    """dt/du and d²t/du² at (2, k) parameters, where u runs 0…1 over `length`."""
    (ax, ay), (bx, by), (cx, cy) = rate
    atx, aty = ax * t, ay * t
    bx, by = atx + bx, aty + by
    vx, vy = bx * t + cx, by * t + cy
    wx, wy = atx + bx, aty + by
    with np.errstate(all="ignore"):
        square = vx * vx + vy * vy
        slope = length / np.sqrt(square)
        bend = -(slope * slope) * (vx * wx + vy * wy) / square
    return slope, bend
