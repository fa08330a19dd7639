"""Text written as paths: set, sized, slanted, emboldened, on lines or along a path."""

from __future__ import annotations

import math
from collections.abc import Iterator
from dataclasses import dataclass
from functools import cached_property

import numpy as np
from numpy.typing import NDArray

from curlet.core.bounds import Bounds
from curlet.core.drawing import Affine, Outline, compose, placed
from curlet.core.errors import BadInput
from curlet.core.path.booleans import combined, line_as_area
from curlet.core.path.chain import path_of_cubics
from curlet.core.path.contours import Contour, contours
from curlet.core.path.lettering.font import Font, Letter
from curlet.core.path.path import Path

Floats = NDArray[np.float64]

CAPS = Bounds("The cap height", 0.2, 5_000)
SPACING = Bounds("Letter spacing", -50, 1_000, unit="%")
LINES = Bounds("Line spacing", 50, 1_000, "150 % is usual", "%")
SLANT = Bounds("Slant", -60, 60, "12° is usual", "°")
BOLD = Bounds("Boldness", -50, 50)
MAX_CHARACTERS = 2_000
# Ends of strokes nearer together than this share of the cap height are one pen line.
_MEETING = 0.02
_TINIEST = 1e-4


@dataclass(frozen=True)
class Lettering:
    """What is written and how.

    Attributes
    ----------
    text : lines apart by newlines.
    caps : cap height, mm.
    spacing : added between letters, % of the cap height.
    lines : from baseline to baseline, % of the cap height.
    slant : degrees, leaning to the right.
    bold : how far outlines grow all round, mm; below 0 they shrink.
    align : "left", "centre" or "right"; along a path "left" is its start.
    unite : letters that overlap become one outline.
    shift, rise : along a path: how far on, and how far to its left, the text stands, mm.
    """

    text: str
    caps: float = 20.0
    spacing: float = 0.0
    lines: float = 160.0
    slant: float = 0.0
    bold: float = 0.0
    align: str = "left"
    unite: bool = True
    shift: float = 0.0
    rise: float = 0.0

    def check(self) -> None:
        """Raises BadInput for a number out of bounds, no text, or too much."""
        for bounds, value in (
            (CAPS, self.caps),
            (SPACING, self.spacing),
            (LINES, self.lines),
            (SLANT, self.slant),
            (BOLD, self.bold),
        ):
            bounds.check(value)
        if not self.text.strip():
            raise BadInput("There is no text. Write some.")
        if len(self.text) > MAX_CHARACTERS:
            raise BadInput(f"This is {len(self.text):,} characters long; {MAX_CHARACTERS:,} is the most.")


@dataclass(frozen=True)
class Piece:
    """One contour of the lettering, by a key that stays while the letter before it does."""

    key: str
    path: Path


def write(font: Font, what: Lettering, along: Path | None = None) -> list[Piece]:
    """Write text: its first baseline begins at the origin, or it stands on a path, letter by letter.

    Raises
    ------
    BadInput
        If a number is out of bounds, the font lacks a character, or nothing would be drawn.
    """
    what.check()
    lacking = font.missing(what.text)
    if lacking:
        raise BadInput(f"This font has no “{lacking[:20]}”. Choose another, or write it another way.")
    letters = [letter for letter in _placed(font, what, along) if letter.outline]
    pieces = _pen_lines(letters, what.caps) if font.single_line else _outlines(letters, what)
    if not pieces:
        raise BadInput("Nothing of this text can be drawn. Make it larger or less thin.")
    return pieces


def spelled(font: Font, what: Lettering, along: Path | None = None) -> tuple[tuple[str, Affine], ...]:
    """What is written, by letters with the blanks between them, each by its characters and the affine from
    ems, y downward, to where it stands, mm."""
    em = 1 / font.caps_share
    sized = (em, 0.0, 0.0, em, 0.0, 0.0)
    return tuple((letter.characters, compose(letter.place, sized)) for letter in _placed(font, what, along))


@dataclass(frozen=True, eq=False)
class _Placed:
    """A letter where it stands, by its line and its place in it.

    Attributes
    ----------
    characters : that it stands for; "" for further glyphs of the same.
    place : from its font's outline to the sheet.
    outline : where it stands, mm; None for a blank.
    """

    key: str
    line: int
    characters: str
    place: Affine
    outline: Outline | None


def _placed(font: Font, what: Lettering, along: Path | None) -> Iterator[_Placed]:
    return _on_path(font, what, along) if along else _on_lines(font, what)


@dataclass(frozen=True)
class _Line:
    """A line as set: its letters with where each stands, mm, and how long it is."""

    number: int
    text: str
    spread: list[tuple[Letter, float]]
    length: float

    @cached_property
    def _characters(self) -> dict[int, str]:
        """What each cluster stands for, by where it begins."""
        begins = sorted({letter.cluster for letter, _ in self.spread})
        ends = [*begins[1:], len(self.text)]
        return {begin: self.text[begin:end] for begin, end in zip(begins, ends, strict=True)}

    def placed(self, index: int, place: Affine) -> _Placed:
        """A letter where it stands."""
        letter, _ = self.spread[index]
        # Which of its cluster's glyphs it is where that has several.
        nth = sum(1 for each, _ in self.spread[:index] if each.cluster == letter.cluster)
        name = f"{letter.cluster}" if nth == 0 else f"{letter.cluster}-{nth}"
        characters = self._characters[letter.cluster] if nth == 0 else ""
        outline = letter.outline and _moved(letter.outline, place)
        return _Placed(f"{self.number}.{name}", self.number, characters, place, outline)


def _moved(outline: Outline, place: Affine) -> Outline:
    return Outline(outline.commands, placed(outline.points, np.array([place]))[0])


def _lines(font: Font, what: Lettering) -> list[_Line]:
    return [_set(font, what, number, text) for number, text in enumerate(what.text.split("\n"))]


def _set(font: Font, what: Lettering, number: int, text: str) -> _Line:
    letters = font.set_line(text, spaced=bool(what.spacing))
    gap = what.spacing / 100
    # What stands for one cluster stays together, as a letter and its accent.
    starts = [i == 0 or letter.cluster != letters[i - 1].cluster for i, letter in enumerate(letters)]
    rank = np.cumsum(starts) - 1 if letters else np.zeros(0)
    spread = [(letter, what.caps * (letter.x + gap * k)) for letter, k in zip(letters, rank, strict=True)]
    if not letters:
        return _Line(number, text, [], 0.0)
    last = letters[-1]
    return _Line(number, text, spread, what.caps * (last.x + last.advance + gap * float(rank[-1])))


def _on_lines(font: Font, what: Lettering) -> Iterator[_Placed]:
    share = _SHARES[what.align]
    for line in _lines(font, what):
        for index, (_, x) in enumerate(line.spread):
            at = x - share * line.length, line.number * what.caps * what.lines / 100
            yield line.placed(index, compose((1.0, 0.0, 0.0, 1.0, *at), _leaning(what)))


def _on_path(font: Font, what: Lettering, path: Path) -> Iterator[_Placed]:
    """Each letter stands upright on the path at its middle; further lines stand below, to its right. On a
    closed path the text begins, has its middle or ends at the start point."""
    share = _SHARES[what.align]
    for line in _lines(font, what):
        start = share * ((0 if path.closed else path.length) - line.length) + what.shift
        away = line.number * what.caps * what.lines / 100 - what.rise
        for index, (letter, x) in enumerate(line.spread):
            half = what.caps * letter.advance / 2
            s = start + x + half
            if path.closed:
                s %= path.length
            elif not -1e-9 <= s <= path.length + 1e-9:
                if not letter.outline:
                    continue
                raise BadInput(
                    f"This text is {line.length:.0f} mm long as drawn and the path {path.length:.0f} mm. "
                    "Make it smaller, or choose a longer path."
                )
            (x, y), (a, b) = path.arc.points([s])[0].tolist(), path.arc.tangents([s])[0].tolist()
            beside = compose((1.0, 0.0, 0.0, 1.0, -half, away), _leaning(what))
            yield line.placed(index, compose((a, b, -b, a, x, y), beside))


_SHARES = {"left": 0.0, "centre": 0.5, "right": 1.0}


def _leaning(what: Lettering) -> Affine:
    """From a font's outlines to mm, leaning about the baseline."""
    return (what.caps, 0.0, -what.caps * math.tan(math.radians(what.slant)), what.caps, 0.0, 0.0)


def _outlines(letters: list[_Placed], what: Lettering) -> list[Piece]:
    there = [(letter, letter.outline) for letter in letters if letter.outline]
    bold = [(letter.key, letter.line, _emboldened(outline, what.bold)) for letter, outline in there]
    drawn = [(key, line, outline) for key, line, outline in bold if outline]
    if what.unite and drawn:
        drawn = list(_united(drawn))
    return [
        Piece(f"{key}.{number}", _closed_path(contour))
        for key, _, outline in drawn
        for number, contour in enumerate(_by_place(contours(outline)))
    ]


def _emboldened(outline: Outline, bold: float) -> Outline | None:
    """The outline grown all round by a distance in mm, its corners sharp; shrunk below 0."""
    if abs(bold) < _TINIEST:
        return outline
    rim = line_as_area(outline, 2 * abs(bold), "flat", "mitre")
    if rim is None:
        return outline
    return combined([outline, rim], "unite" if bold > 0 else "cut", [False, False])


def _united(letters: list[tuple[str, int, Outline]]) -> Iterator[tuple[str, int, Outline]]:
    """Letters that overlap as one outline, by the first one's key; others as they are."""
    boxes = [(o.points.min(axis=0), o.points.max(axis=0)) for _, _, o in letters]
    together: list[list[int]] = []
    for i, (low, high) in enumerate(boxes):
        touching = [
            group
            for group in together
            if any((low <= boxes[j][1]).all() and (boxes[j][0] <= high).all() for j in group)
        ]
        together = [g for g in together if g not in touching] + [[*(j for g in touching for j in g), i]]
    for group in sorted(sorted(g) for g in together):
        key, line, first = letters[group[0]]
        if len(group) == 1:
            yield key, line, first
            continue
        yield from _one_of(group, letters)


def _one_of(group: list[int], letters: list[tuple[str, int, Outline]]) -> Iterator[tuple[str, int, Outline]]:
    """Letters whose boxes meet: united where their outlines do, apart where not."""
    outlines = [letters[i][2] for i in group]
    common = any(
        combined([a, b], "common", [False, False])
        for k, a in enumerate(outlines)
        for b in outlines[k + 1 : k + 3]
    )
    if not common:
        yield from (letters[i] for i in group)
        return
    united = combined(outlines, "unite", [False] * len(outlines))
    key, line, first = letters[group[0]]
    yield key, line, united or first


def _by_place(found: tuple[Contour, ...]) -> list[Contour]:
    """Contours from left to right, larger ones first where they lie within each other."""

    def place(contour: Contour) -> tuple[float, float]:
        low, high = contour.cubics.min(axis=(0, 1)), contour.cubics.max(axis=(0, 1))
        return round(float(low[0]), 6), -float(high[0] - low[0])

    return sorted((c for c in found if np.ptp(c.cubics.reshape(-1, 2), axis=0).max() > _TINIEST), key=place)


def _closed_path(contour: Contour) -> Path:
    """A contour from its sharpest place at the upper left: there a join or a step is least seen."""
    cubics = contour.cubics
    ways = np.roll(cubics[:, 3] - cubics[:, 2], 1, axis=0), cubics[:, 1] - cubics[:, 0]
    sizes = np.maximum(np.hypot(*ways[0].T) * np.hypot(*ways[1].T), 1e-12)
    sharp = (ways[0] * ways[1]).sum(axis=1) / sizes < math.cos(math.radians(30))
    rank = cubics[:, 0].sum(axis=1) + np.where(sharp, 0.0, 1e6)
    return path_of_cubics(np.roll(cubics, -int(rank.argmin()), axis=0), closed=True)


def _pen_lines(letters: list[_Placed], caps: float) -> list[Piece]:
    """Strokes as the pen draws them: one that begins where the last one ended goes on with it."""
    lines: list[tuple[str, Floats, bool]] = []
    for letter in letters:
        for number, contour in enumerate(contours(letter.outline) if letter.outline else ()):
            # An i's dot, or a t's bar, may lie between.
            for at in range(len(lines) - 1, max(len(lines) - 5, -1), -1):
                if _meet(lines[at], contour, _MEETING * caps):
                    key, before, _ = lines[at]
                    start = contour.cubics.copy()
                    start[0, 0] = before[-1, 3]
                    lines[at] = (key, np.concatenate([before, start]), False)
                    break
            else:
                lines.append((f"{letter.key}.{number}", contour.cubics, contour.closed))
    return [Piece(key, path_of_cubics(cubics, closed)) for key, cubics, closed in lines]


def _meet(line: tuple[str, Floats, bool], contour: Contour, within: float) -> bool:
    """Whether an open stroke begins where an open line ends."""
    _, cubics, closed = line
    return (
        not closed and not contour.closed and bool(np.hypot(*(cubics[-1, 3] - contour.cubics[0, 0])) < within)
    )
