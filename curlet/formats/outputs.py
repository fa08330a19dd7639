"""Every format of exported files, by the ending of its name: the command line, the page and the application
all read this list. A new one is a file with an `Output` and a line here."""

from __future__ import annotations

from collections.abc import Sequence

from curlet.core.choice import chosen
from curlet.core.drawing import Drawing
from curlet.formats.dxf_lines import DXF
from curlet.formats.jpeg_out import JPEG
from curlet.formats.ora_out import ORA
from curlet.formats.output import FileSettings, Output, Tell, untold
from curlet.formats.pdf_out import PDF
from curlet.formats.png_out import PNG
from curlet.formats.svg_out import SVG

OUTPUTS: dict[str, Output] = {
    "svg": SVG, "pdf": PDF, "png": PNG, "jpg": JPEG, "ora": ORA, "dxf": DXF,
}  # fmt: skip


def write(
    form: str, drawings: Sequence[Drawing], settings: FileSettings | None = None, tell: Tell = untold
) -> bytes:
    """Drawings as one file of a format, by its name in `OUTPUTS`; each is checked before any is written.

    Raises
    ------
    BadInput
        If there is no such format, or it does not take these drawings.
    TooMuch
        If the file would be too large.

    >>> write("svg", [Drawing(20, 10)])[:5]
    b'<?xml'
    """
    output, settings = chosen(OUTPUTS, form, "format"), settings or FileSettings()
    for drawing in drawings:
        output.check(drawing, settings)
    return output.write(drawings, settings, tell)
