"""One server to a data folder: a lock that ends with its process, however that ends."""

from __future__ import annotations

import fcntl
import os
from collections.abc import Iterator
from contextlib import contextmanager
from pathlib import Path as FilePath

from curlet.core.errors import BadInput
from curlet.store.errors import Unavailable

NAME = "curlet.lock"


@contextmanager
def alone_in(folder: FilePath) -> Iterator[None]:
    """A block in which no other server uses a data folder.

    Raises
    ------
    BadInput
        If another does already.
    Unavailable
        If the folder cannot be written.
    """
    try:
        folder.mkdir(parents=True, exist_ok=True)
        file = os.open(folder / NAME, os.O_RDWR | os.O_CREAT, 0o644)
    except OSError as error:
        raise Unavailable(f"{folder} cannot be written ({error.strerror}). Give another folder.") from None
    try:
        try:
            fcntl.flock(file, fcntl.LOCK_EX | fcntl.LOCK_NB)
        except OSError:
            who = os.read(file, 32).decode("ascii", "replace").strip() or "unknown"
            raise BadInput(
                f"Another Curlet (process {who}) uses the folder {folder}. Use that one, stop it first, or "
                "give another folder with --data."
            ) from None
        os.ftruncate(file, 0)
        os.pwrite(file, f"{os.getpid()}\n".encode(), 0)
        yield
    finally:
        os.close(file)
