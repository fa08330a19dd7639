"""Sheet files imported: read aside, put here, and drawn once before they are kept."""

from __future__ import annotations

from curlet.core.errors import BadInput
from curlet.formats.sheet_file import SheetFile
from curlet.store import sheet_files as store
from curlet.store.sheet_files import SheetTaken
from curlet.studio import imports
from curlet.studio.drawn_sheet import small_picture
from curlet.studio.worker import Stop, never

NamedFiles = list[tuple[str, bytes]]


def import_sheets(files: NamedFiles, stop: Stop = never) -> list[SheetTaken]:
    """Put every sheet of some files here as a new one: all of them or, on an error, none.

    Raises
    ------
    BadInput, TooMuch
        If a file is no sheet file, is broken, hostile, too large or of a newer version.
    """
    found = imports.sheets(files, stop)
    with store.all_or_nothing():
        return [store.import_sheet(file, small_picture) for file in found]


def replace_sheet(sheet_id: str, revision: int, file: tuple[str, bytes], stop: Stop = never) -> SheetTaken:
    """Put the sheet of a file in place of what is on another; raises as `import_sheets`, and Stale."""
    return store.replace_sheet(sheet_id, revision, _only(imports.sheets([file], stop)), small_picture)


def _only(found: list[SheetFile]) -> SheetFile:
    if len(found) != 1:
        raise BadInput(f"This file holds {len(found)} sheets. Choose the file of a single one.")
    return found[0]
