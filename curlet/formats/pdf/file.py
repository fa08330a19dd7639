"""Drawings as the pages of one PDF."""

from __future__ import annotations

from collections.abc import Sequence

from pikepdf import Pdf, Stream

from curlet.core.drawing import Drawing
from curlet.formats.output import FileSettings, Tell, untold
from curlet.formats.papers import OWN_SIZE, PAPERS
from curlet.formats.pdf.document import Sheet, add_page, saved
from curlet.formats.pdf.stream import Operators
from curlet.formats.pdf.text import Letters
from curlet.formats.pdf.tiled import tiled
from curlet.formats.pdf.writer import Writer
from curlet.formats.tiles import tiles_of


def pdf_of(drawings: Sequence[Drawing], settings: FileSettings, tell: Tell = untold) -> bytes:
    """A PDF with a page for each drawing, as large as it is, or each over sheets of a paper."""
    pdf = Pdf.new()
    writer, letters = Writer(pdf, settings.ppi), Letters(pdf)
    for done, drawing in enumerate(drawings):

        def told(share: float, doing: str, done: int = done) -> None:
            tell((done + share) / len(drawings), doing)

        form = writer.drawing(drawing, told)
        if settings.paper == OWN_SIZE:
            add_page(pdf, _alone(pdf, form, drawing))
            continue
        tiles = tiles_of(drawing, PAPERS[settings.paper], settings.overlap)
        for sheet in tiled(pdf, form, drawing, tiles, letters):
            add_page(pdf, sheet)
    letters.finish()
    return saved(pdf, drawings[0].title)


def _alone(pdf: Pdf, form: Stream, drawing: Drawing) -> Sheet:
    left, top = drawing.corner or (0.0, 0.0)
    out = Operators(pdf)
    out.move((1.0, 0.0, 0.0, 1.0, -left, -top))
    out.add(f"{out.named('XObject', form)} Do")
    return Sheet(drawing.width, drawing.height, out)
