"""The path that everything is laid along: 60 segments, 10 m, the same every time."""

from __future__ import annotations

import numpy as np
import skia

from curlet.core.path import Path
from curlet.core.path.booleans import add_outline
from curlet.core.path.outline import outline_of

LENGTH = 10_000.0


def winding(segments: int = 60, length: float = LENGTH) -> Path:
    """A smooth path of curved segments."""
    x = np.linspace(0, length, segments + 1)
    y = np.where(np.arange(segments + 1) % 2, 1.0, -1.0) * length / segments / 3
    points = np.column_stack([x, y])
    handle = np.array([length / segments / 3, 0])
    ids = [f"n{i}" for i in range(segments + 1)]
    path = Path.make(ids, points, points - handle, points + handle, False)
    k = length / path.length
    return Path.make(ids, points * k, (points - handle) * k, (points + handle) * k, False)


def in_skia(path: Path) -> skia.Path:
    out = skia.Path()
    outline = outline_of(path)
    add_outline(out, outline.commands, outline.points)
    return out
