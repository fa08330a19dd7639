"""What is seen only inside, or only outside, of a closed path or an area."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import replace
from functools import lru_cache
from typing import Any

import numpy as np

from curlet.core.area.edges import edges_of, outline_of_edges
from curlet.core.area.parts import Part
from curlet.core.drawing import Group, Outline
from curlet.core.path.outline import joined, turned_back
from curlet.formats.crop_doc import CropDoc
from curlet.store.area_edges import crop_paths, inside_of
from curlet.store.laying import draw_row
from curlet.store.records import RunRecord
from curlet.store.state import PAINTED, State

# Outside of a shape is all that there is: this far beyond the sheet, mm.
_BEYOND = 1_000.0


def run_group(state: State, run: RunRecord) -> Group:
    """A run's part of the drawing, cropped if it is."""
    return cropped(state, run, draw_row(state, run))


def cropped(state: State, row: Mapping[str, Any], group: Group) -> Group:
    """What is seen of a row's drawing."""
    clip = clip_of(state, row)
    if clip is None:
        return group
    return replace(group, clip=clip) if group.clip is None else Group("", "", (group,), clip=clip)


def clip_of(state: State, row: Mapping[str, Any]) -> Outline | None:
    """The outline within which a row is seen; None where all of it is."""
    if not row.get("crop"):
        return None
    crop, sheet = CropDoc(**row["crop"]), state.sheet
    return _outline(inside_of(crop_paths(state, crop)), crop.outside, (sheet["width"], sheet["height"]))


def cropped_by(state: State, paths: set[str], kind: str) -> list[Any]:
    """The rows of a kind that are cropped to some of the paths."""
    rows = (row for row in state.all(kind) if row.get("crop"))
    return [row for row in rows if {path["id"] for path in crop_paths(state, CropDoc(**row["crop"]))} & paths]


def recrop(state: State, copies: Mapping[str, str]) -> None:
    """Crop copies to the copies of what they were cropped to, where that was copied too.

    Parameters
    ----------
    copies : the copy of each path.
    """
    for copy in copies.values():
        for kind, row in (("path", state.get("path", copy)), *(("run", run) for run in state.runs_of(copy))):
            if not row["crop"]:
                continue
            shape = next((path["id"] for path in crop_paths(state, CropDoc(**row["crop"]))), "")
            if shape in copies:
                crop = {**row["crop"], "kind": "path", "id": copies[shape]}
                state.update(kind, row["id"], crop=crop)


def follow_crops(state: State) -> None:
    """What was cropped to something that is gone is whole again."""
    if not any(change.after is None and change.kind in ("path", "area") for change in state.changes):
        return
    for kind in PAINTED:
        for row in state.all(kind):
            if row.get("crop") and row["crop"]["id"] not in state.rows[row["crop"]["kind"]]:
                state.update(kind, row["id"], crop={})


@lru_cache(maxsize=256)
def _outline(part: Part, outside: bool, size: tuple[float, float]) -> Outline:
    """An area as an outline that means the same by either filling rule, or all but that."""
    inside = outline_of_edges(edges_of(part))
    if not outside:
        return inside
    (x, y), (width, height) = (-_BEYOND, -_BEYOND), size
    far = width + _BEYOND, height + _BEYOND
    corners = np.array([[x, y], [far[0], y], [far[0], far[1]], [x, far[1]]])
    return joined([Outline("MLLLZ", corners), turned_back(inside)])
