"""Importing pictures: PNG, JPEG and WebP, read as if they were hostile."""

from __future__ import annotations

import base64
import io
import math
import warnings
from dataclasses import dataclass
from typing import Any

import numpy as np
from numpy.typing import NDArray
from PIL import Image, ImageOps

from curlet.core.errors import BadInput, TooMuch
from curlet.core.measures import MM_PER_INCH
from curlet.formats.brush_motifs import PictureDoc
from curlet.formats.png_in import MAX_PNG_BYTES
from curlet.formats.srgb import as_srgb

Pixels = NDArray[np.uint8]

MAX_BYTES = 40 * 1024 * 1024
MAX_PIXELS = 60_000_000
_MAX = f"{MAX_PIXELS // 1_000_000} million"
# What is worked on; a larger picture is made smaller first.
WORKED_ON = 2_400_000
_FORMATS = ("PNG", "JPEG", "WEBP")
# Below this the picture counts as cut out, 0…255.
_CUT_OUT = 8
_FAULTS = (
    OSError,
    ValueError,
    SyntaxError,
    EOFError,
    ArithmeticError,
    MemoryError,
    KeyError,
    IndexError,
)


@dataclass(frozen=True, eq=False)
class ImportedPicture:
    """A picture imported.

    Attributes
    ----------
    pixels : (rows, columns, 4) sRGB with opacity, 0…255.
    length : its length at its stated resolution, mm; None where it states none.
    smaller : whether it was made smaller to be worked on.
    """

    pixels: Pixels
    length: float | None
    smaller: bool

    @property
    def rows(self) -> int:
        return int(self.pixels.shape[0])

    @property
    def columns(self) -> int:
        return int(self.pixels.shape[1])


def read_picture(data: bytes, most: int = WORKED_ON) -> ImportedPicture:
    """A picture's pixels, upright, at most so many of them.

    Raises
    ------
    BadInput
        If it is not a PNG, JPEG or WebP picture, or is broken or cut short.
    TooMuch
        Over 40 MB or 60 million pixels.
    """
    if len(data) > MAX_BYTES:
        raise TooMuch(f"This picture is {len(data) / 1e6:.0f} MB; 40 MB is the most. Make it smaller first.")
    try:
        with warnings.catch_warnings():
            # What the reader warns of is refused below, by its size.
            warnings.simplefilter("ignore")
            with Image.open(io.BytesIO(data), formats=_FORMATS) as picture:
                return _read(picture, most)
    except Image.DecompressionBombError:
        raise TooMuch(f"This picture is too large; {_MAX} pixels is the most. Make it smaller.") from None
    except _FAULTS:
        raise BadInput(
            "This is not a whole PNG, JPEG or WebP picture. Save it again as one of these and import that."
        ) from None


def _read(picture: Image.Image, most: int) -> ImportedPicture:
    wide, high = picture.size
    if wide * high > MAX_PIXELS:
        raise TooMuch(
            f"This picture is {wide:,} × {high:,} pixels; {_MAX} is the most. Make it smaller first."
        )
    if wide < 2 or high < 2:
        raise BadInput("This picture is less than two pixels wide. Import a larger one.")
    length = _stated_length(picture)
    size = min(math.sqrt(most / (wide * high)), 1.0)
    # A JPEG is read smaller at once, which is quicker.
    picture.draft("RGB", (math.ceil(wide * size), math.ceil(high * size)))
    upright = as_srgb(ImageOps.exif_transpose(picture)).convert("RGBA")
    left = math.sqrt(most / (upright.width * upright.height))
    if left < 1:
        shape = (max(round(upright.width * left), 2), max(round(upright.height * left), 2))
        upright = upright.resize(shape, Image.Resampling.BOX)
    return ImportedPicture(np.asarray(upright), length, size < 1)


def _stated_length(picture: Image.Image) -> float | None:
    """Length in mm at the resolution that the picture states; screens' 72 and 96 ppi mean nothing."""
    ppi: Any = picture.info.get("dpi")
    try:
        across = float(ppi[0])
    except (TypeError, ValueError, IndexError, ZeroDivisionError):
        return None
    if not (math.isfinite(across) and across > 100):
        return None
    return picture.width / across * MM_PER_INCH


def picture_motif(pixels: Pixels, length: float) -> PictureDoc:
    """A picture as a motif: trimmed to what is not transparent, at its pixels, or as many as 1 MB holds.

    Parameters
    ----------
    length : of the whole picture, mm; the trimmed one keeps its scale.

    Raises
    ------
    BadInput
        If nothing of it is opaque.
    """
    there = pixels[..., 3] >= _CUT_OUT
    if not there.any():
        raise BadInput("This picture is wholly transparent. Import one that shows something.")
    rows, columns = np.flatnonzero(there.any(axis=1)), np.flatnonzero(there.any(axis=0))
    part = pixels[rows[0] : rows[-1] + 1, columns[0] : columns[-1] + 1]
    mm = length / pixels.shape[1]
    return PictureDoc(
        family="picture",
        png=base64.b64encode(_small_enough(part)).decode(),
        length=round(part.shape[1] * mm, 4),
        width=round(part.shape[0] * mm, 4),
    )


def _small_enough(pixels: Pixels) -> bytes:
    picture = Image.fromarray(pixels)
    while True:
        out = io.BytesIO()
        picture.save(out, "PNG", optimize=picture.width * picture.height < 500_000)
        if out.tell() <= MAX_PNG_BYTES:
            return out.getvalue()
        size = min(0.9, math.sqrt(MAX_PNG_BYTES / out.tell()))
        picture = picture.resize(
            (max(int(picture.width * size), 2), max(int(picture.height * size), 2)), Image.Resampling.BOX
        )
