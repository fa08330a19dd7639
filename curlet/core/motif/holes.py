"""The needle's holes: where the threads of a sewn motif go into the cloth."""

from __future__ import annotations

import numpy as np

from curlet.core.drawing import Outline, Shape, Solid
from curlet.core.dress.colour import ColourRole, RoleShape
from curlet.core.motif.families.pen import NEEDLE_HOLE
from curlet.core.motif.motif import Motif
from curlet.core.outlines import disc

# A needle is half as thick again as its thread, and pushes the cloth up round its hole: common practice.
_HOLE, _RIM = 0.62, 0.9
_RISEN = ColourRole(own=NEEDLE_HOLE.own, lighter=34.0)
_RISEN_OPACITY = 0.35


def needle_holes(motif: Motif, length: float) -> list[RoleShape]:
    """A rim and a hole under each end of a sewn motif's threads; none for one that is not sewn.

    Parameters
    ----------
    length : of its cell, drawn mm.
    """
    if not motif.sewn:
        return []
    ends = [
        (x * length, y, stroke.weight / 2)
        for item in motif.shapes
        if (stroke := item.shape.stroke) and not item.shape.fill
        for x, y in _open_ends(item.shape.outline)
    ]
    rims = [_dot(x, y, _RIM * 2 * half, length, _RISEN, _RISEN_OPACITY) for x, y, half in ends]
    return [*rims, *(_dot(x, y, _HOLE * 2 * half, length, NEEDLE_HOLE, 1.0) for x, y, half in ends)]


def _open_ends(outline: Outline) -> list[tuple[float, float]]:
    """Where open contours begin and end."""
    found: list[tuple[float, float]] = []
    at, first = 0, 0
    steps = outline.commands + "M"
    for here, after in zip(outline.commands, steps[1:], strict=True):
        if here == "M":
            first = at
        at += {"C": 3, "Z": 0}.get(here, 1)
        if after == "M" and here != "Z":
            found += [tuple(outline.points[i].tolist()) for i in (first, at - 1)]
    return found


def _dot(x: float, y: float, radius: float, length: float, role: ColourRole, opacity: float) -> RoleShape:
    round_one = disc(x, y, radius)
    cell = Outline(round_one.commands, round_one.points / np.array([length, 1.0]))
    return RoleShape(Shape(cell, fill=Solid("#000000"), stands="flat"), role, opacity=opacity)
