"""One repeat of a brush, placed by hand: a bartack here, a bead there."""

from __future__ import annotations

from dataclasses import replace

import numpy as np

from curlet.core.bounds import Bounds
from curlet.core.brush import Brush, FitRule, Row
from curlet.core.brush.courses import Course
from curlet.core.brush.rules import EndRule, Pieces, Swell
from curlet.core.drawing import Group
from curlet.core.dress.relief import LIGHT, Light
from curlet.core.lay.draw import draw_run
from curlet.core.lay.lay import lay
from curlet.core.measures import Measure, Scale
from curlet.core.path.path import Path

SIZE = Bounds("The size", 1, 10_000, unit="%")
# What has no repeats of its own, as a band, stands this long, garment mm.
_BARE = 10.0


def draw_single(
    brush: Brush,
    scale: Scale,
    at: tuple[float, float],
    turn: float,
    size: float,
    name: str,
    light: Light = LIGHT,
) -> Group:
    """One repeat of every course of a brush, as on a straight path through a place.

    Parameters
    ----------
    at : its middle, sheet mm.
    turn : degrees clockwise from level.
    size : % of the brush's own.
    """
    SIZE.check(size)
    alone = replace(brush, courses=tuple(_alone(course, size / 100) for course in brush.courses))
    bare = Measure(_BARE).drawn(scale) * size / 100
    length = max((row.drawn_length(scale) for row in alone.rows), default=bare)
    arm = length / 2 * np.array([np.cos(np.radians(turn)), np.sin(np.radians(turn))])
    ends = np.array([at - arm, at + arm])
    run = lay(Path.make(["a", "b"], ends, ends, ends, closed=False), alone, scale)
    return draw_run(run, name, brush.name, light=light)


def _alone(course: Course, size: float) -> Course:
    """A course that lays its one repeat as asked, in the middle, with nothing at its ends."""
    course = replace(course, size=course.size * size, swell=Swell())
    if not isinstance(course, Row):
        return course
    fit = FitRule(kind="leave-over", remainder="shared")
    zero = Measure(0.0)
    return replace(course, fit=fit, pieces=Pieces(), ends=EndRule(), sway=(), start_shift=zero)
