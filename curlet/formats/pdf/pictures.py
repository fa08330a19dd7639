"""Pictures as PDF images: colours and opacity apart, nothing lost."""

from __future__ import annotations

import io
import zlib

from pikepdf import Name, Pdf, Stream
from PIL import Image

from curlet.core.errors import BadInput


def image_of(pdf: Pdf, png: bytes) -> Stream:
    """A PNG as an image XObject.

    Raises
    ------
    BadInput
        If it cannot be read.
    """
    try:
        with Image.open(io.BytesIO(png)) as opened:
            picture = opened.convert("RGBA")
    except OSError:
        raise BadInput("A picture in this drawing cannot be read. Import it again as PNG.") from None
    return image_of_pixels(pdf, picture)


def image_of_pixels(pdf: Pdf, picture: Image.Image) -> Stream:
    """An RGBA picture as an image XObject."""
    image = _plane(pdf, picture.convert("RGB"), Name.DeviceRGB)
    opacity = picture.getchannel("A")
    if opacity.getextrema() != (255, 255):
        image.SMask = _plane(pdf, opacity, Name.DeviceGray)
    return image


def _plane(pdf: Pdf, picture: Image.Image, space: Name) -> Stream:
    return Stream(
        pdf, zlib.compress(picture.tobytes(), 6), Type=Name.XObject, Subtype=Name.Image,
        Width=picture.width, Height=picture.height, ColorSpace=space, BitsPerComponent=8,
        Filter=Name.FlateDecode, Interpolate=True,
    )  # fmt: skip
