"""Putting a new path on the sheet."""

from __future__ import annotations

from typing import Any

from curlet.core.path.path import Path
from curlet.formats.names import ended
from curlet.formats.path_doc import node_rows
from curlet.store.state import State, new_id


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
        "cloth": {},
        "lettering": None,
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
