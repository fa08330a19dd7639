"""What a brush is: courses, bottom to top, and what happens at corners and crossings."""

from __future__ import annotations

from dataclasses import dataclass

from curlet.core.bounds import Bounds
from curlet.core.brush.courses import OPACITY, SOFT, Band, Course, Letter, Row, Share, Span
from curlet.core.brush.rules import CROSSINGS, CornerRule, Fade, FitRule
from curlet.core.dress.relief import FLAT, Relief
from curlet.core.dress.take import OWN, TakeRule
from curlet.core.errors import BadInput
from curlet.core.measures import Measure, Scale
from curlet.core.motif.taken import own_colours

CLEARANCE = Bounds("Clearance", 0, 1000)


@dataclass(frozen=True)
class CrossingRule:
    """Where a path passes itself: "plain", or "over-under" with a clearance beside the upper pass."""

    manner: str = "plain"
    clearance: Measure = Measure(0.4)

    def check(self) -> None:
        CLEARANCE.check(self.clearance.mm)
        if self.manner not in CROSSINGS:
            raise BadInput("A path crosses itself plainly, or over and under.")


@dataclass(frozen=True)
class Brush:
    """A recipe to lay along any path. Its `kind` is that of the library's shelf it is on."""

    name: str = "Topstitch"
    courses: tuple[Course, ...] = (Row(),)
    corners: CornerRule = CornerRule()
    crossings: CrossingRule = CrossingRule()
    threads: tuple[str, ...] = ("#e9c46a",)
    kind: str = "stitch"
    relief: Relief = FLAT
    take: TakeRule = OWN
    opacity: float = 100.0
    fade: Fade = Fade()
    soft: Measure = Measure(0.0)

    @property
    def rows(self) -> tuple[Row, ...]:
        """The courses that repeat."""
        return tuple(course for course in self.courses if isinstance(course, Row))

    @property
    def main(self) -> int | None:
        """The course that measures are read from: the first row, if there is one."""
        return self.courses.index(self.rows[0]) if self.rows else None

    @property
    def shares_length(self) -> bool:
        """Whether any row has one length along all legs, and along both halves of a garment."""
        return any(row.fit.shared for row in self.rows)

    @property
    def coloured(self) -> bool:
        """Whether any of its artwork has colours of its own."""
        spans = [course.motif.make(Scale()) for course in self.courses if isinstance(course, Span)]
        motifs = [motif for row in self.rows for motif in row.motifs(Scale())]
        return any(own_colours(motif) for motif in (*spans, *motifs))

    def check(self, scale: Scale) -> None:
        """Raise BadInput, with what to do, where the brush cannot be laid."""
        if not self.courses:
            raise BadInput("This brush has no courses. Add a row of stitches.")
        if not self.threads:
            raise BadInput("This brush has no thread. Give it a colour.")
        self.corners.check()
        self.crossings.check()
        self.relief.check()
        self.take.check()
        OPACITY.check(self.opacity)
        self.fade.check()
        SOFT.check(self.soft.mm)
        for course in self.courses:
            course.check(scale)


__all__ = ["Band", "Brush", "CornerRule", "CrossingRule", "FitRule", "Letter", "Row", "Share", "Span"]
