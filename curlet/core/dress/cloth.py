"""Cloth: a plain colour, or a weave at its true thread count, as a paint for areas.

Weaves are drawn by their point paper (the weave diagram of the trade): where the warp lies on top and where
the weft does. Thread counts are ends and picks per cm of the garment.
"""

from __future__ import annotations

from collections.abc import Callable
from dataclasses import dataclass
from typing import Any

import numpy as np
from numpy.typing import NDArray

from curlet.core.bounds import Bounds
from curlet.core.drawing import Affine, Outline, Paint, Shape, Solid, Stroke, Tiling
from curlet.core.dress.colour import mixed, shaded
from curlet.core.errors import BadInput
from curlet.core.outlines import curve

Floats = NDArray[np.float64]
# Rows are picks, columns ends: true where the warp lies on top.
PointPaper = NDArray[np.bool_]
# Width and height, garment mm, and what lies in it.
Tile = tuple[float, float, tuple[Shape, ...]]

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
    ends, picks : threads per cm of the garment across and down; wales and courses of a knit.
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
        """The cloth as a paint in sheet mm, `factor` drawn mm to one of the garment."""
        self.check()
        tile = WEAVES[self.weave].tile(self)
        if tile is None:
            return Solid(self.warp)
        width, height, shapes = tile
        opaque = not WEAVES[self.weave].open
        size = width * factor, height * factor
        return Tiling(shapes, *size, _turned(self.turn), _mean(self), factor, opaque)


@dataclass(frozen=True)
class Weave:
    """A kind of cloth.

    Attributes
    ----------
    name : what it is called.
    ends, picks : usual counts to the cm of the garment.
    tile : its tile in garment mm, None for a plain colour.
    warp, weft : usual colours, "#rrggbb".
    threads, counts : what its colours and its counts are called; none are asked for where there are none.
    open : whether what lies under it shows between its threads.
    """

    name: str
    ends: float
    picks: float
    tile: Callable[[Cloth], Tile | None]
    warp: str
    weft: str
    threads: tuple[str, ...] = ("Cloth colour",)
    counts: tuple[str, ...] = ()
    open: bool = False


def _turned(angle: float) -> Affine:
    c, s = float(np.cos(np.radians(angle))), float(np.sin(np.radians(angle)))
    return (c, s, -s, c, 0.0, 0.0)


def _mean(cloth: Cloth) -> str:
    """What the eye makes of it from afar: both threads as much as each shows."""
    paper = POINT_PAPERS.get(cloth.weave)
    return mixed(cloth.weft, cloth.warp, float(paper.mean())) if paper is not None else cloth.warp


def _woven(cloth: Cloth) -> Tile:
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


def _knitted(cloth: Cloth) -> Tile:
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


def _felted(cloth: Cloth) -> Tile:
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


def _ribbed(cloth: Cloth) -> Tile:
    """Rib knit, one and one: a wale of Vs that stands up, and one that lies back between two of them."""
    x, y = 10 / cloth.ends, 10 / cloth.picks
    _, _, face = _knitted(cloth)
    back = [Shape(_box(x, 0, 2 * x, y), Solid(shaded(cloth.warp, -20)))]
    purl = Stroke(Solid(shaded(cloth.warp, -13)), 0.3 * y, "round", "round")
    for row in (0.0, y):
        bump = np.array(
            [(1.2 * x, row), (1.35 * x, row - 0.2 * y), (1.65 * x, row - 0.2 * y), (1.8 * x, row)]
        )
        back.append(Shape(Outline("MC", bump), stroke=purl))
    return 2 * x, y, (*back, *face)


def _corded(cloth: Cloth) -> Tile:
    """Corduroy: cords of cut pile, round across, with the ground between them."""
    x, y = 10 / cloth.ends, 10 / cloth.picks
    shapes = [Shape(_box(0, 0, x, y), Solid(shaded(cloth.warp, -18)))]
    for share, shade in ((0.8, -8.0), (0.62, -2.0), (0.42, 2.0), (0.2, 5.0)):
        left = (1 - share) / 2 * x
        shapes.append(Shape(_box(left, 0, x - left, y), Solid(shaded(cloth.warp, shade))))
    # Tufts, bound by every other pick.
    tuft = Stroke(Solid(shaded(cloth.warp, -10), 0.5), 0.1 * y, "flat", "mitre")
    for place in (0.25, 0.75):
        dip = np.array([(0.14, place - 0.1), (0.38, place + 0.1), (0.62, place + 0.1), (0.86, place - 0.1)])
        shapes.append(Shape(Outline("MC", dip * (x, y)), stroke=tuft))
    return x, y, tuple(shapes)


def _netted(cloth: Cloth) -> Tile:
    """Net: six-sided meshes, open between their threads."""
    x, side = 10 / cloth.ends, 10 / cloth.picks / 1.5
    mesh = [(0.5, 0), (1, 0.5), (1, 1.5), (0.5, 2), (0, 1.5), (0, 0.5)]
    outline = Outline("MLLLLLZML", np.array([*mesh, (0.5, 2), (0.5, 3)]) * (x, side))
    thread = Stroke(Solid(cloth.warp), 0.14 * x, "round", "round")
    return x, 3 * side, (Shape(outline, stroke=thread),)


def _grained(cloth: Cloth) -> Tile:
    """Leather: pebbles of unlike sizes with creases between, the same ones in every tile."""
    size, across = 60 / cloth.ends, 6
    chance = np.random.default_rng(11)
    grid = np.stack(np.meshgrid(np.arange(across), np.arange(across)), axis=-1).reshape(-1, 2)
    middles = (grid + 0.5 + chance.uniform(-0.38, 0.38, grid.shape)) * size / across
    shades = chance.uniform(-3, 4, len(middles)).round()
    shifts = np.array([(i, j) for i in (-1, 0, 1) for j in (-1, 0, 1)]) * size
    every = (middles[None] + shifts[:, None]).reshape(-1, 2)
    shapes = [Shape(_box(0, 0, size, size), Solid(shaded(cloth.warp, -16)))]
    for middle, shade in zip(every, np.tile(shades, len(shifts)), strict=True):
        if np.abs(middle - size / 2).max() < 0.8 * size:
            pebble = _pebble(middle, every)
            shapes.append(Shape(curve(pebble, closed=True), Solid(shaded(cloth.warp, float(shade)))))
    return size, size, tuple(shapes)


def _pebble(middle: Floats, others: Floats) -> Floats:
    """What lies nearer to a place than to any other (Voronoi), drawn in a little."""
    reach = np.sort(np.hypot(*(others - middle).T))[1:14].max()
    ring = middle + reach * np.array([(-1, -1), (1, -1), (1, 1), (-1, 1)])
    for other in others[np.hypot(*(others - middle).T).argsort()[1:14]]:
        ring = _nearer(ring, middle, other)
    return np.asarray(middle + 0.9 * (ring - middle))


def _nearer(ring: Floats, one: Floats, other: Floats) -> Floats:
    """The part of a polygon that lies nearer to one place than to another (Sutherland and Hodgman)."""
    beyond = (ring - (one + other) / 2) @ (other - one)
    kept: list[Floats] = []
    for i in range(len(ring)):
        a, b = beyond[i - 1], beyond[i]
        if (a < 0) != (b < 0):
            kept.append(ring[i - 1] + (ring[i] - ring[i - 1]) * a / (a - b))
        if b < 0:
            kept.append(ring[i])
    return np.array(kept)


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

_TWO: dict[str, Any] = {"threads": ("Warp", "Weft"), "counts": ("Ends to the cm", "Picks to the cm")}
_KNIT: dict[str, Any] = {"counts": ("Wales to the cm", "Courses to the cm")}

# Usual counts and colours: common practice.
WEAVES: dict[str, Weave] = {
    "colour": Weave("Plain colour", 20, 20, lambda _: None, "#66757d", "#66757d"),
    "plain": Weave("Plain weave", 24, 22, _woven, "#e9e3d4", "#ded6c3", **_TWO),
    "twill": Weave("Twill, 2 over 2", 26, 22, _woven, "#8a7f5c", "#b3a981", **_TWO),
    # Indigo warp over an undyed weft.
    "denim": Weave("Denim, 3 over 1", 26, 18, _woven, "#34507a", "#e6e0d2", **_TWO),
    "canvas": Weave("Canvas, basket", 14, 12, _woven, "#d8ccb0", "#cbbd9c", **_TWO),
    "corduroy": Weave(
        "Corduroy", 4.5, 9, _corded, "#8b5e3c", "#8b5e3c", counts=("Cords to the cm", "Tufts to the cm")
    ),
    "felt": Weave("Felt", 20, 20, _felted, "#6f7f86", "#6f7f86"),
    "jersey": Weave("Jersey", 14, 18, _knitted, "#b9c0c4", "#b9c0c4", **_KNIT),
    "knit": Weave("Plain knit", 5, 7, _knitted, "#c9b79c", "#c9b79c", **_KNIT),
    "rib": Weave("Rib knit, 1 and 1", 6, 8, _ribbed, "#7c4a63", "#7c4a63", **_KNIT),
    "net": Weave(
        "Net", 6, 7, _netted, "#2b3440", "#2b3440", counts=("Meshes to the cm", "Rows to the cm"), open=True
    ),
    "leather": Weave("Leather, grained", 7, 7, _grained, "#7a4b2e", "#7a4b2e", counts=("Grains to the cm",)),
}
