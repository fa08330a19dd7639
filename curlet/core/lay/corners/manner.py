"""What a corner manner says, and is asked."""

from __future__ import annotations

from dataclasses import dataclass
from typing import TYPE_CHECKING, Protocol

import numpy as np
from numpy.typing import NDArray

from curlet.core.brush.rules import CornerRule, Piece, Pieces
from curlet.core.measures import Scale
from curlet.core.motif.motif import Motif
from curlet.core.path.corners import Corner

if TYPE_CHECKING:
    from curlet.core.lay.corners.axes import CornerAxes

Floats = NDArray[np.float64]


class Warp(Protocol):
    """From (k, 2) cell points, x 0…1 along and y mm across, to (k, 2) mm on the sheet."""

    def __call__(self, points: Floats, axes: CornerAxes) -> Floats: ...


@dataclass(frozen=True)
class CornerAsk:
    """A course at a corner, in drawn mm.

    Attributes
    ----------
    motif : what stands on a corner for which no artwork is given.
    reach : how far its edges lie from the row's own line.
    length, gap : of its repeats.
    short, side : how far before the corner its innermost line ends, and on which side of the path that lies:
        1 to the right, -1 to the left, 0 where all lines end together.
    flipped : whether its repeats are flipped across.
    offset : of its own line.
    """

    corner: Corner
    rule: CornerRule
    pieces: Pieces
    motif: Motif
    reach: float
    scale: Scale
    size: float = 1.0
    length: float = 0.0
    gap: float = 0.0
    short: float = 0.0
    side: float = 0.0
    flipped: bool = False
    offset: float = 0.0


@dataclass(frozen=True)
class CornerArt:
    """Artwork that stands at a corner.

    Attributes
    ----------
    warps : one for each copy of the artwork.
    piece : the artwork; None for the row's own repeat.
    kink : a, b, c of the line a·x + b·y = c in the cell on which the warps turn sharply, if they do.
    """

    warps: tuple[Warp, ...]
    piece: Piece | None = None
    kink: tuple[float, float, float] | None = None


@dataclass(frozen=True)
class Turning:
    """How a course meets a corner, the same on both legs.

    Attributes
    ----------
    take : how much of each leg the corner takes, drawn mm.
    cut : whether repeats run on past the corner and are cut on its bisector.
    gap : how much of a gap each leg ends with there: none, half of one or a whole one.
    folded : whether the leg that comes in lies uncut under the one that goes on.
    art : artwork that stands there instead.
    gave_way : whether a simpler manner stands here for the one that was asked for, which has no room.
    """

    take: float = 0.0
    cut: bool = False
    gap: float = 0.0
    folded: bool = False
    art: CornerArt | None = None
    gave_way: bool = False


class Manner(Protocol):
    """How a course passes a corner."""

    @property
    def label(self) -> str:
        """What it is called."""

    @property
    def done(self) -> str:
        """What is said of a closed path that is turned so, empty if nothing."""

    @property
    def settings(self) -> tuple[str, ...]:
        """The corner rule's settings that it goes by."""

    @property
    def breaks(self) -> bool:
        """Whether a leg ends at the corner."""

    @property
    def sharp(self) -> bool:
        """Whether the legs of a rounded corner run on to where they cross."""

    def turning(self, ask: CornerAsk) -> Turning: ...

    def radius(self, rule: CornerRule, scale: Scale) -> float:
        """Of the arc that takes the corner's place in the path, drawn mm; 0 where the path stays as it is."""
