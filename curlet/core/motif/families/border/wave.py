"""Running wave: crests that curl one way."""

from __future__ import annotations

from dataclasses import dataclass
from typing import ClassVar

import numpy as np

from curlet.core.measures import Measure, Scale
from curlet.core.motif.families.base import About, Family
from curlet.core.motif.families.border.rails import place_choice, rail, rosette, turned_side
from curlet.core.motif.motif import Motif
from curlet.core.outlines import ribbon
from curlet.core.path.cubics import points_on
from curlet.core.settings import measure, number


@dataclass(frozen=True)
class Wave(Family):
    """Running scroll on a base rail, which lies to the right."""

    width: Measure = measure(12.0, "Width", 0.5, 300, "8 mm to 20 mm is usual")
    pitch: Measure = measure(16.0, "Pitch", 0.5, 300, "about one and a third widths")
    line: Measure = measure(2.0, "Line", 0.05, 60, "a sixth of the width")
    curl: float = number(1.3, "Curl", 0.5, 2.5, "turns of the scroll", "turns")
    place: str = place_choice(inner=True)

    about: ClassVar[About] = About(
        "Running wave", "border", "running scroll", "common practice", (6.0, 60.0),
        corners="piece", joins=True, threads=("#7c4a63", "#e9c46a"),
    )  # fmt: skip

    def natural(self, scale: Scale) -> float:
        m = self.drawn(scale)
        return float(m.pitch if m.place == "repeat" else m.width)

    def make(self, scale: Scale) -> Motif:
        m, pen = self.begin(scale)
        h = (m.width - m.line) / 2
        if m.place != "repeat":
            rail(pen, turned_side(m.place) * h, m.line, corner=True)
            rosette(pen, 0.6 * h)
            return pen.motif(m.width, overhang=0)
        u = np.linspace(0, 1, 22)
        centre = np.array([0.66 * pen.length, -0.1 * h])
        radius = h * (0.9 - 0.68 * u)
        angle = np.pi * (1.0 - 2 * m.curl * u)
        scroll = centre + np.stack([radius * np.cos(angle), -radius * np.sin(angle)], axis=1)
        # The stem leaves the rail along it and comes up into the scroll.
        start, end = np.array([0.04 * pen.length, h]), scroll[0]
        leave, come = (end[0] - start[0], 0.0), (0.0, 0.75 * (h - end[1]))
        stem = points_on(np.array([[start, start + leave, end + come, end]]), np.linspace(0, 1, 11)[:-1])[0]
        taper = np.interp(np.arange(32), [0, 10, 16, 31], [0.5, 0.95, 1.0, 0.55])
        pen.fill(ribbon(np.concatenate([stem, scroll]), m.line * taper))
        rail(pen, h, m.line, corner=False)
        return pen.motif(m.width, overhang=0)
