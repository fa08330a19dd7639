"""Artwork in its row's own measures, contour by contour: cut where the path has a joint or a corner ends
its leg, and bent piece by piece."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass, replace

import numpy as np
from numpy.typing import NDArray

from curlet.core.drawing import Outline
from curlet.core.lay.facing import Local
from curlet.core.lay.hold.mapping import Bent
from curlet.core.lay.repeats import Repeats
from curlet.core.path.contours import Contour
from curlet.core.path.cubics import cut_where, points_on, rates_on
from curlet.core.path.halving import mapped_in_halves
from curlet.core.path.outline import bridged

Floats = NDArray[np.float64]
Ints = NDArray[np.intp]
Bools = NDArray[np.bool_]

_HAIR = 2e-8
_INSIDE = 1e-7
_ALONG = np.array([1.0, 0.0])
# Places at which a mapped segment is compared with where it should lie.
_PLACES = np.linspace(0, 1, 5)
_DEEPEST = 9


@dataclass(frozen=True, eq=False)
class Strand:
    """One contour of one repeat.

    Attributes
    ----------
    cubics : (k, 4, 2) arc length and height, mm.
    leg, beside : of its repeat.
    start, end : of its repeat's cell, mm.
    """

    cubics: Floats
    closed: bool
    leg: int
    beside: float
    start: float
    end: float


def strands_of(repeats: Repeats, local: Local, index: int, parts: Sequence[Contour]) -> list[Strand]:
    """The contours of one repeat, its own turn and flip done."""
    start, end = float(repeats.start[index]), float(repeats.end[index])
    leg, beside = int(repeats.leg[index]), float(repeats.beside[index])
    span = np.array([end - start, 1.0])
    found = []
    for part in parts:
        cubics = part.cubics * span
        if not local.plain:
            middle = np.array([(end - start) / 2, 0.0])
            cubics = (cubics - middle) @ local.matrix[index].T + middle + local.shift[index]
        cubics = cubics + np.array([start, 0.0])
        found.append(Strand(cubics, part.closed, leg, beside, start, end))
    return found


def cut_at(strand: Strand, places: Floats) -> Strand:
    """Its segments cut wherever they pass one of the places, so that none crosses a joint."""
    s = strand.cubics[..., 0]
    low, high = s.min(axis=1)[:, None], s.max(axis=1)[:, None]
    passes = ((low < places) & (places < high)).any(axis=1)
    if not passes.any():
        return strand
    pieces: list[Floats] = []
    for cubic, cut in zip(strand.cubics, passes.tolist(), strict=True):
        pieces += cut_where(cubic, _ALONG, places) if cut else [cubic]
    return replace(strand, cubics=np.array(pieces))


def run_on(strand: Strand, end: float) -> Strand:
    """A line that leaves its repeat at a joint, gone on to the joint's other side."""
    if strand.closed:
        return strand
    cubics = strand.cubics
    ends = [(0, cubics[0, 0]), (len(cubics), cubics[-1, 3])]
    for index, point in reversed(ends):
        if abs(point[0] - end) < _INSIDE:
            cubics = np.insert(cubics, index, np.tile(point, (4, 1)), axis=0)
    return replace(strand, cubics=cubics)


def bent_outlines(bent: Bent, strands: Sequence[Strand]) -> list[Outline]:
    """Every strand on the sheet, each of its segments in as many parts as it needs."""
    if not strands:
        return []
    counts = np.array([len(strand.cubics) for strand in strands])
    owner = np.repeat(np.arange(len(strands)), counts)
    cubics = np.concatenate([strand.cubics for strand in strands])
    leg = np.array([strand.leg for strand in strands], dtype=np.intp)[owner]
    beside = np.array([strand.beside for strand in strands])[owner]

    def placed(pieces: Floats, of: Ints) -> tuple[Floats, Bools]:
        found, error, long = _placed(bent, pieces, leg[of], beside[of])
        return found, (error <= bent.tolerance) | (long <= bent.tolerance)

    of, mapped = mapped_in_halves(cubics, placed, _DEEPEST)
    owners = owner[of]
    edges = np.searchsorted(owners, np.arange(len(strands) + 1))
    return [
        bridged(mapped[a:b], strand.closed)
        for a, b, strand in zip(edges[:-1], edges[1:], strands, strict=True)
    ]


def _placed(bent: Bent, cubics: Floats, leg: Ints, beside: Floats) -> tuple[Floats, Floats, Floats]:
    """(k, 4, 2) cubics with the mapping's ends and rates, how far each errs, and how long each is, mm."""
    at, rate = points_on(cubics, _PLACES), rates_on(cubics, _PLACES)
    s = at[..., 0]
    # A hair toward the segment's middle, so that a joint is seen from the right side; an edge across the
    # path is seen from beyond it.
    side = _HAIR * np.sign(s[:, 2:3] - s)
    side[np.ptp(s, axis=1) < _INSIDE] = _HAIR
    legs = np.repeat(leg[:, None], len(_PLACES), axis=1)
    off = np.repeat(beside[:, None], len(_PLACES), axis=1)
    (px, py), (vx, vy) = bent.mapped(s, at[..., 1], rate[..., 0], rate[..., 1], legs, off, side)
    points, speeds = np.stack([px, py], axis=-1), np.stack([vx, vy], axis=-1)
    long = np.hypot(*np.moveaxis(np.diff(points, axis=1), -1, 0)).sum(axis=1)
    handles = _reined(np.nan_to_num(speeds[:, ::4]) / 3, long)
    placed = np.stack(
        [points[:, 0], points[:, 0] + handles[:, 0], points[:, 4] - handles[:, 1], points[:, 4]], axis=1
    )
    error = np.abs(points_on(placed, _PLACES[1:4]) - points[:, 1:4]).max(axis=(1, 2))
    return placed, error, long


def _reined(handles: Floats, long: Floats) -> Floats:
    """Handles no longer than the line they belong to: where speed stalls its rate has no bound."""
    size = np.hypot(handles[..., 0], handles[..., 1])
    share = np.minimum(1.0, long[:, None] / np.maximum(size, 1e-30))
    return np.asarray(handles * share[..., None])
