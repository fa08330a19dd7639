"""Intents on paths and their nodes."""

from __future__ import annotations

from typing import Annotated, Literal

import numpy as np
from pydantic import Field

from curlet.core.dress.colour import read_colour
from curlet.core.errors import BadInput
from curlet.core.path import rework
from curlet.core.path.path import Path
from curlet.formats.imported import ImportedPath
from curlet.formats.path_doc import Coordinate, NodeDoc, Point, to_path
from curlet.store.area_edges import edge_paths
from curlet.store.commands.intent import BaseIntent, Id, Ids, Name
from curlet.store.lettering import letters_of
from curlet.store.paths import add_path, check_unlocked, core_path, keep_path, next_name
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


class PathEnd(BaseIntent):
    """An end of an open path, that a draft goes on from or arrives at."""

    path: Id
    end: Literal["start", "finish"]

    def apply(self, state: State) -> str:
        raise BadInput("An end is drawn on from as part of a draft.")


class DrawPath(BaseIntent):
    """Keep a drafted path: anew, or as the going on of the path that it starts at, up to the one that it
    arrives at. What goes on keeps its name and what it wears."""

    kind: Literal["draw-path"]
    nodes: Annotated[list[DrawnNode], Field(min_length=2, max_length=20_000)]
    closed: bool = False
    group: Id | None = None
    name: Name | None = None
    goes_on: PathEnd | None = None
    arrives: PathEnd | None = None

    def apply(self, state: State) -> str:
        if self.goes_on or self.arrives:
            return self._joined(state)
        nodes = [
            NodeDoc(id=f"n{i}", x=n.x, y=n.y, into=n.into, out=n.out) for i, n in enumerate(self.nodes, 1)
        ]
        name = self.name or next_name(state, "Path")
        add_path(state, name, to_path(nodes, self.closed), self.group)
        return f"Draw {name}"

    def _joined(self, state: State) -> str:
        """One path of the ones met and the draft between; the first one met stays."""
        nodes = [NodeDoc(id=new_node_id(), x=n.x, y=n.y, into=n.into, out=n.out) for n in self.nodes]
        drafted, (first, last) = to_path(nodes, closed=False), (self.goes_on, self.arrives)
        kept = (first or last).path  # type: ignore[union-attr]
        name, closing = state.get("path", kept)["name"], bool(first and last and first.path == last.path)
        if closing and first.end == last.end:  # type: ignore[union-attr]
            raise BadInput("This path begins and ends in the same place. Close it at its other end.")
        if first:
            before = _open_path(state, first.path)
            drafted = rework.linked(before if first.end == "finish" else before.reversed(), drafted)
        if last and not closing:
            after = _open_path(state, last.path)
            drafted = rework.linked(drafted, after if last.end == "start" else after.reversed())
        if closing:
            drafted = rework.closed_up(drafted)
        # The path that stays keeps its direction, and so do the runs on it.
        turned = first.end == "start" if first else last.end == "finish"  # type: ignore[union-attr]
        keep_path(state, kept, drafted.reversed() if turned else drafted)
        state.update("path", kept, closed=closing)
        if first and last and not closing:
            state.remove("path", last.path)
        return f"Continue {name}"


def _open_path(state: State, path_id: str) -> Path:
    row = state.get("path", path_id)
    if row["closed"]:
        raise BadInput(f"{row['name']} is closed: it has no end to go on from.")
    return core_path(row)


class DeletePaths(BaseIntent):
    """Delete paths and the runs on them."""

    kind: Literal["delete-paths"]
    paths: Ids

    def apply(self, state: State) -> str:
        for path_id in self.paths:
            check_unlocked(state.get("path", path_id))
        names = [state.get("path", path_id)["name"] for path_id in self.paths]
        _let_go_of_lettering(state, set(self.paths))
        _check_whole_areas(state, set(self.paths))
        for path_id in self.paths:
            state.remove("path", path_id)
        return f"Delete {names[0]}" if len(names) == 1 else f"Delete {len(names)} paths"


def _let_go_of_lettering(state: State, paths: set[str]) -> None:
    """Delete the lettering that all of its letters are deleted of; some of them cannot go alone."""
    for lettering in {text for path_id in paths if (text := state.get("path", path_id)["lettering"])}:
        if {path["id"] for path in letters_of(state, lettering)} - paths:
            raise BadInput("These letters are part of a text. Change the text, or convert it to paths first.")
        state.remove("lettering", lettering)


def _check_whole_areas(state: State, paths: set[str]) -> None:
    """Some of an area's edges cannot be deleted alone."""
    for area in {of for path_id in paths if (of := state.get("path", path_id)["area"])}:
        if {path["id"] for path in edge_paths(state, area)} - paths:
            raise BadInput(
                "This is one edge of an area. Delete all of them, or convert the area to paths first."
            )


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


class SetGroup(BaseIntent):
    """Give a seam group a name or a mark colour."""

    kind: Literal["set-group"]
    group: Id
    name: Name | None = None
    mark: Annotated[str, Field(max_length=64)] | None = None

    def apply(self, state: State) -> str:
        values = {}
        if self.name is not None:
            values["name"] = self.name.strip() or "Group"
        if self.mark is not None:
            values["mark"] = read_colour(self.mark)
        state.update("group", self.group, **values)
        return f"Change the group {state.get('group', self.group)['name']}"


class ImportDrawing(BaseIntent):
    """Put the paths of a taken-in drawing on the sheet, in seam groups: each a name, a mark colour (None for
    the plain one) and its paths. Without `fills` only lines are taken. Of a drawing that is as large as the
    garment, `on_garment`, the paths are drawn at the sheet's scale."""

    kind: Literal["import-drawing"] = "import-drawing"
    title: Name
    groups: object
    fills: bool = True
    on_garment: bool = False

    def apply(self, state: State) -> str:
        # One element may make several contours: the key keeps them together, apart from others'.
        batch = new_id()
        taken: tuple[tuple[str, str | None, tuple[ImportedPath, ...]], ...] = self.groups  # type: ignore[assignment]
        for name, mark, lines in taken:
            group = add_group(state, name, mark or NEW_GROUP_MARK)
            for line in lines:
                facts = line.facts.model_dump(mode="json")
                facts["element"] = f"{batch}-{line.facts.element}"
                if not self.fills:
                    facts["fill"] = None
                path = _at_scale(line.path, state.scale.factor) if self.on_garment else line.path
                add_path(state, line.name, path, group, facts=facts)
        return f"Import {self.title}"


def _at_scale(path: Path, factor: float) -> Path:
    """A path that is as large as on the garment, as it is drawn on a sheet."""
    return rework.placed(path, factor * np.eye(2), (0.0, 0.0))
