"""The schedule as a PDF to print."""

from __future__ import annotations

from collections.abc import Sequence

from pikepdf import Pdf

from curlet.core.tally.schedule import Seam
from curlet.formats.papers import PAPERS
from curlet.formats.pdf.document import add_page, saved
from curlet.formats.pdf.tables import TableWriter
from curlet.formats.pdf.text import BOLD, Letters
from curlet.formats.schedule_table import all_tables


def write_schedule_pdf(
    title: str, notes: Sequence[str], seams: Sequence[Seam], unit: str, paper: str = "a4"
) -> bytes:
    """Tables by run, seam group, brush and shade, on landscape pages of a paper in `PAPERS`."""
    pdf = Pdf.new()
    letters, bold = Letters(pdf), Letters(pdf, BOLD)
    writer = TableWriter(pdf, PAPERS[paper], letters, bold)
    for page in writer.pages(title, notes, all_tables(seams, unit)):
        add_page(pdf, page)
    letters.finish()
    bold.finish()
    return saved(pdf, title)
