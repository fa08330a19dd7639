"""What follows from a change: live halves, text along paths, and areas are made anew, and pictures go with
their shapes."""

from __future__ import annotations

from curlet.store.areas import follow_areas
from curlet.store.crops import follow_crops
from curlet.store.fills import follow_shapes
from curlet.store.halves import follow_halves
from curlet.store.lettering import follow_paths
from curlet.store.state import State

# What hangs on something may have something else hang on it: text on an area's edge, an area of a half of an
# area's edge. So often it is looked at again at the most.
_ROUNDS = 4


def follow(state: State) -> None:
    """Make anew what hangs on what a state's changes changed."""
    for _ in range(_ROUNDS):
        done = len(state.changes)
        follow_shapes(state)
        follow_halves(state)
        follow_paths(state)
        follow_areas(state)
        follow_crops(state)
        if len(state.changes) == done:
            break
