"""Many paths measured at once, as a taken-in drawing brings them."""

from __future__ import annotations

from collections.abc import Sequence

import numpy as np

from curlet.core.path.arc_length import ArcLength
from curlet.core.path.path import Floats, Path, cubics_between, handle_kinds, turned

_NOUGHT = np.zeros(1)


def measure_together(paths: Sequence[Path]) -> None:
    """Work out lengths, node positions, turns and how the handles lie of many paths; they are asked for one
    by one afterwards."""
    todo = [path for path in {id(path): path for path in paths}.values() if "turns" not in path.__dict__]
    if todo:
        points, into, out = (
            np.concatenate([getattr(path, name) for path in todo]) for name in ("points", "into", "out")
        )
        _handles(todo, points, into, out)
        _lengths(todo, points, into, out)


def _handles(paths: Sequence[Path], points: Floats, into: Floats, out: Floats) -> None:
    kinds, first = handle_kinds(points, into, out), 0
    for path in paths:
        path.__dict__["handles"] = kinds[first : first + len(path.points)]
        first += len(path.points)


def _lengths(paths: Sequence[Path], points: Floats, into: Floats, out: Floats) -> None:
    """One chain with gaps between the paths: its pieces are measured as each path's own would be."""
    counts, closed = np.array([len(path.points) for path in paths]), np.array([path.closed for path in paths])
    lasts, stops = np.cumsum(counts) - 1, np.cumsum(counts - ~closed)
    ahead = np.arange(1, counts.sum() + 1)
    ahead[lasts] = lasts - counts + 1
    here = np.delete(np.arange(counts.sum()), lasts[~closed])
    segments, straight = cubics_between(points, into, out, here, ahead[here])
    chain = ArcLength(segments, straight, closed=False)
    starts, ends = chain.end_tangents
    firsts = np.append(0, stops[:-1])
    before = np.arange(len(starts)) - 1
    before[firsts] = stops - 1
    turns = turned(ends[before], starts)
    turns[firsts[~closed]] = 0.0
    for path, first, stop in zip(paths, firsts.tolist(), stops.tolist(), strict=True):
        positions = np.concatenate([_NOUGHT, np.cumsum(chain.segment_lengths[first:stop])])
        own = turns[first:stop]
        path.__dict__.update(
            chain=(segments[first:stop], straight[first:stop]),
            node_positions=positions,
            length=float(positions[-1]),
            end_tangents=(starts[first:stop], ends[first:stop]),
            turns=own if path.closed else np.concatenate([own, _NOUGHT]),
        )
