"""Bands: a continuous course of stated width."""

from __future__ import annotations

from dataclasses import dataclass

import numpy as np

from curlet.core.brush.courses import Band
from curlet.core.drawing import Outline, Shape, Solid, Stroke
from curlet.core.lay.facing import still
from curlet.core.lay.frames import LegLine
from curlet.core.lay.hold.bend import bend
from curlet.core.lay.hold.mapping import Bent
from curlet.core.lay.own_line import OwnLine
from curlet.core.lay.repeats import make_repeats
from curlet.core.lay.rooms import CornerManners
from curlet.core.measures import Scale
from curlet.core.path.corners import Leg

_LINE = Outline("ML", np.array([[0.0, 0.0], [1.0, 0.0]]))
_BARE = Solid("#000000")


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

    def short(leg: Leg, at_end: bool) -> float:
        corner = leg.end if at_end else leg.start
        return stop if corner is not None and manners.of(corner) == "stop" else 0.0

    stretches = []
    for number, leg in enumerate(line.legs):
        own = OwnLine(line, number, offset, manners.rule.mitre_limit)
        start, end = own.start + short(leg, False), own.stop - short(leg, True)
        if end > start:
            stretches.append((start, end, number))
    together = not any(manners.of(leg.end) == "stop" for leg in line.legs if leg.end is not None)
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
    chains = [_chain(laid, piece) for piece in pieces]
    closed = whole and laid.line.path.closed and laid.joined and len(pieces) == len(laid.line.legs)
    outlines = [_through(chains, closed)] if laid.joined and whole else chains
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
