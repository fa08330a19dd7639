"""`curlet lay`: a brush on every line of SVG drawings."""

from __future__ import annotations

from dataclasses import replace
from pathlib import Path as FilePath
from typing import Any

import click

from curlet.cli.dressing import Dressing, dress_files
from curlet.cli.options import AS, FORCE, JOBS, OUTPUT, PATH, file_settings
from curlet.core.brush import Brush, CornerRule, FitRule, Row, Share
from curlet.core.brush.rules import REMAINDERS
from curlet.core.dress.colour import read_colour
from curlet.core.errors import BadInput
from curlet.core.lay.corners import MANNERS
from curlet.core.lay.fit import FITS
from curlet.core.measures import Measure, Scale, read_measure, spi_to_pitch
from curlet.core.motif.families import Running
from curlet.flats import Rule
from curlet.formats.output import FileSettings


@click.command()
@click.argument("drawings", metavar="LINES.svg…", type=PATH, nargs=-1, required=True)
@OUTPUT
@AS
@click.option("--brush", metavar="ID|FILE", help="a built-in brush or a brush file, in place of a stitch")
@click.option(
    "--set", "own", metavar="POINTER=VALUE", multiple=True, help="its own settings: /courses/0/length=8spi"
)
@click.option("--select", default="", help="which lines: layer=…, stroke=#…, fill=…, id=…, style=dashed")
@click.option("--stitch", default="3mm", help="stitch length, or stitches to the inch: 8spi")
@click.option("--gap", default="1mm", help="gap, or a share of the stitch: 30%")
@click.option("--thread", default="0.4", help="thread thickness, mm")
@click.option("--colour", default="#e9c46a", help="thread colour")
@click.option("--ends", default="round", type=click.Choice(("round", "flat")), help="thread ends")
@click.option("--fit", default="ease", type=click.Choice(tuple(FITS)))
@click.option("--remainder", default="end", type=click.Choice(tuple(REMAINDERS)))
@click.option("--corner", default="pivot", type=click.Choice(tuple(MANNERS)))
@click.option("--corner-angle", default="30", help="turn that makes a corner, degrees")
@click.option("--scale", default="1:1", help="drawing scale, such as 1:4")
@click.option("--keep-lines", is_flag=True, help="keep the drawing's fills, and lines without a brush")
@click.option("--report", metavar="R.json", type=PATH, help="write what was laid, measured")
@click.option("--placements", is_flag=True, help="list every repeat in the report")
@JOBS
@FORCE
@file_settings
def lay(
    drawings: tuple[FilePath, ...],
    brush: str | None,
    own: tuple[str, ...],
    select: str,
    settings: FileSettings,
    scale: str,
    keep_lines: bool,
    **given: Any,
) -> int:
    """Lay a brush, or a plain stitch, on every line of SVG drawings. - reads standard input."""
    where = {name: given.pop(name) for name in ("output", "form", "report", "placements", "jobs", "force")}
    if own and not brush:
        raise BadInput("--set is of a brush. Name one with --brush.")
    rule = Rule(brush or _stitch(**given), select, dict(map(_pair, own)))
    how = Dressing((rule,), scale, keep_lines, settings, where.pop("placements"))
    return dress_files(drawings, how, brush_files=[FilePath(brush)] if brush else [], **where)


def _pair(text: str) -> tuple[str, str]:
    pointer, equals, value = text.partition("=")
    if not equals:
        raise BadInput(f"“{text[:60]}” is no setting. Write /courses/0/length=8spi.")
    return pointer.strip(), value.strip()


def _stitch(
    stitch: str,
    gap: str,
    thread: str,
    colour: str,
    ends: str,
    fit: str,
    remainder: str,
    corner: str,
    corner_angle: str,
) -> Brush:
    """A plain stitch as entered."""
    gap_read = read_measure(gap, accepts=("mm", "%"))
    stitch_read = read_measure(stitch, accepts=("mm", "spi"))
    row = Row(
        motif=Running(Measure(read_measure(thread).value), ends),
        gap=Share(gap_read.value) if gap_read.unit == "%" else Measure(gap_read.value),
        fit=FitRule(kind=fit, remainder=remainder),
    )
    length = stitch_read.value
    if stitch_read.unit == "spi":
        length = row.length_for_pitch(spi_to_pitch(stitch_read.value), Scale())
    angle = read_measure(corner_angle, accepts=("°",)).value
    return Brush(
        courses=(replace(row, length=Measure(length)),),
        corners=CornerRule(corner, angle),
        threads=(read_colour(colour),),
    )
