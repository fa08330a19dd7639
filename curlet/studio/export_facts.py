"""What an export comes to before it is made: its size, and what will be too fine or left out."""

from __future__ import annotations

from collections import defaultdict
from dataclasses import dataclass
from typing import Generic, TypeVar

from curlet.core.drawing import Drawing
from curlet.core.errors import CurletError
from curlet.core.measures import MM_PER_INCH
from curlet.core.tally import TooFine, too_fine
from curlet.formats.output import FileSettings
from curlet.formats.outputs import OUTPUTS
from curlet.formats.papers import OWN_SIZE, PAPERS
from curlet.formats.png_out import pixels, place_of
from curlet.formats.tiles import Part, tiles_of
from curlet.store.laying import lay_row
from curlet.store.state import State
from curlet.studio.exported import Exported, drawings, exported_runs
from curlet.studio.under_way import UNWATCHED, UnderWay

Note = TypeVar("Note")

# As many paths are named where a note is true of more.
NAMED = 3


@dataclass(frozen=True)
class FineNote:
    """Something too fine: of which paths, one place where it is, sheet mm, and what to do."""

    words: str
    x: float
    y: float
    mend: str


@dataclass(frozen=True)
class Facts:
    """An export: where on the sheet it lies, how large its file is in mm and, with pixels, in those; what
    each sheet of paper shows of it, of how many runs it is, and what is too fine or left out, each once."""

    left_mm: float
    top_mm: float
    width_mm: float
    height_mm: float
    width_px: int
    height_px: int
    papers: list[Part]
    runs: int
    fine: list[FineNote]
    left_out: list[str]


def per_mm(form: str, settings: FileSettings) -> float | None:
    """Pixels to the mm of a format by its name; None where it has none."""
    return settings.ppi / MM_PER_INCH if OUTPUTS[form].pixels else None


def facts_of(
    state: State, asked: Exported, form: str, settings: FileSettings, work: UnderWay = UNWATCHED
) -> Facts:
    """What an export comes to in a format, by its name in `OUTPUTS`; raises as `drawings` and the format's
    check."""
    shown = exported_runs(state, asked)
    fine, left_out = _Notes[TooFine](), _Notes[str]()
    for run in shown:
        name = state.get("path", run["path"])["name"]
        try:
            laid, _ = lay_row(state, run)
        except CurletError as error:
            left_out.add(name, str(error), str(error))
            continue
        if OUTPUTS[form].pixels:
            for note in too_fine(laid, settings.ppi):
                fine.add(name, note.words, note)
    lies = {"left": 0.0, "top": 0.0, "width": state.sheet["width"], "height": state.sheet["height"]}
    if asked.margin is not None:
        lies |= place_of(drawings(state, asked, per_mm(form, settings), work)[0])
    OUTPUTS[form].check(Drawing(lies["width"], lies["height"]), settings)
    larger = settings.larger if "larger" in OUTPUTS[form].settings else 1.0
    width, height = lies["width"] * larger, lies["height"] * larger
    return Facts(
        lies["left"],
        lies["top"],
        width,
        height,
        pixels(width, settings.ppi),
        pixels(height, settings.ppi),
        _papers(width, height, form, settings),
        len(shown),
        [FineNote(words, *note.place.at, note.mend) for words, note in fine.told()],
        [words for words, _ in left_out.told()],
    )


def _papers(width: float, height: float, form: str, settings: FileSettings) -> list[Part]:
    if "paper" not in OUTPUTS[form].settings or settings.paper == OWN_SIZE:
        return []
    return tiles_of(width, height, PAPERS[settings.paper], settings.overlap).parts


class _Notes(Generic[Note]):
    """What is said of paths: alike notes once, with the names of the first paths and the first note."""

    def __init__(self) -> None:
        self._names: dict[str, list[str]] = defaultdict(list)
        self._first: dict[str, Note] = {}

    def add(self, name: str, words: str, note: Note) -> None:
        self._first.setdefault(words, note)
        if name not in self._names[words]:
            self._names[words].append(name)

    def told(self) -> list[tuple[str, Note]]:
        return [(f"{_some(names)}: {words}", self._first[words]) for words, names in self._names.items()]


def _some(names: list[str]) -> str:
    """A few names, and how many more there are.

    >>> _some(["Yoke", "Hem", "Pocket", "Cuff", "Collar"])
    'Yoke, Hem, Pocket and 2 more'
    """
    if len(names) <= NAMED + 1:
        return ", ".join(names)
    return f"{', '.join(names[:NAMED])} and {len(names) - NAMED} more"
