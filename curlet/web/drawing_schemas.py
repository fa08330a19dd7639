"""The API's types of the drawing: paints, shapes, groups."""

from __future__ import annotations

from typing import Annotated, Literal

from pydantic import BaseModel, Field

Matrix = tuple[float, float, float, float, float, float]


class ArrayPlace(BaseModel):
    """Float32 numbers in the frame: `count` of them from the `at`-th."""

    at: int
    count: int


class SolidPaint(BaseModel):
    type: Literal["solid"]
    colour: str
    opacity: float


class PaintStop(BaseModel):
    offset: float
    colour: str
    opacity: float


class LinearPaint(BaseModel):
    type: Literal["linear"]
    start: tuple[float, float]
    end: tuple[float, float]
    stops: list[PaintStop]
    matrix: Matrix


class RadialPaint(BaseModel):
    type: Literal["radial"]
    centre: tuple[float, float]
    radius: float
    stops: list[PaintStop]
    matrix: Matrix


class TilingPaint(BaseModel):
    """Shapes repeated in tiles of `width` × `height` mm, `unit` mm to their own; from afar it is `mean`."""

    type: Literal["tiling"]
    shapes: list[PlainShape]
    width: float
    height: float
    matrix: Matrix
    mean: str
    unit: float


AnyPaint = Annotated[SolidPaint | LinearPaint | RadialPaint | TilingPaint, Field(discriminator="type")]


class StrokeShown(BaseModel):
    paint: AnyPaint
    weight: float
    ends: Literal["round", "flat", "square"]
    joins: Literal["round", "mitre", "bevel"]
    dashes: list[float]
    mitre_limit: float


class OutlinePoints(ArrayPlace):
    """An outline whose points are numbers of the frame: `steps` are SVG path commands, M, L, C and Z."""

    steps: str


class ShapeShown(BaseModel):
    """A shape; its outline is SVG path data where its numbers are in no frame.

    `move` is how far it is moved on the sheet, mm, if at all; `seen` from and below which resolution it is
    painted, pixels to the mm, if not at all.
    """

    outline: str | OutlinePoints
    fill: AnyPaint | None
    stroke: StrokeShown | None
    even_odd: bool
    move: tuple[float, float] | None = None
    seen: tuple[float, float | None] | None = None


class PlainShape(ShapeShown):
    """A shape whose outline is SVG path data."""

    outline: str


class StampsShown(BaseModel):
    """Shapes at placements: six numbers each, as canvas and SVG take a matrix. Where they lie `apart` they
    may be painted in any order."""

    type: Literal["stamps"]
    apart: bool
    shapes: list[ShapeShown]
    placements: ArrayPlace


class LaidShown(BaseModel):
    type: Literal["laid"]
    shapes: list[ShapeShown]


class PictureShown(BaseModel):
    """A picture over the unit square, moved by each placement."""

    type: Literal["picture"]
    src: str
    placements: ArrayPlace


class GroupShown(BaseModel):
    type: Literal["group"]
    id: str
    opacity: float
    clip: OutlinePoints | None
    mask: list[ShapeShown] | None = None
    blur: float | None = None
    items: list[Annotated[StampsShown | LaidShown | PictureShown | GroupShown, Field(discriminator="type")]]
