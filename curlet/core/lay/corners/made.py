"""Corner pieces made from the repeat: mitred, folded, turned or gathered."""

from __future__ import annotations

import math
from collections.abc import Callable
from dataclasses import replace
from functools import partial

import numpy as np
from numpy.typing import NDArray

from curlet.core.lay.corners.axes import CornerAxes
from curlet.core.lay.corners.manner import CornerArt, CornerAsk, Turning
from curlet.core.lay.corners.mitre import within_limit

Floats = NDArray[np.float64]

# A gathered corner is longer than its inner side needs in order to turn, so that it does not fold.
_ROOM = 1.2
# Past so sharp a turn, degrees, both legs would lie over each other on its inner side.
_SHARPEST_GATHERED = 110.0


def mitred(ask: CornerAsk) -> Turning:
    """Both legs cut on the bisector."""
    return Turning(cut=True, half_gap=True)


def folded(ask: CornerAsk) -> Turning:
    """The trim runs on to its far edge and is folded over: the leg that goes on lies on top, and a
    crease shows on the bisector."""
    cut = within_limit(ask.corner.turn, ask.rule.mitre_limit)
    return Turning(cut=cut, half_gap=True, folded=cut)


def turned(ask: CornerAsk) -> Turning:
    """One repeat stands on the corner, turned by half of it; its neighbours end where its cell begins."""
    half = math.radians(ask.corner.turn) / 2
    cell = ask.length / 2 * math.cos(half) + ask.reach * abs(math.sin(half))
    take = cell + max(ask.gap, 0.0)
    return Turning(take=take, art=CornerArt((partial(_on_the_corner, length=ask.length, reach=take),)))


def gathered(ask: CornerAsk) -> Turning:
    """Lace or ruffle gathered round the corner: `fullness` times the length of edge that it covers,
    fanned evenly through the turn. An even count, so that the corner falls between two repeats. A turn that
    is too sharp for its inner side is mitred."""
    if ask.short > 0 and abs(ask.corner.turn) > _SHARPEST_GATHERED:
        return replace(mitred(ask), gave_way=True)
    turn = math.radians(ask.corner.turn)
    pitch = max(ask.length + ask.gap, 1e-6)
    reach = max(ask.reach * abs(turn) / 2 * _ROOM, pitch / ask.rule.fullness)
    count = 2 * max(1, round(ask.rule.fullness * reach / pitch))
    share = min(ask.length / pitch, 1.0) / count
    starts = (np.arange(count) + 0.5) / count - share / 2
    warps = tuple(partial(_fanned, start=float(s), share=share, reach=reach, turn=turn) for s in starts)
    return Turning(take=reach, art=CornerArt(warps))


MADE: dict[str, Callable[[CornerAsk], Turning]] = {
    "mitred": mitred,
    "folded": folded,
    "turned": turned,
    "gathered": gathered,
}


def _on_the_corner(points: Floats, axes: CornerAxes, length: float, reach: float) -> Floats:
    return axes.standing((points[:, 0] - 0.5) * length, points[:, 1], reach)


def _fanned(
    points: Floats, axes: CornerAxes, start: float, share: float, reach: float, turn: float
) -> Floats:
    """The baseline keeps to both legs while the way across turns evenly from one to the other."""
    u = start + share * points[:, 0]
    onward = u > 0.5
    lean = np.where(onward, turn * (u - 1), turn * u)
    return axes.fanned(onward, (2 * u - 1) * reach, lean, points[:, 1])
