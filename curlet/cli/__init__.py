"""The command line. A command is a file here and a line in `COMMANDS`."""

from __future__ import annotations

import sys
from collections.abc import Sequence

import click

from curlet.cli.backup import backup, restore
from curlet.cli.dress import dress
from curlet.cli.export import export
from curlet.cli.lay import lay
from curlet.cli.serve import serve
from curlet.cli.sheet_files import export_sheets, import_sheets, schedule, work_page
from curlet.core.errors import CurletError
from curlet.version import __version__

COMMANDS = (
    *(lay, dress, export, serve, backup, restore),
    *(export_sheets, import_sheets, schedule, work_page),
)


@click.group(context_settings={"help_option_names": ["-h", "--help"], "show_default": True})
@click.version_option(__version__)
def curlet() -> None:
    """Lay stitch, rope, chain, trim and border brushes along paths by measure."""


for _command in COMMANDS:
    curlet.add_command(_command)


def main(arguments: Sequence[str] | None = None) -> int:
    """Run a command; errors that people can mend are one line and exit status 2."""
    try:
        done = curlet.main(args=None if arguments is None else list(arguments), standalone_mode=False)
        return done if isinstance(done, int) else 0
    except click.Abort:
        return _said("Stopped. Nothing was changed.")
    except click.exceptions.NoArgsIsHelpError as error:
        print(error.format_message())
        return 2
    except click.ClickException as error:
        return _said(error.format_message())
    except CurletError as error:
        return _said(str(error))
    except OSError as error:
        return _said(f"{error.filename or 'file'}: {error.strerror}.")


def _said(message: str) -> int:
    print(f"curlet: {' '.join(message.split())}", file=sys.stderr)
    return 2
