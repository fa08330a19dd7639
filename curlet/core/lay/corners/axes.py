"""What a corner's artwork stands on: both legs up to where they meet, curved or straight."""

from __future__ import annotations

import math
from dataclasses import dataclass
from typing import Protocol

import numpy as np
from numpy.typing import NDArray

from curlet.core.lay.corners.cut import Cut
from curlet.core.lay.frames import LegLine

Floats = NDArray[np.float64]
Bools = NDArray[np.bool_]


class Positions(Protocol):
    """Positions along a line beside a leg, mm: how long it is, and where on the path they lie."""

    @property
    def length(self) -> float: ...

    def at(self, own: Floats) -> Floats: ...


@dataclass(frozen=True, eq=False)
class CornerAxes:
    """A corner of a row.

    Attributes
    ----------
    line : the row's legs.
    legs : the index of the leg that comes in, and of the one that goes on.
    own : positions along the row's own line of each.
    cuts : where each ends, by height; None where the row ends at one place alone.
    offset : of the row's own line, mm.
    turn : degrees, clockwise on the sheet.
    """

    line: LegLine
    legs: tuple[int, int]
    own: tuple[Positions, Positions]
    cuts: tuple[Cut | None, Cut | None]
    offset: float
    turn: float

    def fitted(self, onward: Bools, share: Floats, y: Floats, take: float) -> Floats:
        """(k, 2) points a share of the way from where the artwork begins, `take` mm from the corner, to where
        the two legs meet at the height `y` mm; on the leg that comes in or on the one that goes on."""
        q = self.offset + y
        edges = self._at(False, np.array([-take]))[0], self._at(True, np.array([take]))[0]
        s = [edge + share * (cut.at(q) - edge) for edge, cut in zip(edges, self._cuts, strict=True)]
        return self._points(onward, np.where(onward, s[1], s[0]), q)

    def fanned(self, onward: Bools, along: Floats, lean: Floats, y: Floats) -> Floats:
        """(k, 2) points `y` mm from a place on the row's own line, `along` mm past the corner or before it.
        The way across leans by `lean` radians: from 0, as the leg's own, to half the turn at the corner."""
        height = y * np.cos(lean)
        half = math.tan(math.radians(self.turn) / 2)
        s = []
        for leg, cut in zip((False, True), self._cuts, strict=True):
            base, level = self._at(leg, along), np.full_like(height, self.offset)
            lead = cut.at(self.offset + height) - cut.at(level)
            s.append(base + lead * np.tan(np.abs(lean)) / abs(half))
        return self._points(onward, np.where(onward, s[1], s[0]), self.offset + height)

    def spread(self, share: Floats, y: Floats, pivot: float, take: float) -> Floats:
        """(k, 2) points `y` mm from the row's own line. Their way across turns by a share of the turn from
        one leg, `take` mm before the corner, to the other, about the place where the two meet at the height
        `pivot` mm, on the inside."""
        q = np.array([self.offset + pivot])
        places = self._at(False, np.array([-take])), self._at(True, np.array([take]))
        first, second = (
            self.line.frames(s, np.array([leg])) for s, leg in zip(places, self.legs, strict=True)
        )
        way, onward = (math.atan2(*frames.along[0, ::-1]) for frames in (first, second))
        turn = (onward - way) % (2 * math.pi)
        angle = way + share * (turn if pivot > 0 else turn - 2 * math.pi)
        across = np.stack([-np.sin(angle), np.cos(angle)], axis=1)
        # On unlike legs the two points differ a little: the fan moves from one to the other.
        about = first.beside(q) + share[:, None] * (second.beside(q) - first.beside(q))
        return np.asarray(about + (y - pivot)[:, None] * across)

    def standing(self, x: Floats, y: Floats, reach: float) -> Floats:
        """(k, 2) points of what stands on the corner as it is, level with the line between the places `reach`
        mm before and after it."""
        ends = [self._points(np.array([leg]), self._at(leg, np.array([by])), np.array([self.offset]))[0]
                for leg, by in ((False, -reach), (True, reach))]  # fmt: skip
        way = ends[1] - ends[0]
        size = float(np.hypot(*way))
        way = way / size if size > 1e-9 else self.line.ends.along[self.legs[0]]
        corner = self._points(np.array([False]), self._at(False, np.zeros(1)), np.array([self.offset]))[0]
        return np.asarray(corner + x[:, None] * way + y[:, None] * np.array([-way[1], way[0]]))

    def across(self, x: Floats, y: Floats) -> Floats:
        """(k, 2) points along the straight line from where the row's own line ends to where it goes on."""
        here, there = (
            self._points(np.array([leg]), self._at(leg, np.zeros(1)), np.array([self.offset]))[0]
            for leg in (False, True)
        )
        way = (there - here) / max(float(np.hypot(*(there - here))), 1e-12)
        return np.asarray(here + x[:, None] * way + y[:, None] * np.array([-way[1], way[0]]))

    @property
    def _cuts(self) -> tuple[Cut, Cut]:
        first, second = self.cuts
        assert first is not None
        assert second is not None
        return first, second

    def _at(self, onward: bool, along: Floats) -> Floats:
        """Arc lengths of places on the row's own line, past the corner."""
        own = self.own[onward]
        return own.at(along if onward else own.length + along)

    def _points(self, onward: Bools, s: Floats, q: Floats) -> Floats:
        leg = np.where(onward, self.legs[1], self.legs[0])
        return self.line.frames(s, leg).beside(q)
