"""The API's types. The front end's TypeScript types are made from these."""

from __future__ import annotations

from typing import Annotated, Any, Literal

from pydantic import BaseModel, Field

from curlet.core.measures import read_measure
from curlet.formats.brush_file import BrushDoc
from curlet.formats.cloth_doc import ClothDoc
from curlet.formats.path_doc import NodeDoc
from curlet.formats.png_out import PPI
from curlet.formats.run_places import PlacesDoc
from curlet.store.alike import By
from curlet.store.commands import AnyIntent

Matrix = tuple[float, float, float, float, float, float]


class Lengths(BaseModel):
    """One length, on the garment and on paper, mm."""

    worn: float
    printed: float


class AskedLength(Lengths):
    """A length that was asked for: in which frame, and as a share of the stitch if it was."""

    frame: Literal["worn", "printed", "share"]
    percent: float | None = None


class ArrayPlace(BaseModel):
    """Float32 numbers in the frame: `count` of them from the `at`-th."""

    at: int
    count: int


class SolidPaint(BaseModel):
    type: Literal["solid"]
    colour: str
    opacity: float


class PaintStop(BaseModel):
    offset: float
    colour: str
    opacity: float


class LinearPaint(BaseModel):
    type: Literal["linear"]
    start: tuple[float, float]
    end: tuple[float, float]
    stops: list[PaintStop]
    matrix: Matrix


class RadialPaint(BaseModel):
    type: Literal["radial"]
    centre: tuple[float, float]
    radius: float
    stops: list[PaintStop]
    matrix: Matrix


class TilingPaint(BaseModel):
    """Shapes repeated in tiles of `width` × `height` mm, `unit` mm to their own; from afar it is `mean`."""

    type: Literal["tiling"]
    shapes: list[ShapeShown]
    width: float
    height: float
    matrix: Matrix
    mean: str
    unit: float


AnyPaint = Annotated[SolidPaint | LinearPaint | RadialPaint | TilingPaint, Field(discriminator="type")]


class StrokeShown(BaseModel):
    paint: AnyPaint
    weight: float
    ends: Literal["round", "flat", "square"]
    joins: Literal["round", "mitre", "bevel"]
    dashes: list[float]
    mitre_limit: float


class ShapeShown(BaseModel):
    d: str
    fill: AnyPaint | None
    stroke: StrokeShown | None
    even_odd: bool


class StampsShown(BaseModel):
    """Shapes at placements: six numbers each, as canvas and SVG take a matrix."""

    type: Literal["stamps"]
    shapes: list[ShapeShown]
    placements: ArrayPlace


class LaidShown(BaseModel):
    type: Literal["laid"]
    shapes: list[ShapeShown]


class PictureShown(BaseModel):
    """A picture over the unit square, moved by each placement."""

    type: Literal["picture"]
    src: str
    placements: ArrayPlace


class GroupShown(BaseModel):
    type: Literal["group"]
    id: str
    opacity: float
    clip: str | None
    items: list[Annotated[StampsShown | LaidShown | PictureShown | GroupShown, Field(discriminator="type")]]


class SheetShown(BaseModel):
    id: str
    name: str
    width: float
    height: float
    scale: str
    factor: float
    unit: Literal["mm", "in"]
    ground: Literal["light", "dark", "cloth"]
    ground_tone: Literal["light", "dark"]
    ground_cloth: ClothDoc | None
    ground_paint: AnyPaint | None


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
    """A sheet to begin: its sides as typed, bare numbers in its unit."""

    name: Annotated[str, Field(max_length=120)] = "Sheet"
    width: Annotated[str, Field(max_length=64)]
    height: Annotated[str, Field(max_length=64)]
    scale: Annotated[str, Field(max_length=64)] = "1:1"
    unit: Literal["mm", "in"] = "mm"


class SheetBegun(BaseModel):
    id: str


class GuideShown(BaseModel):
    """A picture under the paths: its middle and size in sheet mm; its width also as it would be typed."""

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
    typed: dict[str, str]


class SingleShown(BaseModel):
    """One repeat placed by hand."""

    id: str
    brush: str
    x: float
    y: float
    turn: float
    size: float
    group: GroupShown | None
    fault: str | None = None


class MeasureShown(BaseModel):
    """A measurement: in words, as a number in sheet mm or degrees, and the line that shows it, sheet mm."""

    text: str
    printed: str
    value: float
    angle: bool
    line: list[tuple[float, float]]
    fault: str | None = None


class CheckMarkShown(MeasureShown):
    id: str


class WeaveListed(BaseModel):
    id: str
    name: str
    ends: float
    picks: float


class WeaveList(BaseModel):
    weaves: list[WeaveListed]


class SeamGroupShown(BaseModel):
    id: str
    name: str
    mark: str


class CornerShown(BaseModel):
    """A corner: its place on the sheet (mm), along the path (worn mm), and its turn (degrees)."""

    node: str
    x: float
    y: float
    at: float
    turn: float
    manner: str
    own: bool


class CrossingShown(BaseModel):
    """A crossing: its place on the sheet (mm), its passes along the path (worn mm), which is over, and
    the angle between them (degrees)."""

    key: str
    x: float
    y: float
    at: tuple[float, float]
    over: float
    angle: float
    flipped: bool


class PinchShown(BaseModel):
    """A place too tight for what is laid there, worn mm."""

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
    """One number of a figure, as it would be typed; `whole` ones are stepped by one."""

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
    """Text on the sheet, its numbers as they would be typed, lengths worn."""

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
    lettering: str | None
    cloth: ClothDoc | None


class LegShown(BaseModel):
    """A leg as laid; `start`, `lead` and `left_over` in worn mm along the tape."""

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
    made_up: float | None
    set: bool


class SettingTyped(BaseModel):
    pointer: str
    typed: str | bool


class MendShown(BaseModel):
    label: str
    settings: list[SettingTyped]


class WarningShown(BaseModel):
    code: str
    message: str
    leg: int | None
    at: float | None
    x: float | None
    y: float | None
    mend: MendShown | None


class Asked(BaseModel):
    stitch: AskedLength
    gap: AskedLength
    pitch: Lengths
    thread: AskedLength | None
    spi: float | None


class AsLaid(BaseModel):
    """Means over the whole run; the legs say more."""

    stitch: Lengths
    gap: Lengths
    pitch: Lengths
    thread: Lengths
    spi: float | None
    repeats: int
    departure: float


class TapeShown(BaseModel):
    """The run unrolled: worn mm from `start`; `slots` holds a start and an end for each repeat,
    `pieces` those of end pieces, joins and securing stitches."""

    start: float
    length: float
    closed: bool
    slots: ArrayPlace
    pieces: list[tuple[float, float]]


class RowShown(BaseModel):
    """A row of a run: what was asked of it and how it was laid, leg by leg."""

    course: int
    asked: Asked
    laid: AsLaid
    legs: list[LegShown]


class RunShown(BaseModel):
    id: str
    path: str
    brush: str
    shown: bool
    seen: bool
    backwards: bool
    own: list[str]
    places: PlacesDoc
    settings: BrushDoc
    key: str
    fault: str | None = None
    main: int | None = None
    rows: list[RowShown] = []
    corners: list[CornerShown] = []
    crossings: list[CrossingShown] = []
    pinches: list[PinchShown] = []
    warnings: list[WarningShown] = []
    start: StartShown | None = None
    finish: StartShown | None = None
    tape: TapeShown | None = None
    group: GroupShown | None = None


class BrushShown(BaseModel):
    id: str
    name: str
    kind: str
    builtin: bool
    worn_by: int
    key: str


class SheetFrame(BaseModel):
    """The JSON head of a frame: a sheet with its runs as laid.

    The body is binary: the head's length in bytes (uint32, little-endian), the head padded with
    spaces to a multiple of 4, then float32 little-endian numbers. A partial frame holds only the
    paths and runs that a preview touched; `gone` names the paths that it takes away.
    """

    revision: int
    partial: bool
    sheet: SheetShown
    groups: list[SeamGroupShown]
    letterings: list[LetteringShown]
    guides: list[GuideShown]
    singles: list[SingleShown]
    marks: list[CheckMarkShown]
    paths: list[PathShown]
    runs: list[RunShown]
    brushes: list[BrushShown]
    as_drawn: list[GroupShown] | None
    undo: str | None
    redo: str | None
    notes: list[str] = []
    gone: list[str] = []


class Problem(BaseModel):
    """RFC 9457 problem details."""

    title: str
    status: int
    detail: str
    revision: int | None = None
    fault_id: str | None = None


class SheetUrl(BaseModel):
    sheet_id: str


class RunUrl(SheetUrl):
    run_id: str


class BrushUrl(BaseModel):
    brush_id: str


class Command(BaseModel):
    """One thing to do to the sheet as it was at `revision`."""

    revision: int
    intent: AnyIntent


class Revision(BaseModel):
    revision: int


class SendOutQuery(BaseModel):
    """What to send out: the sheet with its lines, or the runs alone, or one run."""

    what: Literal["sheet", "runs"] = "sheet"
    run: str | None = None
    ppi: Annotated[str, Field(max_length=64, description="Pixels per inch: a number or a sum.")] = "300"

    @property
    def resolution(self) -> float:
        """The resolution as a number; BadInput if it is none, or out of bounds."""
        value = read_measure(self.ppi.lower().replace("ppi", ""), accepts=("",)).value
        PPI.check(value)
        return value


class SendOutFacts(BaseModel):
    """How large the sheet comes out, and what is too fine at that resolution, in words."""

    width_mm: float
    height_mm: float
    width_px: int
    height_px: int
    ppi: float
    runs: int
    fine: list[str]


class PlaceQuery(BaseModel):
    """A place as it is typed: from the sheet's left and top, or a length and a direction from another."""

    x: Annotated[str, Field(max_length=64)] | None = None
    y: Annotated[str, Field(max_length=64)] | None = None
    length: Annotated[str, Field(max_length=64)] | None = None
    direction: Annotated[str, Field(max_length=64)] | None = None
    from_x: float = 0.0
    from_y: float = 0.0


class Spot(BaseModel):
    """A place on the sheet, mm."""

    x: float
    y: float


class AlikeQuery(BaseModel):
    """What to look for: paths like one in some respect, in length give or take a typed one."""

    path: str
    by: By
    within: Annotated[str, Field(max_length=64)] = "0 mm"


class Alike(BaseModel):
    paths: list[str]


class StripQuery(BaseModel):
    key: str = ""


Json = dict[str, Any]
