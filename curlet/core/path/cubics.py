"""Cubic Bézier segments: points on them and pieces of them."""

from __future__ import annotations

import numpy as np
from numpy.typing import NDArray

Floats = NDArray[np.float64]

# A cubic whose higher powers weigh less than this beside its reach is a line at even speed.
_EVEN = 1e-9
# What lies nearer to an end is the end.
_INNER = 1e-10


def straight(a: Floats, b: Floats) -> Floats:
    """(…, 4, 2) cubics at even speed from (…, 2) points to others."""
    line = np.empty((*a.shape[:-1], 4, 2))
    line[..., 0, :], line[..., 1, :], line[..., 2, :], line[..., 3, :] = (
        a,
        (2 * a + b) / 3,
        (a + 2 * b) / 3,
        b,
    )
    return line


def split(cubic: Floats, t: float) -> tuple[Floats, Floats]:
    """A (4, 2) cubic's two parts before and after t (de Casteljau)."""
    a, b, c, d = cubic
    ab, bc, cd = a + (b - a) * t, b + (c - b) * t, c + (d - c) * t
    abc, bcd = ab + (bc - ab) * t, bc + (cd - bc) * t
    middle = abc + (bcd - abc) * t
    return np.array([a, ab, abc, middle]), np.array([middle, bcd, cd, d])


def split_each(cubics: Floats, t: Floats) -> tuple[Floats, Floats]:
    """The two parts of each of (n, 4, 2) cubics, before and after one t each, as `split`."""
    a, b, c, d = (cubics[:, i] for i in range(4))
    t = t[:, None]
    ab, bc, cd = a + (b - a) * t, b + (c - b) * t, c + (d - c) * t
    abc, bcd = ab + (bc - ab) * t, bc + (cd - bc) * t
    middle = abc + (bcd - abc) * t
    return np.stack([a, ab, abc, middle], axis=1), np.stack([middle, bcd, cd, d], axis=1)


def halves(cubics: Floats) -> Floats:
    """(2k, 4, 2) both halves of (k, 4, 2) cubics, in order."""
    a, b, c, d = (cubics[:, i] for i in range(4))
    ab, bc, cd = (a + b) / 2, (b + c) / 2, (c + d) / 2
    abc, bcd = (ab + bc) / 2, (bc + cd) / 2
    middle = (abc + bcd) / 2
    return np.stack([a, ab, abc, middle, middle, bcd, cd, d], axis=1).reshape(-1, 4, 2)


def points_on(cubics: Floats, t: Floats) -> Floats:
    """(k, m, 2) points of (k, 4, 2) cubics at m parameters."""
    return np.asarray(weights(t) @ cubics)


def weights(t: Floats) -> Floats:
    """(m, 4) how much each point of a cubic counts at m parameters: `weights(t) @ cubics` is there."""
    u = 1 - t
    return np.stack([u**3, 3 * u * u * t, 3 * u * t * t, t**3], axis=1)


def rates_on(cubics: Floats, t: Floats) -> Floats:
    """(k, m, 2) derivatives of (k, 4, 2) cubics at m parameters."""
    u = 1 - t
    rates = np.stack([-3 * u * u, 3 * u * u - 6 * u * t, 6 * u * t - 3 * t * t, 3 * t * t], axis=1)
    return np.asarray(rates @ cubics)


def extent(cubics: Floats) -> tuple[Floats, Floats]:
    """The least and the greatest x and y of all points of (k, 4, 2) cubics.

    >>> arch = np.array([[[0.0, 0], [0, 4], [3, 4], [3, 0]]])
    >>> [side.tolist() for side in extent(arch)]
    [[0.0, 0.0], [3.0, 3.0]]
    """
    c0, c1, c2, c3 = (cubics[:, i] for i in range(4))
    # Where the slope is nought: a t² + 2 b t + c = 0.
    a, b, c = c3 - c0 + 3 * (c1 - c2), c0 - 2 * c1 + c2, c1 - c0
    root = np.sqrt(np.maximum(b * b - a * c, 0.0))
    # Both roots without the loss where a is small (Numerical Recipes, 5.6).
    q = -(b + np.where(b < 0, -root, root))
    with np.errstate(divide="ignore", invalid="ignore"):
        turns = np.nan_to_num(np.stack([q / a, c / q]), nan=0.0, posinf=0.0, neginf=0.0)
    t = np.clip(turns, 0.0, 1.0)
    u = 1 - t
    at = np.concatenate([(u**3 * c0 + 3 * u * t * (u * c1 + t * c2) + t**3 * c3), c0[None], c3[None]])
    return at.min(axis=(0, 1)), at.max(axis=(0, 1))


def through(points: Floats) -> Floats:
    """(k, 4, 2) cubics that pass through (k, 4, 2) points at t = 0, ⅓, ⅔, 1."""
    p0, p1, p2, p3 = (points[:, i] for i in range(4))
    first = (-5 * p0 + 18 * p1 - 9 * p2 + 2 * p3) / 6
    second = (2 * p0 - 9 * p1 + 18 * p2 - 5 * p3) / 6
    return np.stack([p0, first, second, p3], axis=1)


def cut_where(cubic: Floats, across: Floats, at: Floats) -> list[Floats]:
    """A (4, 2) cubic cut wherever its component along `across` passes one of `at`."""
    c0, c1, c2, c3 = cubic @ across
    found: list[float] = []
    low, high = min(c0, c1, c2, c3), max(c0, c1, c2, c3)
    a, b, c = c3 - 3 * c2 + 3 * c1 - c0, 3 * (c2 - 2 * c1 + c0), 3 * (c1 - c0)
    even = abs(a) + abs(b) < _EVEN * (high - low)
    for value in at:
        if not low < value < high:
            continue
        roots = np.array([(value - c0) / c]) if even else np.roots([a, b, c, c0 - value])
        real = roots[np.abs(roots.imag) < 1e-9].real
        found += [float(t) for t in real if _INNER < t < 1 - _INNER]
    pieces, rest, done = [], cubic, 0.0
    for t in sorted(found):
        left, rest = split(rest, (t - done) / (1 - done))
        pieces.append(left)
        done = t
    return [*pieces, rest]
