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
# What else a picture may say of itself (PNG, third edition, 11.3): nothing of it is ever run.
_BESIDE = {b"iCCP", b"cICP", b"sBIT", b"bKGD", b"tEXt", b"zTXt", b"iTXt", b"tIME", b"eXIf"}


def from_base64(text: str) -> bytes:
    """Bytes from base64; BadInput where it is not."""
    try:
        return base64.b64decode(text, validate=True)
    except (binascii.Error, ValueError):
        raise BadInput("The picture in this file is not base64. Export the brush again.") from None


def to_base64(data: bytes) -> str:
    """Bytes as base64 text."""
    return base64.b64encode(data).decode()


def check_png(data: bytes) -> None:
    """Whether a motif's PNG is whole, plain and not too large.

    Raises
    ------
    BadInput
        If it is broken, or holds more than a picture.
    TooMuch
        Over 1 MB or 4 million pixels.
    """
    if len(data) > MAX_PNG_BYTES:
        raise TooMuch("A motif's picture is 1 MB at the most. Make it smaller or import it again.")
    _check(data, _KNOWN)


def check_kept_png(data: bytes) -> None:
    """Whether a PNG of any size in bytes is one that is kept with a sheet: it may also say more of
    itself than its pixels. Raises as `check_png`."""
    _check(data, _KNOWN | _BESIDE)


def _check(data: bytes, known: set[bytes]) -> None:
    if not data.startswith(_SIGNATURE):
        raise BadInput("The picture in this file is not a PNG. Import it again.")
    names, at = [], len(_SIGNATURE)
    while at < len(data):
        name, body, at = _chunk(data, at)
        names.append(name)
        if len(names) == 1:
            _check_header(name, body)
    if names[-1] != b"IEND" or b"IDAT" not in names or not set(names) <= known:
        raise BadInput("The picture in this file is cut short, or more than a picture. Import it again.")


def _chunk(data: bytes, at: int) -> tuple[bytes, bytes, int]:
    if at + 12 > len(data):
        raise BadInput("The picture in this file is cut short. Import it again.")
    length, name = struct.unpack(">I4s", data[at : at + 8])
    end = at + 8 + length
    body = data[at + 8 : end]
    if end + 4 > len(data) or zlib.crc32(name + body) != struct.unpack(">I", data[end : end + 4])[0]:
        raise BadInput("The picture in this file is broken. Import it again.")
    return name, body, end + 4


def _check_header(name: bytes, body: bytes) -> None:
    if name != b"IHDR" or len(body) != 13:
        raise BadInput("The picture in this file has no size. Import it again.")
    width, height = struct.unpack(">II", body[:8])
    if not (width > 0 and height > 0):
        raise BadInput("The picture in this file has no size. Import it again.")
    if width * height > MAX_PNG_PIXELS:
        raise TooMuch("A picture has 4 million pixels at the most. Import a smaller one.")


@lru_cache(maxsize=64)
def picture_id(png: bytes) -> str:
    """What a PNG is kept under: the hash of its base64."""
    return hashlib.sha256(base64.b64encode(png)).hexdigest()
