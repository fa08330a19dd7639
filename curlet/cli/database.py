"""The database that a command works on."""

from __future__ import annotations

from pathlib import Path as FilePath

from curlet.core.errors import BadInput
from curlet.store.backups import FILE
from curlet.store.database import open_database


def open_in(data: FilePath) -> None:
    """Open a data folder's database; BadInput if it has none."""
    if not (data / FILE).exists():
        raise BadInput(f"There is no database in {data}. Say where it is with --data.")
    open_database(data / FILE)
