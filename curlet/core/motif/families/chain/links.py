"""What links are drawn with: rings of wire cut into quarters that pass over and under their neighbours, and
links that lie alternately flat and edge-on."""

from __future__ import annotations

from collections.abc import Callable
from dataclasses import dataclass
from typing import ClassVar

from curlet.core.drawing import Outline
from curlet.core.measures import Measure, Scale
from curlet.core.motif.cut import quarter
from curlet.core.motif.families.pen import Pen
from curlet.core.motif.motif import Motif, MotifMaker
from curlet.core.outlines import together

LINE, SHADE = 0.09, -30.0
FACES = ("flat", "edge-on", "by turns")
# What lies under goes on this share of the wire beneath what lies over, so that no light shows between.
_UNDER = 0.15
# Of a link's four quarters the upper right and the lower left lie over.
_QUARTERS = ((True, True, True), (False, False, True), (False, True, False), (True, False, False))


def ring(pen: Pen, outer: Outline, inner: Outline, wire: float) -> None:
    """One link of wire, cut into the quarters that pass over its neighbours and those that pass under
    (model: two layers suffice)."""
    whole, lap = together(outer, inner), _UNDER * wire
    for right, upper, over in _QUARTERS:
        area = quarter(whole, pen.length, right=right, upper=upper, lap=0.0 if over else lap)
        pen.fill(area, even_odd=True, over=over)
    # Lines lie over every quarter, and go on past their own, so that they meet where the path bends too.
    for right, upper, over in _QUARTERS:
        for edge in (outer, inner):
            line = quarter(edge, pen.length, right=right, upper=upper, lap=lap, line=True)
            pen.stroke(line, LINE * wire, lighter=SHADE, ends="flat", over=over)


def whole_ring(pen: Pen, outer: Outline, inner: Outline, wire: float) -> None:
    """One link that lies under the edge-on links on both its sides."""
    pen.fill(together(outer, inner), even_odd=True)
    for edge in (outer, inner):
        pen.stroke(edge, LINE * wire, lighter=SHADE)


def side(pen: Pen, outline: Outline, wire: float) -> None:
    """A link seen edge-on: its wire passes before its neighbours' on both sides."""
    pen.fill(outline, over=True)
    pen.stroke(outline, LINE * wire, lighter=SHADE, over=True)


@dataclass(frozen=True)
class Turn:
    """One of the links that a family lays in turn."""

    draw: Callable[[Scale], Motif]
    bends: ClassVar[bool] = False

    @property
    def thread(self) -> Measure | None:
        return None

    def make(self, scale: Scale) -> Motif:
        return self.draw(scale)

    def check(self) -> None:
        """The family that it is of is checked."""


def turning(face: str, *draw: Callable[[Scale], Motif]) -> tuple[MotifMaker, ...]:
    """Both sides of a link alternately, where it lies so."""
    return tuple(Turn(one) for one in draw) if face == FACES[-1] else ()
