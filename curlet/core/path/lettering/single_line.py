"""Single-line fonts: letters as a pen draws them, for ropes and chains that write."""

from __future__ import annotations

from collections.abc import Mapping, Sequence
from dataclasses import dataclass

import numpy as np
from numpy.typing import NDArray

from curlet.core.drawing import Outline
from curlet.core.path.lettering.font import Letter
from curlet.core.path.outline import joined

Floats = NDArray[np.float64]

# A stroke turns sharply above this, degrees; below it its points lie on a bend.
_CORNER = 50.0


@dataclass(frozen=True, eq=False)
class PenLetter:
    """What the pen draws of a letter, its origin at its left on the baseline, y downward, capitals 1 tall;
    None where it draws nothing, as for a space."""

    outline: Outline | None
    advance: float

    @classmethod
    def of_strokes(cls, strokes: Sequence[Floats], advance: float, caps: float) -> PenLetter:
        """From strokes, (n, 2) points each, in a unit of which capitals are `caps` tall."""
        drawn = [smooth(stroke / caps) for stroke in strokes if len(stroke) > 1]
        return cls(joined(drawn) if drawn else None, advance / caps)


class SingleLineFont:
    """Letters that a pen draws, by their characters."""

    single_line = True
    # As in the fonts that stand for them where text is searched.
    caps_share = 0.7
    file: bytes | None = None

    def __init__(self, letters: Mapping[str, PenLetter]) -> None:
        self._letters = letters

    def set_line(self, text: str, *, spaced: bool) -> list[Letter]:
        letters, pen = [], 0.0
        for index, character in enumerate(text):
            letter = self._letters.get(character)
            if letter is None:
                continue
            letters.append(Letter(index, pen, letter.advance, letter.outline))
            pen += letter.advance
        return letters

    def missing(self, text: str) -> str:
        return "".join(sorted({c for c in text if c not in self._letters and not c.isspace()}))


def smooth(stroke: Floats) -> Outline:
    """A stroke through its points: smooth where they turn a little, sharp where they turn much. A stroke that
    comes back to its start is closed.

    Tangents are those of the circle through a point and its neighbours.
    """
    step = np.diff(stroke, axis=0)
    long = np.hypot(*step.T)
    closed = bool(len(stroke) > 3 and np.hypot(*(stroke[0] - stroke[-1])) < 1e-9)
    unit = step / long[:, None]
    before, after = np.roll(unit, 1, axis=0) if closed else unit[:-1], unit if closed else unit[1:]
    near, far = np.roll(long, 1) if closed else long[:-1], long if closed else long[1:]
    turn = np.degrees(np.arccos(np.clip((before * after).sum(axis=1), -1, 1)))
    # The circle's tangent leans toward the shorter of the two chords.
    tangent = before * far[:, None] + after * near[:, None]
    tangent /= np.maximum(np.hypot(*tangent.T), 1e-12)[:, None]
    bent = (turn > 1e-6) & (turn < _CORNER)
    inner = stroke[:-1] if closed else stroke[1:-1]
    bends = {(i if closed else i + 1): tangent[i] for i in np.flatnonzero(bent).tolist()}
    if closed and 0 in bends:
        bends[len(inner)] = bends[0]
    commands, points = ["M"], [stroke[:1]]
    for i, (chord, length) in enumerate(zip(unit, long, strict=True)):
        leave, arrive = bends.get(i), bends.get(i + 1)
        if leave is None and arrive is None:
            commands.append("L")
            points.append(stroke[i + 1 : i + 2])
            continue
        # A straight or sharp end takes the mirrored direction of the other, as a circle's chord does.
        leave = leave if leave is not None else _mirrored(arrive, chord)
        arrive = arrive if arrive is not None else _mirrored(leave, chord)
        arm = length / 3 / max(0.5, float((1 + leave @ arrive) / 2) ** 0.5)
        commands.append("C")
        points.append(np.array([stroke[i] + arm * leave, stroke[i + 1] - arm * arrive, stroke[i + 1]]))
    if closed:
        commands.append("Z")
    return Outline("".join(commands), np.concatenate(points))


def _mirrored(direction: Floats | None, chord: Floats) -> Floats:
    assert direction is not None
    return np.asarray(2 * (direction @ chord) * chord - direction)
