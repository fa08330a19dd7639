"""What fills a closed path, as it is kept and sent: a cloth, a gradient or a picture."""

from __future__ import annotations

from collections.abc import Mapping
from typing import Annotated, Any, Literal

from pydantic import AfterValidator, BaseModel, BeforeValidator, ConfigDict, Discriminator, Field, Tag

from curlet.core.drawing import Stop
from curlet.core.dress.colour import read_colour
from curlet.core.dress.fill import FADE, STOPS, WIDTH, Gradient, Placed
from curlet.core.measures import read_measure
from curlet.formats.cloth_doc import Angle, ClothDoc, Colour
from curlet.formats.names import Name
from curlet.formats.path_doc import Coordinate
from curlet.formats.shade_refs import with_colours


def _share(value: object) -> object:
    return read_measure(value, accepts=("%", "")).value if isinstance(value, str) else value


# In %; numbers may come as they were entered.
Share = Annotated[float, BeforeValidator(_share), Field(allow_inf_nan=False)]


# A kept picture by the hash of its content.
PictureId = Annotated[str, Field(min_length=1, max_length=64)]


class _Doc(BaseModel):
    model_config = ConfigDict(extra="forbid", frozen=True)


class GradientStopDoc(_Doc):
    """A colour of a gradient, a CSS colour or a sheet's shade, at a share of its way; opacity in %."""

    at: Share
    colour: Colour
    opacity: Share = 100.0


class GradientFillDoc(_Doc):
    """A gradient over the area's own box: "linear" is turned by degrees clockwise from left to right,
    "radial" runs out from a middle, in % of the box."""

    kind: Literal["gradient"]
    form: Literal["linear", "radial"] = "linear"
    stops: Annotated[tuple[GradientStopDoc, ...], Field(min_length=STOPS[0], max_length=STOPS[1])]
    turn: Angle = 0.0
    x: Share = 50.0
    y: Share = 50.0

    def to_core(self) -> Gradient:
        """The core's gradient; raises BadInput for a colour that is none."""
        stops = (Stop(s.at / 100, read_colour(s.colour), s.opacity / 100) for s in self.stops)
        gradient = Gradient(self.form, tuple(stops), self.turn, (self.x / 100, self.y / 100))
        gradient.check()
        return gradient


class PictureFillDoc(_Doc):
    """A kept picture seen inside an area: its middle and size in sheet mm, its turn in degrees, whether it is
    mirrored before it is turned, its fade in %."""

    kind: Literal["picture"]
    picture: PictureId
    name: Name
    x: Coordinate
    y: Coordinate
    width: Annotated[float, Field(gt=0, le=WIDTH.high)]
    height: Annotated[float, Field(gt=0, le=100 * WIDTH.high)]
    turn: Angle = 0.0
    mirrored: bool = False
    fade: Annotated[float, Field(ge=FADE.low, le=FADE.high)] = 0.0

    def placed(self) -> Placed:
        """Where it lies."""
        return Placed(self.x, self.y, self.width, self.height, self.turn, self.mirrored)

    def at(self, placed: Placed) -> PictureFillDoc:
        """The same picture elsewhere."""
        return PictureFillDoc.model_validate(self.model_dump() | vars(placed))


def _kind(value: Any) -> str:
    """What a fill is; one that does not say is a cloth, as all were once."""
    kind = value.get("kind") if isinstance(value, dict) else getattr(value, "kind", None)
    return str(kind or "cloth")


Fill = ClothDoc | GradientFillDoc | PictureFillDoc
FillDoc = Annotated[
    Annotated[ClothDoc, Tag("cloth")]
    | Annotated[GradientFillDoc, Tag("gradient")]
    | Annotated[PictureFillDoc, Tag("picture")],
    Discriminator(_kind),
]


def painted_fill(doc: Fill, colours: Mapping[str, str]) -> Any:
    """A fill with the colours of the shades that it takes."""
    return type(doc).model_validate(with_colours(doc.model_dump(), colours))


def check_fill(doc: Fill, colours: Mapping[str, str]) -> None:
    """Raises BadInput for a fill that cannot be drawn."""
    painted = painted_fill(doc, colours)
    if not isinstance(painted, PictureFillDoc):
        painted.to_core()


def _drawable(doc: Any) -> Any:
    check_fill(doc, {})
    return doc


# A fill that can be drawn, once its shades' colours are put in.
KeptFill = Annotated[FillDoc, AfterValidator(_drawable)]
