"""Cloth: a plain colour, or a weave at its true thread count, as a paint for areas.

Weaves are drawn by their point paper (the weave diagram of the trade): where the warp lies on top and where
the weft does. Thread counts are ends and picks per worn cm.
"""

from __future__ import annotations

from collections.abc import Callable
from dataclasses import dataclass

import numpy as np
from numpy.typing import NDArray

from curlet.core.bounds import Bounds
from curlet.core.drawing import Affine, Outline, Paint, Shape, Solid, Stroke, Tiling
from curlet.core.dress.colour import mixed, shaded
from curlet.core.errors import BadInput

Floats = NDArray[np.float64]
# Rows are picks, columns ends: true where the warp lies on top.
PointPaper = NDArray[np.bool_]

COUNT = Bounds("The thread count", 0.5, 200, "20 to the cm is usual for a shirt", "to the cm")
# Threads show a little of what lies between them.
_COVER = 0.9


@dataclass(frozen=True)
class Cloth:
    """What fills an area.

    Attributes
    ----------
    weave : "colour", or one of WEAVES.
    warp, weft : "#rrggbb"; a plain colour, felt and knits take the first.
    ends, picks : threads per worn cm across and down; wales and courses of a knit.
    turn : degrees clockwise that the cloth is laid at.
    """

    weave: str = "colour"
    warp: str = "#66757d"
    weft: str = "#66757d"
    ends: float = 20.0
    picks: float = 20.0
    turn: float = 0.0

    def check(self) -> None:
        """Raises BadInput for an unknown weave or a count out of bounds."""
        if self.weave not in WEAVES:
            raise BadInput(f"There is no weave “{self.weave[:32]}”. Choose one from the list.")
        for count in (self.ends, self.picks):
            COUNT.check(count)

    def paint(self, factor: float) -> Paint:
        """The cloth as a paint in sheet mm, `factor` drawn mm to a worn one."""
        self.check()
        tile = WEAVES[self.weave].tile(self)
        if tile is None:
            return Solid(self.warp)
        width, height, shapes = tile
        return Tiling(shapes, width * factor, height * factor, _turned(self.turn), _mean(self), factor)


@dataclass(frozen=True)
class Weave:
    """A kind of cloth: what it is called, usual counts, its tile in worn mm (None: a plain colour)."""

    name: str
    ends: float
    picks: float
    tile: Callable[[Cloth], tuple[float, float, tuple[Shape, ...]] | None]


def _turned(angle: float) -> Affine:
    c, s = float(np.cos(np.radians(angle))), float(np.sin(np.radians(angle)))
    return (c, s, -s, c, 0.0, 0.0)


def _mean(cloth: Cloth) -> str:
    """What the eye makes of it from afar: both threads as much as each shows."""
    paper = POINT_PAPERS.get(cloth.weave)
    return mixed(cloth.weft, cloth.warp, float(paper.mean())) if paper is not None else cloth.warp


def _woven(cloth: Cloth) -> tuple[float, float, tuple[Shape, ...]]:
    """Threads as they pass over each other. The ground between is the weft, darkened."""
    paper = POINT_PAPERS[cloth.weave]
    picks, ends = paper.shape
    x, y = 10 / cloth.ends, 10 / cloth.picks
    width, height = ends * x, picks * y
    shapes = [Shape(_box(0, 0, width, height), Solid(shaded(cloth.weft, -14)))]
    for row in range(picks):
        middle = (row + 0.5) * y
        shapes.append(
            Shape(_box(0, middle - _COVER * y / 2, width, middle + _COVER * y / 2), Solid(cloth.weft))
        )
    floats = [_float(paper, column, x, y) for column in range(ends)]
    over = [box for boxes in floats for box in boxes]
    for left, top, right, foot in over:
        shapes.append(Shape(_box(left, top, right, foot), Solid(cloth.warp)))
        rim = Stroke(Solid(shaded(cloth.warp, -9)), 0.12 * x, "flat", "mitre")
        sides = Outline("MLML", np.array([[left, top], [left, foot], [right, top], [right, foot]]))
        shapes.append(Shape(sides, stroke=rim))
    return width, height, tuple(shapes)


def _float(paper: PointPaper, column: int, x: float, y: float) -> list[tuple[float, float, float, float]]:
    """Where one end lies on top: a box for each float; what runs over the tile's foot comes in at its top."""
    half, middle = _COVER * x / 2, (column + 0.5) * x
    # Twice over, so that a float that goes on into the next tile is whole.
    over = np.concatenate([paper[:, column], paper[:, column]])
    if over.all():
        return [(middle - half, -y, middle + half, (len(paper) + 1) * y)]
    edges = np.flatnonzero(np.diff(np.concatenate([[False], over, [False]]).astype(int)))
    boxes = []
    for top, foot in edges.reshape(-1, 2).tolist():
        for shift in (0, -len(paper)):
            if foot + shift > 0 and top + shift < len(paper):
                tucked = ((top + shift + 0.05) * y, (foot + shift - 0.05) * y)
                boxes.append((middle - half, tucked[0], middle + half, tucked[1]))
    return boxes


def _knitted(cloth: Cloth) -> tuple[float, float, tuple[Shape, ...]]:
    """Plain knit: a V for each stitch, wale beside wale."""
    x, y = 10 / cloth.ends, 10 / cloth.picks
    thick = 0.34 * x
    legs = np.array([[0.1, -0.32], [0.5, 0.42], [0.9, -0.32]]) * (x, y)
    shapes = [Shape(_box(0, 0, x, y), Solid(shaded(cloth.warp, -12)))]
    yarn = Stroke(Solid(cloth.warp), thick, "round", "round")
    edge = Stroke(Solid(shaded(cloth.warp, -8)), 1.18 * thick, "round", "round")
    for row in (-1, 0, 1, 2):
        outline = Outline("MLL", legs + (0, row * y))
        shapes += [Shape(outline, stroke=edge), Shape(outline, stroke=yarn)]
    return x, y, tuple(shapes)


def _felted(cloth: Cloth) -> tuple[float, float, tuple[Shape, ...]]:
    """Fibres every way, the same ones in every tile; those at its edge come in again on the other side."""
    size, count = 100 / cloth.ends, 70
    chance = np.random.default_rng(7)
    middles = chance.uniform(0, size, (count, 2))
    angles, lengths = chance.uniform(0, np.pi, count), chance.uniform(0.12, 0.3, count) * size
    arms = np.stack([np.cos(angles), np.sin(angles)], axis=1) * lengths[:, None] / 2
    shades = chance.uniform(-7, 7, count)
    shapes = [Shape(_box(0, 0, size, size), Solid(cloth.warp))]
    for middle, arm, shade in zip(middles, arms, shades, strict=True):
        fibre = Stroke(Solid(shaded(cloth.warp, round(float(shade))), 0.7), 0.012 * size)
        for x in (-size, 0.0, size):
            for y in (-size, 0.0, size):
                ends = np.array([middle - arm, middle + arm]) + (x, y)
                if (ends.max(axis=0) > 0).all() and (ends.min(axis=0) < size).all():
                    shapes.append(Shape(Outline("ML", ends), stroke=fibre))
    return size, size, tuple(shapes)


def _box(left: float, top: float, right: float, foot: float) -> Outline:
    return Outline("MLLLZ", np.array([[left, top], [right, top], [right, foot], [left, foot]]))


def _twill(over: int, under: int) -> PointPaper:
    """Each end over so many picks and under so many, a step lower in the next end (a right-hand twill, whose
    lines rise to the right)."""
    size = over + under
    rows, columns = np.mgrid[:size, :size]
    return np.asarray((rows + columns) % size < over)


POINT_PAPERS: dict[str, PointPaper] = {
    "plain": np.array([[True, False], [False, True]]),
    "twill": _twill(2, 2),
    # Denim is a warp-faced 3/1 right-hand twill.
    "denim": _twill(3, 1),
    # Canvas as a 2/2 basket: two ends and two picks weave as one.
    "canvas": np.kron(np.array([[1, 0], [0, 1]]), np.ones((2, 2))).astype(bool),
}

# Usual counts: common practice.
WEAVES: dict[str, Weave] = {
    "colour": Weave("Plain colour", 20, 20, lambda _: None),
    "plain": Weave("Plain weave", 24, 22, _woven),
    "twill": Weave("Twill, 2 over 2", 26, 22, _woven),
    "denim": Weave("Denim, 3 over 1", 26, 18, _woven),
    "canvas": Weave("Canvas, basket", 14, 12, _woven),
    "felt": Weave("Felt", 20, 20, _felted),
    "knit": Weave("Plain knit", 5, 7, _knitted),
}
