"""Fonts of one line: Hershey's, and those drawn for the application."""

from __future__ import annotations

from pathlib import Path as FilePath

import numpy as np
from HersheyFonts import HersheyFonts

from curlet.core.drawing import Outline
from curlet.core.path.chain import chain_to_path
from curlet.core.path.lettering import SingleLineFont
from curlet.core.path.lettering.single_line import PenLetter
from curlet.core.path.outline import joined, outline_of
from curlet.formats.path_data import read_contours

FOLDER = FilePath(__file__).parents[1] / "fonts"
# Of the letters drawn here: how tall capitals are, what lies on either side of one, and a space's width.
_CAPS, _SIDE, _SPACE = 20.0, 2.6, 8.0
# What has no small letters of its own has capitals of this size instead.
_SMALL = 0.78


def hershey(name: str) -> SingleLineFont:
    """A face of A. V. Hershey, “Calligraphy for Computers”, 1967, one of the simplex ones."""
    face = HersheyFonts()
    face.load_default_font(name)
    base, cap = face.render_options["base_line"], face.render_options["cap_line"]
    letters = {}
    for character, glyph in face.all_glyphs.items():
        shift = np.array([-glyph.left_offset, -base], dtype=np.float64)
        strokes = [np.array(list(s), dtype=np.float64).reshape(-1, 2) + shift for s in glyph.strokes]
        strokes = [_apart(stroke) for stroke in strokes]
        letters[character] = PenLetter.of_strokes(strokes, float(glyph.char_width), float(base - cap))
    return SingleLineFont(letters)


def _apart(stroke: np.ndarray) -> np.ndarray:
    """A stroke without points that repeat."""
    moved = np.hypot(*np.diff(stroke, axis=0).T) > 0 if len(stroke) > 1 else np.zeros(0, dtype=bool)
    return np.asarray(stroke[np.append(True, moved)])


def drawn(name: str) -> SingleLineFont:
    """A face drawn for the application: its file has a line for each letter."""
    lines = (FOLDER / f"{name}.txt").read_text().splitlines()
    letters = {" ": PenLetter(None, (_SPACE + 2 * _SIDE) / _CAPS)}
    for line in lines:
        if line.startswith("# ") or not line:
            continue
        character, width, data = line.split(maxsplit=2)
        letters[character] = _letter(float(width), data, 1 / _CAPS)
        if character.isupper():
            letters[character.lower()] = _letter(float(width), data, _SMALL / _CAPS)
    return SingleLineFont(letters)


def _letter(width: float, data: str, size: float) -> PenLetter:
    contours = [contour.moved(size, 0, 0, size, _SIDE * size, 0) for contour in read_contours(data)]
    outlines: list[Outline] = [outline_of(chain_to_path(c.cubics, c.closed)) for c in contours]
    return PenLetter(joined(outlines), (width + 2 * _SIDE) * size)
