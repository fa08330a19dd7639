"""Cubic Bézier segments: points on them and pieces of them."""

from __future__ import annotations

import numpy as np
from numpy.typing import NDArray

Floats = NDArray[np.float64]


def split(cubic: Floats, t: float) -> tuple[Floats, Floats]:
    """A (4, 2) cubic's two parts before and after t (de Casteljau)."""
    a, b, c, d = cubic
    ab, bc, cd = a + (b - a) * t, b + (c - b) * t, c + (d - c) * t
    abc, bcd = ab + (bc - ab) * t, bc + (cd - bc) * t
    middle = abc + (bcd - abc) * t
    return np.array([a, ab, abc, middle]), np.array([middle, bcd, cd, d])


def points_on(cubics: Floats, t: Floats) -> Floats:
    """(k, m, 2) points of (k, 4, 2) cubics at m parameters."""
    u = 1 - t
    weights = np.stack([u**3, 3 * u * u * t, 3 * u * t * t, t**3], axis=1)
    points: Floats = np.einsum("mc,kcd->kmd", weights, cubics)
    return points


def rates_on(cubics: Floats, t: Floats) -> Floats:
    """(k, m, 2) derivatives of (k, 4, 2) cubics at m parameters."""
    u = 1 - t
    weights = np.stack([-3 * u * u, 3 * u * u - 6 * u * t, 6 * u * t - 3 * t * t, 3 * t * t], axis=1)
    rates: Floats = np.einsum("mc,kcd->kmd", weights, cubics)
    return rates


def in_parts(cubic: Floats, count: int) -> Floats:
    """(count, 4, 2) equal parts of a cubic in its parameter."""
    parts, rest = [], cubic
    for left in range(count, 1, -1):
        first, rest = split(rest, 1 / left)
        parts.append(first)
    return np.array([*parts, rest])
