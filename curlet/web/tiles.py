"""A run's brush as a seamless tile, and as textures for 3-D cloth."""

from __future__ import annotations

from dataclasses import asdict
from typing import Annotated

from flask import Response
from pydantic import BaseModel, Field

from curlet.core.measures import read_measure
from curlet.formats.several import ZIP_TYPE
from curlet.store import journal
from curlet.store.state import State
from curlet.studio import tiles as service
from curlet.studio.tiles import TileAsked
from curlet.web.asking import gone
from curlet.web.replies import Replies, file_of, file_reply, json_reply
from curlet.web.routes import Routes
from curlet.web.schemas import Problem, SheetUrl
from curlet.web.sheet_frames import number_text

tiles = Routes("tiles", __name__, url_prefix="/api")

_REPLIES: Replies = {404: Problem, 413: Problem, 422: Problem}
Entered = Annotated[str, Field(max_length=64)]


class TileUrl(SheetUrl):
    run_id: str


class TileQuery(BaseModel):
    """A tile's texel, and its rows' spacing for one that repeats downward too, as they are entered, on the
    garment; whether it is lit; and the cloth under it, by the id of one of `cloths`."""

    texel: Entered = "0.1 mm"
    spacing: Entered = ""
    lit: bool = True
    cloth: Annotated[str, Field(max_length=64)] = ""

    @property
    def asked(self) -> TileAsked:
        spacing = read_measure(self.spacing).value if self.spacing.strip() else None
        return TileAsked(read_measure(self.texel).value, spacing, self.lit, self.cloth)


class TileFactsQuery(TileQuery):
    textures: bool = False


class ClothOfTile(BaseModel):
    id: str
    name: str


class TileShown(BaseModel):
    """What a tile comes to: mm, pixels, a texel each way in mm, the numbers as they can be entered again,
    what of the brush is not in it, and the cloths that it can lie on."""

    width: float
    height: float
    across: int
    down: int
    texel: tuple[float, float]
    entered: dict[str, str]
    notes: list[str]
    cloths: list[ClothOfTile]


@tiles.get("/sheets/<sheet_id>/runs/<run_id>/tile.json", responses={200: TileShown, **_REPLIES})
def facts(path: TileUrl, query: TileFactsQuery) -> Response:
    """What a tile would come to."""
    asked = query.asked
    state = journal.find_sheet(path.sheet_id)
    found = service.facts_of(state, path.run_id, asked, of_set=query.textures)
    entered = {"texel": number_text(asked.texel, "length", 1.0)}
    if asked.spacing is not None:
        entered["spacing"] = number_text(asked.spacing, "length", 1.0)
    size = found.size
    return json_reply(
        {
            "width": found.width,
            "height": found.height,
            "across": size.across,
            "down": size.down,
            "texel": [size.along_mm, size.down_mm],
            "entered": entered,
            "notes": list(found.notes),
            "cloths": [asdict(cloth) for cloth in service.cloths(state)],
        }
    )


@tiles.get("/sheets/<sheet_id>/runs/<run_id>/tile.png", responses={200: file_of("image/png"), **_REPLIES})
def tile(path: TileUrl, query: TileQuery) -> Response:
    """A tile that repeats without a seam."""
    state = journal.find_sheet(path.sheet_id)
    data = service.tile(state, path.run_id, query.asked, gone())
    return file_reply(data, "image/png", f"{_title(state, path.run_id)}, tile.png")


@tiles.get("/sheets/<sheet_id>/runs/<run_id>/textures.zip", responses={200: file_of(ZIP_TYPE), **_REPLIES})
def textures(path: TileUrl, query: TileQuery) -> Response:
    """Colour, height, normals and roughness of such a tile."""
    state = journal.find_sheet(path.sheet_id)
    data = service.textures(state, path.run_id, query.asked, gone())
    return file_reply(data, ZIP_TYPE, f"{_title(state, path.run_id)}, textures.zip")


def _title(state: State, run_id: str) -> str:
    return str(state.get("brush", state.get("run", run_id)["brush"])["doc"]["name"])
