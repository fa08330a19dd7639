"""Relief: raised thread, lit from one side of the sheet whichever way the path runs.

A shape is drawn as a stack of its own insets, each moved towards the light and a little lighter than the one
below it. On a thread that lies at an angle θ an inset moves across it by the sine of the light's azimuth less
θ, as the brightest line of a lit cylinder does (Lambert's law). As no inset moves by more than it was cut
back, nothing leaves the shape.
"""

from __future__ import annotations

import math
from dataclasses import dataclass, replace
from typing import ClassVar

from curlet.core.bounds import Bounds
from curlet.core.errors import BadInput
from curlet.core.settings import check_settings, number, tick

Point = tuple[float, float]

AZIMUTH = Bounds("The light's direction", -360, 360, "", "°")
ELEVATION = Bounds("The light's height", 5, 90, "45° is usual", "°")

FINISHES = {"matt": "Matt", "satin": "Satin", "metal": "Metal"}
# How much the lightness changes from the darkest step to the lightest, and what the lightest has besides, in
# % of OKLCH's range: thread is matt, twisted rayon shines a little, metal flashes.
_SPREAD = {"matt": (22.0, 0.0), "satin": (30.0, 5.0), "metal": (40.0, 14.0)}
# Of the spread so much lies below the shape's own lightness.
_BELOW = 0.45
# Matt thread is never as light as white paper, % of OKLCH's lightness.
LIGHTEST_MATT = 97.0

# A stack has seven insets in eighths of the deepest, which leaves this share of the half width.
STEPS, _DEEPEST = 8, 0.95
# From so many pixels of half width on the first inset is drawn, then every second, then all.
_FIRST, _SECOND, _ALL = 1.5, 4.5, 9.0
# No output is finer, pixels to the mm (1,500 to the inch): steps that it would not show are not made.
FINEST = 60.0


@dataclass(frozen=True)
class Light:
    """Where the light of a sheet comes from.

    Attributes
    ----------
    azimuth : degrees clockwise from the top of the sheet; 315 is the upper left.
    elevation : degrees above the sheet; 90 is straight above.
    """

    azimuth: float = 315.0
    elevation: float = 45.0

    def check(self) -> None:
        AZIMUTH.check(self.azimuth)
        ELEVATION.check(self.elevation)

    @property
    def towards(self) -> Point:
        """A direction of length 1 on the sheet, towards the light; y is downward."""
        angle = math.radians(self.azimuth)
        return math.sin(angle), -math.cos(angle)

    @property
    def away(self) -> Point:
        """The other way."""
        across, down = self.towards
        return -across, -down

    @property
    def slant(self) -> float:
        """How much of what it is cut back by an inset moves: all of it under a low light."""
        return min(math.cos(math.radians(self.elevation)) / _DEEPEST, 1.0)


LIGHT = Light()


@dataclass(frozen=True)
class Relief:
    """How raised a brush's artwork is.

    Attributes
    ----------
    steps : how many insets there are from edge to top.
    finish : a name in `FINISHES`.
    height : % of each shape's half width; 0 is flat.
    shadow : how far it falls, % of the height.
    softness : how much its edge is spread, % of how far it falls.
    strength : how dark it is, %.
    sunk : how far the cloth gives way beside the artwork, %.
    holes : whether the needle's holes are seen at the ends of stitches.
    """

    steps: ClassVar[int] = STEPS

    finish: str = "matt"
    height: float = number(0.0, "Height", 0, 100, "60 % is usual", "%", step=10)
    shadow: float = number(100.0, "Shadow reach", 0, 400, "100 % of the height is usual", "%", step=10)
    softness: float = number(50.0, "Shadow softness", 0, 100, "50 % is usual", "%", step=10)
    strength: float = number(35.0, "Shadow strength", 0, 100, "35 % is usual", "%", step=5)
    sunk: float = number(0.0, "Sunk into the cloth", 0, 100, "50 % is usual", "%", step=10)
    holes: bool = tick(False, "Needle holes")

    def check(self) -> None:
        check_settings(self)
        if self.finish not in FINISHES:
            raise BadInput("A finish is matt, satin or metal. Choose one of them.")

    @property
    def flat(self) -> bool:
        return self.height <= 0

    @property
    def bare(self) -> bool:
        """Whether it changes nothing."""
        return self.flat and not self.sunk and not self.holes

    @property
    def casts(self) -> bool:
        """Whether it throws a shadow."""
        return not self.flat and self.shadow > 0 and self.strength > 0


class FineRelief(Relief):
    """The same in more steps: as smooth as a map of heights has to be."""

    steps: ClassVar[int] = 32


FLAT = Relief()

# How a shape takes relief: it stands up, lies flat, or is pressed in, so that it is lit from the other side.
STANDS = {"raised": "Raised", "flat": "Flat", "sunk": "Sunk"}


@dataclass(frozen=True)
class Level:
    """One inset of a stack.

    Attributes
    ----------
    inset : mm.
    move : on the sheet, mm.
    lighter : % of OKLCH's lightness, below 0 for darker.
    lightest : which it is never lighter than, %.
    seen : from and below which resolution it is drawn, pixels to the mm.
    height : of the surface there above its edge, mm; None where it is no step.
    """

    inset: float
    move: Point
    lighter: float
    lightest: float
    seen: tuple[float, float]
    height: float | None = None


def levels(half: float, relief: Relief, light: Light, stands: str = "raised") -> tuple[Level, ...]:
    """The stack of a shape: itself as it is, for where it is too small to be lit; in its darkest; its insets.

    Parameters
    ----------
    half : the shape's half width, drawn mm.
    stands : a name in `STANDS`.

    >>> [round(level.inset, 3) for level in levels(0.5, Relief(height=100), Light())][:4]
    [0.0, 0.0, 0.059, 0.119]
    >>> len(levels(0.02, Relief(height=100), Light()))
    1
    """
    from_first = _FIRST / half if half > 0 else math.inf
    most = LIGHTEST_MATT if relief.finish == "matt" else 100.0
    plain = Level(0.0, (0.0, 0.0), 0.0, 100.0, (0.0, from_first))
    if relief.flat or stands == "flat" or from_first > FINEST:
        return (replace(plain, seen=(0.0, math.inf)),)
    spread, flash = _SPREAD[relief.finish]
    across, down = light.towards if stands == "raised" else light.away
    found = [plain]
    steps, edge = relief.steps, half * relief.height / 100
    for step in range(steps):
        inset = edge * _DEEPEST * step / steps
        lighter = spread * ((step + 0.5) / steps - _BELOW) + (flash if step == steps - 1 else 0.0)
        by = light.slant * inset
        least = _needed(step) / half
        if least <= FINEST:
            high = rounded(inset, edge)
            found.append(Level(inset, (across * by, down * by), lighter, most, (least, math.inf), high))
    return tuple(found)


def rounded(inset: float, edge: float) -> float:
    """How high a surface is, mm, `inset` mm from the edge of something whose edge is a quarter of a circle of
    a radius `edge`: a round thread's, where that is its half width.

    >>> rounded(1.0, 1.0), round(rounded(0.5, 1.0), 3)
    (1.0, 0.866)
    """
    away = 1 - min(inset / edge, 1.0)
    return edge * math.sqrt(1 - away * away)


def _needed(step: int) -> float:
    """From so many pixels of half width on a step is drawn."""
    if step % 4 == 0:
        return _FIRST
    return _SECOND if step % 2 == 0 else _ALL
