"""`curlet serve`."""

from __future__ import annotations

import sys
from pathlib import Path as FilePath

import click

from curlet.cli.options import DATA
from curlet.core.errors import BadInput
from curlet.store.backups import FILE


@click.command()
@click.option("--port", type=int, default=8420)
@DATA
@click.option("--demo", is_flag=True, help="load the demo sheets where missing")
@click.option("--fresh", is_flag=True, help="begin with the demo; what is there is moved aside")
@click.option("--yes", is_flag=True, help="do not ask before --fresh")
def serve(port: int, data: FilePath, demo: bool, fresh: bool, yes: bool) -> int:
    """Serve the application on this machine."""
    # Imported here, as it takes longer than any other command does in all.
    from curlet.web.serve import serve as serve_on

    if fresh and not yes and (data / FILE).exists():
        _ask(data)
    return serve_on(port, data, demo=demo, fresh=fresh)


def _ask(data: FilePath) -> None:
    """Whether to begin anew."""
    if not sys.stdin.isatty():
        raise BadInput(f"--fresh moves what is in {data} aside. Say --yes as well if that is meant.")
    if not click.confirm(f"Start over? The sheets and brushes in {data} are moved aside, not deleted"):
        raise click.Abort
