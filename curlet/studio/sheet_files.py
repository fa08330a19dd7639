"""Sheet files imported: read aside and drawn there once before anything is put here."""

from __future__ import annotations

import tempfile
from pathlib import Path as FilePath

from curlet.core.errors import BadInput
from curlet.formats.sheet_file import SheetFile
from curlet.store import journal
from curlet.store import sheet_files as store
from curlet.store.backups import FILE
from curlet.store.database import open_database
from curlet.store.models import database
from curlet.store.sheet_files import SheetTaken
from curlet.studio import imports
from curlet.studio.drawn_sheet import small_picture
from curlet.studio.worker import SHEETS, Stop, never, run

NamedFiles = list[tuple[str, bytes]]


def import_sheets(files: NamedFiles, stop: Stop = never) -> list[SheetTaken]:
    """Put every sheet of some files here as a new one: all of them or, on an error, none.

    Raises
    ------
    BadInput, TooMuch
        If a file is no sheet file, is broken, hostile, too large or of a newer version.
    """
    found = _drawn(imports.sheets(files, stop), stop)
    with store.all_or_nothing():
        return [store.import_sheet(file) for file in found]


def replace_sheet(sheet_id: str, revision: int, file: tuple[str, bytes], stop: Stop = never) -> SheetTaken:
    """Put the sheet of a file in place of what is on another; raises as `import_sheets`, and Stale."""
    (sheet,) = _drawn(_only(imports.sheets([file], stop)), stop)
    return store.replace_sheet(sheet_id, revision, sheet)


def _only(found: list[SheetFile]) -> list[SheetFile]:
    if len(found) != 1:
        raise BadInput(f"This file holds {len(found)} sheets. Choose the file of a single one.")
    return found


def _drawn(found: list[SheetFile], stop: Stop) -> list[SheetFile]:
    for sheet in found:
        # Each by itself: however many there are, one may take as long as any other.
        run(draw_alone, sheet, bounds=SHEETS, stop=stop)
    return found


def draw_alone(sheet: SheetFile) -> None:
    """Put a sheet in a database of nothing else and draw it, so that nobody waits for that here; in a process
    of its own, as it opens another database.

    Raises
    ------
    BadInput
        If it cannot be kept, opened or drawn.
    """
    with tempfile.TemporaryDirectory(prefix="curlet-") as folder:
        open_database(FilePath(folder) / FILE)
        try:
            taken = store.import_sheet(sheet)
            with store.as_bad_input():
                small_picture(journal.find_sheet(taken.id))
        finally:
            database.close()
