"""A part of a picture, pixel for pixel as it will be in the file."""

from __future__ import annotations

import io
from dataclasses import dataclass

import numpy as np
import skia
from numpy.typing import NDArray
from PIL import Image

from curlet.core.drawing import Drawing
from curlet.core.errors import BadInput
from curlet.formats.jpeg_out import encode_jpeg
from curlet.formats.output import FileSettings, Tell, untold
from curlet.formats.png_out import check_pixels, paint_on

MAX_SIDE = 2_400
# A JPEG is made of blocks: of so many pixels at the most, with colours at half the resolution.
_BLOCK = 16


@dataclass(frozen=True)
class Window:
    """Pixels from `left` and `top` on, so many across and down."""

    left: int
    top: int
    across: int
    down: int


def window(drawing: Drawing, form: str, settings: FileSettings, part: Window, tell: Tell = untold) -> bytes:
    """A PNG of a part of a picture in a format; of a JPEG with what that loses. What lies beyond the picture
    is left out.

    Raises
    ------
    BadInput
        If all of it lies beyond the picture.
    TooMuch
        If the whole picture would have too many pixels.
    """
    width, height = check_pixels(drawing, settings.ppi)
    right, foot = min(width, part.left + part.across), min(height, part.top + part.down)
    # Whole blocks, or up to the edge, as in the file itself.
    block = _BLOCK if form == "jpg" else 1
    left, top = (side // block * block for side in (part.left, part.top))
    far, deep = min(width, -(-right // block) * block), min(height, -(-foot // block) * block)
    if part.left >= width or part.top >= height:
        raise BadInput(f"The picture is {width:,} × {height:,} pixels. Ask for a part of it.")
    pixels = np.zeros((deep - top, far - left, 4), dtype=np.uint8)
    surface = skia.Surface(pixels, skia.kRGBA_8888_ColorType)
    ground = skia.ColorWHITE if form == "jpg" else skia.ColorTRANSPARENT
    paint_on(surface, drawing, settings.ppi, ground, (left, top), tell)
    picture = _as_file(pixels, form, settings)
    out = io.BytesIO()
    picture.crop((part.left - left, part.top - top, right - left, foot - top)).save(
        out, "PNG", compress_level=1
    )
    return out.getvalue()


def _as_file(pixels: NDArray[np.uint8], form: str, settings: FileSettings) -> Image.Image:
    if form == "jpg":
        return Image.open(io.BytesIO(encode_jpeg(pixels, settings)))
    # Skia's are multiplied by their opacity.
    return Image.fromarray(_divided(pixels), "RGBA")


def _divided(pixels: NDArray[np.uint8]) -> NDArray[np.uint8]:
    opacity = np.maximum(pixels[..., 3:], 1).astype(np.uint16)
    colours = (pixels[..., :3].astype(np.uint16) * 255 + opacity // 2) // opacity
    return np.concatenate([np.minimum(colours, 255).astype(np.uint8), pixels[..., 3:]], axis=-1)
