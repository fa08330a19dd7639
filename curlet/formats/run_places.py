"""What a run says of single places, as it is kept and sent."""

from __future__ import annotations

from collections.abc import Mapping
from typing import Annotated

from pydantic import Field

from curlet.core.brush.rules import Piece
from curlet.core.lay import OtherHalf, RunRule
from curlet.core.lay.one_repeat import OneRepeat, RepeatKey
from curlet.formats.brush_motifs import Number, Strict
from curlet.formats.kept_motif import KeptMotifDoc, piece_of_motif

Node = Annotated[str, Field(min_length=1, max_length=90)]
MotifId = Annotated[str, Field(min_length=1, max_length=40)]
Count = Annotated[int, Field(ge=0, le=200_000)]


class RepeatDoc(Strict):
    """What is said of one repeat: of which course, by the node where its leg starts and its number in the
    leg, from 0. `along` and `across` are in sheet mm, `turn` in degrees, `size` in %, `motif` a letter of
    the row's order, `brought` the id of one of the run's own motifs."""

    course: Annotated[int, Field(ge=0, lt=16)] = 0
    node: Node
    number: Annotated[int, Field(ge=0, lt=200_000)]
    left_out: bool = False
    along: Number = 0.0
    across: Number = 0.0
    turn: Number = 0.0
    size: Number = 100.0
    motif: Annotated[str, Field(pattern="^[A-Z]$")] | None = None
    brought: MotifId | None = None

    @property
    def key(self) -> RepeatKey:
        """Which repeat it is."""
        return self.course, self.node, self.number

    def to_core(self, motifs: Mapping[str, Piece]) -> OneRepeat:
        """The core's, with the run's own motifs; raises BadInput for a number out of bounds."""
        letter = ord(self.motif) - ord("A") if self.motif else None
        brought = motifs.get(self.brought) if self.brought else None
        one = OneRepeat(self.left_out, self.along, self.across, self.turn, self.size, letter, brought)
        one.check()
        return one


class PlacesDoc(Strict):
    """How a run lies on its path, and what it says of single places, kept by their nodes.

    `flipped` is whether what its brush has to the right of the path lies to the left, `start` how far a
    closed path's start point is slid, `opening` how wide it is opened there, both in sheet mm; `corners`
    gives manners, `counts` counts by the node where a leg starts, and `flips` the crossings whose over and
    under are swapped, `repeats` what is said of single repeats, `motifs` the run's copies of the Library's
    motifs that some of these have, by the ids of those.
    """

    flipped: bool = False
    start: Number = 0.0
    opening: Annotated[float, Field(ge=0, le=1e6, allow_inf_nan=False)] | None = None
    corners: Annotated[dict[Node, str], Field(max_length=20_000, default_factory=dict)]
    counts: Annotated[dict[Node, Count], Field(max_length=20_000, default_factory=dict)]
    flips: Annotated[tuple[Node, ...], Field(max_length=1000)] = ()
    seed: Annotated[int, Field(ge=0, lt=2**32)] = 0
    repeats: Annotated[tuple[RepeatDoc, ...], Field(max_length=5_000)] = ()
    motifs: Annotated[dict[MotifId, KeptMotifDoc], Field(max_length=64, default_factory=dict)]

    def to_core(self, *, backwards: bool, other_half: OtherHalf | None = None) -> RunRule:
        motifs = {key: piece_of_motif(kept) for key, kept in self.motifs.items()}
        return RunRule(
            backwards=backwards,
            flipped=self.flipped,
            start=self.start,
            opening=self.opening,
            corners=self.corners,
            counts=self.counts,
            flips=frozenset(self.flips),
            repeats={one.key: one.to_core(motifs) for one in self.repeats},
            seed=self.seed,
            other_half=other_half,
        )
