"""Placements: rigid repeats as axes on the sheet."""

from __future__ import annotations

from collections.abc import Callable
from dataclasses import dataclass

import numpy as np
from numpy.typing import NDArray

from curlet.core.lay.frames import LegLine
from curlet.core.lay.repeats import Repeats

SHORTEST = 1e-9

Floats = NDArray[np.float64]
Bools = NDArray[np.bool_]


@dataclass(frozen=True, eq=False)
class Placements:
    """Rigid repeats.

    Attributes
    ----------
    start : (n, 2) where the cell begins on its baseline, mm.
    along : (n, 2) unit direction.
    length : (n,) drawn length, mm.
    """

    start: Floats
    along: Floats
    length: Floats

    @property
    def angle(self) -> Floats:
        """(n,) direction in degrees, clockwise on the sheet from level."""
        return np.degrees(np.arctan2(self.along[:, 1], self.along[:, 0]))

    def matrices(self) -> Floats:
        """(n, 6) affines that carry x 0…1 along the repeat and y mm across it."""
        out = np.empty((len(self.length), 6))
        x, y = self.along.T
        np.multiply(x, self.length, out=out[:, 0])
        np.multiply(y, self.length, out=out[:, 1])
        np.negative(y, out=out[:, 2])
        out[:, 3] = x
        out[:, 4:] = self.start
        return out


# From the legs, the repeats, the row's offset and each repeat's length as asked, drawn mm.
Place = Callable[[LegLine, Repeats, float, Floats], Placements]


@dataclass(frozen=True)
class Hold:
    """A way in which repeats sit on the path.

    Attributes
    ----------
    label : what it is called.
    place : where rigid repeats lie; None where artwork bends along the path.
    chain : whether they are stepped by chords at their own length, and never eased.
    spreads : whether neighbours on a bend turn away from one another, so that their inner edges near.
    """

    label: str
    place: Place | None
    chain: bool = False
    spreads: bool = False
    settings: tuple[str, ...] = ()

    @property
    def bends(self) -> bool:
        return self.place is None


def met(at: Placements, follows: Bools, near: float) -> Placements:
    """Repeats that end and begin where they meet, halfway between the end of one and the start of the next.

    Parameters
    ----------
    follows : (n,) whether each repeat follows the one before it; the first, the last.
    near : how far apart they may be, mm; what is further apart stays so.
    """
    end = at.start + at.along * at.length[:, None]
    before = np.roll(end, 1, axis=0)
    meet = follows & (np.hypot(*(at.start - before).T) < near)
    halfway = (at.start + before) / 2
    start = np.where(meet[:, None], halfway, at.start)
    end = np.where(np.roll(meet, -1)[:, None], np.roll(halfway, -1, axis=0), end)
    length = np.hypot(*(end - start).T)
    # One that both its neighbours would take up stays where it is.
    left = length > SHORTEST
    along = np.where(left[:, None], (end - start) / np.where(left, length, 1.0)[:, None], at.along)
    start, length = np.where(left[:, None], start, at.start), np.where(left, length, at.length)
    return Placements(start, along, length)
