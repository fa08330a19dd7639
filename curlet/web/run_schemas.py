"""The API's types of paths, runs and what was measured on them."""

from __future__ import annotations

from typing import Literal

from pydantic import BaseModel

from curlet.formats.brush_file import BrushDoc
from curlet.formats.crop_doc import CropDoc
from curlet.formats.fill_doc import FillDoc
from curlet.formats.path_doc import NodeDoc
from curlet.formats.run_places import PlacesDoc
from curlet.web.drawing_schemas import ArrayPlace, GroupShown
from curlet.web.schemas import Lengths, SetLength


class SeamGroupShown(BaseModel):
    id: str
    name: str
    mark: str


class CornerShown(BaseModel):
    """A corner: its place on the sheet (mm), along the path (garment mm), and its turn (degrees)."""

    node: str
    x: float
    y: float
    at: float
    turn: float
    manner: str
    own: bool


class CrossingShown(BaseModel):
    """A crossing: its place on the sheet (mm), its passes along the path (garment mm), which is over, and
    the angle between them (degrees)."""

    key: str
    x: float
    y: float
    at: tuple[float, float]
    over: float
    angle: float
    flipped: bool


class PinchShown(BaseModel):
    """A place too tight for what is laid there, garment mm."""

    start: float
    end: float
    radius: float
    needs: float
    folds: bool


class StartShown(BaseModel):
    """Where a path starts and which way it goes, degrees clockwise from level."""

    x: float
    y: float
    angle: float


class FigureSetting(BaseModel):
    """One number of a figure, as it would be entered; `whole` ones are stepped by one."""

    name: str
    label: str
    text: str
    whole: bool


class FigureShown(BaseModel):
    """A figure by number: a rectangle, a star."""

    name: str
    settings: list[FigureSetting]


class FigureListed(FigureShown):
    id: str


class FigureList(BaseModel):
    figures: list[FigureListed]


class LetteringShown(BaseModel):
    """Text on the sheet, its numbers as they would be entered, lengths on the garment."""

    id: str
    text: str
    font: str
    align: Literal["left", "centre", "right"]
    unite: bool
    along: str | None
    single_line: bool
    numbers: dict[str, str]


class FontShown(BaseModel):
    id: str
    name: str
    single_line: bool
    own: bool


class FontList(BaseModel):
    fonts: list[FontShown]


class InsidePicture(BaseModel):
    """The picture inside a shape: where it comes from, and its numbers as they would be entered."""

    src: str
    entered: dict[str, str]


class PathShown(BaseModel):
    id: str
    name: str
    group: str | None
    closed: bool
    nodes: list[NodeDoc]
    d: str
    length: Lengths
    start: StartShown
    corners: list[CornerShown]
    drawn: bool
    lined: bool
    figure: FigureShown | None
    hidden: bool
    locked: bool
    position: float
    lettering: str | None
    area: str | None
    crop: CropDoc | None
    half: str | None
    fill: FillDoc | None
    picture: InsidePicture | None


class LegShown(BaseModel):
    """A leg as laid; `start`, `lead` and `left_over` in garment mm along the tape."""

    node: str
    start: float
    length: Lengths
    own_length: Lengths
    repeats: int
    stitch: Lengths
    gap: Lengths
    ease: float
    departure: float
    off: bool
    lead: float
    left_over: float
    shortened: float | None
    set: bool


class SettingTyped(BaseModel):
    pointer: str
    entered: str | bool


class MendShown(BaseModel):
    label: str
    settings: list[SettingTyped]


class WarningPlace(BaseModel):
    """Where a warning is true: garment mm along the run, and on the sheet."""

    leg: int | None
    at: float
    x: float
    y: float


class WarningShown(BaseModel):
    code: str
    message: str
    places: list[WarningPlace]
    mend: MendShown | None


class NounShown(BaseModel):
    """What a run's repeats are called: one of them, and several."""

    one: str
    many: str


class MeasuresSet(BaseModel):
    stitch: SetLength
    gap: SetLength
    pitch: Lengths
    thread: SetLength | None
    spi: float | None


class MeasuresLaid(BaseModel):
    """Means over the whole run; the legs say more."""

    stitch: Lengths
    gap: Lengths
    pitch: Lengths
    thread: Lengths
    spi: float | None
    repeats: int
    departure: float


class TapeShown(BaseModel):
    """The run unrolled: garment mm from `start`; `slots` holds a start and an end for each repeat,
    `pieces` those of end pieces, joins and securing stitches; `edges` is how far the artwork reaches to the
    left and to the right of the path."""

    start: float
    length: float
    closed: bool
    slots: ArrayPlace
    pieces: list[tuple[float, float]]
    edges: tuple[float, float]


class RowShown(BaseModel):
    """A row of a run: what was set and what came of it, leg by leg."""

    course: int
    set: MeasuresSet
    result: MeasuresLaid
    legs: list[LegShown]


class ThreadShown(BaseModel):
    """A thread's colour: a shade of the sheet, the path's, or its own."""

    colour: str
    shade: str | None
    of_path: bool


class OneRepeatShown(BaseModel):
    """A single repeat: of which course, by the node where its leg starts and its number in the leg, from 0;
    where its middle lies on the Tape, garment mm; and what is said of it by hand, its numbers as they would
    be entered, its motif a letter or one that is `brought` from the Library."""

    course: int
    node: str
    number: int
    at: float
    left_out: bool
    motif: str | None
    brought: str | None
    brought_name: str | None
    entered: dict[str, str]


class RunShown(BaseModel):
    id: str
    path: str
    brush: str
    shown: bool
    seen: bool
    backwards: bool
    position: float
    own: list[str]
    places: PlacesDoc
    settings: BrushDoc
    threads: list[ThreadShown]
    sequences: list[str]
    noun: NounShown
    key: str
    fault: str | None = None
    main: int | None = None
    alike: list[int] = []
    gauge: SetLength | None = None
    coloured: bool = False
    rows: list[RowShown] = []
    corners: list[CornerShown] = []
    crossings: list[CrossingShown] = []
    pinches: list[PinchShown] = []
    warnings: list[WarningShown] = []
    start: StartShown | None = None
    finish: StartShown | None = None
    repeats: list[OneRepeatShown] = []
    tape: TapeShown | None = None
    group: GroupShown | None = None


class BrushShown(BaseModel):
    id: str
    name: str
    kind: str
    builtin: bool
    look: bool
    used_by: int
    key: str
