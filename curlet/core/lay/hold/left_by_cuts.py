"""What corners leave of the repeats that they cut, for all of a row at once: what hangs on what does not end
with a motif, a tint or a layer."""

from __future__ import annotations

from collections.abc import Iterator, Sequence
from dataclasses import dataclass, replace

import numpy as np
from numpy.typing import NDArray

from curlet.core.drawing import Shape
from curlet.core.lay.facing import Local
from curlet.core.lay.hold.clipping import Uncut, clipped, uncut
from curlet.core.lay.hold.crumbs import CutRepeat, without_crumbs
from curlet.core.lay.hold.mapping import Bent
from curlet.core.lay.hold.strands import Strand, strands_of
from curlet.core.lay.repeats import Repeats
from curlet.core.path.contours import Contour

Floats = NDArray[np.float64]
Ints = NDArray[np.intp]

_INSIDE = 1e-7


@dataclass(frozen=True)
class Left:
    """What is left of one shape: its index, its fill or its line as it is painted now, and its contours
    after and before they were cut."""

    index: int
    painted: Shape
    kept: list[Strand]
    whole: list[Strand]

    @property
    def weight(self) -> float:
        return self.painted.stroke.weight if self.painted.stroke else 0.0


@dataclass(frozen=True)
class CutMotif:
    """A motif's shapes, their contours, and whether the cloth holds each of these by itself."""

    shapes: Sequence[Shape]
    parts: Sequence[Sequence[Contour]]
    sewn: bool


def left_by_cuts(
    bent: Bent, repeats: Repeats, local: Local, cut: Ints, motifs: Sequence[CutMotif]
) -> dict[int, list[Left]]:
    """By index, what is left of the repeats of a leg that its corners cut, without crumbs.

    Parameters
    ----------
    cut : (k,) which of all repeats they are.
    motifs : of the row, by the repeats' index.
    """
    every: list[tuple[int, int, Uncut]] = []
    for repeat in cut.tolist():
        if cuts := bent.cuts_of(repeats, repeat):
            motif, mirrored = motifs[int(repeats.motif[repeat])], bool(local.mirrored[repeat])
            for index, (shape, contours) in enumerate(zip(motif.shapes, motif.parts, strict=True)):
                strands = strands_of(repeats, local, repeat, contours)
                own = uncut(shape, strands, cuts, bent, mirrored=mirrored)
                every += [(repeat, index, each) for each in own]
    left = clipped([each for _, _, each in every], bent)
    found: dict[int, list[Left]] = {}
    for (repeat, index, each), kept in zip(every, left, strict=True):
        found.setdefault(repeat, []).append(Left(index, each.painted, kept, each.whole))
    return _tidied(bent, repeats, motifs, found)


def _tidied(
    bent: Bent, repeats: Repeats, motifs: Sequence[CutMotif], cut: dict[int, list[Left]]
) -> dict[int, list[Left]]:
    """The same without crumbs. A step in relief is a crumb where what it lies on is one."""
    if not cut:
        return {}
    # They may come in another order than they lie in.
    here = np.array(sorted(cut, key=lambda repeat: float(repeats.start[repeat])))
    grounds = {repeat: [left for left in cut[repeat] if not left.painted.is_detail] for repeat in cut}
    together = [
        CutRepeat(
            [left.kept for left in grounds[repeat]],
            [left.whole for left in grounds[repeat]],
            [left.weight for left in grounds[repeat]],
            float(repeats.start[repeat]),
            float(repeats.end[repeat]),
            goes_on,
            motifs[int(repeats.motif[repeat])].sewn,
        )
        for repeat, goes_on in zip(here.tolist(), _goes_on_uncut(bent, repeats, here), strict=True)
    ]
    return {
        repeat: list(_with_steps(cut[repeat], contours))
        for repeat, contours in zip(here.tolist(), without_crumbs(together), strict=True)
    }


def _with_steps(every: Sequence[Left], contours: Sequence[list[Strand]]) -> Iterator[Left]:
    """What is left of shapes and, of their steps in relief, what lies on what is left."""
    left_of_grounds = iter(contours)
    ground: list[Strand] = []
    for left in every:
        if not left.painted.is_detail:
            ground = next(left_of_grounds)
            yield replace(left, kept=ground)
        else:
            yield replace(left, kept=[strand for strand in left.kept if _lies_on(strand, ground)])


def _lies_on(strand: Strand, ground: Sequence[Strand]) -> bool:
    low, high = _box(strand)
    boxes = map(_box, ground)
    return any((low >= a - _INSIDE).all() and (high <= b + _INSIDE).all() for a, b in boxes)


def _box(strand: Strand) -> tuple[Floats, Floats]:
    points = strand.cubics[:, [0, 3]].reshape(-1, 2)
    return points.min(axis=0), points.max(axis=0)


def _goes_on_uncut(bent: Bent, repeats: Repeats, here: Ints) -> Iterator[tuple[bool, bool]]:
    """For a leg's cut repeats, in order along it: at which edges of its cell, the start and the end, the
    leg goes on from each with repeats that nothing cuts."""
    leg = int(repeats.leg[here[0]])
    starts, ends = repeats.start[here], repeats.end[here]
    whole = repeats.start[(repeats.leg == leg) & ~repeats.cut_start & ~repeats.cut_end]
    low, high = whole.min(initial=np.inf), whole.max(initial=-np.inf)
    first = starts + ends < bent.line.legs[leg].s0 + bent.line.legs[leg].s1
    met = np.abs(starts[1:] - ends[:-1]) <= _INSIDE
    at_start = ~first & ~np.append(False, met) & (low < starts)
    at_end = first & ~np.append(met, False) & (high > starts)
    yield from zip(at_start.tolist(), at_end.tolist(), strict=True)
