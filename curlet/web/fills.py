"""Pictures from files inside closed paths."""

from __future__ import annotations

from flask import Response
from pydantic import BaseModel

from curlet.formats.names import ended
from curlet.store.commands import FillWithPicture
from curlet.store.commands.intent import Ids
from curlet.store.pictures import keep_picture
from curlet.studio import imports
from curlet.studio.sheets import doing
from curlet.web.asking import gone
from curlet.web.replies import Replies
from curlet.web.routes import Routes
from curlet.web.schemas import Counter, Problem, SheetUrl, Upload
from curlet.web.sheet_schemas import ChangedFrame
from curlet.web.shown import changed

fills = Routes("fills", __name__, url_prefix="/api")

_REPLIES: Replies = {200: ChangedFrame, 404: Problem, 409: Problem, 413: Problem, 422: Problem}


class PictureFile(BaseModel):
    """A picture to fill closed paths with, for the sheet as it was at `revision`."""

    revision: Counter
    paths: Ids
    file: Upload


@fills.post("/sheets/<sheet_id>/picture-fills", responses=_REPLIES)
def fill(path: SheetUrl, form: PictureFile) -> Response:
    """Fill closed paths with a picture, as small as it covers each."""
    picture = imports.guide(form.file.stream.read(), gone())
    intent = FillWithPicture(
        paths=form.paths,
        picture=keep_picture(picture.png),
        name=picture_name(form.file.filename),
        width=picture.width,
        height=picture.height,
    )
    with doing(path.sheet_id, form.revision, intent) as state:
        return changed(state, form.revision)


def picture_name(file: str | None) -> str:
    """What a picture is called: its file without folders and ending."""
    title = (file or "Picture").rsplit("/", 1)[-1].rsplit(".", 1)[0]
    return ended(title, "") or "Picture"
