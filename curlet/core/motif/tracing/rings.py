"""From a field of pixels to rings: the edges of areas, to a fraction of a pixel, then as fitted outlines."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass
from typing import cast

import contourpy
import numpy as np
from numpy.typing import NDArray

from curlet.core.drawing import Outline
from curlet.core.path.fit_cubics import fit_cubics

Floats = NDArray[np.float64]
Ints = NDArray[np.intp]

# How far to either side a turn of the outline is measured, and over which the edges beside a corner are
# taken to be straight, px.
_REACH = 3.5
_SIDE = (1.5, 5.0)
# A corner is rounded off by the pixels; it is put back where its sides meet if that is not further, px.
_ROUNDED = 2.0
# Points nearer together than this tell nothing of the outline, px.
_CLOSE = 0.5
# A cubic whose handles lie this near its chord is a line, as a share of the tolerance.
_STRAIGHT = 0.5


@dataclass(frozen=True, eq=False)
class Area:
    """One connected area: its outer ring, then its holes; (n, 2) points each, px, closed."""

    rings: tuple[Floats, ...]
    size: float

    @property
    def box(self) -> tuple[float, float, float, float]:
        """left, top, right, foot, px."""
        low, high = self.rings[0].min(axis=0), self.rings[0].max(axis=0)
        return float(low[0]), float(low[1]), float(high[0]), float(high[1])


def areas_above(field: Floats, level: float, specks: float) -> list[Area]:
    """Connected areas where a (rows, columns) field is above a level, largest first.

    Parameters
    ----------
    specks : areas smaller than this are left out and smaller holes filled, px².
    """
    around = np.pad(field, 1, constant_values=min(float(field.min()), level) - 1e-3)
    # The picture's own edge stays where it is: halfway between what is on it and what is beyond.
    around[[0, -1], :] = np.minimum(around[[0, -1], :], 2 * level - around[[1, -2], :])
    around[:, [0, -1]] = np.minimum(around[:, [0, -1]], 2 * level - around[:, [1, -2]])
    made = contourpy.contour_generator(z=around, fill_type=contourpy.FillType.OuterOffset)
    points, offsets = cast(tuple[list[Floats], list[Ints]], made.filled(level, np.inf))
    found = []
    for at, cuts in zip(points, offsets, strict=True):
        rings = [at[a:b] - 0.5 for a, b in zip(cuts[:-1], cuts[1:], strict=True)]
        sizes = [abs(_signed(ring)) for ring in rings]
        kept = [ring for ring, size in zip(rings[1:], sizes[1:], strict=True) if size >= max(specks, 0.5)]
        whole = sizes[0] - sum(abs(_signed(ring)) for ring in kept)
        if sizes[0] >= max(specks, 1.0):
            found.append(Area((rings[0], *kept), whole))
    return sorted(found, key=lambda area: -area.size)


def _signed(ring: Floats) -> float:
    x, y = ring[:, 0] - ring[0, 0], ring[:, 1] - ring[0, 1]
    return float((x[:-1] * y[1:] - x[1:] * y[:-1]).sum() / 2)


Window = tuple[slice, slice]


def window_of(area: Area, shape: tuple[int, ...]) -> Window:
    """The rows and columns of a picture that an area reaches into."""
    left, top, right, foot = area.box
    rows, columns = shape[:2]
    return slice(max(int(top), 0), min(int(foot) + 1, rows)), slice(
        max(int(left), 0), min(int(right) + 1, columns)
    )


def pixels_within(area: Area, mask: NDArray[np.bool_]) -> NDArray[np.bool_]:
    """The pixels of a (rows, columns) mask whose middles lie in an area, within its window."""
    window = window_of(area, mask.shape)
    (y0, y1), (x0, x1) = ((part.start, part.stop) for part in window)
    middle = np.arange(y0, y1) + 0.5
    flips = np.zeros((y1 - y0, x1 - x0 + 1), dtype=np.int32)
    for ring in area.rings:
        # Each side of a ring crosses the middles of a few rows: to the right of it in and out swap.
        a, b = ring[:-1], ring[1:]
        low, high = np.minimum(a[:, 1], b[:, 1]), np.maximum(a[:, 1], b[:, 1])
        first = np.searchsorted(middle, low)
        counts = np.searchsorted(middle, high) - first
        side = np.repeat(np.arange(len(a)), counts)
        row = np.arange(len(side)) - np.repeat(np.cumsum(counts) - counts, counts) + first[side]
        t = (middle[row] - a[side, 1]) / (b[side, 1] - a[side, 1])
        x = a[side, 0] + t * (b[side, 0] - a[side, 0])
        column = np.clip(np.ceil(x - 0.5).astype(np.intp) - x0, 0, x1 - x0)
        np.add.at(flips, (row, column), 1)
    odd = np.cumsum(flips, axis=1)[:, :-1] & 1
    return np.asarray(odd.astype(bool) & mask[window])


def outlines_of(areas: Sequence[Area], corner: float, tolerance: float) -> list[Outline]:
    """An outline for each area, its curves fitted.

    Parameters
    ----------
    corner : turns above this stay sharp, degrees.
    tolerance : how far the curves may lie from the rings, px.
    """
    rings = [ring for area in areas for ring in area.rings]
    lines, breaks = [], []
    for ring in rings:
        line, sharp = _with_corners(_thinned(ring), corner)
        lines.append(line)
        breaks.append(sharp)
    fitted = iter(fit_cubics(lines, breaks, tolerance))
    return [_outline([next(fitted) for _ in area.rings], tolerance) for area in areas]


def _thinned(ring: Floats) -> Floats:
    """The ring without its points that lie upon one another."""
    steps = np.hypot(*np.diff(ring, axis=0).T)
    along = np.concatenate([[0.0], np.cumsum(steps)])
    kept = np.unique(np.searchsorted(along, np.arange(0.0, along[-1], _CLOSE)))
    kept = kept[kept < len(ring) - 1]
    return np.concatenate([ring[kept], ring[:1]]) if len(kept) > 3 else ring


def _with_corners(ring: Floats, corner: float) -> tuple[Floats, Ints]:
    """The ring begun at a corner if it has one, its corners put back, and their indices."""
    along = np.concatenate([[0.0], np.cumsum(np.hypot(*np.diff(ring, axis=0).T))])
    sharp = _corners(ring, along, corner)
    if not len(sharp):
        return ring, sharp
    line = ring[:-1].copy()
    line[sharp] = _put_back(ring, along, sharp)
    line = np.roll(line, -int(sharp[0]), axis=0)
    return np.concatenate([line, line[:1]]), sharp - sharp[0]


def _corners(ring: Floats, along: Floats, corner: float) -> Ints:
    """Indices of points at which a ring turns by more than an angle, the sharpest of each few."""
    whole = float(along[-1])
    if whole < 6 * _REACH:
        return np.zeros(0, dtype=np.intp)
    into = ring[:-1] - _at(ring, along, along[:-1] - _REACH)
    out = _at(ring, along, along[:-1] + _REACH) - ring[:-1]
    cross = into[:, 0] * out[:, 1] - into[:, 1] * out[:, 0]
    turn = np.degrees(np.abs(np.arctan2(cross, (into * out).sum(axis=1))))
    there = np.flatnonzero(turn >= corner)
    apart = 1.5 * _REACH
    bins = max(int(whole / apart), 3)
    taken: dict[int, float] = {}
    found = []
    for index in there[np.argsort(-turn[there], kind="stable")].tolist():
        s = float(along[index])
        place = int(s / whole * bins)
        near = [taken[b % bins] for b in (place - 1, place, place + 1) if b % bins in taken]
        if all(min(abs(t - s), whole - abs(t - s)) > apart for t in near):
            taken[place] = s
            found.append(index)
    return np.sort(np.array(found, dtype=np.intp))


def _at(ring: Floats, along: Floats, s: Floats) -> Floats:
    s = np.mod(s, along[-1])
    return np.stack([np.interp(s, along, ring[:, 0]), np.interp(s, along, ring[:, 1])], axis=-1)


def _put_back(ring: Floats, along: Floats, sharp: Ints) -> Floats:
    """Where the two sides of each corner meet, if that is near the point at which the ring turns."""
    here, (near, far) = ring[sharp], _SIDE
    a, b, c, d = (_at(ring, along, along[sharp] + by) for by in (-far, -near, near, far))
    into, out, across = b - a, d - c, c - a
    cross = into[:, 0] * out[:, 1] - into[:, 1] * out[:, 0]
    safe = np.where(np.abs(cross) > 1e-9, cross, np.inf)
    t = (across[:, 0] * out[:, 1] - across[:, 1] * out[:, 0]) / safe
    meet = a + t[:, None] * into
    good = (np.hypot(*(meet - here).T) <= _ROUNDED) & (np.abs(cross) > 1e-9)
    return np.where(good[:, None], meet, here)


def _outline(rings: list[Floats], tolerance: float) -> Outline:
    commands, points = "", []
    for cubics in rings:
        commands += "M"
        points.append(cubics[:1, 0])
        for cubic, straight in zip(cubics, _straight(cubics, tolerance), strict=True):
            commands += "L" if straight else "C"
            points.append(cubic[3:] if straight else cubic[1:])
        commands += "Z"
    return Outline(commands, np.concatenate(points))


def _straight(cubics: Floats, tolerance: float) -> NDArray[np.bool_]:
    chord = cubics[:, 3] - cubics[:, 0]
    long = np.maximum(np.hypot(*chord.T), 1e-12)
    arms = cubics[:, 1:3] - cubics[:, :1]
    off = np.abs(arms[..., 0] * chord[:, None, 1] - arms[..., 1] * chord[:, None, 0]) / long[:, None]
    return np.asarray(off.max(axis=1) < _STRAIGHT * tolerance)
