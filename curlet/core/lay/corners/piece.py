"""Corner piece: artwork for a square corner, fitted to any turn."""

from __future__ import annotations

from dataclasses import dataclass, replace
from functools import lru_cache, partial

import numpy as np
from numpy.typing import NDArray

from curlet.core.brush.rules import Piece, Pieces
from curlet.core.choice import chosen
from curlet.core.lay.corners.axes import CornerAxes
from curlet.core.lay.corners.limit import SHARPEST_CUT
from curlet.core.lay.corners.made import MADE, mitred
from curlet.core.lay.corners.manner import CornerArt, CornerAsk, Turning
from curlet.core.lay.corners.plain import Unshaped
from curlet.core.measures import Scale
from curlet.core.motif.edges import Crossing, edge

Floats = NDArray[np.float64]

# How far crossings of an edge may lie off their mirror images, mm.
_EVEN = 1e-3
# What runs along a corner's diagonal belongs to the leg that comes in, mm.
_ON_THE_DIAGONAL = 1e-9


@dataclass(frozen=True)
class CornerPiece(Unshaped):
    """Artwork of reach r along each leg; where none is given, one made from the repeat."""

    label: str = "Corner piece"
    done: str = "with pieces"
    settings: tuple[str, ...] = ("made", "mitre_limit")
    breaks: bool = True
    sharp: bool = True

    def turning(self, ask: CornerAsk) -> Turning:
        # Repeats that are flipped across meet at a turn to the left what others meet at one to the right.
        piece = piece_for(ask.pieces, -ask.corner.turn if ask.flipped else ask.corner.turn)
        if piece is None:
            return chosen(MADE, ask.rule.made, "way to make a corner").turning(ask)
        reach = piece.length.drawn(ask.scale) * ask.size
        if not has_room(reach, ask.reach, ask.short, ask.corner.turn):
            return replace(mitred(ask), gave_way=True)
        side = 1.0 if ask.corner.turn >= 0 else -1.0
        warp = partial(fitted, reach=reach, side=side)
        return Turning(take=reach, art=CornerArt((warp,), piece, kink=(reach, 1.0, reach)))


def has_room(reach: float, half_width: float, short: float, turn: float) -> bool:
    """Whether the artwork's part inside a turn has room: r > h·max(1, tan(τ/2)) on straight legs, where the
    innermost line ends `short` = h·tan(τ/2) before the corner. Own derivation."""
    return abs(turn) < SHARPEST_CUT and reach > max(half_width, short)


def piece_for(pieces: Pieces, turn: float) -> Piece | None:
    """The artwork for a corner to the right (outside) or to the left (inside) of the way.

    One that is drawn for the right stands mirrored at the left, if it meets the repeat there as well: one
    whose rail lies to one side does not.
    """
    outside = pieces.corner_outside
    if turn >= 0 or pieces.corner_inside is not None:
        return outside if turn >= 0 else pieces.corner_inside
    return outside if outside is not None and _even_sided(outside) else None


@lru_cache(maxsize=256)
def _even_sided(piece: Piece) -> bool:
    """Whether a piece's entry edge is the same upside down, in its colours and weights too."""
    length = piece.length.drawn(Scale())
    crossings = edge(piece.motif.make(Scale()), length, at_end=False)
    down, up = (sorted(_crossed(crossings, sign)) for sign in (1, -1))
    return down == up


def _crossed(crossings: tuple[Crossing, ...], sign: int) -> list[tuple[int, int, str]]:
    """Where an edge is crossed, by what weight and in what colour, so that two sides can be compared."""
    return [(round(sign * each.y / _EVEN), round(each.weight / _EVEN), repr(each.role)) for each in crossings]


def fitted(points: Floats, axes: CornerAxes, reach: float, side: float) -> Floats:
    """A square corner's artwork, mapped for another turn.

    Parameters
    ----------
    points : (k, 2) of the cell; the corner is at (1, 0), the way going on downward from there.
    reach : r, mm along each leg.
    side : 1 for a turn to the right, -1 for one to the left, which is its mirror.

    Returns
    -------
    (k, 2) mm on the sheet.

    Notes
    -----
    Each half is mapped x' = −r + (x + r)·(r + c(y))/(r + y), y' = y, with x toward the corner and y outward,
    c(y) how far past the corner the two legs meet at that height: y·tan(τ/2) on straight legs. So entry edge
    and widths stay exact and the halves meet, on curved legs too. Own derivation.
    """
    x, y = (points[:, 0] - 1) * reach, points[:, 1]
    # On the incoming half outward is up, −y; on the outgoing half it is to the right, +x.
    onward = x + y > _ON_THE_DIAGONAL
    toward, outward = np.where(onward, -y, x), np.where(onward, x, -y)
    share = (toward + reach) / np.maximum(reach + outward, 1e-9)
    return axes.fitted(onward, share, -side * outward, reach)
