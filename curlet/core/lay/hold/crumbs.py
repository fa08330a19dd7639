"""Crumbs: what a corner's cut would leave of artwork with nothing to stand on, such as a tooth whose foot is
cut away. They are left out."""

from __future__ import annotations

from collections.abc import Iterator, Sequence
from dataclasses import dataclass
from functools import cached_property

import numpy as np
from numpy.typing import NDArray

from curlet.core.lay.hold.strands import Strand
from curlet.core.path.cubics import weights

Floats = NDArray[np.float64]
Ints = NDArray[np.intp]
Bools = NDArray[np.bool_]

# What is left of a contour that always stood by itself is a crumb below this share of it.
_SHARE = 0.35
_SAMPLED = weights(np.arange(4) / 4)
_TOUCHES, _PASSES = 1e-6, 0.02
# What hangs on less than these shares of its size, by length and by area, would break off.
_FOOT, _PATCH = 0.03, 0.002
# A rail is no higher than this share of its length.
_THIN = 0.3
# Each contour is compared with each: artwork of more than so many is left as it is.
_MAX = 600


@dataclass(frozen=True, eq=False)
class CutRepeat:
    """One repeat that corners may have cut.

    Attributes
    ----------
    kept, whole : the contours of each shape, after and before they were cut.
    weights : of each shape's line, mm; 0 for an area.
    start, end : its cell, mm.
    goes_on : which edges of its cell have a repeat beside them that nothing cuts.
    sewn : whether each contour is held by the cloth, so that none hangs on another.
    """

    kept: Sequence[Sequence[Strand]]
    whole: Sequence[Sequence[Strand]]
    weights: Sequence[float]
    start: float
    end: float
    goes_on: tuple[bool, bool]
    sewn: bool = False

    @cached_property
    def left(self) -> _Pieces:
        return _Pieces(self.kept, self.weights, (self.start, self.end))

    @cached_property
    def before(self) -> _Pieces:
        return _Pieces(self.whole, self.weights, (self.start, self.end))

    @property
    def untouched(self) -> bool:
        return [id(strand) for strand in self.left.strands] == [id(strand) for strand in self.before.strands]


def without_crumbs(repeats: Sequence[CutRepeat]) -> list[list[list[Strand]]]:
    """What cuts leave of the repeats of one leg, but for their crumbs: what hung together with the repeats
    beside it and now does not, small parts of what always stood by itself, and small parts of what lies on
    something larger.

    Parameters
    ----------
    repeats : in order along the leg.
    """
    kept = [[list(each) for each in repeat.kept] for repeat in repeats]
    most = max((len(repeat.before.strands) for repeat in repeats), default=0)
    if most > _MAX or all(repeat.untouched for repeat in repeats):
        return kept
    for repeat, held, shapes in zip(repeats, _held(repeats), kept, strict=True):
        left = iter(_staying(repeat, held).tolist())
        for shape in shapes:
            shape[:] = [strand for strand in shape if next(left)]
    return kept


def _staying(repeat: CutRepeat, held: Bools) -> Bools:
    """Which of a repeat's pieces stay, given which of them hang together with its leg."""
    left, before = repeat.left, repeat.before
    source = _sources(repeat)
    small = left.areas < _SHARE * before.areas[source]
    hung = _hung(before)[source]
    stays = np.where(hung & held, ~(small & before.laid_on_others[source]), ~small & (repeat.sewn | ~hung))
    # What lies within a part of its own shape that goes is a hole in it.
    within = _within(left.boxes, left.boxes, 0.0) & (left.shape[:, None] == left.shape)
    return np.asarray(stays & ~(within & ~stays).any(axis=1))


def _sources(repeat: CutRepeat) -> Ints:
    """(n,) which contour each piece of a repeat is, or was cut from."""
    count = len(repeat.left.strands)
    return np.array([_source(repeat.left, index, repeat.before) for index in range(count)], dtype=np.intp)


def _source(left: _Pieces, index: int, before: _Pieces) -> int:
    """Which contour a piece is, or was cut from: the smallest that it lies within."""
    known = before.numbers.get(id(left.strands[index]))
    if known is not None:
        return known
    around = _within(left.boxes[index : index + 1], before.boxes, -_TOUCHES)[0]
    return int(np.argmin(np.where(around, before.areas, np.inf)))


def _held(repeats: Sequence[CutRepeat]) -> list[Bools]:
    """Which pieces of each repeat hang together with what nothing cuts; where everything is cut, with the
    rails, or which make up the longest part if there are none."""
    every = [repeat.left for repeat in repeats]
    first = np.cumsum([0, *(len(each.strands) for each in every)])
    links = np.concatenate(list(_links(every, first)), axis=1)
    start = np.concatenate([_goes_on(repeat.left, repeat.goes_on) for repeat in repeats])
    if not any(any(repeat.goes_on) for repeat in repeats):
        start = np.concatenate([_rails(repeat.before)[_sources(repeat)] for repeat in repeats])
        if not start.any():
            low, high = np.concatenate([each.boxes[..., 0] for each in every]).T
            start = _longest(low, high, links)
    return np.split(_reached(start, links), first[1:-1])


def _rails(pieces: _Pieces) -> Bools:
    """Which contours go along the cell from edge to edge."""
    along, across = (pieces.boxes[:, 1] - pieces.boxes[:, 0]).T
    through = _goes_on(pieces, (True, False)) & _goes_on(pieces, (False, True))
    return np.asarray(through & (across < _THIN * along))


def _reached(held: Bools, links: Ints) -> Bools:
    """All that hangs, at one or more removes, on what is held."""
    hanging, by = links
    while True:
        more = held.copy()
        more[hanging[held[by]]] = True
        if (more == held).all():
            return held
        held = more


def _longest(low: Floats, high: Floats, links: Ints) -> Bools:
    """The part that reaches furthest along the leg, each piece lying from `low` to `high`."""
    found, most = np.zeros(len(low), dtype=bool), -1.0
    seen = found.copy()
    for index in np.argsort(low - high).tolist():
        if not seen[index]:
            part = _reached(np.arange(len(low)) == index, links)
            seen |= part
            length = float(high[part].max() - low[part].min())
            if length > most:
                found, most = part, length
    return found


def _hung(before: _Pieces) -> Bools:
    """Which contours hang together with the repeats beside them before anything is cut."""
    links = np.array(np.nonzero(_overlapping(before, before)))
    return _reached(_goes_on(before, (True, True)), links)


def _goes_on(pieces: _Pieces, edges: tuple[bool, bool]) -> Bools:
    """Which pieces pass one of these edges of the cell, or lie along it with some of their size."""
    foot = np.ptp(pieces.on_edges, axis=2) > _FOOT * pieces.sizes[:, None]
    return np.asarray(((foot | pieces.passing) & np.array(edges)).any(axis=1))


def _links(every: Sequence[_Pieces], first: Ints) -> Iterator[Ints]:
    """(2, k) pairs of pieces, numbered through all repeats, of which the first hangs on the second."""
    yield np.zeros((2, 0), dtype=np.intp)
    for i, one in enumerate(every):
        for j in range(i, len(every)):
            other = every[j]
            if j > i + 1 and not _reach_each_other(one, other):
                break
            linked, back = _overlapping(one, other), _overlapping(other, one).T
            if j == i + 1:
                meeting = _along_an_edge(one, other)
                linked |= meeting > _FOOT * one.sizes[:, None]
                back |= meeting > _FOOT * other.sizes
            for matrix, turned in ((linked, False), (back, True)):
                here, there = np.nonzero(matrix)
                pair = np.stack([here + first[i], there + first[j]])
                yield pair[::-1] if turned else pair


def _reach_each_other(one: _Pieces, other: _Pieces) -> bool:
    if not (len(one.strands) and len(other.strands)):
        return False
    return bool(one.boxes[:, 1, 0].max() > other.boxes[:, 0, 0].min())


def _overlapping(one: _Pieces, other: _Pieces) -> Bools:
    """(n, m) whether a piece lies over another, or stands on it, with some of its own size."""
    low = np.maximum(one.boxes[:, None, 0], other.boxes[None, :, 0])
    shared = np.minimum(one.boxes[:, None, 1], other.boxes[None, :, 1]) - low
    along, across = shared[..., 0], shared[..., 1]
    size = (one.boxes[:, 1] - one.boxes[:, 0]).prod(axis=1)
    over = (along > 0) & (across > 0) & (along * across > _PATCH * size[:, None])
    stands = (np.abs(across) < _TOUCHES) & (along > _FOOT * one.sizes[:, None])
    return np.asarray(over | stands)


def _along_an_edge(one: _Pieces, other: _Pieces) -> Floats:
    """(n, m) on what length the pieces of a repeat and those of the next one meet at the edge between."""
    ends, starts = one.on_edges[:, None, 1], other.on_edges[None, :, 0]
    return np.asarray(np.minimum(ends[..., 1], starts[..., 1]) - np.maximum(ends[..., 0], starts[..., 0]))


def _within(boxes: Floats, others: Floats, by: float) -> Bools:
    """(n, m) whether boxes lie within others, clear of their edges by so much, mm."""
    low = boxes[:, None, 0] >= others[None, :, 0] + by
    return np.asarray((low & (boxes[:, None, 1] <= others[None, :, 1] - by)).all(axis=2))


class _Pieces:
    """Contours of one repeat, and where they lie.

    Attributes
    ----------
    shape : (n,) which shape each is of.
    boxes : (n, 2, 2) least and greatest arc length and height, mm, with half a line's weight.
    sizes : (n,) the longer side of each.
    on_edges : (n, 2, 2) from and to what height each lies along the cell's edges; nowhere where it does not.
    passing : (n, 2) whether it passes them.
    """

    def __init__(self, every: Sequence[Sequence[Strand]], weights: Sequence[float], cell: Sequence[float]):
        self.strands = [strand for each in every for strand in each]
        self.shape = np.repeat(np.arange(len(every)), [len(each) for each in every])
        half = np.asarray(weights, dtype=np.float64)[self.shape] / 2
        ends = [np.concatenate([one.cubics[:, 0], one.cubics[-1:, 3]]) for one in self.strands]
        self.boxes = np.zeros((len(ends), 2, 2))
        self.on_edges = np.zeros((len(ends), 2, 2))
        self.passing = np.zeros((len(ends), 2), dtype=bool)
        for index, (points, strand, by) in enumerate(zip(ends, self.strands, half.tolist(), strict=True)):
            control = strand.cubics.reshape(-1, 2)
            self.boxes[index] = control.min(axis=0) - by, control.max(axis=0) + by
            s, heights = points.T
            low, high = s.min(), s.max()
            for side, edge in enumerate(cell):
                self.passing[index, side] = low < edge - _PASSES and high > edge + _PASSES
                on = heights[np.abs(s - edge) < _TOUCHES]
                if len(on):
                    self.on_edges[index, side] = on.min() - by, on.max() + by
        self.sizes = (self.boxes[:, 1] - self.boxes[:, 0]).max(axis=1, initial=0.0)

    @cached_property
    def numbers(self) -> dict[int, int]:
        return {id(strand): index for index, strand in enumerate(self.strands)}

    @cached_property
    def areas(self) -> Floats:
        return np.array([_area(strand) for strand in self.strands])

    @cached_property
    def laid_on_others(self) -> Bools:
        """(n,) which lie within a piece of another shape, clear of its edges: a dot on a cloth."""
        return np.asarray(
            (_within(self.boxes, self.boxes, _PASSES) & (self.shape[:, None] != self.shape)).any(axis=1)
        )


def _area(strand: Strand) -> float:
    x, y = (_SAMPLED @ strand.cubics).reshape(-1, 2).T
    turned = x[:-1] @ y[1:] - y[:-1] @ x[1:] + x[-1] * y[0] - y[-1] * x[0]
    return abs(float(turned)) / 2
