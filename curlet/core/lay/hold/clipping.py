"""Artwork cut where its leg ends at a corner. What is cut is really cut, not hidden by a clip: so the parts
of both legs can be painted as one shape, with no seam between them."""

from __future__ import annotations

from collections.abc import Callable, Iterator, Sequence
from dataclasses import dataclass, replace
from functools import lru_cache, partial
from itertools import pairwise
from typing import NamedTuple

import numpy as np
from numpy.typing import NDArray

from curlet.core.drawing import Outline, Shape, Solid, Stroke
from curlet.core.lay.corners.cut import Cut
from curlet.core.lay.hold.mapping import Heights
from curlet.core.lay.hold.strands import Strand
from curlet.core.path.booleans import line_as_area
from curlet.core.path.contours import contours
from curlet.core.path.cubics import points_on, split, split_each, straight, weights
from curlet.core.path.runs import joined_along, kept_runs

Floats = NDArray[np.float64]
Bools = NDArray[np.bool_]
Ints = NDArray[np.intp]
# From (k, …, 2) points and (k,) whose they are.
Inside = Callable[[Floats, Ints], Floats]

_SAMPLES = np.linspace(0, 1, 17)
_SAMPLED = weights(_SAMPLES)
_ROUNDS = 14
# A line's ends and joins may stand a little further out than half its weight.
_SPARE = 1.3
_ON_IT = 1e-9
# So near to a cut a place is not looked for more closely, mm.
_NO_MORE = 1e-11
# A line that ends flat where the next repeat goes on is lengthened into it, so that no light shows, mm.
_LAP = 0.5
_EDGE = 1e-6
# Lines are alike to so many decimals of a mm: there only rounding tells them apart.
_ALIKE = 12


@dataclass(frozen=True)
class Uncut:
    """A fill or a line as it is to be painted, before it is cut.

    Attributes
    ----------
    strands : its contours that are left to be cut as areas, or to stay as they are.
    whole : the contours that these are left of.
    cuts : what is to cut them, one after the other.
    """

    painted: Shape
    strands: list[Strand]
    whole: list[Strand]
    cuts: Sequence[Cut] = ()


def uncut(
    shape: Shape, strands: list[Strand], cuts: Sequence[Cut], bent: Heights, *, mirrored: bool = False
) -> Iterator[Uncut]:
    """A shape's fill and its line, ready to be cut."""
    if shape.fill is not None:
        yield Uncut(replace(shape, stroke=None), strands, strands, cuts)
    if shape.stroke is not None:
        yield from _line_uncut(replace(shape, fill=None), shape.stroke, strands, cuts, bent, mirrored)


def _line_uncut(
    shape: Shape,
    stroke: Stroke,
    strands: Sequence[Strand],
    cuts: Sequence[Cut],
    bent: Heights,
    mirrored: bool,
) -> Iterator[Uncut]:
    """A line as it is where cuts do not touch it, the area that the rest covers, and nothing of what lies
    beyond them. The area is wound as the fills of the same repeat are, which may lie mirrored."""
    if _can_be_parted(strands, stroke):
        for cut in (cut for cut in cuts if cut.parts):
            if any(strand.closed for strand in strands):
                shape = replace(shape, stroke=replace(stroke, ends="flat"))
            strands = [part for strand in strands for part in _parted(strand, cut, bent)]
        cuts = [cut for cut in cuts if not cut.parts]
    clear, touched, beyond = _sorted(strands, cuts, bent, stroke.weight)
    if clear or beyond:
        yield Uncut(shape, clear, [*clear, *beyond])
    if touched:
        areas = [area for strand in touched for area in _area_of(strand, stroke)]
        if mirrored:
            areas = [replace(area, cubics=area.cubics[::-1, ::-1]) for area in areas]
        yield Uncut(replace(shape, fill=stroke.paint, stroke=None, even_odd=False), areas, areas, cuts)


def clipped(uncuts: Sequence[Uncut], bent: Heights) -> list[list[Strand]]:
    """What is left of the contours of each, closed along its cuts. Many take little longer than one."""
    left = [each.strands for each in uncuts]
    for turn in range(max((len(each.cuts) for each in uncuts), default=0)):
        by_cut: dict[Cut, list[int]] = {}
        for index, each in enumerate(uncuts):
            if turn < len(each.cuts):
                by_cut.setdefault(each.cuts[turn], []).append(index)
        for cut, indices in by_cut.items():
            rules = [uncuts[index].painted.even_odd for index in indices]
            cut_now = _clipped([left[index] for index in indices], rules, cut, bent)
            for index, strands in zip(indices, cut_now, strict=True):
                left[index] = strands
    return left


def _sorted(
    strands: Sequence[Strand], cuts: Sequence[Cut], bent: Heights, weight: float
) -> tuple[list[Strand], list[Strand], list[Strand]]:
    """Those that lie clear within every cut, those that one of them touches, and those that lie beyond."""
    clear: list[Strand] = []
    touched: list[Strand] = []
    beyond: list[Strand] = []
    for strand in strands:
        within = [_margins(strand, cut, bent, weight) for cut in cuts]
        if any(most < 0 for _, most in within):
            beyond.append(strand)
        else:
            (touched if any(least < 0 for least, _ in within) else clear).append(strand)
    return clear, touched, beyond


def _margins(strand: Strand, cut: Cut, bent: Heights, weight: float) -> tuple[float, float]:
    """By how much a line's nearest and furthest places clear a cut with half their weight, mm: the first is
    below 0 where it is touched, the second where nothing of it is left."""
    slope = np.abs(np.diff(cut.places) / np.diff(cut.heights)).max(initial=0.0)
    near = weight / 2 * float(np.hypot(1.0, slope)) * _SPARE
    inside = _inside([strand], cut, bent)(_SAMPLED @ strand.cubics, np.zeros(1, dtype=np.intp))
    return float(inside.min()) - near, float(inside.max()) + near


def _can_be_parted(strands: Sequence[Strand], stroke: Stroke) -> bool:
    """Whether a line can be parted with nothing to be seen of it: round ends would show where they shine
    through, and dashes would begin anew."""
    solid = not isinstance(stroke.paint, Solid) or stroke.paint.opacity == 1
    alike = stroke.ends == "flat" or all(strand.closed for strand in strands)
    return not stroke.dashes and (alike or (solid and not any(strand.closed for strand in strands)))


def _parted(strand: Strand, cut: Cut, bent: Heights) -> list[Strand]:
    """The parts of a line that a cut keeps."""
    inside = _inside([strand], cut, bent)
    cubics = _run_together(strand.cubics) if strand.closed else strand.cubics
    whose = np.zeros(len(cubics), dtype=np.intp)
    within = inside(_SAMPLED @ cubics, whose)
    if (within >= -_ON_IT).all():
        return [strand]
    pieces, kept, _ = _at_changes(cubics, whose, within, inside)
    if strand.closed and kept.any() and not kept.all():
        # Begun where a kept part begins, so that none is broken at the contour's own start.
        first = int(np.flatnonzero(kept & ~np.roll(kept, 1))[0])
        pieces, kept = [*pieces[first:], *pieces[:first]], np.roll(kept, -first)
    edges = np.flatnonzero(np.diff(np.concatenate([[False], kept, [False]]).astype(np.int8)))
    return [
        replace(strand, cubics=np.array(pieces[a:b]), closed=False) for a, b in edges.reshape(-1, 2).tolist()
    ]


def _area_of(strand: Strand, stroke: Stroke) -> list[Strand]:
    """The area that a line covers, as closed contours."""
    cubics = _lapped(strand, stroke)
    # Single precision is fine enough about the line's own beginning, where lines of all repeats are alike.
    origin = np.array([cubics[0, 0, 0], 0.0])
    about = np.round(cubics - origin, _ALIKE)
    line = _Line(about.tobytes(), strand.closed, stroke.weight, stroke.ends, stroke.joins, stroke.dashes)
    return [replace(strand, cubics=part + origin, closed=True) for part in _covered(line)]


class _Line(NamedTuple):
    """A line's cubics, as bytes of (k, 4, 2) mm, and how it is drawn."""

    cubics: bytes
    closed: bool
    weight: float
    ends: str
    joins: str
    dashes: tuple[float, ...]


@lru_cache(maxsize=4_096)
def _covered(line: _Line) -> tuple[Floats, ...]:
    """The cubics of each contour of the area that a line covers."""
    cubics = np.frombuffer(line.cubics).reshape(-1, 4, 2)
    points = np.concatenate([cubics[:1, 0], cubics[:, 1:].reshape(-1, 2)])
    outline = Outline("M" + "C" * len(cubics) + ("Z" if line.closed else ""), points)
    area = line_as_area(outline, line.weight, line.ends, line.joins, line.dashes)
    return tuple(part.cubics for part in contours(area)) if area else ()


def _lapped(strand: Strand, stroke: Stroke) -> Floats:
    """The line, lengthened a little wherever it ends flat on an edge of its cell."""
    cubics = strand.cubics
    if strand.closed or stroke.ends == "round" or stroke.dashes:
        return cubics
    lap = min(_LAP, (strand.end - strand.start) / 4)
    first, last = cubics[0, 0], cubics[-1, 3]
    pieces = [cubics]
    for point, edge, by in ((first, strand.start, -lap), (last, strand.end, lap)):
        if abs(point[0] - edge) < _EDGE:
            there = point + np.array([by, 0.0])
            a, b = (there, point) if point is first else (point, there)
            line = straight(a, b)[None]
            pieces = [line, *pieces] if point is first else [*pieces, line]
    return np.concatenate(pieces)


def _inside(strands: Sequence[Strand], cut: Cut, bent: Heights) -> Inside:
    """How far within the leg points of strands lie, mm: arc lengths and heights, and whose they are."""
    beside = np.array([strand.beside for strand in strands])

    def inside(points: Floats, whose: Ints) -> Floats:
        off = beside[whose].reshape(-1, *[1] * (points.ndim - 2))
        return cut.inside(points[..., 0], bent.height(points[..., 0], points[..., 1], off))

    return inside


def _clipped(
    shapes: Sequence[Sequence[Strand]], even_odd: Sequence[bool], cut: Cut, bent: Heights
) -> list[list[Strand]]:
    """What one cut leaves of each shape's contours."""
    every = [strand for strands in shapes for strand in strands]
    if not every:
        return [[] for _ in shapes]
    of = np.repeat(np.arange(len(shapes)), [len(strands) for strands in shapes])
    whole, touched = _touched(every, cut, bent)
    left: list[list[Strand]] = [[] for _ in shapes]
    for index in whole.tolist():
        left[of[index]].append(every[index])
    runs: dict[int, list[list[Floats]]] = {}
    passing = [every[index] for index in touched.tolist()]
    for shape, own in zip(of[touched].tolist(), _runs_left(passing, cut, bent), strict=True):
        runs.setdefault(shape, []).extend(own)
    for shape, own in runs.items():
        first = shapes[shape][0]
        along = partial(_along_the_cut, cut=cut, strand=first, bent=bent)
        joined = joined_along(own, along, even_odd=even_odd[shape])
        left[shape] += [replace(first, cubics=cubics, closed=True) for cubics in joined]
    return left


def _runs_left(strands: Sequence[Strand], cut: Cut, bent: Heights) -> list[list[list[Floats]]]:
    """The runs that a cut leaves of each contour."""
    if not strands:
        return []
    chains = [_run_together(strand.cubics) for strand in strands]
    cubics, whose = np.concatenate(chains), np.repeat(np.arange(len(chains)), [len(one) for one in chains])
    inside = _inside(strands, cut, bent)
    within = inside(_SAMPLED @ cubics, whose)
    pieces, kept, whose = _at_changes(cubics, whose, within, inside)
    edges = np.searchsorted(whose, np.arange(len(chains) + 1)).tolist()
    return [kept_runs(pieces[a:b], kept[a:b]) for a, b in pairwise(edges)]


def _touched(strands: Sequence[Strand], cut: Cut, bent: Heights) -> tuple[Ints, Ints]:
    """Which contours lie whole within the leg, and which pass its end."""
    counts = [len(strand.cubics) for strand in strands]
    points = _SAMPLED @ np.concatenate([strand.cubics for strand in strands])
    within = _inside(strands, cut, bent)(points, np.repeat(np.arange(len(strands)), counts))
    first = np.cumsum([0, *counts[:-1]])
    whole = np.minimum.reduceat(within.min(axis=1), first) >= -_ON_IT
    beyond = np.maximum.reduceat(within.max(axis=1), first) <= _ON_IT
    return np.flatnonzero(whole), np.flatnonzero(~whole & ~beyond)


def _run_together(cubics: Floats) -> Floats:
    """A contour that is filled closes itself with a straight line."""
    a, b = cubics[-1, 3], cubics[0, 0]
    if np.abs(a - b).max() <= _ON_IT:
        return cubics
    return np.concatenate([cubics, straight(a, b)[None]])


def _at_changes(
    cubics: Floats, whose: Ints, within: Floats, inside: Inside
) -> tuple[list[Floats], Bools, Ints]:
    """(k, 4, 2) segments cut wherever they pass from one side to the other, `within` being how far within
    each of their samples lies; by regula falsi (Illinois), all at once. Their pieces, which of them are kept
    and whose they are."""
    segment, sample = np.nonzero((within[:, 1:] > 0) != (within[:, :-1] > 0))
    low, high = _SAMPLES[sample], _SAMPLES[sample + 1]
    below, above = within[segment, sample], within[segment, sample + 1]
    chosen = cubics[segment]
    at = low
    for _ in range(_ROUNDS if len(segment) else 0):
        at = low - below * (high - low) / np.where(above == below, 1.0, above - below)
        here = inside(_each_at(chosen, at), whose[segment])
        if np.abs(here).max() < _NO_MORE:
            break
        same = (here > 0) == (below > 0)
        # The end that stays is weighed less, so that the other one moves too.
        above = np.where(same, above / 2, here)
        high = np.where(same, high, at)
        low, below = np.where(same, at, low), np.where(same, here, below / 2)
    passes = np.bincount(segment, minlength=len(cubics))
    pieces = _split(cubics, segment, at, passes)
    of = np.repeat(whose, 1 + passes)
    kept = inside(points_on(np.array(pieces), np.array([0.5]))[:, 0], of) > 0
    return pieces, kept, of


def _each_at(cubics: Floats, t: Floats) -> Floats:
    """(n, 2) points, one on each of (n, 4, 2) cubics."""
    t = t[:, None]
    u = 1 - t
    a, b, c, d = (cubics[:, i] for i in range(4))
    return np.asarray(((u * a + 3 * t * b) * u + 3 * t * t * c) * u + t**3 * d)


def _split(cubics: Floats, segment: Ints, at: Floats, passes: Ints) -> list[Floats]:
    """Cubics cut at their places, of which each has as many as it passes; most have one at the most, and are
    cut all at once."""
    once = np.flatnonzero(passes[segment] == 1)
    before, after = split_each(cubics[segment[once]], np.clip(at[once], 0.0, 1.0))
    halves = dict(zip(segment[once].tolist(), zip(before, after, strict=True), strict=True))
    places = at.tolist()
    ends = np.cumsum(passes).tolist()
    pieces: list[Floats] = []
    for index, (cubic, count) in enumerate(zip(cubics, passes.tolist(), strict=True)):
        if count == 0:
            pieces.append(cubic)
        elif count == 1:
            pieces += halves[index]
        else:
            pieces += _split_at(cubic, places[ends[index] - count : ends[index]])
    return pieces


def _split_at(cubic: Floats, places: Sequence[float]) -> list[Floats]:
    pieces, rest, done = [], cubic, 0.0
    for t in places:
        left, rest = split(rest, min(max((t - done) / (1 - done), 0.0), 1.0))
        pieces.append(left)
        done = t
    return [*pieces, rest]


def _along_the_cut(here: Floats, there: Floats, *, cut: Cut, strand: Strand, bent: Heights) -> list[Floats]:
    """Straight pieces from one place on a cut to another, by the heights that it is given at."""
    wide = float(bent.width(here[:1])[0])
    ys = (cut.heights - bent.offset - strand.beside) / max(wide, 1e-9)
    low, high = sorted((float(here[1]), float(there[1])))
    inner = np.flatnonzero((ys > low + _ON_IT) & (ys < high - _ON_IT))
    if not len(inner):
        return [straight(here, there)]
    near = np.full(len(inner), here[0])
    corners = np.stack([cut.place(near, cut.heights[inner]), ys[inner]], axis=1)
    if here[1] > there[1]:
        corners = corners[::-1]
    through = np.vstack([here, corners, there])
    return list(straight(through[:-1], through[1:]))
