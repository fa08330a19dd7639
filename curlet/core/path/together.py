"""Many paths measured at once, as a taken-in drawing brings them."""

from __future__ import annotations

from collections.abc import Sequence

import numpy as np

from curlet.core.path.arc_length import ArcLength
from curlet.core.path.path import Path, turned


def measure_together(paths: Sequence[Path]) -> None:
    """Work out lengths, node positions and turns of many paths; they are asked for one by one afterwards."""
    todo = [path for path in {id(path): path for path in paths}.values() if "turns" not in path.__dict__]
    if not todo:
        return
    # One chain with gaps between the paths: its pieces are measured as each path's own would be.
    chain = ArcLength(
        np.concatenate([path.segments for path in todo]),
        np.concatenate([path.straight for path in todo]),
        closed=False,
    )
    (starts, ends), stops = chain.end_tangents, np.cumsum([len(path.segments) for path in todo])
    firsts = np.append(0, stops[:-1])
    before = np.arange(len(starts)) - 1
    before[firsts] = stops - 1
    turns = turned(ends[before], starts)
    turns[firsts[[not path.closed for path in todo]]] = 0.0
    for path, first, stop in zip(todo, firsts.tolist(), stops.tolist(), strict=True):
        path.__dict__["node_positions"] = np.append(0.0, np.cumsum(chain.segment_lengths[first:stop]))
        path.__dict__["length"] = float(path.node_positions[-1])
        path.__dict__["end_tangents"] = starts[first:stop], ends[first:stop]
        path.__dict__["turns"] = turns[first:stop] if path.closed else np.append(turns[first:stop], 0.0)
