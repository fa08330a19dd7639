"""Options that several commands take."""

from pathlib import Path as FilePath

import click

PATH = click.Path(path_type=FilePath)
DATA = click.option("--data", default="data", type=PATH, help="folder of the database", show_default=True)
