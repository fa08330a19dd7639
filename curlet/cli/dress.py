"""`curlet dress`: a recipe of which lines get which brush, on any number of drawings."""

from __future__ import annotations

import tomllib
from pathlib import Path as FilePath
from typing import Annotated, Any

import click
from pydantic import BaseModel, ConfigDict, Field, ValidationError

from curlet.cli.dressing import Dressing, dress_files
from curlet.cli.options import AS, FORCE, JOBS, OUTPUT, PATH, file_settings
from curlet.core.errors import BadInput
from curlet.flats import Rule
from curlet.formats.output import FileSettings


class _Rule(BaseModel):
    model_config = ConfigDict(extra="forbid", strict=True)
    brush: str
    lines: str = ""
    settings: Annotated[dict[str, str | int | float | bool], Field(alias="set")] = {}


class _Recipe(BaseModel):
    model_config = ConfigDict(extra="forbid", strict=True)
    scale: str = "1:1"
    keep_lines: bool = True
    rule: Annotated[list[_Rule], Field(min_length=1, max_length=200)]


@click.command()
@click.argument("recipe", metavar="RECIPE.toml", type=PATH)
@click.argument("flats", metavar="FLAT.svg…", type=PATH, nargs=-1, required=True)
@OUTPUT
@AS
@click.option("--scale", help="of the flats, in place of the recipe's")
@JOBS
@FORCE
@file_settings
def dress(
    recipe: FilePath, flats: tuple[FilePath, ...], scale: str | None, settings: FileSettings, **given: Any
) -> int:
    """Lay the brushes of a recipe on the lines of flats.

    \b
    scale = "1:4"
    [[rule]]
    brush = "topstitch"                  # built in, or a file beside the recipe
    lines = "layer=Seams, stroke=#c00"   # also id=…, fill=…, style=dashed; * stands for letters
    set = {"/courses/0/length" = "8 spi"}
    """
    read = read_recipe(recipe)
    rules = tuple(Rule(_beside(recipe, rule.brush), rule.lines, rule.settings) for rule in read.rule)
    how = Dressing(rules, scale or read.scale, read.keep_lines, settings)
    brushes = [FilePath(rule.brush) for rule in rules if isinstance(rule.brush, FilePath)]
    return dress_files(flats, how, report=None, brush_files=[recipe, *brushes], **given)


def read_recipe(file: FilePath) -> _Recipe:
    """A recipe file; BadInput where it is none, with what is wrong in it."""
    try:
        return _Recipe.model_validate(tomllib.loads(file.read_text(encoding="utf-8")))
    except (tomllib.TOMLDecodeError, UnicodeDecodeError) as error:
        raise BadInput(f"{file} is not TOML: {error}.") from None
    except ValidationError as error:
        first = error.errors()[0]
        where = " ".join(str(part) for part in first["loc"])
        raise BadInput(f"{file}: {where}: {first['msg']}.") from None


def _beside(recipe: FilePath, brush: str) -> str | FilePath:
    file = recipe.parent / brush
    return file if file.is_file() else brush
