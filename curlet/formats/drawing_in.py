"""A drawing from a file of any kind that is read: SVG, DXF or PDF, told by what is in it."""

from __future__ import annotations

from curlet.formats.dxf_in import is_binary_dxf, read_dxf
from curlet.formats.imported import ImportedDrawing
from curlet.formats.output import Tell, untold
from curlet.formats.pdf_in import is_pdf, read_pdf
from curlet.formats.svg_in import read_svg

# A mark that a text is UTF-8 may stand before it.
_MARK = b"\xef\xbb\xbf"


def read_drawing(data: bytes, page: int = 1, tell: Tell = untold) -> ImportedDrawing:
    """The lines of a drawing, or of one page of it; raises as `read_svg`, `read_dxf` and `read_pdf`."""
    if is_pdf(data):
        return read_pdf(data, tell, page)
    begins = data.removeprefix(_MARK).lstrip()[:1]
    # What is packed begins with no letter of either, and is said to be no drawing by the one that reads text.
    return read_dxf(data, tell) if begins.isdigit() or is_binary_dxf(data) else read_svg(data, tell)
