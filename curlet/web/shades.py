"""The shade card's files, and colours picked from the sheet or of a guide picture."""

from __future__ import annotations

import base64

from flask import Response
from pydantic import BaseModel, Field

from curlet.formats.card_file import CardFile, CardShade
from curlet.formats.card_formats import CARD_FORMATS, OF_PICTURE
from curlet.formats.choices import CardName
from curlet.store import journal
from curlet.store.commands import ImportShades, NewShade
from curlet.store.pictures import find_picture
from curlet.store.shades import colour_in
from curlet.studio import imports
from curlet.studio.picked import picked
from curlet.studio.sheets import doing
from curlet.web.asking import gone
from curlet.web.replies import Replies, file_of, file_reply, json_reply
from curlet.web.routes import Routes
from curlet.web.schemas import Counter, Problem, SheetUrl, Upload
from curlet.web.sheet_schemas import ChangedFrame
from curlet.web.shown import changed

shades = Routes("shades", __name__, url_prefix="/api")

_REPLIES: Replies = {200: ChangedFrame, 404: Problem, 409: Problem, 413: Problem, 422: Problem}
_FILES = file_of(*(form.type for form in CARD_FORMATS.values()))


class ShadeFile(BaseModel):
    """A file of shades, or a picture, for the sheet as it was at `revision`."""

    revision: Counter
    file: Upload


class OfGuide(BaseModel):
    """How many colours are taken of a guide picture, for the sheet as it was at `revision`."""

    revision: Counter
    count: int = Field(default=OF_PICTURE, ge=1, le=24)


class GuideUrl(SheetUrl):
    guide_id: str


class CardUrl(SheetUrl):
    form: CardName


class PickedAt(BaseModel):
    """A place on the sheet, mm."""

    x: float = Field(ge=-1e6, le=1e6)
    y: float = Field(ge=-1e6, le=1e6)


class Picked(BaseModel):
    colour: str


@shades.post("/sheets/<sheet_id>/shades", responses=_REPLIES)
def bring(path: SheetUrl, form: ShadeFile) -> Response:
    """Put the shades of a file on the card."""
    card = imports.shade_card(form.file.filename or "", form.file.stream.read(), gone())
    return _put(path.sheet_id, form.revision, card)


@shades.post("/sheets/<sheet_id>/guides/<guide_id>/shades", responses=_REPLIES)
def of_guide(path: GuideUrl, body: OfGuide) -> Response:
    """Make shades of the colours that a guide picture is mostly of."""
    guide = journal.find_sheet(path.sheet_id).get("guide", path.guide_id)
    picture = base64.b64decode(find_picture(guide["picture"]))
    return _put(path.sheet_id, body.revision, imports.picture_colours(picture, body.count, gone()))


@shades.get("/sheets/<sheet_id>/shades.<form>", responses={200: _FILES, 404: Problem})
def file(path: CardUrl) -> Response:
    """The shade card as a file, in all colourways."""
    state = journal.find_sheet(path.sheet_id)
    ways = {row["id"]: row["name"] for row in state.all("colourway")}
    every = [
        CardShade(row["name"], {name: colour_in(row, way) for way, name in ways.items()})
        for row in state.all("shade")
    ]
    form = CARD_FORMATS[path.form]
    return file_reply(form.write(every), form.type, f"{state.sheet['name']} shades.{path.form}")


@shades.get("/sheets/<sheet_id>/colour", responses={200: Picked, 404: Problem, 422: Problem})
def colour(path: SheetUrl, query: PickedAt) -> Response:
    """The colour at a place on the sheet, of what is drawn, of a guide picture or of the background."""
    return json_reply({"colour": picked(journal.find_sheet(path.sheet_id), (query.x, query.y))})


def _put(sheet_id: str, revision: int, card: CardFile) -> Response:
    new = [NewShade(name=shade.name, colours=shade.colours) for shade in card.shades]
    with doing(sheet_id, revision, ImportShades(shades=new)) as state:
        return changed(state, revision, card.notes)
