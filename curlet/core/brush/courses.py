"""The courses of a brush: bands, rows and spans."""

from __future__ import annotations

import math
import re
from collections.abc import Hashable
from dataclasses import dataclass, field
from functools import cached_property, lru_cache
from typing import ClassVar, cast

import numpy as np

from curlet.core.bounds import Bounds
from curlet.core.brush.rules import (
    OVERLAPS,
    EndRule,
    Facing,
    Fade,
    FitRule,
    Pieces,
    SwayRule,
    Swell,
)
from curlet.core.dress.colour import ColourRole
from curlet.core.errors import BadInput
from curlet.core.measures import Measure, Scale, pitch_to_spi
from curlet.core.motif.families import Running
from curlet.core.motif.motif import Motif, MotifMaker, half_width_of
from curlet.core.motif.taken import in_shade

STITCH_LENGTH = Bounds("Stitch length", 0.01, 10_000, "3 mm to 4 mm is usual for topstitching")
GAP = Bounds("Gap", -10_000, 10_000)
SHARE = Bounds("Gap", -99, 10_000, "a share of the stitch length", "%")
OFFSET = Bounds("Offset", -10_000, 10_000)
SHIFT = Bounds("Start shift", -10_000, 10_000)
SIZE = Bounds("Size", 1, 10_000, "100 % is as drawn", "%")
WEIGHT = Bounds("Line weight", 1, 10_000, "100 % is as drawn", "%")
OPACITY = Bounds("Opacity", 0, 100, "100 % hides what lies under it", "%")
SOFT = Bounds("Soft edge", 0, 1000, "0 mm is sharp")
BAND_WIDTH = Bounds("Band width", 0.01, 10_000)
MAX_LETTERS = 12
MAX_SHADES = 24
_MIN_PITCH = 0.05


@lru_cache(maxsize=512)
def _made(maker: Hashable, scale: Scale, size: float, weight: float) -> Motif:
    """A motif, made once for all the paths that it lies on."""
    return cast(MotifMaker, maker).make(scale).sized(size, weight)


def _turns(maker: MotifMaker) -> tuple[MotifMaker, ...]:
    return getattr(maker, "by_turns", ()) or (maker,)


@dataclass(frozen=True)
class Share:
    """A gap given as a percentage of the repeat's length, in proportion whatever the length."""

    percent: float


@dataclass(frozen=True)
class Letter:
    """A further motif of a row, with its own length: B, C, … in the order."""

    motif: MotifMaker
    length: Measure


@dataclass(frozen=True)
class Row:
    """A course of repeats: the motif, its length along the path and the gap after it.

    Attributes
    ----------
    more, order : further motifs B, C, … and the sequence in which all come, as letters: "A A B".
    shades : the colours of thread 1 that repeats run through, whatever the order of motifs; none where all
        have the brush's.
    hold : a name in `lay.hold.HOLDS`.
    offset : how far the row lies from the path, to its left (−) or right (+).
    own_line : whether an offset row is measured on its own line, or in step with the path.
    start_shift : how far the first repeat is moved along the path.
    size, weight : of the artwork and of its lines, %.
    opacity : of the whole course, %.
    fade : how that changes along the run.
    soft : how wide its edges are, from all that shows to nothing; 0 is sharp.
    overlap : which repeat lies on top.
    """

    motif: MotifMaker = field(default_factory=Running)
    length: Measure = Measure(3.0)
    gap: Measure | Share = Measure(1.0)
    fit: FitRule = FitRule()
    hold: str = "pinned"
    more: tuple[Letter, ...] = ()
    order: str = "A"
    shades: tuple[ColourRole, ...] = ()
    facing: Facing = Facing()
    offset: Measure = Measure(0.0)
    own_line: bool = True
    start_shift: Measure = Measure(0.0)
    size: float = 100.0
    weight: float = 100.0
    overlap: str = "next-over-last"
    pieces: Pieces = Pieces()
    ends: EndRule = EndRule()
    sway: tuple[SwayRule, ...] = ()
    swell: Swell = Swell()
    opacity: float = 100.0
    fade: Fade = Fade()
    soft: Measure = Measure(0.0)
    kind: ClassVar[str] = "row"

    @cached_property
    def letters(self) -> tuple[tuple[tuple[MotifMaker, Measure], ...], ...]:
        """What each letter lays, in turn: A, B, C …, one motif and its length where it has no turns."""
        every = ((self.motif, self.length), *((letter.motif, letter.length) for letter in self.more))
        return tuple(tuple((turn, length) for turn in _turns(maker)) for maker, length in every)

    @property
    def count(self) -> int:
        """How many motifs its repeats have, one in two shades being two."""
        return sum(len(turns) for turns in self.letters) * self._tones

    @property
    def _tones(self) -> int:
        """How many shades each motif comes in."""
        return max(len(self.shades), 1)

    @cached_property
    def _order(self) -> tuple[int, ...]:
        """The order as indices of letters."""
        return tuple(ord(letter) - ord("A") for letter in re.sub(r"\s", "", self.order.upper()))

    @cached_property
    def sequence(self) -> tuple[int, ...]:
        """The order as indices of motifs, until every letter's turns and the shades come out too."""
        order = self._order
        first = np.cumsum([0, *(len(turns) for turns in self.letters)]).tolist()
        tones = self._tones
        whole = math.lcm(len(order), tones, *(len(self.letters[letter]) for letter in order))
        letters = [order[place % len(order)] for place in range(whole)]
        return tuple(
            (first[letter] + place % len(self.letters[letter])) * tones + place % tones
            for place, letter in enumerate(letters)
        )

    def motifs(self, scale: Scale) -> tuple[Motif, ...]:
        """Every motif at a scale, in the letters' order, that of their turns and that of the shades."""
        size, weight = self.size / 100, self.weight / 100
        every = (
            _made(cast(Hashable, maker), scale, size, weight) for turns in self.letters for maker, _ in turns
        )
        if not self.shades:
            return tuple(every)
        return tuple(in_shade(motif, shade) for motif in every for shade in self.shades)

    def drawn_lengths(self, scale: Scale) -> tuple[float, ...]:
        """Every motif's length in sheet mm, in the order of `motifs`."""
        every = (length.drawn(scale) * self.size / 100 for turns in self.letters for _, length in turns)
        return tuple(length for length in every for _ in range(self._tones))

    def drawn_length(self, scale: Scale) -> float:
        """Repeat length of motif A in sheet mm."""
        return self.length.drawn(scale) * self.size / 100

    def drawn_gap(self, scale: Scale) -> float:
        """Gap in sheet mm."""
        if isinstance(self.gap, Share):
            return self.drawn_length(scale) * self.gap.percent / 100
        return self.gap.drawn(scale) * self.size / 100

    def drawn_offset(self, scale: Scale) -> float:
        """Offset in sheet mm, to the right of the way."""
        return self.offset.drawn(scale) * self.size / 100

    def drawn_reach(self, scale: Scale) -> float:
        """How far its edges lie from the path, sheet mm."""
        return abs(self.drawn_offset(scale)) + half_width_of(self.motifs(scale))

    def drawn_span(self, scale: Scale) -> float:
        """How much of the path it spans at once, sheet mm: turns closer than that are one corner."""
        return max(self.drawn_length(scale), half_width_of(self.motifs(scale)))

    def drawn_pitch(self, scale: Scale) -> float:
        """From the start of one repeat to the start of the next, sheet mm; its mean where they differ."""
        lengths, gap = self.drawn_lengths(scale), self.drawn_gap(scale)
        return max(sum(lengths[i] + gap for i in self.sequence) / len(self.sequence), _MIN_PITCH)

    def drawn_width(self, scale: Scale) -> float:
        """Width of its widest motif in sheet mm."""
        return max(motif.width for motif in self.motifs(scale))

    def length_for_pitch(self, pitch: float, scale: Scale) -> float:
        """The length that makes a pitch (garment mm) with this row's gap.

        Raises
        ------
        BadInput
            If the gap alone is as long as the pitch.
        """
        if isinstance(self.gap, Share):
            return pitch / (1 + self.gap.percent / 100)
        gap = self.gap.on_garment(scale)
        if gap >= pitch:
            raise BadInput(
                f"{pitch_to_spi(pitch):g} spi is a pitch of {pitch:.3g} mm, all of it taken by "
                f"the {gap:.3g} mm gap. Make the gap smaller first."
            )
        return pitch - gap

    def check(self, scale: Scale) -> None:
        """Raise BadInput where a measure is out of bounds or the pitch is not above 0."""
        for letter in (self.length, *(item.length for item in self.more)):
            STITCH_LENGTH.check(letter.mm)
        if isinstance(self.gap, Share):
            SHARE.check(self.gap.percent)
        else:
            GAP.check(self.gap.mm)
        for maker in (self.motif, *(item.motif for item in self.more)):
            maker.check()
        _check_place(self)
        self._check_order()
        self._check_rules()
        if self.drawn_gap(scale) <= -0.99 * min(self.drawn_lengths(scale)):
            raise BadInput(
                "This gap is an overlap as long as the stitch, so the row would not move on. "
                "Make the gap larger or the stitch longer."
            )

    def _check_order(self) -> None:
        count = 1 + len(self.more)
        fine = self._order and all(0 <= index < count for index in self._order)
        if not fine or len(self._order) > 100 or count > MAX_LETTERS:
            last = chr(ord("A") + min(count, MAX_LETTERS) - 1)
            raise BadInput(f"An order is up to 100 letters from A to {last}, like A A B.")
        if len(self.shades) > MAX_SHADES:
            raise BadInput(f"A row runs through up to {MAX_SHADES} shades.")
        if self.overlap not in OVERLAPS:
            raise BadInput("Repeats overlap next over last, last over next, or interlaced.")

    def _check_rules(self) -> None:
        SHIFT.check(self.start_shift.mm)
        self.fit.check()
        self.facing.check()
        self.pieces.check()
        self.ends.check()
        self.swell.check()
        for rule in self.sway:
            rule.check()


@dataclass(frozen=True)
class Band:
    """A continuous course of stated width and colour; `joins` is "round", "mitre" or "bevel"."""

    width: Measure = Measure(4.0)
    role: ColourRole = ColourRole(1)
    offset: Measure = Measure(0.0)
    ends: str = "flat"
    joins: str = "mitre"
    size: float = 100.0
    weight: float = 100.0
    swell: Swell = Swell()
    opacity: float = 100.0
    fade: Fade = Fade()
    soft: Measure = Measure(0.0)
    kind: ClassVar[str] = "band"

    def drawn_width(self, scale: Scale) -> float:
        """Width in sheet mm."""
        return self.width.drawn(scale) * self.size / 100

    def drawn_pitch(self, scale: Scale) -> float:
        """A piece of it to be shown as one repeat, twice as long as it is wide, sheet mm."""
        return 2 * self.drawn_width(scale)

    def drawn_offset(self, scale: Scale) -> float:
        """Offset in sheet mm, to the right of the way."""
        return self.offset.drawn(scale) * self.size / 100

    def drawn_reach(self, scale: Scale) -> float:
        """How far its edges lie from the path, sheet mm."""
        return abs(self.drawn_offset(scale)) + self.drawn_width(scale) / 2

    def drawn_span(self, scale: Scale) -> float:
        """How much of the path it spans at once, sheet mm: turns closer than that are one corner."""
        return self.drawn_width(scale) / 2

    def check(self, scale: Scale) -> None:
        BAND_WIDTH.check(self.width.mm)
        _check_place(self)
        self.swell.check()
        if self.ends not in ("flat", "round", "square") or self.joins not in ("round", "mitre", "bevel"):
            raise BadInput("A band's ends are flat, round or square; its joins round, mitre or bevel.")


@dataclass(frozen=True)
class Span:
    """One motif stretched once along the whole run; `keep_ends` of it stay in proportion."""

    motif: MotifMaker
    length: Measure
    offset: Measure = Measure(0.0)
    keep_ends: Measure = Measure(0.0)
    size: float = 100.0
    weight: float = 100.0
    swell: Swell = Swell()
    opacity: float = 100.0
    fade: Fade = Fade()
    soft: Measure = Measure(0.0)
    kind: ClassVar[str] = "span"

    def drawn_pitch(self, scale: Scale) -> float:
        """Length of its motif before it is stretched, sheet mm."""
        return self.length.drawn(scale) * self.size / 100

    def drawn_width(self, scale: Scale) -> float:
        """Width of its motif in sheet mm."""
        return self.motif.make(scale).width * self.size / 100

    def drawn_offset(self, scale: Scale) -> float:
        """Offset in sheet mm, to the right of the way."""
        return self.offset.drawn(scale) * self.size / 100

    def drawn_reach(self, scale: Scale) -> float:
        """How far its edges lie from the path, sheet mm."""
        return abs(self.drawn_offset(scale)) + self.drawn_width(scale) / 2

    def drawn_span(self, scale: Scale) -> float:
        """How much of the path it spans at once, sheet mm: turns closer than that are one corner."""
        return self.drawn_width(scale) / 2

    def check(self, scale: Scale) -> None:
        if not self.motif.bends:
            raise BadInput("A picture cannot be stretched along a path. Repeat it, or trace it to shapes.")
        STITCH_LENGTH.check(self.length.mm)
        self.motif.check()
        _check_place(self)
        self.swell.check()


Course = Row | Band | Span


def _check_place(course: Course) -> None:
    OFFSET.check(course.offset.mm)
    SIZE.check(course.size)
    WEIGHT.check(course.weight)
    OPACITY.check(course.opacity)
    course.fade.check()
    SOFT.check(course.soft.mm)
