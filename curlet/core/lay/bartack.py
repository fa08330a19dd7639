"""Bartacks: a dense zigzag over each end of a row of stitches."""

from __future__ import annotations

import math

import numpy as np

from curlet.core.brush.courses import Row
from curlet.core.brush.rules import Piece
from curlet.core.dress.colour import ColourRole
from curlet.core.measures import Measure, MeasuredOn, Scale
from curlet.core.motif.families import ArtShape, Artwork

# About four threads wide, its passes nearly a thread apart: common practice.
WIDTH, APART = 4.0, 0.9
# How much darker the lower passes are.
LOWER = -16.0


def bartack(row: Row, scale: Scale) -> Piece | None:
    """The zigzag in the row's own thread, laid over its stitches; None where none is asked."""
    length = row.ends.bartack.drawn(scale) * row.size / 100
    thread = row.motif.thread
    if length <= 0 or thread is None:
        return None
    weight = thread.drawn(scale) * row.weight / 100
    passes = max(4, math.ceil(length / (APART * weight)))
    x = np.linspace(0, length, passes + 1)
    y = np.where(np.arange(passes + 1) % 2, 0.5, -0.5) * (WIDTH - 1) * weight
    spots = [f"{a:.6g} {b:.6g}" for a, b in zip(x, y, strict=True)]
    lines = [f"M{a}L{b}" for a, b in zip(spots[:-1], spots[1:], strict=True)]
    # Every other pass lies lower and darker, so that the threads are seen.
    shapes = tuple(
        ArtShape("".join(lines[first::2]), stroke=ColourRole(1, lighter=shade), weight=weight)
        for first, shade in ((1, LOWER), (0, 0.0))
    )
    # Sizes here are drawn ones already.
    art = Artwork(shapes, length, WIDTH * weight, MeasuredOn.PAPER)
    return Piece(art, Measure(length, MeasuredOn.PAPER))
