"""Rails across the flat of a corner that is cut past its mitre limit: what runs along the outer edge of a
row's artwork from repeat to repeat goes on along the cut, so that it is not left open there."""

from __future__ import annotations

from collections.abc import Iterator

import numpy as np
from numpy.typing import NDArray

from curlet.core.drawing import Laid, Outline, Shape
from curlet.core.dress.colour import ColourRole, paint_of
from curlet.core.lay.corners.cut import Cut
from curlet.core.lay.corners.manner import Turning
from curlet.core.lay.facing import Local
from curlet.core.lay.row import LaidRow
from curlet.core.motif.edges import Crossing, edge
from curlet.core.motif.motif import Motif

Floats = NDArray[np.float64]

# A rail lies within this share of the artwork's reach from its outer edge.
_NEAR = 0.1
_SAME = 1e-3


def flat_rails(row: LaidRow, local: Local, threads: tuple[str, ...]) -> list[Laid]:
    """The rails across every flat cut of a row whose repeats meet, where the row is as wide as it is set and
    all of its repeats stand alike."""
    flat = any(cut.flat for cut in row.cuts.values())
    if not (flat and row.touching) or row.course.swell.points or not (upright := _upright(local)):
        return []
    found = []
    for room in row.rooms:
        after = (room.leg + 1) % len(row.line.legs)
        cuts = row.cuts.get((room.leg, True)), row.cuts.get((after, False))
        if cuts[0] is None or cuts[1] is None or not cuts[0].flat or not _ends_on_cut(room.stop):
            continue
        for near, far, role in _outer_rails(row, cuts[0].outside, upright):
            corners = _across(row, (room.leg, after), (cuts[0], cuts[1]), near, far)
            found.append(Shape(Outline("MLLLZ", corners), fill=paint_of(role, threads)))
    return [Laid(tuple(found))] if found else []


def _ends_on_cut(stop: Turning) -> bool:
    """Whether what meets a corner ends where it is cut: repeats, or a piece fitted to both legs."""
    return stop.cut or (stop.art is not None and stop.art.kink is not None)


def _upright(local: Local) -> float:
    """1 if all repeats stand as drawn, -1 if all are flipped across, 0 if they differ or are turned."""
    up = float(local.matrix[0, 1, 1]) if len(local.matrix) else 1.0
    across = local.matrix - np.array([[0.0, 0.0], [0.0, up]])
    alike = not across[:, :, 1].any() and not across[:, 1].any() and not local.shift.any()
    return up if alike and abs(up) == 1 else 0.0


def _outer_rails(row: LaidRow, side: float, upright: float) -> Iterator[tuple[float, float, ColourRole]]:
    """Each colour's rail on one side of the path: its inner and its outer height, mm, and its colour."""
    last, first = row.course.sequence[-1], row.course.sequence[0]
    ends = edge(row.motifs[last], row.lengths[last], at_end=True)
    begins = edge(row.motifs[first], row.lengths[first], at_end=False)
    going_on = set(_covered(begins))
    reach = row.reach + abs(row.offset)
    for low, high, role in _covered(ends):
        near, far = sorted(side * (row.offset + upright * height) for height in (low, high))
        meets = (low, high, role) in going_on and _is_plain(row.motifs[last], role)
        if meets and far > (1 - _NEAR) * reach and near >= 0:
            yield near * side, far * side, role


def _is_plain(motif: Motif, role: ColourRole) -> bool:
    """Whether nothing of a colour shows through or changes: what lay over it would be seen."""
    alike = (item for item in motif.shapes if role in (item.role, item.stroke_role))
    return all(item.opacity == 1 and item.gradient is None for item in alike)


def _covered(crossings: tuple[Crossing, ...]) -> Iterator[tuple[float, float, ColourRole]]:
    """What heights each colour covers at an edge of the cell, rounded so that two edges can be compared."""
    areas: dict[ColourRole, list[float]] = {}
    for crossing in crossings:
        if crossing.weight:
            half = crossing.weight / 2
            yield _rounded(crossing.y - half), _rounded(crossing.y + half), crossing.role
        else:
            areas.setdefault(crossing.role, []).append(crossing.y)
    for role, heights in areas.items():
        for low, high in zip(heights[::2], heights[1::2], strict=False):
            yield _rounded(low), _rounded(high), role


def _rounded(height: float) -> float:
    return round(height / _SAME) * _SAME


def _across(row: LaidRow, legs: tuple[int, int], cuts: tuple[Cut, Cut], near: float, far: float) -> Floats:
    """(4, 2) a rail from one leg to the other: along the cut, and to its inside as wide as on the legs."""
    ends = [
        row.line.frames(cut.at(np.array([far])), np.array([leg])).beside(np.array([far]))[0]
        for leg, cut in zip(legs, cuts, strict=True)
    ]
    way = ends[1] - ends[0]
    inward = np.array([-way[1], way[0]]) / max(float(np.hypot(*way)), 1e-9)
    if inward @ cuts[0].along > 0:
        inward = -inward
    inward = inward * abs(far - near)
    return np.array([ends[0], ends[1], ends[1] + inward, ends[0] + inward])
