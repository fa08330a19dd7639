"""Everything that is read from files, each in a process of its own. Reading itself is `curlet.formats`.

`stop` ends a reading once it says so: Stopped is raised.
"""

from __future__ import annotations

from curlet.core.motif.tracing import Traced, TraceRule, trace
from curlet.formats.artwork_in import read_artwork
from curlet.formats.brush_file import BrushDoc
from curlet.formats.brush_motifs import ArtworkDoc
from curlet.formats.brush_pack import read_pack
from curlet.formats.card_file import CardFile
from curlet.formats.card_formats import colours_of_picture, read_card
from curlet.formats.drawing_in import read_drawing
from curlet.formats.fonts import read_font
from curlet.formats.guide_in import Guide, read_guide
from curlet.formats.imported import ImportedDrawing
from curlet.formats.kept_motif import KeptMotifDoc, motif_from_svg
from curlet.formats.pictures import ImportedPicture, Pixels, read_picture
from curlet.formats.sheet_file import SheetFile, read_sheet_files
from curlet.studio.jobs import Progress
from curlet.studio.worker import DRAWING, SHEETS, TRACING, Stop, never, run


def drawing(
    data: bytes, page: int = 1, progress: Progress | None = None, stop: Stop = never
) -> ImportedDrawing:
    """An SVG, DXF or PDF drawing; raises as `read_drawing` and `run`."""
    if progress is None:
        return run(read_drawing, data, page, bounds=DRAWING, stop=stop)
    return run(read_drawing, data, page, bounds=DRAWING, tell=progress.tell, stop=progress.stop.is_set)


def artwork(data: bytes, turn: float, stop: Stop = never) -> tuple[ArtworkDoc, tuple[str, ...]]:
    """An SVG drawing as a motif's artwork; raises as `read_artwork` and `run`."""
    return run(read_artwork, data, turn, stop=stop)


def motif(data: bytes, name: str, stop: Stop = never) -> tuple[KeptMotifDoc, tuple[str, ...]]:
    """An SVG drawing as a kept motif; raises as `read_artwork` and `run`."""
    return run(motif_from_svg, data, name, stop=stop)


def guide(data: bytes, stop: Stop = never) -> Guide:
    """A picture or drawing to lie under the paths; raises as `read_guide` and `run`."""
    return run(read_guide, data, stop=stop)


def shade_card(name: str, data: bytes, stop: Stop = never) -> CardFile:
    """The shades of a file, or of a picture; raises as `read_card` and `run`."""
    return run(read_card, name, data, stop=stop)


def picture_colours(data: bytes, count: int, stop: Stop = never) -> CardFile:
    """The colours that a picture is mostly of; raises as `colours_of_picture` and `run`."""
    return run(colours_of_picture, data, count, stop=stop)


def picture(data: bytes, stop: Stop = never) -> ImportedPicture:
    """A picture to trace or to use as it is; raises as `read_picture` and `run`."""
    return run(read_picture, data, stop=stop)


def font(data: bytes, stop: Stop = never) -> tuple[str, bytes]:
    """A font: what it is called, and its bytes made safe; raises as `read_font` and `run`."""
    return run(read_font, data, stop=stop)


def brushes(files: list[tuple[str, bytes]], stop: Stop = never) -> list[tuple[str, BrushDoc]]:
    """The brushes of brush files and packs; raises as `read_pack` and `run`."""
    return run(_read_packs, files, stop=stop)


def sheets(files: list[tuple[str, bytes]], stop: Stop = never) -> list[SheetFile]:
    """The sheets of sheet files and packs; raises as `read_sheet_files` and `run`."""
    return run(_read_sheets, files, bounds=SHEETS, stop=stop)


def tracing(pixels: Pixels, rule: TraceRule, progress: Progress) -> Traced:
    """A picture's areas as shapes; raises as `trace` and `run`."""
    return run(trace, pixels, rule, bounds=TRACING, tell=progress.tell, stop=progress.stop.is_set)


def _read_packs(files: list[tuple[str, bytes]]) -> list[tuple[str, BrushDoc]]:
    return [found for name, data in files for found in read_pack(name, data)]


def _read_sheets(files: list[tuple[str, bytes]]) -> list[SheetFile]:
    return [found for name, data in files for found in read_sheet_files(name, data)]
