"""Writing a work page as a PDF."""

from __future__ import annotations

from collections.abc import Sequence

from pikepdf import Pdf

from curlet.core.drawing import Solid
from curlet.formats.numbers import number
from curlet.formats.output import Tell, untold
from curlet.formats.papers import MARGIN, PAPERS
from curlet.formats.pdf.document import Placed, Sheet, add_page, saved
from curlet.formats.pdf.paints import colour
from curlet.formats.pdf.stream import Operators
from curlet.formats.pdf.tables import TableWriter
from curlet.formats.pdf.text import BOLD, Letters
from curlet.formats.pdf.writer import Writer
from curlet.formats.plain_text import LINE_PITCH, wrapped
from curlet.formats.work_page import HEAD, BrushShown, WorkPage, room_for_flat

PPI = 300.0
TITLE, HEADING, TEXT = 5.0, 3.4, 2.6
_HAIR = 0.2
# Of a shade on the card, mm.
_SWATCH, _ROW = (12.0, 6.0), 8.0
_COLUMNS, _BETWEEN = 2, 10.0


def write_work_page(page: WorkPage, paper: str = "a4", tell: Tell = untold) -> bytes:
    """The pages, landscape, on a paper in `PAPERS`; `tell` hears how much of the flat is written."""
    pdf = Pdf.new()
    letters, bold = Letters(pdf), Letters(pdf, BOLD)
    writer = _Pages(pdf, paper, Writer(pdf, PPI, letters), letters, bold)
    for sheet in (writer.flat(page, tell), *writer.brushes(page)):
        add_page(pdf, sheet)
    tables = TableWriter(pdf, PAPERS[paper], letters, bold)
    for sheet in tables.pages(f"{page.title}, schedule", page.notes, page.tables):
        add_page(pdf, sheet)
    letters.finish()
    bold.finish()
    return saved(pdf, f"{page.title}, work page")


class _Pages:
    def __init__(self, pdf: Pdf, paper: str, writer: Writer, letters: Letters, bold: Letters) -> None:
        self._pdf, self._writer, self._letters, self._bold = pdf, writer, letters, bold
        self._width, self._height = PAPERS[paper].height, PAPERS[paper].width
        self._room = room_for_flat(paper)

    def flat(self, page: WorkPage, tell: Tell) -> Sheet:
        """The sheet in the middle of its room, its title above and the scale bar beneath."""
        out = Operators(self._pdf)
        self._bold.write(out, page.title, MARGIN, MARGIN + TITLE, TITLE)
        placed = Placed(self._writer.drawing(page.flat, tell), page.flat, page.larger)
        across, down = self._room
        placed.show(out, MARGIN + (across - placed.width) / 2, MARGIN + HEAD + (down - placed.height) / 2)
        words, long = page.bar
        self._bar(out, words, long * page.larger)
        return Sheet(self._width, self._height, out)

    def _bar(self, out: Operators, words: str, long: float) -> None:
        x, y = MARGIN, self._height - MARGIN
        out.add(
            f"{number(_HAIR)} w 0 J 0 G [] 0 d {number(x)} {number(y)} m {number(x + long)} {number(y)} l "
            f"{number(x)} {number(y - 1.5)} m {number(x)} {number(y + 1.5)} l "
            f"{number(x + long)} {number(y - 1.5)} m {number(x + long)} {number(y + 1.5)} l S"
        )
        out.forget("weight", "ends", "stroke", "dashes")
        self._letters.write(out, words, x + long + 3, y + 0.9, TEXT)

    def brushes(self, page: WorkPage) -> list[Sheet]:
        """The brushes one below the other in columns, then the shade card."""
        made: list[Sheet] = []
        column = (self._width - 2 * MARGIN - _BETWEEN * (_COLUMNS - 1)) / _COLUMNS
        flow = _Flow(self._width, self._height, column)
        heading = f"{page.title}, brushes as large as on the garment"
        out = self._begun(made, heading)
        for brush in page.brushes:
            lines = [line for words in brush.words for line in wrapped(words, column, TEXT)]
            high = HEADING * LINE_PITCH + brush.drawing.height + 2 + len(lines) * TEXT * LINE_PITCH + 5
            if flow.next(high):
                out = self._begun(made, heading)
            self._brush(out, flow, brush, lines)
            flow.down(high)
        if page.shades:
            high = 2 * HEADING * LINE_PITCH + _ROW
            if flow.next(high):
                out = self._begun(made, heading)
            self._bold.write(out, "Shade card", flow.x, flow.y + HEADING, HEADING)
            flow.down(HEADING * LINE_PITCH)
            self._letters.write(out, ", ".join(page.colourways), flow.x, flow.y + TEXT, TEXT)
            flow.down(HEADING * LINE_PITCH)
            for name, colours in page.shades:
                if flow.next(_ROW):
                    out = self._begun(made, heading)
                self._shade(out, flow, name, colours)
                flow.down(_ROW)
        return made

    def _begun(self, made: list[Sheet], heading: str) -> Operators:
        out = Operators(self._pdf)
        made.append(Sheet(self._width, self._height, out))
        self._bold.write(out, heading, MARGIN, MARGIN + HEADING, HEADING)
        return out

    def _brush(self, out: Operators, flow: _Flow, brush: BrushShown, lines: Sequence[str]) -> None:
        y = flow.y + HEADING
        self._bold.write(out, brush.name, flow.x, y, HEADING)
        y += 0.4 * HEADING
        form = self._writer.drawing(brush.drawing)
        out.keep()
        out.add(f"{number(flow.x)} {number(y)} {number(flow.column)} {number(brush.drawing.height)} re W n")
        Placed(form, brush.drawing, 1.0).show(out, flow.x, y)
        out.restore()
        y += brush.drawing.height + TEXT * LINE_PITCH
        for line in lines:
            self._letters.write(out, line, flow.x, y, TEXT)
            y += TEXT * LINE_PITCH

    def _shade(self, out: Operators, flow: _Flow, name: str, colours: Sequence[str]) -> None:
        x = flow.x
        for each in colours:
            wide, high = _SWATCH
            out.add(
                f"{colour(Solid(each))} rg {number(_HAIR)} w 0 G {number(x)} {number(flow.y)} {number(wide)} "
                f"{number(high)} re B"
            )
            x += wide + 2
        out.forget("fill", "weight", "stroke")
        text = f"{name}  {'  '.join(colours)}"
        self._letters.write(out, text, x + 1, flow.y + 0.7 * _SWATCH[1], TEXT)


class _Flow:
    """Where the next thing goes: down a column, to the next one, to another page."""

    def __init__(self, width: float, height: float, column: float) -> None:
        self.column, self._foot = column, height - MARGIN
        self._top = MARGIN + 2 * HEADING
        self._at, self.y = 0, self._top

    @property
    def x(self) -> float:
        return MARGIN + self._at * (self.column + _BETWEEN)

    def next(self, high: float) -> bool:
        """Make room for something so high; whether another page begins."""
        if self.y + high <= self._foot or self.y == self._top:
            return False
        self._at, self.y = self._at + 1, self._top
        if self._at < _COLUMNS:
            return False
        self._at = 0
        return True

    def down(self, high: float) -> None:
        self.y += high
