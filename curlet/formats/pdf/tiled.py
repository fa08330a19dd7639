"""A drawing at its true size over several sheets of paper, to be joined by marks in what overlaps."""

from __future__ import annotations

from collections.abc import Iterator

from pikepdf import Pdf

from curlet.formats.numbers import number
from curlet.formats.pdf.document import Placed, Sheet
from curlet.formats.pdf.stream import Operators
from curlet.formats.pdf.text import Letters
from curlet.formats.tiles import EDGE, Tiles

_CHECK = 100.0
_MARK, _HAIR = 4.0, 0.15
_SIZE = 3.2


def tiled(pdf: Pdf, placed: Placed, tiles: Tiles, letters: Letters) -> Iterator[Sheet]:
    """Sheets with the parts of a drawing, row by row, with crosses in what overlaps and a line to check the
    size by."""
    for index, part in enumerate(tiles.parts):
        row, column = divmod(index, tiles.columns)
        out = Operators(pdf)
        out.keep()
        out.add(f"{number(EDGE)} {number(EDGE)} {number(part.width)} {number(part.height)} re W n")
        placed.show(out, EDGE - part.left, EDGE - part.top)
        out.restore()
        _marks(out, tiles, row, column)
        where = f"row {row + 1} of {tiles.rows}, column {column + 1} of {tiles.columns}"
        letters.write(out, f"{placed.drawing.title}: {where}", EDGE, EDGE - 4, _SIZE)
        _check_line(out, tiles, letters)
        yield Sheet(tiles.width, tiles.height, out)


def _marks(out: Operators, tiles: Tiles, row: int, column: int) -> None:
    """Crosses in the middle of what overlaps: laid on those of the sheet beside it, the two are one."""
    across, down = tiles.step
    half = tiles.overlap / 2
    xs = [x for x, there in ((half, column > 0), (across + half, column < tiles.columns - 1)) if there]
    ys = [y for y, there in ((half, row > 0), (down + half, row < tiles.rows - 1)) if there]
    # Where sheets only join along one side, the marks stand at that side's ends.
    spots = [(x, y) for x in xs or (0.0, across + tiles.overlap) for y in ys or (0.0, down + tiles.overlap)]
    if not (xs or ys):
        return
    out.add(f"{number(_HAIR)} w 0 J 0 G [] 0 d")
    for x, y in spots:
        x, y = x + EDGE, y + EDGE
        out.add(
            f"{number(x - _MARK)} {number(y)} m {number(x + _MARK)} {number(y)} l "
            f"{number(x)} {number(y - _MARK)} m {number(x)} {number(y + _MARK)} l S"
        )
    out.forget("weight", "ends", "stroke", "dashes")


def _check_line(out: Operators, tiles: Tiles, letters: Letters) -> None:
    y = tiles.height - EDGE + 5
    x = EDGE
    out.add(
        f"{number(2 * _HAIR)} w 0 J 0 G {number(x)} {number(y)} m {number(x + _CHECK)} {number(y)} l "
        f"{number(x)} {number(y - 1.5)} m {number(x)} {number(y + 1.5)} l "
        f"{number(x + _CHECK)} {number(y - 1.5)} m {number(x + _CHECK)} {number(y + 1.5)} l S"
    )
    out.forget("weight", "ends", "stroke")
    letters.write(out, f"This line is {_CHECK:g} mm long.", x + _CHECK + 3, y + 1, _SIZE)
