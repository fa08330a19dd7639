"""A run's brush as a seamless tile and as textures, on a cloth of its sheet or on nothing; made in a process
of its own."""

from __future__ import annotations

from dataclasses import dataclass

from curlet.core.brush import Brush
from curlet.core.dress.cloth import WEAVES, Cloth
from curlet.core.texture import tile_of
from curlet.formats.cloth_doc import ClothDoc, painted_cloth
from curlet.formats.textures import MAX_OF_SET, TileSize, texture_set, tile_png, tile_size, zipped
from curlet.store.errors import Missing
from curlet.store.runs import laid_brush
from curlet.store.shades import shade_colours
from curlet.store.state import State
from curlet.studio.worker import EXPORTING, Stop, never, run

# What the whole sheet lies on, as a cloth that is asked for.
BACKGROUND = "background"
# A brush, its rows' spacing and the cloth under it, as `tile_of` takes them.
Made = tuple[Brush, float | None, Cloth | None]


@dataclass(frozen=True)
class TileAsked:
    """How a tile is made: about how large its texels are, mm; from one row to the next, mm, None for a tile
    that repeats along itself only; whether it is lit, where it is no texture set; and the cloth under it, by
    the id of a path that it fills or as `BACKGROUND`, or ""."""

    texel: float
    spacing: float | None = None
    lit: bool = True
    cloth: str = ""


@dataclass(frozen=True)
class ClothOffered:
    """A cloth that a tile can lie on: what it is asked for by, and its name."""

    id: str
    name: str


@dataclass(frozen=True)
class TileFacts:
    """What a tile comes to: its size, mm, its pixels, and what of the brush is not in it."""

    width: float
    height: float
    size: TileSize
    notes: tuple[str, ...]


def facts_of(state: State, run_id: str, asked: TileAsked, *, of_set: bool) -> TileFacts:
    """What a run's tile comes to; raises as `tile_of` and `tile_size`."""
    tile = tile_of(*_made_of(state, run_id, asked))
    size = tile_size(tile, asked.texel, MAX_OF_SET) if of_set else tile_size(tile, asked.texel)
    return TileFacts(tile.width, tile.height, size, tile.notes)


def tile(state: State, run_id: str, asked: TileAsked, stop: Stop = never) -> bytes:
    """A PNG of a run's brush that repeats; raises as `tile_of`, `tile_size` and `run`."""
    return run(_tile, _made_of(state, run_id, asked), asked, bounds=EXPORTING, stop=stop)


def textures(state: State, run_id: str, asked: TileAsked, stop: Stop = never) -> bytes:
    """A zip of a texture set of a run's brush; raises as `tile`."""
    return run(_textures, _made_of(state, run_id, asked), asked, bounds=EXPORTING, stop=stop)


def cloths(state: State) -> list[ClothOffered]:
    """The cloths of a sheet, each once, by the first that it fills."""
    first: dict[Cloth, str] = {}
    for id, cloth in _cloths(state).items():
        first.setdefault(cloth, id)
    return [
        ClothOffered(id, f"{WEAVES[cloth.weave].name}, {_filled(state, id)}") for cloth, id in first.items()
    ]


def _cloths(state: State) -> dict[str, Cloth]:
    """What the sheet lies on, if that is a cloth, and what fills its paths."""
    sheet = state.sheet
    docs = {BACKGROUND: sheet["background_cloth"] if sheet["background"] == "cloth" else {}}
    docs |= {path["id"]: path["fill"] for path in state.all("path") if path["fill"].get("kind") == "cloth"}
    colours = shade_colours(state)
    return {
        id: painted_cloth(ClothDoc.model_validate(doc), colours).to_core() for id, doc in docs.items() if doc
    }


def _filled(state: State, id: str) -> str:
    return "the background" if id == BACKGROUND else state.get("path", id)["name"]


def _made_of(state: State, run_id: str, asked: TileAsked) -> Made:
    brush = laid_brush(state, state.get("run", run_id))
    return brush, asked.spacing, _cloth(state, asked.cloth) if asked.cloth else None


def _cloth(state: State, id: str) -> Cloth:
    found = _cloths(state).get(id)
    if found is None:
        raise Missing("There is no such cloth on this sheet any more. Choose another.")
    return found


def _tile(made: Made, asked: TileAsked) -> bytes:
    return tile_png(tile_of(*made), asked.texel, relief=asked.lit)


def _textures(made: Made, asked: TileAsked) -> bytes:
    return zipped(texture_set(tile_of(*made), asked.texel))
