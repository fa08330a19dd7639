"""How much a run draws, told before it is drawn, so that none outgrows what can be shown and saved."""

from __future__ import annotations

import numpy as np

from curlet.core.errors import TooMuch
from curlet.core.lay.lay import LaidCourse, LaidRun
from curlet.core.lay.row import LaidRow

MAX_OF_RUN = 2_000_000
MAX_OF_SHEET = 5_000_000
# An affine is six numbers: as much as three points.
_PLACEMENT = 3


def points_of(run: LaidRun) -> int:
    """About how many points a run's drawing has: those of its motifs where they bend (to fit a tight curve
    they become up to ten times as many), a placement for each repeat where they are rigid.

    Raises
    ------
    TooMuch
        Past two million.
    """
    count = sum(_of_course(course) for course in run.courses)
    if count > MAX_OF_RUN:
        raise TooMuch(
            f"This run would draw about {count:,} points; {MAX_OF_RUN:,} is the most. "
            "Use longer repeats, simpler artwork or a shorter path."
        )
    return count


def check_sheet(points: int) -> None:
    """TooMuch where a sheet's runs draw more than 5 million points together."""
    if points > MAX_OF_SHEET:
        raise TooMuch(
            f"The runs of this sheet would draw about {points:,} points; {MAX_OF_SHEET:,} is the most. "
            "Put some of its paths on another sheet."
        )


def _of_course(course: LaidCourse) -> int:
    if not isinstance(course, LaidRow):
        return 0
    if not course.hold.bends:
        return _PLACEMENT * len(course.repeats)
    each = np.array([sum(len(s.shape.outline.points) for s in motif.shapes) for motif in course.motifs])
    return int(each[course.repeats.motif].sum())
