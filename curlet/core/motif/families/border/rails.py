"""What borders share: rails that run along and turn the corner, and the block that fills it."""

from __future__ import annotations

from curlet.core.motif.families.pen import Pen
from curlet.core.outlines import disc, lines
from curlet.core.settings import choice


def place_choice(*, inner: bool = False) -> str:
    """The setting that says whether a border draws its repeat or its square corner; or, if its sides differ,
    the corner at which it turns the other way, seen in a mirror."""
    made: str = choice("repeat", "Drawn for", "repeat", "corner", *(["inner corner"] if inner else []))
    return made


def turned_side(place: str) -> float:
    """On which side of a corner lies what lies to the right of the repeat: 1 or, at an inner corner, -1."""
    return -1.0 if place == "inner corner" else 1.0


def rail(pen: Pen, y: float, weight: float, *, corner: bool, thread: int = 1, lighter: float = 0.0) -> None:
    """A line along the cell, `y` to the right of its middle; at a corner it turns to the right."""
    a, b, length = y - weight / 2, y + weight / 2, pen.length
    if not corner:
        points = [(0, a), (length, a), (length, b), (0, b)]
    else:
        points = [
            (0, a), (length - a, a), (length - a, length), (length - b, length), (length - b, b), (0, b),
        ]  # fmt: skip
    pen.fill(lines(points, closed=True), thread, lighter)


def rosette(pen: Pen, half: float, thread: int = 1, middle: int = 2) -> None:
    """A diamond and a disc in the corner's square."""
    x = pen.length
    pen.fill(lines([(x - half, 0), (x, -half), (x + half, 0), (x, half)], closed=True), thread)
    pen.fill(disc(x, 0, 0.36 * half), middle)
