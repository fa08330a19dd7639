"""What is on a work page: what a sample room sews from.

The flat with its call-outs and a scale bar; each brush as large as on the garment, with its measures; the
shade card; the schedule.
"""

from __future__ import annotations

from dataclasses import dataclass

from curlet.core.drawing import Drawing
from curlet.formats.papers import MARGIN, PAPERS
from curlet.formats.schedule_table import Table

# Above and below the flat, mm.
HEAD, FOOT = 12.0, 12.0


@dataclass(frozen=True)
class BrushShown:
    """A brush as large as on the garment, on the colour that it is seen on, with what is said of it."""

    name: str
    words: tuple[str, ...]
    drawing: Drawing


@dataclass(frozen=True)
class WorkPage:
    """What is on the pages.

    Attributes
    ----------
    flat : the sheet with its call-outs, trimmed; it is shown `larger` times as large.
    bar : how long the scale bar is on the garment, in words, and on the sheet, mm.
    colourways : their names, the one that is shown first; `shades` are names with a colour for each.
    """

    title: str
    notes: tuple[str, ...]
    flat: Drawing
    larger: float
    bar: tuple[str, float]
    brushes: tuple[BrushShown, ...]
    colourways: tuple[str, ...]
    shades: tuple[tuple[str, tuple[str, ...]], ...]
    tables: tuple[tuple[str, Table], ...]


def room_for_flat(paper: str) -> tuple[float, float]:
    """How wide and high the flat may be on a paper in `PAPERS`, mm."""
    found = PAPERS[paper]
    return found.height - 2 * MARGIN, found.width - 2 * MARGIN - HEAD - FOOT
