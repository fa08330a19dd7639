"""Plain text as outlines, in the fonts that ship: for call-outs and notes in drawings."""

from __future__ import annotations

from functools import lru_cache
from itertools import groupby

import numpy as np

from curlet.core.drawing import Outline
from curlet.core.path.lettering import OutlinedFont
from curlet.formats.fonts import unpacked
from curlet.formats.pen_fonts import FOLDER

# Each has letters that the others do not; the usual one first.
TEXT_FONTS = tuple(
    f"source-sans-3-regular-{part}" for part in ("latin", "latin-ext", "greek", "cyrillic", "vietnamese")
)
# A letter that no font has.
UNKNOWN = "?"
# From one line's foot to the next one's, in ems.
LINE_PITCH = 1.25


@lru_cache(maxsize=8)
def _font(key: str) -> OutlinedFont:
    return OutlinedFont(unpacked((FOLDER / f"{key}.woff2").read_bytes()))


@lru_cache(maxsize=4_096)
def _set(text: str) -> tuple[Outline, float]:
    """A line of text from its left end on its baseline, 1 mm to the em, and how wide it is."""
    commands, points, pen = "", [np.zeros((0, 2))], 0.0
    for font, letters in groupby(text, _having):
        written = "".join(letters) if font else UNKNOWN
        font = font or _font(TEXT_FONTS[0])
        per_em = font.caps / font.em
        line = font.set_line(written, spaced=False)
        for letter in line:
            if letter.outline is not None:
                commands += letter.outline.commands
                points.append(letter.outline.points * per_em + (pen + letter.x * per_em, 0.0))
        pen += sum(letter.advance for letter in line) * per_em
    return Outline(commands, np.concatenate(points)), pen


def _having(letter: str) -> OutlinedFont | None:
    return next((font for font in map(_font, TEXT_FONTS) if ord(letter) in font.characters), None)


def text_width(text: str, size: float) -> float:
    """How wide a line of text is, mm, `size` mm to the em."""
    return size * _set(text)[1]


def text_outline(text: str, x: float, y: float, size: float) -> Outline:
    """A line of text as outlines, from a place on its baseline on, mm; y goes downward."""
    outline, _ = _set(text)
    return Outline(outline.commands, outline.points * size + (x, y))


def wrapped(text: str, width: float, size: float) -> list[str]:
    """Text in lines of a width at the most, broken between words; a longer word has a line to itself."""
    lines: list[str] = []
    for word in text.split():
        longer = f"{lines[-1]} {word}" if lines else word
        if lines and text_width(longer, size) <= width:
            lines[-1] = longer
        else:
            lines.append(word)
    return lines
