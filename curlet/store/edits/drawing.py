"""Edits that draw: shapes of a motif added, set, moved, lined up, copied, combined, painted."""

from __future__ import annotations

import math
from abc import abstractmethod
from collections.abc import Sequence
from dataclasses import replace
from typing import Annotated, Literal

from pydantic import Field

from curlet.core.drawing import Outline
from curlet.core.dress.colour import ColourRole
from curlet.core.errors import BadInput
from curlet.core.motif.art import about, box_of, moved, path_text, shifted
from curlet.core.motif.draw.combine import combine, lines_as_areas
from curlet.core.motif.draw.copies import graded, mirrored, one_after_another, round_about, spread
from curlet.core.motif.draw.paint import dotted_edge, with_gradient
from curlet.core.motif.draw.shapes import (
    added,
    aligned,
    box_around,
    chosen,
    edited,
    moved_by,
    ordered,
    placed_in,
    removed,
)
from curlet.core.motif.families.artwork import LINE, ArtShape, Artwork
from curlet.core.outlines import box, curve, disc, lines
from curlet.formats.brush_file import BrushDoc
from curlet.formats.brush_motifs import Number, RoleDoc
from curlet.store.edits.artwork_places import AnyPlace, artwork_at, with_artwork
from curlet.store.edits.courses import Edit, Index
from curlet.store.edits.entered import (
    MAX_COLOURS,
    Text,
    TypedRole,
    count_of,
    degrees,
    listed,
    mm,
    percent,
    roles_of,
)

Which = Annotated[list[Annotated[int, Field(ge=0, lt=500)]], Field(min_length=1, max_length=500)]
Roles = Annotated[list[TypedRole], Field(min_length=1, max_length=MAX_COLOURS)]
Point = tuple[Number, Number]

_NEW_LINE = 0.5


class ShapesEdit(Edit):
    """Changes the shapes of the artwork at a place; a family's motif becomes artwork of its own first."""

    course: Index
    place: AnyPlace = "repeat"

    def apply(self, doc: BrushDoc) -> tuple[BrushDoc, str]:
        art, label = self.draw(artwork_at(doc, self.course, self.place))
        return with_artwork(doc, self.course, self.place, art), label

    @abstractmethod
    def draw(self, art: Artwork) -> tuple[Artwork, str]: ...


class AddFigure(ShapesEdit):
    """A disc or a rectangle from corner to corner, a line or a curve through points; or, as it is `entered`,
    by its middle along and across, how long and how wide it is."""

    kind: Literal["add-figure"]
    figure: Literal["disc", "rectangle", "line", "curve"]
    points: Annotated[tuple[Point, ...], Field(max_length=200)] = ()
    entered: tuple[Text, Text, Text, Text] | None = None
    closed: bool = False
    role: RoleDoc = RoleDoc()

    def draw(self, art: Artwork) -> tuple[Artwork, str]:
        role, points = self.role.to_core(), self._points()
        if self.figure in ("line", "curve"):
            made = curve if self.figure == "curve" and len(points) > 2 else lines
            closed = self.closed and len(points) > 2
            shape = ArtShape(path_text(made(points, closed=closed)), stroke=role, weight=_NEW_LINE)
            return added(art, [shape]), f"Draw a {self.figure}"
        (x0, y0), (x1, y1) = points[0], points[-1]
        if math.isclose(x0, x1) or math.isclose(y0, y1):
            raise BadInput("Draw it from one corner to the opposite one, so that it has a size.")
        left, right, top, foot = min(x0, x1), max(x0, x1), min(y0, y1), max(y0, y1)
        outline: Outline = (
            disc((left + right) / 2, (top + foot) / 2, (right - left) / 2, (foot - top) / 2)
            if self.figure == "disc"
            else box(left, top, right, foot)
        )
        return added(art, [ArtShape(path_text(outline), fill=role)]), f"Draw a {self.figure}"

    def _points(self) -> Sequence[Point]:
        if self.entered is None and len(self.points) > 1:
            return self.points
        if self.entered is None:
            raise BadInput("Draw it through two points at least.")
        x, y, length, width = (mm(text) for text in self.entered)
        return [(x - length / 2, y - width / 2), (x + length / 2, y + width / 2)]


class SetShape(ShapesEdit):
    """One shape's place, size, turn, line and colours; what is not given stays."""

    kind: Literal["set-shape"]
    shape: Annotated[int, Field(ge=0, lt=500)]
    x: Text | None = None
    y: Text | None = None
    length: Text | None = None
    width: Text | None = None
    turn: Text | None = None
    weight: Text | None = None
    opacity: Text | None = None
    fill: TypedRole | Literal["none"] | None = None
    stroke: TypedRole | Literal["none"] | None = None
    ends: Literal["round", "flat", "square"] | None = None
    joins: Literal["round", "mitre", "bevel"] | None = None
    over: bool | None = None
    stands: Literal["raised", "flat", "sunk"] | None = None

    def draw(self, art: Artwork) -> tuple[Artwork, str]:
        return edited(art, [self.shape], self._set), "Set a shape"

    def _set(self, shape: ArtShape) -> ArtShape:
        around = box_of(shape, line=False)
        x, y = around.middle
        size = [mm(self.x) if self.x else x, mm(self.y) if self.y else y]
        size += [mm(self.length) if self.length else around.length]
        size += [mm(self.width) if self.width else around.width]
        if any((self.x, self.y, self.length, self.width)):
            shape = placed_in(shape, around, *size)
        if self.turn:
            shape = moved(shape, about(size[0], size[1], degrees(self.turn)))
        return self._painted(shape)

    def _painted(self, shape: ArtShape) -> ArtShape:
        if self.weight:
            shape = replace(shape, weight=LINE.check(mm(self.weight)))
        if self.opacity:
            shape = replace(shape, opacity=min(max(percent(self.opacity) / 100, 0.0), 1.0))
        if self.fill is not None:
            fill = None if self.fill == "none" else self.fill.to_core()
            shape = replace(shape, fill=fill, gradient=None)
        if self.stroke is not None:
            shape = replace(shape, stroke=None if self.stroke == "none" else self.stroke.to_core())
        if shape.fill is None and shape.stroke is None:
            raise BadInput("A shape has a fill or a line, or nothing of it is seen. Give it the other first.")
        return replace(
            shape,
            ends=self.ends or shape.ends,
            joins=self.joins or shape.joins,
            over=shape.over if self.over is None else self.over,
            stands=self.stands or shape.stands,
        )


class ShapesDo(ShapesEdit):
    """Remove shapes, duplicate them, or lay them higher or lower."""

    kind: Literal["shapes"]
    which: Which
    do: Literal["remove", "double", "up", "down", "top", "bottom", "line-to-area"]

    def draw(self, art: Artwork) -> tuple[Artwork, str]:
        if self.do == "remove":
            return removed(art, self.which), "Remove shapes"
        if self.do == "double":
            by = shifted(art.length * 0.05, art.width * 0.05)
            some = [art.shapes[i] for i in chosen(art, self.which)]
            return added(art, [moved(shape, by) for shape in some]), "Double shapes"
        if self.do == "line-to-area":
            return lines_as_areas(art, self.which), "Turn lines into areas"
        up, far = self.do in ("up", "top"), self.do in ("top", "bottom")
        return ordered(art, self.which, up, far), "Lay shapes higher" if up else "Lay shapes lower"


class MoveShapes(ShapesEdit):
    """Move shapes by mm, as a hand drags them."""

    kind: Literal["move-shapes"]
    which: Which
    x: Number
    y: Number

    def draw(self, art: Artwork) -> tuple[Artwork, str]:
        return moved_by(art, self.which, shifted(self.x, self.y)), "Move shapes"


class ScaleShapes(ShapesEdit):
    """Turn and scale shapes together about their middle."""

    kind: Literal["scale-shapes"]
    which: Which
    turn: Text = "0°"
    size: Text = "100 %"

    def draw(self, art: Artwork) -> tuple[Artwork, str]:
        size = percent(self.size) / 100
        if not 0.001 <= size <= 1000:
            raise BadInput("Scale shapes to more than 0.1 %.")
        middle = box_around(art, self.which).middle
        return moved_by(art, self.which, about(*middle, degrees(self.turn), size)), "Turn and scale shapes"


class AlignShapes(ShapesEdit):
    """Line shapes up with the cell or with one another, or spread them evenly."""

    kind: Literal["align-shapes"]
    which: Which
    side: Literal["start", "middle", "end", "top", "baseline", "foot", "evenly-along", "evenly-across"]
    to_cell: bool = False

    def draw(self, art: Artwork) -> tuple[Artwork, str]:
        if self.side.startswith("evenly"):
            return spread(art, self.which, self.side == "evenly-along"), "Spread shapes evenly"
        return aligned(art, self.which, self.side, self.to_cell), "Line shapes up"


class MirrorShapes(ShapesEdit):
    """Mirror shapes about the cell's middle or its baseline, or lay their images beside them."""

    kind: Literal["mirror-shapes"]
    which: Which
    along: bool
    keep: bool

    def draw(self, art: Artwork) -> tuple[Artwork, str]:
        return mirrored(art, self.which, self.along, self.keep), "Mirror shapes"


class CopyRound(ShapesEdit):
    """Copy shapes round a point."""

    kind: Literal["copy-round"]
    which: Which
    count: Text
    x: Text
    y: Text

    def draw(self, art: Artwork) -> tuple[Artwork, str]:
        made = round_about(art, self.which, count_of(self.count), mm(self.x), mm(self.y))
        return made, "Copy shapes round a point"


class CopyOn(ShapesEdit):
    """Copies, each turned, scaled and moved from the one before; `shades` are colours with commas between."""

    kind: Literal["copy-on"]
    which: Which
    count: Text
    turn: Text = "0°"
    size: Text = "100 %"
    x: Text = "0 mm"
    y: Text = "0 mm"
    shades: Annotated[str, Field(max_length=400)] = ""
    seed: Annotated[int, Field(ge=0, le=2**31)] = 1

    def draw(self, art: Artwork) -> tuple[Artwork, str]:
        by = (mm(self.x), mm(self.y))
        count, turn, size = count_of(self.count), degrees(self.turn), percent(self.size)
        made = one_after_another(art, self.which, count, turn, size, by, listed(self.shades), self.seed)
        return made, "Copy shapes on"


class GradeShapes(ShapesEdit):
    """Shapes between two, in even steps."""

    kind: Literal["grade-shapes"]
    first: Annotated[int, Field(ge=0, lt=500)]
    last: Annotated[int, Field(ge=0, lt=500)]
    between: Text

    def draw(self, art: Artwork) -> tuple[Artwork, str]:
        return graded(art, self.first, self.last, count_of(self.between)), "Grade between two shapes"


class CombineShapes(ShapesEdit):
    """Shapes united, cut from the lowest, or only what they have in common or apart."""

    kind: Literal["combine-shapes"]
    which: Which
    how: Literal["unite", "cut", "common", "apart"]

    def draw(self, art: Artwork) -> tuple[Artwork, str]:
        return combine(art, self.which, self.how), "Combine shapes"


class SetGradient(ShapesEdit):
    """Fill shapes from colour to colour."""

    kind: Literal["set-gradient"]
    which: Which
    form: Literal["linear", "radial"]
    colours: Roles
    angle: Text = "0°"

    def draw(self, art: Artwork) -> tuple[Artwork, str]:
        roles: list[ColourRole] = [role.to_core() for role in self.colours]
        return with_gradient(art, self.which, self.form, roles, degrees(self.angle)), "Fill with a gradient"


class DottedEdge(ShapesEdit):
    """A row of dots along the cell; `colours` are their thread numbers and colours in sequence, with commas
    between."""

    kind: Literal["dotted-edge"]
    size: Text
    pitch: Text
    shift: Text = "0 mm"
    across: Text = "0 mm"
    colours: Annotated[str, Field(max_length=400)]

    def draw(self, art: Artwork) -> tuple[Artwork, str]:
        roles = [role.to_core() for role in roles_of(self.colours)]
        made = dotted_edge(art, mm(self.size), mm(self.pitch), mm(self.shift), mm(self.across), roles)
        return made, "Add a dotted edge"
