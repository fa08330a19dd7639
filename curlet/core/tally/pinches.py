"""Pinch spans: places too tight for what is laid there."""

from __future__ import annotations

from dataclasses import dataclass

import numpy as np
from numpy.typing import NDArray

from curlet.core.lay import LaidRow, LaidRun
from curlet.core.lay.corners import MANNERS
from curlet.core.lay.draw import reach_of

Floats = NDArray[np.float64]

# Warned of from half of the width lost on the inner side.
TIGHT = 0.5
_SAMPLES = 24
_SLACK = 0.02


@dataclass(frozen=True)
class Pinch:
    """From `start` to `end` mm along the path; `radius` is the tightest there and `needs` what would
    do, drawn mm; `folds` where artwork turns over itself."""

    start: float
    end: float
    radius: float
    needs: float
    folds: bool


def pinches(run: LaidRun) -> tuple[Pinch, ...]:
    """Spans where 1 − κq < ½ on the inner side, or where rigid repeats run into one another."""
    reach = max(reach_of(course) for course in run.courses)
    row = run.main
    needs = max(reach / (1 - TIGHT), _room_for_rigid(row, reach) if row else 0.0)
    nodes = run.path.arc.node_positions
    parts = [np.linspace(a, b, _SAMPLES)[:-1] for a, b in zip(nodes[:-1], nodes[1:], strict=True)]
    s = np.append(np.concatenate(parts), run.path.length)
    bend = np.abs(run.path.arc.curvature(s))
    bend[~np.isfinite(bend) | _cut_away(run, s)] = 0.0
    tight = bend * needs > 1 + 1e-9
    return tuple(_pinch(s, bend, a, b, reach, needs) for a, b in _runs(tight))


def _cut_away(run: LaidRun, s: Floats) -> NDArray[np.bool_]:
    """(n,) whether a position lies in a rounded corner whose legs run on past it to a mitre."""
    gone = np.zeros(len(s), dtype=bool)
    for corner in run.corners:
        if MANNERS[run.manners.of(corner)].sharp and corner.rounded:
            ahead = s - corner.s
            if run.path.closed:
                ahead -= np.round(ahead / run.path.length) * run.path.length
            slack = _SLACK * (corner.before + corner.after)
            gone |= (ahead >= -corner.before - slack) & (ahead <= corner.after + slack)
    return gone


def _pinch(s: Floats, bend: Floats, a: int, b: int, reach: float, needs: float) -> Pinch:
    most = float(bend[a:b].max())
    return Pinch(float(s[a]), float(s[b - 1]), 1 / most, needs, most * reach >= 1)


def _room_for_rigid(row: LaidRow, reach: float) -> float:
    """The smallest radius R at which neighbours do not meet: 2(R − h)·tan(p/2R) ≥ l."""
    if row.course.hold == "links":
        return _room_for_links(row)
    if row.course.hold != "ride" or not row.length:
        return 0.0
    pitch, wide = row.length + max(row.gap, 0.0), reach
    if pitch <= row.length + 1e-12:
        return 0.0
    low, high = max(wide, pitch / 3), 1e6
    for _ in range(60):
        middle = (low + high) / 2
        clear = 2 * (middle - wide) * np.tan(min(pitch / (2 * middle), 1.5))
        low, high = (low, middle) if clear >= row.length else (middle, high)
    return high


def _room_for_links(row: LaidRow) -> float:
    """The radius at which one chord spans a quarter turn, p/(2·sin 45°): tighter there may be no place
    for the next link."""
    return float((row.length + row.gap) / (2 * np.sin(np.pi / 4)))


def _runs(flags: NDArray[np.bool_]) -> list[tuple[int, int]]:
    """Half-open index ranges where flags are set."""
    edges = np.flatnonzero(np.diff(np.concatenate([[False], flags, [False]]).astype(np.int8)))
    return list(zip(edges[::2].tolist(), edges[1::2].tolist(), strict=True))
