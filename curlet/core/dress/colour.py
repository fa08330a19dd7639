"""Colours as people write them, and the colours that a motif's shapes take."""

from __future__ import annotations

import math
from collections.abc import Callable
from dataclasses import dataclass, replace
from functools import lru_cache

from coloraide import Color

from curlet.core.drawing import (
    IDENTITY,
    Affine,
    LinearGradient,
    Paint,
    RadialGradient,
    Shape,
    Solid,
    Stop,
    Tiling,
    compose,
)
from curlet.core.errors import BadInput


@dataclass(frozen=True)
class ColourRole:
    """Where a colour comes from: thread 1, 2, 3 …, or the shape's own colour.

    `lighter` moves its lightness, in % of OKLCH's range; below 0 is darker, and it is made no lighter than
    `lightest`. What is `given` by a sequence of shades is no colour of the artwork's own.
    """

    thread: int = 1
    own: str | None = None
    lighter: float = 0.0
    lightest: float = 100.0
    given: bool = False


@dataclass(frozen=True)
class RoleStop:
    """A colour at `offset` 0…1 along a gradient, by where it comes from."""

    offset: float
    role: ColourRole
    opacity: float = 1.0


@dataclass(frozen=True)
class RoleGradient:
    """Colours from role to role, from one point to another, mm moved by `matrix`.

    A "radial" one goes from its centre, `start`, out to the circle on which `end` lies.
    """

    form: str
    start: tuple[float, float]
    end: tuple[float, float]
    stops: tuple[RoleStop, ...]
    matrix: Affine = IDENTITY

    def moved(self, matrix: Affine) -> RoleGradient:
        """The gradient moved with its shape."""
        return replace(self, matrix=compose(matrix, self.matrix))


@dataclass(frozen=True)
class RoleShape:
    """A motif's shape whose fill and stroke say where their colour comes from.

    `over` shapes are painted after all the others where a row is interlaced; a `gradient` takes the
    place of the fill's one colour.
    """

    shape: Shape
    role: ColourRole
    stroke_role: ColourRole | None = None
    over: bool = False
    gradient: RoleGradient | None = None
    opacity: float = 1.0


def read_colour(text: str) -> str:
    """Any CSS colour as "#rrggbb".

    Raises
    ------
    BadInput
        If the text is not a colour.

    >>> read_colour("rebeccapurple")
    '#663399'
    """
    try:
        colour = Color(text.strip()[:64]).convert("srgb").fit(method="oklch-chroma")
        return str(colour.to_string(hex=True, alpha=False))
    except (ValueError, TypeError):
        raise BadInput(f"“{text[:32]}” is not a colour. Write it like #e9c46a or crimson.") from None


def dress(shapes: tuple[RoleShape, ...], threads: tuple[str, ...]) -> tuple[Shape, ...]:
    """Shapes with their thread colours put in; a role past the last thread takes the last."""
    return tuple(_dressed(item, threads) for item in shapes)


def paint_of(role: ColourRole, threads: tuple[str, ...], opacity: float = 1.0) -> Paint:
    """The colour that a role takes from a run's threads."""
    return Solid(colour_of(role, threads), opacity)


def colour_of(role: ColourRole, threads: tuple[str, ...]) -> str:
    """The same as "#rrggbb"."""
    colour = role.own or threads[min(role.thread, len(threads)) - 1]
    return shaded(colour, role.lighter, role.lightest)


def gradient_of(gradient: RoleGradient, threads: tuple[str, ...], opacity: float = 1.0) -> Paint:
    """A gradient with its thread colours put in."""
    stops = tuple(
        Stop(stop.offset, colour_of(stop.role, threads), stop.opacity * opacity) for stop in gradient.stops
    )
    if gradient.form == "linear":
        return LinearGradient(gradient.start, gradient.end, stops, gradient.matrix)
    radius = math.dist(gradient.start, gradient.end)
    return RadialGradient(gradient.start, radius, stops, gradient.matrix)


def lightness(colour: str) -> float:
    """How light a colour looks, 0…1 (OKLCH's L)."""
    return float(Color(colour).convert("oklch")["lightness"])


def oklch(colour: str) -> tuple[float, float, float]:
    """A colour's lightness 0…1, chroma and hue in degrees (OKLCH); a grey's hue is 0.

    >>> oklch("#ff0000")
    (0.628, 0.2577, 29.2)
    """
    light, chroma, hue = Color(colour).convert("oklch").coords(nans=False)
    return round(light, 4), round(chroma, 4), round(hue % 360, 1) if chroma > 1e-4 else 0.0


def in_gamut(colour: Color) -> str:
    """A colour as "#rrggbb", brought into gamut as CSS Color 4 has it."""
    return str(colour.convert("srgb").fit(method="oklch-chroma").to_string(hex=True))


def mixed(one: str, other: str, share: float) -> str:
    """A colour between two, `share` of the way, mixed in OKLab as the eye does from afar."""
    return str(Color(one).mix(other, share, space="oklab").convert("srgb").fit().to_string(hex=True))


@lru_cache(maxsize=4096)
def shaded(colour: str, lighter: float, lightest: float = 100.0) -> str:
    """A colour made lighter or darker by % of OKLCH's lightness, so that steps look even; made no lighter
    than `lightest`."""
    if not lighter:
        return colour
    moved = Color(colour).convert("oklch")
    moved["lightness"] = min(max(float(moved["lightness"]) + lighter / 100, 0.0), 1.0, lightest / 100)
    return in_gamut(moved)


@lru_cache(maxsize=4096)
def turned(colour: str, degrees: float) -> str:
    """A colour turned round OKLCH's hue circle."""
    if not degrees:
        return colour
    moved = Color(colour).convert("oklch")
    moved["hue"] = (float(moved["hue"]) + degrees) % 360
    return in_gamut(moved)


def recoloured(shape: Shape, change: Callable[[str], str]) -> Shape:
    """A shape with its colours changed."""

    def painted(paint: Paint) -> Paint:
        if isinstance(paint, Solid):
            return replace(paint, colour=change(paint.colour))
        if isinstance(paint, Tiling):
            shapes = tuple(recoloured(inner, change) for inner in paint.shapes)
            return replace(paint, shapes=shapes, mean=change(paint.mean))
        return replace(paint, stops=tuple(replace(stop, colour=change(stop.colour)) for stop in paint.stops))

    stroke = shape.stroke and replace(shape.stroke, paint=painted(shape.stroke.paint))
    return replace(shape, fill=painted(shape.fill) if shape.fill else None, stroke=stroke)


def _dressed(item: RoleShape, threads: tuple[str, ...]) -> Shape:
    line = paint_of(item.stroke_role or item.role, threads, item.opacity)
    stroke = item.shape.stroke and replace(item.shape.stroke, paint=line)
    fill = _filled(item, threads) if item.shape.fill else None
    return replace(item.shape, stroke=stroke, fill=fill)


def _filled(item: RoleShape, threads: tuple[str, ...]) -> Paint:
    if item.gradient is not None:
        return gradient_of(item.gradient, threads, item.opacity)
    return paint_of(item.role, threads, item.opacity)
