"""What is asked of a tracing, as it is entered."""

from __future__ import annotations

from typing import Annotated, Literal

from pydantic import BaseModel, ConfigDict, Field

from curlet.core.measures import read_measure
from curlet.core.motif.tracing import Crop, TraceRule
from curlet.store.edits.entered import Text, count_of, degrees, mm, percent

Side = Annotated[float, Field(ge=0, lt=1, allow_inf_nan=False)]


class TraceSettings(BaseModel):
    """How a picture is traced. `crop` is what is cut from left, top, right and foot, as shares."""

    model_config = ConfigDict(extra="forbid", frozen=True)

    length: Text
    by: Literal["cut-off", "colours"] = "cut-off"
    crop: tuple[Side, Side, Side, Side] = (0, 0, 0, 0)
    lighten: Text = "0 %"
    cut_off: Text = "50 %"
    swapped: bool = False
    colours: Text = "6"
    specks: Text = "0.05"
    corners: Text = "60°"
    within: Text = "0.05 mm"
    background: bool = True
    scraps: bool = False
    bands: bool = False
    most: Text = "120"

    def to_core(self) -> TraceRule:
        """The rule; BadInput where a text cannot be read."""

        return TraceRule(
            length=mm(self.length),
            by=self.by,
            crop=Crop(*self.crop),
            lighten=percent(self.lighten),
            cut_off=percent(self.cut_off),
            swapped=self.swapped,
            colours=count_of(self.colours),
            # An area in mm²: a plain number.
            specks=read_measure(self.specks, accepts=("",)).value,
            corners=degrees(self.corners),
            within=mm(self.within),
            background=self.background,
            scraps=self.scraps,
            bands=self.bands,
            most=count_of(self.most),
        )
