"""PNG pictures inside brush files, looked at before anything else reads them."""

from __future__ import annotations

import base64
import binascii
import hashlib
import struct
import zlib
from functools import lru_cache

from curlet.core.errors import BadInput, TooMuch

MAX_PNG_BYTES = 1024 * 1024
MAX_PNG_TEXT = MAX_PNG_BYTES * 4 // 3 + 4
MAX_PNG_PIXELS = 4_000_000
_SIGNATURE = b"\x89PNG\r\n\x1a\n"
_KNOWN = {b"IHDR", b"PLTE", b"IDAT", b"IEND", b"tRNS", b"gAMA", b"cHRM", b"sRGB", b"pHYs"}


def from_base64(text: str) -> bytes:
    """Bytes from base64; BadInput where it is not."""
    try:
        return base64.b64decode(text, validate=True)
    except (binascii.Error, ValueError):
        raise BadInput("The picture in this brush is not base64. Export the brush again.") from None


def check_png(data: bytes) -> None:
    """Whether a PNG is whole, plain and not too large.

    Raises
    ------
    BadInput
        If it is broken, or holds more than a picture.
    TooMuch
        Over 1 MB or 4 million pixels.
    """
    if len(data) > MAX_PNG_BYTES:
        raise TooMuch("A motif's picture is 1 MB at the most. Make it smaller or import it again.")
    if not data.startswith(_SIGNATURE):
        raise BadInput("The picture in this brush is not a PNG. Import it again.")
    names, at = [], len(_SIGNATURE)
    while at < len(data):
        name, body, at = _chunk(data, at)
        names.append(name)
        if len(names) == 1:
            _check_header(name, body)
    if names[-1] != b"IEND" or b"IDAT" not in names or not set(names) <= _KNOWN:
        raise BadInput("The picture in this brush is cut short, or more than a picture. Import it again.")


def _chunk(data: bytes, at: int) -> tuple[bytes, bytes, int]:
    if at + 12 > len(data):
        raise BadInput("The picture in this brush is cut short. Import it again.")
    length, name = struct.unpack(">I4s", data[at : at + 8])
    end = at + 8 + length
    body = data[at + 8 : end]
    if end + 4 > len(data) or zlib.crc32(name + body) != struct.unpack(">I", data[end : end + 4])[0]:
        raise BadInput("The picture in this brush is broken. Import it again.")
    return name, body, end + 4


def _check_header(name: bytes, body: bytes) -> None:
    if name != b"IHDR" or len(body) != 13:
        raise BadInput("The picture in this brush has no size. Import it again.")
    width, height = struct.unpack(">II", body[:8])
    if not (width > 0 and height > 0):
        raise BadInput("The picture in this brush has no size. Import it again.")
    if width * height > MAX_PNG_PIXELS:
        raise TooMuch("A motif's picture has 4 million pixels at the most. Import a smaller one.")


@lru_cache(maxsize=64)
def picture_id(png: bytes) -> str:
    """What a PNG is kept under: the hash of its base64."""
    return hashlib.sha256(base64.b64encode(png)).hexdigest()
