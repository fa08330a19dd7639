"""What a database file is, told without touching it."""

from __future__ import annotations

import os
import sqlite3
from contextlib import closing
from pathlib import Path as FilePath

from curlet.core.errors import BadInput
from curlet.store.errors import Unavailable

# SQLite file format, 1.3: the header's first bytes, and the application's id at byte 68. Ours reads "CRLT".
_MAGIC, _HEADER, _ID_AT = b"SQLite format 3\0", 100, 68
APPLICATION_ID = 0x43524C54
# Databases from before there was an id have these tables.
_TABLES = {"sheet", "sheet_path", "run", "step"}


def check_file(file: FilePath) -> None:
    """Whether a file can be opened, or created, as Curlet's database.

    Raises
    ------
    BadInput
        If it is no database, is damaged, or is another program's.
    Unavailable
        If it, or its folder, cannot be written.
    """
    folder = file.parent
    if not file.exists():
        _check_folder(folder)
        return
    if not file.is_file():
        raise BadInput(f"{file} is not a file. Give a folder that has none of that name, with --data.")
    header = _header(file)
    if header:
        check_header(file, header)
    if not os.access(file, os.W_OK) or not os.access(folder, os.W_OK):
        raise Unavailable(
            f"{file} is read-only, so nothing can be kept. Make the file and its folder writable."
        )


def check_header(file: FilePath, header: bytes) -> None:
    """BadInput where a file's first bytes are not those of a database of Curlet's."""
    if not header.startswith(_MAGIC):
        raise BadInput(f"{file} is not a database, or its beginning is damaged. It was not touched.{MEND}")
    number = int.from_bytes(header[_ID_AT : _ID_AT + 4], "big")
    if number == APPLICATION_ID:
        return
    tables = _tables(file)
    if number != 0 or (tables and not tables >= _TABLES):
        raise BadInput(
            f"{file} is a database of another program. It was not touched. Give another folder with --data."
        )


def read_header(file: FilePath) -> bytes:
    """A file's first bytes; Unavailable if it cannot be read."""
    return _header(file)


MEND = " Restore a back-up: curlet restore FILE. They lie in the folder backups beside it."


def _header(file: FilePath) -> bytes:
    try:
        with open(file, "rb") as opened:
            return opened.read(_HEADER)
    except OSError as error:
        raise Unavailable(f"{file} cannot be read ({error.strerror}). Make it readable.") from None


def _tables(file: FilePath) -> set[str]:
    """The names of a database's tables. It is read as it lies there: nothing is recovered, nothing locked."""
    try:
        with closing(sqlite3.connect(f"{file.resolve().as_uri()}?immutable=1", uri=True)) as connection:
            return {name for (name,) in connection.execute("SELECT name FROM sqlite_master")}
    except sqlite3.DatabaseError:
        raise BadInput(f"{file} is a damaged database. It was not touched.{MEND}") from None


def _check_folder(folder: FilePath) -> None:
    try:
        folder.mkdir(parents=True, exist_ok=True)
    except OSError as error:
        raise Unavailable(f"{folder} cannot be made ({error.strerror}). Give another folder.") from None
    if not os.access(folder, os.W_OK):
        raise Unavailable(f"{folder} cannot be written. Give another folder, or make it writable.")
