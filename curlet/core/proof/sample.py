"""The sample path: a brush's pieces in place, with both ends, both corners and a closing."""

from __future__ import annotations

from dataclasses import dataclass
from functools import lru_cache

import numpy as np

from curlet.core.brush import Brush, Piece, Row
from curlet.core.lay import LaidRun, lay
from curlet.core.measures import Scale
from curlet.core.path import Path
from curlet.core.proof.board import circle

# For a brush of the board's usual reach, drawn mm.
_ACROSS, _DOWN, _RING = 104.0, 16.0, 9.0


@dataclass(frozen=True)
class Place:
    """Where a piece stands on the sample: its middle and half of its extent, drawn mm; its
    length, garment mm, or None where there is no artwork for it."""

    name: str
    x: float
    y: float
    rx: float
    ry: float
    length: float | None


def sample(
    brush: Brush, course: int, scale: Scale, grown: float
) -> tuple[tuple[LaidRun, ...], tuple[Place, ...]]:
    """The brush on a stepped line and on a ring, and where a row's pieces stand; `grown` is how much its
    proofs are enlarged."""
    line, ring = _paths(grown)
    step = line.points
    runs = (lay(line, brush, scale), lay(ring, brush, scale))
    row = brush.courses[course] if course < len(brush.courses) else None
    if not isinstance(row, Row):
        return runs, ()
    return runs, tuple(_places(row, step, ring, grown, scale))


@lru_cache(maxsize=64)
def _paths(k: float) -> tuple[Path, Path]:
    """The stepped line and the ring, measured once."""
    step = np.array([(0, 0), (_ACROSS * 0.52, 0), (_ACROSS * 0.52, _DOWN), (_ACROSS, _DOWN)]) * k
    line = Path.make(["s0", "s1", "s2", "s3"], step, step, step, closed=False)
    ring = circle(_RING, k)
    shift = np.array([(_ACROSS + 22) * k, (_DOWN / 2) * k])
    points, into, out = ring.points + shift, ring.into + shift, ring.out + shift
    return line, Path.make(ring.node_ids, points, into, out, closed=True)


def _places(row: Row, step: np.ndarray, ring: Path, k: float, scale: Scale) -> list[Place]:
    pieces, half = row.pieces, 5.2 * k
    repeat = row.drawn_length(scale)

    def long(piece: Piece | None) -> float | None:
        return None if piece is None else piece.length.on_garment(scale)

    def wide(piece: Piece | None) -> float:
        return max(piece.length.drawn(scale) / 2 if piece else 3 * k, 3 * k)

    (ax, ay), (bx, by), (cx, cy), (dx, dy) = step.tolist()
    top = ring.points[0]
    return [
        Place("start", ax + _inward(pieces.start, scale), ay, wide(pieces.start), half, long(pieces.start)),
        Place("repeat", bx * 0.48, ay, max(repeat / 2, 2 * k), half, row.length.on_garment(scale)),
        Place("corner_outside", bx, by, half, half, long(pieces.corner_outside)),
        Place("corner_inside", cx, cy, half, half, long(pieces.corner_inside)),
        Place("end", dx - _inward(pieces.end, scale), dy, wide(pieces.end), half, long(pieces.end)),
        Place("join", float(top[0]), float(top[1]), wide(pieces.join), half, long(pieces.join)),
    ]


def _inward(piece: Piece | None, scale: Scale) -> float:
    if piece is None:
        return 0.0
    half = piece.length.drawn(scale) / 2
    return half if piece.within else -half
