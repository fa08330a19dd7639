"""`curlet export`: sheets as files, also while people work."""

from __future__ import annotations

import sys
from collections.abc import Mapping, Sequence
from pathlib import Path as FilePath
from typing import Any

import click

from curlet.cli.database import open_in
from curlet.cli.files import check_outputs, write_all
from curlet.cli.options import AS, DATA, FORCE, OUTPUT, file_settings
from curlet.cli.several import STREAM, form_of
from curlet.core.drawing import Drawing
from curlet.core.errors import BadInput
from curlet.core.measures import read_measure
from curlet.formats.file_names import unlike_names
from curlet.formats.names import as_keyed
from curlet.formats.output import FileSettings
from curlet.formats.outputs import OUTPUTS, write
from curlet.formats.several import EACH
from curlet.formats.tintable import COLOURS
from curlet.store import journal, sheets
from curlet.store.state import State
from curlet.studio.export_facts import per_mm
from curlet.studio.exported import Exported, drawings


@click.command()
@click.argument("names", metavar="SHEET…", nargs=-1, required=True)
@OUTPUT
@AS
@click.option("--runs", is_flag=True, help="the runs alone, without the drawing's lines and fills")
@click.option("--group", help="a seam group alone, by its name")
@click.option("--each", type=click.Choice(tuple(EACH)), default="sheet", help="what a file, or a page, holds")
@click.option("--colourway", help="by its name, in place of the one that is shown")
@click.option("--background", default="", help="a colour, or “sheet” for the sheet's own")
@click.option(
    "--colours",
    type=click.Choice(tuple(COLOURS)),
    default="drawn",
    help="white or greys are tinted elsewhere",
)
@click.option("--call-outs", "callouts", is_flag=True, help="with the runs' call-outs")
@click.option("--trim", metavar="MARGIN", help="trimmed to the artwork, with a margin")
@DATA
@FORCE
@file_settings
def export(
    names: tuple[str, ...],
    output: FilePath,
    form: str | None,
    data: FilePath,
    force: bool,
    settings: FileSettings,
    runs: bool,
    group: str | None,
    each: str,
    colourway: str | None,
    background: str,
    colours: str,
    callouts: bool,
    trim: str | None,
) -> int:
    """Write sheets, by their names or ids, as files: into a folder where there are several."""
    open_in(data)
    kind = form or ("svg" if output.is_dir() else form_of(output, None))
    made: list[Drawing] = []
    for name in names:
        state = journal.find_sheet(sheet_id(name))
        asked = Exported(
            lines=not runs,
            group=_named(state, "group", group),
            each=each,
            colourway=_named(state, "colourway", colourway),
            background=background,
            colours=colours,
            callouts=callouts,
            margin=None if trim is None else read_measure(trim).value,
        )
        made += drawings(state, asked, per_mm(kind, settings))
    _write(made, output, kind, settings, force)
    return 0


def _write(made: Sequence[Drawing], output: FilePath, form: str, settings: FileSettings, force: bool) -> None:
    if len(made) == 1 or OUTPUTS[form].pages:
        alone = output
        if output.is_dir():
            alone = output / unlike_names([made[0].title], form)[0]
        files = {alone: made}
    else:
        if output.suffix and not output.is_dir():
            raise BadInput(f"{output} is one file, and there are {len(made)} to write. Name a folder.")
        output.mkdir(parents=True, exist_ok=True)
        names = unlike_names([drawing.title for drawing in made], form)
        files = {output / name: [drawing] for name, drawing in zip(names, made, strict=True)}
    check_outputs([], [file for file in files if file != STREAM], force=force)
    for file, of_file in files.items():
        written = write(form, of_file, settings)
        if file == STREAM:
            sys.stdout.buffer.write(written)
        else:
            write_all({file: written})


def sheet_id(name: str) -> str:
    """A sheet's id by its name or id; BadInput if there is none."""
    every = sheets.list_sheets()
    found = _one(every, name)
    if found:
        return found
    known = ", ".join(f"“{row['name']}” ({row['id']})" for row in every)
    raise BadInput(f"There is no sheet “{name[:80]}”. There are {known}.")


def _one(rows: Sequence[Mapping[str, Any]], name: str) -> str | None:
    """The id of the row of a name or id; of the only one whose name is nearly that, where none is exactly."""
    exact = [row for row in rows if name in (row["id"], row["name"])]
    near = [row for row in rows if as_keyed(row["name"]) == as_keyed(name)]
    found = exact or near
    return str(found[0]["id"]) if exact or len(near) == 1 else None


def _named(state: State, kind: str, name: str | None) -> str | None:
    """The id of a seam group or a colourway by its name or id."""
    if name is None:
        return None
    rows = list(state.rows[kind].values())
    found = _one(rows, name)
    if found:
        return found
    what = {"group": "seam group", "colourway": "colourway"}[kind]
    known = ", ".join(f"“{row['name']}”" for row in rows) or "none"
    raise BadInput(f"This sheet has no {what} “{name[:80]}”. There are: {known}.")
