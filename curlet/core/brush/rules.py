"""What a brush says beside its artwork: fit, facing, corners, ends, sway, swell."""

from __future__ import annotations

from dataclasses import dataclass, field
from itertools import pairwise

import numpy as np

from curlet.core.bounds import Bounds
from curlet.core.errors import BadInput
from curlet.core.measures import Measure
from curlet.core.motif.motif import MotifMaker
from curlet.core.path.corners import DEFAULT_CORNER_ANGLE
from curlet.core.settings import check_settings, measure, number

TOLERANCE = Bounds("Tolerance", 0, 100, "5 % is usual", "%")
FACING_ANGLE = Bounds("Facing", -360, 360, "", "°")
PIECE_LENGTH = Bounds("A piece's length", 0.01, 10_000)
BARTACK = Bounds("Bartack", 0, 1000, "6 mm to 12 mm is usual")
SWAY_PERIOD = Bounds("Sway's rhythm", 1, 100_000, "", "repeats")
SWELL = Bounds("Swell", 0, 1000, "100 % is as drawn", "%")
FADED = Bounds("Opacity along the run", 0, 100, "", "%")

# What can be chosen, and what it is called.
REMAINDERS = {"end": "At the end", "start": "At the start", "shared": "Shared"}
LAYOUTS = {"any": "As it comes", "repeat": "A repeat", "gap": "A gap"}
FACINGS = {"along": "Along the path", "level": "Level", "turned": "Turned"}
OVERLAPS = {
    "next-over-last": "Next over last",
    "last-over-next": "Last over next",
    "interlaced": "Interlaced",
}
CROSSINGS = {"plain": "Plain", "over-under": "Over and under"}
# With the unit of a channel's amount.
CHANNELS = {
    "size": ("Size", "%"), "turn": ("Turn", "°"), "along": ("Along", "%"), "across": ("Across", "%"),
    "mirror": ("Mirror", "%"), "shade": ("Shade", "%"), "hue": ("Hue", "°"),
}  # fmt: skip
DRIVERS = {"chance": "Chance", "rhythm": "Rhythm", "travel": "Travel"}


@dataclass(frozen=True)
class FitRule:
    """What is done with the remainder of a leg.

    Attributes
    ----------
    kind : a name in `lay.fit.FITS`.
    remainder : where what is left over goes: "end", "start" or "shared".
    keep_gap : ease the lengths only.
    short_legs : lay one eased repeat in a leg too short for one.
    tolerance : departure of the pitch, in %, past which a leg is flagged.
    layout : a "repeat" or a "gap" on the leg's middle, or "any".
    half_gaps : begin and end each leg with half a gap instead of flush.
    shortened : how many repeats are shortened before a corner or end, 1 to 3.
    shared : one repeat length for all legs; the gaps take the difference.
    """

    kind: str = "ease"
    remainder: str = "end"
    keep_gap: bool = False
    short_legs: bool = False
    tolerance: float = 5.0
    layout: str = "any"
    half_gaps: bool = False
    shortened: int = 3
    shared: bool = False

    def check(self) -> None:
        TOLERANCE.check(self.tolerance)
        if self.remainder not in REMAINDERS:
            raise BadInput("What is left over goes to the end, the start, or is shared.")
        if self.layout not in LAYOUTS:
            raise BadInput("A layout has a repeat on the leg's middle, a gap, or any.")
        if not 1 <= self.shortened <= 3:
            raise BadInput("One, two or three stitches are shortened before a corner.")


@dataclass(frozen=True)
class Piece:
    """Artwork for one place. `within` the path's length, or overhanging its end."""

    motif: MotifMaker
    length: Measure
    within: bool = True

    def check(self) -> None:
        PIECE_LENGTH.check(self.length.mm)
        self.motif.check()


@dataclass(frozen=True)
class Pieces:
    """Artwork for a row's ends, corners and closing; None where there is none.

    A corner piece is drawn for a square turn to the right: its cell's length is its reach along
    each leg, the corner stands at (length, 0), and the way goes on downward from there.
    """

    start: Piece | None = None
    end: Piece | None = None
    corner_outside: Piece | None = None
    corner_inside: Piece | None = None
    join: Piece | None = None

    def check(self) -> None:
        for piece in (self.start, self.end, self.corner_outside, self.corner_inside, self.join):
            if piece is not None:
                piece.check()


@dataclass(frozen=True)
class CornerRule:
    """How corners are turned.

    Attributes
    ----------
    manner : a name in `lay.corners.MANNERS`.
    angle : turn that makes a corner, degrees.
    mitre_limit : mitre length over width past which the cut is flat (SVG 2, stroke-miterlimit).
    stop : how far before a corner repeats end, and begin after it.
    made : how a corner piece is made from the repeat where no artwork is given, a name in
        `lay.corners.made.MADE`.
    fullness : of a gathered corner, the trim's length over the length of edge that it covers.
    radius : of a rounded corner's arc.
    """

    manner: str = "pivot"
    angle: float = number(DEFAULT_CORNER_ANGLE, "Corner angle", 1, 179, "30° is usual", "°")
    mitre_limit: float = number(4.0, "Mitre limit", 1, 100, "4 is usual", "times the width")
    stop: Measure = measure(2.0, "Stops before by", 0, 10_000)
    made: str = "mitred"
    fullness: float = number(1.5, "Fullness", 1, 5, "1.5 to 2 is usual", "times", step=0.1)
    radius: Measure = measure(6.0, "Radius", 0.01, 10_000)

    def check(self) -> None:
        check_settings(self)


@dataclass(frozen=True)
class EndRule:
    """How stitching is secured: in stitches sewn back over itself, condensed at the ends, and where a
    closed seam meets itself; and by a bartack of a stated length at each end, none at 0."""

    backtack: int = 0
    condensed: int = 0
    oversew: int = 0
    bartack: Measure = Measure(0.0)

    def check(self) -> None:
        BARTACK.check(self.bartack.mm)
        for count in (self.backtack, self.condensed, self.oversew):
            if not 0 <= count <= 20:
                raise BadInput("Stitching is secured with 0 to 20 stitches; 3 to 5 are usual.")


@dataclass(frozen=True)
class Facing:
    """Which way a motif points: along the path, level with the sheet, or turned by an angle."""

    kind: str = "along"
    angle: float = 0.0
    end_to_end: bool = False
    side_to_side: bool = False
    mirror_alternate: bool = False

    def check(self) -> None:
        FACING_ANGLE.check(self.angle)
        if self.kind not in FACINGS:
            raise BadInput("A motif faces along the path, level with the sheet, or turned.")


@dataclass(frozen=True)
class SwayRule:
    """Controlled irregularity of one channel.

    Attributes
    ----------
    channel : size (%), turn (°), along, across (% of length and width), mirror (% of repeats),
        shade (% lightness), hue (°).
    driver : "chance" (seeded), "rhythm" (every `period` repeats) or "travel" (start to end).
    amount : the most that it moves the channel to either side.
    wave : values −1…1 evenly along the rhythm or the travel; a sine wave, or a steady rise, if empty.
    """

    channel: str
    driver: str = "chance"
    amount: float = 0.0
    period: float = 8.0
    wave: tuple[float, ...] = ()

    def check(self) -> None:
        if self.channel not in CHANNELS or self.driver not in DRIVERS:
            raise BadInput(f"Sway moves one of {', '.join(CHANNELS)}, by {', '.join(DRIVERS)}.")
        SWAY_PERIOD.check(self.period)
        if not np.isfinite(self.amount) or abs(self.amount) > 1000 or len(self.wave) > 200:
            raise BadInput("Sway's amount is a number up to 1,000, its curve up to 200 values.")


@dataclass(frozen=True)
class Fade:
    """How much shows along a run: (share of the run 0…1, % of opacity) points, evenly between them."""

    points: tuple[tuple[float, float], ...] = field(default=())

    def check(self) -> None:
        for _, opacity in self.points:
            FADED.check(opacity)
        _check_order("fade", self.points)

    def at(self, share: np.ndarray) -> np.ndarray:
        """How much shows, 0…1, at (n,) shares of the run."""
        if not self.points:
            return np.ones_like(share)
        places, shown = np.array(self.points).T
        return np.asarray(np.interp(share, places, shown / 100))


@dataclass(frozen=True)
class Swell:
    """How width changes along a run: (share of the run 0…1, % of the width) points."""

    points: tuple[tuple[float, float], ...] = field(default=())

    def check(self) -> None:
        for _, width in self.points:
            SWELL.check(width)
        _check_order("swell", self.points)

    def at(self, share: np.ndarray) -> np.ndarray:
        """Width factor at (n,) shares of the run."""
        if not self.points:
            return np.ones_like(share)
        places, widths = np.array(self.points).T
        return np.asarray(np.interp(share, places, widths / 100))


def _check_order(name: str, points: tuple[tuple[float, float], ...]) -> None:
    if any(b[0] < a[0] for a, b in pairwise(points)):
        raise BadInput(f"A {name} curve's points come in order from the run's start to its end.")
