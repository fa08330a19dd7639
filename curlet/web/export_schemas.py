"""What is asked of Export, and what it says of itself."""

from __future__ import annotations

from typing import Annotated, Literal

from pydantic import BaseModel, Field

from curlet.core.area.outline import WITHIN
from curlet.core.errors import BadInput
from curlet.core.measures import Measure, Scale, read_measure
from curlet.core.trim import MARGIN
from curlet.formats.choices import ColoursName, CurvesName, EachName, LinesName, OutputName, PaperName
from curlet.formats.clean_doc import CleanDoc
from curlet.formats.outline_file import OutlineDoc
from curlet.formats.output import FileSettings
from curlet.formats.window import MAX_SIDE, Window
from curlet.studio.exported import Exported
from curlet.web.schemas import MOST_NAMED, Number


class ExportQuery(BaseModel):
    """What to export: the sheet with its lines, or the runs alone, or one run; all of it, or what belongs to
    some paths, a seam group or an area; in one file or several; how it looks, and how it is written."""

    what: Literal["sheet", "runs"] = "sheet"
    run: str | None = None
    paths: Annotated[
        str, Field(max_length=MOST_NAMED, description="Paths by their ids, between commas; none for all.")
    ] = ""
    group: str | None = None
    area: str | None = None
    each: Annotated[EachName, Field(description="What each file, or each page, holds.")] = "sheet"
    colourway: Annotated[str | None, Field(description="None for the one that is shown.")] = None
    background: Annotated[
        str,
        Field(
            pattern="^(sheet|#[0-9a-f]{6})?$",
            description="Nothing, the sheet's own background, or a colour.",
        ),
    ] = ""
    ppi: Annotated[str, Field(max_length=64, description="Pixels per inch: a number or a sum.")] = "300"
    quality: Annotated[str, Field(max_length=64, description="Of a JPEG, in %: a number or a sum.")] = "90"
    paper: Annotated[PaperName, Field(description="What a PDF is laid over.")] = "own"
    overlap: Annotated[Number, Field(description="How much of a sheet of paper is on the next one.")] = "10"
    lines: Annotated[LinesName, Field(description="What lines become in DXF.")] = "middle"
    curves: Annotated[CurvesName, Field(description="What curves become in DXF.")] = "polylines"
    size: Annotated[
        Literal["sheet", "garment"], Field(description="How large it is written where that is chosen.")
    ] = "sheet"
    trimmed: Annotated[bool, Field(description="Whether it is trimmed to what is drawn.")] = False
    margin: Annotated[Number, Field(description="What is left around that, on the sheet.")] = "0"
    colours: Annotated[ColoursName, Field(description="What its colours are.")] = "drawn"
    callouts: Annotated[bool, Field(description="Whether its runs' call-outs are in it.")] = False
    also: Annotated[
        str,
        Field(
            max_length=MOST_NAMED, description="Whole sheets by their ids, between commas, after this one."
        ),
    ] = ""

    @property
    def around(self) -> float:
        """The margin in sheet mm; BadInput if it is no length, or out of bounds."""
        margin = read_measure(self.margin).value
        MARGIN.check(margin)
        return margin

    @property
    def exported(self) -> Exported:
        """What is exported; BadInput where a number is none, or out of bounds."""
        return Exported(
            lines=self.what == "sheet",
            run=self.run,
            paths=tuple(self.paths.split(",")) if self.paths else None,
            group=self.group,
            area=self.area,
            each=self.each,
            colourway=self.colourway,
            background=self.background,
            colours=self.colours,
            margin=self.around if self.trimmed else None,
            callouts=self.callouts,
        )

    @property
    def others(self) -> list[str]:
        """The other sheets that are exported after this one; BadInput where only a part of it is."""
        others = list(dict.fromkeys(self.also.split(","))) if self.also else []
        if others and (self.run or self.paths or self.group or self.area):
            raise BadInput(
                "Other sheets come after the whole of this one. Export all of it, or this part alone."
            )
        return others

    def larger(self, scale: Scale) -> float:
        """How many times larger than on the sheet it is written."""
        return 1 / scale.factor if self.size == "garment" else 1.0

    def settings(self, scale: Scale) -> FileSettings:
        """How the file is written; BadInput where a number is none, or out of bounds."""
        return FileSettings(
            ppi=read_measure(self.ppi.lower().replace("ppi", ""), accepts=("",)).value,
            quality=read_measure(self.quality.replace("%", ""), accepts=("",)).value,
            paper=self.paper,
            overlap=read_measure(self.overlap).value,
            lines=self.lines,
            curves=self.curves,
            larger=self.larger(scale),
        )


class OutlineQuery(ExportQuery):
    """What to make an outline of, and how, lengths as they are entered on the garment."""

    gaps: Number = "0"
    grow: Number = "0"
    round: bool = True
    least: Number = "0.02"
    within: Number = "0.05"
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
        larger = self.larger(scale)
        return OutlineDoc(clean=clean, within=lengths["within"], larger=larger, splines=self.splines)


class FactsQuery(ExportQuery):
    """What to export, and as what."""

    form: OutputName = "png"


class PixelsQuery(FactsQuery):
    """Which part of the picture, in its own pixels."""

    left: Annotated[int, Field(ge=0, le=10**6)] = 0
    top: Annotated[int, Field(ge=0, le=10**6)] = 0
    across: Annotated[int, Field(ge=1, le=MAX_SIDE)] = 400
    down: Annotated[int, Field(ge=1, le=MAX_SIDE)] = 400

    @property
    def window(self) -> Window:
        return Window(self.left, self.top, self.across, self.down)


class FineShown(BaseModel):
    """Something too fine for a file with pixels: of which paths, one place where it is, in mm of the sheet,
    and what to do."""

    words: str
    x: float
    y: float
    mend: str


class NumbersShown(BaseModel):
    """What was entered, as it is read."""

    ppi: str
    quality: str
    overlap: str
    margin: str


class PaperShown(BaseModel):
    """What a sheet of paper shows: the left and top of it in the file's picture, and its size, mm."""

    left: float
    top: float
    width: float
    height: float


class ExportFacts(BaseModel):
    """How large it comes out and where on its sheet it begins; what each sheet of paper shows, row by row,
    none where it is not laid over paper; what is too fine for a file with pixels, and what cannot be in it,
    in words: alike ones once, with the paths that they are true of."""

    left_mm: float
    top_mm: float
    width_mm: float
    height_mm: float
    width_px: int
    height_px: int
    papers: list[PaperShown]
    entered: NumbersShown
    runs: int
    fine: list[FineShown]
    left_out: list[str]


class FilePlace(BaseModel):
    """Where on its sheet a trimmed file lies, mm from the sheet's left and top, to be put back there."""

    sheet: str
    sheet_width: float
    sheet_height: float
    left: float
    top: float
    width: float
    height: float
    unit: Literal["mm"]
