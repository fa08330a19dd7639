"""Lace edge: a heading, a mesh of bars, and scallops with eyelets."""

from __future__ import annotations

from dataclasses import dataclass
from typing import ClassVar

import numpy as np

from curlet.core.measures import Measure, Scale
from curlet.core.motif.families.base import About, Family
from curlet.core.motif.motif import Motif
from curlet.core.outlines import box, curve, disc, lines
from curlet.core.settings import count, measure


@dataclass(frozen=True)
class Lace(Family):
    """Torchon-like lace of our own drawing; its edge lies to the right of the way."""

    depth: Measure = measure(14.0, "Depth", 2, 200, "10 mm to 30 mm is usual for edging")
    scallop: Measure = measure(12.0, "Scallop's width", 2, 200, "about the depth")
    thread: Measure = measure(0.5, "Thread", 0.05, 10, "0.3 mm to 0.6 mm is usual")
    mesh: int = count(4, "Meshes in a scallop", 2, 12, "four to six are usual")

    about: ClassVar[About] = About(
        "Lace edge", "trim", "edging lace", "common practice", (6.0, 40.0),
        corners="piece", made="gathered", joins=True, threads=("#f3ead7",), cell="scallop",
    )  # fmt: skip

    def make(self, scale: Scale) -> Motif:
        m, pen = self.begin(scale)
        h, length, t = m.depth / 2, pen.length, m.thread
        head = -h + 1.6 * t
        pen.fill(box(0, -h, length, head))
        foot = 0.1 * m.depth
        step = length / m.mesh
        for index in range(m.mesh):
            x = index * step
            for a, b in ((x, x + step), (x + step, x)):
                pen.stroke(lines([(a, head), (b, foot)]), 0.7 * t, ends="flat")
        pen.fill(box(0, foot - t / 2, length, foot + t / 2))
        turn = np.linspace(0, np.pi, 9)
        for reach in (1.0, 0.66):
            arc = np.stack([
                length / 2 * (1 - np.cos(turn) * (1 if reach == 1 else 0.72)),
                foot + (h - foot - t / 2) * reach * np.sin(turn),
            ], axis=1)  # fmt: skip
            pen.stroke(curve(arc), t)
        for index in range(5):
            a = np.pi * (index + 0.5) / 5
            x, y = length / 2 * (1 - 0.86 * np.cos(a)), foot + (h - foot) * 0.8 * np.sin(a)
            pen.stroke(disc(x, y, 0.9 * t), 0.6 * t)
        pen.stroke(disc(length / 2, foot + 0.3 * (h - foot), 0.16 * (h - foot)), 0.8 * t)
        return pen.motif(m.depth, overhang=0)
