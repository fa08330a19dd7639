"""Mirrored halves of a garment: “Hem R” and “Hem L” of one seam group."""

from __future__ import annotations

from curlet.store.commands import worn_brush
from curlet.store.names import other_half
from curlet.store.state import Row, State


def mate_path(state: State, path: Row) -> Row | None:
    """The other half of a path, by its name."""
    name = other_half(path["name"])
    if name is None:
        return None
    halves = [row for row in state.all("path") if row["name"] == name and row["group"] == path["group"]]
    return halves[0] if halves else None


def mate_run(state: State, run: Row) -> Row | None:
    """The run along the other half that wears the same brush with the same settings.

    None where no row of the brush shares its length between all legs.
    """
    brush = worn_brush(state, run)
    if not any(course.course == "row" and course.fit.shared for course in brush.courses):
        return None
    path = mate_path(state, state.get("path", run["path"]))
    runs = state.runs_of(path["id"]) if path else []
    alike = [other for other in runs if other["brush"] == run["brush"] and other["own"] == run["own"]]
    return alike[0] if alike else None
