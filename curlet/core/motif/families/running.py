"""The running stitch: one straight thread between two holes."""

from __future__ import annotations

from dataclasses import dataclass

import numpy as np

from curlet.core.bounds import Bounds
from curlet.core.drawing import Outline, Shape, Solid, Stroke
from curlet.core.dress.colour import ColourRole, RoleShape
from curlet.core.errors import BadInput
from curlet.core.measures import Frame, Measure, Scale
from curlet.core.motif.motif import Motif

ENDS = ("round", "flat")
THREAD = Bounds("Thread", 0.005, 100.0, "0.4 mm is usual for topstitching thread")


@dataclass(frozen=True)
class Running:
    """Stitch class 301 seen from one side (ISO 4915).

    The thread's round ends stand half its thickness beyond the holes; flat ends stop at them.
    """

    thread: Measure = Measure(0.4, Frame.WORN)
    ends: str = "round"

    def check(self) -> None:
        THREAD.check(self.thread.mm)
        if self.ends not in ENDS:
            raise BadInput("A thread's ends are round or flat.")

    def make(self, scale: Scale) -> Motif:
        weight = self.thread.drawn(scale)
        line = Outline("ML", np.array([[0.0, 0.0], [1.0, 0.0]]))
        stroke = Stroke(Solid("#000000"), weight, ends=self.ends)
        shape = RoleShape(Shape(line, stroke=stroke), ColourRole(1))
        return Motif((shape,), width=weight, overhang=weight / 2 if self.ends == "round" else 0.0)
