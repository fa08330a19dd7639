"""A path: one contour of nodes with handles, open or closed."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass, field
from functools import cached_property
from typing import Literal

import numpy as np
from numpy.typing import NDArray

from curlet.core.errors import BadInput, NoLength, TooMuch
from curlet.core.path.arc_length import ArcLength

Floats = NDArray[np.float64]
Ints = NDArray[np.intp]
HandleKind = Literal["line", "equal", "free"]

MAX_NODES = 20_000
FURTHEST = 1_000_000.0
SAME_POINT = 1e-6
# Two handles whose angle has less of a cosine than this lie in line.
SMOOTH_COSINE = -1 + 1e-6
_UNREAL = "A coordinate of this path is not a number. Correct the drawing and try again."
_TOO_FAR = "This path reaches more than 1 km from the sheet. Check the drawing's units."


@dataclass(frozen=True, eq=False)
class Path:
    """One contour. A handle equal to its node's point is no handle.

    Attributes
    ----------
    node_ids : n ids, unique in the path, that survive edits.
    points, into, out : (n, 2) nodes and their handles before and after, absolute, mm.
    closed : whether the last node joins the first.
    notes : what was dropped while making it, in words.
    """

    node_ids: tuple[str, ...]
    points: Floats
    into: Floats
    out: Floats
    closed: bool
    notes: tuple[str, ...] = field(default=())

    @classmethod
    def make(cls, node_ids: Sequence[str], points: Floats, into: Floats, out: Floats, closed: bool) -> Path:
        """Check and tidy: repeated points go, impossible numbers are refused.

        Raises
        ------
        BadInput
            If a coordinate is not finite or too far away, ids repeat, or no length is left.
        TooMuch
            If there are more than 20,000 nodes.
        """
        if len(node_ids) > MAX_NODES:
            raise TooMuch(
                f"This path has {len(node_ids):,} nodes; {MAX_NODES:,} is the most. "
                "Simplify it or split it in two."
            )
        if len(set(node_ids)) != len(node_ids):
            raise BadInput("Two nodes of this path have the same id. Give each its own.")
        places = np.array([points, into, out], dtype=np.float64).reshape(3, -1, 2)
        if not np.abs(places).max(initial=0.0) <= FURTHEST:
            raise BadInput(_UNREAL if not np.isfinite(places).all() else _TOO_FAR)
        points = places[0]
        # A handle a rounding off its node would only make the speed stall.
        stalled = np.abs(places[1:] - points).max(axis=2, keepdims=True) <= SAME_POINT
        into, out = np.where(stalled, points, places[1:])
        if _all_apart(points, closed):
            return cls(tuple(node_ids), points, into, out, closed)
        keep, into, out = _without_repeats(points, into, out, closed)
        gone = len(node_ids) - len(keep)
        notes = (f"{gone} repeated points were left out.",) if gone else ()
        path = cls(tuple(node_ids[i] for i in keep), points[keep], into, out, closed, notes)
        # A path without length is one whose handles lie on its one point.
        if len(path.segments) == 0 or np.ptp(path.segments.reshape(-1, 2), axis=0).max() <= SAME_POINT:
            raise NoLength("This path has no length. Draw it between at least two points.")
        return path

    @cached_property
    def chain(self) -> tuple[Floats, NDArray[np.bool_]]:
        """`segments` and `straight`."""
        here = np.arange(len(self.points) if self.closed else max(len(self.points) - 1, 0))
        ahead = (here + 1) % max(len(self.points), 1)
        return cubics_between(self.points, self.into, self.out, here, ahead)

    @property
    def segments(self) -> Floats:
        """(m, 4, 2) cubic control points, m = n when closed, n − 1 when open."""
        return self.chain[0]

    @property
    def straight(self) -> NDArray[np.bool_]:
        """(m,) true for segments without handles."""
        return self.chain[1]

    @cached_property
    def arc(self) -> ArcLength:
        """Arc length along the path."""
        return ArcLength(self.segments, self.straight, self.closed)

    @cached_property
    def length(self) -> float:
        """Whole length, mm."""
        return self.arc.length

    @cached_property
    def node_positions(self) -> Floats:
        """(m + 1,) arc lengths at which its segments begin, and its whole length, mm."""
        return self.arc.node_positions

    @cached_property
    def end_tangents(self) -> tuple[Floats, Floats]:
        """(m, 2) unit tangents at each segment's start and at its end."""
        return self.arc.end_tangents

    @cached_property
    def turns(self) -> Floats:
        """(n,) signed turn at each node, degrees; 0 at the ends of an open path.

        A full doubling back counts as +180, so that its side does not hang on rounding.
        """
        starts, ends = self.end_tangents
        if self.closed:
            return turned(np.concatenate([ends[-1:], ends[:-1]]), starts)
        return np.concatenate([[0.0], turned(ends[:-1], starts[1:]), [0.0]])

    @cached_property
    def handles(self) -> list[HandleKind | None]:
        """How each node's handles lie: in line, or free of each other; None where it has none."""
        return handle_kinds(self.points, self.into, self.out)

    def node_index(self, node_id: str) -> int:
        """Index of a node.

        Raises
        ------
        BadInput
            If the path has no such node.
        """
        try:
            return self.node_ids.index(node_id)
        except ValueError:
            raise BadInput(f"This path has no node {node_id[:40]}. Reload the sheet.") from None

    def reversed(self) -> Path:
        """The same line walked the other way; a closed path keeps its start point."""
        order = np.arange(len(self.points))[::-1]
        if self.closed:
            order = np.roll(order, 1)
        ids = tuple(self.node_ids[i] for i in order)
        return Path(ids, self.points[order], self.out[order], self.into[order], self.closed, self.notes)


def cubics_between(
    points: Floats, into: Floats, out: Floats, here: Ints, ahead: Ints
) -> tuple[Floats, NDArray[np.bool_]]:
    """(m, 4, 2) cubics from nodes to others, by their indices, and (m,) whether each is straight: without
    handles, so drawn at even speed."""
    chain = np.empty((len(here), 4, 2))
    chain[:, 0], chain[:, 1], chain[:, 2], chain[:, 3] = points[here], out[here], into[ahead], points[ahead]
    straight = (chain[:, ::3] == chain[:, 1:3]).all(axis=(1, 2))
    if straight.any():
        a, b = chain[straight, 0], chain[straight, 3]
        chain[straight, 1], chain[straight, 2] = (2 * a + b) / 3, (a + 2 * b) / 3
    return chain, straight


def handle_kinds(points: Floats, into: Floats, out: Floats) -> list[HandleKind | None]:
    """How (n, 2) nodes' handles lie, as `Path.handles`."""
    before, after = into - points, out - points
    lengths = np.hypot(before[:, 0], before[:, 1]), np.hypot(after[:, 0], after[:, 1])
    both = lengths[0] * lengths[1]
    line = (both > 0) & ((before * after).sum(axis=1) < SMOOTH_COSINE * both)
    kinds: list[HandleKind | None] = ["free", "line", None]
    return [kinds[at] for at in np.where((lengths[0] == 0) & (lengths[1] == 0), 2, line).tolist()]


def turned(before: Floats, after: Floats) -> Floats:
    """(n,) signed turns from one unit direction to another, degrees."""
    (ax, ay), (bx, by) = before.T, after.T
    turns = np.degrees(np.arctan2(ax * by - ay * bx, ax * bx + ay * by))
    turns[np.abs(turns) > 180 - 1e-7] = 180.0
    return np.asarray(turns)


def _all_apart(points: Floats, closed: bool) -> bool:
    """Whether there are several nodes, no two that follow each other in one place."""
    if len(points) < 2 or not (np.abs(points[1:] - points[:-1]).max(axis=1) > SAME_POINT).all():
        return False
    return not closed or bool(np.abs(points[0] - points[-1]).max() > SAME_POINT)


def _without_repeats(
    points: Floats, into: Floats, out: Floats, closed: bool
) -> tuple[NDArray[np.intp], Floats, Floats]:
    """Nodes that lie on top of one another with no loop between, as one.

    Returns
    -------
    The indices kept, the first of each such run, and the handles before and after each.
    """
    count = len(points)
    if count < 2:
        return np.arange(count), into, out

    def near(a: Floats, b: Floats) -> NDArray[np.bool_]:
        return np.asarray(np.abs(a - b).max(axis=1) <= SAME_POINT)

    before = np.roll(np.arange(count), 1)
    repeated = near(points, points[before]) & near(out[before], points) & near(into, points)
    if not closed or repeated.all():
        repeated[0] = False
    heads = np.flatnonzero(~repeated)
    tails = np.roll(heads, -1) - 1
    tails[-1] = count - 1 if heads[0] == 0 else heads[0] - 1
    keep = heads
    if heads[0] != 0:
        # The run that goes past the start point is known by the path's first node.
        keep = np.roll(np.append(heads[:-1], 0), 1)
        heads, tails = np.roll(heads, 1), np.roll(tails, 1)
    return keep, into[heads], out[tails]
