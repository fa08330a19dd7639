"""No artwork past its bound, and no gap wider than set."""

from __future__ import annotations

import math

import numpy as np
from scipy.spatial import cKDTree
from shapely import contains_xy

from curlet.core.brush import Piece, Row
from curlet.core.drawing import Outline
from curlet.core.lay import LaidRow
from curlet.core.lay.draw import reach_of
from curlet.core.path.contours import contours
from curlet.core.path.cubics import points_on
from curlet.core.tally import tally
from tests.outlines import polygon, shapes_of
from tests.reference.referee.cases import LEG, Case

# A piece's own artwork, or a repeat that stands at a corner, reaches to its corners' diagonals.
_DIAGONAL = math.sqrt(2.0)
_SPARE = 0.1
_ALONG = np.linspace(0, 1, 5)


def past_bound(case: Case) -> float:
    """How far anything drawn lies beyond where it may, mm; 0 where nothing does."""
    run = case.run
    # As it is laid on: rounded, where the manner rounds it.
    path = run.path
    s = np.linspace(0, path.length, 4000)
    near = cKDTree(path.arc.points(np.union1d(s, path.node_positions)))
    points = [_shown(_points(outline), clips) for _, outline, clips in shapes_of(case.drawn)]
    every = np.concatenate(points) if points else np.zeros((0, 2))
    far = float(near.query(every)[0].max()) if len(every) else 0.0
    assert np.isfinite(far)
    return max(far - _bound(case, max(reach_of(course) for course in run.courses)), 0.0)


def _points(outline: Outline) -> np.ndarray:
    """Points along an outline."""
    chains = [points_on(part.cubics, _ALONG).reshape(-1, 2) for part in contours(outline)]
    return np.concatenate(chains) if chains else np.zeros((0, 2))


def _shown(points: np.ndarray, clips: list[Outline]) -> np.ndarray:
    """Those points that no clip hides."""
    for clip in clips:
        points = points[contains_xy(polygon(clip), *points.T)]
    return points


def _bound(case: Case, reach: float) -> float:
    """Half the width and, at the corner, the mitre's point; ends and pieces may stand out by their length."""
    run = case.run
    limit = run.brush.corners.mitre_limit
    ratio = 1 / max(math.cos(math.radians(abs(case.turn)) / 2), 1e-9)
    spread = ratio if ratio <= limit else _DIAGONAL
    rows = [course for course in run.courses if isinstance(course, LaidRow)]
    over = max((motif.overhang for row in rows for motif in row.motifs), default=0.0)
    pieces = [piece for row in run.brush.courses if isinstance(row, Row) for piece in _pieces(row)]
    stands = max((piece.length.mm for piece in pieces if not piece.within), default=0.0)
    standing = reach * max(spread, _DIAGONAL)
    if any(row.corner_places for row in rows) or case.made in ("turned", "gathered"):
        # The piece's outer corner, and a repeat turned about its middle.
        length = max((row.length for row in rows), default=0.0)
        standing = max(standing, math.hypot(reach, length / 2), reach * min(ratio, 12.0))
    # Lines stand out by half their weight.
    lines = [s.shape.stroke.weight for row in rows for m in row.motifs for s in m.shapes if s.shape.stroke]
    # A stitch is a chord: it lies off an arc by its rise.
    arcs = [(fillet.radius, row.length / 2) for fillet in run.fillets for row in rows]
    rise = max((r - math.sqrt(max(r * r - half * half, 0.0)) for r, half in arcs), default=0.0)
    return standing + rise + over + stands + max(lines, default=0.0) / 2 * ratio + _SPARE


def _pieces(row: Row) -> list[Piece]:
    return [piece for piece in (row.pieces.start, row.pieces.end) if piece is not None]


def wide_gap(case: Case) -> float:
    """By how much a gap along the path is wider than the widest that is set, mm; where a leg is told to be
    left bare, nothing is counted."""
    told = {w.code for w in tally(case.run).warnings}
    if told & {"leg-too-short", "leg-vanishes", "links-left-over"}:
        return 0.0
    widest = 0.0
    for row in case.run.courses:
        if isinstance(row, LaidRow) and len(row.repeats):
            widest = max(widest, _widest(case, row))
    return widest


def _widest(case: Case, row: LaidRow) -> float:
    slots, order = row.repeats, np.argsort(row.repeats.start, kind="stable")
    starts, ends = slots.start[order], np.maximum.accumulate(slots.end[order])
    gaps = starts[1:] - ends[:-1]
    # Measured on its own line, a gap of a row beside a bend is wider along the path.
    radii = [
        *(fillet.radius for fillet in case.run.fillets),
        *(abs(radius) for radius in case.legs if radius),
    ]
    sharpest = max((1 / radius for radius in radii), default=0.0)
    if abs(row.offset) * sharpest >= 1:
        # Its own line doubles back where the path bends more than it has room for: told as a pinch.
        return 0.0
    asked = max(0.0, *(fit.gap for fit in row.fits)) / (1 - abs(row.offset) * sharpest)
    crossing = (ends[:-1] <= LEG + 1e-6) & (starts[1:] >= LEG - 1e-6)
    found = max(float((gaps[~crossing] - asked).max(initial=0.0)), 0.0)
    if row.offset:
        # At the corner such a row goes its own way: its holes are looked at elsewhere.
        return found
    taken = sum(room.stop.take for room in row.rooms[:1]) + sum(room.start.take for room in row.rooms[1:2])
    left = sum(fit.left_over for fit in row.fits)
    # What stands on the corner has a gap on either side.
    beside = [room.stop.gap for room in row.rooms[:1]] + [room.start.gap for room in row.rooms[1:2]]
    return max(found, float(gaps[crossing].max(initial=0.0)) - taken - max(sum(beside), 1.0) * asked - left)
