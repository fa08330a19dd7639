"""The whole database copied to a file, and put back from one, while people work."""

from __future__ import annotations

import tempfile
from collections.abc import Iterator
from contextlib import contextmanager
from pathlib import Path as FilePath

from curlet.store import backups
from curlet.store.database import file_of_database
from curlet.store.restore import restore
from curlet.studio.worker import RESTORING, Stop, never, run


@contextmanager
def copied() -> Iterator[FilePath]:
    """A whole copy of the database, as a file that is gone once the block ends."""
    with tempfile.TemporaryDirectory(prefix="curlet-") as folder:
        target = FilePath(folder) / backups.FILE
        backups.copy_database(file_of_database(), target)
        yield target


def put_back(copy: FilePath, stop: Stop = never) -> str:
    """Put a copy in place of the database; the name under which what was there is kept. Raises as `restore`.

    It is done in a process of its own, as the copy is opened as a database on the way.
    """
    before: FilePath | None = run(restore, copy, file_of_database(), bounds=RESTORING, stop=stop)
    return before.name if before else ""
