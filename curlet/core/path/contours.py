"""An outline's contours as chains of cubics."""

from __future__ import annotations

from dataclasses import dataclass
from functools import lru_cache

import numpy as np
from numpy.typing import NDArray

from curlet.core.drawing import Outline

Floats = NDArray[np.float64]


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
            pieces.append(_straight(here, first))
        if pieces:
            found.append(Contour(np.array(pieces), closed))
        pieces.clear()

    for command in outline.commands:
        if command == "M":
            close(False)
            first = here = outline.points[at]
            at += 1
        elif command == "L":
            pieces.append(_straight(here, outline.points[at]))
            here, at = outline.points[at], at + 1
        elif command == "C":
            pieces.append(np.vstack([here, outline.points[at : at + 3]]))
            here, at = outline.points[at + 2], at + 3
        else:
            close(True)
            here = first
    close(False)
    return tuple(found)


def _straight(a: Floats, b: Floats) -> Floats:
    return np.array([a, a + (b - a) / 3, b - (b - a) / 3, b])
