"""What links are drawn with: rings of wire, and the quarters that lie over a neighbour."""

from __future__ import annotations

from curlet.core.drawing import Outline
from curlet.core.motif.cut import quarter
from curlet.core.motif.families.pen import Pen
from curlet.core.motif.outlines import together

LINE, SHADE = 0.09, -30.0


def ring(pen: Pen, outer: Outline, inner: Outline, wire: float, *, lighter: float = 0.0) -> None:
    """A link of wire: its ring, both its edges, and the two quarters that pass over its neighbours.

    Of a link's four quarters the upper right and the lower left lie over (model: two layers suffice).
    """
    whole = together(outer, inner)
    pen.fill(whole, lighter=lighter, even_odd=True)
    for edge in (outer, inner):
        pen.stroke(edge, LINE * wire, lighter=SHADE)
    for right in (True, False):
        pen.fill(quarter(whole, pen.length, right=right), lighter=lighter, even_odd=True, over=True)
        for edge in (outer, inner):
            pen.stroke(
                quarter(edge, pen.length, right=right, line=True),
                LINE * wire,
                lighter=SHADE,
                ends="flat",
                over=True,
            )
