"""What a run says of single places, as it is kept and sent."""

from __future__ import annotations

from typing import Annotated

from pydantic import Field

from curlet.core.lay import OtherHalf, RunRule
from curlet.formats.brush_motifs import Number, Strict

Node = Annotated[str, Field(min_length=1, max_length=90)]
Count = Annotated[int, Field(ge=0, le=200_000)]


class PlacesDoc(Strict):
    """Single places of a run, kept by their nodes.

    `start` is how far a closed path's start point is slid, `opening` how wide it is opened there,
    both in sheet mm; `corners` gives manners, `counts` counts by the node where a leg starts, and
    `flips` the crossings whose over and under are swapped.
    """

    start: Number = 0.0
    opening: Annotated[float, Field(ge=0, le=1e6, allow_inf_nan=False)] | None = None
    corners: Annotated[dict[Node, str], Field(max_length=20_000, default_factory=dict)]
    counts: Annotated[dict[Node, Count], Field(max_length=20_000, default_factory=dict)]
    flips: Annotated[tuple[Node, ...], Field(max_length=1000)] = ()
    seed: Annotated[int, Field(ge=0, lt=2**32)] = 0

    def to_core(self, *, backwards: bool, other_half: OtherHalf | None = None) -> RunRule:
        flips = frozenset(self.flips)
        return RunRule(
            backwards, self.start, self.opening, self.corners, self.counts, flips, self.seed, other_half
        )
