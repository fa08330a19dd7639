"""Cloth as it is kept and sent."""

from __future__ import annotations

from collections.abc import Mapping
from typing import Annotated, Literal

from pydantic import AfterValidator, BaseModel, BeforeValidator, ConfigDict, Field

from curlet.core.dress.cloth import Cloth
from curlet.core.dress.colour import read_colour
from curlet.core.measures import read_measure
from curlet.formats.shade_refs import with_colours

Colour = Annotated[str, Field(max_length=64)]


def _count(value: object) -> object:
    return read_measure(value, accepts=("",)).value if isinstance(value, str) else value


def _angle(value: object) -> object:
    return read_measure(value, accepts=("°", "")).value if isinstance(value, str) else value


# Degrees; it may come as it was entered.
Angle = Annotated[float, BeforeValidator(_angle), Field(allow_inf_nan=False)]


class ClothDoc(BaseModel):
    """A weave by its name, its threads as CSS colours or a sheet's shades, its counts to the cm of the
    garment, and its turn in degrees. Numbers may come as they were entered."""

    model_config = ConfigDict(extra="forbid", frozen=True)
    kind: Literal["cloth"] = "cloth"
    weave: Annotated[str, Field(max_length=20)] = "colour"
    warp: Colour = "#66757d"
    weft: Colour = "#66757d"
    ends: Annotated[float, BeforeValidator(_count)] = 20.0
    picks: Annotated[float, BeforeValidator(_count)] = 20.0
    turn: Angle = 0.0

    def to_core(self) -> Cloth:
        """The core's cloth; raises BadInput for a weave, colour or count that is none."""
        colours = {"warp": read_colour(self.warp), "weft": read_colour(self.weft)}
        cloth = Cloth(**{**self.model_dump(exclude={"kind"}), **colours})
        cloth.check()
        return cloth


def painted_cloth(doc: ClothDoc, colours: Mapping[str, str]) -> ClothDoc:
    """A cloth with the colours of the shades that it takes."""
    return ClothDoc.model_validate(with_colours(doc.model_dump(), colours))


def _drawable(doc: ClothDoc) -> ClothDoc:
    painted_cloth(doc, {}).to_core()
    return doc


# A cloth that can be drawn, once its shades' colours are put in.
KeptCloth = Annotated[ClothDoc, AfterValidator(_drawable)]
