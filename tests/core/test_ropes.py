"""Ropes: nothing outside the cord at any corner, no gap in it, and square ends."""

from __future__ import annotations

import numpy as np
import pytest
from shapely import LinearRing, LineString, box, union_all
from shapely.geometry.base import BaseGeometry

from curlet.core.drawing import Item
from curlet.core.lay import lay
from curlet.core.lay.draw import draw_run
from curlet.core.measures import Scale
from curlet.core.path import Path
from curlet.formats.brush_courses import SpanDoc
from curlet.store.edits.recipes import brush_of
from tests.marked import marked_rope
from tests.outlines import flattened, main_row, polygon, shapes_of
from tests.shapes import circle, line, square, turn

LAID = brush_of("laid", "Rope").to_core()


def rounded(side: float, radius: float) -> Path:
    """A square with round corners."""
    k, r, s = 0.5522847 * radius, radius, side
    points = [(r, 0), (s - r, 0), (s, r), (s, s - r), (s - r, s), (r, s), (0, s - r), (0, r)]
    into = [(r - k, 0), (s - r, 0), (s, r - k), (s, s - r), (s - r + k, s), (r, s), (0, s - r + k), (0, r)]
    out = [(r, 0), (s - r + k, 0), (s, r), (s, s - r + k), (s - r, s), (r - k, s), (0, s - r), (0, r - k)]
    return Path.make(
        [f"n{i}" for i in range(8)], np.array(points), np.array(into), np.array(out), closed=True
    )


def drawn(item: Item) -> BaseGeometry:
    """Everything drawn, lines with their weight."""
    parts = []
    for shape, outline, _ in shapes_of(item):
        if shape.fill:
            parts.append(polygon(outline))
        if shape.stroke:
            half, ring = shape.stroke.weight / 2, "Z" in outline.commands
            lines = [LinearRing(p) if ring else LineString(p) for p in flattened(outline)]
            parts += [one.buffer(half, cap_style="flat", join_style="mitre") for one in lines]
    return union_all(parts)


@pytest.mark.parametrize("radius", [1.0, 2.0, 3.5, 6.0])
def test_marks_stay_within_the_cord_at_rounded_corners(radius: float) -> None:
    """They stood outside it at radii of 1 to 6 mm."""
    group = draw_run(lay(rounded(60, radius), marked_rope().to_core(), Scale()), "r", "")
    cord, marks = (drawn(item) for item in group.items[:2])
    assert marks.difference(cord.buffer(0.02)).area < 0.05


@pytest.mark.parametrize("path", [square(60), circle(20), turn(100, 60), turn(-60, 60)])
def test_strands_fill_the_cord_and_stay_in_it(path: Path) -> None:
    whole = drawn(draw_run(lay(path, LAID, Scale()), "r", ""))
    s = np.linspace(0, path.length, 2000)
    spine = LineString(path.arc.points(np.union1d(s, path.node_positions)))
    cord = spine.buffer(4.0, join_style="mitre", cap_style="flat", quad_segs=64)
    if path.closed:
        cord = LinearRing(spine.coords[:-1]).buffer(4.0, join_style="mitre", quad_segs=64)
    assert whole.difference(cord.buffer(0.03)).area < 0.1
    inner = spine.buffer(0.85 * 4.0, join_style="mitre", cap_style="flat", quad_segs=64)
    assert inner.difference(whole).area < 0.02 * inner.area


@pytest.mark.parametrize("length", [40.0, 53.7])
def test_an_open_rope_is_cut_square_at_its_ends(length: float) -> None:
    whole = drawn(draw_run(lay(line(length), LAID, Scale()), "r", ""))
    assert whole.bounds[0] == pytest.approx(0.0, abs=1e-6)
    assert whole.bounds[2] == pytest.approx(length, abs=1e-6)
    for end in (0.05, length - 0.05):
        # Up to its end the cord is as wide as its inside.
        assert whole.intersection(LineString([(end, -9), (end, 9)])).length >= 0.89 * 8
    assert box(0, -4, length, 4).buffer(1e-6).contains(whole)


def test_every_strand_is_one_whole_shape() -> None:
    """No crumbs: on a straight line every strand away from the ends has the same area."""
    run = lay(line(120), LAID, Scale())
    drawn = [outline for _, outline, _ in shapes_of(draw_run(run, "r", ""))]
    areas = np.array([polygon(outline).area for outline in drawn if outline.commands.count("M") == 1])
    # What lies over is strands alone: a third of the shapes at least are whole ones, all alike.
    whole = np.abs(areas - areas.max()) < 1e-3 * areas.max()
    assert whole.sum() >= len(main_row(run).slots) - 3


@pytest.mark.parametrize("name", ["laid", "cord", "flat-braid", "round-braid", "c-mark"])
def test_a_rope_stretched_once_stays_on_its_path(name: str) -> None:
    """Strands reach over their cell into their neighbours': stretched, they would reach far past the ends."""
    row = brush_of(name).courses[0]
    span = SpanDoc(course="span", motif=row.motif, length=row.length)
    brush = brush_of(name).model_copy(update={"courses": (span,)}).to_core()
    whole = drawn(draw_run(lay(line(200), brush, Scale()), "r", ""))
    assert whole.bounds[0] == pytest.approx(0.0, abs=0.01)
    assert whole.bounds[2] == pytest.approx(200.0, abs=0.01)
