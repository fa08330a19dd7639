"""What a step took away from what is said of single places of runs: it is told, and waits for them."""

from __future__ import annotations

from collections.abc import Iterator

from curlet.formats.run_places import PlacesDoc
from curlet.store.records import Json
from curlet.store.runs import run_places
from curlet.store.state import State


def lost_places(state: State) -> tuple[str, ...]:
    """In words, for each path that lost nodes at which something is set by hand, as an area's edge does where
    its shapes no longer cross."""
    before = {change.id: change.before for change in reversed(state.changes) if change.kind == "path"}
    return tuple(words for path_id, was in before.items() if was for words in _lost(state, path_id, was))


def _lost(state: State, path_id: str, was: Json) -> Iterator[str]:
    now = state.rows["path"].get(path_id)
    if now is None or was["nodes"] is now["nodes"]:
        return
    gone = {node["id"] for node in was["nodes"]} - {node["id"] for node in now["nodes"]}
    if not gone:
        return
    lost = {node for run in state.runs_of(path_id) for node in _named(run_places(state, run["id"]))} & gone
    if lost:
        count = "a corner or leg" if len(lost) == 1 else f"{len(lost)} corners and legs"
        yield (
            f"{now['name']}: what was set by hand at {count} is put aside, as "
            f"{'its node is' if len(lost) == 1 else 'their nodes are'} gone. It comes back with "
            f"{'it' if len(lost) == 1 else 'them'}."
        )


def _named(places: PlacesDoc) -> set[str]:
    """The nodes at which something is set."""
    return {*places.corners, *places.counts, *(one.node for one in places.repeats)}
