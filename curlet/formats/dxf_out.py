"""Writing contours as DXF in mm, for cutters and plotters: each is one closed entity, holes on a layer of
their own, so that they can be cut first."""

from __future__ import annotations

import io
from collections.abc import Iterable
from typing import Any

import numpy as np
from numpy.typing import NDArray

from curlet.core.area.edges import Edge
from curlet.core.area.outline import CleanOutline
from curlet.core.path.flat import flat

Floats = NDArray[np.float64]

OUTER, HOLES = "OUTLINE", "HOLES"
# A version that every reader of today takes; $INSUNITS 4 is mm, $MEASUREMENT 1 metric (DXF Reference, HEADER
# section).
_VERSION, _MM, _METRIC = "R2010", 4, 1


def write_dxf(outline: CleanOutline, height: float, *, splines: bool, within: float) -> bytes:
    """A DXF drawing, y upwards from the sheet's foot.

    Parameters
    ----------
    height : of the sheet, mm.
    splines : whether curves are splines of degree 3, exactly the outline's, or closed polylines.
    within : how far a polyline may lie from its curve, mm.
    """
    # Slow to be read in, and needed for nothing else.
    from ezdxf.filemanagement import new

    drawing = new(_VERSION)
    drawing.header["$INSUNITS"], drawing.header["$MEASUREMENT"] = _MM, _METRIC
    space = drawing.modelspace()
    for layer, colour, edges in ((HOLES, 1, outline.holes), (OUTER, 7, outline.outer)):
        drawing.layers.add(layer, color=colour)
        _add(space, edges, layer, height, splines=splines, within=within)
    out = io.StringIO()
    drawing.write(out)
    return out.getvalue().encode()


def _add(
    space: Any, edges: Iterable[Edge], layer: str, height: float, *, splines: bool, within: float
) -> None:
    placed: dict[str, Any] = {"layer": layer}
    for edge in edges:
        if splines and not edge.straight.all():
            spline = space.add_spline(dxfattribs=placed)
            spline.control_points = _up(_control(edge), height).tolist()
            spline.knots = _knots(len(edge.cubics))
            spline.dxf.degree, spline.closed = 3, True
        else:
            line = flat(edge.outline, within).points
            space.add_lwpolyline(_up(line, height).tolist(), close=True, dxfattribs=placed)


def _up(points: Floats, height: float) -> Floats:
    return np.stack([points[:, 0], height - points[:, 1]], axis=1)


def _control(edge: Edge) -> Floats:
    return np.concatenate([edge.cubics[:1, 0], edge.cubics[:, 1:].reshape(-1, 2)])


def _knots(count: int) -> list[float]:
    """Of cubics end to end as one spline: each inner knot three times (The NURBS Book, 5.1: a Bézier curve's
    points are a spline's if its knots are as many as its degree)."""
    inner = np.arange(count + 1, dtype=np.float64).repeat(3)
    return [0.0, *inner.tolist(), float(count)]
