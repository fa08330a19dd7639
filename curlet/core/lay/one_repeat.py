"""What is said of a single repeat of a run by hand."""

from __future__ import annotations

from dataclasses import dataclass

from curlet.core.bounds import Bounds
from curlet.core.brush.rules import Piece

MOVE = Bounds("How far the repeat is moved", -100_000, 100_000)
SIZE = Bounds("The repeat's size", 1, 10_000, unit="%")
# Which repeat: the course, the node where its leg starts, and its number in the leg, from 0.
RepeatKey = tuple[int, str, int]


@dataclass(frozen=True)
class OneRepeat:
    """What is said of one repeat by hand.

    Attributes
    ----------
    left_out : whether it is not there at all.
    along, across : how far it is moved along its path and to the right of it, drawn mm.
    turn : degrees clockwise, about its own middle.
    size : %, about its own middle.
    motif : the letter whose motif it has, as an index; None for its own.
    brought : artwork from elsewhere in its place, at its own length about its middle; None for none.
    """

    left_out: bool = False
    along: float = 0.0
    across: float = 0.0
    turn: float = 0.0
    size: float = 100.0
    motif: int | None = None
    brought: Piece | None = None

    def check(self) -> None:
        """Raises BadInput for a number out of bounds."""
        MOVE.check(self.along)
        MOVE.check(self.across)
        SIZE.check(self.size)
        if self.brought is not None:
            self.brought.check()
