"""Frames: the moving axes along a leg, past its ends in a straight line."""

from __future__ import annotations

from dataclasses import dataclass
from functools import cached_property

import numpy as np
from numpy.typing import NDArray

from curlet.core.path.corners import KINK, Leg
from curlet.core.path.path import Path

Floats = NDArray[np.float64]
Ints = NDArray[np.intp]

_AT_END = 1e-9
# A jump Δκ amid a piece of length L moves a line through both its halves by about ΔκL²/64 at most.
_TELLS = 12.0
# Speed that stalls has no bound of curvature: nothing turns more sharply than this, 1/mm.
_SHARPEST = 1e6


@dataclass(frozen=True, eq=False)
class Frames:
    """Axes at n positions.

    Attributes
    ----------
    point, along, across : (n, 2) the place, the way on, and the way to the right of it.
    bend : (n,) signed curvature, 1/mm, 0 past the leg's ends.
    """

    point: Floats
    along: Floats
    across: Floats
    bend: Floats

    def beside(self, offset: Floats | float) -> Floats:
        """(n, 2) points to the right of the path by `offset` mm."""
        shift: Floats = np.broadcast_to(offset, self.bend.shape)[:, None] * self.across
        return self.point + shift


class LegLine:
    """The legs of a path as lines that go on straight past their corners and ends."""

    def __init__(self, path: Path, legs: tuple[Leg, ...]) -> None:
        self.path = path
        self.legs = legs
        self._s0 = np.array([leg.s0 + leg.bare_start for leg in legs])
        self._s1 = np.array([leg.s1 - leg.bare_end for leg in legs])
        self._open = np.array([not leg.unbroken for leg in legs])

    @cached_property
    def _leaving(self) -> Floats:
        """(m, 2) the way on where each leg ceases to follow the path."""
        return self.path.arc.tangents(self._s1, before=True)

    @cached_property
    def begins(self) -> Frames:
        """Axes at each leg's start, at its corner itself."""
        return self.frames(np.array([leg.s0 for leg in self.legs]), np.arange(len(self.legs)))

    @cached_property
    def ends(self) -> Frames:
        """Axes at each leg's end, at its corner itself."""
        return self.frames(np.array([leg.s1 for leg in self.legs]), np.arange(len(self.legs)))

    @cached_property
    def kinks(self) -> Floats:
        """Arc lengths, laps of a closed path included, at which the path turns sharply."""
        turns = np.abs(self.path.turns)
        nodes = self.path.arc.node_positions[: len(turns)][turns > KINK]
        laps = (-1, 0, 1, 2) if self.path.closed else (0,)
        return np.concatenate([nodes + lap * self.path.length for lap in laps])

    @cached_property
    def _jumps(self) -> tuple[Floats, Floats]:
        """Nodes, laps of a closed path included, and how far the curvature jumps there, 1/mm."""
        arc, turns = self.path.arc, np.abs(self.path.turns)
        nodes = arc.node_positions[: len(turns)]
        jump = np.zeros(len(nodes))
        if not arc.only_lines:
            after, before = arc.curvature(nodes), arc.curvature(nodes, before=True)
            jump = np.abs(np.clip(after, -_SHARPEST, _SHARPEST) - np.clip(before, -_SHARPEST, _SHARPEST))
        jump[turns > KINK] = np.inf
        if not self.path.closed:
            jump[[0, -1]] = 0.0
        laps = (-1, 0, 1, 2) if self.path.closed else (0,)
        return np.concatenate([nodes + lap * self.path.length for lap in laps]), np.tile(jump, len(laps))

    def joints(self, span: float, tolerance: float) -> Floats:
        """Arc lengths, rising, at which the path turns sharply or its curvature jumps by so much that it
        tells within the tolerance on a piece of `span` mm."""
        places, jump = self._jumps
        return places[jump * span * span > _TELLS * tolerance]

    @cached_property
    def straight(self) -> NDArray[np.bool_]:
        """(m,) whether each leg is one straight line."""
        if not self.path.arc.only_lines:
            return np.zeros(len(self.legs), dtype=bool)
        ends = ((leg.s0 + _AT_END, leg.s1 - _AT_END) for leg in self.legs)
        return np.array([not ((a < self.kinks) & (self.kinks < b)).any() for a, b in ends])

    def follows(self, leg: Ints) -> tuple[Floats, Floats]:
        """(n,) where (n,) legs begin and cease to follow the path; past that they go straight on."""
        is_open = self._open[leg]
        return np.where(is_open, self._s0[leg], -np.inf), np.where(is_open, self._s1[leg], np.inf)

    def frames(self, s: Floats, leg: Ints) -> Frames:
        """Axes at (n,) arc lengths of (n,) legs."""
        arc = self.path.arc
        if not self._open.any():
            point, along, bend = arc.axes(s)
            return Frames(point, along, _right_of(along), bend)
        s0, s1, is_open = self._s0[leg], self._s1[leg], self._open[leg]
        inside = np.minimum(np.maximum(s, s0), s1)
        if not is_open.all():
            inside = np.where(is_open, inside, s)
        point, along, bend = arc.axes(inside)
        at_end = is_open & (inside >= s1 - _AT_END)
        if at_end.any():
            along[at_end] = self._leaving[leg[at_end]]
        past = s - inside
        if past.any():
            point = point + past[:, None] * along
            bend = np.where(past == 0, bend, 0.0)
        return Frames(point, along, _right_of(along), bend)


def _right_of(along: Floats) -> Floats:
    across = np.empty_like(along)
    np.negative(along[:, 1], out=across[:, 0])
    across[:, 1] = along[:, 0]
    return across
