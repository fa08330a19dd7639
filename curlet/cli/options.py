"""Options that several commands take."""

from __future__ import annotations

from collections.abc import Callable
from dataclasses import fields
from pathlib import Path as FilePath
from typing import Any, TypeVar

import click

from curlet.core.measures import read_measure
from curlet.formats.output import CURVES, LINES, FileSettings
from curlet.formats.outputs import OUTPUTS
from curlet.formats.papers import OWN_SIZE, PAPERS

Command = TypeVar("Command", bound=Callable[..., Any])

PATH = click.Path(path_type=FilePath)
DATA = click.option("--data", default="data", type=PATH, help="folder of the database")
FORCE = click.option("--force", is_flag=True, help="write over files that are there")
OUTPUT = click.option(
    "-o",
    "--output",
    required=True,
    metavar=f"OUT.{'|.'.join(OUTPUTS)}",
    type=PATH,
    help="the file, a folder for several, or - for standard output",
)
AS = click.option("--as", "form", type=click.Choice(tuple(OUTPUTS)), help="format, where no name says it")

JOBS = click.option(
    "--jobs", type=click.IntRange(1, 64), help="files at a time; as many as there are processors"
)

_USUAL = FileSettings()
_SETTINGS = (
    click.option("--ppi", type=float, default=_USUAL.ppi, help="resolution of pictures"),
    click.option("--quality", type=float, default=_USUAL.quality, help="of a JPEG, 1 to 100 %"),
    click.option(
        "--paper",
        type=click.Choice((OWN_SIZE, *PAPERS)),
        default=_USUAL.paper,
        help="that a PDF is laid over",
    ),
    click.option("--overlap", default=f"{_USUAL.overlap:g}mm", help="of its sheets"),
    click.option("--lines", type=click.Choice(tuple(LINES)), default=_USUAL.lines, help="of DXF"),
    click.option("--curves", type=click.Choice(tuple(CURVES)), default=_USUAL.curves, help="of DXF"),
    click.option("--larger", type=float, default=_USUAL.larger, help="times as large: SVG, PDF, DXF"),
)
_NAMES = tuple(setting.name for setting in fields(FileSettings))


def file_settings(command: Command) -> Command:
    """Options for how files are written; the command gets them as `settings`."""

    def with_settings(**given: Any) -> Any:
        values = {name: given.pop(name) for name in _NAMES}
        values["overlap"] = read_measure(values["overlap"]).value
        return command(settings=FileSettings(**values), **given)

    with_settings.__doc__ = command.__doc__
    with_settings.__click_params__ = getattr(command, "__click_params__", [])  # type: ignore[attr-defined]
    with_settings.__name__ = command.__name__
    wrapped: Any = with_settings
    for option in reversed(_SETTINGS):
        wrapped = option(wrapped)
    return wrapped  # type: ignore[no-any-return]
