"""Bands: a continuous course of stated width."""

from __future__ import annotations

import math
from dataclasses import dataclass

import numpy as np
from numpy.typing import NDArray

from curlet.core.brush.courses import Band
from curlet.core.drawing import Outline, Shape, Solid, Stroke
from curlet.core.errors import BadInput
from curlet.core.lay.corners.limit import SHARPEST_CUT
from curlet.core.lay.facing import still
from curlet.core.lay.frames import LegLine
from curlet.core.lay.hold.bend import bend
from curlet.core.lay.hold.mapping import Bent
from curlet.core.lay.own_line import OwnLine
from curlet.core.lay.repeats import make_repeats
from curlet.core.lay.rooms import CornerManners
from curlet.core.measures import Scale
from curlet.core.path.arcs import arc_to_cubics
from curlet.core.path.corners import Corner, Leg
from curlet.core.path.outline import outline_of
from curlet.core.path.parallel import parallel

Floats = NDArray[np.float64]

_LINE = Outline("ML", np.array([[0.0, 0.0], [1.0, 0.0]]))
_BARE = Solid("#000000")
_NOTHING = Outline("", np.zeros((0, 2)))
# Places at which each segment's curvature is looked at.
_SAMPLES = 17
_TIGHTEST = 1 - 1e-6
# Legs whose lines come as near as this meet, mm.
_MEETS = 1e-4


@dataclass(frozen=True, eq=False)
class LaidBand:
    """A band as laid: its line's stretches (start, end, leg) by leg, and what joins them."""

    course: Band
    index: int
    line: LegLine
    stretches: tuple[tuple[float, float, int], ...]
    joined: bool
    width: float
    offset: float
    mitre_limit: float

    @property
    def reach(self) -> float:
        return abs(self.offset) + self.width / 2


def lay_band(line: LegLine, band: Band, index: int, manners: CornerManners, scale: Scale) -> LaidBand:
    """A band along the whole path; corners are joined, or left open where repeats stop short."""
    offset, width = band.drawn_offset(scale), band.drawn_width(scale)
    stop = manners.rule.stop.drawn(scale) * band.size / 100

    def opens(corner: Corner) -> bool:
        return manners.of(corner) == "stop" and abs(corner.turn) >= manners.rule.angle - 1e-9

    def short(leg: Leg, at_end: bool) -> float:
        corner = leg.end if at_end else leg.start
        return stop if corner is not None and opens(corner) else 0.0

    stretches = []
    for number, leg in enumerate(line.legs):
        own = OwnLine(line, number, offset, manners.rule.mitre_limit if band.joins == "mitre" else 1.0)
        start, end = own.start + short(leg, False), own.stop - short(leg, True)
        if end > start:
            stretches.append((start, end, number))
    together = not any(opens(leg.end) for leg in line.legs if leg.end is not None)
    limit = manners.rule.mitre_limit
    return LaidBand(band, index, line, tuple(stretches), together, width, offset, limit)


def band_shapes(laid: LaidBand, low: float | None = None, high: float | None = None) -> list[Shape]:
    """The band as strokes, or as a filled outline where its width swells; a part of it by arc length."""
    whole = low is None or high is None
    pieces = laid.stretches if whole else _within(laid, low or 0.0, high or 0.0)
    if not pieces:
        return []
    if laid.course.swell.points:
        return _swelling(laid, pieces)
    if not (laid.joined and whole):
        outlines = [_chain(laid, piece) for piece in pieces]
    else:
        outlines = _end_to_end(laid) or _beside(laid)
    stroke = Stroke(
        _BARE,
        laid.width,
        laid.course.ends,
        laid.course.joins,
        mitre_limit=laid.mitre_limit,
    )
    return [Shape(outline, stroke=stroke) for outline in outlines]


def _within(laid: LaidBand, low: float, high: float) -> tuple[tuple[float, float, int], ...]:
    """The parts of the stretches between two arc lengths; a closed path's may pass its start."""
    length, found = laid.line.path.length, []
    for start, end, leg in laid.stretches:
        for lap in (-length, 0.0, length) if laid.line.path.closed else (0.0,):
            a, b = max(start, low + lap), min(end, high + lap)
            if b - a > 1e-9:
                found.append((a, b, leg))
    return tuple(found)


def _bent(laid: LaidBand) -> Bent:
    return Bent(laid.line, laid.offset, laid.course.swell, laid.line.path.length)


def _chain(laid: LaidBand, piece: tuple[float, float, int]) -> Outline:
    """One stretch's centreline: the path's own segments are cut where they join."""
    start, end, leg = piece
    nodes = laid.line.path.arc.node_positions
    length = laid.line.path.length
    inner = [n + lap for n in nodes for lap in (0.0, length) if start + 1e-9 < n + lap < end - 1e-9]
    cuts = np.unique(np.array([start, *inner, end]))
    count = len(cuts) - 1
    number = np.arange(count)
    repeats = make_repeats(cuts[:-1], cuts[1:], np.full(count, leg), number, np.zeros(count, dtype=np.intp))
    found: list[tuple[int, Outline]] = []
    for which, shape in bend(_bent(laid), repeats, still(count), Shape(_LINE)):
        found += zip(which.tolist(), _split(shape.outline, len(which)), strict=True)
    return _through([outline for _, outline in sorted(found, key=lambda item: item[0])], False)


def _split(outline: Outline, count: int) -> list[Outline]:
    per, points = len(outline.commands) // count, len(outline.points) // count
    return [
        Outline(outline.commands[:per], outline.points[i * points : (i + 1) * points]) for i in range(count)
    ]


def _end_to_end(laid: LaidBand) -> list[Outline]:
    """The centreline as one contour, legs joined at their corners; none where a leg is lost beside the path
    or legs do not meet."""
    legs, closed = laid.line.legs, laid.line.path.closed
    if len(laid.stretches) < len(legs) or _folds(laid):
        return []
    chains = [_chain(laid, piece) for piece in laid.stretches]
    ahead = [*chains[1:], chains[0]] if closed else chains[1:]
    joins = []
    for leg, one, other in zip(legs, chains, ahead, strict=False):
        join = _join(laid, leg, one.points[-1], other.points[0])
        if join is None:
            return []
        joins.append(join)
    joins += [_NOTHING] * (len(chains) - len(joins))
    commands = "M" + "".join(
        chain.commands[1:] + join.commands for chain, join in zip(chains, joins, strict=True)
    )
    parts = [
        part for chain, join in zip(chains, joins, strict=True) for part in (chain.points[1:], join.points)
    ]
    points = np.concatenate([chains[0].points[:1], *parts])
    return [Outline(commands + ("Z" if closed else ""), points)]


def _folds(laid: LaidBand) -> bool:
    """Whether the path bends more tightly than the centreline is far from it."""
    path = laid.line.path
    if not laid.offset or path.arc.only_lines:
        return False
    nodes = path.node_positions
    s = np.concatenate([np.linspace(a, b, _SAMPLES) for a, b in zip(nodes[:-1], nodes[1:], strict=True)])
    return bool((path.arc.curvature(s) * laid.offset > _TIGHTEST).any())


def _join(laid: LaidBand, leg: Leg, here: Floats, there: Floats) -> Outline | None:
    """From where one leg's line ends to where the next begins, round the outside of a corner; None where they
    should meet and do not."""
    corner = leg.end
    if np.hypot(*(there - here)) < _MEETS or corner is None:
        return _NOTHING
    if corner.turn * laid.offset > 0 and abs(corner.turn) < SHARPEST_CUT:
        return None
    if laid.course.joins != "round":
        return Outline("L", there[None])
    middle = laid.line.ends.point[laid.line.legs.index(leg)]
    arm = complex(*(here - middle))
    turn = -math.copysign(math.radians(abs(corner.turn)), laid.offset)
    cubics = arc_to_cubics(complex(*middle), arm, 1j * arm, 0.0, turn)
    return Outline("C" * len(cubics), np.asarray(cubics)[:, 1:].reshape(-1, 2))


def _beside(laid: LaidBand) -> list[Outline]:
    """The centreline as parallel copies of the path: what would fold back is left out."""
    limit = laid.mitre_limit if laid.course.joins == "mitre" else 1.0
    try:
        copies = parallel(
            laid.line.path, laid.offset, "round" if laid.course.joins == "round" else "sharp", limit
        )
    except BadInput:
        return []
    return [outline_of(copy) for copy in copies]


def _through(outlines: list[Outline], closed: bool) -> Outline:
    """Chains end to end as one contour; each begins where the one before it ends."""
    commands = "M" + "".join(outline.commands[1:] for outline in outlines) + ("Z" if closed else "")
    points = np.concatenate([outlines[0].points[:1], *(outline.points[1:] for outline in outlines)])
    return Outline(commands, points)


def _swelling(laid: LaidBand, pieces: tuple[tuple[float, float, int], ...]) -> list[Shape]:
    """A filled strip for each stretch."""
    h = laid.width / 2
    strip = Outline("MLLLZ", np.array([[0.0, -h], [1.0, -h], [1.0, h], [0.0, h]]))
    start, end, leg = (np.array(column) for column in zip(*pieces, strict=True))
    number = np.arange(len(pieces))
    repeats = make_repeats(start, end, leg.astype(np.intp), number, np.zeros(len(pieces), dtype=np.intp))
    batches = bend(_bent(laid), repeats, still(len(pieces)), Shape(strip, fill=_BARE))
    return [shape for _, shape in batches]
