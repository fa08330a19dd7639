"""Pinch spans: places too tight for what is laid there."""

from __future__ import annotations

from dataclasses import dataclass

import numpy as np
from numpy.typing import NDArray

from curlet.core.lay import LaidRow, LaidRun
from curlet.core.lay.corners import MANNERS
from curlet.core.lay.draw import edges_of
from curlet.core.path.contours import contours
from curlet.core.path.cubics import points_on

Floats = NDArray[np.float64]

# Warned of from half of the width lost on the inner side.
TIGHT = 0.5
_SAMPLES = 33
# On both sides of where it is sharpest, so that a bend between two samples has a span of its own, mm.
_BESIDE = 1e-3
# A tighter bend than this, hard by a node, is a corner or speed that stalls, mm.
_CORNER, _HARD_BY = 0.02, 0.1
_SEEN = 0.05
_ALONG = np.linspace(0, 1, 9)
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
    """Spans where 1 − κq < ½ on the inner side, or where rigid repeats run into one another.

    What does not show is no pinch: a span so short that the inner edge is pushed together there by less than
    0.05 mm. Speed that stalls beside a handle of no length has such spans.
    """
    s, bend = _bends(run)
    edges = [edges_of(course) for course in run.courses]
    right, left = max(high for _, high in edges), -min(low for low, _ in edges)
    reach = np.where(bend > 0, max(right, 0.0), max(left, 0.0))
    room = _room_for_rigid(run.main, max(right, left)) if run.main else 0.0
    needs = np.maximum(reach / (1 - TIGHT), room)
    bend = np.abs(bend)
    bend[_cut_away(run, s)] = 0.0
    spans = _runs(bend * needs > 1 + 1e-9)
    return tuple(_pinch(s, bend, reach, needs, a, b) for a, b in spans if _shows(run, s, needs, a, b))


def _bends(run: LaidRun) -> tuple[Floats, Floats]:
    """Arc lengths, rising, and the curvature there: evenly along every segment, and where it is greatest."""
    arc = run.path.arc
    if arc.only_lines:
        return np.zeros(0), np.zeros(0)
    nodes = arc.node_positions
    parts = [np.linspace(a, b, _SAMPLES) for a, b in zip(nodes[:-1], nodes[1:], strict=True)]
    sharpest = arc.positions(*arc.bend_extremes())
    s = np.unique(np.concatenate([*parts, sharpest, sharpest - _BESIDE, sharpest + _BESIDE]))
    s = s[(s >= 0) & (s <= arc.length)]
    bend = arc.curvature(s)
    near = np.clip(np.searchsorted(nodes, s), 1, len(nodes) - 1)
    off = np.minimum(np.abs(s - nodes[near - 1]), np.abs(nodes[near] - s))
    return s, np.where((np.abs(bend) < 1 / _CORNER) | (off > _HARD_BY), bend, 0.0)


def _shows(run: LaidRun, s: Floats, needs: Floats, a: int, b: int) -> bool:
    """Whether the inner edge is pushed together by more than can be seen, from sample a to before b or
    between their neighbours."""
    arc, first, past = run.path.arc, max(a - 1, 0), min(b + 1, len(s))
    here, there = arc.tangents(s[first : past - 1]), arc.tangents(s[first + 1 : past], before=True)
    x = here[:, 0] * there[:, 1] - here[:, 1] * there[:, 0]
    pushed = needs[a:b].max() * np.abs(np.arctan2(x, (here * there).sum(axis=1))) - np.diff(s[first:past])
    inner = pushed[a - first : b - 1 - first].sum()
    return bool(max(inner, pushed.sum()) > _SEEN)


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


def _pinch(s: Floats, bend: Floats, reach: Floats, needs: Floats, a: int, b: int) -> Pinch:
    worst = a + int(np.argmax(bend[a:b] * needs[a:b]))
    start, end = s[max(a - 1, 0)], s[min(b, len(s) - 1)]
    return Pinch(
        float((start + s[a]) / 2),
        float((end + s[b - 1]) / 2),
        float(1 / bend[worst]),
        float(needs[worst]),
        bool(bend[worst] * reach[worst] >= 1),
    )


def _room_for_rigid(row: LaidRow, reach: float) -> float:
    """The smallest radius R at which neighbours do not meet: every point of a repeat, x from its middle and y
    toward the inside, lies within the ray between two neighbours, |x| ≤ (R − y)·tan(p/2R); for a block that
    is 2(R − h)·tan(p/2R) ≥ l."""
    if row.hold.chain:
        return _room_for_links(row)
    if not row.hold.spreads or not row.length:
        return 0.0
    pitch = row.length + max(row.gap, 0.0)
    x, y = _silhouette(row)
    if not len(x) or 2 * x.max() >= pitch - 1e-9:
        return 0.0
    low, high = max(reach, pitch / 3), 1e6
    for _ in range(60):
        middle = (low + high) / 2
        clear = ((middle - y) * np.tan(min(pitch / (2 * middle), 1.5)) - x).min() >= 0
        low, high = (low, middle) if clear else (middle, high)
    return high


def _silhouette(row: LaidRow) -> tuple[Floats, Floats]:
    """(n,) how far points of the repeat's edges lie from its middle, and across the path, to either side."""
    found = []
    for item in row.motif.shapes:
        half = item.shape.stroke.weight / 2 if item.shape.stroke else 0.0
        for part in contours(item.shape.outline):
            points = points_on(part.cubics, _ALONG).reshape(-1, 2)
            middle = np.abs(points[:, 0] - 0.5) * row.length
            found.append(np.stack([middle + half, np.abs(points[:, 1]) + half]))
    x, y = np.concatenate(found, axis=1) if found else np.zeros((2, 0))
    return x, y


def _room_for_links(row: LaidRow) -> float:
    """The radius at which one chord spans a quarter turn, p/(2·sin 45°): tighter there may be no place
    for the next link."""
    return float((row.length + row.gap) / (2 * np.sin(np.pi / 4)))


def _runs(flags: NDArray[np.bool_]) -> list[tuple[int, int]]:
    """Half-open index ranges where flags are set."""
    edges = np.flatnonzero(np.diff(np.concatenate([[False], flags, [False]]).astype(np.int8)))
    return list(zip(edges[::2].tolist(), edges[1::2].tolist(), strict=True))
