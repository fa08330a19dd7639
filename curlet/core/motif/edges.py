"""Edge check: where one piece ends and the next begins, do their outlines meet?

At an edge every shape is cut by the line across the cell. Where the cuts of the two pieces differ, a step
shows on the garment: pieces end to end need equal widths where they meet (common practice).
"""

from __future__ import annotations

import math
from collections import defaultdict
from dataclasses import dataclass

import numpy as np
from numpy.typing import NDArray

from curlet.core.drawing import Outline
from curlet.core.dress.colour import ColourRole, RoleShape
from curlet.core.motif.motif import Motif, reshaped
from curlet.core.path.contours import contours

Floats = NDArray[np.float64]

STEP = 1e-6
TILT = 2.0
# What reaches further past an edge than this lies over the neighbour, mm.
_OVERLAP = 0.08
# So near the edge its cut is taken, as a share of the cell.
_NEAR = 1e-9


@dataclass(frozen=True)
class Crossing:
    """Where an outline passes an edge: `y` mm across, `tilt` its slope there in degrees, its colour, and
    its weight if it is a line."""

    y: float
    tilt: float
    role: ColourRole
    weight: float = 0.0


@dataclass(frozen=True)
class Mismatch:
    """What does not meet.

    `what` is "width" (the two pieces' outer edges differ), "step" (an outline and its match), "bend" (a
    change of direction) or "open" (an outline that has no match); `size` is mm, or degrees for a bend.
    Widths and steps are faults; the others may be meant.
    """

    what: str
    y: float
    other: float | None
    size: float

    @property
    def fault(self) -> bool:
        return self.what in ("width", "step")


def edge(motif: Motif, length: float, *, at_end: bool) -> tuple[Crossing, ...]:
    """Every crossing of a motif's outlines with its entry or exit edge, by height.

    What overlaps the neighbour is left out: it lies over it and does not join it.

    Parameters
    ----------
    length : of the cell, mm, for the slopes.
    """
    at = 1 - _NEAR if at_end else _NEAR
    lap = _OVERLAP / length
    found = [
        crossing
        for item in motif.shapes
        if not (item.over or _overlaps(item, lap, at_end=at_end))
        for crossing in _crossings(item, at, length)
    ]
    return tuple(sorted(found, key=lambda crossing: crossing.y))


def _overlaps(item: RoleShape, lap: float, *, at_end: bool) -> bool:
    x = item.shape.outline.points[:, 0]
    return bool(x.max() > 1 + lap) if at_end else bool(x.min() < -lap)


def silhouette(motif: Motif, length: float, *, at_end: bool) -> tuple[float, float] | None:
    """The outermost edges of a motif at its entry or exit, mm across; None where nothing reaches it."""
    found = edge(motif, length, at_end=at_end)
    if not found:
        return None
    return min(c.y - c.weight / 2 for c in found), max(c.y + c.weight / 2 for c in found)


def compare(
    leaving: tuple[Crossing, ...], entering: tuple[Crossing, ...], *, alike: bool
) -> tuple[Mismatch, ...]:
    """What does not meet between one piece's exit edge and the next one's entry edge.

    Parameters
    ----------
    alike : whether both are repeats, so that every outline has its match; else only their outer edges
        have to meet.
    """
    found = _widths(leaving, entering)
    if not alike:
        return found
    ours, theirs = _by_look(leaving), _by_look(entering)
    inner: list[Mismatch] = []
    for look in {**ours, **theirs}:
        a, b = ours.get(look, []), theirs.get(look, [])
        if len(a) == len(b):
            inner += [m for one, other in zip(a, b, strict=True) for m in _between(one, other)]
        else:
            inner += _open(a, b)
    return (*found, *inner)


def _widths(leaving: tuple[Crossing, ...], entering: tuple[Crossing, ...]) -> tuple[Mismatch, ...]:
    """Where the outermost edges of the two pieces differ."""
    if not leaving or not entering:
        return ()
    found = []
    for sign in (-1, 1):
        a, b = (max(sign * c.y + c.weight / 2 for c in side) * sign for side in (leaving, entering))
        if abs(a - b) > STEP:
            found.append(Mismatch("width", a, b, abs(a - b)))
    return tuple(found)


def _between(one: Crossing, other: Crossing) -> list[Mismatch]:
    step = abs(one.y - other.y)
    if step > STEP:
        return [Mismatch("step", one.y, other.y, step)]
    bend = abs(one.tilt - other.tilt)
    bend = min(bend, 180 - bend)
    return [Mismatch("bend", one.y, other.y, bend)] if bend > TILT else []


def _open(leaving: list[Crossing], entering: list[Crossing]) -> list[Mismatch]:
    """Crossings that have no match at their height."""
    heights = ([c.y for c in leaving], [c.y for c in entering])
    return [
        Mismatch("open", y, None, 0.0)
        for own, other in (heights, heights[::-1])
        for y in own
        if min((abs(y - there) for there in other), default=math.inf) > STEP
    ]


def _by_look(crossings: tuple[Crossing, ...]) -> dict[tuple[ColourRole, float], list[Crossing]]:
    found: dict[tuple[ColourRole, float], list[Crossing]] = defaultdict(list)
    for crossing in crossings:
        found[crossing.role, round(crossing.weight, 9)].append(crossing)
    return found


def _crossings(item: RoleShape, at: float, length: float) -> list[Crossing]:
    shape, found = item.shape, []
    for y, tilt in _cuts(shape.outline, at, length):
        if shape.fill is not None:
            found.append(Crossing(y, tilt, item.role))
        if shape.stroke is not None:
            role = item.stroke_role or item.role
            found.append(Crossing(y, tilt, role, shape.stroke.weight))
    return found


def _cuts(outline: Outline, at: float, length: float) -> list[tuple[float, float]]:
    """(y, tilt) of every passing of an outline through a place along the cell."""
    found = []
    for contour in contours(outline):
        for cubic in contour.cubics:
            found += [_cut(cubic, t, length) for t in _passings(cubic[:, 0], at)]
    return found


def _passings(x: Floats, at: float) -> list[float]:
    if x.min() > at or x.max() < at or np.ptp(x) < 1e-12:
        return []
    x0, x1, x2, x3 = x.tolist()
    roots = np.roots([x3 - 3 * x2 + 3 * x1 - x0, 3 * (x2 - 2 * x1 + x0), 3 * (x1 - x0), x0 - at])
    real = roots[np.abs(roots.imag) < 1e-7].real
    # Half open, so that a node on the line is met once.
    return [float(t) for t in real if -1e-12 <= t < 1 - 1e-12]


def _cut(cubic: Floats, t: float, length: float) -> tuple[float, float]:
    u = 1 - t
    y = float(np.array([u**3, 3 * u * u * t, 3 * u * t * t, t**3]) @ cubic[:, 1])
    rate = np.array([-3 * u * u, 3 * u * u - 6 * u * t, 6 * u * t - 3 * t * t, 3 * t * t]) @ cubic
    dx, dy = float(rate[0]) * length, float(rate[1])
    return y, math.degrees(math.atan2(dy, dx)) if dx >= 0 else math.degrees(math.atan2(-dy, -dx))


def corner_exit(motif: Motif, length: float) -> Motif:
    """A square corner piece turned so that its exit edge is an entry edge's match: x runs up its outgoing
    leg to 1 at the edge, y across it."""

    def turned(points: Floats) -> Floats:
        return np.stack([points[:, 1] / length, (1 - points[:, 0]) * length], axis=1)

    return reshaped(motif, turned)
