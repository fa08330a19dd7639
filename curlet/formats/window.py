"""A part of a picture file, pixel for pixel."""

from __future__ import annotations

import io
import warnings
from dataclasses import dataclass

from PIL import Image

from curlet.core.errors import BadInput
from curlet.formats.output import Tell, untold

MAX_SIDE = 2_400


@dataclass(frozen=True)
class Window:
    """Pixels from `left` and `top` on, so many across and down."""

    left: int
    top: int
    across: int
    down: int


def window(picture: bytes, part: Window, tell: Tell = untold) -> bytes:
    """A PNG of a part of a picture file of our own; what lies beyond the picture is left out.

    Raises
    ------
    BadInput
        If all of it lies beyond the picture.
    """
    with warnings.catch_warnings():
        # It is no stranger's file, however large.
        warnings.simplefilter("ignore", Image.DecompressionBombWarning)
        opened = Image.open(io.BytesIO(picture))
    if part.left >= opened.width or part.top >= opened.height:
        raise BadInput(f"The picture is {opened.width:,} × {opened.height:,} pixels. Ask for a part of it.")
    right, foot = min(opened.width, part.left + part.across), min(opened.height, part.top + part.down)
    out = io.BytesIO()
    opened.crop((part.left, part.top, right, foot)).save(out, "PNG", compress_level=1)
    return out.getvalue()
