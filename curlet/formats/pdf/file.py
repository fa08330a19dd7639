"""Drawings as the pages of one PDF."""

from __future__ import annotations

from collections.abc import Sequence

from pikepdf import Pdf

from curlet.core.drawing import Drawing
from curlet.formats.output import FileSettings, Tell, untold
from curlet.formats.papers import OWN_SIZE, PAPERS
from curlet.formats.pdf.document import Placed, Sheet, add_page, saved
from curlet.formats.pdf.stream import Operators
from curlet.formats.pdf.text import Letters
from curlet.formats.pdf.tiled import tiled
from curlet.formats.pdf.writer import Writer
from curlet.formats.tiles import tiles_of


def pdf_of(drawings: Sequence[Drawing], settings: FileSettings, tell: Tell = untold) -> bytes:
    """A PDF with a page for each drawing, as large as it is, or each over sheets of a paper."""
    pdf = Pdf.new()
    letters = Letters(pdf)
    writer = Writer(pdf, settings.ppi, letters)
    for done, drawing in enumerate(drawings):

        def told(share: float, doing: str, done: int = done) -> None:
            tell((done + share) / len(drawings), doing)

        placed = Placed(writer.drawing(drawing, told), drawing, settings.larger)
        if settings.paper == OWN_SIZE:
            add_page(pdf, _alone(pdf, placed))
            continue
        tiles = tiles_of(placed.width, placed.height, PAPERS[settings.paper], settings.overlap)
        for sheet in tiled(pdf, placed, tiles, letters):
            add_page(pdf, sheet)
    letters.finish()
    return saved(pdf, drawings[0].title)


def _alone(pdf: Pdf, placed: Placed) -> Sheet:
    out = Operators(pdf)
    placed.show(out, 0.0, 0.0)
    return Sheet(placed.width, placed.height, out)
