"""Gradients and dotted edges."""

from __future__ import annotations

import math
from collections.abc import Sequence
from dataclasses import replace

from curlet.core.bounds import Bounds
from curlet.core.dress.colour import ColourRole, RoleGradient, RoleStop
from curlet.core.errors import BadInput
from curlet.core.motif.art import box_of, path_text
from curlet.core.motif.draw.shapes import added, chosen
from curlet.core.motif.families.artwork import ArtShape, Artwork
from curlet.core.outlines import disc

DOT = Bounds("A dot's size", 0.05, 500)
_MAX_DOTS = 200


def with_gradient(
    art: Artwork, which: Sequence[int], form: str, colours: Sequence[ColourRole], angle: float
) -> Artwork:
    """Shapes filled from colour to colour, each over the whole of its own box.

    Parameters
    ----------
    form : "linear", in the direction `angle` (degrees clockwise from along the cell), or "radial".
    """
    if len(colours) < 2:
        raise BadInput("A gradient goes from one colour to another. Name two or more.")
    some = set(chosen(art, which))
    stops = tuple(RoleStop(i / (len(colours) - 1), role) for i, role in enumerate(colours))

    def graded(shape: ArtShape) -> ArtShape:
        box = box_of(shape, line=False)
        x, y = box.middle
        if form == "radial":
            end = (x + math.hypot(box.length, box.width) / 2, y)
            gradient = RoleGradient("radial", (x, y), end, stops)
        else:
            cos, sin = math.cos(math.radians(angle)), math.sin(math.radians(angle))
            half = (abs(cos) * box.length + abs(sin) * box.width) / 2
            gradient = RoleGradient(
                "linear", (x - half * cos, y - half * sin), (x + half * cos, y + half * sin), stops
            )
        return replace(shape, fill=shape.fill or colours[0], gradient=gradient)

    return replace(art, shapes=tuple(graded(s) if i in some else s for i, s in enumerate(art.shapes)))


def dotted_edge(
    art: Artwork, size: float, pitch: float, shift: float, across: float, colours: Sequence[ColourRole]
) -> Artwork:
    """A row of dots along the cell, their colours in sequence; as many as come out whole, so that the next
    repeat goes on with them.

    Parameters
    ----------
    pitch : from dot to dot as asked, mm; it is eased to fit the cell.
    shift : of the first dot from the cell's start, mm.
    across : of the dots' middles from the baseline, mm.
    """
    DOT.check(size)
    if not pitch > 0 or not colours:
        raise BadInput("Dots are more than 0 mm apart, and have at least one colour.")
    every = len(colours)
    count = max(round(art.length / pitch / every), 1) * every
    if count > _MAX_DOTS:
        raise BadInput(
            f"That makes {count} dots to a repeat; {_MAX_DOTS} is the most. Set them further apart."
        )
    step = art.length / count
    dots = [
        ArtShape(path_text(disc((k * step + shift) % art.length, across, size / 2)), colours[k % every])
        for k in range(count)
    ]
    return added(art, dots)
