"""What fills an area besides cloth: a gradient that reaches over it, or a picture that is seen inside it."""

from __future__ import annotations

import math
from dataclasses import dataclass, replace

import numpy as np
from numpy.typing import NDArray

from curlet.core.bounds import Bounds
from curlet.core.drawing import Affine, LinearGradient, Paint, RadialGradient, Stop
from curlet.core.errors import BadInput

Floats = NDArray[np.float64]

WIDTH = Bounds("The picture's width", 0.5, 100_000)
FADE = Bounds("How faded it is", 0, 100, unit="%")
AT = Bounds("Where a colour lies along the gradient", 0, 100, unit="%")
OPACITY = Bounds("A colour's opacity", 0, 100, unit="%")
PLACE = Bounds("Where the gradient's middle lies", -100, 200, "50 % is the middle", "%")
STOPS = (2, 12)
# Two figures are alike if every point lies where it should to this share of their size.
_ALIKE = 1e-6


@dataclass(frozen=True)
class Gradient:
    """Colours that run over an area from edge to edge.

    Attributes
    ----------
    form : "linear", or "radial" from a middle outwards.
    stops : two or more, in order.
    turn : degrees clockwise that a linear one is turned; at 0 it runs from left to right.
    middle : of a radial one, as shares of the area's width and height.
    """

    form: str
    stops: tuple[Stop, ...]
    turn: float = 0.0
    middle: tuple[float, float] = (0.5, 0.5)

    def check(self) -> None:
        """Raises BadInput for too few or too many colours, or for a share out of bounds."""
        low, high = STOPS
        if not low <= len(self.stops) <= high:
            raise BadInput(f"A gradient has {low} to {high} colours.")
        for stop in self.stops:
            AT.check(100 * stop.offset)
            OPACITY.check(100 * stop.opacity)
        for share in self.middle:
            PLACE.check(100 * share)

    def over(self, low: Floats, high: Floats) -> Paint:
        """The gradient as a paint over an area whose least and greatest x and y are given, mm.

        A linear one begins and ends where the area's box does along its way, a radial one ends at the side
        of the box that is furthest from its middle (CSS Images 3, 3.1.1 and "farthest-side" in 3.2).

        >>> stops = (Stop(0, "#ffffff"), Stop(1, "#000000"))
        >>> Gradient("linear", stops).over(np.array([0.0, 0.0]), np.array([10.0, 4.0])).end
        (10.0, 2.0)
        """
        stops = tuple(sorted(self.stops, key=lambda stop: stop.offset))
        if self.form == "radial":
            centre = low + (high - low) * self.middle
            radius = float(max((centre - low).max(), (high - centre).max()))
            return RadialGradient(_spot(centre), max(radius, 1e-6), stops)
        way = np.array([math.cos(math.radians(self.turn)), math.sin(math.radians(self.turn))])
        half, middle = (np.abs(way) * (high - low)).sum() / 2 * way, (low + high) / 2
        return LinearGradient(_spot(middle - half), _spot(middle + half), stops)


@dataclass(frozen=True)
class Placed:
    """Where a picture lies.

    Attributes
    ----------
    x, y : its middle, sheet mm.
    width, height : its size, sheet mm.
    turn : degrees clockwise.
    mirrored : whether it is turned over, left to right, before it is turned.
    """

    x: float
    y: float
    width: float
    height: float
    turn: float = 0.0
    mirrored: bool = False

    @property
    def placement(self) -> Affine:
        """Where it lays the unit square."""
        c, s = math.cos(math.radians(self.turn)), math.sin(math.radians(self.turn))
        across = -self.width if self.mirrored else self.width
        a, b, p, q = c * across, s * across, -s * self.height, c * self.height
        return (a, b, p, q, self.x - (a + p) / 2, self.y - (b + q) / 2)

    def moved(self, matrix: Affine) -> Placed:
        """The picture under a move, turn, mirroring or even sizing.

        >>> Placed(1.0, 2.0, 4.0, 3.0).moved((0, 2, -2, 0, 10, 0))
        Placed(x=6.0, y=2.0, width=8.0, height=6.0, turn=90.0, mirrored=False)
        """
        a, b, c, d, e, f = matrix
        size = math.hypot(a, b)
        over = a * d - b * c < 0
        # What it does to the way from left to right, as it is seen once a mirrored picture is turned over.
        way = math.radians(self.turn)
        x, y = a * math.cos(way) + c * math.sin(way), b * math.cos(way) + d * math.sin(way)
        turn = math.degrees(math.atan2(y, x)) + (180.0 if over else 0.0)
        return Placed(
            a * self.x + c * self.y + e,
            b * self.x + d * self.y + f,
            self.width * size,
            self.height * size,
            math.remainder(turn, 360.0),
            self.mirrored != over,
        )


def covering(low: Floats, high: Floats, width: float, height: float) -> Placed:
    """A picture of so many pixels as small as it covers a box that is given in mm, in its middle."""
    size = float(((high - low) / (width, height)).max())
    x, y = ((low + high) / 2).tolist()
    return Placed(x, y, width * size, height * size)


def likeness(before: Floats, after: Floats) -> Affine | None:
    """The move, turn, mirroring or even sizing that brings (n, 2) points to others; None if none does.

    >>> square = np.array([[0, 0], [1, 0], [1, 1], [0, 1]])
    >>> likeness(square, 2 * square + 3)
    (2.0, 0.0, 0.0, 2.0, 3.0, 3.0)
    >>> likeness(square, square * (1, 2)) is None
    True
    """
    if before.shape != after.shape or len(before) < 2:
        return None
    was, now = (side @ np.array([1, 1j]) for side in (before, after))
    start, end = was - was.mean(), now - now.mean()
    size = float((np.abs(start) ** 2).sum())
    near = _ALIKE * max(float(np.abs(end).max()), 1e-9)
    if size < 1e-18:
        return None
    for over in (False, True):
        # As complex numbers, the likeness is a product: least squares.
        side = start.conj() if over else start
        k = complex((end * side.conj()).sum() / size)
        if abs(k) > _ALIKE and np.abs(end - k * side).max() <= near:
            c, d = (k.imag, -k.real) if over else (-k.imag, k.real)
            e, f = after.mean(axis=0) - before.mean(axis=0) @ np.array([[k.real, k.imag], [c, d]])
            return tuple(round(float(v), 12) + 0.0 for v in (k.real, k.imag, c, d, e, f))  # type: ignore[return-value]
    return None


def dragged(at: Placed, grip: str, to: tuple[float, float], steady: bool) -> Placed:
    """A picture brought by one of its grips to a spot: by its middle it moves, by an edge it is sized and by
    the arc beside its right edge it is turned, both about its middle.

    Parameters
    ----------
    grip : "middle", "arc", or one of EDGES.
    steady : a move goes level or upright only, a turn by steps of 15°.
    """
    across, down = to[0] - at.x, to[1] - at.y
    if grip == "middle":
        level = abs(across) > abs(down)
        return replace(
            at,
            x=at.x if steady and not level else to[0],
            y=at.y if steady and level else to[1],
        )
    if grip == "arc":
        turn = math.degrees(math.atan2(down, across))
        return replace(at, turn=15.0 * round(turn / 15) if steady else turn)
    turn, (along, beside) = math.radians(at.turn), EDGES[grip]
    out = math.cos(turn) * (across * along + down * beside)
    out += math.sin(turn) * (down * along - across * beside)
    side = at.width if along else at.height
    return sized(at, at.width * 2 * max(out, 0.0) / side)


def sized(at: Placed, width: float) -> Placed:
    """A picture at a width, mm, as high as it then is; BadInput for one out of bounds."""
    width = WIDTH.check(width)
    return replace(at, width=width, height=at.height * width / at.width)


# The ways out of a picture's middle to its edges, before it is turned.
EDGES = {"left": (-1, 0), "right": (1, 0), "top": (0, -1), "bottom": (0, 1)}


def _spot(point: Floats) -> tuple[float, float]:
    x, y = point.tolist()
    return x, y
