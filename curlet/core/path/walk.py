"""How a path is walked: from another start point, or opened there."""

from __future__ import annotations

import numpy as np

from curlet.core.errors import BadInput
from curlet.core.path.cubics import split
from curlet.core.path.path import Path

START_NODE = "start"
_SAME = 1e-6


def started_at(path: Path, s: float) -> Path:
    """A closed path with its start point slid by s mm; a node is put there where there is none."""
    if not path.closed or not np.isfinite(s):
        raise BadInput("Only a closed path's start point slides.")
    s = float(path.arc.wrap([s])[0])
    positions = path.arc.node_positions
    near = int(np.argmin(np.abs(positions - s)))
    if abs(positions[near] - s) > _SAME:
        path, near = _divided(path, s)
    near %= len(path.points)
    order = np.roll(np.arange(len(path.points)), -near)
    ids = tuple(path.node_ids[i] for i in order)
    return Path(ids, path.points[order], path.into[order], path.out[order], True, path.notes)


def _divided(path: Path, s: float) -> tuple[Path, int]:
    segments, parameters = path.arc.locate([s])
    segment, t = int(segments[0]), float(parameters[0])
    before, after = split(path.segments[segment], t)
    middle = after[0]
    ahead, at = (segment + 1) % len(path.points), segment + 1
    into, out = path.into.copy(), path.out.copy()
    node_into = node_out = middle
    if not path.straight[segment]:
        out[segment], into[ahead] = before[1], after[2]
        node_into, node_out = before[2], after[1]
    ids = (*path.node_ids[:at], START_NODE, *path.node_ids[at:])
    points = np.insert(path.points, at, middle, axis=0)
    into, out = np.insert(into, at, node_into, axis=0), np.insert(out, at, node_out, axis=0)
    return Path(ids, points, into, out, path.closed, path.notes), at


def opened(path: Path, width: float) -> Path:
    """A closed path opened at its start point by `width` mm: it then has ends.

    Raises
    ------
    BadInput
        If the opening is not shorter than the path.
    """
    if not path.closed:
        return path
    if not 0 <= width < path.length - _SAME:
        raise BadInput("The opening is to be shorter than the path, and not below 0. Make it smaller.")
    first = started_at(path, width / 2) if width else path
    whole = _unrolled(first)
    if not width:
        return whole
    return _cut_at(whole, first.length - width)


def _unrolled(path: Path) -> Path:
    """A closed path's line from its start point round to it again, as an open one."""
    ids = (*path.node_ids, f"{path.node_ids[0]}'")
    points, into, out = (np.vstack([part, part[:1]]) for part in (path.points, path.into, path.out))
    into[0], out[-1] = points[0], points[-1]
    return Path(ids, points, into, out, False, path.notes)


def _cut_at(path: Path, s: float) -> Path:
    """An open path up to s mm."""
    positions = path.arc.node_positions
    keep = int(np.searchsorted(positions, s - _SAME))
    if abs(positions[min(keep, len(positions) - 1)] - s) <= _SAME:
        part = slice(0, keep + 1)
        return Path(
            path.node_ids[part], path.points[part], path.into[part], path.out[part], False, path.notes
        )
    divided, at = _divided(path, s)
    part = slice(0, at + 1)
    out = divided.out[part].copy()
    out[-1] = divided.points[at]
    return Path(divided.node_ids[part], divided.points[part], divided.into[part], out, False, path.notes)
