"""The cloth under a tile: made a little longer or shorter, so that it repeats with the tile."""

from __future__ import annotations

from dataclasses import dataclass, replace

from curlet.core.drawing import Paint, Tiling, compose
from curlet.core.dress.cloth import Cloth
from curlet.core.errors import BadInput
from curlet.core.texture.rounds import MOST_ROUNDS, fewest_rounds, stretch

# A cloth that is longer or shorter by no more than this is not seen to be.
_UNSEEN = 0.01


@dataclass(frozen=True)
class Ground:
    """A cloth that repeats with a tile.

    Attributes
    ----------
    paint : what fills the tile under its rows, in mm of the garment.
    across, down : how many times the tile is repeated along and from row to row, so that the cloth comes out.
    notes : how the cloth is not quite as it was.
    """

    paint: Paint
    across: int
    down: int
    notes: tuple[str, ...]


def ground_of(cloth: Cloth, width: float, spacing: float | None) -> Ground:
    """A cloth under a tile so wide, with rows so far apart, mm.

    Raises
    ------
    BadInput
        If the tile repeats along itself only, or the cloth cannot be drawn.

    >>> ground_of(Cloth("plain", ends=20, picks=20), 4.0, 10.0).across
    1
    """
    if spacing is None:
        raise BadInput("A cloth repeats both ways. Say how far it is from row to row.")
    quarters = round(cloth.turn / 90)
    paint = replace(cloth, turn=90.0 * quarters).paint(1.0)
    if not isinstance(paint, Tiling):
        return Ground(paint, 1, 1, ())
    notes = [] if 90 * quarters == cloth.turn else ["The cloth is laid straight, so that it repeats."]
    sides = (paint.width, paint.height) if quarters % 2 == 0 else (paint.height, paint.width)
    (across, wider), (down, higher) = _fitted(width, sides[0]), _fitted(spacing, sides[1])
    most = max(abs(wider - 1), abs(higher - 1))
    if most > _UNSEEN:
        notes.append(f"The cloth is up to {100 * most:.1f} % coarser or finer, so that it repeats.")
    stretched = compose((wider, 0.0, 0.0, higher, 0.0, 0.0), paint.matrix)
    return Ground(replace(paint, matrix=stretched), across, down, tuple(notes))


def _fitted(step: float, side: float) -> tuple[int, float]:
    """How many steps a cloth's repeats come out in, the fewest in which they nearly do; and how much longer
    than they were they are then."""
    # A cloth's repeat may be far longer than the tile's.
    most = max(MOST_ROUNDS, round(2 * side / step))
    rounds = fewest_rounds(lambda n: abs(stretch(n * step, side) - 1), _UNSEEN, most)
    return rounds, stretch(rounds * step, side)
