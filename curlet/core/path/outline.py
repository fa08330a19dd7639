"""A path, or a part of it, as an outline to draw."""

from __future__ import annotations

from functools import lru_cache

import numpy as np
from numpy.typing import NDArray

from curlet.core.drawing import POINTS_PER_COMMAND, Outline
from curlet.core.path.contours import contours
from curlet.core.path.cubics import straight
from curlet.core.path.path import Path

Floats = NDArray[np.float64]
Ints = NDArray[np.intp]
Bools = NDArray[np.bool_]

# By commands as bytes, how many points each takes.
_POINTS = np.array([POINTS_PER_COMMAND.get(chr(code), 0) for code in range(128)])

# Handles so near to where they would be if their segment were straight belong to a line, mm.
_STRAIGHT = 1e-7
# Segments of a chain further from one another than this are joined by a line, mm.
_BRIDGE = 1e-4


@lru_cache(maxsize=16_384)
def outline_of(path: Path) -> Outline:
    """A path's geometry; straight segments stay lines."""
    lines, segments = path.straight, path.segments
    commands = "M" + "".join("L" if line else "C" for line in lines.tolist()) + "Z" * path.closed
    if "C" not in commands:
        ends = segments[:, 3]
    elif "L" not in commands:
        ends = segments[:, 1:].reshape(-1, 2)
    else:
        wanted = np.ones((len(segments), 3), dtype=bool)
        wanted[lines, :2] = False
        ends = segments[:, 1:][wanted]
    return Outline(commands, np.concatenate([path.points[:1], ends]))


def of_chains(chains: Floats, closed: bool) -> tuple[str, Floats]:
    """Commands of one and (n, m, 2) points of all of n chains of cubics alike, (n, k, 4, 2): what is straight
    at even speed in all of them is drawn as lines, which every renderer rounds alike."""
    lines = _even(chains[:1])
    if lines.any():
        lines[lines] = _even(chains[:, lines])
    if not lines.any():
        n, k = chains.shape[:2]
        points = np.empty((n, 1 + 3 * k, 2))
        points[:, 0] = chains[:, 0, 0]
        points[:, 1:].reshape(n, k, 3, 2)[:] = chains[:, :, 1:]
        return "M" + "C" * len(lines) + "Z" * closed, points
    wanted = np.ones((len(lines), 3), dtype=bool)
    wanted[lines, :2] = False
    points = np.concatenate([chains[:, :1, 0], chains[:, :, 1:][:, wanted]], axis=1)
    return "M" + "".join("L" if line else "C" for line in lines.tolist()) + "Z" * closed, points


def _even(chains: Floats) -> Bools:
    """(k,) which segments of (n, k, 4, 2) chains are straight at even speed in all of them."""
    a, b = chains[:, :, 0], chains[:, :, 3]
    third = (b - a) / 3
    off = np.maximum(np.abs(chains[:, :, 1] - a - third), np.abs(chains[:, :, 2] - b + third))
    return np.asarray(off.max(axis=(0, 2), initial=0.0) < _STRAIGHT)


def of_chain(cubics: Floats, closed: bool) -> Outline:
    """One chain, (k, 4, 2), as an outline."""
    commands, points = of_chains(cubics[None], closed)
    return Outline(commands, points[0])


def bridged(cubics: Floats, closed: bool) -> Outline:
    """One chain, (k, 4, 2), whose segments are joined by a line where they do not meet."""
    gaps = np.flatnonzero(np.abs(cubics[1:, 0] - cubics[:-1, 3]).max(axis=1, initial=0.0) > _BRIDGE)
    if not len(gaps):
        return of_chain(cubics, closed)
    bridges = straight(cubics[gaps, 3], cubics[gaps + 1, 0])
    return of_chain(np.insert(cubics, gaps + 1, bridges, axis=0), closed)


def steps(outline: Outline) -> tuple[NDArray[np.uint8], Ints]:
    """An outline's commands as bytes, and how many points each takes."""
    commands = np.frombuffer(outline.commands.encode(), dtype=np.uint8)
    return commands, _POINTS[commands]


def starts(outline: Outline) -> Ints:
    """At which of its points an outline's contours begin."""
    commands, counts = steps(outline)
    return np.asarray(np.cumsum(counts)[commands == ord("M")] - 1)


def boxes(outline: Outline) -> tuple[Floats, Floats]:
    """(n, 2) least and (n, 2) greatest x and y of the points of each of an outline's n contours."""
    first = starts(outline)
    return np.minimum.reduceat(outline.points, first), np.maximum.reduceat(outline.points, first)


def clockwise(outline: Outline) -> bool:
    """Whether an outline's contours, its holes apart, run clockwise on the sheet."""
    begins = starts(outline)
    x, y = outline.points.T
    after = np.arange(1, len(x) + 1)
    after[np.append(begins[1:], len(x)) - 1] = begins
    return float(x @ y[after] - x[after] @ y) > 0


def turned_back(outline: Outline) -> Outline:
    """The same outline the other way round, so that what was mirrored winds as it did before."""
    return joined([of_chain(part.cubics[::-1, ::-1], part.closed) for part in contours(outline)])


def joined(outlines: list[Outline]) -> Outline:
    """Several outlines as one, each its own contours."""
    commands = "".join(outline.commands for outline in outlines)
    return Outline(commands, np.concatenate([outline.points for outline in outlines]))
