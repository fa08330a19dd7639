"""A drawing from a file of any kind that is read: SVG or DXF, told by what is in it."""

from __future__ import annotations

from collections.abc import Callable

from curlet.formats.dxf_in import is_binary_dxf, read_dxf
from curlet.formats.svg_in import ImportedDrawing, read_svg

# A mark that a text is UTF-8 may stand before it.
_MARK = b"\xef\xbb\xbf"


def read_drawing(
    data: bytes, tell: Callable[[float, str], None] = lambda share, doing: None
) -> ImportedDrawing:
    """The lines of a drawing; raises as `read_svg` and `read_dxf`."""
    begins = data.removeprefix(_MARK).lstrip()[:1]
    # What is packed begins with no letter of either, and is said to be no drawing by the one that reads text.
    return read_dxf(data, tell) if begins.isdigit() or is_binary_dxf(data) else read_svg(data, tell)
