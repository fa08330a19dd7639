"""Cubics mapped piece by piece: halved until each is good enough."""

from __future__ import annotations

from collections.abc import Callable

import numpy as np
from numpy.typing import NDArray

from curlet.core.path.cubics import halves, straight

Floats = NDArray[np.float64]
Ints = NDArray[np.intp]
Bools = NDArray[np.bool_]
# From (k, 4, 2) cubics, and (k,) which of the first ones they are of: what they become, and whether that is
# near enough.
Mapped = Callable[[Floats, Ints], tuple[Floats, Bools]]


def mapped_in_halves(cubics: Floats, mapped: Mapped, deepest: int) -> tuple[Ints, Floats]:
    """(m,) which cubic each piece is of, and (m, 4, 2) the mapped pieces, in order. What `deepest` halvings
    do not bring where it should lie is a fold, and goes straight from where it begins to where it ends."""
    done_at, done = [], []
    at, size = np.arange(len(cubics), dtype=np.float64), 1.0
    for depth in range(deepest + 1):
        placed, fine = mapped(cubics, at.astype(np.intp))
        if depth == deepest:
            placed[~fine] = straight(placed[~fine, 0], placed[~fine, 3])
            fine = np.ones_like(fine)
        done_at.append(at[fine])
        done.append(placed[fine])
        rough = ~fine
        if not rough.any():
            break
        size /= 2
        cubics = halves(cubics[rough])
        at = np.stack([at[rough], at[rough] + size], axis=1).ravel()
    begin = np.concatenate(done_at)
    order = np.argsort(begin, kind="stable")
    return begin[order].astype(np.intp), np.concatenate(done)[order]
