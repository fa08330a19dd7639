"""What was copied of a sheet, to be pasted there or on another: paths with their runs and seam groups."""

from __future__ import annotations

from typing import Annotated, Any, Literal

from pydantic import BaseModel, ConfigDict, Field, FiniteFloat

from curlet.formats.brush_courses import SwellDoc
from curlet.formats.brush_file import Thread
from curlet.formats.crop_doc import CropDoc
from curlet.formats.fill_doc import KeptFill
from curlet.formats.names import Name
from curlet.formats.path_doc import FactsDoc, FigureDoc, Nodes
from curlet.formats.run_places import PlacesDoc

MAX_PATHS = 10_000


class _Part(BaseModel):
    model_config = ConfigDict(extra="forbid", frozen=True)


class ClipGroup(_Part):
    name: Name
    mark: Annotated[str, Field(max_length=64)]


class ClipCrop(_Part):
    """What something is cropped to, and the place among the paths of one that was copied with it."""

    crop: CropDoc
    place: Annotated[int, Field(ge=0, lt=MAX_PATHS)] | None = None


class ClipRun(_Part):
    """A run: its brush in the Library, its own settings, and its place in the order of what is painted."""

    brush: Annotated[str, Field(min_length=1, max_length=60)]
    own: dict[str, Any]
    backwards: bool
    places: PlacesDoc
    crop: ClipCrop | None = None
    shown: bool
    position: FiniteFloat


class ClipPath(_Part):
    """A path, lengths in sheet mm of the sheet that it was copied from."""

    name: Name
    closed: bool
    nodes: Nodes
    facts: FactsDoc
    figure: FigureDoc | None
    swell: SwellDoc
    fill: KeptFill | None
    crop: ClipCrop | None = None
    hidden: bool
    locked: bool
    group: ClipGroup | None
    position: FiniteFloat
    runs: Annotated[list[ClipRun], Field(max_length=100)]


class ClipShade(_Part):
    """A shade as it was on the sheet that it was copied from."""

    name: Name
    colour: Thread


class ClipDoc(_Part):
    """`factor` is how many mm of its sheet a mm on the garment was; `shades` those that runs and fills name,
    by their ids there."""

    format: Literal["curlet-clip"] = "curlet-clip"
    version: Literal[1] = 1
    sheet: Annotated[str, Field(max_length=60)]
    factor: Annotated[float, Field(gt=0, le=10_000, allow_inf_nan=False)]
    paths: Annotated[list[ClipPath], Field(min_length=1, max_length=MAX_PATHS)]
    shades: Annotated[dict[str, ClipShade], Field(max_length=300, default_factory=dict)]
