"""Fonts: those that ship with the application, and those that people bring."""

from __future__ import annotations

import io
from collections.abc import Callable
from functools import lru_cache

from fontTools.ttLib import TTFont

from curlet.core.errors import BadInput, TooMuch
from curlet.core.path.lettering import Font, OutlinedFont, SingleLineFont
from curlet.formats.pen_fonts import FOLDER, drawn, hershey

LARGEST = 8_000_000
_LARGEST_UNPACKED = 60_000_000
_MOST_GLYPHS = 65_535

# What each is called and, for those that are outlined, its file.
OUTLINED: dict[str, str] = {
    "source-sans-3": "Sans, bold",
    "source-serif-4": "Serif, semibold",
    "alfa-slab-one": "Slab, heavy",
    "graduate": "Block, cut corners",
    "pacifico": "Brush script",
}
# What each that a pen draws is called, and where its letters come from.
SINGLE_LINE: dict[str, tuple[str, Callable[[], SingleLineFont]]] = {
    "one-line": ("One line, plain", lambda: hershey("futural")),
    "one-line-script": ("One line, script", lambda: hershey("scripts")),
    "one-line-greek": ("One line, Greek", lambda: hershey("greeks")),
    "one-line-chalk": ("One line, chalk capitals", lambda: drawn("chalk-capitals")),
}


@lru_cache(maxsize=16)
def shipped_font(key: str) -> Font | None:
    """A font that ships with the application; None if there is none by that key."""
    if key in OUTLINED:
        return OutlinedFont(unpacked((FOLDER / f"{key}.woff2").read_bytes()))
    if key in SINGLE_LINE:
        return SINGLE_LINE[key][1]()
    return None


def read_font(data: bytes) -> tuple[str, bytes]:
    """A font file from outside (TTF, OTF, WOFF, WOFF2): what it is called, and its bytes unpacked.

    Raises
    ------
    BadInput
        If it is no font that can be used, or holds no outlines.
    TooMuch
        If it is larger than 8 MB.
    """
    if len(data) > LARGEST:
        raise TooMuch(f"This font file is larger than {LARGEST // 1_000_000} MB. Make it a subset.")
    try:
        plain = unpacked(data)
        font = TTFont(io.BytesIO(plain), lazy=True)
        name = font["name"].getBestFullName() or "Font"
        if font["maxp"].numGlyphs > _MOST_GLYPHS or not ({"glyf", "CFF ", "CFF2"} & set(font.keys())):
            raise BadInput("This font holds no outlines. Choose a TTF, OTF or WOFF2 file with letters in it.")
        OutlinedFont(plain).set_line("Hamburg", spaced=False)
    except BadInput:
        raise
    except Exception:
        # Whatever a damaged file makes the library raise, it is the file.
        raise BadInput("This is no font that can be read. Choose a TTF, OTF or WOFF2 file.") from None
    return "".join(c for c in name if c.isprintable())[:80] or "Font", plain


@lru_cache(maxsize=8)
def font_of(data: bytes) -> OutlinedFont:
    """A kept font, from its unpacked bytes."""
    return OutlinedFont(data)


def unpacked(data: bytes) -> bytes:
    """A font's bytes as plain TrueType or OpenType. Tables that hold programs or pictures stay behind."""
    font = TTFont(io.BytesIO(data), lazy=False, recalcBBoxes=False, recalcTimestamp=False)
    for tag in set(font.keys()) & {"fpgm", "prep", "cvt ", "SVG ", "CBDT", "CBLC", "sbix", "DSIG", "FFTM"}:
        del font[tag]
    font.flavor = None
    out = io.BytesIO()
    font.save(out, reorderTables=False)
    if out.tell() > _LARGEST_UNPACKED:
        raise TooMuch("This font is too large once it is unpacked. Make it a subset.")
    return out.getvalue()
