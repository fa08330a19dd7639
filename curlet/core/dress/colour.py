"""Colours as people write them, and the colours that a motif's shapes take."""

from __future__ import annotations

from dataclasses import dataclass, replace

from coloraide import Color

from curlet.core.drawing import Paint, Shape, Solid
from curlet.core.errors import BadInput


@dataclass(frozen=True)
class ColourRole:
    """Takes its colour from thread 1, 2, 3 …"""

    thread: int = 1


@dataclass(frozen=True)
class RoleShape:
    """A motif's shape whose stroke and fill say where their colour comes from."""

    shape: Shape
    role: ColourRole


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


def _dressed(item: RoleShape, threads: tuple[str, ...]) -> Shape:
    paint: Paint = Solid(threads[min(item.role.thread, len(threads)) - 1])
    stroke = item.shape.stroke and replace(item.shape.stroke, paint=paint)
    return replace(item.shape, stroke=stroke, fill=paint if item.shape.fill else None)
