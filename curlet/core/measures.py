"""Measures: on the garment and on paper, and reading them from what people type.

Units: 1 in = 25.4 mm = 72 pt = 96 px (CSS Values and Units 4, "absolute lengths").
Stitches to the inch set the pitch: p = 25.4 / spi mm.
"""

from __future__ import annotations

import math
import re
from dataclasses import dataclass
from enum import StrEnum
from functools import lru_cache

from curlet.core.errors import BadInput

MM_PER_INCH = 25.4
MM_PER_PT = MM_PER_INCH / 72
MM_PER_PX = MM_PER_INCH / 96

MM_PER_UNIT = {
    "mm": 1.0,
    "cm": 10.0,
    "m": 1000.0,
    "in": MM_PER_INCH,
    '"': MM_PER_INCH,
    "pt": MM_PER_PT,
    "px": MM_PER_PX,
}

LONGEST_TEXT = 64


class MeasuredOn(StrEnum):
    """Where a measure is taken: on the real garment or on the printed sheet."""

    GARMENT = "garment"
    PAPER = "paper"


@dataclass(frozen=True)
class Scale:
    """A drawing scale, `drawn` to `garment`: 1:4 draws 4 mm as 1 mm."""

    drawn: float = 1.0
    garment: float = 1.0

    def __post_init__(self) -> None:
        for part in (self.drawn, self.garment):
            if not (math.isfinite(part) and 0 < part <= 10_000):
                raise BadInput("A scale is two numbers above 0 and up to 10,000, such as 1:4.")

    @property
    def factor(self) -> float:
        """Drawn mm for one mm on the garment."""
        return self.drawn / self.garment

    @classmethod
    @lru_cache(maxsize=256)
    def read(cls, text: str) -> Scale:
        """Read "1:4" or "1/4".

        Raises
        ------
        BadInput
            If the text is not two numbers with a colon between.
        """
        match = re.fullmatch(r"\s*(\d+(?:\.\d+)?)\s*[:/]\s*(\d+(?:\.\d+)?)\s*", text)
        if not match:
            raise BadInput(f"“{text[:LONGEST_TEXT]}” is not a scale. Write it as 1:4.")
        return cls(float(match[1]), float(match[2]))

    def __str__(self) -> str:
        return f"{self.drawn:g}:{self.garment:g}"


@dataclass(frozen=True)
class Measure:
    """A length in mm, taken on the garment or on paper."""

    mm: float
    on: MeasuredOn = MeasuredOn.GARMENT

    def drawn(self, scale: Scale) -> float:
        """The length in sheet mm."""
        return self.mm * scale.factor if self.on is MeasuredOn.GARMENT else self.mm

    def on_garment(self, scale: Scale) -> float:
        """The length on the real garment, mm."""
        return self.drawn(scale) / scale.factor


@dataclass(frozen=True)
class Reading:
    """What a measure text said: a value with its unit, "mm", "spi", "%", "°" or "" (a count)."""

    value: float
    unit: str


_TOKEN = re.compile(
    r"\s*(?:(?P<mixed>\d+(?:\s+|-)\d+\s*/\s*\d+)"
    r"|(?P<number>\d+(?:[.,]\d+)?(?:e[+-]?\d+)?|[.,]\d+)"
    r"|(?P<word>[a-z]+|[\"%°″])"
    r"|(?P<sign>[-+*/()×−]))",
    re.IGNORECASE,
)
_WORDS = {"inch": "in", "inches": "in", "″": '"', "deg": "°", "degrees": "°"}
_SIGNS = {"×": "*", "−": "-"}
_WHOLE = ("spi", "%", "°")


class _Reader:
    """Recursive descent over a sum with units; `1/8 in` is an eighth of an inch."""

    def __init__(self, text: str) -> None:
        self.text = text
        self.tokens = self._split(text)
        self.at = 0

    def _split(self, text: str) -> list[str]:
        tokens, at, text = [], 0, text.strip()
        while at < len(text):
            match = _TOKEN.match(text, at)
            if not match:
                raise self.refusal()
            token = match[0].strip().lower()
            tokens.append(_SIGNS.get(token, _WORDS.get(token, token)))
            at = match.end()
        return tokens

    def refusal(self) -> BadInput:
        shown = self.text[:LONGEST_TEXT]
        return BadInput(f"“{shown}” is not a measure. Write it like 3 mm, 1/8 in, 8 spi or 2.5*3.")

    def peek(self) -> str:
        return self.tokens[self.at] if self.at < len(self.tokens) else ""

    def take(self) -> str:
        token = self.peek()
        self.at += 1
        return token

    def sum(self) -> tuple[float, bool]:
        """A sum of terms; the flag says whether it already has a length unit. Terms without a unit take that
        of the next one that has one, or of the last: "3 + 1 mm" is 4 mm."""
        terms = [self._with_unit()]
        while self.peek() in ("+", "-"):
            sign = 1 if self.take() == "+" else -1
            value, length, unit = self._with_unit()
            terms.append((sign * value, length, unit))
        units = [unit for _, length, unit in terms if length]
        total = 0.0
        for place, (value, length, _) in enumerate(terms):
            later = [unit for _, has, unit in terms[place:] if has]
            total += value if length or not units else value * (later or units[-1:])[0]
        return total, bool(units)

    def _with_unit(self) -> tuple[float, bool, float]:
        """A term, and the unit that was read last in it."""
        start = self.at
        value, length = self.term()
        units = [MM_PER_UNIT[token] for token in self.tokens[start : self.at] if token in MM_PER_UNIT]
        return value, length, units[-1] if units else 1.0

    def term(self) -> tuple[float, bool]:
        value, length = self.factor()
        while self.peek():
            if self.peek() in MM_PER_UNIT and not length:
                value, length = value * MM_PER_UNIT[self.take()], True
            elif self.peek() in ("*", "/"):
                divide = self.take() == "/"
                other, other_length = self.factor()
                if (length and other_length) or (divide and (other_length or other == 0)):
                    raise self.refusal()
                value = value / other if divide else value * other
                length = length or other_length
            else:
                break
        return value, length

    def factor(self) -> tuple[float, bool]:
        token = self.take()
        if token == "-":
            value, length = self.factor()
            return -value, length
        if token == "+":
            return self.factor()
        if token == "(":
            inner = self.sum()
            if self.take() != ")":
                raise self.refusal()
            return inner
        if not token or not (token[0].isdigit() or token[0] in ".,"):
            raise self.refusal()
        return _number(token), False


def _number(token: str) -> float:
    """A number, or a whole number and a fraction such as `1 1/8` or `1-1/8`."""
    parts = token.replace("-", " ").split(maxsplit=1) if "/" in token else [token]
    if len(parts) == 1:
        return float(token.replace(",", "."))
    over, under = (float(part) for part in parts[1].split("/"))
    if under == 0:
        raise BadInput(f"“{token}” divides by nothing. Write it like 1 1/8 in.")
    return float(parts[0]) + over / under


def read_measure(text: str, *, accepts: tuple[str, ...] = ("mm",)) -> Reading:
    """Read an entered measure: units, fractions and sums ("3 mm", "1/8 in", "3*2.5", "8 spi").

    Parameters
    ----------
    text : what was entered, at most 64 characters. A bare number has the first accepted unit.
    accepts : the units the field can take, of "mm", "spi", "%", "°" and "" (a plain number).

    Raises
    ------
    BadInput
        If the text cannot be read, is not finite, or has a unit the field cannot take.

    >>> read_measure("1/8 in").value
    3.175
    >>> read_measure("30 %", accepts=("mm", "%")).unit
    '%'
    """
    if len(text) > LONGEST_TEXT:
        raise BadInput(f"A measure is at most {LONGEST_TEXT} characters, like 3 mm or 1/8 in.")
    reader = _Reader(text)
    value, length = reader.sum()
    unit = "mm" if length else ""
    if reader.peek() in _WHOLE and not length:
        unit = reader.take()
    if reader.peek() or not math.isfinite(value):
        raise reader.refusal()
    if not unit:
        unit = accepts[0]
    if unit not in accepts:
        raise BadInput(_wrong_unit(text, unit, accepts))
    return Reading(value, unit)


def _wrong_unit(text: str, unit: str, accepts: tuple[str, ...]) -> str:
    if unit == "spi":
        return f"“{text}” counts stitches to the inch, which sets a pitch: give it as the stitch length."
    names = {"mm": "a length", "%": "a percentage", "°": "an angle", "": "a number", "spi": "spi"}
    wanted = " or ".join(names[a] for a in accepts)
    return f"“{text}” is {names[unit]}; this takes {wanted}."


def spi_to_pitch(spi: float) -> float:
    """Pitch in garment mm for stitches to the inch (definition of the inch: 25.4 mm).

    Raises
    ------
    BadInput
        If `spi` is not above 0.

    >>> round(spi_to_pitch(8), 3)
    3.175
    """
    if not spi > 0:
        raise BadInput("Stitches to the inch must be above 0, for example 8 spi.")
    return MM_PER_INCH / spi


def pitch_to_spi(pitch: float) -> float:
    """Stitches to the inch for a pitch in garment mm.

    >>> pitch_to_spi(2.54)
    10.0
    """
    return MM_PER_INCH / pitch


def place_entered(
    scale: Scale,
    x: str | None = None,
    y: str | None = None,
    length: str | None = None,
    direction: str | None = None,
    from_x: float = 0.0,
    from_y: float = 0.0,
) -> tuple[float, float]:
    """An entered place in sheet mm: lengths on the garment from the sheet's left and top,
    or a length in a direction, clockwise from level, from another place in sheet mm.

    Raises
    ------
    BadInput
        If a part cannot be read, or is missing.
    """
    if length is not None:
        far = Measure(read_measure(length).value).drawn(scale)
        turn = math.radians(read_measure(direction or "0", accepts=("°", "")).value)
        return from_x + far * math.cos(turn), from_y + far * math.sin(turn)
    across, down = (Measure(read_measure(text or "").value).drawn(scale) for text in (x, y))
    return across, down
