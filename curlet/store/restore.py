"""Putting a back-up in place of the database, also while people work; and putting a database aside."""

from __future__ import annotations

import datetime
import os
import sqlite3
from contextlib import closing
from pathlib import Path as FilePath

from curlet.core.errors import BadInput
from curlet.store.backups import check_copy, copy_beside, copy_database, opened
from curlet.store.database import open_database
from curlet.store.errors import Unavailable
from curlet.store.models import database

# What belongs to a database beside its own file.
ENDINGS = ("", "-wal", "-shm", "-journal")


def restore(copy: FilePath, live: FilePath) -> FilePath | None:
    """Put a back-up in place of the database.

    It is checked and brought to this version aside first. Every sheet gets a revision that it has not had, so
    that pages that are open catch up instead of writing over it.

    Returns
    -------
    Where what was there before is kept; None where there was nothing.

    Raises
    ------
    BadInput
        If the back-up is not one, is damaged, is the database itself, or is of a newer version.
    Unavailable
        If the database cannot be written.
    """
    if live.exists() and copy.exists() and copy.samefile(live):
        raise BadInput("This file is the database itself. Name a back-up of it.")
    check_copy(copy)
    aside = live.with_name(f".restoring-{os.getpid()}.sqlite")
    try:
        copy_database(copy, aside)
        open_database(aside)
        database.close()
        before = copy_beside(live, "before-restore") if live.exists() else None
        _put(aside, live)
    except sqlite3.Error as error:
        raise Unavailable(f"{live} cannot be written ({error}). Stop Curlet and try again.") from None
    finally:
        for ending in ENDINGS:
            FilePath(f"{aside}{ending}").unlink(missing_ok=True)
    return before


def _put(aside: FilePath, live: FilePath) -> None:
    if not live.exists():
        copy_database(aside, live)
        return
    with closing(opened(aside)) as new, closing(opened(live)) as there:
        _raise_revisions(new, there)
        new.backup(there)


def _raise_revisions(new: sqlite3.Connection, there: sqlite3.Connection) -> None:
    try:
        (newest,) = there.execute("SELECT max(revision) FROM sheet").fetchone()
    except sqlite3.DatabaseError:
        # What is replaced may be damaged: that is why it is.
        newest = 0
    with new:
        new.execute("UPDATE sheet SET revision = max(revision, ?) + 1", (newest or 0,))


def put_aside(live: FilePath) -> FilePath | None:
    """Move a database, and only it, into a dated folder beside it; that folder, or None if there was none."""
    if not live.exists():
        return None
    now = datetime.datetime.now().strftime("%Y-%m-%d-%H%M%S")
    folder = live.parent / f"put-aside-{now}"
    try:
        folder.mkdir()
        for ending in ENDINGS:
            file = FilePath(f"{live}{ending}")
            if file.exists():
                file.rename(folder / file.name)
    except OSError as error:
        raise Unavailable(f"{live} cannot be moved aside ({error.strerror}). Nothing was deleted.") from None
    return folder
