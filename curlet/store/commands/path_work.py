"""Intents that make paths from paths: copies beside them, mirrored, split, joined, simplified."""

from __future__ import annotations

from typing import Annotated, Literal

import numpy as np
from pydantic import Field

from curlet.core.errors import BadInput
from curlet.core.path import rework
from curlet.core.path.corners import find_corners
from curlet.core.path.parallel import parallel
from curlet.core.path.path import Path
from curlet.formats.half_doc import HalfDoc
from curlet.formats.names import ended
from curlet.formats.path_doc import node_rows
from curlet.formats.run_places import PlacesDoc
from curlet.store.commands.intent import BaseIntent, Entered, Id, Ids, garment_length
from curlet.store.crops import recrop
from curlet.store.fills import moved_fill
from curlet.store.halves import carry, link
from curlet.store.lettering import copy_lettering
from curlet.store.names import names_of, other_half
from curlet.store.paths import add_path, core_path, element_of, keep_path
from curlet.store.records import Json, PathRecord, RunRecord
from curlet.store.state import State, new_id

# How far a duplicate lies from what it is of, drawn mm.
_ASIDE = 5.0


class ParallelCopy(BaseIntent):
    """Copies of paths at a distance to the right or the left of each, or to both sides."""

    kind: Literal["parallel-copy"]
    paths: Ids
    distance: Entered
    side: Literal["right", "left", "both"] = "right"
    corners: Literal["sharp", "round"] = "sharp"

    def apply(self, state: State) -> str:
        far = garment_length(self.distance, state)
        for path_id in self.paths:
            row = state.get("path", path_id)
            for side in ("right", "left") if self.side == "both" else (self.side,):
                away = far if side == "right" else -far
                for copy in parallel(core_path(row), away, self.corners):
                    add_path(state, f"{row['name']}, {side} {self.distance.strip()}", copy, row["group"])
        return f"Copy {names_of(state, self.paths)} at {self.distance.strip()}"


class MirrorPaths(BaseIntent):
    """Mirrored copies of paths, dressed as they are, about a side of all of them or the sheet's middle.

    A copy is walked the other way, so that what lies to the right of a path lies on the mirrored side.

    Parameters
    ----------
    live : whether each copy stays the live half of its path.
    """

    kind: Literal["mirror-paths"]
    paths: Ids
    about: Literal["left", "right", "top", "foot", "middle"]
    live: bool = False

    def apply(self, state: State) -> str:
        rows = [state.get("path", path_id) for path_id in self.paths]
        cores = [core_path(row) for row in rows]
        points = np.concatenate([path.arc.points(np.linspace(0, path.length, 200)) for path in cores])
        low, high = points.min(axis=0), points.max(axis=0)
        x, y = {
            "left": (low[0], 0.0),
            "right": (high[0], 0.0),
            "top": (0.0, low[1]),
            "foot": (0.0, high[1]),
            "middle": (state.sheet["width"] / 2, 0.0),
        }[self.about]
        copies, shapes = dict[str, str](), dict[str, str]()
        for row, path in zip(rows, cores, strict=True):
            upright = self.about not in ("top", "foot")
            turned = rework.mirrored(path, (float(x), float(y)), upright=upright)
            name = other_half(row["name"]) or ended(row["name"], ", mirrored")
            copy = _copy(state, row, turned.reversed(), name, shapes)
            half = HalfDoc(of=row["id"], x=float(x), y=float(y), angle=90.0 if upright else 0.0)
            if self.live:
                link(state, copy, half)
            else:
                carry(state, row["id"], copy, half)
            copies[row["id"]] = copy
        recrop(state, copies)
        return f"Mirror {names_of(state, self.paths)}"


class DuplicatePaths(BaseIntent):
    """Copies of paths a little aside, dressed as they are. A text of which all letters are copied is a text
    again; it stands on the copy of the path that it stood on, where that is copied too."""

    kind: Literal["duplicate-paths"]
    paths: Ids

    def apply(self, state: State) -> str:
        said = f"Duplicate {names_of(state, self.paths)}"
        copies, shapes = dict[str, str](), dict[str, str]()
        for path_id in self.paths:
            row = state.get("path", path_id)
            aside = rework.moved(core_path(row), _ASIDE, _ASIDE)
            copy = _copy(state, row, aside, ended(row["name"], " (copy)"), shapes)
            state.update("path", copy, swell=row["swell"])
            copies[path_id] = copy
        for text in dict.fromkeys(state.get("path", path_id)["lettering"] for path_id in self.paths):
            if text:
                copy_lettering(state, text, copies, _ASIDE)
        recrop(state, copies)
        return said


class ReversePaths(BaseIntent):
    """Walk paths the other way: their right is their left, their start their end."""

    kind: Literal["reverse-paths"]
    paths: Ids

    def apply(self, state: State) -> str:
        for path_id in self.paths:
            row = state.get("path", path_id)
            keep_path(state, path_id, core_path(row).reversed())
            swell = [{**point, "at": 1 - point["at"]} for point in reversed(row["swell"])]
            state.update("path", path_id, swell=swell)
        return f"Reverse {names_of(state, self.paths)}"


class SplitPath(BaseIntent):
    """Part a path at nodes, or at all of its corners; every part keeps the brushes of the whole."""

    kind: Literal["split-path"]
    path: Id
    nodes: Annotated[tuple[Id, ...], Field(max_length=2_000)] = ()

    def apply(self, state: State) -> str:
        row = state.get("path", self.path)
        path = core_path(row)
        nodes = list(self.nodes) or [corner.node_id for corner in find_corners(path)]
        if not nodes:
            raise BadInput("This path has no corner. Choose the nodes at which it is to be split.")
        first, *others = rework.split_at(path, nodes)
        for number, part in enumerate(others, 2):
            _copy(state, row, part, f"{row['name']}, {number}", {})
        keep_path(state, self.path, first)
        state.update("path", self.path, closed=False)
        for run in state.runs_of(self.path):
            state.update("run", run["id"], places=_places_on(run, first))
        return f"Split {row['name']}"


class JoinPaths(BaseIntent):
    """Make two open paths one, or close a single one; the first one's name and runs stay."""

    kind: Literal["join-paths"]
    paths: Annotated[list[Id], Field(min_length=1, max_length=2)]

    def apply(self, state: State) -> str:
        rows = [state.get("path", path_id) for path_id in self.paths]
        cores = [core_path(row) for row in rows]
        if len(set(self.paths)) == 2:
            keep_path(state, self.paths[0], rework.joined(*cores))
            state.remove("path", self.paths[1])
            return f"Join {rows[0]['name']} and {rows[1]['name']}"
        if cores[0].closed:
            raise BadInput("This path is closed already.")
        keep_path(state, self.paths[0], rework.closed_up(cores[0]))
        state.update("path", self.paths[0], closed=True)
        return f"Close {rows[0]['name']}"


class SimplifyPaths(BaseIntent):
    """Draw paths with as few nodes as keep them within a distance of where they were."""

    kind: Literal["simplify-paths"]
    paths: Ids
    within: Entered

    def apply(self, state: State) -> str:
        within = garment_length(self.within, state)
        for path_id in self.paths:
            keep_path(state, path_id, rework.simplified(core_path(state.get("path", path_id)), within))
        return f"Simplify {names_of(state, self.paths)}"


def _copy(state: State, of: PathRecord, path: Path, name: str, shapes: dict[str, str]) -> str:
    """A new path with the line, fill and runs of the one that it was made from; its id.

    Parameters
    ----------
    shapes : by each shape that contours were copied of, the shape that their copies make.
    """
    facts = dict(of["facts"])
    element = element_of(of)
    if element != of["id"]:
        facts["element"] = shapes.setdefault(element, new_id())
    fill = moved_fill(of["fill"], of["nodes"], node_rows(path))
    path_id = add_path(state, name, path, of["group"], facts=facts, fill=fill, crop=of["crop"])
    for run in state.runs_of(of["id"]):
        position = state.next_position("run")
        places = _places_on(run, path)
        state.put("run", {**run, "id": new_id(), "path": path_id, "places": places, "position": position})
    return path_id


def _places_on(run: RunRecord, path: Path) -> Json:
    """What a run says of single corners and legs that the path still has."""
    places, nodes = PlacesDoc.model_validate(run["places"]), set(path.node_ids)
    kept = places.model_copy(
        update={
            "corners": {node: manner for node, manner in places.corners.items() if node in nodes},
            "counts": {node: count for node, count in places.counts.items() if node in nodes},
        }
    )
    return kept.model_dump(mode="json", exclude_defaults=True)
