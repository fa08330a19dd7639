"""The mapping that bends artwork: from arc length and height to the sheet, and its rates."""

from __future__ import annotations

from dataclasses import dataclass, field
from typing import Protocol

import numpy as np
from numpy.typing import NDArray

from curlet.core.brush.rules import Swell
from curlet.core.lay.corners.cut import Cut, Cuts
from curlet.core.lay.frames import LegLine
from curlet.core.lay.repeats import Repeats

Floats = NDArray[np.float64]
Ints = NDArray[np.intp]

TOLERANCE = 0.005
_STEP = 1e-5


class Heights(Protocol):
    """How far beside the path artwork lies: all that cutting it needs to know of the mapping."""

    @property
    def offset(self) -> float: ...

    def height(self, s: Floats, y: Floats, beside: Floats) -> Floats: ...

    def width(self, s: Floats) -> Floats: ...


@dataclass(frozen=True, eq=False)
class Bent:
    """Everything that the mapping needs: M(x, y) = P(s) + (offset + beside + W(s)·y)·N.

    Attributes
    ----------
    whole : length of the path, over which the swell is told, mm.
    starts : where the row's repeats begin, so that those which meet at a joint are bridged there.
    tolerance : how far what is drawn may lie from where it should, mm.
    cuts : where legs end at their corners, by height.
    window : what every repeat is cut by beside.
    ends : where the row's repeats end, if they lie edge to edge.
    """

    line: LegLine
    offset: float
    swell: Swell
    whole: float
    starts: Floats = field(default_factory=lambda: np.zeros(0))
    tolerance: float = TOLERANCE
    cuts: Cuts = field(default_factory=dict)
    window: tuple[Cut, ...] = ()
    ends: Floats = field(default_factory=lambda: np.zeros(0))

    def height(self, s: Floats, y: Floats, beside: Floats) -> Floats:
        """How far beside the path artwork of height y lies at s, mm; arrays of one shape."""
        return np.asarray(self.offset + beside + self.width(s) * y)

    def mapped(
        self, s: Floats, y: Floats, ds: Floats, dy: Floats, leg: Ints, beside: Floats, side: Floats
    ) -> tuple[Floats, Floats]:
        """(2, …) points and their rates under dM = ds·[(1 − κq)·T + W'·y·N] + W·dy·N.

        Parameters
        ----------
        s, y, ds, dy : arc length and height, and how fast they change; arrays of one shape.
        side : a hair's breadth toward the side from which a joint of the path is seen, mm.
        """
        frames = self.line.frames((s + side).ravel(), leg.ravel())
        wide = self.width(s)
        q = self.offset + beside + wide * y
        along, across = (part.T.reshape(2, *s.shape) for part in (frames.along, frames.across))
        points = frames.point.T.reshape(2, *s.shape) - side * along + q * across
        forward = ds * (1 - frames.bend.reshape(s.shape) * q)
        sideways = wide * dy + ds * y * self.swelling(s)
        return points, forward * along + sideways * across

    def cuts_of(self, repeats: Repeats, repeat: int) -> list[Cut]:
        """What a repeat is cut by."""
        leg = int(repeats.leg[repeat])
        flags = ((False, repeats.cut_start[repeat]), (True, repeats.cut_end[repeat]))
        own = [self.cuts[leg, at_end] for at_end, cut in flags if cut and (leg, at_end) in self.cuts]
        return [*own, *self.window]

    def width(self, s: Floats) -> Floats:
        """W(s)."""
        if not self.swell.points:
            return np.ones_like(s)
        return self.swell.at(self._share(s).ravel()).reshape(s.shape)

    def _share(self, s: Floats) -> Floats:
        """(…) share of the run; a closed path goes round again past its start point."""
        share = s / self.whole
        if self.line.path.closed:
            beyond = (share < -_STEP) | (share > 1 + _STEP)
            share = np.where(beyond, np.mod(share, 1.0), share)
        return np.asarray(np.clip(share, 0.0, 1.0))

    def swelling(self, s: Floats) -> Floats:
        """dW/ds."""
        if not self.swell.points:
            return np.zeros_like(s)
        share = self._share(s)
        low, high = np.maximum(share - _STEP, 0), np.minimum(share + _STEP, 1)
        rise = self.swell.at(high.ravel()) - self.swell.at(low.ravel())
        return np.asarray(rise.reshape(s.shape) / (2 * _STEP * self.whole))
