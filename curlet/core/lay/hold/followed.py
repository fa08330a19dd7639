"""Repeats followed piece by piece: those that corners cut, that a joint of the path lies in, or that lie in a
tight bend."""

from __future__ import annotations

from collections.abc import Iterator, Mapping, Sequence
from dataclasses import dataclass, replace

import numpy as np
from numpy.typing import NDArray

from curlet.core.drawing import Outline, Shape
from curlet.core.lay.facing import Local
from curlet.core.lay.hold.clipping import clipped, uncut
from curlet.core.lay.hold.lap import meet
from curlet.core.lay.hold.left_by_cuts import Left
from curlet.core.lay.hold.mapping import Bent
from curlet.core.lay.hold.strands import Strand, bent_outlines, cut_at, run_on, strands_of
from curlet.core.lay.repeats import Repeats
from curlet.core.path.contours import Contour

Floats = NDArray[np.float64]
Ints = NDArray[np.intp]
Bools = NDArray[np.bool_]

_INSIDE = 1e-7

# The indices of some repeats, and one shape with their outlines one after the other.
Batch = tuple[Ints, Shape]


@dataclass(frozen=True, eq=False)
class Joints:
    """Which joints of the path lie in each repeat: those from `first` to before `last`."""

    places: Floats
    first: Ints
    last: Ints

    @property
    def crossed(self) -> Bools:
        return np.asarray(self.last > self.first)

    def within(self, repeat: int) -> Floats:
        return self.places[self.first[repeat] : self.last[repeat]]


def joints_in(bent: Bent, repeats: Repeats) -> Joints:
    """Where the path's joints lie in repeats."""
    places = bent.line.joints(float(np.abs(repeats.end - repeats.start).max()), bent.tolerance)
    begin, cease = bent.line.follows(repeats.leg)
    low, high = np.maximum(repeats.start, begin), np.minimum(repeats.end, cease)
    # A joint at which another repeat begins is bridged by the one that ends there.
    met = meet(repeats.end, bent.starts, bent)
    first = np.searchsorted(places, low + _INSIDE, side="right")
    last = np.searchsorted(places, high - np.where(met, -_INSIDE, _INSIDE), side="left")
    return Joints(places, first, last)


@dataclass(frozen=True, eq=False)
class Followed:
    """Repeats that are followed piece by piece; `left` has what corners leave of those that they cut."""

    of: Bent
    repeats: Repeats
    local: Local
    joints: Joints
    left: Mapping[int, Sequence[Left]]

    def bent(
        self, shapes: Sequence[Shape], parts: Sequence[Sequence[Contour]], which: Sequence[Bools]
    ) -> Iterator[tuple[int, Batch]]:
        """Some repeats of each shape, all of them at once: the shape's index and one repeat of it."""
        strands: list[Strand] = []
        owners: list[tuple[int, int, Shape, int]] = []
        for repeat, left in self._kept(shapes, parts, which):
            chains = [self._at_joints(strand, repeat) for strand in left.kept]
            owners.append((left.index, repeat, left.painted, len(chains)))
            strands += chains
        outlines, at = bent_outlines(self.of, strands), 0
        for i, repeat, painted, count in owners:
            few, at = outlines[at : at + count], at + count
            if few:
                points = np.concatenate([outline.points for outline in few])
                outline = Outline("".join(outline.commands for outline in few), points)
                yield i, (np.array([repeat]), replace(painted, outline=outline))

    def _kept(
        self, shapes: Sequence[Shape], parts: Sequence[Sequence[Contour]], which: Sequence[Bools]
    ) -> Iterator[tuple[int, Left]]:
        """What cuts leave of shapes: a repeat, and one of its shapes."""
        for repeat in np.flatnonzero(np.any(which, axis=0)).tolist():
            if (found := self.left.get(repeat)) is None:
                wanted = [i for i in range(len(shapes)) if which[i][repeat]]
                strands = [strands_of(self.repeats, self.local, repeat, parts[i]) for i in wanted]
                found = [Left(i, shapes[i], own, own) for i, own in zip(wanted, strands, strict=True)]
            for left in found:
                yield from ((repeat, part) for part in self._parted(left, repeat))

    def _parted(self, left: Left, repeat: int) -> Iterator[Left]:
        """What the window leaves of what corners left."""
        if not self.of.window:
            yield left
            return
        mirrored = bool(self.local.mirrored[repeat])
        parts = list(uncut(left.painted, left.kept, self.of.window, self.of, mirrored=mirrored))
        for part, kept in zip(parts, clipped(parts, self.of), strict=True):
            yield Left(left.index, part.painted, kept, part.whole)

    def _at_joints(self, strand: Strand, repeat: int) -> Strand:
        places = self.joints.within(repeat)
        if not len(places):
            return strand
        end = float(self.repeats.end[repeat])
        cut = cut_at(strand, places)
        return run_on(cut, end) if abs(places[-1] - end) < _INSIDE else cut
