"""What a run, or a single repeat, sets for itself: read as it was entered, and kept beside its brush."""

from __future__ import annotations

from typing import Literal

from curlet.formats.brush_file import BrushDoc, read_brush
from curlet.formats.pointer import look_up, patched
from curlet.store.edits.settings import Entered, read_setting
from curlet.store.records import Json
from curlet.store.shades_entered import read_shades, takes_shades
from curlet.store.state import State

Kind = Literal["run", "single"]


def read_own(state: State, brush: BrushDoc, pointer: str, entered: Entered) -> Json:
    """The value to keep of what was entered, which may name shades of the sheet; raises as `read_setting`."""
    if isinstance(entered, str) and takes_shades(pointer):
        shades: Json = read_shades(state, brush, pointer, entered)
        return shades
    value: Json = read_setting(brush, pointer, entered, state.scale)
    return value


def keep_own(state: State, kind: Kind, row_id: str, pointer: str, value: object) -> None:
    """Keep a value with a row; one that says the same as the brush is not its own."""
    row = state.get(kind, row_id)
    above = next((key for key in row["own"] if pointer.startswith(f"{key}/")), None)
    if above is not None:
        # It lies in a larger setting that is the row's own already.
        whole = patched({"own": row["own"][above]}, {f"/own{pointer[len(above) :]}": value})["own"]
        return keep_own(state, kind, row_id, above, whole)
    brush = read_brush(state.get("brush", row["brush"])["doc"]).model_dump(mode="json")
    own = {k: kept for k, kept in row["own"].items() if k != pointer and not k.startswith(f"{pointer}/")}
    # A look's colour is a shade: the same colour by itself is another thing.
    if look_up(brush, pointer) != value or pointer in (brush["look"] or {}).get("shades", {}):
        own[pointer] = value
    state.update(kind, row_id, own=own)
    return None
