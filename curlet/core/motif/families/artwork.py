"""Artwork: a motif drawn shape by shape, in mm in its cell."""

from __future__ import annotations

import re
from dataclasses import dataclass
from typing import ClassVar

import numpy as np

from curlet.core.bounds import Bounds
from curlet.core.drawing import POINTS_PER_COMMAND, Outline, Shape, Solid, Stroke
from curlet.core.dress.colour import ColourRole, RoleGradient, RoleShape
from curlet.core.errors import BadInput, TooMuch
from curlet.core.measures import Measure, MeasuredOn, Scale
from curlet.core.motif.motif import Motif

CELL_LENGTH = Bounds("The cell's length", 0.01, 10_000)
CELL_WIDTH = Bounds("The cell's width", 0.01, 10_000)
LINE = Bounds("A line's weight", 0.005, 1000)
MAX_POINTS = 50_000
FURTHEST = 100_000.0

_STEP = re.compile(r"([A-DF-Za-df-z])([^A-DF-Za-df-z]*)")
_NUMBER = re.compile(r"[-+]?(?:\d+\.?\d*|\.\d+)(?:[eE][-+]?\d+)?")


@dataclass(frozen=True)
class ArtShape:
    """One shape of artwork.

    Attributes
    ----------
    d : SVG path data with absolute M, L, C and Z, in mm; x from 0 to the cell's length, y from
        minus to plus half its width.
    fill, stroke : where their colours come from, None for none.
    weight : of the stroke, mm.
    over : whether it is painted after the others where links are interlaced.
    gradient : of the fill, in the artwork's mm, in place of its one colour.
    opacity : 0…1, of the fill and the stroke.
    stands : how it takes relief, a name in `STANDS`.
    """

    d: str
    fill: ColourRole | None = None
    stroke: ColourRole | None = None
    weight: float = 0.2
    ends: str = "round"
    joins: str = "round"
    even_odd: bool = False
    over: bool = False
    gradient: RoleGradient | None = None
    opacity: float = 1.0
    stands: str = "raised"


@dataclass(frozen=True)
class Artwork:
    """Shapes in a cell of `length` × `width` mm, on the garment or on paper as `frame` says."""

    bends: ClassVar[bool] = True
    shapes: tuple[ArtShape, ...]
    length: float
    width: float
    on: MeasuredOn = MeasuredOn.GARMENT

    @property
    def thread(self) -> Measure | None:
        """The lightest line that it is drawn with."""
        weights = [shape.weight for shape in self.shapes if shape.stroke]
        return Measure(min(weights), self.on) if weights else None

    def check(self) -> None:
        CELL_LENGTH.check(self.length)
        CELL_WIDTH.check(self.width)
        for shape in self.shapes:
            if shape.stroke:
                LINE.check(shape.weight)
            read_outline(shape.d)

    def make(self, scale: Scale) -> Motif:
        k = scale.factor if self.on is MeasuredOn.GARMENT else 1.0
        shapes = tuple(self._shape(shape, k) for shape in self.shapes)
        lines = [shape.weight * k for shape in self.shapes if shape.stroke and shape.ends == "round"]
        return Motif(shapes, self.width * k, max(lines, default=0.0) / 2)

    def _shape(self, shape: ArtShape, k: float) -> RoleShape:
        outline = read_outline(shape.d)
        cell = Outline(outline.commands, outline.points * np.array([1 / self.length, k]))
        bare = Solid("#000000")
        stroke = Stroke(bare, shape.weight * k, shape.ends, shape.joins) if shape.stroke else None
        drawn = Shape(cell, bare if shape.fill else None, stroke, shape.even_odd, stands=shape.stands)
        gradient = shape.gradient and shape.gradient.moved((1 / self.length, 0.0, 0.0, k, 0.0, 0.0))
        role = shape.fill or ColourRole()
        return RoleShape(drawn, role, shape.stroke, shape.over, gradient, shape.opacity)


def read_outline(d: str) -> Outline:
    """Path data with absolute M, L, C and Z as an outline.

    Raises
    ------
    BadInput
        If it has another command, a wrong count of numbers, or does not start with M.
    TooMuch
        Past 50,000 points.
    """
    commands, numbers = [], []
    for command, text in _STEP.findall(d):
        found = [float(n) for n in _NUMBER.findall(text)]
        per = 2 * POINTS_PER_COMMAND.get(command, -1)
        if per < 0 or (len(found) % per if per else found):
            raise BadInput("A motif's shapes are drawn with absolute M, L, C and Z. Redraw this one so.")
        commands.append(command * (len(found) // per if per else 1))
        numbers += found
    joined = "".join(commands)
    if not joined.startswith("M") or len(joined) < 2:
        raise BadInput("A motif's shape starts with M and goes on at least to one more point.")
    if len(numbers) > 2 * MAX_POINTS:
        raise TooMuch(f"A motif's shape has more than {MAX_POINTS:,} points. Simplify it.")
    points = np.array(numbers).reshape(-1, 2)
    if not np.isfinite(points).all() or np.abs(points).max() > FURTHEST:
        raise BadInput("A motif's shape reaches further than 100 m. Check its numbers.")
    return Outline(joined, points)
