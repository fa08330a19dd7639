"""A brush flipped: what lies to the right of a path lies to its left, as along the path's mirror image."""

from __future__ import annotations

from dataclasses import dataclass, replace
from typing import ClassVar

import numpy as np

from curlet.core.brush.brush import Brush
from curlet.core.brush.courses import Course, Row, Span
from curlet.core.brush.rules import Facing, SwayRule
from curlet.core.measures import Measure, Scale
from curlet.core.motif.motif import Motif, MotifMaker, reshaped

# What irregularity moves to either side of a path.
_SIDEWAYS = ("turn", "across")


def flipped(brush: Brush) -> Brush:
    """The brush that lays along a path's mirror image the mirror image of what a brush lays along the path.
    What is level with the sheet stays level."""
    return replace(brush, courses=tuple(_flipped(course) for course in brush.courses))


def _flipped(course: Course) -> Course:
    offset = replace(course.offset, mm=-course.offset.mm)
    if isinstance(course, Row):
        sway = tuple(_sideways(rule) for rule in course.sway)
        return replace(course, offset=offset, facing=_faced(course.facing), sway=sway)
    if isinstance(course, Span):
        return replace(course, offset=offset, motif=_Flipped(course.motif))
    return replace(course, offset=offset)


def _faced(facing: Facing) -> Facing:
    if facing.kind == "level":
        return facing
    return replace(facing, side_to_side=not facing.side_to_side, angle=-facing.angle)


def _sideways(rule: SwayRule) -> SwayRule:
    return replace(rule, amount=-rule.amount) if rule.channel in _SIDEWAYS else rule


@dataclass(frozen=True)
class _Flipped:
    """A motif whose right side is on the left."""

    maker: MotifMaker
    bends: ClassVar[bool] = True

    @property
    def thread(self) -> Measure | None:
        return self.maker.thread

    def make(self, scale: Scale) -> Motif:
        return reshaped(self.maker.make(scale), lambda points: points * np.array([1.0, -1.0]))

    def check(self) -> None:
        self.maker.check()
