"""A DXF drawing in mm that is being written, y upward."""

from __future__ import annotations

import io
from typing import Any

import numpy as np
from numpy.typing import NDArray

Floats = NDArray[np.float64]

# A version that every reader of today takes; $INSUNITS 4 is mm, $MEASUREMENT 1 metric (DXF Reference, HEADER
# section).
_VERSION, _MM, _METRIC = "R2010", 4, 1


class DxfSpace:
    """Its lines, each on a layer.

    Parameters
    ----------
    origin : what becomes 0, 0: mm, where y goes downward.
    larger : how many times larger all of it becomes.
    """

    def __init__(self, origin: tuple[float, float], larger: float = 1.0) -> None:
        # Slow to be read in, and needed for nothing else.
        from ezdxf.filemanagement import new

        self._file = new(_VERSION)
        self._file.header["$INSUNITS"], self._file.header["$MEASUREMENT"] = _MM, _METRIC
        self._space = self._file.modelspace()
        self._origin, self._larger = np.array(origin), larger

    def layer(self, name: str, colour: int = 7) -> None:
        """A layer, with one of DXF's own colours."""
        self._file.layers.add(name, color=colour)

    def polyline(self, points: Floats, *, closed: bool, **how: Any) -> None:
        """Straight lines through (n, 2) points, mm."""
        self._space.add_lwpolyline(self._there(points), close=closed, dxfattribs=how)

    def spline(self, cubics: Floats, *, closed: bool, **how: Any) -> None:
        """(n, 4, 2) cubics end to end as one spline of degree 3, exactly."""
        made = self._space.add_spline(dxfattribs=how)
        made.control_points = self._there(np.concatenate([cubics[:1, 0], cubics[:, 1:].reshape(-1, 2)]))
        made.knots = _knots(len(cubics))
        made.dxf.degree, made.closed = 3, closed

    def written(self) -> bytes:
        out = io.StringIO()
        self._file.write(out)
        return out.getvalue().encode()

    def _there(self, points: Floats) -> list[list[float]]:
        moved = (points - self._origin) * (self._larger, -self._larger)
        return [list(point) for point in moved.tolist()]


def _knots(count: int) -> list[float]:
    """Of cubics end to end as one spline: each inner knot three times (The NURBS Book, 5.1: a Bézier curve's
    points are a spline's if its knots are as many as its degree)."""
    inner = np.arange(count + 1, dtype=np.float64).repeat(3)
    return [0.0, *inner.tolist(), float(count)]
