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
# A contour whose end lies so near to its beginning is closed already, mm.
_CLOSED = 1e-12


@dataclass(frozen=True, eq=False)
class Contour:
    """One contour: (k, 4, 2) cubics end to end."""

    cubics: Floats
    closed: bool


@lru_cache(maxsize=1024)
def contours(outline: Outline) -> tuple[Contour, ...]:
    """An outline's contours, straight lines as cubics at even speed. An outline that is asked for again,
    as a motif's are for every run that uses it, is not worked out again."""
    if not outline.commands:
        return ()
    commands = np.frombuffer(outline.commands.encode(), dtype=np.uint8)
    begins, closes, bends = (commands == ord(letter) for letter in "MZC")
    last = np.cumsum(np.where(closes, 0, np.where(bends, 3, 1))) - 1
    # A contour that is closed goes back to the point that it began at.
    last[closes] = np.maximum.accumulate(np.where(begins, last, 0))[closes]
    here = np.concatenate([[0], last[:-1]])
    points = outline.points
    cubics = straight(points[here], points[last])
    cubics[bends, 1], cubics[bends, 2] = points[last[bends] - 2], points[last[bends] - 1]
    drawn = ~begins & ~(closes & (np.abs(points[here] - points[last]) <= _CLOSED).all(axis=1))
    # The next contour begins at a command to, or after one has been closed.
    edges = np.flatnonzero(begins | np.concatenate([[False], closes[:-1]])).tolist()
    found = []
    for first, end in zip(edges, [*edges[1:], len(commands)], strict=True):
        if drawn[first:end].any():
            found.append(Contour(cubics[first:end][drawn[first:end]], bool(closes[end - 1])))
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
