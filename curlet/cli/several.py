"""Commands over several files: where each goes, standard streams, and the work on them side by side."""

from __future__ import annotations

import os
import sys
from collections.abc import Callable, Iterator, Sequence
from concurrent.futures import ProcessPoolExecutor
from multiprocessing import get_context
from pathlib import Path as FilePath
from typing import TypeVar

import click

from curlet.core.errors import BadInput
from curlet.formats.outputs import OUTPUTS

Item = TypeVar("Item")
Made = TypeVar("Made")

STREAM = FilePath("-")


def form_of(output: FilePath, form: str | None) -> str:
    """The format that is asked for, or that the output's name ends in.

    Raises
    ------
    BadInput
        If neither says it.
    """
    found = form or output.suffix.lower().removeprefix(".")
    if found in OUTPUTS:
        return found
    *others, last = (f".{name}" for name in OUTPUTS)
    raise BadInput(
        f"The output's name ends in {', '.join(others)} or {last}. Name it so, or say the format with --as."
    )


def targets(inputs: Sequence[FilePath], output: FilePath, form: str | None) -> dict[FilePath, FilePath]:
    """Where the file of each input goes: into a folder if there are several, or if the output is one.

    Raises
    ------
    BadInput
        If several have one name, or no format is said.
    """
    if len(inputs) == 1 and not output.is_dir():
        form_of(output, form)
        return {inputs[0]: output}
    ending = form or "svg"
    if output.suffix and not output.is_dir():
        raise BadInput(f"{output} is one file, and there are {len(inputs)} inputs. Name a folder.")
    output.mkdir(parents=True, exist_ok=True)
    made = {file: output / f"{file.stem}.{ending}" for file in inputs}
    if len(set(made.values())) < len(inputs):
        raise BadInput("Two inputs have the same name. Work on them one by one.")
    return made


def read(file: FilePath) -> bytes:
    """A file's bytes, or standard input's."""
    return sys.stdin.buffer.read() if file == STREAM else file.read_bytes()


def each(
    items: Sequence[Item], work: Callable[[Item], Made], jobs: int | None = None
) -> Iterator[tuple[Item, Made]]:
    """What is made of each, in order; several side by side, with progress on a terminal."""
    many = min(jobs or os.cpu_count() or 1, len(items))
    label = f"{len(items)} files"
    hidden = len(items) < 2 or not sys.stderr.isatty()
    with click.progressbar(length=len(items), label=label, file=sys.stderr, hidden=hidden) as bar:
        if many < 2:
            for item in items:
                yield item, work(item)
                bar.update(1)
            return
        with ProcessPoolExecutor(many, mp_context=get_context("forkserver")) as pool:
            for item, made in zip(items, pool.map(work, items), strict=True):
                yield item, made
                bar.update(1)
