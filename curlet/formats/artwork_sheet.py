"""Artwork on a sheet that holds all of it, at true size: to be seen, exported and imported again."""

from __future__ import annotations

from curlet.core.drawing import Drawing, Group, Laid
from curlet.core.dress.colour import dress
from curlet.core.measures import Scale
from curlet.core.motif.art import Box, around, box_of, moved, shifted
from curlet.core.motif.families import Artwork


def artwork_sheet(art: Artwork, threads: tuple[str, ...], name: str) -> Drawing:
    """Artwork and its cell, in the colours of a brush's threads."""
    cell = Box(0, -art.width / 2, art.length, art.width / 2)
    whole = around([*(box_of(shape) for shape in art.shapes), cell])
    shapes = [moved(shape, shifted(-whole.left, -whole.top)) for shape in art.shapes]
    plain = Artwork(tuple(shapes), 1.0, art.width).make(Scale())
    group = Group("artwork", name, (Laid(dress(plain.shapes, threads)),))
    return Drawing(whole.length, whole.width, (group,), name)
