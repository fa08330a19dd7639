"""What a corner manner says, and is asked."""

from __future__ import annotations

from dataclasses import dataclass
from typing import Protocol

from curlet.core.brush.rules import CornerRule, Piece, Pieces
from curlet.core.measures import Scale
from curlet.core.path.corners import Corner

# Past this turn a bisector cut runs on without end.
SHARPEST_CUT = 179.0


@dataclass(frozen=True)
class CornerAsk:
    """A course at a corner: `reach` is how far its edges lie from the path, drawn mm."""

    corner: Corner
    rule: CornerRule
    pieces: Pieces
    reach: float
    scale: Scale
    size: float = 1.0


@dataclass(frozen=True)
class Turning:
    """How a course meets a corner, the same on both legs.

    Attributes
    ----------
    take : how much of each leg the corner takes, drawn mm.
    cut : whether repeats run on past the corner and are cut on its bisector.
    half_gap : whether each leg ends with half a gap there.
    piece : artwork that stands there instead.
    """

    take: float = 0.0
    cut: bool = False
    half_gap: bool = False
    piece: Piece | None = None


class Manner(Protocol):
    """How a course passes a corner."""

    @property
    def breaks(self) -> bool:
        """Whether a leg ends at the corner."""

    def turning(self, ask: CornerAsk) -> Turning: ...
