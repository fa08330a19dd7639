"""Paths made from paths: mirrored, moved, split, joined, simplified. Node ids survive where nodes do."""

from __future__ import annotations

import numpy as np
from numpy.typing import NDArray

from curlet.core.bounds import Bounds
from curlet.core.errors import BadInput
from curlet.core.path.corners import find_corners
from curlet.core.path.fit_cubics import fit_cubics
from curlet.core.path.path import Path

Floats = NDArray[np.float64]

WITHIN = Bounds("How far the line may move", 0.001, 100)
# Ends nearer together than this become one node when they are joined, mm.
MEETING = 0.05
# Turns above this stay corners when a path is simplified, degrees.
_CORNER = 15.0
_MAX_SAMPLES = 20_000


def moved(path: Path, x: float, y: float) -> Path:
    """The path x mm to the right and y mm down."""
    by = np.array([x, y])
    return Path.make(path.node_ids, path.points + by, path.into + by, path.out + by, path.closed)


def turned(path: Path, about: Floats, matrix: Floats) -> Path:
    """The path turned or resized about a point: each point's arm from it, as a row, times a (2, 2) matrix."""

    def turn(at: Floats) -> Floats:
        return np.asarray((at - about) @ matrix + about)

    return Path.make(path.node_ids, turn(path.points), turn(path.into), turn(path.out), path.closed)


def placed(path: Path, matrix: Floats, at: tuple[float, float]) -> Path:
    """The path times a (2, 2) matrix, each point as a row, and moved by `at`."""
    return moved(turned(path, np.zeros(2), matrix), *at)


def mirrored(path: Path, through: tuple[float, float], upright: bool) -> Path:
    """The path mirrored about an upright or a level line through a point. It is walked from the same node,
    so that what lay to its right lies to its left.

    >>> from curlet.core.path.figures import FIGURES
    >>> line = FIGURES["line"].make({"length": 40, "direction": 0})
    >>> mirrored(line, (0, 0), upright=True).points[:, 0].tolist() == (-line.points[:, 0]).tolist()
    True
    """
    axis = 0 if upright else 1

    def flip(at: Floats) -> Floats:
        out = at.copy()
        out[:, axis] = 2 * through[axis] - at[:, axis]
        return out

    return Path.make(path.node_ids, flip(path.points), flip(path.into), flip(path.out), path.closed)


def split_at(path: Path, node_ids: list[str]) -> list[Path]:
    """The path parted at some nodes; a closed one parted once is an open one.

    Raises
    ------
    BadInput
        If nothing is parted, as at the ends of an open path.
    """
    count = len(path.points)
    cuts = sorted({path.node_index(node_id) for node_id in node_ids})
    if path.closed:
        # Walked from the first cut, all the way round to it again.
        order = [(cuts[0] + i) % count for i in range(count + 1)]
        ends = [0, *((cut - cuts[0]) % count for cut in cuts[1:]), count]
    else:
        order = list(range(count))
        ends = [0, *(cut for cut in cuts if 0 < cut < count - 1), count - 1]
        if len(ends) == 2:
            raise BadInput("A path is split at nodes between its ends. Choose one of those.")
    return [_part(path, order[a : b + 1]) for a, b in zip(ends[:-1], ends[1:], strict=True)]


def _part(path: Path, which: list[int]) -> Path:
    ids = [path.node_ids[i] for i in which]
    if len(set(ids)) < len(ids):
        ids[-1] = f"{ids[-1]}-end"
    points, into, out = path.points[which], path.into[which].copy(), path.out[which].copy()
    into[0], out[-1] = points[0], points[-1]
    return Path.make(ids, points, into, out, closed=False)


def joined(one: Path, other: Path) -> Path:
    """Two open paths as one, from end to end where they are nearest; a line bridges what lies between.

    Raises
    ------
    BadInput
        If one of them is closed.
    """
    if one.closed or other.closed:
        raise BadInput("Only open paths can be joined. Split a closed one first.")
    ways = [(a, b) for a in (one, one.reversed()) for b in (other, other.reversed())]
    return linked(*min(ways, key=lambda way: float(np.hypot(*(way[0].points[-1] - way[1].points[0])))))


def linked(first: Path, second: Path) -> Path:
    """The first open path and then the second; a line bridges what lies between, and ends that lie upon one
    another become one node."""
    ids = [*first.node_ids, *_unlike(second.node_ids, set(first.node_ids))]
    parts = [np.concatenate([getattr(first, k), getattr(second, k)]) for k in ("points", "into", "out")]
    points, into, out = parts
    seam = len(first.points)
    if np.hypot(*(points[seam] - points[seam - 1])) <= MEETING:
        out[seam - 1] = points[seam - 1] + out[seam] - points[seam]
        points, into, out = (np.delete(part, seam, axis=0) for part in (points, into, out))
        del ids[seam]
    return Path.make(ids, points, into, out, closed=False)


def _unlike(node_ids: tuple[str, ...], taken: set[str]) -> list[str]:
    """The ids, with numbers after those that are taken."""
    used, found = taken | set(node_ids), []
    for node_id in node_ids:
        new, number = node_id, 2
        while node_id in taken and new in used:
            new, number = f"{node_id.split('-')[0]}-{number}", number + 1
        used.add(new)
        found.append(new)
    return found


def closed_up(path: Path) -> Path:
    """An open path closed: by a line, or in one node where its ends lie upon one another."""
    points, into, out, ids = path.points, path.into.copy(), path.out, list(path.node_ids)
    if len(points) > 2 and np.hypot(*(points[-1] - points[0])) <= MEETING:
        into[0] = points[0] + into[-1] - points[-1]
        points, into, out, ids = points[:-1], into[:-1], out[:-1], ids[:-1]
    return Path.make(ids, points, into, out, closed=True)


def simplified(path: Path, within: float) -> Path:
    """The path with as few nodes as draw it within a distance, mm; its corners and ends stay."""
    WITHIN.check(within)
    corners = [corner.s for corner in find_corners(path, _CORNER)]
    start = corners[0] if path.closed and corners else 0.0
    step = min(max(within / 2, path.length / _MAX_SAMPLES), path.length / 200)
    places = np.linspace(0, path.length, int(path.length / step) + 2)
    inner = [(s - start) % path.length if path.closed else s for s in corners]
    places = np.union1d(places, [s for s in inner if 0 < s < path.length])
    line = path.arc.points(places + start)
    sharp = np.searchsorted(places, inner) if inner else np.zeros(0, dtype=np.intp)
    if path.closed:
        line[-1] = line[0]
    (cubics,) = fit_cubics([line], [sharp], 0.9 * within)
    points = np.concatenate([cubics[:, 0], cubics[-1:, 3]])
    into = np.concatenate([points[:1], cubics[:, 2]])
    out = np.concatenate([cubics[:, 1], points[-1:]])
    if path.closed:
        into[0], points, into, out = into[-1], points[:-1], into[:-1], out[:-1]
    return Path.make([f"n{i + 1}" for i in range(len(points))], points, into, out, path.closed)
