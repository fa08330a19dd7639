"""Intents that place whole paths: moved, turned, resized, aligned, hidden, locked."""

from __future__ import annotations

from typing import Annotated, Literal

import numpy as np
from numpy.typing import NDArray
from pydantic import Field

from curlet.core.bounds import Bounds
from curlet.core.errors import BadInput
from curlet.core.measures import read_measure
from curlet.core.path import rework
from curlet.core.path.path import Path
from curlet.store.commands.intent import BaseIntent, Coordinate, Id, Ids, Typed, core_path, keep_path
from curlet.store.names import called
from curlet.store.state import State

Floats = NDArray[np.float64]

SIZE = Bounds("The size", 1, 10_000, unit="%")
_SAMPLES = 200


class MovePaths(BaseIntent):
    """Move whole paths by so many sheet mm; figures stay figures."""

    kind: Literal["move-paths"]
    paths: Ids
    x: Coordinate
    y: Coordinate

    def apply(self, state: State) -> str:
        for path_id in self.paths:
            shift_path(state, path_id, self.x, self.y)
        return f"Move {called(state, self.paths)}"


class TurnPaths(BaseIntent):
    """Turn paths about the middle of all of them, clockwise by a typed angle, or give them another size."""

    kind: Literal["turn-paths"]
    paths: Ids
    angle: Typed = "0"
    size: Typed = "100 %"

    def apply(self, state: State) -> str:
        angle = np.radians(read_measure(self.angle, accepts=("°", "")).value)
        size = SIZE.check(read_measure(self.size, accepts=("%", "")).value) / 100
        cores = [core_path(state.get("path", path_id)) for path_id in self.paths]
        low, high = _box(cores)
        turn = size * np.array([[np.cos(angle), np.sin(angle)], [-np.sin(angle), np.cos(angle)]])
        for path_id, path in zip(self.paths, cores, strict=True):
            keep_path(state, path_id, rework.turned(path, (low + high) / 2, turn))
        return f"{'Turn' if angle else 'Resize'} {called(state, self.paths)}"


class AlignPaths(BaseIntent):
    """Bring paths to one line: a side or the middle of what all of them take up, or of the sheet where only
    one is chosen."""

    kind: Literal["align-paths"]
    paths: Ids
    to: Literal["left", "centre", "right", "top", "middle", "foot"]

    def apply(self, state: State) -> str:
        cores = [core_path(state.get("path", path_id)) for path_id in self.paths]
        boxes = [_box([path]) for path in cores]
        whole = _box(cores)
        if len(cores) == 1:
            whole = np.zeros(2), np.array([state.sheet["width"], state.sheet["height"]])
        axis = 0 if self.to in ("left", "centre", "right") else 1
        share = {"left": 0.0, "top": 0.0, "right": 1.0, "foot": 1.0}.get(self.to, 0.5)
        line = _along(whole, axis, share)
        for path_id, box in zip(self.paths, boxes, strict=True):
            by = [0.0, 0.0]
            by[axis] = line - _along(box, axis, share)
            shift_path(state, path_id, *by)
        return f"Align {called(state, self.paths)}"


class SpreadPaths(BaseIntent):
    """Space three paths or more evenly between the first and the last of them, middle to middle."""

    kind: Literal["spread-paths"]
    paths: Annotated[list[Id], Field(min_length=3, max_length=2_000)]
    way: Literal["across", "down"]

    def apply(self, state: State) -> str:
        axis = 0 if self.way == "across" else 1
        middles = {p: _along(_box([core_path(state.get("path", p))]), axis, 0.5) for p in self.paths}
        ordered = sorted(middles, key=lambda path_id: middles[path_id])
        wanted = np.linspace(middles[ordered[0]], middles[ordered[-1]], len(ordered))
        for path_id, to in zip(ordered, wanted.tolist(), strict=True):
            by = [0.0, 0.0]
            by[axis] = to - middles[path_id]
            shift_path(state, path_id, *by)
        return f"Space {called(state, self.paths)} evenly"


class ShowPaths(BaseIntent):
    """Show paths, or hide them and what is laid on them: on the sheet and in what is sent out."""

    kind: Literal["show-paths"]
    paths: Ids
    shown: bool

    def apply(self, state: State) -> str:
        for path_id in self.paths:
            state.update("path", path_id, hidden=not self.shown)
        return f"{'Show' if self.shown else 'Hide'} {called(state, self.paths)}"


class LockPaths(BaseIntent):
    """Lock paths, so that their lines stay as they are, or unlock them. Locked ones can be dressed."""

    kind: Literal["lock-paths"]
    paths: Ids
    locked: bool

    def apply(self, state: State) -> str:
        for path_id in self.paths:
            state.update("path", path_id, locked=self.locked)
        return f"{'Lock' if self.locked else 'Unlock'} {called(state, self.paths)}"


def shift_path(state: State, path_id: str, x: float, y: float) -> None:
    """A path moved by so many sheet mm; one that is a figure stays it."""
    figure = state.get("path", path_id).get("figure")
    keep_path(state, path_id, rework.moved(core_path(state.get("path", path_id)), x, y))
    if figure:
        state.update("path", path_id, figure={**figure, "x": figure["x"] + x, "y": figure["y"] + y})


def _box(paths: list[Path]) -> tuple[Floats, Floats]:
    """The least and the greatest x and y of some paths."""
    points = np.concatenate([path.arc.points(np.linspace(0, path.length, _SAMPLES)) for path in paths])
    if not len(points):
        raise BadInput("Choose the paths first.")
    return points.min(axis=0), points.max(axis=0)


def _along(box: tuple[Floats, Floats], axis: int, share: float) -> float:
    return float((1 - share) * box[0][axis] + share * box[1][axis])
