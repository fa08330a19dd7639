"""The API's types of sheets, what lies on them beside runs, and their frames."""

from __future__ import annotations

from typing import Annotated, Literal

from pydantic import BaseModel, Field

from curlet.formats.area_doc import MemberDoc
from curlet.formats.choices import WayName
from curlet.formats.cloth_doc import ClothDoc
from curlet.formats.crop_doc import CropDoc
from curlet.formats.names import MaybeName
from curlet.web.drawing_schemas import AnyPaint, GroupShown
from curlet.web.run_schemas import (
    BrushShown,
    LetteringShown,
    PathShown,
    RunShown,
    SeamGroupShown,
    ThreadShown,
)


class LightShown(BaseModel):
    """Where a sheet's light comes from: degrees clockwise from its top, and above it."""

    azimuth: float
    elevation: float


class SheetShown(BaseModel):
    id: str
    name: str
    width: float
    height: float
    scale: str
    factor: float
    unit: Literal["mm", "in"]
    light: LightShown
    background: Literal["light", "dark", "cloth"]
    background_tone: Literal["light", "dark"]
    background_cloth: ClothDoc | None
    background_paint: AnyPaint | None


class SheetListed(BaseModel):
    id: str
    name: str
    width: float
    height: float
    scale: str
    unit: Literal["mm", "in"]
    revision: int
    paths: int
    runs: int


class SheetPreset(BaseModel):
    """A usual size of sheet, mm, upright."""

    name: str
    width: float
    height: float


class SheetList(BaseModel):
    sheets: list[SheetListed]
    presets: list[SheetPreset]


class NewSheet(BaseModel):
    """A sheet to begin: its sides as entered, bare numbers in its unit."""

    name: MaybeName = "Sheet"
    width: Annotated[str, Field(max_length=64)]
    height: Annotated[str, Field(max_length=64)]
    scale: Annotated[str, Field(max_length=64)] = "1:1"
    unit: Literal["mm", "in"] = "mm"


class SheetBegun(BaseModel):
    id: str


class DrawnShown(GroupShown):
    """A path's own line and fill, at its place in the order of what is painted."""

    position: float


class GuideShown(BaseModel):
    """A picture under the paths: its middle and size in sheet mm, its numbers as they would be entered, what
    it is cropped to and, as path data in sheet mm, what is seen of it."""

    id: str
    name: str
    src: str
    x: float
    y: float
    width: float
    height: float
    turn: float
    fade: float
    shown: bool
    locked: bool
    position: float
    entered: dict[str, str]
    crop: CropDoc | None
    clip: str | None


class ColourwayShown(BaseModel):
    id: str
    name: str
    shown: bool


class ShadeShown(BaseModel):
    """A shade as it is shown: its lightness, chroma and hue (OKLCH), and how often it is used."""

    id: str
    name: str
    colour: str
    oklch: tuple[float, float, float]
    used: int


class SingleShown(BaseModel):
    """One repeat placed by hand."""

    id: str
    brush: str
    x: float
    y: float
    turn: float
    size: float
    position: float
    crop: CropDoc | None
    threads: list[ThreadShown]
    group: GroupShown | None
    fault: str | None = None


class MeasureShown(BaseModel):
    """A measurement: in words, as a number in sheet mm or degrees, and the line that shows it, sheet mm."""

    text: str
    paper: str
    value: float
    angle: bool
    line: list[tuple[float, float]]
    fault: str | None = None


class CheckMarkShown(MeasureShown):
    id: str


class CallOutLine(BaseModel):
    """A line of a call-out's text, from the left end of its baseline on, sheet mm."""

    text: str
    x: float
    y: float


class CallOutShown(BaseModel):
    """A call-out: its text, whether somebody wrote it or put it where it is, and how it stands on the sheet,
    mm: its lines, `size` mm to the em, the box around them, and its leader from the text to the seam."""

    id: str
    run: str
    text: str
    written: bool
    moved: bool
    size: float
    lines: list[CallOutLine]
    box: tuple[float, float, float, float]
    leader: tuple[tuple[float, float], tuple[float, float]]


class WeaveListed(BaseModel):
    id: str
    name: str
    ends: float
    picks: float
    warp: str
    weft: str
    threads: list[str]
    counts: list[str]


class WeaveList(BaseModel):
    weaves: list[WeaveListed]


class SetAsideShown(BaseModel):
    """Something that cannot be read, and so is not shown: what it is, and what is wrong with it."""

    kind: str
    id: str
    name: str
    fault: str


class MemberShown(MemberDoc):
    """One of an area's shapes, by name."""

    name: str


class CleanShown(BaseModel):
    """How an area's edges are cleaned, as it would be entered."""

    gaps: str
    grow: str
    least: str
    round: bool


class AreaShown(BaseModel):
    """An area, the paths along its edges, and how many nodes they have together."""

    id: str
    way: WayName
    clean: CleanShown
    nodes: int
    members: list[MemberShown]
    paths: list[str]


class SheetFrame(BaseModel):
    """The JSON head of a frame: a sheet with its runs as laid.

    The body is binary: the head's length in bytes (uint32, little-endian), the head padded with
    spaces to a multiple of 4, then float32 little-endian numbers.
    """

    revision: int
    sheet: SheetShown
    groups: list[SeamGroupShown]
    letterings: list[LetteringShown]
    areas: list[AreaShown]
    guides: list[GuideShown]
    singles: list[SingleShown]
    colourways: list[ColourwayShown]
    shades: list[ShadeShown]
    callouts: list[CallOutShown]
    marks: list[CheckMarkShown]
    paths: list[PathShown]
    runs: list[RunShown]
    brushes: list[BrushShown]
    unreadable: list[SetAsideShown]
    as_drawn: list[DrawnShown]
    undo: str | None
    redo: str | None


class NewOrder(BaseModel):
    """The ids of all rows there are, in order, where any came, went or changed places; else null."""

    paths: list[str] | None
    runs: list[str] | None
    as_drawn: list[str] | None


class TapeFrame(BaseModel):
    """The JSON head of a frame of a run's artwork along its Tape: drawn mm, x along the run, from `low` to
    `high` on the garment."""

    run: str
    low: float
    high: float
    group: GroupShown


class PreviewFrame(BaseModel):
    """The JSON head of a frame that holds only what a preview touched; what is null is as it was.

    Each path, run and group of `as_drawn` takes the place of the one of its id.
    """

    paths: list[PathShown]
    runs: list[RunShown]
    as_drawn: list[DrawnShown]
    order: NewOrder
    sheet: SheetShown | None
    letterings: list[LetteringShown] | None
    areas: list[AreaShown] | None
    guides: list[GuideShown] | None
    singles: list[SingleShown] | None
    colourways: list[ColourwayShown] | None
    shades: list[ShadeShown] | None
    callouts: list[CallOutShown] | None
    marks: list[CheckMarkShown] | None


class ChangedFrame(PreviewFrame):
    """The JSON head of a frame that holds only what a step touched of the sheet as it was at `base`."""

    base: int
    revision: int
    groups: list[SeamGroupShown] | None
    brushes: list[BrushShown] | None
    unreadable: list[SetAsideShown]
    undo: str | None
    redo: str | None
    notes: list[str]
