"""Segments of an SVG path, as the reader gives them, as cubics."""

from __future__ import annotations

import numpy as np
import svgelements
from numpy.typing import NDArray

from curlet.core.path.arcs import arc_to_cubics

Floats = NDArray[np.float64]


def cubics_of(segment: object) -> Floats:
    """(k, 4, 2) cubics of one segment; a straight one has its handles on its ends."""
    if isinstance(segment, svgelements.Arc):
        centre, along, across = (complex(p.x, p.y) for p in (segment.center, segment.prx, segment.pry))
        return arc_to_cubics(centre, along - centre, across - centre, segment.get_start_t(), segment.sweep)
    if isinstance(segment, svgelements.CubicBezier):
        points = [segment.start, segment.control1, segment.control2, segment.end]
        return np.array([[(p.x, p.y) for p in points]])
    if isinstance(segment, svgelements.QuadraticBezier):
        start, control, end = (np.array((p.x, p.y)) for p in (segment.start, segment.control, segment.end))
        # Degree elevation, exact.
        return np.array([[start, (start + 2 * control) / 3, (end + 2 * control) / 3, end]])
    start, end = segment.start, segment.end  # type: ignore[attr-defined]
    if start is None or end is None or (start.x == end.x and start.y == end.y):
        return np.zeros((0, 4, 2))
    return np.array([[(start.x, start.y), (start.x, start.y), (end.x, end.y), (end.x, end.y)]])
