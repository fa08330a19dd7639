"""Writing a drawing as JPEG at its true size, on white where it has no background."""

from __future__ import annotations

import io

import numpy as np
import skia
from PIL import Image

from curlet.core.drawing import Drawing
from curlet.core.errors import TooMuch
from curlet.formats.output import FileSettings, Output, Tell, alone, untold
from curlet.formats.png_out import check_pixels, paint_on
from curlet.formats.srgb import srgb_profile

# A JPEG's sides are counted in 16 bits (ITU-T T.81, B.2.2).
MAX_SIDE = 65_500
# From here on every pixel keeps a colour of its own, so that thin coloured thread does not fade.
_WHOLE_COLOUR = 75


def write_jpeg(drawing: Drawing, settings: FileSettings, tell: Tell = untold) -> bytes:
    """A JPEG that says its resolution and that it is sRGB.

    Raises
    ------
    TooMuch
        If it would have more than 150 million pixels, or more than 65,500 along a side.
    """
    width, height = check_pixels(drawing, settings.ppi)
    pixels = np.empty((height, width, 4), dtype=np.uint8)
    surface = skia.Surface(pixels, skia.kRGBA_8888_ColorType)
    paint_on(surface, drawing, settings.ppi, skia.ColorWHITE, tell=tell)
    picture = Image.frombuffer("RGBX", (width, height), pixels)
    out = io.BytesIO()
    picture.save(
        out,
        "JPEG",
        quality=round(settings.quality),
        subsampling=0 if settings.quality >= _WHOLE_COLOUR else 2,
        dpi=(settings.ppi, settings.ppi),
        icc_profile=srgb_profile(),
        optimize=True,
    )
    return out.getvalue()


def check(drawing: Drawing, settings: FileSettings) -> None:
    """Raises as `write_jpeg`."""
    sides = check_pixels(drawing, settings.ppi)
    if max(sides) > MAX_SIDE:
        raise TooMuch(
            f"At {settings.ppi:g} ppi this is {max(sides):,} pixels long, and a JPEG has {MAX_SIDE:,} at "
            "the most. Ask for fewer ppi, or for a PNG."
        )


JPEG = Output("JPEG on white", "image/jpeg", alone(write_jpeg), check, settings=("ppi", "quality"))
