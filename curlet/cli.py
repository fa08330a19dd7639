"""The command line: lay a brush on a line drawing, or serve the application."""

from __future__ import annotations

import argparse
import json
import sys
from collections.abc import Sequence
from dataclasses import replace
from pathlib import Path as FilePath

from curlet import __version__
from curlet.core.brush import Brush, CornerRule, FitRule, Row, Share
from curlet.core.drawing import Drawing
from curlet.core.dress.colour import read_colour
from curlet.core.errors import BadInput, CurletError
from curlet.core.lay import lay
from curlet.core.lay.draw import draw_run
from curlet.core.measures import Measure, Scale, read_measure, spi_to_pitch
from curlet.core.motif.families import Running
from curlet.core.tally import tally
from curlet.formats.png_out import write_png
from curlet.formats.report import run_report
from curlet.formats.svg_in import TakenIn, read_svg
from curlet.formats.svg_out import write_svg


def main(arguments: Sequence[str] | None = None) -> int:
    """Run a command; errors that people can mend are one line and exit status 2."""
    options = _parser().parse_args(arguments)
    try:
        return int(options.run(options))
    except CurletError as error:
        print(f"curlet: {error}", file=sys.stderr)
    except OSError as error:
        print(f"curlet: {error.filename or 'file'}: {error.strerror}.", file=sys.stderr)
    return 2


def _parser() -> argparse.ArgumentParser:
    parser = argparse.ArgumentParser(prog="curlet", description=__doc__)
    parser.add_argument("--version", action="version", version=__version__)
    commands = parser.add_subparsers(required=True, metavar="COMMAND")
    _add_lay(commands.add_parser("lay", help="lay stitches on every line of an SVG drawing"))
    _add_serve(commands.add_parser("serve", help="serve the application on this machine"))
    return parser


def _add_lay(parser: argparse.ArgumentParser) -> None:
    parser.add_argument("drawing", metavar="LINES.svg")
    parser.add_argument("-o", "--output", required=True, metavar="OUT.svg|OUT.png")
    parser.add_argument("--stitch", default="3mm", help="stitch length, or stitches to the inch: 8spi")
    parser.add_argument("--gap", default="1mm", help="gap, or a share of the stitch: 30%%")
    parser.add_argument("--thread", default="0.4", help="thread thickness")
    parser.add_argument("--colour", default="#e9c46a", help="thread colour")
    parser.add_argument("--ends", default="round", choices=("round", "flat"), help="thread ends")
    parser.add_argument("--fit", default="ease", choices=("leave-over", "even-gaps", "ease"))
    parser.add_argument("--remainder", default="end", choices=("end", "start", "shared"))
    parser.add_argument("--corner", default="pivot", choices=("pivot", "carry"))
    parser.add_argument("--corner-angle", default="30", help="turn that makes a corner, degrees")
    parser.add_argument("--scale", default="1:1", help="drawing scale, such as 1:4")
    parser.add_argument("--ppi", type=float, default=300.0, help="resolution of a PNG")
    parser.add_argument("--report", metavar="R.json", help="write what was laid, measured")
    parser.add_argument("--placements", action="store_true", help="list every repeat in the report")
    parser.set_defaults(run=_lay)


def _add_serve(parser: argparse.ArgumentParser) -> None:
    parser.add_argument("--port", type=int, default=8420)
    parser.add_argument("--data", default="data", help="folder of the database")
    parser.add_argument("--demo", action="store_true", help="load the demo sheets where missing")
    parser.add_argument("--fresh", action="store_true", help="start over with the demo sheets")
    parser.set_defaults(run=_serve)


def _serve(options: argparse.Namespace) -> int:
    from curlet.web.serve import serve

    return serve(options.port, FilePath(options.data), demo=options.demo, fresh=options.fresh)


def _lay(options: argparse.Namespace) -> int:
    suffix = FilePath(options.output).suffix.lower()
    if suffix not in (".svg", ".png"):
        raise BadInput("The output is an .svg or a .png file. Name it so.")
    scale = Scale.read(options.scale)
    brush = _brush(options)
    brush.check(scale)
    taken = read_svg(FilePath(options.drawing).read_bytes())
    for note in taken.notes:
        print(f"curlet: {note}", file=sys.stderr)
    drawing, report = _lay_all(taken, brush, scale, placements=options.placements)
    data = write_svg(drawing) if suffix == ".svg" else write_png(drawing, options.ppi)
    FilePath(options.output).write_bytes(data)
    if options.report:
        FilePath(options.report).write_text(json.dumps(report, indent=1))
    return 0


def _lay_all(
    taken: TakenIn, brush: Brush, scale: Scale, *, placements: bool
) -> tuple[Drawing, dict[str, object]]:
    groups, runs = [], []
    for name, line in zip(_unique([t.name for t in taken.paths]), taken.paths, strict=True):
        run = lay(line.path, brush, scale)
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


def _brush(options: argparse.Namespace) -> Brush:
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
