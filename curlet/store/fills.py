"""What fills the shapes on a sheet."""

from __future__ import annotations

from collections.abc import Sequence

import numpy as np
from numpy.typing import NDArray

from curlet.core.dress.fill import likeness
from curlet.core.errors import BadInput
from curlet.core.path.cubics import extent
from curlet.formats.fill_doc import PictureFillDoc
from curlet.store.paths import contours_of, core_path, element_of
from curlet.store.records import Json, PathRecord
from curlet.store.state import State

Floats = NDArray[np.float64]


def shapes_of_paths(state: State, paths: Sequence[str]) -> list[PathRecord]:
    """Paths and all that make one shape with any of them."""
    elements = {element_of(state.get("path", path)) for path in paths}
    return [path for path in state.all("path") if element_of(path) in elements]


def box_of(state: State, path_id: str) -> tuple[Floats, Floats]:
    """The least and the greatest x and y of the shape that a path belongs to, sheet mm."""
    contours = contours_of(state, state.get("path", path_id))
    return extent(np.concatenate([core_path(row).segments for row in contours]))


def picture_fill(state: State, path_id: str) -> PictureFillDoc:
    """The picture that a shape is filled with; BadInput where it is not."""
    row = state.get("path", path_id)
    fill = fill_of(contours_of(state, row))
    if fill.get("kind") != "picture":
        raise BadInput(f"There is no picture in {row['name']}. Fill it with one first.")
    return PictureFillDoc.model_validate(fill)


def fill_of(contours: list[PathRecord]) -> Json:
    """What the contours of a shape are filled with; empty where with nothing but as they were drawn."""
    return next((row["fill"] for row in contours if row["fill"]), {})


def moved_fill(fill: Json, before: list[Json], after: list[Json]) -> Json:
    """A fill after its shape's nodes changed: a picture goes with a shape that is moved, turned, sized or
    mirrored as a whole, and stays where it is when the shape itself changes."""
    if fill.get("kind") != "picture":
        return fill
    later = {node["id"]: node for node in after}
    if set(later) != {node["id"] for node in before}:
        return fill
    same = [later[node["id"]] for node in before]
    # What was mirrored may run the other way round.
    ways = (likeness(points_of(before), points_of(same, back=back)) for back in (False, True))
    matrix = next((way for way in ways if way), None)
    if matrix is None:
        return fill
    doc = PictureFillDoc.model_validate(fill)
    return doc.at(doc.placed().moved(matrix)).model_dump(mode="json")


def follow_shapes(state: State) -> None:
    """Pictures inside shapes go where their shapes went."""
    before = {change.id: change.before for change in reversed(state.changes) if change.kind == "path"}
    for path_id, was in before.items():
        if was is None or path_id not in state.rows["path"]:
            continue
        now = state.get("path", path_id)
        if now["fill"].get("kind") != "picture" or was["fill"] != now["fill"] or was["nodes"] == now["nodes"]:
            continue
        contours = contours_of(state, now)
        if fill_of(contours) is not now["fill"]:
            continue
        fill = moved_fill(was["fill"], was["nodes"], now["nodes"])
        for row in contours:
            if fill != row["fill"] and row["closed"]:
                state.update("path", row["id"], fill=fill)


def points_of(nodes: list[Json], *, back: bool = False) -> Floats:
    """(3 n, 2) of nodes and their handles, all of each kind together; `back` for nodes of a line that is
    walked the other way."""
    sides = ("out", "into") if back else ("into", "out")
    places = [(node["x"], node["y"]) for node in nodes]
    handles = [node[side] or at for side in sides for node, at in zip(nodes, places, strict=True)]
    return np.array([*places, *handles], dtype=np.float64)
