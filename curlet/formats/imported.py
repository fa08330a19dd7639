"""A drawing imported from a file of any kind: its lines, and how many of them there may be."""

from __future__ import annotations

from dataclasses import dataclass, field

from curlet.core.drawing import Outline
from curlet.core.dress.colour import RoleGradient
from curlet.core.errors import NoLength, TooMuch
from curlet.core.path.chain import chain_to_path
from curlet.core.path.path import Path
from curlet.formats.path_data import Contour
from curlet.formats.path_doc import FactsDoc

# Every stitch of a sheet that was exported is a path: a large one has over 12,000.
MAX_PATHS = 20_000
MAX_NODES_IN_ALL = 200_000
LARGEST_SHEET = 20_000.0


@dataclass(frozen=True, eq=False)
class ImportedPath:
    """One contour of the drawing: its name, the path in mm, and how it was drawn: a gradient of its fill
    in mm, outlines that clip it, outermost first, and the name of the layer that it lies in: of the group
    at the drawing's top level."""

    name: str
    path: Path
    facts: FactsDoc
    gradient: RoleGradient | None = None
    clips: tuple[Outline, ...] = ()
    layer: str = ""


@dataclass(frozen=True)
class ImportedDrawing:
    """A drawing imported: its size in mm, its paths and what was left out, in words; whether its mm are the
    garment's, or a sheet's; how many pages its file has."""

    width: float
    height: float
    paths: tuple[ImportedPath, ...]
    notes: tuple[str, ...] = field(default=())
    on_garment: bool = False
    pages: int = 1


class Counted:
    """The lines of a file, counted: more than there may be are refused.

    Parameters
    ----------
    what : the kind of file, for what is said.
    """

    def __init__(self, what: str) -> None:
        self._what, self._nodes, self.lines = what, 0, 0

    def add(self, path: Path) -> None:
        """Count one more; TooMuch if that is too many."""
        self.lines, self._nodes = self.lines + 1, self._nodes + len(path.points)
        if self.lines > MAX_PATHS or self._nodes > MAX_NODES_IN_ALL:
            raise TooMuch(
                f"This {self._what} has more than {MAX_PATHS:,} paths or {MAX_NODES_IN_ALL:,} nodes. Export "
                "a part of it and import that."
            )


def path_of_contour(contour: Contour, notes: list[str]) -> Path | None:
    """One contour as a path; one without length is left out and noted."""
    try:
        return chain_to_path(contour.cubics, contour.closed)
    except NoLength:
        notes.append("A path without length was left out.")
        return None
