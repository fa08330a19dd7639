"""Polynomials worked out at many places at once."""

from __future__ import annotations

from collections.abc import Sequence

import numpy as np
from numpy.typing import NDArray

Floats = NDArray[np.float64]
Complex = NDArray[np.complex128]
Ints = NDArray[np.intp]


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


def times(first: Floats, second: Floats) -> Floats:
    """(k + l − 1, n) products of n polynomials each, (k, n) and (l, n), highest power first.

    >>> times(np.array([[1.0], [2.0]]), np.array([[1.0], [-2.0]])).ravel().tolist()
    [1.0, 0.0, -4.0]
    """
    found = np.zeros((len(first) + len(second) - 1, first.shape[1]))
    for power, coefficient in enumerate(first):
        found[power : power + len(second)] += coefficient * second
    return found


def derived(polynomials: Floats) -> Floats:
    """(k − 1, n) rates of change of (k, n) polynomials, highest power first."""
    return np.asarray(polynomials[:-1] * np.arange(len(polynomials) - 1, 0, -1)[:, None])


def roots(polynomials: Floats) -> tuple[Ints, Complex]:
    """Which of n polynomials, (k, n), highest power first, and its root, for every root but those at 0: the
    eigenvalues of their companion matrices, all of one size worked out at once.

    >>> of, at = roots(np.array([[1.0, 0.0], [-3.0, 2.0], [2.0, -1.0]]))
    >>> sorted(zip(of.tolist(), at.real.round(9).tolist()))
    [(0, 1.0), (0, 2.0), (1, 0.5)]
    """
    set_ = polynomials != 0
    some = np.flatnonzero(set_.any(axis=0))
    low, high = set_[:, some].argmax(axis=0), len(set_) - set_[::-1, some].argmax(axis=0)
    of, found = [np.zeros(0, dtype=np.intp)], [np.zeros(0, dtype=np.complex128)]
    for first, last in {*zip(low.tolist(), high.tolist(), strict=True)}:
        columns, degree = some[(low == first) & (high == last)], last - first - 1
        if not degree:
            continue
        matrices = np.zeros((len(columns), degree, degree))
        matrices[:, np.arange(1, degree), np.arange(degree - 1)] = 1.0
        matrices[:, 0] = (-polynomials[first + 1 : last, columns] / polynomials[first, columns]).T
        of.append(np.repeat(columns, degree))
        found.append(np.linalg.eigvals(matrices).ravel().astype(np.complex128))
    return np.concatenate(of), np.concatenate(found)


def cubic(a: Floats, b: Floats, c: Floats, d: Floats, t: Floats) -> tuple[Floats, Floats, Floats]:
    """A cubic's value, rate and rate of change at t, worked out in its coefficients' own arrays.

    With p = a·t + b, q = p·t + c and so on (Horner), q + t·(p + a·t) is the rate, 2·(p + 2·a·t) its change.
    """
    at = a * t
    b += at
    d += (q := b * t + c) * t
    return d, q + t * (b + at), 2 * (b + 2 * at)
