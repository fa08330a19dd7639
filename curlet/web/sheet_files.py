"""Sheets as files: exported, one or all of them, and imported as new ones or in place of one."""

from __future__ import annotations

from dataclasses import asdict

from flask import Response
from pydantic import BaseModel

from curlet.core.errors import BadInput
from curlet.formats.several import ZIP_TYPE
from curlet.formats.sheet_file import ENDING, write_sheet_file, write_sheet_pack
from curlet.store import sheet_files as store
from curlet.store.sheets import list_sheets
from curlet.studio import sheet_files as service
from curlet.web.asking import gone
from curlet.web.replies import Replies, file_of, file_reply, json_reply
from curlet.web.routes import Routes
from curlet.web.schemas import Counter, Problem, SheetUrl, Upload

sheet_files = Routes("sheet_files", __name__, url_prefix="/api")

_REPLIES: Replies = {404: Problem, 413: Problem, 422: Problem}
MAX_FILES = 200


class SheetFileQuery(BaseModel):
    """Whether the steps that can be undone, and the versions of brushes, are in it."""

    history: bool = False


class SheetPackQuery(SheetFileQuery):
    """Of the sheets there are now, or of archived ones."""

    archived: bool = False


class SheetFiles(BaseModel):
    """Sheet files, and packs of them, to be imported as new sheets."""

    files: list[Upload]


class SheetInPlace(BaseModel):
    """A sheet file to be put in place of a sheet as it was at `revision`."""

    revision: Counter
    file: Upload


class SheetImported(BaseModel):
    id: str
    name: str


class SheetsImported(BaseModel):
    taken: list[SheetImported]


@sheet_files.get("/sheets/<sheet_id>/sheet-file", responses={200: file_of(ZIP_TYPE), **_REPLIES})
def export_one(path: SheetUrl, query: SheetFileQuery) -> Response:
    """A sheet as a file."""
    file = store.sheet_file(path.sheet_id, history=query.history)
    return file_reply(write_sheet_file(file), ZIP_TYPE, f"{file.name}.{ENDING}")


@sheet_files.get("/sheet-files", responses={200: file_of(ZIP_TYPE), **_REPLIES})
def export_all(query: SheetPackQuery) -> Response:
    """Every sheet, a file each, in one zip."""
    ids = [row["id"] for row in list_sheets(removed=query.archived)]
    if not ids:
        raise BadInput("There are no sheets to export.")
    files = [store.sheet_file(sheet_id, history=query.history) for sheet_id in ids]
    return file_reply(write_sheet_pack(files), ZIP_TYPE, "Curlet sheets.zip")


@sheet_files.post("/sheet-files", responses={200: SheetsImported, **_REPLIES})
def import_new(form: SheetFiles) -> Response:
    """Import sheets as new ones. Either all are taken or none."""
    if len(form.files) > MAX_FILES:
        raise BadInput(f"{MAX_FILES} files are the most at once. Import them a few at a time.")
    files = [(file.filename or "file", file.stream.read()) for file in form.files]
    return json_reply({"taken": [asdict(taken) for taken in service.import_sheets(files, gone())]})


@sheet_files.post("/sheets/<sheet_id>/sheet-file", responses={200: SheetImported, 409: Problem, **_REPLIES})
def import_in_place(path: SheetUrl, form: SheetInPlace) -> Response:
    """Put a sheet in place of what is on another; it can be undone there."""
    file = (form.file.filename or "file", form.file.stream.read())
    return json_reply(asdict(service.replace_sheet(path.sheet_id, form.revision, file, gone())))
