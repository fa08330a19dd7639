"""The brush file's courses and their rules."""

from __future__ import annotations

from typing import Annotated, Literal

from pydantic import Field

from curlet.core.brush.courses import MAX_SHADES, Band, Letter, Row, Span
from curlet.core.brush.rules import EndRule, Facing, Fade, FitRule, Pieces, SwayRule, Swell
from curlet.formats.brush_motifs import (
    MeasureDoc,
    MotifDoc,
    Number,
    PieceDoc,
    Renamed,
    RoleDoc,
    RunningDoc,
    ShareDoc,
    Strict,
)
from curlet.formats.choices import Channel, Driver, FacingKind, FitName, HoldName, Layout, Overlap, Remainder

Few = Annotated[int, Field(ge=0, le=20)]


class FitDoc(Renamed):
    """What is done with the remainder."""

    kind: FitName = "ease"
    remainder: Remainder = "end"
    keep_gap: bool = False
    short_legs: bool = False
    tolerance: Number = 5.0
    layout: Layout = "any"
    half_gaps: bool = False
    shortened: Annotated[int, Field(ge=1, le=3)] = 3
    shared: bool = False

    def to_core(self) -> FitRule:
        return FitRule(**self.model_dump())


class FacingDoc(Renamed):
    """Which way a motif points, and how it is flipped."""

    kind: FacingKind = "along"
    angle: Number = 0.0
    end_to_end: bool = False
    side_to_side: bool = False
    mirror_alternate: bool = False

    def to_core(self) -> Facing:
        return Facing(**self.model_dump())


class EndDoc(Strict):
    """How stitching is secured: in stitches, and by a bartack of a stated length."""

    backtack: Few = 0
    condensed: Few = 0
    oversew: Few = 0
    bartack: MeasureDoc = MeasureDoc(mm=0)

    def to_core(self) -> EndRule:
        return EndRule(self.backtack, self.condensed, self.oversew, self.bartack.to_core())


class PiecesDoc(Strict):
    """Artwork for a row's ends, corners and closing."""

    start: PieceDoc | None = None
    end: PieceDoc | None = None
    corner_outside: PieceDoc | None = None
    corner_inside: PieceDoc | None = None
    join: PieceDoc | None = None

    def to_core(self) -> Pieces:
        return Pieces(**{name: piece and piece.to_core() for name, piece in self})


class SwayDoc(Strict):
    """Controlled irregularity of one channel."""

    channel: Channel
    driver: Driver = "chance"
    amount: Number = 0.0
    period: Number = 8.0
    wave: Annotated[tuple[Number, ...], Field(max_length=200)] = ()

    def to_core(self) -> SwayRule:
        return SwayRule(**self.model_dump())


class SwellPointDoc(Strict):
    """A point of a swell curve: a share of the run 0…1, and the width there in %."""

    at: Annotated[float, Field(ge=0, le=1)]
    width: Number


SwellDoc = Annotated[tuple[SwellPointDoc, ...], Field(max_length=100)]


class FadePointDoc(Strict):
    """A point of a fade's curve: a share of the run 0…1, and how much shows there, %."""

    at: Annotated[float, Field(ge=0, le=1)]
    opacity: Number


FadeDoc = Annotated[tuple[FadePointDoc, ...], Field(max_length=100)]


def core_fade(points: tuple[FadePointDoc, ...]) -> Fade:
    """A fade's points as the core has them."""
    return Fade(tuple((point.at, point.opacity) for point in points))


def _swell(points: tuple[SwellPointDoc, ...]) -> Swell:
    return Swell(tuple((point.at, point.width) for point in points))


class LetterDoc(Strict):
    """A further motif of a row: B, C, … in its order."""

    motif: MotifDoc
    length: MeasureDoc

    def to_core(self) -> Letter:
        return Letter(self.motif.to_core(), self.length.to_core())


class RowDoc(Renamed):
    """A course of repeats."""

    course: Literal["row"] = "row"
    motif: MotifDoc = RunningDoc(family="running")
    length: MeasureDoc = MeasureDoc(mm=3)
    gap: MeasureDoc | ShareDoc = MeasureDoc(mm=1)
    more: Annotated[tuple[LetterDoc, ...], Field(max_length=11)] = ()
    order: Annotated[str, Field(min_length=1, max_length=200, pattern=r"^[A-La-l ]+$")] = "A"
    shades: Annotated[tuple[RoleDoc, ...], Field(max_length=MAX_SHADES)] = ()
    hold: HoldName = "pinned"
    fit: FitDoc = FitDoc()
    facing: FacingDoc = FacingDoc()
    offset: MeasureDoc = MeasureDoc(mm=0)
    own_line: bool = True
    start_shift: MeasureDoc = MeasureDoc(mm=0)
    size: Number = 100.0
    weight: Number = 100.0
    overlap: Overlap = "next-over-last"
    pieces: PiecesDoc = PiecesDoc()
    ends: EndDoc = EndDoc()
    sway: Annotated[tuple[SwayDoc, ...], Field(max_length=14)] = ()
    swell: SwellDoc = ()
    opacity: Number = 100.0
    fade: FadeDoc = ()
    soft: MeasureDoc = MeasureDoc(mm=0)

    def to_core(self) -> Row:
        return Row(
            motif=self.motif.to_core(),
            length=self.length.to_core(),
            gap=self.gap.to_core(),
            fit=self.fit.to_core(),
            hold=self.hold,
            more=tuple(letter.to_core() for letter in self.more),
            order=self.order,
            shades=tuple(shade.to_core() for shade in self.shades),
            facing=self.facing.to_core(),
            offset=self.offset.to_core(),
            own_line=self.own_line,
            start_shift=self.start_shift.to_core(),
            size=self.size,
            weight=self.weight,
            overlap=self.overlap,
            pieces=self.pieces.to_core(),
            ends=self.ends.to_core(),
            sway=tuple(rule.to_core() for rule in self.sway),
            swell=_swell(self.swell),
            opacity=self.opacity,
            fade=core_fade(self.fade),
            soft=self.soft.to_core(),
        )


class BandDoc(Strict):
    """A continuous course."""

    course: Literal["band"]
    width: MeasureDoc = MeasureDoc(mm=4)
    role: RoleDoc = RoleDoc()
    offset: MeasureDoc = MeasureDoc(mm=0)
    ends: Literal["flat", "round", "square"] = "flat"
    joins: Literal["round", "mitre", "bevel"] = "mitre"
    size: Number = 100.0
    weight: Number = 100.0
    swell: SwellDoc = ()
    opacity: Number = 100.0
    fade: FadeDoc = ()
    soft: MeasureDoc = MeasureDoc(mm=0)

    def to_core(self) -> Band:
        return Band(
            self.width.to_core(),
            self.role.to_core(),
            self.offset.to_core(),
            self.ends,
            self.joins,
            self.size,
            self.weight,
            _swell(self.swell),
            self.opacity,
            core_fade(self.fade),
            self.soft.to_core(),
        )


class SpanDoc(Strict):
    """One motif stretched once along the whole run."""

    course: Literal["span"]
    motif: MotifDoc
    length: MeasureDoc
    offset: MeasureDoc = MeasureDoc(mm=0)
    keep_ends: MeasureDoc = MeasureDoc(mm=0)
    size: Number = 100.0
    weight: Number = 100.0
    swell: SwellDoc = ()
    opacity: Number = 100.0
    fade: FadeDoc = ()
    soft: MeasureDoc = MeasureDoc(mm=0)

    def to_core(self) -> Span:
        return Span(
            self.motif.to_core(),
            self.length.to_core(),
            self.offset.to_core(),
            self.keep_ends.to_core(),
            self.size,
            self.weight,
            _swell(self.swell),
            self.opacity,
            core_fade(self.fade),
            self.soft.to_core(),
        )
