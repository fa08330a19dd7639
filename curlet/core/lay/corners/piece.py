"""Corner piece: artwork for a square corner, fitted to any turn."""

from __future__ import annotations

import math
from dataclasses import dataclass
from functools import lru_cache, partial

import numpy as np
from numpy.typing import NDArray

from curlet.core.brush.rules import Piece, Pieces
from curlet.core.lay.corners.made import MADE, mitred
from curlet.core.lay.corners.manner import SHARPEST_CUT, CornerArt, CornerAsk, Turning
from curlet.core.measures import Scale
from curlet.core.motif.edges import edge

Floats = NDArray[np.float64]

# How far crossings of an edge may lie off their mirror images, mm.
_EVEN = 1e-3


@dataclass(frozen=True)
class CornerPiece:
    """Artwork of reach r along each leg; where none is given, one made from the repeat."""

    breaks: bool = True
    sharp: bool = True

    def turning(self, ask: CornerAsk) -> Turning:
        piece = piece_for(ask.pieces, ask.corner.turn)
        if piece is None:
            return MADE[ask.rule.made](ask)
        reach = piece.length.drawn(ask.scale) * ask.size
        if not has_room(reach, ask.reach, ask.corner.turn):
            return mitred(ask)
        warp = partial(_fitted_cell, reach=reach, turn=ask.corner.turn)
        return Turning(take=reach, art=CornerArt((warp,), piece, kink=(reach, 1.0, reach)))


def _fitted_cell(points: Floats, reach: float, turn: float) -> Floats:
    return fitted(points * np.array([reach, 1.0]), reach, turn)


def has_room(reach: float, half_width: float, turn: float) -> bool:
    """Whether the artwork's part inside a turn has room: r > h·max(1, tan(τ/2)). Own derivation."""
    if abs(turn) >= SHARPEST_CUT:
        return False
    return reach > half_width * max(1.0, math.tan(math.radians(abs(turn)) / 2))


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
    """Whether a piece's entry edge is the same upside down."""
    length = piece.length.drawn(Scale())
    at = np.array([crossing.y for crossing in edge(piece.motif.make(Scale()), length, at_end=False)])
    return bool(np.abs(np.sort(at) + np.sort(at)[::-1]).max(initial=0.0) < _EVEN)


def fitted(points: Floats, reach: float, turn: float) -> Floats:
    """A square corner's artwork, mapped for another turn.

    Parameters
    ----------
    points : (k, 2) mm; x toward the corner at (reach, 0), the way going on downward from there.
    reach : r, mm along each leg.
    turn : τ, degrees; a turn to the left is the mirror of one to the right.

    Returns
    -------
    (k, 2) mm about the corner, x along the incoming leg, y to its right.

    Notes
    -----
    Each half is mapped x' = −r + (x + r)·(r + y·T)/(r + y), y' = y, with x toward the corner and y
    outward, T = tan(τ/2): entry edge and widths stay exact and the halves meet on the bisector.
    Own derivation.
    """
    tangent = math.tan(math.radians(abs(turn)) / 2)
    x, y = points[:, 0] - reach, points[:, 1]
    # On the incoming half outward is up, −y; on the outgoing half it is to the right, +x.
    incoming = x <= -y
    toward = np.where(incoming, x, -y)
    outward = np.where(incoming, -y, x)
    room = np.maximum(reach + outward, 1e-9)
    toward = -reach + (toward + reach) * (reach + outward * tangent) / room
    first = np.stack([toward, -outward], axis=1)
    angle = math.radians(abs(turn))
    # The outgoing half is the incoming one seen from the other leg.
    on, out = np.array([math.cos(angle), math.sin(angle)]), np.array([math.sin(angle), -math.cos(angle)])
    second = -toward[:, None] * on + outward[:, None] * out
    mapped = np.where(incoming[:, None], first, second)
    return mapped * np.array([1.0, -1.0]) if turn < 0 else mapped
