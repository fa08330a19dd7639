"""How a drawing lies at its true size over several sheets of paper."""

from __future__ import annotations

import math
from dataclasses import dataclass
from itertools import product

from curlet.core.errors import BadInput, TooMuch
from curlet.formats.papers import Paper

# What printers leave bare, and where the words are, mm.
EDGE = 12.0
MAX_PAGES = 400


@dataclass(frozen=True)
class Part:
    """What a sheet of paper shows: the left and top of it on the drawing, and its size, mm."""

    left: float
    top: float
    width: float
    height: float


@dataclass(frozen=True)
class Tiles:
    """How a drawing lies over sheets of paper.

    Attributes
    ----------
    width, height : a sheet's, mm.
    columns, rows : how many there are.
    overlap : how much of each is on the next one too, mm.
    """

    width: float
    height: float
    columns: int
    rows: int
    overlap: float

    @property
    def step(self) -> tuple[float, float]:
        """How far it is from one sheet's part to the next, mm."""
        return self.width - 2 * EDGE - self.overlap, self.height - 2 * EDGE - self.overlap

    @property
    def parts(self) -> list[Part]:
        """What each sheet shows, row by row."""
        across, down = self.step
        size = self.width - 2 * EDGE, self.height - 2 * EDGE
        places = product(range(self.rows), range(self.columns))
        return [Part(column * across, row * down, *size) for row, column in places]


def tiles_of(width: float, height: float, paper: Paper, overlap: float) -> Tiles:
    """The fewest sheets for a drawing of a size in mm, upright or on their sides.

    Raises
    ------
    BadInput
        If so much overlaps that the sheets get nowhere.
    TooMuch
        If there would be more than 400.

    >>> from curlet.formats.papers import PAPERS
    >>> found = tiles_of(420, 297, PAPERS["a4"], 10.0)
    >>> found.columns, found.rows
    (2, 2)
    """
    ways = []
    for across, down in ((paper.width, paper.height), (paper.height, paper.width)):
        columns, rows = (
            _count(side, room - 2 * EDGE, overlap) for side, room in ((width, across), (height, down))
        )
        ways.append(Tiles(across, down, columns, rows, overlap))
    best = min(ways, key=lambda way: way.columns * way.rows)
    if best.columns * best.rows > MAX_PAGES:
        raise TooMuch(
            f"This would be {best.columns * best.rows:,} sheets of {paper.name}, and {MAX_PAGES} is the "
            "most. Choose larger paper, or its own size."
        )
    return best


def _count(side: float, room: float, overlap: float) -> int:
    if overlap >= room / 2:
        raise BadInput(f"An overlap of {overlap:g} mm leaves too little of the paper. Make it smaller.")
    return max(1, math.ceil((side - overlap) / (room - overlap) - 1e-9))
