"""Spans: one piece of artwork from end to end of a path."""

from __future__ import annotations

import numpy as np
import pytest
from shapely import LineString, Point, box, union_all

from curlet.core.brush import (
    Brush,
    CrossingRule,
    Span,
)
from curlet.core.drawing import Laid, Outline, Shape, Solid, Stroke
from curlet.core.dress.colour import ColourRole
from curlet.core.lay import RunRule, lay
from curlet.core.lay.draw import draw_run
from curlet.core.measures import Measure, Scale
from curlet.core.motif.cut import part_of
from curlet.core.motif.families import ArtShape, Artwork
from curlet.core.motif.families.artwork import read_outline
from curlet.core.path.crossings import find_crossings
from curlet.core.tally import tally
from tests.outlines import flattened, polygon, shapes_of
from tests.shapes import circle, cubic, line

LOOP = cubic((0, 60), (140, -60), (-40, -60), (100, 60))


def test_a_span_runs_from_end_to_end_with_its_ends_in_proportion() -> None:
    tick = "M0 0L10 0L10 -3L30 -3L30 0L40 0"
    art = Artwork((ArtShape(tick, stroke=ColourRole(), weight=0.3),), 40, 6)
    span = Span(art, Measure(40.0), keep_ends=Measure(10.0))
    (_, outline, _), *_ = shapes_of(draw_run(lay(line(100), Brush(courses=(span,)), Scale()), "r", ""))
    corners = sorted({round(x, 6) for x in outline.points[:, 0]})
    assert {0.0, 10.0, 90.0, 100.0} <= set(corners)


def test_a_span_that_does_not_meet_itself_is_told() -> None:
    wedge = Artwork((ArtShape("M0 -1L40 -3L40 3L0 1Z", fill=ColourRole()),), 40, 6)
    run = lay(circle(30), Brush(courses=(Span(wedge, Measure(40.0)),)), Scale())
    assert [w.code for w in tally(run).warnings] == ["span-step"]
    for step in (0, 0.0004):
        even = Artwork((ArtShape(f"M0 -1L40 -{1 + step}L40 {1 + step}L0 1Z", fill=ColourRole()),), 40, 6)
        assert tally(lay(circle(30), Brush(courses=(Span(even, Measure(40.0)),)), Scale())).warnings == ()


def _wavy() -> Shape:
    outline = read_outline("M0 -2C3 -4 7 -1 10 -2L10 2C7 4 3 1 0 2Z")
    paint = Solid("#000000")
    return Shape(Outline(outline.commands, outline.points / (10, 1)), paint, Stroke(paint, 0.2))


@pytest.mark.parametrize(("low", "high"), [(0.0, 0.4), (0.3, 0.6), (0.55, 1.0)])
def test_a_part_of_a_spans_artwork_is_cut_square(low: float, high: float) -> None:
    whole = polygon(_wavy().outline)
    fill, lines = part_of(_wavy(), low, high)
    part = whole.intersection(box(low, -9, high, 9))
    assert fill.stroke is None
    assert polygon(fill.outline).symmetric_difference(part).area < 4e-3
    # Its lines are those of the outline between the cuts: no line along a cut inside the artwork.
    for chain in flattened(lines.outline):
        inside = chain[(chain[:, 0] > low + 1e-9) & (chain[:, 0] < high - 1e-9)]
        assert len(inside)
        assert all(whole.exterior.distance(Point(p)) < 5e-3 for p in inside)


def test_a_span_crosses_over_and_under_itself() -> None:
    """What lies on top where the path crosses is the pass that is over, and a flip changes it."""
    art = Artwork((ArtShape("M0 -2L40 -2L40 2L0 2Z", fill=ColourRole(1)),), 40, 4)
    rule = CrossingRule("over-under", Measure(1.0))
    brush = Brush(courses=(Span(art, Measure(40.0)),), crossings=rule)
    tops = []
    for flips in (frozenset(), frozenset({find_crossings(LOOP)[0].key})):
        run = lay(LOOP, brush, Scale(), RunRule(flips=flips))
        group = draw_run(run, "r", "")
        (part,) = [item for item in group.items if isinstance(item, Laid)]
        over = LineString(run.path.arc.points(run.passes[0].over + np.linspace(-3, 3, 40)))
        area = union_all([polygon(shape.outline) for shape in part.shapes])
        assert over.buffer(1.9, cap_style="flat").difference(area).area < 0.01
        tops.append(run.passes[0].over)
    assert tops[0] != tops[1]
