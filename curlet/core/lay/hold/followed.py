"""Repeats followed piece by piece: those that corners cut, that a joint of the path lies in, or that lie in a
tight bend."""

from __future__ import annotations

from collections.abc import Iterator, Sequence
from dataclasses import dataclass, replace

import numpy as np
from numpy.typing import NDArray

from curlet.core.drawing import Outline, Shape
from curlet.core.lay.corners.cut import Cut
from curlet.core.lay.facing import Local
from curlet.core.lay.hold.clipping import clipped, line_clipped
from curlet.core.lay.hold.crumbs import CutRepeat, without_crumbs
from curlet.core.lay.hold.lap import meet
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
# The index of a shape, how it is painted, and its contours after and before they were cut.
Left = tuple[int, Shape, list[Strand], list[Strand]]


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
    """Repeats that are followed piece by piece."""

    of: Bent
    repeats: Repeats
    local: Local
    joints: Joints

    def bent(
        self, shapes: Sequence[Shape], parts: Sequence[Sequence[Contour]], which: Sequence[Bools]
    ) -> Iterator[tuple[int, Batch]]:
        """Some repeats of each shape, all of them at once: the shape's index and one repeat of it."""
        strands: list[Strand] = []
        owners: list[tuple[int, int, Shape, int]] = []
        for repeat, i, painted, kept in self._kept(shapes, parts, which):
            chains = [self._at_joints(strand, repeat) for strand in kept]
            owners.append((i, repeat, painted, len(chains)))
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
    ) -> Iterator[tuple[int, int, Shape, list[Strand]]]:
        """What corners leave of shapes: a repeat, the shape's index, its fill or its line, and contours."""
        every = []
        for repeat in np.flatnonzero(np.any(which, axis=0)).tolist():
            cuts = self.of.cuts_of(self.repeats, repeat)
            wanted = [i for i in range(len(shapes)) if which[i][repeat]]
            strands = [strands_of(self.repeats, self.local, repeat, parts[i]) for i in wanted]
            left = [
                (i, *each)
                for i, whole in zip(wanted, strands, strict=True)
                for each in self._cut(whole, shapes[i], cuts, mirrored=bool(self.local.mirrored[repeat]))
            ]
            every.append((repeat, bool(cuts), left))
        tidied = self._without_crumbs({repeat: left for repeat, cut, left in every if cut})
        for repeat, _, left in every:
            kept = tidied.get(repeat, [contours for _, _, contours, _ in left])
            for (i, painted, *_), contours in zip(left, kept, strict=True):
                yield repeat, i, painted, contours

    def _without_crumbs(self, cut: dict[int, list[Left]]) -> dict[int, list[list[Strand]]]:
        """What is left of the shapes of each repeat that corners cut, leg by leg."""
        found: dict[int, list[list[Strand]]] = {}
        if self.of.window or not cut:
            return found
        # They may be painted in another order than they lie in.
        every = np.array(list(cut))
        leg, start = self.repeats.leg[every], self.repeats.start[every]
        every, leg = (part[np.lexsort((start, leg))] for part in (every, leg))
        for here in np.split(every, np.flatnonzero(np.diff(leg)) + 1):
            together = [
                CutRepeat(
                    [kept for _, _, kept, _ in cut[repeat]],
                    [whole for *_, whole in cut[repeat]],
                    [painted.stroke.weight if painted.stroke else 0.0 for _, painted, *_ in cut[repeat]],
                    float(self.repeats.start[repeat]),
                    float(self.repeats.end[repeat]),
                    goes_on,
                )
                for repeat, goes_on in zip(here.tolist(), self._goes_on_uncut(here), strict=True)
            ]
            tidied = without_crumbs(together, sewn=self.of.sewn)
            found |= dict(zip(here.tolist(), tidied, strict=True))
        return found

    def _goes_on_uncut(self, here: Ints) -> Iterator[tuple[bool, bool]]:
        """For a leg's cut repeats, in order along it: at which edges of its cell, the start and the end, the
        leg goes on from each with repeats that nothing cuts."""
        repeats, leg = self.repeats, int(self.repeats.leg[here[0]])
        starts, ends = repeats.start[here], repeats.end[here]
        whole = repeats.start[(repeats.leg == leg) & ~repeats.cut_start & ~repeats.cut_end]
        low, high = whole.min(initial=np.inf), whole.max(initial=-np.inf)
        first = starts + ends < self.of.line.legs[leg].s0 + self.of.line.legs[leg].s1
        met = np.abs(starts[1:] - ends[:-1]) <= _INSIDE
        at_start = ~first & ~np.append(False, met) & (low < starts)
        at_end = first & ~np.append(met, False) & (high > starts)
        yield from zip(at_start.tolist(), at_end.tolist(), strict=True)

    def _cut(
        self, whole: list[Strand], shape: Shape, cuts: Sequence[Cut], *, mirrored: bool
    ) -> Iterator[tuple[Shape, list[Strand], list[Strand]]]:
        """What cuts leave of one shape, and what it is left of."""
        if not cuts:
            yield shape, whole, whole
            return
        if shape.fill is not None:
            left = clipped(whole, cuts, self.of, even_odd=shape.even_odd)
            yield replace(shape, stroke=None), left, whole
        if shape.stroke is not None:
            yield from line_clipped(replace(shape, fill=None), whole, cuts, self.of, mirrored=mirrored)

    def _at_joints(self, strand: Strand, repeat: int) -> Strand:
        places = self.joints.within(repeat)
        if not len(places):
            return strand
        end = float(self.repeats.end[repeat])
        cut = cut_at(strand, places)
        return run_on(cut, end) if abs(places[-1] - end) < _INSIDE else cut
