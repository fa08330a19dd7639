"""Runs in a sheet's state: the brush and the places that each is laid by, and the other half of a garment."""

from __future__ import annotations

from curlet.core.brush import Brush
from curlet.formats.brush_file import BrushDoc, core_brush, read_content
from curlet.formats.content import Content
from curlet.formats.run_places import PlacesDoc
from curlet.store.names import other_half
from curlet.store.records import Json, PathRecord, RunRecord, SingleRecord
from curlet.store.shades import brush_document, own_settings
from curlet.store.state import State, new_id


def written_brush(state: State, run: RunRecord | SingleRecord) -> Content:
    """What the brush of a run or of a single repeat is read from: its document and what is set beside it."""
    return Content((brush_document(state, run), own_settings(state, run)))


def run_brush(state: State, run: RunRecord | SingleRecord) -> BrushDoc:
    """A run's brush with the run's own settings, as a document."""
    return read_content(written_brush(state, run))


def laid_brush(state: State, run: RunRecord) -> Brush:
    """The same as the core has it."""
    return core_brush(written_brush(state, run))


def run_places(state: State, run_id: str) -> PlacesDoc:
    """What a run says of single places."""
    return PlacesDoc.model_validate(state.get("run", run_id)["places"])


def lay_on(state: State, path_id: str, brush: str, own: Json, *, another: bool = False) -> str:
    """Lay a brush along a path with settings of the run's own; the run's id. A path that has a run changes to
    it and keeps none of its own settings, or has one more with `another`."""
    path = state.get("path", path_id)
    kept = {**swell_of(path, state.get("brush", brush)["doc"]), **own}
    runs = state.runs_of(path_id)
    if runs and not another:
        state.update("run", runs[-1]["id"], brush=brush, own=kept)
        return runs[-1]["id"]
    run = {
        "id": new_id(),
        "sheet": state.sheet["id"],
        "path": path_id,
        "brush": brush,
        "own": kept,
        "backwards": False,
        "places": {},
        "crop": state.get("path", path_id)["crop"],
        "shown": True,
        "position": state.next_position("run"),
    }
    state.put("run", run)
    return str(run["id"])


def swell_of(path: PathRecord, brush: Json) -> Json:
    """What a run keeps for itself of the pressure that its path was drawn with: each course's swell."""
    if not path["swell"]:
        return {}
    return {f"/courses/{i}/swell": path["swell"] for i in range(len(brush["courses"]))}


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
