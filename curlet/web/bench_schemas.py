"""What the Bench and the Library send and get."""

from __future__ import annotations

from typing import Annotated, Literal

from pydantic import BaseModel, Field

from curlet.formats.brush_file import BrushDoc
from curlet.formats.brush_motifs import RoleDoc
from curlet.store.edits import AnyEdit
from curlet.store.edits.artwork_places import AnyPlace
from curlet.web.drawing_schemas import GroupShown, PlainShape
from curlet.web.run_schemas import BrushShown
from curlet.web.schemas import Counter, Upload


class SettingShown(BaseModel):
    """One setting of a family: its field in the brush file, its name in words, and what it may be."""

    name: str
    label: str
    form: Literal["measure", "number", "count", "choice", "tick"]
    low: float | None
    high: float | None
    unit: str
    usual: str
    choices: list[str]


class FamilyShown(BaseModel):
    """A motif family. `usual` is from and to, garment mm, of a repeat."""

    id: str
    name: str
    kind: str
    trade: str
    source: str
    usual: tuple[float, float]
    piece: bool
    places: list[str]
    settings: list[SettingShown]


class FamilyList(BaseModel):
    families: list[FamilyShown]


class VersionShown(BaseModel):
    number: Counter
    label: str
    made: str


class BenchShown(BaseModel):
    """A brush on the Bench. `version` goes with every change; a change to a built-in answers with the copy
    that was made of it."""

    id: str
    doc: BrushDoc
    builtin: bool
    version: Counter
    used_by: int
    coloured: bool
    versions: list[VersionShown]
    undo: str | None
    redo: str | None
    notes: list[str] = []


class MismatchShown(BaseModel):
    what: Literal["width", "step", "bend", "open"]
    y: float
    other: float | None
    size: float
    fault: bool


class JointShown(BaseModel):
    before: str
    after: str
    step: float
    mismatches: list[MismatchShown]


class JointsShown(BaseModel):
    """Where pieces meet: whether they are meant to, the largest step (mm), and what was found."""

    joins: bool
    step: float
    found: list[JointShown]


class RepeatShown(BaseModel):
    """The course's repeat, mm: it begins at `start` on a level line, its neighbours beside it."""

    length: float
    start: float
    width: float
    offset: float
    reach: float
    neighbours: GroupShown


Box = tuple[float, float, float, float]


class ProofShown(BaseModel):
    """The brush on one path of the board: what is drawn within `box` (left, top, width, height; sheet mm),
    what it came to, and what is wrong with it, in words and in short."""

    name: str
    box: Box
    grown: float
    group: GroupShown
    says: str
    short: str
    wrong: list[str]


class PlaceShown(BaseModel):
    """Where a piece stands on the sample; `length` is garment mm, None where there is none."""

    name: str
    x: float
    y: float
    rx: float
    ry: float
    length: float | None


class SampleShown(BaseModel):
    box: Box
    groups: list[GroupShown]
    places: list[PlaceShown]


class FactShown(BaseModel):
    label: str
    text: str


class ArtShapeShown(BaseModel):
    """One shape of artwork, mm: drawn, where it reaches without its line, and what it is painted with."""

    shown: PlainShape
    x: float
    y: float
    length: float
    width: float
    fill: RoleDoc | None
    stroke: RoleDoc | None
    gradient: bool
    weight: float
    opacity: float
    stands: Literal["raised", "flat", "sunk"]


class ArtworkShown(BaseModel):
    """The artwork at a place, in its cell from 0 to `length` and half of `width` to either side of its
    baseline; `along` and `across` are where its edges and middles lie, for a hand to snap to."""

    place: AnyPlace
    length: float
    width: float
    shapes: list[ArtShapeShown]
    along: list[float]
    across: list[float]


class BenchFrame(BaseModel):
    """The JSON head of a Bench frame: the brush as it is tried, drawn. The body is as a sheet's."""

    doc: BrushDoc
    course: int
    repeat: RepeatShown
    joints: JointsShown
    facts: list[FactShown]
    proofs: list[ProofShown]
    sample: SampleShown
    artwork: ArtworkShown | None


class Trial(BaseModel):
    """A brush to be drawn on the Bench, with an edit that is only tried; with the artwork at a place of
    the course, shape by shape, if `drawing` names one."""

    doc: BrushDoc
    edit: AnyEdit | None = None
    course: Annotated[int, Field(ge=0, lt=16)] = 0
    scale: Annotated[str, Field(max_length=20)] = "1:1"
    drawing: AnyPlace | None = None


class EditDone(BaseModel):
    """One thing to do to the brush as it was at `version`; `keep_runs` leaves the runs that use it as they
    were."""

    version: Counter
    edit: AnyEdit
    keep_runs: bool = False


class ArtworkFile(BaseModel):
    """An SVG drawing to be a course's repeat, or the piece at a place; turned clockwise by degrees."""

    file: Upload
    version: Counter
    course: Annotated[int, Field(ge=0, lt=16)] = 0
    place: AnyPlace = "repeat"
    turn: float = 0.0
    keep_runs: bool = False


class ArtworkQuery(BaseModel):
    """Which artwork of a brush."""

    course: Annotated[int, Field(ge=0, lt=16)] = 0
    place: AnyPlace = "repeat"


class VersionNumber(BaseModel):
    version: Counter


class GoBack(BaseModel):
    version: Counter
    number: Counter


class NewBrush(BaseModel):
    """A new brush: empty, of a kind; of a family, of a kept motif, or a copy of another."""

    empty: str | None = None
    family: str | None = None
    motif: str | None = None
    copy_of: str | None = None


class BrushList(BaseModel):
    brushes: list[BrushShown]


class GivenFiles(BaseModel):
    """Brush files to import. Where a name is there already the file is added beside it, or put in its
    place if `replace` is said; a built-in is never replaced."""

    files: list[Upload]
    replace: bool = False


class ImportedBrush(BaseModel):
    """What became of one brush: "added", "added beside" one of the same name, "replaced", "the same"."""

    file: str
    name: str
    id: str
    became: Literal["added", "added beside", "replaced", "the same"]


class ImportedBrushes(BaseModel):
    taken: list[ImportedBrush]


class FamilyUrl(BaseModel):
    family: str


class ExportBrushesQuery(BaseModel):
    """Brushes to export, by their ids, with commas between."""

    ids: Annotated[str, Field(min_length=1, max_length=20_000)]
