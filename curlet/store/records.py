"""The rows of a sheet as they are kept, by kind: columns and their types, with what each may be.

JSON columns are read documents, whose types stand with the tables.
"""

from __future__ import annotations

from collections.abc import Mapping
from typing import Annotated, Any, Literal

from pydantic import AfterValidator, Field

# Pydantic reads this one on Python 3.11.
from typing_extensions import TypedDict

from curlet.core.bounds import Bounds
from curlet.core.dress.colour import read_colour
from curlet.core.dress.fill import FADE, WIDTH
from curlet.core.dress.relief import AZIMUTH, ELEVATION
from curlet.core.lay.single import SIZE
from curlet.core.measures import Scale
from curlet.formats.names import MaybeName
from curlet.formats.papers import SIDE
from curlet.formats.path_doc import Coordinate

Json = dict[str, Any]


def _within(bounds: Bounds) -> AfterValidator:
    return AfterValidator(bounds.check)


def _scale(text: str) -> str:
    Scale.read(text)
    return text


Id = Annotated[str, Field(min_length=1, max_length=60)]
Place = Annotated[int, Field(ge=-(10**12), le=10**12)]
Position = Annotated[float, Field(ge=-1e12, le=1e12, allow_inf_nan=False)]
Count = Annotated[int, Field(ge=0, le=10**12)]
Turn = Annotated[float, Field(ge=-1e6, le=1e6, allow_inf_nan=False)]
ScaleText = Annotated[str, Field(max_length=64), AfterValidator(_scale)]
Mark = Annotated[str, Field(max_length=64), AfterValidator(read_colour)]
Kind = Literal[
    "sheet",
    "colourway",
    "shade",
    "brush",
    "group",
    "lettering",
    "path",
    "run",
    "guide",
    "single",
    "mark",
    "callout",
    "area",
]


class SheetRecord(TypedDict):
    """A sheet: its sides in mm, its scale as “1:4”, where its light comes from in degrees, and the id of the
    colourway that is shown."""

    id: Id
    name: MaybeName
    width: Annotated[float, _within(SIDE)]
    height: Annotated[float, _within(SIDE)]
    scale: ScaleText
    background: Literal["light", "dark", "cloth"]
    background_cloth: Json
    unit: Literal["mm", "in"]
    light_azimuth: Annotated[float, _within(AZIMUTH)]
    light_elevation: Annotated[float, _within(ELEVATION)]
    colourway: Annotated[str, Field(max_length=60)]
    removed: bool
    revision: Count
    position: Place


class BrushRecord(TypedDict):
    id: Id
    doc: Json
    builtin: bool
    removed: bool
    version: Count
    position: Place


class _OnSheet(TypedDict):
    id: Id
    sheet: Id
    position: Place


class _Painted(TypedDict):
    """Its position is in the one order of all that is painted."""

    id: Id
    sheet: Id
    position: Position


class ColourwayRecord(_OnSheet):
    name: MaybeName


class ShadeRecord(_OnSheet):
    """A shade: its colours, "#rrggbb", by the ids of colourways."""

    name: MaybeName
    colours: dict[str, str]


class GroupRecord(_OnSheet):
    """A seam group with its mark colour."""

    name: MaybeName
    mark: Mark


class LetteringRecord(_OnSheet):
    doc: Json


class AreaRecord(_OnSheet):
    doc: Json


class PathRecord(_Painted):
    """A path; `group`, `lettering` and `area` name what it belongs to, `part` which part of a text or which
    edge of an area it is."""

    group: Id | None
    name: MaybeName
    closed: bool
    nodes: list[Json]
    facts: Json
    figure: Json
    swell: list[Json]
    fill: Json
    crop: Json
    half: Json
    lettering: Id | None
    area: Id | None
    part: Annotated[str, Field(max_length=200)]
    hidden: bool
    locked: bool


class RunRecord(_Painted):
    """A run; `own` holds its own settings by their pointers in the brush."""

    path: Id
    brush: Id
    own: Json
    backwards: bool
    places: Json
    crop: Json
    shown: bool


class GuideRecord(_Painted):
    """A guide picture: its middle and size in sheet mm, its turn in degrees, its fade in %."""

    picture: Annotated[str, Field(max_length=64)]
    name: MaybeName
    x: Coordinate
    y: Coordinate
    width: Annotated[float, _within(WIDTH)]
    height: Annotated[float, Field(gt=0, le=1e6, allow_inf_nan=False)]
    turn: Turn
    fade: Annotated[float, _within(FADE)]
    shown: bool
    locked: bool
    crop: Json


class SingleRecord(_Painted):
    """A single repeat: its middle in sheet mm, its turn in degrees, its size in %, its own settings."""

    brush: Id
    own: Json
    x: Coordinate
    y: Coordinate
    turn: Turn
    size: Annotated[float, _within(SIZE)]
    crop: Json


class MarkRecord(_OnSheet):
    doc: Json


class CallOutRecord(_OnSheet):
    doc: Json


RECORDS: dict[str, type] = {
    "sheet": SheetRecord,
    "colourway": ColourwayRecord,
    "shade": ShadeRecord,
    "brush": BrushRecord,
    "group": GroupRecord,
    "lettering": LetteringRecord,
    "area": AreaRecord,
    "path": PathRecord,
    "run": RunRecord,
    "guide": GuideRecord,
    "single": SingleRecord,
    "mark": MarkRecord,
    "callout": CallOutRecord,
}


def part_of(record: Mapping[str, Any], *columns: str) -> Json:
    """Some columns of a row."""
    return {column: record[column] for column in columns}
