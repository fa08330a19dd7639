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
_MAX_GLYPHS = 65_535
# Of a letter, and of all: a drawn or weathered face has thousands, and more take seconds to unite.
_MAX_POINTS, _MAX_CONTOURS, _MAX_POINTS_IN_ALL = 8_000, 1_000, 1_500_000
_LINE = 200
_PROGRAMS_AND_PICTURES = {"fpgm", "prep", "cvt ", "SVG ", "CBDT", "CBLC", "sbix", "DSIG", "FFTM", "COLR"}
_NO_FONT = "This font cannot be read. Choose a TTF, OTF or WOFF2 file."

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
    _check_unpacked(data)
    try:
        plain = _made_safe(data)
        name = TTFont(io.BytesIO(plain), lazy=True)["name"].getBestFullName() or "Font"
        _check_letters(plain)
    except (BadInput, MemoryError):
        raise
    except Exception:
        # Whatever a damaged file makes the library raise, it is the file.
        raise BadInput(_NO_FONT) from None
    return "".join(c for c in name if c.isprintable())[:80] or "Font", plain


def _check_unpacked(data: bytes) -> None:
    """What a packed file says of itself, before it is unpacked."""
    if data[:4] in (b"wOFF", b"wOF2"):
        # WOFF 1 and 2, table directory: totalSfntSize.
        if int.from_bytes(data[16:20], "big") > _LARGEST_UNPACKED:
            raise TooMuch("This font is too large once it is unpacked. Make it a subset.")
    elif data[:4] not in (b"\0\1\0\0", b"OTTO", b"true"):
        raise BadInput(_NO_FONT)


def _made_safe(data: bytes) -> bytes:
    """A font's bytes with only what lettering needs, every table of it read and written anew."""
    # Imported here, where a font is read: it takes a tenth of the time that the application needs to start.
    from fontTools import subset

    font = TTFont(io.BytesIO(unpacked(data)), lazy=True, recalcTimestamp=False)
    if font["maxp"].numGlyphs > _MAX_GLYPHS or not ({"glyf", "CFF ", "CFF2"} & set(font.keys())):
        raise BadInput("This font holds no outlines. Choose a TTF, OTF or WOFF2 file with letters in it.")
    characters = font.getBestCmap()
    if not characters:
        raise BadInput("This font does not say which letters it has. Choose another.")
    options = subset.Options(
        layout_features=["*"], name_IDs=["*"], notdef_outline=True, hinting=False, glyph_names=False
    )
    options.drop_tables += ["fvar", "gvar", "avar", "cvar", "HVAR", "VVAR", "MVAR", "STAT", "meta"]
    shortened = subset.Subsetter(options)
    shortened.populate(unicodes=characters)
    shortened.subset(font)
    out = io.BytesIO()
    font.save(out, reorderTables=False)
    return out.getvalue()


def _check_letters(plain: bytes) -> None:
    """Every glyph drawn and every character set once, within bounds.

    Raises
    ------
    TooMuch
        If a letter, or all of them together, have more points than can be worked with.
    """
    font, points = OutlinedFont(plain), 0
    for number in range(TTFont(io.BytesIO(plain), lazy=True)["maxp"].numGlyphs):
        outline = font.drawn(number)
        if outline is None:
            continue
        points += len(outline.points)
        if len(outline.points) > _MAX_POINTS or outline.commands.count("M") > _MAX_CONTOURS:
            raise TooMuch(
                f"A letter of this font has more than {_MAX_POINTS:,} points or {_MAX_CONTOURS} outlines. "
                "Simplify it, or choose another font."
            )
        if points > _MAX_POINTS_IN_ALL:
            raise TooMuch("The letters of this font have too many points together. Make it a subset.")
    characters = "".join(map(chr, font.characters))
    for at in range(0, len(characters), _LINE):
        font.shaped(characters[at : at + _LINE], {})


@lru_cache(maxsize=8)
def font_of(data: bytes) -> OutlinedFont:
    """A kept font, from its unpacked bytes."""
    return OutlinedFont(data)


def unpacked(data: bytes) -> bytes:
    """A font's bytes as plain TrueType or OpenType. Tables that hold programs or pictures stay behind."""
    font = TTFont(io.BytesIO(data), lazy=False, recalcBBoxes=False, recalcTimestamp=False)
    for tag in _PROGRAMS_AND_PICTURES & set(font.keys()):
        del font[tag]
    font.flavor = None
    out = io.BytesIO()
    font.save(out, reorderTables=False)
    if out.tell() > _LARGEST_UNPACKED:
        raise TooMuch("This font is too large once it is unpacked. Make it a subset.")
    return out.getvalue()
