"""Back-ups: whole copies of the database, made by SQLite while it is in use."""

from __future__ import annotations

import datetime
import filecmp
import logging
import os
import re
import sqlite3
import threading
from contextlib import closing
from dataclasses import dataclass
from pathlib import Path as FilePath

from curlet.core.errors import BadInput, CurletError
from curlet.store.errors import Missing, Unavailable
from curlet.store.recognise import MEND, check_header, read_header

log = logging.getLogger("curlet")

# The database of a data folder.
FILE = "curlet.sqlite"
FOLDER, PREFIX, SUFFIX = "backups", "curlet-", ".sqlite"
MAX_KEPT = 10
_DATED = "%Y-%m-%d-%H%M%S"
# Why, what version it was before, when, and which of several in that second.
_NAMED = re.compile(
    r"(curlet|before-restore|before-version)-(?:\d+-)??(\d{4}-\d\d-\d\d-\d{6})(?:-(\d+))?\.sqlite"
)
# Why one was made, by how its name begins.
_BEFORE = {"curlet": "", "before-restore": "a restore", "before-version": "an update"}
EVERY_SECONDS = 3_600.0
# Pages copied at a time, so that others can write in between.
_PAGES = 2_000


def copy_database(source: FilePath, target: FilePath) -> None:
    """Make a whole copy under another name; what was there is replaced only once the copy is complete.

    Raises
    ------
    Unavailable
        If the copy cannot be written.
    BadInput
        If the source is damaged.
    """
    part = target.with_name(f".{target.name}.{os.getpid()}.part")
    try:
        target.parent.mkdir(parents=True, exist_ok=True)
        _copy(source, part)
        os.replace(part, target)
    except sqlite3.DatabaseError as error:
        if isinstance(error, sqlite3.OperationalError):
            raise Unavailable(f"{target} cannot be written ({error}). Nothing was changed.") from None
        raise BadInput(f"{source} is damaged ({error}).{MEND}") from None
    except OSError as error:
        raise Unavailable(f"{target} cannot be written ({error.strerror}). Nothing was changed.") from None
    finally:
        part.unlink(missing_ok=True)


def _copy(source: FilePath, target: FilePath) -> None:
    with closing(opened(source)) as here, closing(sqlite3.connect(target)) as there:
        here.backup(there, pages=_PAGES)
        # The copy is one file by itself.
        there.execute("PRAGMA journal_mode=DELETE")
    with open(target, "rb+") as file:
        os.fsync(file.fileno())


def opened(file: FilePath) -> sqlite3.Connection:
    """A connection of its own to a database that is there."""
    return sqlite3.connect(f"{file.resolve().as_uri()}?mode=rw", uri=True, timeout=30)


def check_copy(file: FilePath) -> None:
    """BadInput where a file is not a sound database of Curlet's."""
    if not file.is_file():
        raise BadInput(f"There is no file {file}.")
    check_header(file, read_header(file))
    try:
        with closing(sqlite3.connect(f"{file.resolve().as_uri()}?mode=ro", uri=True)) as connection:
            (sound,) = connection.execute("PRAGMA quick_check(1)").fetchone()
    except sqlite3.DatabaseError as error:
        sound = str(error)
    if sound != "ok":
        raise BadInput(f"{file} is damaged ({sound}). Choose another back-up.")


def back_up(database: FilePath) -> FilePath | None:
    """A dated copy beside the database, if it is unlike the newest; the oldest of more than ten go.

    Returns
    -------
    The copy, or None where nothing has changed since the last one.
    """
    folder = database.parent / FOLDER
    target = folder / f"{PREFIX}{_now()}{SUFFIX}"
    before = kept(database)
    copy_database(database, target)
    if before and before[-1] != target and filecmp.cmp(before[-1], target, shallow=False):
        target.unlink()
        return None
    for old in kept(database)[:-MAX_KEPT]:
        old.unlink()
    return target


def kept(database: FilePath) -> list[FilePath]:
    """The dated copies beside a database, oldest first."""
    return sorted((database.parent / FOLDER).glob(f"{PREFIX}*{SUFFIX}"))


@dataclass(frozen=True)
class Kept:
    """A copy that is kept beside a database: its file's name, when it was made (local time, ISO 8601), its
    size in bytes, and what it was made before, where that is why."""

    name: str
    made: str
    size: int
    before: str


def every_kept(database: FilePath) -> list[Kept]:
    """Every copy beside a database, newest first, also those made before something was replaced."""
    found = []
    for file in (database.parent / FOLDER).glob(f"*{SUFFIX}"):
        told = _NAMED.fullmatch(file.name)
        if told:
            made = datetime.datetime.strptime(told[2], _DATED).isoformat()
            kept = Kept(file.name, made, file.stat().st_size, _BEFORE[told[1]])
            found.append((made, int(told[3] or 1), file.name, kept))
    return [kept for *_, kept in sorted(found, key=lambda one: one[:3], reverse=True)]


def find_kept(database: FilePath, name: str) -> FilePath:
    """A copy beside a database by its name; Missing if there is none."""
    if name not in {kept.name for kept in every_kept(database)}:
        raise Missing("There is no such back-up any more. Choose another.")
    return database.parent / FOLDER / name


def copy_beside(database: FilePath, why: str) -> FilePath:
    """A copy that is kept until somebody deletes it, as before a migration."""
    folder, name = database.parent / FOLDER, f"{why}-{_now()}"
    target, number = folder / f"{name}{SUFFIX}", 1
    # Two in one second are two.
    while target.exists():
        number += 1
        target = folder / f"{name}-{number}{SUFFIX}"
    copy_database(database, target)
    return target


def _now() -> str:
    return datetime.datetime.now().strftime(_DATED)


class Keeper:
    """Backs a database up when it starts, and hourly while something changes."""

    def __init__(self, database: FilePath, every: float = EVERY_SECONDS) -> None:
        self._database, self._every = database, every
        self._stop = threading.Event()
        self._thread = threading.Thread(target=self._keep, name="curlet-backups", daemon=True)

    def start(self) -> None:
        self._thread.start()

    def stop(self) -> None:
        self._stop.set()
        self._thread.join()

    def _keep(self) -> None:
        seen = -1
        with closing(opened(self._database)) as connection:
            while True:
                try:
                    # SQLite raises this number whenever another connection commits.
                    (now,) = connection.execute("PRAGMA data_version").fetchone()
                    if now != seen:
                        back_up(self._database)
                        seen = now
                except (CurletError, sqlite3.Error, OSError) as error:
                    # It is tried again in an hour; meanwhile people go on working.
                    log.warning("no back-up was made: %s", error)
                if self._stop.wait(self._every):
                    return
