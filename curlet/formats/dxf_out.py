"""Writing contours as DXF in mm, for cutters and plotters: each is one closed entity, holes on a layer of
their own, so that they can be cut first."""

from __future__ import annotations

from curlet.core.area.outline import CleanOutline
from curlet.core.path.flat import flat
from curlet.formats.dxf_space import DxfSpace

OUTER, HOLES = "OUTLINE", "HOLES"


def write_dxf(outline: CleanOutline, height: float, *, splines: bool, within: float) -> bytes:
    """A DXF drawing, y upwards from the sheet's foot.

    Parameters
    ----------
    height : of the sheet, mm.
    splines : whether curves are splines of degree 3, exactly the outline's, or closed polylines.
    within : how far a polyline may lie from its curve, mm.
    """
    space = DxfSpace((0.0, height))
    for layer, colour, edges in ((HOLES, 1, outline.holes), (OUTER, 7, outline.outer)):
        space.layer(layer, colour)
        for edge in edges:
            if splines and not edge.straight.all():
                space.spline(edge.cubics, closed=True, layer=layer)
            else:
                space.polyline(flat(edge.outline, within).points, closed=True, layer=layer)
    return space.written()
