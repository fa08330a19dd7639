"""Laying the runs of a sheet, cached by their content."""

from __future__ import annotations

from collections.abc import Iterable
from functools import lru_cache

import orjson

from curlet.core.drawing import Drawing, Group
from curlet.core.lay import LaidRun, lay
from curlet.core.lay.draw import draw_run
from curlet.core.measures import Scale
from curlet.core.path import Path
from curlet.core.tally import Tally, tally
from curlet.formats.as_drawn import DrawnPath, draw_as_drawn
from curlet.formats.brush_file import BrushDoc
from curlet.formats.path_doc import FactsDoc, NodeDoc, to_path
from curlet.formats.run_places import PlacesDoc
from curlet.store.commands import places_of, worn_brush
from curlet.store.state import Row, State


def path_of(row: Row) -> Path:
    """The core's path of a kept row."""
    return _path(orjson.dumps(row["nodes"]), row["closed"])


def lay_row(state: State, run: Row) -> tuple[LaidRun, Tally]:
    """A run as laid, with what is measured on it."""
    path = state.get("path", run["path"])
    brush, places = worn_brush(state, run), places_of(state, run["id"])
    return _laid(
        orjson.dumps(path["nodes"]),
        path["closed"],
        brush.model_dump_json(),
        state.scale,
        run["backwards"],
        places.model_dump_json(),
    )


def check_runs(state: State) -> None:
    """Lay every run that a draft's changes touch; what cannot be laid raises."""
    for run in touched_runs(state):
        lay_row(state, run)


def touched_runs(state: State) -> list[Row]:
    """The runs that changed, or whose path, brush or scale did."""
    changed = {(change.kind, change.id) for change in state.changes}
    if any(kind == "sheet" for kind, _ in changed):
        return state.all("run")
    return [
        run
        for run in state.all("run")
        if {("run", run["id"]), ("path", run["path"]), ("brush", run["brush"])} & changed
    ]


def run_group(state: State, run: Row) -> Group:
    """A run's part of the drawing."""
    path = state.get("path", run["path"])
    laid, _ = lay_row(state, run)
    return draw_run(laid, f"run-{run['id']}", f"{path['name']}, {laid.brush.name}")


def as_drawn(state: State) -> tuple[Group, ...]:
    """The paths' own lines and fills, for those that came with any."""
    dressed = {run["path"] for run in state.all("run") if run["shown"]}
    return draw_as_drawn(
        DrawnPath(row["id"], row["name"], path_of(row), FactsDoc(**row["facts"]), row["id"] in dressed)
        for row in state.all("path")
        if row["facts"]
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


@lru_cache(maxsize=512)
def _laid(
    nodes: bytes, closed: bool, brush: str, scale: Scale, backwards: bool, places: str
) -> tuple[LaidRun, Tally]:
    doc = BrushDoc.model_validate_json(brush)
    rule = PlacesDoc.model_validate_json(places).to_core(backwards=backwards)
    run = lay(_path(nodes, closed), doc.to_core(), scale, rule)
    return run, tally(run)
