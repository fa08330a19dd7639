"""Edits of a path by hand: each returns a new path; node ids survive."""

from __future__ import annotations

import numpy as np
from numpy.typing import NDArray

from curlet.core.errors import BadInput
from curlet.core.path.arc_length import ArcLength
from curlet.core.path.cubics import points_on, split
from curlet.core.path.path import SMOOTH_COSINE, HandleKind, Path

Floats = NDArray[np.float64]

_SAMPLES = 65


def _remade(path: Path, points: Floats, into: Floats, out: Floats) -> Path:
    return Path.make(path.node_ids, points, into, out, path.closed)


def move_nodes(path: Path, moves: dict[str, tuple[float, float]]) -> Path:
    """Nodes to new places (mm), each with its handles."""
    points, into, out = path.points.copy(), path.into.copy(), path.out.copy()
    for node_id, to in moves.items():
        i = path.node_index(node_id)
        shift = np.asarray(to, dtype=np.float64) - points[i]
        bare_into, bare_out = (into[i] == points[i]).all(), (out[i] == points[i]).all()
        points[i] = to
        into[i] = points[i] if bare_into else into[i] + shift
        out[i] = points[i] if bare_out else out[i] + shift
    return _remade(path, points, into, out)


def move_handle(
    path: Path, node_id: str, side: str, to: tuple[float, float], handles_are: HandleKind | None = None
) -> Path:
    """A handle ("into" or "out") to a new place.

    Parameters
    ----------
    handles_are : "line": the other turns along; "equal": it also keeps as long; "free": it stays, which
        makes a sharp node. None: as "line" where both lie in line, otherwise as "free".
    """
    i = path.node_index(node_id)
    handles = {"into": path.into.copy(), "out": path.out.copy()}
    if side not in handles:
        raise BadInput("A node's handles are “into” and “out”.")
    other = "out" if side == "into" else "into"
    node = path.points[i]
    before, opposite = handles[side][i] - node, handles[other][i] - node
    handles[side][i] = to
    arm = handles[side][i] - node
    kind = handles_are or ("line" if _in_line(before, opposite) else "free")
    if kind != "free" and np.hypot(*opposite) > 0 and np.hypot(*arm) > 0:
        far = np.hypot(*arm) if kind == "equal" else np.hypot(*opposite)
        handles[other][i] = node - arm / np.hypot(*arm) * far
    return _remade(path, path.points, handles["into"], handles["out"])


def _in_line(a: Floats, b: Floats) -> bool:
    size = float(np.hypot(*a) * np.hypot(*b))
    return size > 0 and float(a @ b) / size < SMOOTH_COSINE


def nearest(path: Path, point: tuple[float, float]) -> tuple[int, float]:
    """Segment index and t of the path's point nearest to a point (mm)."""
    t = np.linspace(0, 1, _SAMPLES)
    target = np.asarray(point, dtype=np.float64)
    gaps = np.hypot(*np.moveaxis(points_on(path.segments, t) - target, -1, 0))
    segment, index = (int(i) for i in np.unravel_index(np.argmin(gaps), gaps.shape))
    low, high = t[max(index - 1, 0)], t[min(index + 1, _SAMPLES - 1)]
    for _ in range(12):
        fine = np.linspace(low, high, 9)
        gap = np.hypot(*(points_on(path.segments[segment][None], fine)[0] - target).T)
        best = int(np.argmin(gap))
        low, high = fine[max(best - 1, 0)], fine[min(best + 1, 8)]
    return segment, float((low + high) / 2)


def nearest_length(path: Path, point: tuple[float, float]) -> float:
    """Arc length of the path's point nearest to a point, mm."""
    segment, t = nearest(path, point)
    first, _ = split(path.segments[segment], min(max(t, 1e-9), 1 - 1e-9))
    part = ArcLength(first[None], path.straight[segment : segment + 1], closed=False)
    return float(path.arc.node_positions[segment] + part.length)


def add_node(path: Path, point: tuple[float, float], node_id: str) -> Path:
    """A node on the path where it comes nearest to a point; the line stays the same."""
    segment, t = nearest(path, point)
    return _divide(path, segment, min(max(t, 1e-6), 1 - 1e-6), node_id)


def add_node_after(path: Path, after: str, node_id: str) -> Path:
    """A node midway between one and the next; the line stays the same.

    Raises
    ------
    BadInput
        If it is the last node of an open path.
    """
    segment = path.node_index(after)
    if segment >= len(path.segments):
        raise BadInput("This is the path's last node. Choose one before it.")
    return _divide(path, segment, 0.5, node_id)


def _divide(path: Path, segment: int, t: float, node_id: str) -> Path:
    left, right = split(path.segments[segment], t)
    ahead = (segment + 1) % len(path.points)
    points, into, out = path.points.copy(), path.into.copy(), path.out.copy()
    if path.straight[segment]:
        middle_into = middle_out = left[3]
    else:
        out[segment], into[ahead] = left[1], right[2]
        middle_into, middle_out = left[2], right[1]
    at = segment + 1
    ids = (*path.node_ids[:at], node_id, *path.node_ids[at:])
    return Path.make(
        ids,
        np.insert(points, at, left[3], axis=0),
        np.insert(into, at, middle_into, axis=0),
        np.insert(out, at, middle_out, axis=0),
        path.closed,
    )


def delete_nodes(path: Path, node_ids: list[str]) -> Path:
    """A path without some nodes; their neighbours keep their handles.

    Raises
    ------
    BadInput
        If fewer than two nodes would be left.
    """
    gone = {path.node_index(node_id) for node_id in node_ids}
    keep = [i for i in range(len(path.points)) if i not in gone]
    if len(keep) < 2:
        raise BadInput("A path needs two nodes. Delete the whole path instead.")
    ids = tuple(path.node_ids[i] for i in keep)
    return Path.make(ids, path.points[keep], path.into[keep], path.out[keep], path.closed)


def straighten(path: Path, node_id: str) -> Path:
    """A node without handles."""
    i = path.node_index(node_id)
    into, out = path.into.copy(), path.out.copy()
    into[i] = out[i] = path.points[i]
    return _remade(path, path.points, into, out)


def align_handles(path: Path, node_id: str, *, equal: bool) -> Path:
    """A node's handles brought in line, turned by as much each, and with `equal` to one length.

    A node without both handles gets them as `curve` gives them.
    """
    i = path.node_index(node_id)
    into, out = path.into[i] - path.points[i], path.out[i] - path.points[i]
    lengths = np.array([np.hypot(*into), np.hypot(*out)])
    if (lengths == 0).any():
        path = curve(path, node_id)
        into, out = path.into[i] - path.points[i], path.out[i] - path.points[i]
        lengths = np.array([np.hypot(*into), np.hypot(*out)])
        if (lengths == 0).any():
            return path
    along = out / lengths[1] - into / lengths[0]
    if np.hypot(*along) < 1e-9:
        # Both point the same way: the line is square to them.
        along = np.array([-out[1], out[0]])
    along /= np.hypot(*along)
    if equal:
        lengths[:] = lengths.mean()
    all_into, all_out = path.into.copy(), path.out.copy()
    all_into[i], all_out[i] = path.points[i] - along * lengths[0], path.points[i] + along * lengths[1]
    return _remade(path, path.points, all_into, all_out)


def curve(path: Path, node_id: str) -> Path:
    """A node with handles in line, a third of the way to its neighbours."""
    i, count = path.node_index(node_id), len(path.points)
    before = path.points[i - 1] if path.closed or i > 0 else path.points[i]
    after = path.points[(i + 1) % count] if path.closed or i < count - 1 else path.points[i]
    node, chord = path.points[i], after - before
    direction = chord / (np.hypot(*chord) or 1.0)
    into, out = path.into.copy(), path.out.copy()
    into[i] = node - direction * np.hypot(*(node - before)) / 3
    out[i] = node + direction * np.hypot(*(after - node)) / 3
    return _remade(path, path.points, into, out)
