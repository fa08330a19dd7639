"""Files that a command writes: whole or not at all, and never over something by mistake."""

from __future__ import annotations

import os
from collections.abc import Mapping, Sequence
from pathlib import Path as FilePath

from curlet.core.errors import BadInput


def check_outputs(inputs: Sequence[FilePath], outputs: Sequence[FilePath], *, force: bool) -> None:
    """Whether files can be written, told before any work is done.

    Raises
    ------
    BadInput
        If one of them is an input or another of them, is there already without `force`, or has no folder.
    """
    taken = {file.resolve(): file for file in inputs}
    for file in outputs:
        if file.resolve() in taken or any(_same(file, other) for other in taken.values()):
            raise BadInput(f"{file} is named twice. Give every file its own name.")
        taken[file.resolve()] = file
        if file.is_dir():
            raise BadInput(f"{file} is a folder. Name a file.")
        if not file.parent.is_dir():
            raise BadInput(f"There is no folder {file.parent}. Make it first.")
        if file.exists() and not force:
            raise BadInput(f"{file} is there already. Say --force to write over it.")


def _same(one: FilePath, other: FilePath) -> bool:
    return one.exists() and other.exists() and one.samefile(other)


def write_all(files: Mapping[FilePath, bytes]) -> None:
    """Write files: all are complete beside their places before the first takes its own."""
    parts = {file: file.with_name(f".{file.name}.{os.getpid()}.part") for file in files}
    try:
        for file, data in files.items():
            with open(parts[file], "wb") as opened:
                opened.write(data)
                opened.flush()
                os.fsync(opened.fileno())
        for file, part in parts.items():
            os.replace(part, file)
    finally:
        for part in parts.values():
            part.unlink(missing_ok=True)
