"""What a maker says of a tracing."""

from __future__ import annotations

from dataclasses import dataclass

from curlet.core.bounds import Bounds
from curlet.core.errors import BadInput

LENGTH = Bounds("The picture's length", 0.5, 5000)
LIGHTEN = Bounds("Lighter", -100, 100, unit="%")
CUT_OFF = Bounds("The cut-off", 1, 99, "50 % is halfway between black and white", "%")
COLOURS = Bounds("Colours", 2, 24, unit="")
SPECKS = Bounds("Specks dropped", 0, 10_000, unit="mm²")
CORNERS = Bounds("Corners kept", 10, 170, "60° keeps the tips of leaves and stars", "°")
WITHIN = Bounds("Outline within", 0.005, 50)
MAX = Bounds("Shapes kept", 1, 500, unit="")


@dataclass(frozen=True)
class Crop:
    """What is cut from each side first, as shares of the picture, 0…1."""

    left: float = 0.0
    top: float = 0.0
    right: float = 0.0
    foot: float = 0.0

    def check(self) -> None:
        sides = (self.left, self.top, self.right, self.foot)
        if not all(0 <= side < 1 for side in sides):
            raise BadInput("What is cut from a side is from 0 to 100 % of the picture.")
        if self.left + self.right > 0.99 or self.top + self.foot > 0.99:
            raise BadInput("Nothing of the picture would be left. Cut less from its sides.")


@dataclass(frozen=True)
class TraceRule:
    """How a picture becomes shapes.

    Attributes
    ----------
    length : of what is left after cropping, mm.
    by : "cut-off" takes what is darker than `cut_off` (%), or lighter if `swapped`; "colours" takes
        `colours` of them.
    lighten : %, above 0 lighter and below 0 darker, before anything else.
    specks : areas below this are dropped, and holes below it filled, mm².
    corners : turns of the outline above this stay sharp, degrees.
    within : how far the outline may lie from the area's edge, mm.
    background : whether the colour of the picture's edge is left out.
    scraps : whether areas that reach the picture's edge are left out.
    bands : whether areas that shade into one another become one with a gradient.
    most : shapes kept, largest first.
    """

    length: float
    by: str = "cut-off"
    crop: Crop = Crop()
    lighten: float = 0.0
    cut_off: float = 50.0
    swapped: bool = False
    colours: int = 6
    specks: float = 0.05
    corners: float = 60.0
    within: float = 0.05
    background: bool = True
    scraps: bool = False
    bands: bool = False
    most: int = 120

    def check(self) -> None:
        """Raise BadInput where a figure is out of bounds."""
        LENGTH.check(self.length)
        LIGHTEN.check(self.lighten)
        CUT_OFF.check(self.cut_off)
        COLOURS.check(self.colours)
        SPECKS.check(self.specks)
        CORNERS.check(self.corners)
        WITHIN.check(self.within)
        MAX.check(self.most)
        self.crop.check()
        if self.by not in ("cut-off", "colours"):
            raise BadInput("A picture is traced by one cut-off, or by its colours.")
