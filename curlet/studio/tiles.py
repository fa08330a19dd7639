"""A run's brush as a seamless tile and as textures, made in a process of its own."""

from __future__ import annotations

from dataclasses import dataclass

from curlet.core.brush import Brush
from curlet.core.texture import tile_of
from curlet.formats.textures import MAX_OF_SET, TileSize, texture_set, tile_png, tile_size, zipped
from curlet.store.runs import laid_brush
from curlet.store.state import State
from curlet.studio.worker import EXPORTING, Stop, never, run


@dataclass(frozen=True)
class TileAsked:
    """How a tile is made: about how large its texels are, mm; from one row to the next, mm, None for a tile
    that repeats along itself only; and whether it is lit, where it is no texture set."""

    texel: float
    spacing: float | None = None
    lit: bool = True


@dataclass(frozen=True)
class TileFacts:
    """What a tile comes to: its size, mm, its pixels, and what of the brush is not in it."""

    width: float
    height: float
    size: TileSize
    notes: tuple[str, ...]


def facts_of(state: State, run_id: str, asked: TileAsked, *, of_set: bool) -> TileFacts:
    """What a run's tile comes to; raises as `tile_of` and `tile_size`."""
    tile = tile_of(_brush(state, run_id), asked.spacing)
    size = tile_size(tile, asked.texel, MAX_OF_SET) if of_set else tile_size(tile, asked.texel)
    return TileFacts(tile.width, tile.height, size, tile.notes)


def tile(state: State, run_id: str, asked: TileAsked, stop: Stop = never) -> bytes:
    """A PNG of a run's brush that repeats; raises as `tile_of`, `tile_size` and `run`."""
    return run(_tile, _brush(state, run_id), asked, bounds=EXPORTING, stop=stop)


def textures(state: State, run_id: str, asked: TileAsked, stop: Stop = never) -> bytes:
    """A zip of a texture set of a run's brush; raises as `tile`."""
    return run(_textures, _brush(state, run_id), asked, bounds=EXPORTING, stop=stop)


def _brush(state: State, run_id: str) -> Brush:
    return laid_brush(state, state.get("run", run_id))


def _tile(brush: Brush, asked: TileAsked) -> bytes:
    return tile_png(tile_of(brush, asked.spacing), asked.texel, relief=asked.lit)


def _textures(brush: Brush, asked: TileAsked) -> bytes:
    return zipped(texture_set(tile_of(brush, asked.spacing), asked.texel))
