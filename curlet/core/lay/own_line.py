"""Offset rows: the length of a line beside the path, and where two such lines meet at a corner."""

from __future__ import annotations

import numpy as np
from numpy.typing import NDArray

from curlet.core.lay.corners.cut import cuts_between
from curlet.core.lay.frames import Frames, LegLine
from curlet.core.path.corners import Leg

Floats = NDArray[np.float64]

_SAMPLES = 1025
# Steps of Newton from the samples' own guess; below this rate the line all but stands still.
_NEWTON, _SLOWEST = 3, 1e-3
_BESIDE = 1e-7
_NEAR = 1e-9
NO_LIMIT = 1e9


class OwnLine:
    """Positions along a line that runs `offset` mm to the right of a leg.

    Its speed against the path's is 1 − κ·offset, so its length is Δs − offset·Δθ, θ the tangent's
    angle: exact, with no integral left to do. Where it would run backwards (κ·offset > 1) it
    stands still.
    """

    def __init__(self, line: LegLine, index: int, offset: float, limit: float = NO_LIMIT) -> None:
        leg = self.leg = line.legs[index]
        self.start, self.stop = self._ends(line, index, offset, limit)
        self._straight = offset == 0 or bool(line.straight[index])
        self._s0 = leg.s0
        if self._straight:
            self.length = self.stop - self.start
            return
        self._line, self._index = line, index
        self._offset = offset
        s = self._places(line, leg)
        along = self._frames(s).along
        self._way = along
        self._angle = np.unwrap(np.arctan2(along[:, 1], along[:, 0]))
        own = (s - leg.s0) - offset * (self._angle - self._angle[0])
        # Where it would run backwards it stands still; there its place is only as near as the samples are.
        steady = np.maximum.accumulate(own)
        self._forward = np.append((np.diff(own) > 0) & (steady[:-1] == own[:-1]), False)
        self._s, self._own = s, steady + _NEAR * np.arange(len(s)) / len(s)
        self._first, self._last = float(self._own[0]), float(self._own[-1])
        self._shift = self._own_at(self.start)
        self.length = self._own_at(self.stop) - self._shift

    def _frames(self, s: Floats) -> Frames:
        return self._line.frames(s, np.full(len(s), self._index))

    @staticmethod
    def _places(line: LegLine, leg: Leg) -> Floats:
        """Samples of the leg, close to both sides of every kink."""
        s = np.linspace(leg.s0, leg.s1, max(_SAMPLES, 2 * len(line.path.points)))
        kinks = line.kinks[(line.kinks > leg.s0 + _BESIDE) & (line.kinks < leg.s1 - _BESIDE)]
        return np.unique(np.concatenate([s, kinks - _BESIDE, kinks + _BESIDE]))

    def _own_at(self, s: float) -> float:
        """Where along this line an arc length of the path lies; it goes on straight past both ends."""
        low, high = float(self._s[0]), float(self._s[-1])
        inside = min(max(s, low), high)
        return float(self._owns(np.array([inside]))[0]) + (s - inside)

    def _owns(self, s: Floats) -> Floats:
        """The same for many places on the leg, exact."""
        at = np.clip(np.searchsorted(self._s, s, side="right") - 1, 0, len(self._s) - 2)
        along = self._frames(s).along
        x, y = self._way[at].T
        turned = np.arctan2(x * along[:, 1] - y * along[:, 0], x * along[:, 0] + y * along[:, 1])
        exact = (s - self._s[0]) - self._offset * (self._angle[at] + turned - self._angle[0])
        return np.asarray(np.where(self._forward[at], exact, np.interp(s, self._s, self._own)))

    @staticmethod
    def _ends(line: LegLine, index: int, offset: float, limit: float) -> tuple[float, float]:
        """Where this line meets its neighbours' at the corners, as far along the path as that is."""
        leg, count = line.legs[index], len(line.legs)
        start, stop = leg.s0, leg.s1
        if leg.start is not None and not leg.unbroken and offset:
            start = _meeting(line, (index - 1) % count, index, offset, limit)[1]
        if leg.end is not None and not leg.unbroken and offset:
            stop = _meeting(line, index, (index + 1) % count, offset, limit)[0]
        return start, stop

    def at(self, own: Floats) -> Floats:
        """(n,) arc lengths of the path for (n,) positions along this line, to 1e-6 mm where it goes on."""
        if self._straight:
            return self.start + own
        goal = np.asarray(own, dtype=np.float64) + self._shift
        past = np.maximum(goal - self._last, 0.0) + np.minimum(goal - self._first, 0.0)
        goal = np.clip(goal, self._first, self._last)
        at = np.clip(np.searchsorted(self._own, goal, side="right") - 1, 0, len(self._s) - 2)
        low, high = self._s[at], self._s[at + 1]
        s = np.interp(goal, self._own, self._s)
        sure = self._forward[at]
        for _ in range(_NEWTON):
            rate = 1 - self._frames(s).bend * self._offset
            step = np.where(
                sure & (rate > _SLOWEST), (goal - self._owns(s)) / np.maximum(rate, _SLOWEST), 0.0
            )
            s = np.clip(s + step, low, high)
        return np.asarray(s + past)


def _meeting(line: LegLine, before: int, after: int, offset: float, limit: float) -> tuple[float, float]:
    """Where two legs' offset lines meet at the corner between them, along both."""
    at = np.array([offset])
    ends, begins = cuts_between(line, before, after, min(offset, 0.0), max(offset, 0.0), limit)
    return float(ends.at(at)[0]), float(begins.at(at)[0])
