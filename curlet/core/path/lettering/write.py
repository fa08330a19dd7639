"""Text written as paths: set, sized, slanted, emboldened, on lines or along a path."""

from __future__ import annotations

import math
from collections.abc import Iterator
from dataclasses import dataclass

import numpy as np
from numpy.typing import NDArray

from curlet.core.bounds import Bounds
from curlet.core.drawing import Outline
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
    placed = list(_on_path(font, what, along) if along else _on_lines(font, what))
    pieces = _pen_lines(placed, what.caps) if font.single_line else _outlines(placed, what)
    if not pieces:
        raise BadInput("Nothing of this text can be drawn. Make it larger or less thin.")
    return pieces


@dataclass(frozen=True, eq=False)
class _Placed:
    """A letter where it stands, by its line and its place in it."""

    key: str
    line: int
    outline: Outline


def _spread(font: Font, what: Lettering, text: str) -> tuple[list[tuple[Letter, float]], float]:
    """A line's letters with where each stands, mm, and how long the line is."""
    letters = font.set_line(text, spaced=bool(what.spacing))
    gap = what.spacing / 100
    # What stands for one cluster stays together, as a letter and its accent.
    starts = [i == 0 or letter.cluster != letters[i - 1].cluster for i, letter in enumerate(letters)]
    rank = np.cumsum(starts) - 1 if letters else np.zeros(0)
    spread = [(letter, what.caps * (letter.x + gap * k)) for letter, k in zip(letters, rank, strict=True)]
    if not letters:
        return [], 0.0
    last = letters[-1]
    return spread, what.caps * (last.x + last.advance + gap * float(rank[-1]))


def _on_lines(font: Font, what: Lettering) -> Iterator[_Placed]:
    share = _SHARES[what.align]
    for line, text in enumerate(what.text.split("\n")):
        spread, length = _spread(font, what, text)
        for index, (letter, x) in enumerate(spread):
            if letter.outline:
                at = np.array([x - share * length, line * what.caps * what.lines / 100])
                points = _leaning(letter.outline.points, what) + at
                yield _Placed(
                    f"{line}.{_named(spread, index)}", line, Outline(letter.outline.commands, points)
                )


def _on_path(font: Font, what: Lettering, path: Path) -> Iterator[_Placed]:
    """Each letter stands upright on the path at its middle; further lines stand below, to its right. On a
    closed path the text begins, has its middle or ends at the start point."""
    share = _SHARES[what.align]
    for line, text in enumerate(what.text.split("\n")):
        spread, length = _spread(font, what, text)
        start = share * ((0 if path.closed else path.length) - length) + what.shift
        away = line * what.caps * what.lines / 100 - what.rise
        for index, (letter, x) in enumerate(spread):
            if not letter.outline:
                continue
            half = what.caps * letter.advance / 2
            s = start + x + half
            if path.closed:
                s %= path.length
            elif not -1e-9 <= s <= path.length + 1e-9:
                raise BadInput(
                    f"This text is {length:.0f} mm long as drawn and the path {path.length:.0f} mm. "
                    "Make it smaller, or choose a longer path."
                )
            at, along = path.arc.points([s])[0], path.arc.tangents([s])[0]
            turn = np.array([along, [-along[1], along[0]]])
            points = (_leaning(letter.outline.points, what) + (-half, away)) @ turn + at
            yield _Placed(f"{line}.{_named(spread, index)}", line, Outline(letter.outline.commands, points))


_SHARES = {"left": 0.0, "centre": 0.5, "right": 1.0}


def _named(spread: list[tuple[Letter, float]], index: int) -> str:
    """The letter's cluster, and which of its glyphs it is where it has several."""
    cluster = spread[index][0].cluster
    nth = sum(1 for letter, _ in spread[:index] if letter.cluster == cluster)
    return f"{cluster}" if nth == 0 else f"{cluster}-{nth}"


def _leaning(points: Floats, what: Lettering) -> Floats:
    """A letter's points in mm, leaning about its baseline."""
    sized = points * what.caps
    sized[:, 0] -= math.tan(math.radians(what.slant)) * sized[:, 1]
    return np.asarray(sized)


def _outlines(placed: list[_Placed], what: Lettering) -> list[Piece]:
    bold = [(letter.key, letter.line, _emboldened(letter.outline, what.bold)) for letter in placed]
    there = [(key, line, outline) for key, line, outline in bold if outline]
    if what.unite and there:
        there = list(_united(there))
    return [
        Piece(f"{key}.{number}", _closed_path(contour))
        for key, _, outline in there
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


def _pen_lines(placed: list[_Placed], caps: float) -> list[Piece]:
    """Strokes as the pen draws them: one that begins where the last one ended goes on with it."""
    lines: list[tuple[str, Floats, bool]] = []
    for letter in placed:
        for number, contour in enumerate(contours(letter.outline)):
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
