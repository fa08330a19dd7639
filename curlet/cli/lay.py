"""`curlet lay`: stitches on every line of an SVG drawing."""

from __future__ import annotations

import json
import sys
from dataclasses import dataclass, replace
from pathlib import Path as FilePath
from typing import Any

import click

from curlet.cli.files import check_outputs, write_all
from curlet.cli.options import PATH
from curlet.core.brush import Brush, CornerRule, FitRule, Row, Share
from curlet.core.brush.rules import REMAINDERS
from curlet.core.drawing import Drawing
from curlet.core.dress.colour import read_colour
from curlet.core.errors import BadInput
from curlet.core.lay import lay as lay_brush
from curlet.core.lay.corners import MANNERS
from curlet.core.lay.draw import draw_run
from curlet.core.lay.fit import FITS
from curlet.core.measures import Measure, Scale, read_measure, spi_to_pitch
from curlet.core.motif.families import Running
from curlet.core.tally import tally
from curlet.formats.output import FileSettings
from curlet.formats.outputs import OUTPUTS, write
from curlet.formats.report import run_report
from curlet.formats.svg_in import ImportedDrawing, read_svg


@dataclass(frozen=True)
class _Options:
    """What was asked for, as entered."""

    drawing: FilePath
    output: FilePath
    stitch: str
    gap: str
    thread: str
    colour: str
    ends: str
    fit: str
    remainder: str
    corner: str
    corner_angle: str
    scale: str
    ppi: float
    quality: float
    report: FilePath | None
    placements: bool
    force: bool


@click.command()
@click.argument("drawing", metavar="LINES.svg", type=PATH)
@click.option("-o", "--output", required=True, metavar="|".join(f"OUT.{name}" for name in OUTPUTS), type=PATH)
@click.option("--stitch", default="3mm", help="stitch length, or stitches to the inch: 8spi")
@click.option("--gap", default="1mm", help="gap, or a share of the stitch: 30%")
@click.option("--thread", default="0.4", help="thread thickness")
@click.option("--colour", default="#e9c46a", help="thread colour")
@click.option("--ends", default="round", type=click.Choice(("round", "flat")), help="thread ends")
@click.option("--fit", default="ease", type=click.Choice(tuple(FITS)))
@click.option("--remainder", default="end", type=click.Choice(tuple(REMAINDERS)))
@click.option("--corner", default="pivot", type=click.Choice(tuple(MANNERS)))
@click.option("--corner-angle", default="30", help="turn that makes a corner, degrees")
@click.option("--scale", default="1:1", help="drawing scale, such as 1:4")
@click.option("--ppi", type=float, default=300.0, help="resolution of pictures", show_default=True)
@click.option("--quality", type=float, default=90.0, help="of a JPEG, 1 to 100 %", show_default=True)
@click.option("--report", metavar="R.json", type=PATH, help="write what was laid, measured")
@click.option("--placements", is_flag=True, help="list every repeat in the report")
@click.option("--force", is_flag=True, help="write over files that are there")
def lay(**options: Any) -> int:
    """Lay stitches on every line of an SVG drawing."""
    return _lay(_Options(**options))


def _lay(options: _Options) -> int:
    form = options.output.suffix.lower().removeprefix(".")
    if form not in OUTPUTS:
        *others, last = (f".{name}" for name in OUTPUTS)
        raise BadInput(f"The output's name ends in {', '.join(others)} or {last}. Name it so.")
    reports = [options.report] if options.report else []
    check_outputs([options.drawing], [options.output, *reports], force=options.force)
    scale = Scale.read(options.scale)
    brush = _brush(options)
    brush.check(scale)
    taken = read_svg(options.drawing.read_bytes())
    for note in taken.notes:
        print(f"curlet: {note}", file=sys.stderr)
    drawing, report = _lay_all(taken, brush, scale, placements=options.placements)
    written = {options.output: write(form, [drawing], FileSettings(options.ppi, options.quality))}
    if options.report:
        written[options.report] = json.dumps(report, indent=1).encode()
    write_all(written)
    return 0


def _lay_all(
    taken: ImportedDrawing, brush: Brush, scale: Scale, *, placements: bool
) -> tuple[Drawing, dict[str, object]]:
    groups, runs = [], []
    for name, line in zip(_unique([t.name for t in taken.paths]), taken.paths, strict=True):
        run = lay_brush(line.path, brush, scale)
        groups.append(draw_run(run, f"run-{name}", f"{line.name}, {brush.name}"))
        runs.append(run_report(name, run, tally(run), placements=placements))
    return Drawing(taken.width, taken.height, tuple(groups)), {"unit": "mm", "runs": runs}


def _unique(names: list[str]) -> list[str]:
    """Ids from names; a repeated one is numbered."""
    seen: dict[str, int] = {}
    out = []
    for name in names:
        seen[name] = seen.get(name, 0) + 1
        out.append(name if seen[name] == 1 else f"{name}-{seen[name]}")
    return out


def _brush(options: _Options) -> Brush:
    gap = read_measure(options.gap, accepts=("mm", "%"))
    stitch = read_measure(options.stitch, accepts=("mm", "spi"))
    row = Row(
        motif=Running(Measure(read_measure(options.thread).value), options.ends),
        gap=Share(gap.value) if gap.unit == "%" else Measure(gap.value),
        fit=FitRule(kind=options.fit, remainder=options.remainder),
    )
    if stitch.unit == "spi":
        length = row.length_for_pitch(spi_to_pitch(stitch.value), Scale())
    else:
        length = stitch.value
    angle = read_measure(options.corner_angle, accepts=("°",)).value
    return Brush(
        courses=(replace(row, length=Measure(length)),),
        corners=CornerRule(options.corner, angle),
        threads=(read_colour(options.colour),),
    )
