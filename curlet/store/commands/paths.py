"""Intents on paths and their nodes."""

from __future__ import annotations

from typing import Annotated, Literal

from pydantic import Field

from curlet.core.errors import BadInput
from curlet.core.path import edit
from curlet.formats.path_doc import FactsDoc, NodeDoc, Point, to_nodes, to_path
from curlet.formats.svg_in import TakenIn
from curlet.store.commands.intent import (
    BaseIntent,
    Coordinate,
    Id,
    Ids,
    Name,
    core_path,
    keep_path,
)
from curlet.store.state import State, new_id, new_node_id

NEW_GROUP_MARK = "#7a5c2e"


class DrawnNode(BaseIntent):
    """A node as drafted; it gets its id when the path is kept."""

    x: Coordinate
    y: Coordinate
    into: Point | None = None
    out: Point | None = None

    def apply(self, state: State) -> str:
        raise BadInput("A node is drawn as part of a path.")


class DrawPath(BaseIntent):
    """Keep a drafted path."""

    kind: Literal["draw-path"]
    nodes: Annotated[list[DrawnNode], Field(min_length=2, max_length=20_000)]
    closed: bool = False
    group: Id | None = None
    name: Name | None = None

    def apply(self, state: State) -> str:
        nodes = [
            NodeDoc(id=f"n{i}", x=n.x, y=n.y, into=n.into, out=n.out) for i, n in enumerate(self.nodes, 1)
        ]
        if self.group is not None:
            state.get("group", self.group)
        name = self.name or f"Path {len(state.rows['path']) + 1}"
        _add_path(state, name, to_nodes(to_path(nodes, self.closed)), self.closed, self.group)
        return f"Draw {name}"


def _add_path(
    state: State,
    name: str,
    nodes: list[NodeDoc],
    closed: bool,
    group: str | None,
    facts: FactsDoc | None = None,
) -> str:
    row = {
        "id": new_id(),
        "sheet": state.sheet["id"],
        "group": group,
        "name": name,
        "closed": closed,
        "nodes": [node.model_dump(mode="json") for node in nodes],
        "facts": facts.model_dump(mode="json") if facts else {},
        "figure": {},
        "position": state.next_position("path"),
    }
    state.put("path", row)
    return str(row["id"])


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
    """Move a node's handle; `free` leaves the other one where it is."""

    kind: Literal["move-handle"]
    path: Id
    node: Id
    side: Literal["into", "out"]
    x: Coordinate
    y: Coordinate
    free: bool = False

    def apply(self, state: State) -> str:
        row = state.get("path", self.path)
        moved = edit.move_handle(core_path(row), self.node, self.side, (self.x, self.y), free=self.free)
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
    """Make a node straight (no handles) or curved (handles in line)."""

    kind: Literal["shape-node"]
    path: Id
    node: Id
    shape: Literal["straight", "curved"]

    def apply(self, state: State) -> str:
        row = state.get("path", self.path)
        change = edit.straighten if self.shape == "straight" else edit.curve
        keep_path(state, self.path, change(core_path(row), self.node))
        return f"Make a node of {row['name']} {self.shape}"


class DeletePaths(BaseIntent):
    """Delete paths and the runs on them."""

    kind: Literal["delete-paths"]
    paths: Ids

    def apply(self, state: State) -> str:
        names = [state.get("path", path_id)["name"] for path_id in self.paths]
        for path_id in self.paths:
            state.remove("path", path_id)
        return f"Delete {names[0]}" if len(names) == 1 else f"Delete {len(names)} paths"


class RenamePath(BaseIntent):
    """Give a path a name."""

    kind: Literal["rename-path"]
    path: Id
    name: Name

    def apply(self, state: State) -> str:
        state.update("path", self.path, name=self.name.strip() or "Path")
        return f"Rename to {self.name}"


class GroupPaths(BaseIntent):
    """Put paths into a seam group, into a new one by name, or into none."""

    kind: Literal["group-paths"]
    paths: Ids
    group: Id | None = None
    new_name: Name | None = None

    def apply(self, state: State) -> str:
        group = self.group
        if self.new_name:
            group = add_group(state, self.new_name)
        name = state.get("group", group)["name"] if group else "no group"
        for path_id in self.paths:
            state.update("path", path_id, group=group)
        return f"Put {len(self.paths)} into {name}"


def add_group(state: State, name: str, mark: str = NEW_GROUP_MARK) -> str:
    """A new seam group; its id."""
    group_id = new_id()
    state.put(
        "group",
        {
            "id": group_id,
            "sheet": state.sheet["id"],
            "name": name,
            "mark": mark,
            "position": state.next_position("group"),
        },
    )
    return group_id


class RenameGroup(BaseIntent):
    """Give a seam group a name."""

    kind: Literal["rename-group"]
    group: Id
    name: Name

    def apply(self, state: State) -> str:
        state.update("group", self.group, name=self.name.strip() or "Group")
        return f"Rename group to {self.name}"


class TakeIn(BaseIntent):
    """Put the paths of a taken-in drawing on the sheet, in a group of their own."""

    kind: Literal["take-in"] = "take-in"
    title: Name
    taken: object

    def apply(self, state: State) -> str:
        assert isinstance(self.taken, TakenIn)
        group = add_group(state, self.title)
        # One element may make several contours: the key keeps them together, apart from others'.
        batch = new_id()
        for line in self.taken.paths:
            facts = line.facts.model_copy(update={"element": f"{batch}-{line.facts.element}"})
            _add_path(state, line.name, to_nodes(line.path), line.path.closed, group, facts)
        return f"Take in {self.title}"
