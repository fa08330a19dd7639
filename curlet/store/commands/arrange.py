"""Intents that place whole paths: moved, turned, resized, aligned, hidden, locked."""

from __future__ import annotations

from collections.abc import Iterator, Sequence
from dataclasses import dataclass
from typing import Annotated, Literal

import numpy as np
from numpy.typing import NDArray
from pydantic import Field

from curlet.core.bounds import Bounds
from curlet.core.measures import read_measure
from curlet.core.path import rework
from curlet.core.path.cubics import extent
from curlet.core.path.path import Path
from curlet.formats.path_doc import Coordinate
from curlet.store.area_edges import edge_paths
from curlet.store.areas import shapes_of
from curlet.store.commands.intent import BaseIntent, Entered, Id, Ids
from curlet.store.lettering import free_standing, letters_of, put_lettering, shift_lettering
from curlet.store.names import names_of
from curlet.store.paths import core_path, keep_path
from curlet.store.state import State

Floats = NDArray[np.float64]

SIZE = Bounds("The size", 1, 10_000, unit="%")


class MovePaths(BaseIntent):
    """Move whole paths by a distance in sheet mm; figures stay figures."""

    kind: Literal["move-paths"]
    paths: Ids
    x: Coordinate
    y: Coordinate

    def apply(self, state: State) -> str:
        for unit in units(state, self.paths):
            shift_unit(state, unit, self.x, self.y)
        return f"Move {names_of(state, self.paths)}"


class TurnPaths(BaseIntent):
    """Turn paths about the middle of all of them, clockwise by an entered angle, or size them."""

    kind: Literal["turn-paths"]
    paths: Ids
    angle: Entered = "0"
    size: Entered = "100 %"

    def apply(self, state: State) -> str:
        angle = np.radians(read_measure(self.angle, accepts=("°", "")).value)
        size = SIZE.check(read_measure(self.size, accepts=("%", "")).value) / 100
        low, high = _box(_cores(state, self.paths))
        turn = size * np.array([[np.cos(angle), np.sin(angle)], [-np.sin(angle), np.cos(angle)]])
        for unit in units(state, self.paths):
            for path_id, lettering in _each(state, unit):
                if lettering:
                    _turn_lettering(state, lettering, (low + high) / 2, turn)
                    continue
                turned = rework.turned(core_path(state.get("path", path_id)), (low + high) / 2, turn)
                keep_path(state, path_id, turned)
        return f"{'Turn' if angle else 'Resize'} {names_of(state, self.paths)}"


class AlignPaths(BaseIntent):
    """Bring paths to one line: a side or the middle of what all of them take up, or of the sheet where only
    one is chosen."""

    kind: Literal["align-paths"]
    paths: Ids
    to: Literal["left", "centre", "right", "top", "middle", "foot"]

    def apply(self, state: State) -> str:
        each = units(state, self.paths)
        boxes = [_box(_cores(state, unit.shown)) for unit in each]
        whole = _box(_cores(state, self.paths))
        if len(each) == 1:
            whole = np.zeros(2), np.array([state.sheet["width"], state.sheet["height"]])
        axis = 0 if self.to in ("left", "centre", "right") else 1
        share = {"left": 0.0, "top": 0.0, "right": 1.0, "foot": 1.0}.get(self.to, 0.5)
        line = _along(whole, axis, share)
        for unit, box in zip(each, boxes, strict=True):
            by = [0.0, 0.0]
            by[axis] = line - _along(box, axis, share)
            shift_unit(state, unit, *by)
        return f"Align {names_of(state, self.paths)}"


class SpreadPaths(BaseIntent):
    """Space three paths or more evenly between the first and the last of them, middle to middle."""

    kind: Literal["spread-paths"]
    paths: Annotated[list[Id], Field(min_length=3, max_length=2_000)]
    way: Literal["across", "down"]

    def apply(self, state: State) -> str:
        axis = 0 if self.way == "across" else 1
        placed = [
            (_along(_box(_cores(state, unit.shown)), axis, 0.5), unit) for unit in units(state, self.paths)
        ]
        placed.sort(key=lambda item: item[0])
        wanted = np.linspace(placed[0][0], placed[-1][0], len(placed))
        for (middle, unit), to in zip(placed, wanted.tolist(), strict=True):
            by = [0.0, 0.0]
            by[axis] = to - middle
            shift_unit(state, unit, *by)
        return f"Space {names_of(state, self.paths)} evenly"


class ShowPaths(BaseIntent):
    """Show paths, or hide them and what is laid on them: on the sheet and in what is exported."""

    kind: Literal["show-paths"]
    paths: Ids
    shown: bool

    def apply(self, state: State) -> str:
        for path_id in self.paths:
            state.update("path", path_id, hidden=not self.shown)
        return f"{'Show' if self.shown else 'Hide'} {names_of(state, self.paths)}"


class LockPaths(BaseIntent):
    """Lock paths, so that their lines stay as they are, or unlock them. Locked ones can be dressed."""

    kind: Literal["lock-paths"]
    paths: Ids
    locked: bool

    def apply(self, state: State) -> str:
        for path_id in self.paths:
            state.update("path", path_id, locked=self.locked)
        return f"{'Lock' if self.locked else 'Unlock'} {names_of(state, self.paths)}"


@dataclass(frozen=True)
class Unit:
    """Paths that are placed together: those that are seen, and those that are moved."""

    shown: tuple[str, ...]
    moved: tuple[str, ...]


def units(state: State, paths: Sequence[str]) -> list[Unit]:
    """What is placed together: the letters of one text, an area's edges by the shapes that it is made of, any
    other path by itself. Nothing is moved twice."""
    found: dict[str, Unit] = {}
    taken: set[str] = set()
    for path_id in paths:
        row = state.get("path", path_id)
        shown: tuple[str, ...] = (path_id,)
        whole = shown
        if row["lettering"]:
            whole = shown = tuple(path["id"] for path in letters_of(state, row["lettering"]))
        elif row["area"]:
            shown = tuple(path["id"] for path in edge_paths(state, row["area"]))
            whole = tuple(shapes_of(state, row["area"]))
        key = row["lettering"] or row["area"] or path_id
        if key not in found:
            moved = tuple(path for path in whole if path not in taken)
            taken.update(moved)
            found[key] = Unit(shown, moved)
    return list(found.values())


def shift_unit(state: State, unit: Unit, x: float, y: float) -> None:
    """What is placed together moved by a distance in sheet mm; what is a figure or text stays it."""
    for path_id, lettering in _each(state, unit):
        if lettering:
            shift_lettering(state, lettering, x, y)
            continue
        row = state.get("path", path_id)
        keep_path(state, path_id, rework.moved(core_path(row), x, y))
        if row["figure"]:
            figure = {**row["figure"], "x": row["figure"]["x"] + x, "y": row["figure"]["y"] + y}
            state.update("path", path_id, figure=figure)


def _each(state: State, unit: Unit) -> Iterator[tuple[str, str | None]]:
    """The paths that are moved, and each text among them once, by its first letter."""
    texts: set[str] = set()
    for path_id in unit.moved:
        lettering = state.get("path", path_id)["lettering"]
        if lettering not in texts:
            yield path_id, lettering
        if lettering:
            texts.add(lettering)


def _turn_lettering(state: State, lettering: str, about: Floats, matrix: Floats) -> None:
    doc = free_standing(state, lettering)
    x, y = ((np.array([doc.x, doc.y]) - about) @ matrix + about).tolist()
    size = float(np.hypot(*matrix[0]))
    turn = doc.turn + float(np.degrees(np.arctan2(matrix[0, 1], matrix[0, 0])))
    values = {"x": x, "y": y, "turn": turn, "caps": doc.caps * size, "bold": doc.bold * size}
    put_lettering(state, lettering, doc.model_copy(update=values))


def _cores(state: State, paths: Sequence[str]) -> list[Path]:
    return [core_path(state.get("path", path_id)) for path_id in paths]


def _box(paths: list[Path]) -> tuple[Floats, Floats]:
    """The least and the greatest x and y of some paths."""
    return extent(np.concatenate([path.segments for path in paths]))


def _along(box: tuple[Floats, Floats], axis: int, share: float) -> float:
    return float((1 - share) * box[0][axis] + share * box[1][axis])
