"""Back-ups of everything: one to keep elsewhere, those that are kept here, and putting one back."""

from __future__ import annotations

import datetime
import tempfile
from dataclasses import asdict
from pathlib import Path as FilePath

from flask import Response, send_file
from pydantic import BaseModel

from curlet.core.errors import BadInput
from curlet.formats.file_names import file_name
from curlet.store.backups import every_kept, find_kept
from curlet.store.database import file_of_database
from curlet.studio.restoring import copied, put_back
from curlet.web.asking import gone
from curlet.web.replies import Replies, file_of, json_reply
from curlet.web.routes import Routes
from curlet.web.schemas import Problem, Upload

backups = Routes("backups", __name__, url_prefix="/api")

_TYPE = "application/vnd.sqlite3"
_REPLIES: Replies = {404: Problem, 413: Problem, 422: Problem}


class BackUpKept(BaseModel):
    """A back-up that is kept here: when it was made, in local time, its size in bytes, and what it was made
    before, if that is why."""

    name: str
    made: str
    size: int
    before: str


class BackUpList(BaseModel):
    kept: list[BackUpKept]


class BackUpNamed(BaseModel):
    name: str


class BackUpFile(BaseModel):
    """A back-up to be put in place of everything."""

    file: Upload


class BackUpRestored(BaseModel):
    """The name under which what was there before is kept."""

    before: str


@backups.get("/back-up", responses={200: file_of(_TYPE)})
def download() -> Response:
    """Everything as one file: the database, copied while people work."""
    today = datetime.date.today().isoformat()
    with copied() as file:
        # It is read after it has lost its name, and gone once it has been read.
        return send_file(
            open(file, "rb"),
            mimetype=_TYPE,
            as_attachment=True,
            download_name=f"curlet-{today}.sqlite",
            max_age=0,
        )


@backups.get("/back-ups", responses={200: BackUpList})
def every() -> Response:
    """The back-ups that are kept here, newest first."""
    return json_reply({"kept": [asdict(kept) for kept in every_kept(file_of_database())]})


@backups.post("/back-ups/restore", responses={200: BackUpRestored, **_REPLIES})
def restore_kept(body: BackUpNamed) -> Response:
    """Put one of them in place of everything; what is there now is kept first."""
    return json_reply({"before": put_back(find_kept(file_of_database(), body.name))})


@backups.post("/back-up-files", responses={200: BackUpRestored, **_REPLIES})
def restore_file(form: BackUpFile) -> Response:
    """Put a back-up from a file in place of everything; what is there now is kept first."""
    with tempfile.TemporaryDirectory(prefix="curlet-") as folder:
        file = FilePath(folder) / file_name(form.file.filename or "back-up.sqlite")
        form.file.save(file)
        try:
            return json_reply({"before": put_back(file, gone())})
        except BadInput as error:
            # Where it was put meanwhile says nothing to whoever sent it.
            raise BadInput(str(error).replace(f"{folder}/", "")) from None
