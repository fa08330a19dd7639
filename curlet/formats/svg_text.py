"""What SVG writes as text: numbers, lengths, transforms, declarations. Files come from outside, so every
reader here takes time in proportion to the text, however it is made."""

from __future__ import annotations

import math
import re
from collections.abc import Iterator
from dataclasses import dataclass
from functools import lru_cache

from coloraide import Color

from curlet.core.drawing import IDENTITY, Affine, compose
from curlet.core.dress.colour import read_colour
from curlet.core.errors import BadInput

# Possessive throughout: what has matched is never tried again in shorter pieces.
NUMBER = re.compile(r"[-+]?+(?>\d++\.?+\d*+|\.\d++)(?:[eE][-+]?+\d++)?+")
_UNIT = re.compile(r"[a-zA-Z%]*+")
_NAME = re.compile(r"[\s,]*+([a-zA-Z]++)\s*+\(")
_GAP = re.compile(r"[\s,]*+")
_URL = re.compile(r"\s*+url\(\s*+['\"]?+#([^'\")\s]++)['\"]?+\s*+\)\s*+")
# CSS Values 4: what a unit is in px. Without a stated font one em is 16 px, and one ex or ch half of it.
_PX = {
    "": 1.0,
    "px": 1.0,
    "pt": 96 / 72,
    "pc": 16.0,
    "mm": 96 / 25.4,
    "cm": 960 / 25.4,
    "in": 96.0,
    "q": 24 / 25.4,
    "em": 16.0,
    "rem": 16.0,
    "ex": 8.0,
    "ch": 8.0,
}
_LONGEST_COLOUR = 200
# No drawing moves a thing so many times over.
MAX_STEPS = 1_000


@dataclass(frozen=True)
class Viewport:
    """The size, in user units, that percentages are of."""

    width: float
    height: float

    @property
    def diagonal(self) -> float:
        """What percentages of neither width nor height are of (SVG 2, 8.9)."""
        return math.hypot(self.width, self.height) / math.sqrt(2)


def numbers(text: str) -> list[float]:
    """Every number in a text."""
    return [float(match) for match in NUMBER.findall(text)]


def length(text: str | None, whole: float | None, port: Viewport | None = None) -> float | None:
    """A length in px; None where it is none.

    Parameters
    ----------
    whole : what 100 % is; None where a percentage has no meaning.
    port : what `vw` and `vh` are of.
    """
    text = (text or "").strip()
    match = NUMBER.match(text)
    if not match:
        return None
    unit = _UNIT.match(text, match.end())
    if unit is None or unit.end() != len(text):
        return None
    value, name = float(match[0]), unit[0].lower()
    sizes = dict(_PX)
    if whole is not None:
        sizes["%"] = whole / 100
    if port is not None:
        sides = {"vw": port.width, "vh": port.height}
        sides |= {"vmin": min(sides.values()), "vmax": max(sides.values())}
        sizes |= {key: side / 100 for key, side in sides.items()}
    return value * sizes[name] if name in sizes else None


def transform_of(text: str) -> Affine:
    """An SVG transform list as one affine; it ends at the first thing that cannot be read."""
    made, at = IDENTITY, 0
    for _ in range(MAX_STEPS):
        name = _NAME.match(text, at)
        if name is None:
            break
        given, at = _inside(text, name.end())
        if given is None:
            break
        if all(math.isfinite(n) for n in given):
            made = compose(made, _step(name[1], given))
    return made


def _inside(text: str, at: int) -> tuple[list[float] | None, int]:
    """The numbers up to the closing bracket, and where it ends; None where something else is there."""
    given: list[float] = []
    while True:
        at = _end(_GAP, text, at)
        if text[at : at + 1] == ")":
            return given, at + 1
        match = NUMBER.match(text, at)
        if match is None or len(given) > 6:
            return None, at
        given.append(float(match[0]))
        at = match.end()


def _end(pattern: re.Pattern[str], text: str, at: int) -> int:
    match = pattern.match(text, at)
    return match.end() if match else at


def _step(name: str, n: list[float]) -> Affine:
    if name == "matrix" and len(n) == 6:
        return (n[0], n[1], n[2], n[3], n[4], n[5])
    if name == "translate" and n:
        return (1.0, 0.0, 0.0, 1.0, n[0], n[1] if len(n) > 1 else 0.0)
    if name == "scale" and n:
        return (n[0], 0.0, 0.0, n[1] if len(n) > 1 else n[0], 0.0, 0.0)
    if name == "rotate" and n:
        cos, sin = math.cos(math.radians(n[0])), math.sin(math.radians(n[0]))
        x, y = (n[1], n[2]) if len(n) > 2 else (0.0, 0.0)
        return (cos, sin, -sin, cos, x - cos * x + sin * y, y - sin * x - cos * y)
    if name in ("skewX", "skewY") and n:
        slope = math.tan(math.radians(n[0]))
        return (1.0, 0.0, slope, 1.0, 0.0, 0.0) if name == "skewX" else (1.0, slope, 0.0, 1.0, 0.0, 0.0)
    return IDENTITY


def declarations(text: str) -> Iterator[tuple[str, str]]:
    """Each property of a `style` attribute with its value, in order."""
    for part in text.split(";"):
        name, colon, value = part.partition(":")
        if colon and value.strip():
            yield name.strip().lower(), value.partition("!")[0].strip()


def named(text: str | None) -> str | None:
    """The id in `url(#id)`; None where there is none."""
    match = _URL.match(text or "")
    return match[1] if match else None


@lru_cache(maxsize=2048)
def colour(text: str) -> tuple[str, float] | None:
    """A CSS colour as #rrggbb and its opacity; None where it is none."""
    if len(text) > _LONGEST_COLOUR:
        return None
    try:
        found = Color(text.strip())
        return read_colour(text), min(max(float(found.alpha()), 0.0), 1.0)
    except (BadInput, ValueError, AttributeError):
        return None


def share(text: str | None) -> float:
    """An opacity 0…1; 1 where it is none."""
    value = length(text, 1.0)
    return min(max(value, 0.0), 1.0) if value is not None and math.isfinite(value) else 1.0
