"""Many paths measured at once, as a taken-in drawing brings them."""

from __future__ import annotations

from collections.abc import Sequence

import numpy as np
from numpy.typing import NDArray

from curlet.core.path.arc_length import ArcLength
from curlet.core.path.path import Floats, Ints, Path, cubics_between, turned

_PLACES = ("points", "into", "out")
_NOUGHT = np.zeros(1)


def measure_together(paths: Sequence[Path]) -> None:
    """Work out lengths, node positions and turns of many paths; they are asked for one by one afterwards."""
    todo = [path for path in {id(path): path for path in paths}.values() if "turns" not in path.__dict__]
    if not todo:
        return
    chains, stops = _chains(todo)
    firsts = np.append(0, stops[:-1])
    # One chain with gaps between the paths: its pieces are measured as each path's own would be.
    whole = ArcLength(*chains, closed=False)
    starts, ends = whole.end_tangents
    before = np.arange(len(starts)) - 1
    before[firsts] = stops - 1
    turns = turned(ends[before], starts)
    turns[firsts[[not path.closed for path in todo]]] = 0.0
    for path, first, stop in zip(todo, firsts.tolist(), stops.tolist(), strict=True):
        path.__dict__["chain"] = chains[0][first:stop], chains[1][first:stop]
        path.__dict__["node_positions"] = np.concatenate(
            [_NOUGHT, np.cumsum(whole.segment_lengths[first:stop])]
        )
        path.__dict__["length"] = float(path.node_positions[-1])
        path.__dict__["end_tangents"] = starts[first:stop], ends[first:stop]
        own = turns[first:stop]
        path.__dict__["turns"] = own if path.closed else np.concatenate([own, _NOUGHT])


def _chains(paths: Sequence[Path]) -> tuple[tuple[Floats, NDArray[np.bool_]], Ints]:
    """The segments of all paths one after the other, whether each is straight, and where each path's end."""
    points, into, out = (np.concatenate([getattr(path, name) for path in paths]) for name in _PLACES)
    counts, closed = np.array([len(path.points) for path in paths]), np.array([path.closed for path in paths])
    lasts = np.cumsum(counts) - 1
    ahead = np.arange(1, len(points) + 1)
    ahead[lasts] = lasts - counts + 1
    here = np.delete(np.arange(len(points)), lasts[~closed])
    return cubics_between(points, into, out, here, ahead[here]), np.cumsum(counts - ~closed)
