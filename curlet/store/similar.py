"""Finding the paths of a kind: what a person would pick out by eye."""

from __future__ import annotations

from collections.abc import Callable
from typing import Any, Literal

from curlet.core.errors import BadInput
from curlet.core.measures import Measure, read_measure
from curlet.store.paths import core_path
from curlet.store.records import PathRecord
from curlet.store.runs import run_brush
from curlet.store.shades import shades_of
from curlet.store.state import State

By = Literal["group", "mark", "colour", "style", "brush", "shade", "thread", "length"]
_Trait = Callable[[State, PathRecord], Any]


def find_similar(state: State, path_id: str, by: By, within: str = "0 mm") -> list[str]:
    """The ids of the paths that are like one, itself first.

    Parameters
    ----------
    by : "group": the same seam group; "mark": groups of the same mark colour; "colour": the line colour it
        was drawn in; "style": its weight, dashes and ends; "brush": what it wears; "shade": the shades
        that its threads take; "thread": the colours of its threads; "length": as long,
        give or take `within`.
    within : an entered length on the garment.

    Raises
    ------
    BadInput
        If the path has nothing of the kind, as a bare one has no brush.
    """
    row = state.get("path", path_id)
    if by == "length":
        give = Measure(read_measure(within).value).drawn(state.scale)
        length = core_path(row).length
        return _first(path_id, [p for p in state.all("path") if abs(core_path(p).length - length) <= give])
    trait, missing = _TRAITS[by]
    own = trait(state, row)
    if not own:
        raise BadInput(missing)
    return _first(path_id, [path for path in state.all("path") if trait(state, path) == own])


def _first(path_id: str, rows: list[PathRecord]) -> list[str]:
    return [path_id, *(row["id"] for row in rows if row["id"] != path_id and not row["hidden"])]


def _mark(state: State, row: PathRecord) -> str | None:
    return state.get("group", row["group"])["mark"] if row["group"] else None


def _colour(_: State, row: PathRecord) -> str | None:
    colour: str | None = row["facts"].get("stroke") or row["facts"].get("fill")
    return colour


def _style(_: State, row: PathRecord) -> tuple[Any, ...] | None:
    facts = row["facts"]
    if not facts.get("stroke"):
        return None
    return (round(facts.get("weight", 0), 3), tuple(facts.get("dashes", ())), facts.get("ends"))


def _brushes(state: State, row: PathRecord) -> list[str]:
    return sorted(run["brush"] for run in state.runs_of(row["id"]))


def _shades(state: State, row: PathRecord) -> list[str]:
    return sorted({shade for run in state.runs_of(row["id"]) for shade in shades_of(state, "run", run)})


def _threads(state: State, row: PathRecord) -> list[tuple[str, ...]]:
    return sorted(run_brush(state, run).threads for run in state.runs_of(row["id"]))


_TRAITS: dict[str, tuple[_Trait, str]] = {
    "group": (lambda _, row: row["group"], "This path is in no seam group. Put it into one first."),
    "mark": (_mark, "This path is in no seam group, so it has no mark colour."),
    "colour": (_colour, "This path was not imported from a drawing, so it has no line colour."),
    "style": (_style, "This path was not imported from a drawing, so it has no line style."),
    "brush": (_brushes, "This path has no brush. Lay one on it first."),
    "shade": (_shades, "This path takes no shade of the card. Give its thread one first."),
    "thread": (_threads, "This path has no brush, so it has no thread. Lay one on it first."),
}
