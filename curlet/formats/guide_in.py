"""A guide picture from a file: a photograph, a scan, or a drawing."""

from __future__ import annotations

import io
from dataclasses import dataclass

from PIL import Image

from curlet.core.drawing import Drawing
from curlet.core.measures import MM_PER_INCH
from curlet.formats.as_drawn import DrawnPath, draw_as_drawn
from curlet.formats.pictures import read_picture
from curlet.formats.png_out import write_png
from curlet.formats.svg_in import read_svg

# Enough to trace over, little enough to keep.
MAX = 4_000_000
_DRAWN_ACROSS = 2_000


@dataclass(frozen=True)
class Guide:
    """A PNG and its size in pixels."""

    png: bytes
    width: int
    height: int


def read_guide(data: bytes) -> Guide:
    """Read a PNG, JPEG or WebP picture, or an SVG drawing as a picture.

    Raises
    ------
    BadInput, TooMuch
        If it is none of these, broken, hostile or too large.
    """
    if data.lstrip()[:1] == b"<" or data[:3] == b"\xef\xbb\xbf":
        return _drawn(data)
    pixels = read_picture(data, MAX).pixels
    out = io.BytesIO()
    Image.fromarray(pixels).save(out, "PNG", optimize=False, compress_level=6)
    return Guide(out.getvalue(), pixels.shape[1], pixels.shape[0])


def _drawn(data: bytes) -> Guide:
    taken = read_svg(data)
    paths = (
        DrawnPath(str(i), line.name, line.path, line.facts, dressed=False)
        for i, line in enumerate(taken.paths)
    )
    drawing = Drawing(taken.width, taken.height, draw_as_drawn(paths))
    ppi = _DRAWN_ACROSS / max(taken.width, taken.height) * MM_PER_INCH
    png = write_png(drawing, min(max(ppi, 10.0), 2_400.0))
    with Image.open(io.BytesIO(png)) as picture:
        return Guide(png, picture.width, picture.height)
