"""Brushes of the Library in a sheet's state: put there, and named."""

from __future__ import annotations

from typing import Any

from curlet.store.names import unlike
from curlet.store.state import State, new_id


def free_name(state: State, name: str) -> str:
    """A name that no brush in the Library has."""
    return unlike(name, (brush["doc"]["name"] for brush in state.all("brush")))


def put_brush(state: State, doc: dict[str, Any]) -> str:
    """A new brush of the user's at the end of the Library; its id."""
    brush_id = new_id()
    place = {"position": state.next_position("brush"), "builtin": False, "removed": False}
    state.put("brush", {"id": brush_id, "doc": doc, "version": 1, **place})
    return brush_id
