"""Laying the runs of a sheet, cached by their content."""

from __future__ import annotations

import zlib
from collections.abc import Callable, Iterable, Iterator
from functools import lru_cache
from typing import Any

import orjson

from curlet.core.drawing import Drawing, Group, Paint
from curlet.core.errors import CurletError
from curlet.core.lay import LaidRun, Mate, RunRule, lay
from curlet.core.lay.draw import draw_run
from curlet.core.lay.single import draw_single
from curlet.core.lay.size import check_sheet, points_of
from curlet.core.measures import Scale
from curlet.core.path import Path
from curlet.core.tally import Tally, tally
from curlet.formats.as_drawn import DrawnPath, draw_as_drawn
from curlet.formats.brush_file import BrushDoc, read_brush
from curlet.formats.cloth_doc import ClothDoc
from curlet.formats.path_doc import FactsDoc, path_of_json
from curlet.formats.run_places import PlacesDoc
from curlet.store.commands import places_of, worn_brush
from curlet.store.mates import mate_path, mate_run
from curlet.store.state import Row, State


def path_of(row: Row) -> Path:
    """The core's path of a kept row."""
    return path_of_json(orjson.dumps(row["nodes"]), row["closed"])


def lay_row(state: State, run: Row) -> tuple[LaidRun, Tally]:
    """A run as laid, with what is measured on it."""
    return _laid(*_asked(state, run))


def _asked(state: State, run: Row) -> Asked:
    mate = mate_run(state, run)
    along = (_along(state, run), _along(state, mate) if mate else None)
    return worn_brush(state, run).model_dump_json(), state.scale, *along


def _along(state: State, run: Row) -> Along:
    path = state.get("path", run["path"])
    places = places_of(state, run["id"])
    # Two paths dressed together do not sway alike, and each keeps its sway.
    own = (places.seed + zlib.crc32(run["path"].encode())) % 2**32
    kept = places.model_copy(update={"seed": own}).model_dump_json()
    return orjson.dumps(path["nodes"]), path["closed"], run["backwards"], kept


def check_runs(state: State) -> None:
    """Lay every run that a draft's changes touch; what cannot be laid raises."""
    touched = touched_runs(state)
    for run in touched:
        lay_row(state, run)
    if touched:
        check_sheet(sum(_points(*_asked(state, run)) for run in state.all("run")))


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


def element_of(row: Row) -> str:
    """What a path is drawn with: the contours of one element of a drawing make one shape."""
    return str(row["facts"].get("element") or row["id"])


def as_drawn(state: State, only: set[str] | None = None) -> tuple[Group, ...]:
    """The paths' own lines and fills, for those that came with any; of all elements or only of some."""
    dressed = {run["path"] for run in state.all("run") if state.seen(run)}
    return draw_as_drawn(
        DrawnPath(
            row["id"],
            row["name"],
            path_of(row),
            FactsDoc(**row["facts"]),
            row["id"] in dressed,
            cloth_paint(row["cloth"], state.scale.factor),
        )
        for row in state.all("path")
        if (row["facts"] or row["cloth"]) and not row["hidden"] and (only is None or element_of(row) in only)
    )


def cloth_paint(doc: Row, factor: float) -> Paint | None:
    """A kept cloth as a paint; the same object for the same cloth, so that it is drawn once."""
    return _cloth(orjson.dumps(doc), factor) if doc else None


@lru_cache(maxsize=256)
def _cloth(doc: bytes, factor: float) -> Paint:
    return ClothDoc.model_validate_json(doc).to_core().paint(factor)


def ground_paint(state: State) -> Paint | None:
    """The cloth behind everything; None where the ground is plain."""
    sheet = state.sheet
    return cloth_paint(sheet["ground_cloth"], state.scale.factor) if sheet["ground"] == "cloth" else None


def single_group(state: State, row: Row) -> Group:
    """A single repeat's part of the drawing."""
    doc = orjson.dumps(state.get("brush", row["brush"])["doc"])
    return _single(doc, state.scale, (row["x"], row["y"]), row["turn"], row["size"], row["id"])


@lru_cache(maxsize=1024)
def _single(doc: bytes, scale: Scale, at: tuple[float, float], turn: float, size: float, name: str) -> Group:
    brush = read_brush(orjson.loads(doc)).to_core()
    return draw_single(brush, scale, at, turn, size, f"single-{name}")


def _drawn(draw: Callable[[State, Row], Group], state: State, row: Row) -> list[Group]:
    """What a row draws; one that cannot be drawn says so on the Table, and keeps no other from being so."""
    try:
        return [draw(state, row)]
    except CurletError:
        return []


def sheet_drawing(state: State, *, with_lines: bool, runs: Iterable[Row], singles: bool = True) -> Drawing:
    """The drawing that is sent out: lines and cloths if wanted, the runs in order, single repeats on top."""
    groups = as_drawn(state) if with_lines else ()
    laid = tuple(group for run in runs for group in _drawn(run_group, state, run))
    loose = tuple(g for row in state.all("single") for g in _drawn(single_group, state, row) if singles)
    sheet = state.sheet
    return Drawing(sheet["width"], sheet["height"], (*groups, *laid, *loose), sheet["name"])


# A path's nodes as JSON, whether it is closed, whether the run goes backwards, and its places as JSON.
Along = tuple[bytes, bool, bool, str]
# What a run is laid of: its brush as JSON, the scale, its path and its mate's.
Asked = tuple[str, Scale, Along, Along | None]


@lru_cache(maxsize=512)
def _laid(brush: str, scale: Scale, along: Along, beside: Along | None) -> tuple[LaidRun, Tally]:
    doc = BrushDoc.model_validate_json(brush)
    mate = Mate(path_of_json(*beside[:2]), _rule(beside)) if beside else None
    run = lay(path_of_json(*along[:2]), doc.to_core(), scale, _rule(along, mate))
    points_of(run)
    return run, tally(run)


@lru_cache(maxsize=16_384)
def _points(*asked: Any) -> int:
    """About how many points a run draws; none where it cannot be laid, which it says itself."""
    try:
        return points_of(_laid(*asked)[0])
    except CurletError:
        return 0


def _rule(along: Along, mate: Mate | None = None) -> RunRule:
    return PlacesDoc.model_validate_json(along[3]).to_core(backwards=along[2], mate=mate)
