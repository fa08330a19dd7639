"""Offset rows: the length of a line beside the path, and where two such lines meet at a corner."""

from __future__ import annotations

import numpy as np
from numpy.typing import NDArray

from curlet.core.lay.corners.mitre import within_limit
from curlet.core.lay.frames import LegLine
from curlet.core.path.corners import Corner, Leg

Floats = NDArray[np.float64]

_SAMPLES = 1025
_STEPS = 8
_NEAR = 1e-9
_STEEPEST = 179.0
NO_LIMIT = 1e9


def corner_shift(corner: Corner | None, offset: float, limit: float = NO_LIMIT) -> float:
    """How much shorter a leg's offset line is at a corner: offset·tan(τ/2), inside where above 0.

    On the outside past the mitre limit the line ends square to the corner.
    """
    if corner is None or offset == 0 or abs(corner.turn) > _STEEPEST:
        return 0.0
    shift = float(offset * np.tan(np.radians(corner.turn) / 2))
    return 0.0 if shift < 0 and not within_limit(corner.turn, limit) else shift


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
        s = np.linspace(leg.s0, leg.s1, max(_SAMPLES, 2 * len(line.path.points)))
        along = line.frames(s, np.full(len(s), index)).along
        angle = np.unwrap(np.arctan2(along[:, 1], along[:, 0]))
        own = (s - leg.s0) - offset * (angle - angle[0])
        own = np.maximum.accumulate(own + _NEAR * np.arange(len(s)) / len(s))
        # The line goes on straight to where it meets its neighbour, or stops short of the end.
        self._s = np.concatenate([[leg.s0 - 1e6], s, [leg.s1 + 1e6]])
        self._own = np.concatenate([[own[0] - 1e6], own, [own[-1] + 1e6]])
        self._shift = float(np.interp(self.start, self._s, self._own))
        self.length = float(np.interp(self.stop, self._s, self._own)) - self._shift

    def _ends(self, line: LegLine, index: int, offset: float, limit: float) -> tuple[float, float]:
        leg = line.legs[index]
        if leg.unbroken or offset == 0:
            return leg.s0, leg.s1
        first, last = (corner_shift(corner, offset, limit) for corner in (leg.start, leg.end))
        start, stop = leg.s0 + first, leg.s1 - last
        if first:
            start = _meeting(line, (index - 1) % len(line.legs), index, offset)[1]
        if last:
            stop = _meeting(line, index, (index + 1) % len(line.legs), offset)[0]
        return start, stop

    def at(self, own: Floats) -> Floats:
        """(n,) arc lengths of the path for (n,) positions along this line."""
        if self._straight:
            return self.start + own
        return np.asarray(np.interp(own + self._shift, self._own, self._s))


def _meeting(line: LegLine, before: int, after: int, offset: float) -> tuple[float, float]:
    """Where two legs' offset lines cross at the corner between them: Newton from the mitre's guess."""
    a, b = line.legs[before], line.legs[after]
    guess = (a.s1 - corner_shift(a.end, offset), b.s0 + corner_shift(b.start, offset))
    if line.straight[before] and line.straight[after]:
        return guess
    sa, sb = guess
    for _ in range(_STEPS):
        fa = line.frames(np.array([sa]), np.array([before]))
        fb = line.frames(np.array([sb]), np.array([after]))
        gap = (fb.beside(offset) - fa.beside(offset))[0]
        if np.hypot(*gap) < _NEAR:
            return sa, sb
        columns = np.column_stack(
            [(1 - fa.bend[0] * offset) * fa.along[0], -(1 - fb.bend[0] * offset) * fb.along[0]]
        )
        if abs(np.linalg.det(columns)) < 1e-9:
            return guess
        step = np.linalg.solve(columns, gap)
        sa, sb = sa + step[0], sb + step[1]
    return (sa, sb) if abs(sa - guess[0]) < _reach(a, b) else guess


def _reach(a: Leg, b: Leg) -> float:
    return min(a.length, b.length)
