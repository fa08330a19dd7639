"""`curlet backup` and `curlet restore`: both work while Curlet serves."""

from __future__ import annotations

from pathlib import Path as FilePath

import click

from curlet.cli.files import check_outputs
from curlet.cli.options import DATA, PATH
from curlet.core.errors import BadInput
from curlet.store.backups import FILE, copy_database
from curlet.store.recognise import check_file
from curlet.store.restore import restore as put_back

_FILE = click.argument("file", type=PATH)


@click.command()
@_FILE
@DATA
@click.option("--force", is_flag=True, help="write over a file that is there")
def backup(file: FilePath, data: FilePath, force: bool) -> int:
    """Copy the whole database to FILE, also while people work."""
    database = data / FILE
    if not database.exists():
        raise BadInput(f"There is no database in {data}. Say where it is with --data.")
    check_file(database)
    check_outputs([database], [file], force=force)
    copy_database(database, file)
    print(f"Copied to {file} ({file.stat().st_size / 1e6:.1f} MB)")
    return 0


@click.command()
@_FILE
@DATA
def restore(file: FilePath, data: FilePath) -> int:
    """Put a back-up, FILE, in place of the database. What is there now is kept in the folder backups."""
    before = put_back(file, data / FILE)
    print(f"Restored from {file}." + (f" What was there is kept in {before}" if before else ""))
    return 0
