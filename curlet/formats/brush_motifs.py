"""The brush file's measures, colours and motifs."""

from __future__ import annotations

from typing import Annotated, Literal

from pydantic import BaseModel, ConfigDict, Field, FiniteFloat

from curlet.core.brush.courses import Share
from curlet.core.brush.rules import Piece
from curlet.core.dress.colour import ColourRole
from curlet.core.measures import Frame, Measure
from curlet.core.motif.families import ArtShape, Artwork, Running

Number = FiniteFloat


class Strict(BaseModel):
    model_config = ConfigDict(extra="forbid", frozen=True)


class MeasureDoc(Strict):
    """A length in mm, worn (on the garment) or printed (on paper)."""

    mm: Number
    frame: Literal["worn", "printed"] = "worn"

    def to_core(self) -> Measure:
        return Measure(self.mm, Frame(self.frame))


class ShareDoc(Strict):
    """A gap as a percentage of the repeat's length."""

    percent: Number

    def to_core(self) -> Share:
        return Share(self.percent)


class RoleDoc(Strict):
    """Where a colour comes from: thread 1, 2, 3 …, or a colour of its own; made lighter by % (darker
    below 0)."""

    thread: Annotated[int, Field(ge=1, le=64)] = 1
    own: Annotated[str, Field(pattern=r"^#[0-9a-f]{6}$")] | None = None
    lighter: Annotated[float, Field(ge=-100, le=100, allow_inf_nan=False)] = 0.0

    def to_core(self) -> ColourRole:
        return ColourRole(self.thread, self.own, self.lighter)


class RunningDoc(Strict):
    """A running stitch: thread thickness and ends."""

    family: Literal["running"] = "running"
    thread: MeasureDoc = MeasureDoc(mm=0.4)
    ends: Literal["round", "flat"] = "round"

    def to_core(self) -> Running:
        return Running(self.thread.to_core(), self.ends)


class ArtShapeDoc(Strict):
    """One shape of artwork, in mm in its cell; path data with absolute M, L, C and Z."""

    d: Annotated[str, Field(min_length=3, max_length=2_000_000)]
    fill: RoleDoc | None = None
    stroke: RoleDoc | None = None
    weight: Number = 0.2
    ends: Literal["round", "flat", "square"] = "round"
    joins: Literal["round", "mitre", "bevel"] = "round"
    even_odd: bool = False
    over: bool = False

    def to_core(self) -> ArtShape:
        fill, stroke = (role.to_core() if role else None for role in (self.fill, self.stroke))
        return ArtShape(self.d, fill, stroke, self.weight, self.ends, self.joins, self.even_odd, self.over)


class ArtworkDoc(Strict):
    """A motif drawn shape by shape: x from 0 to `length`, y from minus to plus half of `width`."""

    family: Literal["artwork"]
    shapes: Annotated[tuple[ArtShapeDoc, ...], Field(min_length=1, max_length=500)]
    length: Number
    width: Number
    frame: Literal["worn", "printed"] = "worn"

    def to_core(self) -> Artwork:
        shapes = tuple(shape.to_core() for shape in self.shapes)
        return Artwork(shapes, self.length, self.width, Frame(self.frame))


MotifDoc = Annotated[RunningDoc | ArtworkDoc, Field(discriminator="family")]


class PieceDoc(Strict):
    """Artwork for a place, within the path's length or overhanging its end."""

    motif: MotifDoc
    length: MeasureDoc
    within: bool = True

    def to_core(self) -> Piece:
        return Piece(self.motif.to_core(), self.length.to_core(), self.within)
