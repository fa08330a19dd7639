"""The command line. A command is a file here and a line in `COMMANDS`."""

from __future__ import annotations

import sys
from collections.abc import Sequence
from importlib import import_module

import click

from curlet.core.errors import CurletError
from curlet.version import __version__

# Each command and the file that it is in, which is read in only when it is needed.
COMMANDS = {
    "lay": "lay",
    "dress": "dress",
    "export": "export",
    "serve": "serve",
    "backup": "backup",
    "restore": "backup",
    "export-sheets": "sheet_files",
    "import-sheets": "sheet_files",
    "schedule": "sheet_files",
    "work-page": "sheet_files",
}


class _Commands(click.Group):
    def list_commands(self, ctx: click.Context) -> list[str]:
        return list(COMMANDS)

    def get_command(self, ctx: click.Context, cmd_name: str) -> click.Command | None:
        if cmd_name not in COMMANDS:
            return None
        found: click.Command = getattr(
            import_module(f"curlet.cli.{COMMANDS[cmd_name]}"), cmd_name.replace("-", "_")
        )
        return found


@click.group(cls=_Commands, context_settings={"help_option_names": ["-h", "--help"], "show_default": True})
@click.version_option(__version__)
def curlet() -> None:
    """Lay stitch, rope, chain, trim and border brushes along paths by measure."""


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
