"""A contact sheet for each corner manner: `make gallery` writes build/gallery/*.png to be looked at."""

from __future__ import annotations

import math
from pathlib import Path as FilePath

import numpy as np

from curlet.core.brush import Brush, CornerRule, Piece, Pieces, Row
from curlet.core.drawing import Drawing, Group
from curlet.core.dress.colour import ColourRole
from curlet.core.lay import lay
from curlet.core.lay.draw import draw_run
from curlet.core.measures import Measure, Scale
from curlet.core.motif.families import ArtShape, Artwork, Running
from curlet.core.path import Path
from curlet.formats.png_out import write_png

TARGET = FilePath(__file__).parents[1] / "build/gallery"
MANNERS = ("carry", "pivot", "mitre", "piece", "stop")
TURNS = (15, 30, 60, 90, 120, 150, 175)
SIDES = (1, -1)
CELL, LEG, PPI = 70.0, 26.0, 60.0


def chevrons() -> Artwork:
    """A motif that shows its direction, its width and where it is cut."""
    shapes = (
        ArtShape("M0 -4L8 -4L8 4L0 4Z", fill=ColourRole(1)),
        ArtShape("M1 -3L5 0L1 3", stroke=ColourRole(2), weight=1.0),
    )
    return Artwork(shapes, 8, 8)


def corner_art() -> Artwork:
    shapes = (
        ArtShape("M0 -4L16 -4L16 12L8 12L8 4L0 4Z", fill=ColourRole(3)),
        ArtShape("M12 -2L14 0L12 2L10 0Z", fill=ColourRole(2)),
    )
    return Artwork(shapes, 12, 8)


def brushes(manner: str) -> tuple[Brush, Brush]:
    rule, threads = CornerRule(manner, 10, 6.0, Measure(3.0)), ("#dcc594", "#7c4a63", "#a8d4de")
    pieces = Pieces(corner_outside=Piece(corner_art(), Measure(12.0)))
    art = Row(chevrons(), Measure(8.0), Measure(0.0), hold="bend", pieces=pieces)
    stitch = Row(Running(Measure(0.8)), Measure(5.0), Measure(2.0), offset=Measure(7.0))
    return Brush(courses=(art,), corners=rule, threads=threads), Brush(courses=(stitch,), corners=rule)


def wedge(degrees: float, closed: bool, x: float, y: float) -> Path:
    angle = math.radians(degrees)
    a, b = np.array([-LEG, 0.0]), np.array([LEG * math.cos(angle), LEG * math.sin(angle)])
    points = [a, np.zeros(2), b]
    if closed:
        points.append((a + b) / 2 + np.array([-4.0, math.copysign(22, degrees)]))
    placed = np.array(points) + (x, y)
    return Path.make([f"n{i}" for i in range(len(placed))], placed, placed, placed, closed)


def sheet(manner: str) -> Drawing:
    groups: list[Group] = []
    for row, (side, closed) in enumerate((s, c) for s in SIDES for c in (False, True)):
        for column, turn in enumerate(TURNS):
            path = wedge(side * turn, closed, (column + 0.5) * CELL, (row + 0.5) * CELL)
            for number, brush in enumerate(brushes(manner)):
                groups.append(draw_run(lay(path, brush, Scale()), f"g{row}-{column}-{number}", ""))
    return Drawing(CELL * len(TURNS), CELL * 4, tuple(groups))


def main() -> None:
    TARGET.mkdir(parents=True, exist_ok=True)
    for manner in MANNERS:
        file = TARGET / f"{manner}.png"
        file.write_bytes(write_png(sheet(manner), PPI))
        print(file)


main()
