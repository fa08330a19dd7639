"""A path: one contour of nodes with handles, open or closed."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass, field
from functools import cached_property

import numpy as np
from numpy.typing import NDArray

from curlet.core.errors import BadInput, TooMuch
from curlet.core.path.arc_length import ArcLength

Floats = NDArray[np.float64]

MOST_NODES = 20_000
FURTHEST = 1_000_000.0
SAME_POINT = 1e-6


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
        if len(node_ids) > MOST_NODES:
            raise TooMuch(
                f"This path has {len(node_ids):,} nodes; {MOST_NODES:,} is the most. "
                "Simplify it or split it in two."
            )
        if len(set(node_ids)) != len(node_ids):
            raise BadInput("Two nodes of this path have the same id. Give each its own.")
        stacked = np.stack([points, into, out]).astype(np.float64) if len(node_ids) else np.zeros((3, 0, 2))
        if not np.isfinite(stacked).all():
            raise BadInput("A coordinate of this path is not a number. Correct the drawing and try again.")
        if stacked.size and np.abs(stacked).max() > FURTHEST:
            raise BadInput("This path reaches more than 1 km from the sheet. Check the drawing's units.")
        keep, into, out = _without_repeats(stacked[0], stacked[1], stacked[2], closed)
        gone = len(node_ids) - len(keep)
        notes = (f"{gone} repeated points were left out.",) if gone else ()
        path = cls(tuple(node_ids[i] for i in keep), stacked[0, keep], into, out, closed, notes)
        # A path without length is one whose handles lie on its one point.
        if len(path.segments) == 0 or np.ptp(path.segments.reshape(-1, 2), axis=0).max() <= SAME_POINT:
            raise BadInput("This path has no length. Draw it at least between two points.")
        return path

    @cached_property
    def segments(self) -> Floats:
        """(m, 4, 2) cubic control points, m = n when closed, n − 1 when open."""
        chain = np.stack([self.points[:-1], self.out[:-1], self.into[1:], self.points[1:]], axis=1)
        if self.closed and len(self.points):
            last = np.stack([self.points[-1], self.out[-1], self.into[0], self.points[0]])
            chain = np.concatenate([chain, last[None]])
        lines = self.straight
        if lines.any():
            chain[lines, 1] = (2 * chain[lines, 0] + chain[lines, 3]) / 3
            chain[lines, 2] = (chain[lines, 0] + 2 * chain[lines, 3]) / 3
        return chain

    @cached_property
    def straight(self) -> NDArray[np.bool_]:
        """(m,) true for segments without handles."""
        bare_out = (self.out == self.points).all(axis=1)
        bare_into = (self.into == self.points).all(axis=1)
        if self.closed:
            return np.asarray(bare_out & np.append(bare_into[1:], bare_into[:1]))
        return np.asarray(bare_out[:-1] & bare_into[1:])

    @cached_property
    def arc(self) -> ArcLength:
        """Arc length along the path."""
        return ArcLength(self.segments, self.straight, self.closed)

    @property
    def length(self) -> float:
        """Whole length, mm."""
        return self.arc.length

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


def measure_together(paths: Sequence[Path]) -> None:
    """Work out the arc lengths of many paths at once; they are asked for one by one afterwards."""
    todo = [path for path in {id(path): path for path in paths}.values() if "arc" not in path.__dict__]
    arcs = ArcLength.of_many([(path.segments, path.straight, path.closed) for path in todo])
    for path, arc in zip(todo, arcs, strict=True):
        path.__dict__["arc"] = arc
