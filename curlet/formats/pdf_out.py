"""Writing drawings as PDF, one to a page or each over several sheets of paper."""

from __future__ import annotations

from collections.abc import Sequence

from curlet.core.drawing import Drawing
from curlet.formats.output import FileSettings, Output, Tell, untold
from curlet.formats.papers import OWN_SIZE, PAPERS
from curlet.formats.tiles import tiles_of


def write_pdf(drawings: Sequence[Drawing], settings: FileSettings, tell: Tell = untold) -> bytes:
    """A PDF true to size.

    Raises
    ------
    BadInput, TooMuch
        If it cannot be laid over the paper.
    """
    # Imported here: it takes as long as all else that the application starts with.
    from curlet.formats.pdf.file import pdf_of

    return pdf_of(drawings, settings, tell)


def check(drawing: Drawing, settings: FileSettings) -> None:
    """Raises as `write_pdf`."""
    if settings.paper != OWN_SIZE:
        size = drawing.width * settings.larger, drawing.height * settings.larger
        tiles_of(*size, PAPERS[settings.paper], settings.overlap)


PDF = Output(
    "PDF", "application/pdf", write_pdf, check, settings=("paper", "overlap", "larger", "ppi"), pages=True
)
