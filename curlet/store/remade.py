"""Areas made anew outside of a step: after a brush that they are made of changed elsewhere."""

from __future__ import annotations

from collections.abc import Iterable

from curlet.store.areas import remake
from curlet.store.lettering import follow_paths
from curlet.store.models import Area
from curlet.store.rows import write_changes
from curlet.store.state import Change, load_state


def remake_areas(sheets: Iterable[str]) -> None:
    """Make the areas of some sheets anew."""
    for sheet_id in sheets:
        remade_areas(sheet_id)


def remade_areas(sheet_id: str) -> list[Change]:
    """Make a sheet's areas anew, and the text along their edges; what that changed. One that would be left
    with nothing stays as it was."""
    if not Area.select().where(Area.sheet == sheet_id).exists():
        return []
    state = load_state(sheet_id)
    remake(state)
    follow_paths(state)
    write_changes(state.changes)
    return state.changes
