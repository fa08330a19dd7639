"""How artwork that has colours of its own takes the colour of a run's thread.

Worked in OKLCH and brought into gamut as CSS Color 4 has it, so that steps look even.
"""

from __future__ import annotations

from collections.abc import Iterable
from dataclasses import dataclass

from coloraide import Color

from curlet.core.dress.colour import in_gamut, lightness, turned
from curlet.core.errors import BadInput
from curlet.core.settings import check_settings, number

TAKES = {
    "own": "As it is",
    "lightness": "Keep its lightness",
    "light-dark": "Keep light and dark",
    "turned": "Turn its colours",
}
# Colours whose lightness differs by less are all of the middle.
_SAME = 1e-6


@dataclass(frozen=True)
class TakeRule:
    """What is done with colours of artwork's own.

    Attributes
    ----------
    way : a name in `TAKES`: as they are; the thread's hue and chroma at each one's own lightness; the
        thread's hue from the darkest, which stays dark, to the lightest, which stays light; turned round the
        circle of hues.
    turn : degrees, for the last.
    """

    way: str = "own"
    turn: float = number(0.0, "Turned by", -360, 360, "", "°", step=15)

    def check(self) -> None:
        check_settings(self)
        if self.way not in TAKES:
            raise BadInput(f"Artwork takes the thread in one of these ways: {', '.join(TAKES.values())}.")


OWN = TakeRule()


def taken(colours: Iterable[str], rule: TakeRule, thread: str) -> dict[str, str]:
    """Each of a motif's own colours, "#rrggbb", as it is once it takes the thread.

    >>> taken(["#808080"], TakeRule("light-dark"), "#c8553d")
    {'#808080': '#c8553d'}
    """
    found = sorted(set(colours))
    if rule.way == "own":
        return {colour: colour for colour in found}
    if rule.way == "turned":
        return {colour: turned(colour, rule.turn) for colour in found}
    if rule.way == "lightness":
        return {colour: _tinted(thread, lightness(colour), 1.0) for colour in found}
    lights = {colour: lightness(colour) for colour in found}
    low, high = min(lights.values(), default=0.0), max(lights.values(), default=0.0)
    return {colour: _between(thread, light, low, high) for colour, light in lights.items()}


def _between(thread: str, light: float, low: float, high: float) -> str:
    """A colour of a scale from the darkest by the thread's own to the lightest."""
    middle = lightness(thread)
    share = (light - low) / (high - low) if high - low > _SAME else 0.5
    # The thread's own lies in the middle, unless it is darker or lighter than all of them.
    middle = min(max(middle, low), high) if high - low > _SAME else middle
    there = low + (middle - low) * 2 * share if share < 0.5 else middle + (high - middle) * (2 * share - 1)
    return _tinted(thread, there, 1 - abs(2 * share - 1))


def _tinted(thread: str, light: float, chroma: float) -> str:
    """The thread's colour at another lightness, with a share of its chroma."""
    colour = Color(thread).convert("oklch")
    colour["lightness"] = light
    colour["chroma"] = float(colour["chroma"]) * chroma
    return in_gamut(colour)
