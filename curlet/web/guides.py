"""Guide pictures: imported from files, and shown."""

from __future__ import annotations

import base64

from flask import Response
from pydantic import BaseModel

from curlet.store.commands import AddGuide
from curlet.store.pictures import find_picture, keep_picture
from curlet.studio import imports
from curlet.studio.sheets import doing
from curlet.web.asking import gone
from curlet.web.fills import picture_name
from curlet.web.replies import FOR_EVER, Replies, file_of
from curlet.web.routes import Routes
from curlet.web.schemas import Counter, Problem, SheetUrl, Upload
from curlet.web.sheet_schemas import ChangedFrame
from curlet.web.shown import changed

guides = Routes("guides", __name__, url_prefix="/api")

_REPLIES: Replies = {200: ChangedFrame, 409: Problem, 413: Problem, 422: Problem}


class GuideFile(BaseModel):
    """A picture to lay under the paths, for the sheet as it was at `revision`."""

    revision: Counter
    file: Upload


class PictureUrl(BaseModel):
    picture_id: str


@guides.post("/sheets/<sheet_id>/guides", responses=_REPLIES)
def add(path: SheetUrl, form: GuideFile) -> Response:
    """Lay a picture under the paths."""
    guide = imports.guide(form.file.stream.read(), gone())
    picture = keep_picture(guide.png)
    title = picture_name(form.file.filename)
    intent = AddGuide(name=title, picture=picture, width=guide.width, height=guide.height)
    with doing(path.sheet_id, form.revision, intent) as state:
        return changed(state, form.revision)


@guides.get("/pictures/<picture_id>.png", responses={200: file_of("image/png")})
def picture(path: PictureUrl) -> Response:
    """A kept picture."""
    reply = Response(base64.b64decode(find_picture(path.picture_id)), content_type="image/png")
    # Its id is its content's hash.
    reply.headers["Cache-Control"] = FOR_EVER
    return reply
