"""The API's common types. The front end's TypeScript types are made from these and their neighbours'."""

from __future__ import annotations

from typing import Annotated, Any, Literal

import werkzeug.datastructures
from flask_openapi3 import FileStorage
from pydantic import AfterValidator, BaseModel, Field

from curlet.core.area.outline import WITHIN
from curlet.core.measures import Measure, Scale, read_measure
from curlet.core.trim import MARGIN
from curlet.formats.choices import OutputName
from curlet.formats.clean_doc import CleanDoc
from curlet.formats.outline_file import OutlineDoc
from curlet.formats.png_out import PPI
from curlet.store.commands import AnyIntent
from curlet.store.commands.intent import Ids
from curlet.store.similar import By

# Paths named in an address, so long at the most.
MOST_NAMED = 100_000
Number = Annotated[str, Field(min_length=1, max_length=64)]
# Counts that are kept: what JSON and the database both hold exactly.
Counter = Annotated[int, Field(ge=0, le=2**53)]


def _sent_with_a_name(value: object) -> object:
    if not isinstance(value, werkzeug.datastructures.FileStorage):
        raise ValueError("send a file, with its name")
    return value


# A file of a form.
Upload = Annotated[FileStorage, AfterValidator(_sent_with_a_name)]


class Lengths(BaseModel):
    """One length, on the garment and on paper, mm."""

    garment: float
    paper: float


class SetLength(Lengths):
    """A length that was asked for: in which frame, and as a share of the stitch if it was."""

    on: Literal["garment", "paper", "share"]
    percent: float | None = None


class Problem(BaseModel):
    """RFC 9457 problem details. Of a sheet that cannot be shown, its revision and what undo takes back."""

    title: str
    status: int
    detail: str
    revision: int | None = None
    fault_id: str | None = None
    undo: str | None = None


class SheetUrl(BaseModel):
    sheet_id: str


class RunUrl(SheetUrl):
    run_id: str


class BrushUrl(BaseModel):
    brush_id: str


class Command(BaseModel):
    """One thing to do to the sheet as it was at `revision`."""

    revision: Counter
    intent: AnyIntent


class TapeAsked(BaseModel):
    """A part of a run's Tape, garment mm along it; `intent` is what is being tried."""

    revision: Counter
    run: Annotated[str, Field(max_length=64)]
    low: Annotated[float, Field(ge=-1e7, le=1e7)]
    high: Annotated[float, Field(ge=-1e7, le=1e7)]
    intent: AnyIntent | None = None


class Revision(BaseModel):
    revision: Counter


class ExportQuery(BaseModel):
    """What to export: the sheet with its lines, or the runs alone, or one run; all of it, or what belongs to
    some paths."""

    what: Literal["sheet", "runs"] = "sheet"
    run: str | None = None
    paths: Annotated[
        str, Field(max_length=MOST_NAMED, description="Paths by their ids, between commas; none for all.")
    ] = ""
    background: Annotated[bool, Field(description="Whether it lies on the sheet's own background.")] = False
    ppi: Annotated[str, Field(max_length=64, description="Pixels per inch: a number or a sum.")] = "300"
    trimmed: Annotated[bool, Field(description="Whether it is trimmed to what is drawn.")] = False
    margin: Annotated[Number, Field(description="What is left around that, on the sheet.")] = "0"
    white: Annotated[bool, Field(description="Whether all of it is white, to be tinted elsewhere.")] = False

    @property
    def around(self) -> float:
        """The margin in sheet mm; BadInput if it is no length, or out of bounds."""
        margin = read_measure(self.margin).value
        MARGIN.check(margin)
        return margin

    @property
    def chosen(self) -> list[str] | None:
        """The paths that are exported with their runs; None for all."""
        return self.paths.split(",") if self.paths else None

    @property
    def resolution(self) -> float:
        """The resolution as a number; BadInput if it is none, or out of bounds."""
        value = read_measure(self.ppi.lower().replace("ppi", ""), accepts=("",)).value
        PPI.check(value)
        return value


class OutlineQuery(ExportQuery):
    """What to make an outline of, and how, lengths as they are entered on the garment; `size` says whether
    it is written as large as on the sheet or as on the garment."""

    gaps: Number = "0"
    grow: Number = "0"
    round: bool = True
    least: Number = "0.02"
    within: Number = "0.05"
    size: Literal["sheet", "garment"] = "sheet"
    splines: bool = False

    def doc(self, scale: Scale) -> OutlineDoc:
        """How it is made; BadInput where a number is none, or out of bounds."""
        lengths = {
            name: Measure(read_measure(getattr(self, name)).value).drawn(scale)
            for name in ("gaps", "grow", "within")
        }
        WITHIN.check(lengths["within"])
        least = read_measure(self.least.replace("mm²", ""), accepts=("",)).value
        clean = CleanDoc(gaps=lengths["gaps"], grow=lengths["grow"], round=self.round, least=least)
        clean.to_core()
        larger = 1 / scale.factor if self.size == "garment" else 1.0
        return OutlineDoc(clean=clean, within=lengths["within"], larger=larger, splines=self.splines)


class FactsQuery(ExportQuery):
    """What to export, and as what."""

    form: OutputName = "png"


class ExportFacts(BaseModel):
    """How large it comes out and where on its sheet it begins, what is too fine for a file with pixels, and
    what cannot be in it, in words: alike ones once, with the paths that they are true of."""

    left_mm: float
    top_mm: float
    width_mm: float
    height_mm: float
    width_px: int
    height_px: int
    ppi: float
    margin: str
    runs: int
    fine: list[str]
    left_out: list[str]


class PlaceShown(BaseModel):
    """Where on its sheet a trimmed file lies, mm from the sheet's left and top, to be put back there."""

    sheet: str
    sheet_width: float
    sheet_height: float
    left: float
    top: float
    width: float
    height: float
    unit: Literal["mm"]


class RepeatQuery(BaseModel):
    """A place on a run's Tape, garment mm."""

    at: Annotated[float, Field(ge=-1e7, le=1e7)]


class PlaceQuery(BaseModel):
    """A place as it is entered: from the sheet's left and top, or a length and a direction from another."""

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


class SimilarQuery(BaseModel):
    """What to look for: paths like one in some respect, in length within an entered tolerance."""

    path: str
    by: By
    within: Annotated[str, Field(max_length=64)] = "0 mm"


class Similar(BaseModel):
    paths: list[str]


class ClipPaths(BaseModel):
    """The paths to copy."""

    paths: Ids


class StripQuery(BaseModel):
    """`line` is as high for every brush; `background` lays under it what shows it best."""

    key: str = ""
    line: bool = False
    background: bool = False


Json = dict[str, Any]


class Restored(BaseModel):
    """What is there again."""

    id: str


class Removed(BaseModel):
    """What is no longer there."""

    id: str
