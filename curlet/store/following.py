"""What follows from a change: text along paths, and areas, are made anew, and pictures go with
their shapes."""

from __future__ import annotations

from curlet.store.areas import follow_areas
from curlet.store.crops import follow_crops
from curlet.store.fills import follow_shapes
from curlet.store.lettering import follow_paths
from curlet.store.state import State


def follow(state: State) -> None:
    """Make anew what hangs on what a state's changes changed."""
    follow_paths(state)
    follow_areas(state)
    follow_crops(state)
    # Text may stand on the edge of an area.
    if any(change.kind == "area" for change in state.changes) or state.rows["area"]:
        follow_paths(state)
    follow_shapes(state)
