"""How laying, painting and writing grow with what there is: linear is ten times as long for ten times it."""

from __future__ import annotations

import time
from collections.abc import Callable, Sequence
from pathlib import Path as FilePath

from curlet.core.drawing import Drawing, Group
from curlet.core.lay import lay
from curlet.core.lay.draw import draw_run
from curlet.core.measures import Scale
from curlet.core.path import Path
from curlet.formats.png_out import write_png
from curlet.formats.svg_out import write_svg
from speed.chart import chart
from speed.laying import fresh, stitches
from speed.paths import winding
from speed.timing import begin, say

REPEATS = (2_000, 20_000, 200_000)
PATHS = (100, 1_000, 10_000)
EACH = 20
PLOT = FilePath(__file__).parent.parent / "docs/speed.svg"
Made = Callable[[int], list[Group]]


def run() -> None:
    begin("Growth, a tenth of it against all of it (10 is linear)")
    lines = {
        **_grown("repeats", REPEATS, lambda count: _runs([winding()], count)),
        **_grown(
            "paths", PATHS, lambda count: _runs([winding(4, 100.0 + i / 100) for i in range(count)], EACH)
        ),
    }
    PLOT.write_text(chart(lines, "repeats, or paths of 20 stitches", "seconds"))


def _runs(paths: Sequence[Path], repeats: int) -> list[Group]:
    brush = stitches(round(repeats * 10_000 / paths[0].length))
    return [draw_run(lay(fresh(path), brush, Scale()), f"run-{i}", "") for i, path in enumerate(paths)]


def _grown(what: str, counts: Sequence[int], make: Made) -> dict[str, list[tuple[float, float]]]:
    lines: dict[str, list[tuple[float, float]]] = {}
    for count in counts:
        start = time.perf_counter()
        groups = make(count)
        laid = time.perf_counter() - start
        drawing = Drawing(300.0, 200.0, tuple(groups))
        took = {
            "laid": laid,
            "painted": _took(write_png, drawing, 72.0),
            "written as SVG": _took(write_svg, drawing),
        }
        for step, seconds in took.items():
            lines.setdefault(f"{what}, {step}", []).append((count, seconds))
    for name, spots in lines.items():
        (_, before), (most, after) = spots[-2:]
        say(f"{name}, {most:,}", after / before, "×", 12, beside=f"{after:.2f} s")
    return lines


def _took(work: Callable[..., object], *given: object) -> float:
    start = time.perf_counter()
    work(*given)
    return time.perf_counter() - start
