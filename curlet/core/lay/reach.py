"""How far a laid run may lie from its path: what is asserted of everything that is drawn."""

from __future__ import annotations

from collections.abc import Iterator

import numpy as np
from numpy.typing import NDArray

from curlet.core.brush.courses import Row
from curlet.core.brush.rules import Swell
from curlet.core.drawing import Group, Item, Laid, Picture, Stamps
from curlet.core.lay.band import LaidBand
from curlet.core.lay.corners.limit import SHARPEST_CUT, mitre_ratio
from curlet.core.lay.lay import LaidCourse, LaidRun
from curlet.core.lay.row import LaidRow

Floats = NDArray[np.float64]

# What is turned, swayed or stands on a corner reaches as far again as its cell is long and wide.
_ROOM = 2.0
_ROW = 64


def check_reach(run: LaidRun, group: Group) -> None:
    """Assert that nothing of a run lies further from its path's box than the run can reach.

    It is a net, not a measure: it catches artwork that flies, whatever made it fly.
    """
    low, high = run.path.segments.min(axis=(0, 1)), run.path.segments.max(axis=(0, 1))
    reach = max(_reach(run, course) for course in run.courses)
    for points in _points(group):
        if len(points):
            least, most = _box(points)
            far = max(float((low - least).max()), float((most - high).max()))
            assert far <= reach, (
                f"{run.brush.name} lies {far:.3g} mm from its path, whose reach is {reach:.3g}"
            )


def _box(points: Floats) -> tuple[Floats, Floats]:
    """The least and the greatest of (n, 2) points; in long rows, which is many times quicker where there are
    many."""
    whole = len(points) // _ROW * _ROW
    if not points.flags.c_contiguous or not whole:
        return (np.array([points[:, axis].min() for axis in (0, 1)]),
                np.array([points[:, axis].max() for axis in (0, 1)]))  # fmt: skip
    rows, rest = points[:whole].reshape(-1, 2 * _ROW), points[whole:]
    least = np.vstack([rows.min(axis=0).reshape(-1, 2), rest]).min(axis=0)
    return least, np.vstack([rows.max(axis=0).reshape(-1, 2), rest]).max(axis=0)


def _reach(run: LaidRun, course: LaidCourse) -> float:
    swell = _most(course.course.swell)
    if isinstance(course, LaidRow):
        sizes = [motif.width + 2 * motif.overhang for motif in course.motifs]
        length = max(*course.lengths, float((course.repeats.end - course.repeats.start).max(initial=0.0)))
        size = swell * _swayed(course.course) * (max(sizes, default=0.0) + length)
    elif isinstance(course, LaidBand):
        size = swell * course.width
    else:
        size = swell * course.motif.width + run.path.length * 0.05
    sharpest = max((abs(corner.turn) for corner in run.corners), default=0.0)
    mitre = min(mitre_ratio(min(sharpest, SHARPEST_CUT)), run.brush.corners.mitre_limit)
    return float(_ROOM * (abs(course.offset) + size + 1.0) * max(mitre, 1.0))


def _most(swell: Swell) -> float:
    return max([width / 100 for _, width in swell.points], default=1.0)


def _swayed(row: Row) -> float:
    return 1 + sum(abs(rule.amount) / 100 for rule in row.sway if rule.channel in ("size", "along", "across"))


def _points(item: Item) -> Iterator[Floats]:
    if isinstance(item, Group):
        for inner in item.items:
            yield from _points(inner)
    elif isinstance(item, Laid):
        yield from (shape.outline.points for shape in item.shapes)
    elif isinstance(item, Stamps | Picture):
        yield item.placements[:, 4:]
