"""What a file that is exported says of itself, and what it may be told."""

from __future__ import annotations

from collections.abc import Callable, Iterator, Sequence
from dataclasses import dataclass, fields

from curlet.core.bounds import Bounds
from curlet.core.choice import chosen
from curlet.core.drawing import Drawing, Group
from curlet.core.errors import BadInput
from curlet.formats.papers import OWN_SIZE, PAPERS

# Told how far a file is, of 1, and what is being done.
Tell = Callable[[float, str], None]

PPI = Bounds("Resolution", 1, 4800, "300 ppi is usual for print", "ppi")
QUALITY = Bounds("Quality", 1, 100, "90 is usual for print", "%")
OVERLAP = Bounds("Overlap", 0, 100, "10 mm is usual to glue by")
LARGER = Bounds("Size", 0.01, 100, "1 is as large as on the sheet", "times")
LINES = {"middle": "Along their middles", "edges": "Around what they cover"}
CURVES = {"polylines": "Polylines", "splines": "Splines"}


@dataclass(frozen=True)
class FileSettings:
    """How a file is written. A format reads those settings that its `Output` names.

    Attributes
    ----------
    ppi : pixels to the inch.
    quality : how near a picture that loses something comes to what is drawn, 1 to 100 %.
    paper : the sheets of paper that it is laid over, by their name in `PAPERS`, or its own size.
    overlap : how much of such a sheet is on the next one too, mm.
    lines : what lines become where there are only lines, by its name in `LINES`.
    curves : what curves become there, by its name in `CURVES`.
    larger : how many times larger than on the sheet it is written.

    Raises
    ------
    BadInput
        If one is out of bounds, or there is no such paper.
    """

    ppi: float = 300.0
    quality: float = 90.0
    paper: str = OWN_SIZE
    overlap: float = 10.0
    lines: str = "middle"
    curves: str = "polylines"
    larger: float = 1.0

    def __post_init__(self) -> None:
        for setting in fields(self):
            if setting.name in BOUNDS:
                BOUNDS[setting.name].check(getattr(self, setting.name))
        if self.paper != OWN_SIZE:
            chosen(PAPERS, self.paper, "paper")
        chosen(LINES, self.lines, "way of writing lines")
        chosen(CURVES, self.curves, "way of writing curves")


BOUNDS = {"ppi": PPI, "quality": QUALITY, "overlap": OVERLAP, "larger": LARGER}


@dataclass(frozen=True)
class Output:
    """A format of exported files.

    Attributes
    ----------
    label : what it is called on screens.
    type : its media type.
    write : drawings as a file, one to a page, telling how far it is.
    check : raises BadInput or TooMuch for a drawing that cannot be written so.
    settings : the names of the settings that it reads.
    pages : whether it holds more than one drawing.
    """

    label: str
    type: str
    write: Callable[[Sequence[Drawing], FileSettings, Tell], bytes]
    check: Callable[[Drawing, FileSettings], object] = lambda drawing, settings: None
    settings: tuple[str, ...] = ()
    pages: bool = False

    @property
    def pixels(self) -> bool:
        """Whether all of it is pixels, so that what is trimmed lies at whole ones."""
        return "ppi" in self.settings and not self.pages


def alone(
    write: Callable[[Drawing, FileSettings, Tell], bytes],
) -> Callable[[Sequence[Drawing], FileSettings, Tell], bytes]:
    """What writes one drawing, for a format that has no pages."""

    def written(drawings: Sequence[Drawing], settings: FileSettings, tell: Tell) -> bytes:
        if len(drawings) != 1:
            raise BadInput("This format holds one drawing. Write a file for each.")
        return write(drawings[0], settings, tell)

    return written


def untold(share: float, doing: str) -> None:
    """For a file that nobody waits for."""


def each_group(drawing: Drawing, tell: Tell) -> Iterator[Group]:
    """The groups of a drawing as they are written, telling how far it is."""
    for done, group in enumerate(drawing.groups):
        tell(done / len(drawing.groups), "Drawing")
        yield group
    tell(1.0, "Drawing")
