"""`curlet export-sheets`, `import-sheets`, `schedule`, `work-page`: whole sheets, also while people work."""

from __future__ import annotations

from pathlib import Path as FilePath

import click

from curlet.cli.database import open_in
from curlet.cli.export import sheet_id
from curlet.cli.files import check_outputs, write_all
from curlet.cli.options import DATA, FORCE, PATH
from curlet.core.errors import BadInput
from curlet.core.measures import read_measure
from curlet.core.tally.consumed import USUAL, Allowances
from curlet.formats.papers import PAPERS
from curlet.formats.schedule_csv import write_csv
from curlet.formats.schedule_pdf import write_schedule_pdf
from curlet.formats.schedule_table import KINDS, table_of
from curlet.formats.sheet_file import write_sheet_file, write_sheet_pack
from curlet.formats.work_page_pdf import write_work_page
from curlet.store import journal
from curlet.store.sheet_files import sheet_file
from curlet.studio.schedule import notes_of, schedule_of
from curlet.studio.sheet_files import import_sheets as take
from curlet.studio.work_page import work_page as gathered

_OUT = click.option("-o", "--output", required=True, type=PATH, help="the file")
_PAPERS = click.option("--paper", type=click.Choice(tuple(PAPERS)), default="a4")
_WASTE = click.option("--waste", type=float, default=USUAL.waste, help="allowance for thread, %")
_ENDS = click.option("--ends", default=f"{USUAL.ends:g}mm", help="allowance at each cut end")


@click.command("export-sheets")
@click.argument("names", metavar="SHEET…", nargs=-1, required=True)
@_OUT
@click.option("--history", is_flag=True, help="with the steps that can be undone")
@DATA
@FORCE
def export_sheets(
    names: tuple[str, ...], output: FilePath, history: bool, data: FilePath, force: bool
) -> int:
    """Write sheets, by their names or ids, as one sheet file, or several in one zip."""
    open_in(data)
    check_outputs([], [output], force=force)
    files = [sheet_file(sheet_id(name), history=history) for name in names]
    write_all({output: write_sheet_file(files[0]) if len(files) == 1 else write_sheet_pack(files)})
    return 0


@click.command("import-sheets")
@click.argument("files", metavar="FILE…", nargs=-1, required=True, type=PATH)
@DATA
def import_sheets(files: tuple[FilePath, ...], data: FilePath) -> int:
    """Import sheet files as new sheets: all of them or, on an error, none."""
    read = [(file.name, file.read_bytes()) for file in files]
    open_in(data)
    for taken in take(read):
        print(f"{taken.name} ({taken.id})")
    return 0


@click.command()
@click.argument("name", metavar="SHEET")
@click.option("-o", "--output", required=True, type=PATH, help="a .csv or a .pdf")
@click.option("--by", type=click.Choice(tuple(KINDS)), default="run", help="what a line of a CSV is about")
@_PAPERS
@_WASTE
@_ENDS
@DATA
@FORCE
def schedule(
    name: str, output: FilePath, by: str, paper: str, waste: float, ends: str, data: FilePath, force: bool
) -> int:
    """Write what every run of a sheet takes: stitches, thread, trim to cut."""
    if output.suffix not in (".csv", ".pdf"):
        raise BadInput(f"{output} is neither a .csv nor a .pdf. Name one of them.")
    open_in(data)
    check_outputs([], [output], force=force)
    state, allowances = journal.find_sheet(sheet_id(name)), Allowances(waste, read_measure(ends).value)
    found, unit = schedule_of(state, allowances), state.sheet["unit"]
    if output.suffix == ".csv":
        write_all({output: write_csv(table_of(found.seams, by, unit))})
    else:
        title, notes = f"{state.sheet['name']}, schedule", notes_of(state, found, allowances)
        write_all({output: write_schedule_pdf(title, notes, found.seams, unit, paper)})
    return 0


@click.command("work-page")
@click.argument("name", metavar="SHEET")
@_OUT
@_PAPERS
@_WASTE
@_ENDS
@DATA
@FORCE
def work_page(
    name: str, output: FilePath, paper: str, waste: float, ends: str, data: FilePath, force: bool
) -> int:
    """Write what a sample room sews from, as a PDF."""
    open_in(data)
    check_outputs([], [output], force=force)
    state, allowances = journal.find_sheet(sheet_id(name)), Allowances(waste, read_measure(ends).value)
    write_all({output: write_work_page(gathered(state, paper, allowances), paper)})
    return 0
