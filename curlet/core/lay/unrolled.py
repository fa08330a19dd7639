"""A laid run unrolled: its courses along a straight line as long as its path, as on the Tape."""

from __future__ import annotations

from dataclasses import replace

import numpy as np

from curlet.core.lay.band import LaidBand
from curlet.core.lay.frames import LegLine
from curlet.core.lay.lay import LaidCourse, LaidRun
from curlet.core.lay.repeats import Repeats
from curlet.core.lay.row import LaidRow
from curlet.core.path.corners import Leg
from curlet.core.path.path import Path

# Repeats by so much beyond what is shown are drawn with it, for what they reach over, mm.
_BESIDE = 1.0


def unrolled(run: LaidRun, low: float, high: float) -> LaidRun:
    """What lies between two places along a run, each repeat as long as it is, on a straight line.

    Where a repeat begins s mm along the path, it begins at x = s on the line y = 0. What corners make of
    their legs is left away: pieces that stand at them, cuts and folds.

    Parameters
    ----------
    low, high : drawn mm along the path.

    >>> from curlet.core.brush import Brush
    >>> from curlet.core.lay import lay
    >>> from curlet.core.lay.draw import draw_run
    >>> from curlet.core.measures import Scale
    >>> from curlet.core.path.figures import FIGURES
    >>> circle = lay(FIGURES["circle"].make({"diameter": 50}), Brush(), Scale())
    >>> group = draw_run(unrolled(circle, 0.0, 20.0), "tape", "")
    >>> len(group.items[0].placements)
    6
    """
    line = _straight(run)
    courses = tuple(_course(course, line, low, high) for course in run.courses)
    return replace(run, path=line.path, corners=(), courses=courses, passes=(), fillets=())


def begins(run: LaidRun) -> float:
    """Where a run's first leg begins, drawn mm along its path; past the path's start on a closed one."""
    return run.main.legs[0].s0 if run.main else 0.0


def _straight(run: LaidRun) -> LegLine:
    low = begins(run)
    points = np.array([[low, 0.0], [low + run.path.length, 0.0]])
    path = Path.make(["a", "b"], points, points, points, closed=False)
    return LegLine(path, (Leg("a", 0.0, path.length, unbroken=False),))


def _course(course: LaidCourse, line: LegLine, low: float, high: float) -> LaidCourse:
    if isinstance(course, LaidBand):
        return replace(course, line=line, stretches=((0.0, line.path.length, 0),), joined=False)
    if not isinstance(course, LaidRow):
        return replace(course, line=line)
    repeats = _within_legs(course)
    beyond = _BESIDE + max(motif.overhang for motif in course.motifs)
    repeats = repeats.take((repeats.end > low - beyond) & (repeats.start < high + beyond))
    by, no = float(line.path.points[0, 0]), np.zeros(len(repeats), dtype=bool)
    along = repeats.changed(start=repeats.start - by, end=repeats.end - by, cut_start=no, cut_end=no)
    along = along.changed(leg=np.zeros_like(along.leg))
    return replace(
        course, line=line, legs=line.legs, rooms=(), repeats=along, corner_places=(), cuts={}, ends={}
    )


def _within_legs(row: LaidRow) -> Repeats:
    """A row's repeats but those that are there only for a corner to cut them off again. Of a row beside the
    path, a leg longer than the path's own is made as long, so that no two legs lie over one another."""
    every = row.repeats
    repeats = every.take(every.counted | ~(every.cut_start | every.cut_end))
    start, end = repeats.start.copy(), repeats.end.copy()
    for index, leg in enumerate(row.legs if row.offset else ()):
        own = repeats.leg == index
        if leg.unbroken or not own.any():
            continue
        low, high = min(start[own].min(), leg.s0), max(end[own].max(), leg.s1)
        k = (leg.s1 - leg.s0) / (high - low)
        start[own], end[own] = leg.s0 + k * (start[own] - low), leg.s0 + k * (end[own] - low)
    return repeats.changed(start=start, end=end)
