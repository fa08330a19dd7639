"""Runs in a sheet's state: the brush and the places that each is laid by, and the other half of a garment."""

from __future__ import annotations

from curlet.core.brush import Brush
from curlet.formats.brush_file import BrushDoc, core_brush, read_content
from curlet.formats.content import Content
from curlet.formats.run_places import PlacesDoc
from curlet.store.names import other_half
from curlet.store.records import PathRecord, RunRecord
from curlet.store.state import State


def written_brush(state: State, run: RunRecord) -> Content:
    """What a run's brush is read from: its document and the run's own settings."""
    return Content((state.get("brush", run["brush"])["doc"], run["own"]))


def run_brush(state: State, run: RunRecord) -> BrushDoc:
    """A run's brush with the run's own settings, as a document."""
    return read_content(written_brush(state, run))


def laid_brush(state: State, run: RunRecord) -> Brush:
    """The same as the core has it."""
    return core_brush(written_brush(state, run))


def run_places(state: State, run_id: str) -> PlacesDoc:
    """What a run says of single places."""
    return PlacesDoc.model_validate(state.get("run", run_id)["places"])


def half_path(state: State, path: PathRecord) -> PathRecord | None:
    """The other half of a path, by its name: “Hem R” and “Hem L” of one seam group."""
    name = other_half(path["name"])
    if name is None:
        return None
    halves = [row for row in state.all("path") if row["name"] == name and row["group"] == path["group"]]
    return halves[0] if halves else None


def half_run(state: State, run: RunRecord) -> RunRecord | None:
    """The run along the other half that has the same brush with the same settings.

    None where no row of the brush shares its length between all legs.
    """
    if not laid_brush(state, run).shares_length:
        return None
    path = half_path(state, state.get("path", run["path"]))
    runs = state.runs_of(path["id"]) if path else []
    alike = [other for other in runs if other["brush"] == run["brush"] and other["own"] == run["own"]]
    return alike[0] if alike else None
