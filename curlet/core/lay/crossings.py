"""Over and under: which pass of a path lies on top where it crosses itself."""

from __future__ import annotations

from dataclasses import dataclass

import numpy as np
from numpy.typing import NDArray

from curlet.core.drawing import Outline
from curlet.core.path.crossings import Crossing, find_crossings
from curlet.core.path.path import Path

Floats = NDArray[np.float64]

SHALLOW = 15.0
_SIDES = 9
_FAR = 4.0


@dataclass(frozen=True)
class Pass:
    """A crossing with the arc length of its upper pass; `conflict` where alternation fails."""

    crossing: Crossing
    over: float
    conflict: bool


def passes(path: Path, flips: frozenset[str]) -> tuple[Pass, ...]:
    """Alternately over and under along the path: the first visit decides, the second is the opposite.

    On a closed curve that always works out (each loop meets an even number of crossings); on an
    open one a visit may come to the wrong turn, which is told.
    """
    crossings = find_crossings(path)
    visits = sorted(
        [(c.first, i, True) for i, c in enumerate(crossings)]
        + [(c.second, i, False) for i, c in enumerate(crossings)]
    )
    first_over: dict[int, bool] = {}
    conflicts: set[int] = set()
    over = True
    for _, index, first in visits:
        if first:
            first_over[index] = over
        elif first_over[index] == over:
            conflicts.add(index)
        over = not over
    return tuple(
        Pass(c, c.first if first_over[i] != (c.key in flips) else c.second, i in conflicts)
        for i, c in enumerate(crossings)
    )


def half_length(crossing: Crossing, reach: float, clearance: float) -> float:
    """How much of the upper pass, to either side, covers the lower one: (h + c)/sin ψ + h/tan ψ."""
    angle = np.radians(max(crossing.angle, SHALLOW))
    return float((reach + clearance) / np.sin(angle) + reach / np.tan(angle))


def strip(path: Path, s: float, half: float, reach: float) -> Outline:
    """The strip of an upper pass, wound against a clip's frame so that it is left out of it."""
    places = s + np.linspace(-half, half, _SIDES)
    points, along, _ = path.arc.axes(path.arc.wrap(places))
    across = np.stack([-along[:, 1], along[:, 0]], axis=1) * reach
    ring = np.concatenate([points + across, (points - across)[::-1]])
    return Outline("M" + "L" * (len(ring) - 1) + "Z", ring)


def all_but(path: Path, strips: list[Outline], reach: float) -> Outline:
    """Everything about a path except strips."""
    low = path.segments.min(axis=(0, 1)) - _FAR * reach - 1
    high = path.segments.max(axis=(0, 1)) + _FAR * reach + 1
    frame = np.array([low, [high[0], low[1]], high, [low[0], high[1]]])
    outlines = [Outline("MLLLZ", frame), *strips]
    return Outline(
        "".join(outline.commands for outline in outlines),
        np.concatenate([outline.points for outline in outlines]),
    )
