"""What the referee looks at."""

from __future__ import annotations

from collections.abc import Iterator
from dataclasses import dataclass, replace
from functools import cached_property, lru_cache

from curlet.core.brush import Brush
from curlet.core.drawing import Group
from curlet.core.lay import LaidRun, lay
from curlet.core.lay.draw import draw_run
from curlet.core.measures import Scale
from curlet.core.path import Path
from curlet.demo.brushes import BRUSHES
from curlet.formats.brush_file import read_brush
from tests.shapes import two_legs

# A manner, and how its corner is made from the repeat where no artwork is given.
MANNERS = (
    ("carry", ""), ("pivot", ""), ("mitre", ""), ("stop", ""), ("rounded", ""),
    ("piece", "mitred"), ("piece", "folded"), ("piece", "turned"), ("piece", "gathered"),
)  # fmt: skip
TURNS = (15, 30, 45, 60, 75, 90, 105, 120, 135, 150, 165, 175)
SIDES = (1, -1)
# Radii of the two legs, mm, 0 for straight: like and unlike.
LEGS = ((0.0, 0.0), (90.0, 90.0), (90.0, -90.0), (0.0, 70.0))
LEG = 60.0


@dataclass(frozen=True)
class Case:
    brush: str
    manner: str
    made: str
    turn: int
    legs: tuple[float, float]

    @cached_property
    def path(self) -> Path:
        return two_legs(*self.legs, self.turn, LEG)

    @cached_property
    def run(self) -> LaidRun:
        return lay(self.path, _brush(self.brush, self.manner, self.made), Scale())

    @cached_property
    def drawn(self) -> Group:
        return draw_run(self.run, "run", "")

    def __str__(self) -> str:
        manner = f"{self.manner}, {self.made}" if self.made else self.manner
        return f"{self.brush}: {manner}, {self.turn}°, legs {self.legs[0]:g} and {self.legs[1]:g}"


@lru_cache(maxsize=1024)
def _brush(name: str, manner: str, made: str) -> Brush:
    brush = read_brush(BRUSHES[name]).to_core()
    rule = replace(brush.corners, manner=manner, made=made or brush.corners.made)
    return replace(brush, corners=rule)


def cases(brushes: tuple[str, ...] = (), short: bool = False) -> Iterator[Case]:
    """Every case, or one in 29 of them: of each manner, turn, leg and brush some."""
    number = 0
    for brush in brushes or tuple(BRUSHES):
        for manner, made in MANNERS:
            for turn in TURNS:
                for side in SIDES:
                    for legs in LEGS:
                        number += 1
                        if not short or number % 29 == 0:
                            yield Case(brush, manner, made, side * turn, legs)
