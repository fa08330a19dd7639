"""From a laid run to the drawing's groups."""

from __future__ import annotations

from curlet.core.drawing import Group, Stamps
from curlet.core.dress.colour import dress
from curlet.core.lay.lay import LaidRun


def draw_run(run: LaidRun, group_id: str, title: str) -> Group:
    """A group with one set of stamps per course, bottom to top."""
    items = tuple(
        Stamps(dress(laid.motif.shapes, run.brush.threads), laid.placements.matrices())
        for laid in run.courses
    )
    return Group(group_id, title, items, facts={"brush": run.brush.name})
