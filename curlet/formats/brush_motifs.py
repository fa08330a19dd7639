"""The brush file's measures, colours and motifs."""

from __future__ import annotations

from typing import TYPE_CHECKING, Annotated, Any, Literal, Union

from pydantic import BaseModel, ConfigDict, Field, FiniteFloat, create_model, field_validator, model_validator

from curlet.core.brush.courses import Share
from curlet.core.brush.rules import Piece
from curlet.core.dress.colour import ColourRole, RoleGradient, RoleStop
from curlet.core.measures import Measure, MeasuredOn
from curlet.core.motif.families import FAMILIES, ArtShape, Artwork, Family, PictureMotif
from curlet.core.settings import Spec, specs_of
from curlet.formats.older import renamed
from curlet.formats.png_in import MAX_PNG_TEXT, check_png, from_base64

Number = FiniteFloat
Share01 = Annotated[float, Field(ge=0, le=1, allow_inf_nan=False)]


class Strict(BaseModel):
    model_config = ConfigDict(extra="forbid", frozen=True)


class Renamed(Strict):
    """A document some of whose names were others before."""

    @model_validator(mode="before")
    @classmethod
    def _from_older(cls, doc: Any) -> Any:
        return renamed(doc)


class _Placed(Renamed):
    """A thing whose lengths are on the garment or on paper."""

    on: Literal["garment", "paper"] = "garment"


class MeasureDoc(_Placed):
    """A length in mm, on the garment or on paper."""

    mm: Number

    def to_core(self) -> Measure:
        return Measure(self.mm, MeasuredOn(self.on))


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


class StopDoc(Strict):
    """A colour at `offset` 0 to 1 along a gradient."""

    offset: Share01
    role: RoleDoc
    opacity: Share01 = 1.0

    def to_core(self) -> RoleStop:
        return RoleStop(self.offset, self.role.to_core(), self.opacity)


class GradientDoc(Strict):
    """Colours from one point to another, mm in the artwork, moved by `matrix` as SVG's matrix(); a radial
    one goes from its centre, `start`, out to the circle on which `end` lies."""

    form: Literal["linear", "radial"]
    start: tuple[Number, Number]
    end: tuple[Number, Number]
    stops: Annotated[tuple[StopDoc, ...], Field(min_length=2, max_length=64)]
    matrix: tuple[Number, Number, Number, Number, Number, Number] = (1, 0, 0, 1, 0, 0)

    def to_core(self) -> RoleGradient:
        stops = tuple(stop.to_core() for stop in self.stops)
        return RoleGradient(self.form, self.start, self.end, stops, self.matrix)


class ArtShapeDoc(Strict):
    """One shape of artwork, in mm in its cell; path data with absolute M, L, C and Z. A gradient takes the
    place of the fill's one colour."""

    d: Annotated[str, Field(min_length=3, max_length=2_000_000)]
    fill: RoleDoc | None = None
    stroke: RoleDoc | None = None
    weight: Number = 0.2
    ends: Literal["round", "flat", "square"] = "round"
    joins: Literal["round", "mitre", "bevel"] = "round"
    even_odd: bool = False
    over: bool = False
    gradient: GradientDoc | None = None
    opacity: Share01 = 1.0
    stands: Literal["raised", "flat", "sunk"] = "raised"

    def to_core(self) -> ArtShape:
        return ArtShape(
            self.d,
            self.fill.to_core() if self.fill else None,
            self.stroke.to_core() if self.stroke else None,
            self.weight,
            self.ends,
            self.joins,
            self.even_odd,
            self.over,
            self.gradient.to_core() if self.gradient else None,
            self.opacity,
            self.stands,
        )


class ArtworkDoc(_Placed):
    """A motif drawn shape by shape: x from 0 to `length`, y from minus to plus half of `width`."""

    family: Literal["artwork"]
    shapes: Annotated[tuple[ArtShapeDoc, ...], Field(max_length=500)]
    length: Number
    width: Number

    def to_core(self) -> Artwork:
        shapes = tuple(shape.to_core() for shape in self.shapes)
        return Artwork(shapes, self.length, self.width, MeasuredOn(self.on))


class PictureDoc(_Placed):
    """A picture as a motif: a PNG, in base64, that fills a cell of `length` × `width` mm and is laid
    rigidly."""

    family: Literal["picture"]
    png: Annotated[str, Field(min_length=8, max_length=MAX_PNG_TEXT)]
    length: Number
    width: Number

    @field_validator("png")
    @classmethod
    def _is_png(cls, text: str) -> str:
        check_png(from_base64(text))
        return text

    def to_core(self) -> PictureMotif:
        return PictureMotif(from_base64(self.png), self.length, self.width, MeasuredOn(self.on))


class FamilyDoc(Strict):
    """A motif of a family, by its measures. Each family's own document is made from its settings."""

    family: str

    def to_core(self) -> Family:
        values = core_values(self)
        return FAMILIES[values.pop("family")](**values)


def core_values(document: Strict) -> dict[str, Any]:
    """A document's fields as the core has them."""
    return {name: value.to_core() if isinstance(value, MeasureDoc) else value for name, value in document}


def settings_fields(plain: Any) -> dict[str, tuple[Any, Any]]:
    """Type and default of every setting in a document, from a dataclass of settings as it comes."""
    return {key: _field(spec, getattr(plain, key)) for key, spec in specs_of(type(plain)).items()}


def _field(spec: Spec, default: Any) -> tuple[Any, Any]:
    """A setting's type and default in its document."""
    if spec.form == "measure":
        return MeasureDoc, MeasureDoc(mm=default.mm, on=str(default.on))  # type: ignore[arg-type]
    if spec.form == "choice":
        return Literal[spec.choices], default
    return {"number": Number, "count": int, "tick": bool}[spec.form], default


def _document(name: str, family: type[Family]) -> type[FamilyDoc]:
    fields = settings_fields(family())
    about = family.about
    text = f"{about.name}: {about.trade}. Measures from {about.source}."
    made: type[FamilyDoc] = create_model(  # type: ignore[call-overload]
        f"{family.__name__}Doc", __base__=FamilyDoc, __doc__=text, family=(Literal[name], name), **fields
    )
    return made


FAMILY_DOCS = {name: _document(name, family) for name, family in FAMILIES.items()}
# So that they can be sent from one process to another, they are found by their names here.
globals().update({document.__name__: document for document in FAMILY_DOCS.values()})
RunningDoc = FAMILY_DOCS["running"]

if TYPE_CHECKING:
    MotifDoc = FamilyDoc | ArtworkDoc | PictureDoc
else:
    MotifDoc = Annotated[
        Union[(*FAMILY_DOCS.values(), ArtworkDoc, PictureDoc)], Field(discriminator="family")
    ]


class PieceDoc(Strict):
    """Artwork for a place, within the path's length or overhanging its end."""

    motif: MotifDoc
    length: MeasureDoc
    within: bool = True

    def to_core(self) -> Piece:
        return Piece(self.motif.to_core(), self.length.to_core(), self.within)
