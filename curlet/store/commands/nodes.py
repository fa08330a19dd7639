"""Intents on the nodes of a path."""

from __future__ import annotations

from collections.abc import Callable
from functools import partial
from typing import Annotated, Literal

import numpy as np
from pydantic import Field

from curlet.core.errors import BadInput
from curlet.core.path import edit
from curlet.core.path.path import HandleKind, Path
from curlet.formats.path_doc import Coordinate
from curlet.store.commands.intent import BaseIntent, Entered, Id, Ids, garment_length
from curlet.store.commands.path_work import SplitPath
from curlet.store.paths import core_path, keep_path
from curlet.store.state import State, new_node_id

# A cut this near to a node, sheet mm, is a cut at it.
SAME_PLACE = 0.01


class NodeMove(BaseIntent):
    """A node's new place, sheet mm."""

    id: Id
    x: Coordinate
    y: Coordinate

    def apply(self, state: State) -> str:
        raise BadInput("A node is moved as part of its path.")


class MoveNodes(BaseIntent):
    """Move nodes with their handles."""

    kind: Literal["move-nodes"]
    path: Id
    moves: Annotated[list[NodeMove], Field(min_length=1, max_length=20_000)]

    def apply(self, state: State) -> str:
        row = state.get("path", self.path)
        moves = {move.id: (move.x, move.y) for move in self.moves}
        keep_path(state, self.path, edit.move_nodes(core_path(row), moves))
        return f"Move {'nodes' if len(moves) > 1 else 'a node'} of {row['name']}"


class MoveHandle(BaseIntent):
    """Move a node's handle; `free` leaves the other one where it is, for this once."""

    kind: Literal["move-handle"]
    path: Id
    node: Id
    side: Literal["into", "out"]
    x: Coordinate
    y: Coordinate
    free: bool = False

    def apply(self, state: State) -> str:
        row = state.get("path", self.path)
        kept = next((n.get("handles") for n in row["nodes"] if n["id"] == self.node), None)
        kind: HandleKind | None = "free" if self.free else kept
        moved = edit.move_handle(core_path(row), self.node, self.side, (self.x, self.y), kind)
        keep_path(state, self.path, moved)
        return f"Bend {row['name']}"


class AddNode(BaseIntent):
    """Put a node on a path: where it comes nearest to a point, or midway after another node."""

    kind: Literal["add-node"]
    path: Id
    x: Coordinate = 0.0
    y: Coordinate = 0.0
    after: Id | None = None

    def apply(self, state: State) -> str:
        row = state.get("path", self.path)
        path, node = core_path(row), new_node_id()
        if self.after is None:
            path = edit.add_node(path, (self.x, self.y), node)
        else:
            path = edit.add_node_after(path, self.after, node)
        keep_path(state, self.path, path)
        return f"Add a node to {row['name']}"


class DeleteNodes(BaseIntent):
    """Take nodes out of a path."""

    kind: Literal["delete-nodes"]
    path: Id
    nodes: Ids

    def apply(self, state: State) -> str:
        row = state.get("path", self.path)
        keep_path(state, self.path, edit.delete_nodes(core_path(row), list(self.nodes)))
        return f"Delete {'nodes' if len(self.nodes) > 1 else 'a node'} of {row['name']}"


class ShapeNode(BaseIntent):
    """Make nodes straight (no handles), curved (handles in line, a third of the way to their neighbours), or
    keep their handles in line, in line and equal, or free of each other."""

    kind: Literal["shape-node"]
    path: Id
    nodes: Ids
    shape: Literal["straight", "curved", "line", "equal", "free"]

    def apply(self, state: State) -> str:
        row = state.get("path", self.path)
        path = core_path(row)
        for node in self.nodes:
            path = _SHAPES[self.shape](path, node)
        keep_path(state, self.path, path)
        kind = self.shape if self.shape in ("line", "equal", "free") else None
        now = state.get("path", self.path)
        kinds = [{**n, "handles": kind} if n["id"] in self.nodes else n for n in now["nodes"]]
        state.update("path", self.path, nodes=kinds)
        return f"Shape {'nodes' if len(self.nodes) > 1 else 'a node'} of {row['name']}"


_SHAPES: dict[str, Callable[[Path, str], Path]] = {
    "straight": edit.straighten,
    "curved": edit.curve,
    "line": partial(edit.align_handles, equal=False),
    "equal": partial(edit.align_handles, equal=True),
    "free": lambda path, _: path,
}


class PlaceNode(BaseIntent):
    """Put a node at entered places, garment mm from the sheet's left and top."""

    kind: Literal["place-node"]
    path: Id
    node: Id
    x: Entered | None = None
    y: Entered | None = None

    def apply(self, state: State) -> str:
        row = state.get("path", self.path)
        path = core_path(row)
        now = path.points[path.node_index(self.node)].tolist()
        entered = (self.x, self.y)
        x, y = (
            at if text is None else garment_length(text, state) for at, text in zip(now, entered, strict=True)
        )
        keep_path(state, self.path, edit.move_nodes(path, {self.node: (x, y)}))
        return f"Place a node of {row['name']}"


class CutPath(BaseIntent):
    """Part a path where it comes nearest to a point, or an entered length along it."""

    kind: Literal["cut-path"]
    path: Id
    x: Coordinate = 0.0
    y: Coordinate = 0.0
    along: Entered | None = None

    def apply(self, state: State) -> str:
        row = state.get("path", self.path)
        path, node = core_path(row), new_node_id()
        at = (self.x, self.y)
        if self.along is not None:
            s = garment_length(self.along, state)
            if not 0 < s < path.length:
                raise BadInput("That lies beyond the path's end. Give a length along it.")
            at = tuple(path.arc.points([s])[0].tolist())
        near = path.points[np.hypot(*(path.points - at).T).argmin()]
        if np.hypot(*(near - at)) < SAME_PLACE:
            node = path.node_ids[int(np.hypot(*(path.points - at).T).argmin())]
        else:
            keep_path(state, self.path, edit.add_node(path, at, node))
        SplitPath(kind="split-path", path=self.path, nodes=(node,)).apply(state)
        return f"Cut {row['name']}"
