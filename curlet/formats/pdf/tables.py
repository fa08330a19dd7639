"""Tables over as many pages of paper as they need, as text that can be searched and copied."""

from __future__ import annotations

from collections.abc import Iterator, Sequence

from pikepdf import Pdf

from curlet.formats.numbers import number
from curlet.formats.papers import MARGIN, Paper
from curlet.formats.pdf.document import Sheet
from curlet.formats.pdf.stream import Operators
from curlet.formats.pdf.text import Letters
from curlet.formats.schedule_table import Column, Line, Table, is_number, told

_SIZE, _HEADING, _TITLE = 2.6, 2.6, 5.0
_PITCH, _LINE_PITCH, _BETWEEN = 4.6, 3.3, 2.5
_HAIR = 0.12
# A column of words is no narrower than this, mm, however little room there is.
_NARROWEST = 12.0
_FURTHER = "…"


class TableWriter:
    """Writes tables below one another on landscape pages of a paper.

    Parameters
    ----------
    letters, bold : text, and text of headings.
    """

    def __init__(self, pdf: Pdf, paper: Paper, letters: Letters, bold: Letters) -> None:
        self._pdf, self._letters, self._bold = pdf, letters, bold
        self.width, self.height = paper.height, paper.width
        self._out: Operators | None = None
        self._y = 0.0

    def pages(self, title: str, notes: Sequence[str], tables: Sequence[tuple[str, Table]]) -> Iterator[Sheet]:
        """Pages with a title, some notes and tables under their headings; every page says its number."""
        made: list[Operators] = []
        self._begin(made)
        self._bold.write(self._page, title, MARGIN, self._y, _TITLE)
        self._y += _TITLE
        for note in notes:
            self._letters.write(self._page, note, MARGIN, self._y, _SIZE)
            self._y += _PITCH
        for heading, table in tables:
            self._table(made, heading, table)
        for at, page in enumerate(made, 1):
            text = f"{title}, page {at} of {len(made)}"
            left = self.width - MARGIN - self._letters.width(text, _SIZE)
            self._letters.write(page, text, left, self.height - MARGIN / 2, _SIZE)
            yield Sheet(self.width, self.height, page)

    @property
    def _page(self) -> Operators:
        assert self._out is not None
        return self._out

    def _begin(self, made: list[Operators]) -> None:
        self._out = Operators(self._pdf)
        made.append(self._out)
        self._y = MARGIN + _TITLE

    def _table(self, made: list[Operators], heading: str, table: Table) -> None:
        shown = [column for column in table.columns if _has_any(column, table)]
        places = self._places(shown, table)
        if self._y + 4 * _PITCH > self.height - MARGIN:
            self._begin(made)
        self._y += _PITCH
        self._bold.write(self._page, heading, MARGIN, self._y, 1.3 * _HEADING)
        self._y += _PITCH
        self._headings(shown, places)
        for line in table.lines:
            wrapped = self._wrapped(line, shown, places)
            if self._y + _height(wrapped) > self.height - MARGIN:
                self._begin(made)
                self._headings(shown, places)
            self._row(wrapped, shown, places, self._letters)
        self._rule()
        wrapped = self._wrapped(table.sums, shown, places)
        if self._y + _height(wrapped) > self.height - MARGIN:
            self._begin(made)
            self._headings(shown, places)
        self._row(wrapped, shown, places, self._bold)

    def _headings(self, shown: list[Column], places: list[tuple[float, float]]) -> None:
        wrapped = [
            self._wrap(column.heading, width, self._bold)
            for column, (_, width) in zip(shown, places, strict=True)
        ]
        self._row(wrapped, shown, places, self._bold)
        self._rule()

    def _rule(self) -> None:
        y = self._y - _PITCH + 1.1
        self._page.add(
            f"{number(_HAIR)} w 0 J 0 G [] 0 d {number(MARGIN)} {number(y)} m "
            f"{number(self.width - MARGIN)} {number(y)} l S"
        )
        self._page.forget("weight", "ends", "stroke", "dashes")

    def _row(
        self,
        wrapped: list[list[str]],
        shown: list[Column],
        places: list[tuple[float, float]],
        letters: Letters,
    ) -> None:
        for texts, column, (left, width) in zip(wrapped, shown, places, strict=True):
            for at, text in enumerate(texts):
                # Numbers stand under one another by their ends.
                aside = width - letters.width(text, _SIZE) if is_number(column) else 0.0
                letters.write(self._page, text, left + aside, self._y + at * _LINE_PITCH, _SIZE)
        self._y += _height(wrapped)

    def _places(self, shown: list[Column], table: Table) -> list[tuple[float, float]]:
        """Each column's left edge and width: as wide as what is in it; where that is too wide together, those
        of words give way."""
        lines = [*table.lines, table.sums]
        wide = []
        for column in shown:
            words = max((self._bold.width(word, _SIZE) for word in column.heading.split()), default=0.0)
            texts = (told(line.cells.get(column.key), column) for line in lines)
            wide.append(max(words, max(self._bold.width(text, _SIZE) for text in texts)))
        room = self.width - 2 * MARGIN - _BETWEEN * (len(shown) - 1)
        while sum(wide) > room:
            over = sum(wide) - room
            widest = max(
                (at for at, column in enumerate(shown) if not is_number(column)), key=lambda at: wide[at]
            )
            if wide[widest] <= _NARROWEST:
                break
            wide[widest] = max(_NARROWEST, wide[widest] - max(over / 4, 1.0))
        left, places = MARGIN, []
        for width in wide:
            places.append((left, width))
            left += width + _BETWEEN
        return places

    def _wrapped(self, line: Line, shown: list[Column], places: list[tuple[float, float]]) -> list[list[str]]:
        return [
            self._wrap(told(line.cells.get(column.key), column), width, self._bold)
            for column, (_, width) in zip(shown, places, strict=True)
        ]

    def _wrap(self, text: str, width: float, letters: Letters) -> list[str]:
        """Text in lines no wider than a column; a word that is wider is cut."""
        lines, now = [], ""
        for word in text.split():
            longer = f"{now} {word}".strip()
            if not now or letters.width(longer, _SIZE) <= width + 1e-6:
                now = longer
            else:
                lines.append(now)
                now = word
        return [self._cut(line, width, letters) for line in (*lines, now)]

    def _cut(self, text: str, width: float, letters: Letters) -> str:
        if letters.width(text, _SIZE) <= width + 1e-6:
            return text
        while text and letters.width(text + _FURTHER, _SIZE) > width:
            text = text[:-1]
        return text + _FURTHER


def _height(wrapped: list[list[str]]) -> float:
    return _PITCH + _LINE_PITCH * (max(map(len, wrapped), default=1) - 1)


def _has_any(column: Column, table: Table) -> bool:
    """Whether a column has anything in it."""
    return any(line.cells.get(column.key) not in (None, "") for line in table.lines) or column.key == "name"
