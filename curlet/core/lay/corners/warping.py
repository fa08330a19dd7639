"""Artwork of a corner's cell, warped on to its two legs."""

from __future__ import annotations

from collections.abc import Callable, Sequence

import numpy as np
from numpy.typing import NDArray

from curlet.core.drawing import Outline
from curlet.core.path.contours import Contour
from curlet.core.path.cubics import cut_where, points_on, through
from curlet.core.path.halving import mapped_in_halves
from curlet.core.path.outline import bridged

Floats = NDArray[np.float64]
Ints = NDArray[np.intp]
Bools = NDArray[np.bool_]
Kink = tuple[float, float, float]
# From (k, 2) points of the cell to (k, 2) mm on the sheet.
OnSheet = Callable[[Floats], Floats]

# The places of a segment that its cubic on the sheet goes through, those at which it is looked at, and its
# ends as they are seen from within it.
_THROUGH = np.arange(4) / 3
_BETWEEN = np.arange(1, 12, 2) / 12
_WITHIN = np.array([1e-6, 1 - 1e-6])
# Further than a warp goes within so little of a segment, mm.
_JUMP = 1e-3
_DEEPEST = 10
# Between the places that are looked at a cubic may err a little more.
_LOOKED = 0.5


def warped(
    parts: Sequence[Sequence[Contour]], warp: OnSheet, kink: Kink | None, tolerance: float
) -> list[Outline]:
    """Outlines of a cell, each by its contours, on the sheet, all of them at once.

    Parameters
    ----------
    kink : a, b, c of the line a·x + b·y = c in the cell on which the warp turns sharply, if it does.
    tolerance : how far what is drawn may lie from where it should, mm.
    """
    chains = [_cut_at_kink(contour.cubics, kink) for each in parts for contour in each]
    if not chains:
        return [Outline("", np.zeros((0, 2))) for _ in parts]

    def placed(pieces: Floats, _: Ints) -> tuple[Floats, Bools]:
        return _placed(pieces, warp, tolerance)

    whose, cubics = mapped_in_halves(np.concatenate(chains), placed, _DEEPEST)
    first = np.cumsum([0, *(len(chain) for chain in chains)])
    edges = iter(np.searchsorted(whose, first).tolist())
    start, found = next(edges), []
    for each in parts:
        commands, pieces = "", []
        for contour in each:
            end = next(edges)
            outline = bridged(cubics[start:end], contour.closed)
            start = end
            pieces.append(outline.points)
            commands += outline.commands
        found.append(Outline(commands, np.concatenate(pieces) if pieces else np.zeros((0, 2))))
    return found


def _placed(cubics: Floats, warp: OnSheet, tolerance: float) -> tuple[Floats, Bools]:
    """(k, 4, 2) cubics on the sheet, and (k,) whether they lie within the tolerance. Where a warp jumps, as
    it does where a corner is cut flat, a segment ends at what is seen from within it."""
    at = points_on(cubics, np.concatenate([_THROUGH, _BETWEEN, _WITHIN]))
    there = warp(at.reshape(-1, 2)).reshape(at.shape)
    known, between, within = np.split(there, [len(_THROUGH), len(_THROUGH) + len(_BETWEEN)], axis=1)
    jumps = np.abs(within - known[:, [0, -1]]).max(axis=2) > _JUMP
    known[jumps[:, 0], 0], known[jumps[:, 1], -1] = within[jumps[:, 0], 0], within[jumps[:, 1], 1]
    placed = through(known)
    error = np.abs(points_on(placed, _BETWEEN) - between).max(axis=(1, 2))
    return placed, np.asarray(error <= _LOOKED * tolerance)


def _cut_at_kink(cubics: Floats, kink: Kink | None) -> Floats:
    """Segments cut where the warp turns sharply."""
    if kink is None:
        return cubics
    a, b, c = kink
    across, at = np.array([a, b]), np.array([c])
    side = cubics @ across
    crosses = (side.min(axis=1) < c) & (side.max(axis=1) > c)
    if not crosses.any():
        return cubics
    pieces: list[Floats] = []
    for cubic, hit in zip(cubics, crosses, strict=True):
        pieces += cut_where(cubic, across, at) if hit else [cubic]
    return np.array(pieces)
