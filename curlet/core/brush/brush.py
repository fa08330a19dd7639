"""What a brush is: courses, bottom to top, and what happens at corners."""

from __future__ import annotations

from dataclasses import dataclass, field

from curlet.core.bounds import Bounds
from curlet.core.errors import BadInput
from curlet.core.measures import Measure, Scale, pitch_to_spi
from curlet.core.motif.families import Running
from curlet.core.motif.motif import MotifMaker
from curlet.core.path.corners import DEFAULT_CORNER_ANGLE

STITCH_LENGTH = Bounds("Stitch length", 0.01, 10_000, "3 mm to 4 mm is usual for topstitching")
GAP = Bounds("Gap", -10_000, 10_000)
SHARE = Bounds("Gap", -99, 10_000, "a share of the stitch length", "%")
CORNER_ANGLE = Bounds("Corner angle", 1, 179, "30° is usual", "°")
TOLERANCE = Bounds("Tolerance", 0, 100, "5 % is usual", "%")


@dataclass(frozen=True)
class Share:
    """A gap given as a percentage of the repeat's length, in proportion whatever the length."""

    percent: float


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
    """

    kind: str = "ease"
    remainder: str = "end"
    keep_gap: bool = False
    short_legs: bool = False
    tolerance: float = 5.0


@dataclass(frozen=True)
class CornerRule:
    """How corners are turned: `manner` is a name in `lay.corners.MANNERS`, `angle` in degrees."""

    manner: str = "pivot"
    angle: float = DEFAULT_CORNER_ANGLE


@dataclass(frozen=True)
class Row:
    """A course of repeats: the motif, its length along the path and the gap after it."""

    motif: MotifMaker = field(default_factory=Running)
    length: Measure = Measure(3.0)
    gap: Measure | Share = Measure(1.0)
    fit: FitRule = FitRule()
    hold: str = "pinned"

    def drawn_length(self, scale: Scale) -> float:
        """Repeat length in sheet mm."""
        return self.length.drawn(scale)

    def drawn_gap(self, scale: Scale) -> float:
        """Gap in sheet mm."""
        if isinstance(self.gap, Share):
            return self.drawn_length(scale) * self.gap.percent / 100
        return self.gap.drawn(scale)

    def length_for_pitch(self, pitch: float, scale: Scale) -> float:
        """Worn length that makes a pitch (worn mm) with this row's gap.

        Raises
        ------
        BadInput
            If the gap alone is as long as the pitch.
        """
        if isinstance(self.gap, Share):
            return pitch / (1 + self.gap.percent / 100)
        gap = self.gap.worn(scale)
        if gap >= pitch:
            raise BadInput(
                f"{pitch_to_spi(pitch):g} spi is a pitch of {pitch:.3g} mm, all of it taken by "
                f"the {gap:.3g} mm gap. Make the gap smaller first."
            )
        return pitch - gap

    def check(self, scale: Scale) -> None:
        """Raise BadInput where a measure is out of bounds or the pitch is not above 0."""
        STITCH_LENGTH.check(self.length.mm)
        if isinstance(self.gap, Share):
            SHARE.check(self.gap.percent)
        else:
            GAP.check(self.gap.mm)
        TOLERANCE.check(self.fit.tolerance)
        if self.fit.remainder not in ("end", "start", "shared"):
            raise BadInput("What is left over goes to the end, the start, or is shared.")
        if self.drawn_gap(scale) <= -0.99 * self.drawn_length(scale):
            raise BadInput(
                "This gap is an overlap as long as the stitch, so the row would not move on. "
                "Make the gap larger or the stitch longer."
            )
        self.motif.check()


@dataclass(frozen=True)
class Brush:
    """A recipe to lay along any path."""

    name: str = "Topstitch"
    courses: tuple[Row, ...] = (Row(),)
    corners: CornerRule = CornerRule()
    threads: tuple[str, ...] = ("#e9c46a",)

    def check(self, scale: Scale) -> None:
        """Raise BadInput, with what to do, where the brush cannot be laid."""
        if not self.courses:
            raise BadInput("This brush has no courses. Add a row of stitches.")
        if not self.threads:
            raise BadInput("This brush has no thread. Give it a colour.")
        CORNER_ANGLE.check(self.corners.angle)
        for course in self.courses:
            course.check(scale)
