"""The paths along areas' edges, and what closed paths enclose together."""

from __future__ import annotations

from collections.abc import Sequence
from functools import lru_cache

from curlet.core.area.parts import Part, part_of
from curlet.core.path.outline import joined, outline_of
from curlet.formats.content import Content
from curlet.formats.crop_doc import CropDoc
from curlet.formats.path_doc import path_of_content
from curlet.store.paths import contours_of
from curlet.store.records import PathRecord
from curlet.store.state import State

# How far polygons may lie from the curves that they stand for, sheet mm.
FINE = 0.005


def edge_paths(state: State, area_id: str) -> list[PathRecord]:
    """The paths along an area's edges, in order."""
    own = (path for path in state.all("path") if path.get("area") == area_id)
    return sorted(own, key=lambda path: int(path["part"]))


def crop_paths(state: State, crop: CropDoc) -> list[PathRecord]:
    """The closed paths that something is cropped to: the first contour of a shape stands for all of it,
    another one for itself."""
    if crop.kind == "area":
        return edge_paths(state, crop.id)
    row = state.get("path", crop.id)
    contours = [path for path in contours_of(state, row) if path["closed"]]
    return contours if contours[:1] == [row] else [row]


def inside_of(rows: Sequence[PathRecord]) -> Part:
    """What closed paths enclose together: holes run the other way round, or either way where the first of
    several was drawn by the even-odd rule."""
    even_odd = len(rows) > 1 and bool(rows[0]["facts"].get("even_odd"))
    return _inside(tuple((row["id"], Content(row["nodes"])) for row in rows), even_odd)


@lru_cache(maxsize=512)
def _inside(contours: tuple[tuple[str, Content], ...], even_odd: bool) -> Part:
    paths = [(path_id, path_of_content(nodes, True)) for path_id, nodes in contours]
    names = [f"{path_id}/{node}" for path_id, path in paths for node in path.node_ids]
    return part_of(joined([outline_of(path) for _, path in paths]), FINE, even_odd=even_odd, names=names)
