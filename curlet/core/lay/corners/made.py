"""Corner pieces made from the repeat: mitred, folded, turned or gathered."""

from __future__ import annotations

import math
from collections.abc import Callable
from dataclasses import dataclass, replace
from functools import partial

import numpy as np
from numpy.typing import NDArray

from curlet.core.lay.corners.axes import CornerAxes
from curlet.core.lay.corners.limit import within_limit
from curlet.core.lay.corners.manner import CornerArt, CornerAsk, Turning
from curlet.core.motif.edges import edge
from curlet.core.path.contours import contours
from curlet.core.path.cubics import points_on

Floats = NDArray[np.float64]

_SAMPLES = np.linspace(0, 1, 9)
# A gathered corner is longer than its inner side needs in order to turn, so that it does not fold.
_ROOM = 1.2
# Past so sharp a turn, degrees, both legs would lie over each other on its inner side.
_SHARPEST_GATHERED = 110.0
# What lies further out than this share of the reach lies along an edge.
_ALONG = 0.8


def mitred(ask: CornerAsk) -> Turning:
    """Both legs cut on the bisector."""
    return Turning(cut=True, gap=0.5)


def folded(ask: CornerAsk) -> Turning:
    """The trim runs on to its far edge and is folded over: the leg that goes on lies on top, and a
    crease shows on the bisector."""
    cut = within_limit(ask.corner.turn, ask.rule.mitre_limit)
    return Turning(cut=cut, gap=0.5, folded=cut)


def turned(ask: CornerAsk) -> Turning:
    """One repeat stands on the corner, turned by half of it; its neighbours end where it begins."""
    take = _reach_along_legs(ask)
    art = CornerArt((partial(_on_the_corner, length=ask.length, reach=take),))
    return Turning(take=take, gap=1.0, art=art)


def _reach_along_legs(ask: CornerAsk) -> float:
    """How far along the legs a repeat reaches that stands on their corner, mm: a round bead by its radius,
    however it is turned."""
    half = math.radians(ask.corner.turn) / 2
    if ask.motif.picture or not ask.motif.shapes:
        return ask.length / 2 * math.cos(half) + ask.reach * abs(math.sin(half))
    far = 0.0
    for shape in (item.shape for item in ask.motif.shapes):
        edge = shape.stroke.weight / 2 if shape.stroke else 0.0
        for part in contours(shape.outline):
            x, y = points_on(part.cubics, _SAMPLES).reshape(-1, 2).T
            along, across = (np.clip(x, 0, 1) - 0.5) * ask.length, y * math.sin(half)
            far = max(far, float((np.abs(along) * math.cos(half) + across).max()) + edge)
    return far


def gathered(ask: CornerAsk) -> Turning:
    """Lace or ruffle gathered round the corner: `fullness` times the length of edge that it covers,
    fanned evenly through the turn. An even count, so that the corner falls between two repeats. Where a
    turn is too sharp for its inner side, what hangs from a heading there is spread about the heading's own
    corner; all else is mitred."""
    turn = math.radians(ask.corner.turn)
    pitch = max(ask.length + ask.gap, 1e-6)
    if ask.short > 0 and abs(ask.corner.turn) > _SHARPEST_GATHERED:
        return _spread_out(ask, pitch) if _hangs_from(ask) else replace(mitred(ask), gave_way=True)
    reach = max(ask.reach * abs(turn) / 2 * _ROOM, pitch / ask.rule.fullness)
    count = 2 * max(1, round(ask.rule.fullness * reach / pitch))
    share = min(ask.length / pitch, 1.0) / count
    starts = (np.arange(count) + 0.5) / count - share / 2
    warps = tuple(partial(_fanned, start=float(s), share=share, reach=reach, turn=turn) for s in starts)
    return Turning(take=reach, art=CornerArt(warps))


def _spread_out(ask: CornerAsk, pitch: float) -> Turning:
    """Repeats fanned about the point where the inner edges of both legs meet: as many as an arc of half the
    artwork's reach has room for."""
    turn = abs(math.radians(ask.corner.turn))
    count = 2 * max(1, round(ask.rule.fullness * ask.reach * turn / pitch / 2))
    share = min(ask.length / pitch, 1.0) / count
    starts = (np.arange(count) + 0.5) / count - share / 2
    pivot = ask.side * ask.reach
    warp = partial(_about_a_point, share=share, pivot=pivot, take=ask.short)
    warps = tuple(partial(warp, start=float(s)) for s in starts)
    return Turning(take=ask.short, art=CornerArt(warps))


def _hangs_from(ask: CornerAsk) -> bool:
    """Whether what goes on from repeat to repeat lies along the inner edge, and nothing along the outer."""
    side = -ask.side if ask.flipped else ask.side
    heights = [crossing.y * side for crossing in edge(ask.motif, ask.length, at_end=True)]
    return bool(heights) and max(heights) > _ALONG * ask.reach and min(heights) > -_ALONG * ask.reach


@dataclass(frozen=True)
class Made:
    """A way to make a corner from the repeat: what it is called, its settings, and what it does."""

    label: str
    turning: Callable[[CornerAsk], Turning]
    settings: tuple[str, ...] = ()


MADE = {
    "mitred": Made("Mitred", mitred),
    "folded": Made("Folded", folded),
    "turned": Made("Turned", turned),
    "gathered": Made("Gathered", gathered, ("fullness",)),
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


def _about_a_point(
    points: Floats, axes: CornerAxes, start: float, share: float, pivot: float, take: float
) -> Floats:
    return axes.spread(start + share * points[:, 0], points[:, 1], pivot, take)
