"""A sheet's shade card: what its shades and its paths' colours are in the colourway that is shown, and where
they are used."""

from __future__ import annotations

from collections.abc import Iterator
from typing import Any

from curlet.core.dress.colour import read_colour
from curlet.core.errors import BadInput
from curlet.formats.pointer import patched
from curlet.formats.shade_refs import NEUTRAL, OF_PATH, is_ref, refs_in, replaced, shade_of, shade_ref
from curlet.store.records import Json, RunRecord, ShadeRecord, SingleRecord
from curlet.store.state import State

# What a column is called that may name shades, by the kind of its row.
NAMING = {"run": "own", "single": "own", "path": "fill", "sheet": "background_cloth"}


def shown_colourway(state: State) -> str:
    """The id of the colourway that is shown; "" where there is none."""
    ways = state.rows["colourway"]
    shown = state.sheet["colourway"]
    return shown if shown in ways else next((row["id"] for row in state.all("colourway")), "")


def colour_in(shade: ShadeRecord, colourway: str) -> str:
    """A shade's colour in a colourway."""
    colours = shade["colours"]
    return colours.get(colourway) or next(iter(colours.values()), NEUTRAL)


def shade_colours(state: State) -> dict[str, str]:
    """The colour of every shade in the colourway that is shown, by what stands for it."""
    shown = shown_colourway(state)
    return {shade_ref(row["id"]): colour_in(row, shown) for row in state.all("shade")}


def shade_named(state: State, name: str) -> ShadeRecord | None:
    """The shade of a name, whatever its letters' case; None where there is none."""
    wanted = name.strip().casefold()
    return next((row for row in state.all("shade") if row["name"].casefold() == wanted), None)


def path_colour(state: State, path_id: str) -> str | None:
    """The colour that a path has: its seam group's mark, or what it was drawn in."""
    path = state.get("path", path_id)
    facts = path["facts"]
    marked = state.get("group", path["group"])["mark"] if path["group"] else None
    for text in (marked, facts.get("stroke"), facts.get("fill")):
        try:
            if text:
                return read_colour(text)
        except BadInput:
            continue
    return None


def own_settings(state: State, row: RunRecord | SingleRecord) -> Json:
    """What a run or a single repeat sets for itself, with its shades' colours put in."""
    own = row["own"]
    if not any(True for _ in refs_in(own)):
        return own
    colours = _colours_for(state, row)
    # What stands for no colour any more leaves the brush's.
    kept = {key: value for key, value in own.items() if not is_ref(value) or value in colours}
    return {key: replaced(value, lambda ref: colours.get(ref, NEUTRAL)) for key, value in kept.items()}


def brush_document(state: State, row: RunRecord | SingleRecord) -> Json:
    """The document of a run's or a single repeat's brush; of a look, in this sheet's shades of its names."""
    doc = state.get("brush", row["brush"])["doc"]
    look = doc.get("look")
    if not look:
        return doc
    colours = _colours_for(state, row)
    named = {pointer: shade_named(state, name) for pointer, name in look.get("shades", {}).items()}
    put = {pointer: colours[shade_ref(shade["id"])] for pointer, shade in named.items() if shade}
    if OF_PATH in colours:
        put |= dict.fromkeys(look.get("of_path", ()), colours[OF_PATH])
    return patched(doc, put) if put else doc


def _colours_for(state: State, row: RunRecord | SingleRecord) -> dict[str, str]:
    colours = shade_colours(state)
    path: Any = row.get("path")
    own = path_colour(state, path) if path else None
    return {**colours, OF_PATH: own} if own else colours


def shades_of(state: State, kind: str, row: Any) -> set[str]:
    """The ids of the shades that a row uses, of itself or by its look."""
    if kind not in NAMING:
        return set()
    found = {shade for ref in refs_in(row[NAMING[kind]]) if (shade := shade_of(ref)) is not None}
    if kind in ("run", "single") and row["brush"] in state.rows["brush"]:
        look = state.get("brush", row["brush"])["doc"].get("look") or {}
        named = (shade_named(state, name) for name in look.get("shades", {}).values())
        found |= {shade["id"] for shade in named if shade}
    return found


def takes_path_colour(state: State, run: RunRecord) -> bool:
    """Whether a run takes its path's colour for a thread."""
    look = state.get("brush", run["brush"])["doc"].get("look") or {}
    return bool(look.get("of_path")) or OF_PATH in refs_in(run["own"])


def using(state: State, shade: str) -> Iterator[tuple[str, Json]]:
    """Every row of a sheet that uses a shade, with its kind."""
    for kind in NAMING:
        for row in state.rows[kind].values():
            if shade in shades_of(state, kind, row):
                yield kind, row
