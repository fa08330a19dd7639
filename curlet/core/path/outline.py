"""A path, or a part of it, as an outline to draw."""

from __future__ import annotations

from functools import lru_cache

import numpy as np
from numpy.typing import NDArray

from curlet.core.drawing import Outline
from curlet.core.path.path import Path

Floats = NDArray[np.float64]


@lru_cache(maxsize=16_384)
def outline_of(path: Path) -> Outline:
    """A path's geometry; straight segments stay lines."""
    lines, segments = path.straight, path.segments
    commands = "M" + "".join("L" if line else "C" for line in lines.tolist()) + "Z" * path.closed
    if "C" not in commands:
        ends = segments[:, 3]
    elif "L" not in commands:
        ends = segments[:, 1:].reshape(-1, 2)
    else:
        wanted = np.ones((len(segments), 3), dtype=bool)
        wanted[lines, :2] = False
        ends = segments[:, 1:][wanted]
    return Outline(commands, np.concatenate([path.points[:1], ends]))


def joined(outlines: list[Outline]) -> Outline:
    """Several outlines as one, each its own contours."""
    commands = "".join(outline.commands for outline in outlines)
    return Outline(commands, np.concatenate([outline.points for outline in outlines]))
