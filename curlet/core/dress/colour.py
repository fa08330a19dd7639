"""Colours as people write them, and the colours that a motif's shapes take."""

from __future__ import annotations

from collections.abc import Callable
from dataclasses import dataclass, replace

from coloraide import Color

from curlet.core.drawing import Paint, Shape, Solid
from curlet.core.errors import BadInput


@dataclass(frozen=True)
class ColourRole:
    """Where a colour comes from: thread 1, 2, 3 …, or the shape's own colour.

    `lighter` moves its lightness, in % of OKLCH's range; below 0 is darker.
    """

    thread: int = 1
    own: str | None = None
    lighter: float = 0.0


@dataclass(frozen=True)
class RoleShape:
    """A motif's shape whose fill and stroke say where their colour comes from.

    `over` shapes are painted after all the others where a row is interlaced.
    """

    shape: Shape
    role: ColourRole
    stroke_role: ColourRole | None = None
    over: bool = False


def read_colour(text: str) -> str:
    """Any CSS colour as "#rrggbb".

    Raises
    ------
    BadInput
        If the text is not a colour.
    """
    try:
        colour = Color(text.strip()[:64]).convert("srgb").fit(method="oklch-chroma")
        return str(colour.to_string(hex=True, alpha=False))
    except (ValueError, TypeError):
        raise BadInput(f"“{text[:32]}” is not a colour. Write it like #e9c46a or rust.") from None


def dress(shapes: tuple[RoleShape, ...], threads: tuple[str, ...]) -> tuple[Shape, ...]:
    """Shapes with their thread colours put in; a role past the last thread takes the last."""
    return tuple(_dressed(item, threads) for item in shapes)


def paint_of(role: ColourRole, threads: tuple[str, ...]) -> Paint:
    """The colour that a role takes from a run's threads."""
    colour = role.own or threads[min(role.thread, len(threads)) - 1]
    return Solid(shaded(colour, role.lighter))


def shaded(colour: str, lighter: float) -> str:
    """A colour made lighter or darker by % of OKLCH's lightness, so that steps look even."""
    if not lighter:
        return colour
    moved = Color(colour).convert("oklch")
    moved["lightness"] = min(max(float(moved["lightness"]) + lighter / 100, 0.0), 1.0)
    return str(moved.convert("srgb").fit(method="oklch-chroma").to_string(hex=True))


def turned(colour: str, degrees: float) -> str:
    """A colour turned round OKLCH's hue circle."""
    if not degrees:
        return colour
    moved = Color(colour).convert("oklch")
    moved["hue"] = (float(moved["hue"]) + degrees) % 360
    return str(moved.convert("srgb").fit(method="oklch-chroma").to_string(hex=True))


def recoloured(shape: Shape, change: Callable[[str], str]) -> Shape:
    """A shape with its plain colours changed."""

    def painted(paint: Paint) -> Paint:
        return replace(paint, colour=change(paint.colour)) if isinstance(paint, Solid) else paint

    stroke = shape.stroke and replace(shape.stroke, paint=painted(shape.stroke.paint))
    return replace(shape, fill=painted(shape.fill) if shape.fill else None, stroke=stroke)


def _dressed(item: RoleShape, threads: tuple[str, ...]) -> Shape:
    line = paint_of(item.stroke_role or item.role, threads)
    stroke = item.shape.stroke and replace(item.shape.stroke, paint=line)
    fill = paint_of(item.role, threads) if item.shape.fill else None
    return replace(item.shape, stroke=stroke, fill=fill)
