"""Path data as SVG 2 has it (chapter 9) read into contours of cubics."""

from __future__ import annotations

import math
import re
from collections.abc import Callable, Iterable, Iterator
from dataclasses import dataclass
from itertools import chain, islice

import numpy as np
from numpy.typing import NDArray

from curlet.core.errors import BadInput, TooMuch
from curlet.core.path.arcs import arc_to_cubics
from curlet.core.path.path import MAX_NODES
from curlet.formats.svg_text import NUMBER

Floats = NDArray[np.float64]
# The largest number that is read.
FURTHEST = 1e9

Cubic = tuple[float, float, float, float, float, float, float, float]

_COMMAND = re.compile(r"[MmZzLlHhVvCcSsQqTtAa]")
_STRANGE = re.compile(r"[^MmZzLlHhVvCcSsQqTtAaeE\d\s,.+-]")
_NOT_NUMBER = re.compile(r"nan|inf", re.IGNORECASE)
_GAP = re.compile(r"[\s,]*+")
# The two flags of an arc may stand without anything between them and what follows.
_FLAG = re.compile("[01]")
_ARC = (NUMBER, NUMBER, NUMBER, _FLAG, _FLAG, NUMBER, NUMBER)
# No path has so many numbers or commands: seven for each node, as an arc has.
MAX_TOKENS = 7 * MAX_NODES
_NO_RADIUS = 1e-9
_TAKES = {"M": 2, "Z": 0, "L": 2, "H": 1, "V": 1, "C": 6, "S": 4, "Q": 4, "T": 2, "A": 7}


@dataclass(frozen=True, eq=False)
class Contour:
    """One contour: (k, 4, 2) cubics end to end, those of straight pieces with their handles on their ends.
    Pieces without length are left out, so that k may be 0; `start` is where it begins."""

    start: tuple[float, float]
    cubics: Floats
    closed: bool

    def moved(self, a: float, b: float, c: float, d: float, e: float, f: float) -> Contour:
        """By an affine in SVG's order: x' = a x + c y + e, y' = b x + d y + f."""
        x, y = self.start
        cubics = self.cubics @ np.array([[a, b], [c, d]]) + (e, f)
        return Contour((a * x + c * y + e, b * x + d * y + f), cubics, self.closed)


def read_contours(data: str, name: str = "") -> tuple[Contour, ...]:
    """The contours that are drawn: as SVG has it, all before the first thing that cannot be read.

    Parameters
    ----------
    name : of the path, for what is said about it.

    Raises
    ------
    BadInput
        If a number is past 1e9, which no drawing needs and sums do not bear, or is none.
    TooMuch
        If there are more nodes than a path may have.
    """
    which = f"The path “{name[:40]}”" if name else "A path of this drawing"
    if _NOT_NUMBER.search(data):
        raise BadInput(f"{which} has a coordinate that is not a number. Correct it.")
    if len(data) > 2 * MAX_NODES and _has_tokens(data, MAX_TOKENS + 1):
        raise TooMuch(f"{which} has more than {MAX_NODES:,} nodes. Simplify it or split it in two.")
    strange = _STRANGE.search(data)
    return contours_of(_steps(data[: strange.start()] if strange else data))


def contours_of(steps: Iterable[tuple[str, list[float]]]) -> tuple[Contour, ...]:
    """The contours that commands of SVG's path data draw, each with its own numbers.

    >>> [contour.closed for contour in contours_of([("M", [0, 0]), ("L", [9, 0]), ("L", [9, 9]), ("Z", [])])]
    [True]
    """
    pen = _Pen()
    for command, numbers in steps:
        if not pen.begun and command not in "Mm":
            break
        _DRAW[command.upper()](pen, numbers, command.islower())
        pen.before = command.upper()
    return pen.finished()


def _steps(data: str) -> Iterator[tuple[str, list[float]]]:
    """Commands one by one, each with its own numbers; it ends where too few are given."""
    found = _COMMAND.search(data)
    if found is None or data[: found.start()].strip():
        return
    while found:
        command, start = found[0], found.end()
        found = _COMMAND.search(data, start)
        text = data[start : found.start() if found else len(data)]
        takes = _TAKES[command.upper()]
        numbers, whole = _arc_numbers(text) if takes == 7 else (list(map(float, NUMBER.findall(text))), True)
        if takes == 0:
            yield command, []
            continue
        if numbers and max(map(abs, numbers)) > FURTHEST:
            raise BadInput("A coordinate in this drawing is out of all bounds. Correct the drawing's units.")
        # More pairs after a move are lines.
        more = {"M": "L", "m": "l"}.get(command, command)
        for at in range(0, len(numbers) - takes + 1, takes):
            yield (more if at else command), numbers[at : at + takes]
        if not whole or not numbers or len(numbers) % takes:
            return


def _arc_numbers(text: str) -> tuple[list[float], bool]:
    """Numbers of arcs, and whether nothing else is there."""
    numbers, at = list[float](), 0
    while True:
        arc, end = _one_arc(text, at)
        if arc is None:
            return numbers, not text[at:].strip(" \t\r\n\f,")
        numbers += arc
        at = end


def _one_arc(text: str, at: int) -> tuple[list[float] | None, int]:
    """The seven numbers of an arc, and where they end; None where they are not there."""
    arc = list[float]()
    for part in _ARC:
        gap = _GAP.match(text, at)
        match = part.match(text, gap.end() if gap else at)
        if match is None:
            return None, at
        arc.append(float(match[0]))
        at = match.end()
    return arc, at


def _has_tokens(data: str, least: int) -> bool:
    """Whether there are so many numbers and commands; no more are counted."""
    every = chain(_COMMAND.finditer(data), NUMBER.finditer(data))
    return next(islice(every, least - 1, None), None) is not None


class _Pen:
    """Where the drawing is, and what it has drawn."""

    def __init__(self) -> None:
        self.x = self.y = self.handle_x = self.handle_y = 0.0
        self.start = (0.0, 0.0)
        self.cubics: list[Cubic] = []
        self.begun, self.moved_only, self.before = False, True, ""
        self.done: list[Contour] = []

    def move(self, x: float, y: float) -> None:
        self._finish(closed=False)
        self.x, self.y, self.start = x, y, (x, y)
        self.begun, self.moved_only = True, True

    def line(self, x: float, y: float) -> None:
        if x != self.x or y != self.y:
            self.cubics.append((self.x, self.y, self.x, self.y, x, y, x, y))
        self._now_at(x, y)

    def curve(self, ax: float, ay: float, bx: float, by: float, x: float, y: float) -> None:
        self.cubics.append((self.x, self.y, ax, ay, bx, by, x, y))
        self._now_at(x, y)

    def close(self) -> None:
        self.line(*self.start)
        self._finish(closed=True)
        self.moved_only = True

    def mirrored(self, kinds: str) -> tuple[float, float]:
        """The handle of the piece before on the other side; if it was of another kind, where the pen is."""
        if self.before not in kinds:
            return self.x, self.y
        return 2 * self.x - self.handle_x, 2 * self.y - self.handle_y

    def finished(self) -> tuple[Contour, ...]:
        self._finish(closed=False)
        return tuple(self.done)

    def _now_at(self, x: float, y: float) -> None:
        self.x, self.y, self.moved_only = x, y, False

    def _finish(self, *, closed: bool) -> None:
        if self.begun and not self.moved_only:
            cubics = np.array(self.cubics).reshape(-1, 4, 2)
            self.done.append(Contour(self.start, cubics, closed))
        self.cubics = []


def _move(pen: _Pen, n: list[float], relative: bool) -> None:
    pen.move(n[0] + relative * pen.x, n[1] + relative * pen.y)


def _line(pen: _Pen, n: list[float], relative: bool) -> None:
    pen.line(n[0] + relative * pen.x, n[1] + relative * pen.y)


def _level(pen: _Pen, n: list[float], relative: bool) -> None:
    pen.line(n[0] + relative * pen.x, pen.y)


def _upright(pen: _Pen, n: list[float], relative: bool) -> None:
    pen.line(pen.x, n[0] + relative * pen.y)


def _close(pen: _Pen, _: list[float], __: bool) -> None:
    pen.close()


def _cubic(pen: _Pen, n: list[float], relative: bool) -> None:
    ax, ay, bx, by, x, y = _placed(pen, n, relative)
    pen.curve(ax, ay, bx, by, x, y)
    pen.handle_x, pen.handle_y = bx, by


def _smooth_cubic(pen: _Pen, n: list[float], relative: bool) -> None:
    (ax, ay), (bx, by, x, y) = pen.mirrored("CS"), _placed(pen, n, relative)
    pen.curve(ax, ay, bx, by, x, y)
    pen.handle_x, pen.handle_y = bx, by


def _quadratic(pen: _Pen, n: list[float], relative: bool) -> None:
    _raised(pen, *_placed(pen, n, relative))


def _smooth_quadratic(pen: _Pen, n: list[float], relative: bool) -> None:
    _raised(pen, *pen.mirrored("QT"), *_placed(pen, n, relative))


def _raised(pen: _Pen, qx: float, qy: float, x: float, y: float) -> None:
    """A quadratic as a cubic by degree elevation, exact."""
    a = (pen.x + 2 * qx) / 3, (pen.y + 2 * qy) / 3
    pen.curve(*a, (x + 2 * qx) / 3, (y + 2 * qy) / 3, x, y)
    pen.handle_x, pen.handle_y = qx, qy


def _placed(pen: _Pen, n: list[float], relative: bool) -> list[float]:
    if not relative:
        return n
    return [value + (pen.y if at % 2 else pen.x) for at, value in enumerate(n)]


def _arc(pen: _Pen, n: list[float], relative: bool) -> None:
    end = complex(n[5], n[6]) + relative * complex(pen.x, pen.y)
    start = complex(pen.x, pen.y)
    # SVG 2, B.2.5: without a radius it is a line; without length it is nothing.
    if start == end or min(abs(n[0]), abs(n[1])) < _NO_RADIUS:
        pen.line(end.real, end.imag)
        return
    cubics = arc_cubics(start, end, (abs(n[0]), abs(n[1])), math.radians(n[2]), bool(n[3]), bool(n[4]))
    cubics[-1, 3] = end.real, end.imag
    for piece in cubics[:, 1:].reshape(-1, 6).tolist():
        pen.curve(*piece)


def arc_cubics(
    start: complex, end: complex, radii: tuple[float, float], turn: float, large: bool, clockwise: bool
) -> Floats:
    """(k, 4, 2) cubics of an arc between two points, radii above 0, `turn` in radians: from its ends to its
    centre as SVG 2, B.2.4 has it, radii that do not reach enlarged as in B.2.5."""
    rx, ry = radii
    spin = complex(math.cos(turn), math.sin(turn))
    half = (start - end) / 2 / spin
    short = (half.real / rx) ** 2 + (half.imag / ry) ** 2
    if short > 1:
        rx, ry, short = rx * math.sqrt(short), ry * math.sqrt(short), 1.0
    reach = math.sqrt(max(1 / short - 1, 0.0)) * (-1 if large == clockwise else 1)
    centre = reach * complex(rx * half.imag / ry, -ry * half.real / rx)
    first = math.atan2((half.imag - centre.imag) / ry, (half.real - centre.real) / rx)
    last = math.atan2((-half.imag - centre.imag) / ry, (-half.real - centre.real) / rx)
    sweep = (last - first) % (2 * math.pi)
    if not clockwise:
        sweep -= 2 * math.pi
    middle = centre * spin + (start + end) / 2
    return arc_to_cubics(middle, rx * spin, 1j * ry * spin, first, sweep)


_DRAW: dict[str, Callable[[_Pen, list[float], bool], None]] = {
    "M": _move,
    "Z": _close,
    "L": _line,
    "H": _level,
    "V": _upright,
    "C": _cubic,
    "S": _smooth_cubic,
    "Q": _quadratic,
    "T": _smooth_quadratic,
    "A": _arc,
}
