"""Polynomials worked out at many places at once."""

from __future__ import annotations

from collections.abc import Sequence

import numpy as np
from numpy.typing import NDArray

Floats = NDArray[np.float64]


def quintic(coefficients: Sequence[Floats] | Floats, u: Floats) -> Floats:
    """A polynomial of six coefficients, lowest power first."""
    c0, c1, c2, c3, c4, c5 = coefficients
    value: Floats = ((((c5 * u + c4) * u + c3) * u + c2) * u + c1) * u + c0
    return value


def in_place(coefficients: Sequence[Floats], u: Floats) -> Floats:
    """A polynomial, highest power first, worked out in its first coefficient's own array."""
    value, *rest = coefficients
    for coefficient in rest:
        value *= u
        value += coefficient
    return value


def cubic(a: Floats, b: Floats, c: Floats, d: Floats, t: Floats) -> tuple[Floats, Floats, Floats]:
    """A cubic's value, rate and rate of change at t, worked out in its coefficients' own arrays.

    With p = a·t + b, q = p·t + c and so on (Horner), q + t·(p + a·t) is the rate, 2·(p + 2·a·t) its change.
    """
    at = a * t
    b += at
    d += (q := b * t + c) * t
    return d, q + t * (b + at), 2 * (b + 2 * at)
