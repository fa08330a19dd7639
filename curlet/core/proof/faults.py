"""What a proof shows to be broken: artwork in loose parts at a corner, repeats piled on one another."""

from __future__ import annotations

from functools import lru_cache

import numpy as np
from numpy.typing import NDArray

from curlet.core.brush import Brush
from curlet.core.drawing import Group
from curlet.core.lay import LaidRow, LaidRun, lay
from curlet.core.lay.draw_row import placements_of
from curlet.core.lay.paint_row import Painter
from curlet.core.measures import Scale
from curlet.core.path import Path
from curlet.core.path.corners import Corner
from curlet.core.proof.raster import covered, parts
from curlet.core.sentence import Sentence
from curlet.core.tally.warning import Place, Warning

Floats = NDArray[np.float64]
Ints = NDArray[np.intp]

# How many places across the brush, or to a repeat, its artwork is looked at in, and how exactly it is bent.
_FINE, _COARSE = 48, 0.05
# From this turn on a mitre runs on so far that it may leave parts of the artwork loose, degrees.
_SHARP = 100.0
# A part is loose where it is more than this share of a repeat's cell, and larger than any that is meant.
_TELLS, _MEANT = 0.02, 2.1
# Rigid repeats nearer to their neighbours than this share of their pitch are piled on one another.
_PILED = 0.55
_REPEATS = 4


def faults(run: LaidRun) -> tuple[Warning, ...]:
    """What is broken in a run on the board: of each kind the worst place."""
    found = []
    for row in run.rows:
        if row.hold.bends and row.touching and row.cuts:
            found += _broken(run, row)
        elif not row.hold.bends and not row.hold.chain:
            found += _piled(row)
    return tuple(found[:1])


def _broken(run: LaidRun, row: LaidRow) -> list[Warning]:
    """Continuous artwork that a mitre leaves in loose parts at the run's sharpest corner."""
    legs = [(room.leg, room.stop) for room in row.rooms if (room.leg, True) in row.cuts]
    corners = [(leg, corner) for leg, _ in legs if (corner := row.line.legs[leg].end) is not None]
    leg, corner = max(corners, key=lambda pair: abs(pair[1].turn), default=(0, None))
    if corner is None or abs(corner.turn) < _SHARP:
        return []
    step = max(row.length, 2 * row.reach) / _FINE
    meant = _meant(run.brush, row.index, run.scale, step)
    if meant is None:
        return []
    labels, sizes, low = _parts(Painter(row, run.brush.threads, 0, _COARSE), _near(row, corner, leg), step)
    least = max(_MEANT * meant, _TELLS * row.length * 2 * row.reach / step**2)
    loose = [
        part for part in range(1, len(sizes)) if sizes[part] > least and part != np.argmax(sizes[1:]) + 1
    ]
    ends = {*np.unique(labels[[0, -1]]), *np.unique(labels[:, [0, -1]])}
    loose = [part for part in loose if part not in ends]
    if not loose:
        return []
    y, x = (float(axis.mean()) for axis in np.nonzero(labels == loose[0]))
    at = (float(low[0]) + (x + 0.5) * step, float(low[1]) + (y + 0.5) * step)
    message = (
        f"At a turn of {abs(corner.turn):.0f}° the mitre leaves parts of the artwork loose. "
        "Give it a corner piece with room, or let it stop short."
    )
    return [Warning("broken-corner", Sentence(message), (Place(corner.s, at),))]


def _near(row: LaidRow, corner: Corner, leg: int) -> Ints:
    """The repeats about a corner, as far as its mitre goes and two more."""
    tangent = np.tan(np.radians(min(abs(corner.turn), 175.0)) / 2)
    far = row.reach * min(tangent, 8.0) + 2 * row.length
    after = (leg + 1) % len(row.line.legs)
    begins, repeats = row.line.legs[after].s0, row.repeats
    before = (repeats.leg == leg) & (repeats.end > row.line.legs[leg].s1 - far)
    beyond = (repeats.leg == after) & (repeats.start < begins + far)
    return np.flatnonzero(before | beyond)


@lru_cache(maxsize=64)
def _meant(brush: Brush, index: int, scale: Scale, step: float) -> float | None:
    """How large the largest part is that a few repeats on a straight line have besides what runs on from end
    to end, in places; None where nothing does."""
    long = _REPEATS * brush.courses[index].drawn_length(scale)  # type: ignore[union-attr]
    points = np.array([(0.0, 0.0), (long, 0.0)])
    run = lay(Path.make(["a", "b"], points, points, points, closed=False), brush, scale)
    row = next(row for row in run.rows if row.index == index)
    labels, sizes, _ = _parts(Painter(row, brush.threads, 0, _COARSE), np.arange(len(row.repeats)), step)
    if len(sizes) < 2:
        return None
    largest = int(np.argmax(sizes[1:])) + 1
    columns = np.nonzero((labels == largest).any(axis=0))[0]
    if np.ptp(columns) * step < 0.9 * long:
        return None
    others = np.delete(sizes[1:], largest - 1)
    return float(others.max(initial=0))


def _parts(painter: Painter, which: Ints, step: float) -> tuple[Ints, Ints, Floats]:
    """The parts that some repeats hang together in, their sizes, and where their grid begins."""
    group = Group("proof", "", tuple(painter.paint(which)))
    row = painter.row
    s = np.concatenate([row.repeats.start[which], row.repeats.end[which]])
    middle = row.line.path.arc.points(row.line.path.arc.wrap(s))
    low, high = middle.min(axis=0) - 4 * row.reach, middle.max(axis=0) + 4 * row.reach
    columns, rows = np.ceil((high - low) / step).astype(int).tolist()
    labels, sizes = parts(covered(group, low, step, (rows, columns)))
    return labels, sizes, low


def _piled(row: LaidRow) -> list[Warning]:
    """Rigid repeats, as wide as they are long or nearly so, that lie on one another at a corner."""
    at, pitch = placements_of(row), row.length + row.gap
    if at is None or len(row.repeats) < 2 or row.motif.width < 0.5 * row.length:
        return []
    counted = np.flatnonzero(row.repeats.counted)
    middles = (at.start + at.along * (at.length / 2)[:, None])[counted]
    apart = np.hypot(*np.diff(middles, axis=0).T)
    nearest = int(np.argmin(apart)) if len(apart) else 0
    if not len(apart) or apart[nearest] >= _PILED * pitch:
        return []
    x, y = middles[nearest : nearest + 2].mean(axis=0).tolist()
    message = "Repeats lie on one another at a corner. Let them stop short of it, or give it a corner piece."
    return [
        Warning("pile-up", Sentence(message), (Place(float(row.repeats.start[counted[nearest]]), (x, y)),))
    ]
