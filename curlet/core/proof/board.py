"""Eight hard paths, sized to the brush: straight, round, square, star, tight S, two corners, loop, letter."""

from __future__ import annotations

import math
from collections.abc import Callable, Sequence
from dataclasses import dataclass
from functools import cached_property, lru_cache

import numpy as np
from numpy.typing import NDArray

from curlet.core.brush import Brush
from curlet.core.lay import LaidRun, lay
from curlet.core.lay.corners import MANNERS
from curlet.core.lay.corners.limit import mitre_ratio
from curlet.core.lay.draw import reach_of
from curlet.core.measures import Scale
from curlet.core.outlines import K
from curlet.core.path import Path
from curlet.core.proof.faults import faults
from curlet.core.tally import Tally, Warning, tally

Floats = NDArray[np.float64]

# The paths are drawn for a brush that reaches this far, with repeats this long, drawn mm.
REACH, LENGTH = 4.0, 10.0
# The shorter legs of the board, drawn mm.
LEG = 20.0
# How much the tight S and the loop are enlarged, so that their tightest bend is just wide enough for a brush
# that reaches as far as the board is drawn for: what is told to be pinched there is too wide for its curves.
TIGHT, LOOP = 1.36, 1.53
STEPS = 8


@dataclass(frozen=True, eq=False)
class Proof:
    """A brush on one path. `grown` is how much the path was enlarged for it."""

    name: str
    run: LaidRun
    tally: Tally
    grown: float

    @cached_property
    def faults(self) -> tuple[Warning, ...]:
        """What it shows to be broken."""
        return faults(self.run)

    @property
    def reach(self) -> float:
        """How far the brush's edges lie from the path, drawn mm."""
        return max(reach_of(course) for course in self.run.courses)

    @property
    def _spread(self) -> float:
        """How far artwork reaches at corners, in reaches: a mitre's point, and a little more elsewhere."""
        cut = [c.turn for c in self.run.corners if MANNERS[self.run.manners.of(c)].sharp]
        limit = self.run.brush.corners.mitre_limit
        ratios = [ratio for turn in cut if (ratio := mitre_ratio(turn)) <= limit]
        return max([1.25, *ratios])

    @property
    def _overhang(self) -> float:
        """How far end pieces stand beyond the path's ends, drawn mm."""
        rows = () if self.run.path.closed else self.run.brush.rows
        beyond = [
            piece.length.drawn(self.run.scale) * row.size / 100
            for row in rows
            for piece in (row.pieces.start, row.pieces.end)
            if piece is not None and not piece.within
        ]
        return max(beyond, default=0.0)

    @property
    def box(self) -> tuple[float, float, float, float]:
        """What is drawn: left, top, width and height, drawn mm."""
        s = np.linspace(0, self.run.path.length, 400)
        points = self.run.path.arc.points(s)
        margin = max(self.reach * self._spread, self._overhang) + 0.6
        low, high = points.min(axis=0) - margin, points.max(axis=0) + margin
        return (float(low[0]), float(low[1]), float(high[0] - low[0]), float(high[1] - low[1]))


def prove(
    brush: Brush, scale: Scale, names: Sequence[str] = (), grown: float | None = None
) -> tuple[Proof, ...]:
    """The brush on every path of the board, or on those named.

    Parameters
    ----------
    grown : what `growth` gives for this brush, where it is known.

    Raises
    ------
    BadInput
        If the brush cannot be laid.
    """
    grown = growth(brush, scale) if grown is None else grown
    found = []
    for name in names or PROOFS:
        run = lay(proof_path(name, grown), brush, scale)
        found.append(Proof(name, run, tally(run), grown))
    return tuple(found)


def growth(brush: Brush, scale: Scale) -> float:
    """How much the board's paths are enlarged, so that a brush has room on them: never below 1:1."""
    run = lay(proof_path("straight", 1.0), brush, scale)
    reach = max(reach_of(course) for course in run.courses)
    row = run.main
    length = (row.length + max(row.gap, 0.0)) if row else 0.0
    least = max(reach / REACH, length / LENGTH, _corners(brush, scale, length), scale.factor)
    # In steps, so that the board holds still while a measure is dragged.
    return math.ceil(least / scale.factor * STEPS - 1e-9) / STEPS * scale.factor


@lru_cache(maxsize=256)
def proof_path(name: str, grown: float) -> Path:
    """A path of the board, measured once."""
    return PROOFS[name](grown)


def _corners(brush: Brush, scale: Scale, length: float) -> float:
    """So that a repeat fits between two corner pieces."""
    pieces = [row.pieces.corner_outside for row in brush.rows]
    reaches = [piece.length.drawn(scale) for piece in pieces if piece is not None]
    used = brush.corners.manner == "piece" and reaches
    return (2 * max(reaches) + length) / LEG if used else 0.0


def _polyline(points: Floats, closed: bool = False) -> Path:
    return Path.make([f"p{i}" for i in range(len(points))], points, points, points, closed)


def _chain(cubics: list[list[tuple[float, float]]], grown: float, closed: bool = False) -> Path:
    """Cubics end to end: the first has four points, each further one three."""
    points, into, out = [cubics[0][0]], [cubics[0][0]], []
    for cubic in cubics:
        *_, a, b, end = cubic
        out.append(a)
        into.append(b)
        points.append(end)
    out.append(points[-1])
    if closed:
        into[0] = into.pop()
        points.pop()
        out.pop()
    at, before, after = (np.array(part, dtype=np.float64) * grown for part in (points, into, out))
    return Path.make([f"p{i}" for i in range(len(points))], at, before, after, closed)


def _straight(k: float) -> Path:
    return _polyline(np.array([(0, 0), (46, 0)]) * k)


def circle(r: float, k: float) -> Path:
    """A circle of radius r·k, starting at its top."""
    h = K * r
    return _chain(
        [
            [(0, -r), (h, -r), (r, -h), (r, 0)],
            [(r, h), (h, r), (0, r)],
            [(-h, r), (-r, h), (-r, 0)],
            [(-r, -h), (-h, -r), (0, -r)],
        ],
        k,
        closed=True,
    )


def _round(k: float) -> Path:
    return circle(13.0, k)


def _square(k: float) -> Path:
    return _polyline(np.array([(0, 0), (27, 0), (27, 27), (0, 27)]) * k, closed=True)


def _star(k: float) -> Path:
    angle = -math.pi / 2 + np.arange(10) * math.pi / 5
    r = np.where(np.arange(10) % 2, 9.5, 21.0)
    return _polyline(np.stack([r * np.cos(angle), r * np.sin(angle)], axis=1) * k, closed=True)


def _tight(k: float) -> Path:
    return _chain([[(0, 22), (34, 24), (-2, -2), (38, 0)]], TIGHT * k)


def _corner(k: float) -> Path:
    return _polyline(np.array([(0, 0), (20, 0), (20, 20), (42, 20)]) * k)


def _loop(k: float) -> Path:
    return _chain([[(0, 24), (58, 20), (20, -24), (14, -2)], [(10, 12), (30, 14), (44, 24)]], LOOP * k)


def _letter(k: float) -> Path:
    """A single-storey a, written in one stroke."""
    h, r = K * 11, 11
    return _chain(
        [
            [(22, 3), (19, -2), (16, -4), (11, -4)],
            [(11 - h, -4), (0, 7 - h), (0, 7)],
            [(0, 7 + h), (11 - h, 7 + r), (11, 7 + r)],
            [(17, 18), (22, 14), (22, 7)],
            [(22, 3), (22, 0), (22, -4)],
            [(22, 4), (22, 12), (25, 19)],
        ],
        k,
    )


PROOFS: dict[str, Callable[[float], Path]] = {
    "straight": _straight,
    "round": _round,
    "square": _square,
    "star": _star,
    "tight S": _tight,
    "two corners": _corner,
    "loop": _loop,
    "letter": _letter,
}
