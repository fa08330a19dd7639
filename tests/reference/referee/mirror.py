"""Mirroring: a path's mirror image with the brush's mirror image is the drawing's mirror image."""

from __future__ import annotations

from dataclasses import dataclass, replace

import numpy as np
from scipy.ndimage import binary_opening

from curlet.core.brush import Brush, Piece, Pieces, Row
from curlet.core.brush.courses import Letter
from curlet.core.drawing import Drawing
from curlet.core.lay import lay
from curlet.core.lay.corners.piece import piece_for
from curlet.core.lay.draw import draw_run
from curlet.core.measures import MM_PER_INCH, Measure, Scale
from curlet.core.motif.motif import Motif, MotifMaker, reshaped
from curlet.formats.png_out import write_png
from scripts.gallery import scaled
from tests.reference.pictures import read_png
from tests.reference.referee.cases import LEG, Case
from tests.reference.referee.seams import AROUND
from tests.shapes import two_legs

# Edges are drawn a little otherwise upside down: what tells is deeper, and more than a pixel across.
_TELLS = 0.3
# Fewer pixels than these differ where two edges all but meet.
MAX_UNLIKE = 12


@dataclass(frozen=True)
class Mirrored:
    """A motif upside down."""

    motif: MotifMaker

    @property
    def bends(self) -> bool:
        return self.motif.bends

    @property
    def by_turns(self) -> tuple[MotifMaker, ...]:
        return tuple(Mirrored(turn) for turn in getattr(self.motif, "by_turns", ()))

    @property
    def thread(self) -> Measure | None:
        return self.motif.thread

    def make(self, scale: Scale) -> Motif:
        return reshaped(self.motif.make(scale), lambda points: points * (1, -1))

    def check(self) -> None:
        self.motif.check()


def unlike(case: Case, ppi: float = 72.0) -> int:
    """How many pixels of a case and its mirror image differ."""
    brush = _still(case.run.brush)
    path = two_legs(-case.legs[0], -case.legs[1], -case.turn, LEG)
    drawn = draw_run(lay(case.path, brush, Scale()), "run", "")
    other = draw_run(lay(path, _mirrored(brush), Scale()), "run", "")
    x, y = case.path.segments.reshape(-1, 2).T
    # Both begin at one place, going one way: that is the mirror's line.
    low, axis = x.min() - AROUND, y[0]
    half = np.abs(y - axis).max() + AROUND
    columns, rows = round((x.max() + AROUND - low) / MM_PER_INCH * ppi), 2 * round(half / MM_PER_INCH * ppi)
    width, height = (count / ppi * MM_PER_INCH for count in (columns, rows))
    pictures = [
        read_png(
            write_png(
                Drawing(width, height, (scaled(item, 1.0, (-float(low), height / 2 - float(axis))),)), ppi
            )
        )
        for item in (drawn, other)
    ]
    differs = np.abs(pictures[0] - pictures[1][::-1]).max(axis=2) > _TELLS
    return int(binary_opening(differs, np.ones((2, 2))).sum())


def _still(brush: Brush) -> Brush:
    """Without what is at random."""
    return replace(
        brush, courses=tuple(replace(c, sway=()) if isinstance(c, Row) else c for c in brush.courses)
    )


def _mirrored(brush: Brush) -> Brush:
    return replace(brush, courses=tuple(_course(course) for course in brush.courses))


def _course(course: object) -> object:
    moved = replace(course, offset=replace(course.offset, mm=-course.offset.mm))
    if not isinstance(moved, Row):
        return moved
    more = tuple(Letter(Mirrored(letter.motif), letter.length) for letter in moved.more)
    pieces, facing = moved.pieces, moved.facing
    return replace(
        moved,
        motif=Mirrored(moved.motif),
        more=more,
        facing=replace(facing, angle=-facing.angle),
        pieces=Pieces(
            _piece(pieces.start),
            _piece(pieces.end),
            # Corner artwork is drawn for a turn to the right and stands mirrored at one to the left.
            piece_for(pieces, -90),
            piece_for(pieces, 90),
            _piece(pieces.join),
        ),
    )


def _piece(piece: Piece | None) -> Piece | None:
    return piece and replace(piece, motif=Mirrored(piece.motif))
