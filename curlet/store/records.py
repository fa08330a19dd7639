"""The rows of a sheet as they are kept, by kind: columns and their types. JSON columns are read documents."""

from __future__ import annotations

from collections.abc import Mapping
from typing import Any, Literal, TypedDict

Json = dict[str, Any]
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
    "area",
]


class SheetRecord(TypedDict):
    """A sheet: its sides in mm, its scale as “1:4”, where its light comes from in degrees, and the id of the
    colourway that is shown."""

    id: str
    name: str
    width: float
    height: float
    scale: str
    background: str
    background_cloth: Json
    unit: str
    light_azimuth: float
    light_elevation: float
    colourway: str
    removed: bool
    revision: int
    position: int


class BrushRecord(TypedDict):
    id: str
    doc: Json
    builtin: bool
    removed: bool
    version: int
    position: int


class _OnSheet(TypedDict):
    id: str
    sheet: str
    position: int


class _Painted(TypedDict):
    """Its position is in the one order of all that is painted."""

    id: str
    sheet: str
    position: float


class ColourwayRecord(_OnSheet):
    name: str


class ShadeRecord(_OnSheet):
    """A shade: its colours, "#rrggbb", by the ids of colourways."""

    name: str
    colours: dict[str, str]


class GroupRecord(_OnSheet):
    """A seam group with its mark colour."""

    name: str
    mark: str


class LetteringRecord(_OnSheet):
    doc: Json


class AreaRecord(_OnSheet):
    doc: Json


class PathRecord(_Painted):
    """A path; `group`, `lettering` and `area` name what it belongs to, `part` which part of a text or which
    edge of an area it is."""

    group: str | None
    name: str
    closed: bool
    nodes: list[Json]
    facts: Json
    figure: Json
    swell: list[Json]
    fill: Json
    crop: Json
    half: Json
    lettering: str | None
    area: str | None
    part: str
    hidden: bool
    locked: bool


class RunRecord(_Painted):
    """A run; `own` holds its own settings by their pointers in the brush."""

    path: str
    brush: str
    own: Json
    backwards: bool
    places: Json
    crop: Json
    shown: bool


class GuideRecord(_Painted):
    """A guide picture: its middle and size in sheet mm, its turn in degrees, its fade in %."""

    picture: str
    name: str
    x: float
    y: float
    width: float
    height: float
    turn: float
    fade: float
    shown: bool
    locked: bool
    crop: Json


class SingleRecord(_Painted):
    """A single repeat: its middle in sheet mm, its turn in degrees, its size in %, its own settings."""

    brush: str
    own: Json
    x: float
    y: float
    turn: float
    size: float
    crop: Json


class MarkRecord(_OnSheet):
    doc: Json


Record = (
    SheetRecord
    | ColourwayRecord
    | ShadeRecord
    | BrushRecord
    | GroupRecord
    | LetteringRecord
    | AreaRecord
    | PathRecord
    | RunRecord
    | GuideRecord
    | SingleRecord
    | MarkRecord
)


def part_of(record: Mapping[str, Any], *columns: str) -> Json:
    """Some columns of a row."""
    return {column: record[column] for column in columns}
