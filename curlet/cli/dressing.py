"""Brushes on the lines of drawings, one file or many, side by side."""

from __future__ import annotations

import json
import sys
from collections.abc import Sequence
from dataclasses import dataclass
from pathlib import Path as FilePath

from curlet.cli.files import check_outputs, write_all
from curlet.cli.several import STREAM, each, form_of, read, targets
from curlet.core.errors import BadInput, CurletError
from curlet.flats import Rule, read_flat
from curlet.formats.output import FileSettings


@dataclass(frozen=True)
class Dressing:
    """Which lines get which brush, and how files are written."""

    rules: tuple[Rule, ...]
    scale: str
    keep_lines: bool
    settings: FileSettings
    placements: bool = False


@dataclass(frozen=True)
class _Job:
    name: str
    data: bytes
    form: str
    how: Dressing
    reported: bool


@dataclass(frozen=True)
class _Done:
    """A file, its report, what was left out, how many lines have brushes; or what is wrong with it."""

    file: bytes = b""
    report: bytes = b""
    notes: tuple[str, ...] = ()
    runs: int = 0
    wrong: str = ""


def dress_files(
    drawings: Sequence[FilePath],
    how: Dressing,
    *,
    output: FilePath,
    form: str | None,
    report: FilePath | None,
    jobs: int | None,
    force: bool,
    brush_files: Sequence[FilePath] = (),
) -> int:
    """Dress drawings and write them; the exit status. One that cannot be read is said, and the others are
    written.

    Raises
    ------
    BadInput
        If the outputs cannot be written, or no format is said.
    """
    if report and len(drawings) > 1:
        raise BadInput("A report is of one drawing. Work on them one by one to have reports.")
    where = targets(drawings, output, form)
    outputs = [file for file in where.values() if file != STREAM]
    inputs = [file for file in (*drawings, *brush_files) if file != STREAM and file.exists()]
    check_outputs(inputs, [*outputs, *([report] if report else [])], force=force)
    made = [
        _Job(_name(file), read(file), form_of(where[file], form), how, report is not None)
        for file in drawings
    ]
    wrong = 0
    for drawing, (_, done) in zip(drawings, each(made, _dressed, jobs), strict=True):
        for note in done.notes:
            print(f"curlet: {_of(drawing, drawings)}{note}", file=sys.stderr)
        if done.wrong:
            if len(drawings) == 1:
                raise BadInput(done.wrong)
            print(f"curlet: {drawing}: {done.wrong}", file=sys.stderr)
            wrong += 1
            continue
        _write(where[drawing], done, report)
    return 2 if wrong else 0


def _write(target: FilePath, done: _Done, report: FilePath | None) -> None:
    files = {report: done.report} if report else {}
    if target == STREAM:
        sys.stdout.buffer.write(done.file)
        sys.stdout.buffer.flush()
    else:
        files[target] = done.file
    write_all(files)


def _dressed(job: _Job) -> _Done:
    try:
        flat = read_flat(job.data, job.name)
        laid = flat.dress(job.how.rules, scale=job.how.scale, keep_lines=job.how.keep_lines)
        told = b""
        if job.reported:
            told = json.dumps(laid.report(placements=job.how.placements), indent=1).encode()
        notes = flat.notes
        if not laid.runs:
            notes = (*notes, "No line is one that a brush was asked for.")
        return _Done(laid.to_bytes(job.form, job.how.settings), told, notes, len(laid.runs))
    except CurletError as error:
        return _Done(wrong=str(error))


def _name(file: FilePath) -> str:
    return "Drawing" if file == STREAM else file.stem


def _of(file: FilePath, every: Sequence[FilePath]) -> str:
    return f"{file}: " if len(every) > 1 else ""
