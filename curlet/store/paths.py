"""Paths in a sheet's state: read as the core has them, put there, changed."""

from __future__ import annotations

from typing import Any

from curlet.core.errors import BadInput
from curlet.core.path.path import Path
from curlet.formats.content import content_of
from curlet.formats.names import ended
from curlet.formats.path_doc import node_rows, path_of_content
from curlet.store.records import PathRecord
from curlet.store.state import State, new_id


def core_path(row: PathRecord) -> Path:
    """The core's path of a kept row."""
    return path_of_content(content_of(row["nodes"]), row["closed"])


def keep_path(state: State, path_id: str, path: Path) -> None:
    """Keep an edited path; its nodes' handles hang together as they did, and it is no longer the figure
    that it may have been.

    Raises
    ------
    BadInput
        If the path is locked.
    """
    row = state.get("path", path_id)
    check_unlocked(row)
    if row.get("lettering"):
        raise BadInput("This is lettering: change its text and numbers, or convert it to paths first.")
    if row.get("area"):
        raise BadInput(
            "This is the edge of an area: change the shapes that it is made of, or convert it to paths first."
        )
    held = {node["id"]: node.get("handles") for node in row["nodes"]}
    nodes = [{**node, "handles": held.get(node["id"])} for node in node_rows(path)]
    state.update("path", path_id, nodes=nodes, figure={})


def check_unlocked(row: PathRecord) -> None:
    """Refuses what would change a locked path."""
    if row.get("locked"):
        raise BadInput(f"{row['name']} is locked, so its line stays as it is. Unlock it first.")


def add_path(state: State, name: str, path: Path, group: str | None = None, **values: Any) -> str:
    """A new path at the end of the sheet's list, in a seam group or in none; its id.

    Parameters
    ----------
    values : other columns of its row: `facts`, `figure`, `swell`.
    """
    if group is not None:
        state.get("group", group)
    row = {
        "id": new_id(),
        "sheet": state.sheet["id"],
        "group": group,
        "name": ended(name, ""),
        "closed": path.closed,
        "nodes": node_rows(path),
        "facts": {},
        "figure": {},
        "swell": [],
        "fill": {},
        "crop": {},
        "half": {},
        "lettering": None,
        "area": None,
        "part": "",
        "hidden": False,
        "locked": False,
        "position": state.next_position("path"),
        **values,
    }
    state.put("path", row)
    return str(row["id"])


def next_name(state: State, what: str) -> str:
    """“Path 12”: a name for a new path."""
    return f"{what} {len(state.rows['path']) + 1}"


def element_of(row: PathRecord) -> str:
    """What a path is drawn with: contours of one element of a drawing, or of one letter, make one shape."""
    if row["lettering"]:
        letter, _, _ = row["part"].rpartition(".")
        return f"text-{row['lettering']}-{letter}"
    return str(row["facts"].get("element") or row["id"])


def contours_of(state: State, row: PathRecord) -> list[PathRecord]:
    """The paths that make one shape with a path, itself among them."""
    element = element_of(row)
    if element == row["id"]:
        return [row]
    every = [path for path in state.all("path") if element_of(path) == element]
    return sorted(every, key=lambda path: path["position"])


def is_drawn(row: PathRecord) -> bool:
    """Whether a path has a line or a fill of its own."""
    return bool(row["facts"].get("stroke") or row["facts"].get("fill") or row["fill"])
