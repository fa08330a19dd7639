"""The flat of a sharp corner: a row beside the path is joined across it, never left open."""

from __future__ import annotations

import math
from functools import partial

import numpy as np
from numpy.typing import NDArray

from curlet.core.lay.corners.axes import CornerAxes
from curlet.core.lay.corners.limit import SHARPEST_CUT, within_limit
from curlet.core.lay.corners.manner import CornerArt, CornerAsk

Floats = NDArray[np.float64]


def across_the_flat(ask: CornerAsk) -> CornerArt | None:
    """Repeats across the flat, eased to fill it with their gaps; None where the row's lines meet by
    themselves or the flat is narrower than a gap."""
    turn = ask.corner.turn
    outside = turn * ask.offset < 0 or (abs(turn) >= SHARPEST_CUT and ask.offset != 0)
    if not outside or within_limit(turn, ask.rule.mitre_limit):
        return None
    width = 2 * abs(ask.offset * math.sin(math.radians(turn) / 2))
    pitch = ask.length + ask.gap
    count = round((width - ask.gap) / pitch) if pitch > 0 else 0
    if count < 1:
        return None
    share = width / (count * pitch + ask.gap)
    starts = share * (ask.gap + pitch * np.arange(count))
    length = share * ask.length
    return CornerArt(tuple(partial(_on_the_flat, start=float(s), length=length) for s in starts))


def _on_the_flat(points: Floats, axes: CornerAxes, start: float, length: float) -> Floats:
    return axes.across(start + points[:, 0] * length, points[:, 1])
