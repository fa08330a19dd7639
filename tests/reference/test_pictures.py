"""What is written looks the same in a second renderer (resvg)."""

from __future__ import annotations

import struct

import numpy as np
import pytest

from curlet.core.brush import Brush, CornerRule, FitRule, Row
from curlet.core.drawing import Drawing
from curlet.core.lay import lay
from curlet.core.lay.draw import draw_run
from curlet.core.lay.draw_row import placements_of
from curlet.core.measures import Measure, Scale
from curlet.core.motif.families import Running
from curlet.core.path import Path
from curlet.core.path.outline import outline_of
from curlet.formats.numbers import outline_data
from curlet.formats.png_out import write_png
from curlet.formats.svg_out import write_svg
from tests.reference.pictures import covers, differing, grown, inked, read_png, resvg
from tests.shapes import circle, cubic, polyline

PX_PER_MM = 20
SIZE = 60.0


def _brush(
    length: float, gap: float, thread: float, corners: str = "pivot", fit: str = "leave-over"
) -> Brush:
    row = Row(Running(Measure(thread), "flat"), Measure(length), Measure(gap), FitRule(fit))
    return Brush(courses=(row,), corners=CornerRule(corners), threads=("#000000",))


def _moved(path: Path, x: float, y: float) -> Path:
    shift = np.array([x, y])
    return Path.make(path.node_ids, path.points + shift, path.into + shift, path.out + shift, path.closed)


def _drawing(path: Path, brush: Brush) -> Drawing:
    return Drawing(SIZE, SIZE, (draw_run(lay(path, brush, Scale()), "run", "run"),))


def _dashed(path: Path, length: float, gap: float, thread: float) -> str:
    return (
        f'<svg xmlns="http://www.w3.org/2000/svg" width="{SIZE}mm" height="{SIZE}mm" '
        f'viewBox="0 0 {SIZE} {SIZE}"><path d="{outline_data(outline_of(path))}" fill="none" '
        f'stroke="#000" stroke-width="{thread}" stroke-dasharray="{length} {gap}"/></svg>'
    )


LEGS = {
    "level": polyline((5, 10), (54, 10)),
    "slanted": polyline((5, 8), (50, 47)),
    "upright": polyline((30, 4), (30, 55)),
}


@pytest.mark.parametrize("name", LEGS)
def test_straight_legs_as_asked_are_a_dashed_line(name: str) -> None:
    # SVG 2, stroke-dasharray: dash lengths are laid from the start, as leave over lays stitches.
    path, size = LEGS[name], round(SIZE * PX_PER_MM)
    whole = 3.0 * round(path.length // 4.0) + 1.0 * round(path.length // 4.0)
    path = _cut(path, whole)
    ours = resvg(write_svg(_drawing(path, _brush(3, 1, 0.6))), size, size)
    theirs = resvg(_dashed(path, 3, 1, 0.6), size, size)
    assert inked(theirs) > 0.005
    assert differing(ours, theirs) < 1e-4


def _cut(path: Path, length: float) -> Path:
    end = path.arc.points([length])[0]
    return polyline(tuple(path.points[0]), tuple(end))


@pytest.mark.parametrize(
    "path",
    [
        _moved(circle(64 / np.pi), 30, 30),
        cubic((5, 30), (20, 0), (40, 60), (55, 30)),
    ],
)
def test_curved_stitches_stay_within_the_sagitta(path: Path) -> None:
    # SVG 2, stroke-dasharray, and the sagitta of a chord, l²/8R: thread lies straight between holes.
    length, gap, thread = 3.0, 1.0, 0.6
    run = lay(path, _brush(length, gap, thread, "carry"), Scale())
    laid = run.main
    assert laid is not None
    at, slots = placements_of(laid), laid.slots
    assert at is not None
    middles = at.start + at.along * at.length[:, None] / 2
    on_path = path.arc.points((slots.start + slots.end) / 2)
    spans = zip(slots.start, slots.end, strict=True)
    tightest = np.array([np.abs(path.arc.curvature(np.linspace(a, b, 21))).max() for a, b in spans])
    sagitta = length**2 / 8 * tightest
    assert (np.hypot(*(middles - on_path).T) <= 1.001 * sagitta + 1e-9).all()
    size = round(SIZE * PX_PER_MM)
    ours = resvg(write_svg(_drawing(path, _brush(length, gap, thread, "carry"))), size, size)
    theirs = resvg(_dashed(path, length, gap, thread), size, size)
    reach = int(np.ceil(sagitta.max() * PX_PER_MM + 1))
    assert covers(grown(ours, reach), theirs)
    assert covers(grown(theirs, reach), ours)


@pytest.mark.parametrize("ends", ["round", "flat"])
def test_our_png_is_the_second_renderers_picture(ends: str) -> None:
    row = Row(Running(Measure(0.8), ends), Measure(4), Measure(2), FitRule("ease"))
    brush = Brush(courses=(row,), threads=("#c8553d",))
    run = lay(polyline((6, 6), (46, 12), (40, 47), (8, 40), closed=True), brush, Scale())
    drawing = Drawing(50.8, 50.8, (draw_run(run, "run", "run"),))
    ours = read_png(write_png(drawing, 400))
    theirs = resvg(write_svg(drawing), ours.shape[1], ours.shape[0])
    assert inked(ours) > 0.005
    assert differing(ours, theirs) < 5e-4


def test_three_hundred_ppi_is_11811_to_the_metre() -> None:
    # PNG 3rd edition, 11.3.4.3 pHYs; 300/0.0254 = 11,811.02.
    data = write_png(Drawing(25.4, 12.7), 300)
    at = data.index(b"pHYs")
    x, y, unit = struct.unpack(">IIB", data[at + 4 : at + 13])
    assert (x, y, unit) == (11811, 11811, 1)
    assert x * 0.0254 == pytest.approx(299.9994)
    assert read_png(data).shape[:2] == (150, 300)


def test_svg_is_of_true_size() -> None:
    # SVG 2, 8.2: width and height in mm with a viewBox of as many units make one unit 1 mm.
    text = write_svg(Drawing(210, 297)).decode()
    assert 'width="210mm" height="297mm" viewBox="0 0 210 297"' in text
