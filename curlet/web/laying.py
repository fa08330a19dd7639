"""Laying the runs of a sheet, cached by their content."""

from __future__ import annotations

from collections.abc import Iterable, Iterator
from functools import lru_cache

import orjson

from curlet.core.drawing import Drawing, Group
from curlet.core.lay import LaidRun, Mate, RunRule, lay
from curlet.core.lay.draw import draw_run
from curlet.core.measures import Scale
from curlet.core.path import Path
from curlet.core.tally import Tally, tally
from curlet.formats.as_drawn import DrawnPath, draw_as_drawn
from curlet.formats.brush_file import BrushDoc
from curlet.formats.path_doc import FactsDoc, NodeDoc, to_path
from curlet.formats.run_places import PlacesDoc
from curlet.store.commands import places_of, worn_brush
from curlet.store.mates import mate_path, mate_run
from curlet.store.state import Row, State


def path_of(row: Row) -> Path:
    """The core's path of a kept row."""
    return _path(orjson.dumps(row["nodes"]), row["closed"])


def lay_row(state: State, run: Row) -> tuple[LaidRun, Tally]:
    """A run as laid, with what is measured on it."""
    mate = mate_run(state, run)
    along = (_along(state, run), _along(state, mate) if mate else None)
    return _laid(worn_brush(state, run).model_dump_json(), state.scale, *along)


def _along(state: State, run: Row) -> Along:
    path = state.get("path", run["path"])
    places = places_of(state, run["id"]).model_dump_json()
    return orjson.dumps(path["nodes"]), path["closed"], run["backwards"], places


def check_runs(state: State) -> None:
    """Lay every run that a draft's changes touch; what cannot be laid raises."""
    for run in touched_runs(state):
        lay_row(state, run)


def touched_runs(state: State) -> list[Row]:
    """The runs that changed, or whose path, brush or scale did."""
    changed = {(change.kind, change.id) for change in state.changes}
    if any(kind == "sheet" for kind, _ in changed):
        return state.all("run")
    touched = [run for run in state.all("run") if changed & _hangs_on(run)]
    return touched + [run for run in _mates(state, touched) if run not in touched]


def _hangs_on(run: Row) -> set[tuple[str, str]]:
    return {("run", run["id"]), ("path", run["path"]), ("brush", run["brush"])}


def _mates(state: State, runs: list[Row]) -> Iterator[Row]:
    """The other halves that share a stitch length with these, or did."""
    for run in runs:
        mate = mate_run(state, run)
        path = mate_path(state, state.get("path", run["path"]))
        yield from ([mate] if mate else state.runs_of(path["id"]) if path else [])


def run_group(state: State, run: Row) -> Group:
    """A run's part of the drawing."""
    path = state.get("path", run["path"])
    laid, _ = lay_row(state, run)
    return draw_run(laid, f"run-{run['id']}", f"{path['name']}, {laid.brush.name}")


def as_drawn(state: State) -> tuple[Group, ...]:
    """The paths' own lines and fills, for those that came with any."""
    dressed = {run["path"] for run in state.all("run") if state.seen(run)}
    return draw_as_drawn(
        DrawnPath(row["id"], row["name"], path_of(row), FactsDoc(**row["facts"]), row["id"] in dressed)
        for row in state.all("path")
        if row["facts"] and not row["hidden"]
    )


def sheet_drawing(state: State, *, with_lines: bool, runs: Iterable[Row]) -> Drawing:
    """The drawing that is sent out: lines as drawn if wanted, then the runs in order."""
    groups = as_drawn(state) if with_lines else ()
    laid = tuple(run_group(state, run) for run in runs)
    sheet = state.sheet
    return Drawing(sheet["width"], sheet["height"], (*groups, *laid), sheet["name"])


@lru_cache(maxsize=2048)
def _path(nodes: bytes, closed: bool) -> Path:
    return to_path([NodeDoc(**node) for node in orjson.loads(nodes)], closed)


# A path's nodes as JSON, whether it is closed, whether the run goes backwards, and its places as JSON.
Along = tuple[bytes, bool, bool, str]


@lru_cache(maxsize=512)
def _laid(brush: str, scale: Scale, along: Along, beside: Along | None) -> tuple[LaidRun, Tally]:
    doc = BrushDoc.model_validate_json(brush)
    mate = Mate(_path(*beside[:2]), _rule(beside)) if beside else None
    run = lay(_path(*along[:2]), doc.to_core(), scale, _rule(along, mate))
    return run, tally(run)


def _rule(along: Along, mate: Mate | None = None) -> RunRule:
    return PlacesDoc.model_validate_json(along[3]).to_core(backwards=along[2], mate=mate)
