"""An outline's contours as chains of cubics."""

from __future__ import annotations

from dataclasses import dataclass
from functools import lru_cache

import numpy as np
from numpy.typing import NDArray

from curlet.core.drawing import Outline
from curlet.core.path.cubics import straight

Floats = NDArray[np.float64]

# Contours of fewer segments are not made coarser.
_FEW = 64


@dataclass(frozen=True, eq=False)
class Contour:
    """One contour: (k, 4, 2) cubics end to end."""

    cubics: Floats
    closed: bool


@lru_cache(maxsize=1024)
def contours(outline: Outline) -> tuple[Contour, ...]:
    """An outline's contours, straight lines as cubics at even speed. An outline that is asked for again,
    as a motif's are for every run that wears it, is not worked out again."""
    found: list[Contour] = []
    pieces: list[Floats] = []
    at, first, here = 0, np.zeros(2), np.zeros(2)

    def close(closed: bool) -> None:
        if closed and np.abs(here - first).max() > 1e-12:
            pieces.append(straight(here, first))
        if pieces:
            found.append(Contour(np.array(pieces), closed))
        pieces.clear()

    for command in outline.commands:
        if command == "M":
            close(False)
            first = here = outline.points[at]
            at += 1
        elif command == "L":
            pieces.append(straight(here, outline.points[at]))
            here, at = outline.points[at], at + 1
        elif command == "C":
            pieces.append(np.vstack([here, outline.points[at : at + 3]]))
            here, at = outline.points[at + 2], at + 3
        else:
            close(True)
            here = first
    close(False)
    return tuple(found)


def coarser(contour: Contour, scale: tuple[float, float], within: float) -> Contour:
    """A contour without the detail that a coarse drawing cannot show: segments shorter than `within`, run
    together into lines that lie no further than that from them.

    Parameters
    ----------
    scale : mm to the contour's unit along and across.
    """
    cubics = contour.cubics
    if len(cubics) < _FEW:
        return contour
    steps = np.hypot(*np.moveaxis(np.diff(cubics, axis=1) * scale, -1, 0))
    length = steps.sum(axis=1)
    tiny = length < within
    share = np.floor((np.cumsum(length) - length / 2) / within)
    # A segment goes on with those before it while all are tiny and lie in one stretch of that length.
    goes_on = tiny[1:] & tiny[:-1] & (share[1:] == share[:-1])
    first = np.flatnonzero(np.concatenate([[True], ~goes_on]))
    last = np.append(first[1:], len(cubics)) - 1
    a, b = cubics[first, 0], cubics[last, 3]
    lines = np.stack([a, a + (b - a) / 3, b - (b - a) / 3, b], axis=1)
    lines[first == last] = cubics[first[first == last]]
    return Contour(lines, contour.closed)
