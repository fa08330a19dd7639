"""The runs of a sheet as laid, each laid once for the same brush, path and places."""

from __future__ import annotations

import zlib
from dataclasses import dataclass, replace
from functools import lru_cache
from threading import Condition

from cachetools import LRUCache, cached

from curlet.core.area.parts import Part
from curlet.core.area.silhouette import silhouette
from curlet.core.drawing import Group, Item, Laid, Picture
from curlet.core.dress.relief import Light, Relief
from curlet.core.errors import CurletError
from curlet.core.lay import LaidRun, OtherHalf, RunRule, lay
from curlet.core.lay.draw import draw_run
from curlet.core.lay.size import points_of
from curlet.core.measures import Scale
from curlet.core.tally import Tally, tally
from curlet.formats.brush_file import core_brush
from curlet.formats.content import Content
from curlet.formats.path_doc import path_of_content
from curlet.formats.run_places import PlacesDoc
from curlet.store.records import RunRecord
from curlet.store.runs import half_run, written_brush
from curlet.store.state import State

# How far a silhouette's polygons may lie from its curves, sheet mm.
_FINE = 0.005
# Drawings are kept up to so many bytes; what a shape takes besides its points.
_MAX_DRAWN, _SHAPE = 64_000_000, 1_000


@dataclass(frozen=True)
class _Along:
    """A path as a run goes along it; no two paths of a sheet sway alike, and each keeps its sway."""

    nodes: Content
    closed: bool
    backwards: bool
    places: Content
    path: str

    def rule(self, half: OtherHalf | None = None) -> RunRule:
        rule = PlacesDoc.model_validate(self.places.value).to_core(backwards=self.backwards, other_half=half)
        return replace(rule, seed=(rule.seed + zlib.crc32(self.path.encode())) % 2**32)


@dataclass(frozen=True)
class _Asked:
    """What a run is laid of: its brush, the scale, its path and that of its other half."""

    brush: Content
    scale: Scale
    along: _Along
    half: _Along | None


def lay_row(state: State, run: RunRecord) -> tuple[LaidRun, Tally]:
    """A run as laid, with what is measured on it; raises CurletError where it cannot be laid."""
    return _laid(_asked(state, run))


def draw_row(state: State, run: RunRecord) -> Group:
    """A run's part of the drawing, uncropped."""
    return _drawn(_asked(state, run), f"run-{run['id']}", state.get("path", run["path"])["name"], state.light)


def silhouette_of(state: State, run: RunRecord) -> Part:
    """What a run covers; raises CurletError where it cannot be laid, or is of too many pieces."""
    return _silhouette(_asked(state, run))


def points_drawn(state: State, run: RunRecord) -> int:
    """About how many points a run draws; none where it cannot be laid, which it says itself."""
    return _points(_asked(state, run))


def _asked(state: State, run: RunRecord) -> _Asked:
    half = half_run(state, run)
    along = _along(state, run), _along(state, half) if half else None
    return _Asked(written_brush(state, run), state.scale, *along)


def _along(state: State, run: RunRecord) -> _Along:
    path = state.get("path", run["path"])
    nodes, places = Content(path["nodes"]), Content(run["places"])
    return _Along(nodes, path["closed"], run["backwards"], places, path["id"])


@lru_cache(maxsize=512)
def _laid(asked: _Asked) -> tuple[LaidRun, Tally]:
    along, half = asked.along, asked.half
    other = OtherHalf(path_of_content(half.nodes, half.closed), half.rule()) if half else None
    path = path_of_content(along.nodes, along.closed)
    run = lay(path, core_brush(asked.brush), asked.scale, along.rule(other))
    points_of(run)
    return run, tally(run)


def _size(item: Group | Item) -> int:
    """About how many bytes a drawing holds."""
    if isinstance(item, Group):
        return sum(map(_size, item.items))
    stamped = 0 if isinstance(item, Laid) else item.placements.nbytes
    if isinstance(item, Picture):
        return stamped + len(item.png)
    return stamped + sum(_SHAPE + shape.outline.points.nbytes for shape in item.shapes)


@cached(LRUCache(_MAX_DRAWN, getsizeof=_size), condition=Condition())
def _drawn(asked: _Asked, group_id: str, path: str, light: Light) -> Group:
    laid, _ = _laid(asked)
    return draw_run(laid, group_id, f"{path}, {laid.brush.name}", light=light)


@lru_cache(maxsize=64)
def _silhouette(asked: _Asked) -> Part:
    run, _ = _laid(asked)
    # What it covers does not hang on how it is lit.
    flat = replace(run, brush=replace(run.brush, relief=Relief()))
    return silhouette(draw_run(flat, "run", "").items, _FINE)


@lru_cache(maxsize=16_384)
def _points(asked: _Asked) -> int:
    try:
        return points_of(_laid(asked)[0])
    except CurletError:
        return 0
