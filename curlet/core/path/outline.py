"""A path, or a part of it, as an outline to draw."""

from __future__ import annotations

import numpy as np
from numpy.typing import NDArray

from curlet.core.drawing import Outline
from curlet.core.path.path import Path

Floats = NDArray[np.float64]


def outline_of(path: Path) -> Outline:
    """A path's geometry; straight segments stay lines."""
    commands, points = ["M"], [path.points[:1]]
    for segment, straight in zip(path.segments, path.straight, strict=True):
        commands.append("L" if straight else "C")
        points.append(segment[3:] if straight else segment[1:])
    if path.closed:
        commands.append("Z")
    return Outline("".join(commands), np.concatenate(points))


def joined(outlines: list[Outline]) -> Outline:
    """Several outlines as one, each its own contours."""
    commands = "".join(outline.commands for outline in outlines)
    return Outline(commands, np.concatenate([outline.points for outline in outlines]))
