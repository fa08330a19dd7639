"""A run unrolled: each repeat as it was laid, on a straight line."""

from __future__ import annotations

import numpy as np
import pytest

from curlet.core.drawing import Stamps
from curlet.core.lay import LaidRow, lay
from curlet.core.lay.draw import draw_run, edges
from curlet.core.lay.unrolled import begins, unrolled
from curlet.core.measures import Scale
from curlet.demo.brushes import BRUSHES
from curlet.formats.brush_file import read_brush
from tests.outlines import shapes_of
from tests.shapes import HEART, circle, polyline, square, star

PATHS = {"square": square(43), "circle": circle(20), "heart": HEART, "star": star(40, 18)}


@pytest.mark.parametrize("path", PATHS.values(), ids=PATHS)
def test_every_stitch_lies_where_it_is_along_the_path_and_is_as_long(path) -> None:
    run = lay(path, read_brush(BRUSHES["topstitch"]).to_core(), Scale())
    row = run.rows[0]
    (item,) = draw_run(unrolled(run, -10, path.length + 10), "tape", "").items
    assert isinstance(item, Stamps)
    order = np.argsort(item.placements[:, 4])
    laid = item.placements[order]
    assert laid[:, 4] == pytest.approx(row.slots.start, abs=1e-9)
    assert laid[:, 0] == pytest.approx(row.slots.end - row.slots.start, abs=1e-9)
    assert laid[:, 5] == pytest.approx(0.0, abs=1e-9)


@pytest.mark.parametrize("name", BRUSHES)
def test_every_brush_is_unrolled_within_its_own_width(name: str) -> None:
    """On a star, whose corners mitre, cut, gather and fold most of them."""
    run = lay(star(60, 27), read_brush(BRUSHES[name]).to_core(), Scale())
    group = draw_run(unrolled(run, 0, run.path.length), "tape", "")
    low, high = edges(run)
    shapes = shapes_of(group)
    assert shapes
    for _, outline, _ in shapes:
        assert outline.points[:, 1].min() >= low - 2.5
        assert outline.points[:, 1].max() <= high + 2.5


def test_only_what_is_asked_for_is_drawn() -> None:
    run = lay(circle(200), read_brush(BRUSHES["rope"]).to_core(), Scale())
    part = shapes_of(draw_run(unrolled(run, 100, 140), "tape", ""))
    x = np.concatenate([outline.points[:, 0] for _, outline, _ in part])
    assert 80 < x.min() < 101
    assert 139 < x.max() < 160


def test_rows_beside_the_path_do_not_lie_over_one_another_at_creases() -> None:
    """The outer row of a twin needle has longer legs than the path."""
    run = lay(square(60), read_brush(BRUSHES["twin"]).to_core(), Scale())
    for course in unrolled(run, -5, 245).courses:
        assert isinstance(course, LaidRow)
        start, end = np.sort(course.repeats.start), np.sort(course.repeats.end)
        assert (start[1:] >= end[:-1] - 1e-6).all()
        assert start[0] >= -1e-6
        assert end[-1] <= 240 + 1e-6


def test_a_run_whose_first_corner_is_no_node_of_its_start_is_unrolled_from_that_corner() -> None:
    """A square whose path begins in the middle of a side: its first leg begins 20 mm on."""
    path = polyline((20, 0), (40, 0), (40, 40), (0, 40), (0, 0), closed=True)
    run = lay(path, read_brush(BRUSHES["topstitch"]).to_core(), Scale())
    assert begins(run) == pytest.approx(20)
    (item,) = draw_run(unrolled(run, 0, 200), "tape", "").items
    assert isinstance(item, Stamps)
    assert np.sort(item.placements[:, 4]) == pytest.approx(np.sort(run.rows[0].slots.start), abs=1e-9)
    assert item.placements[:, 4].min() == pytest.approx(20)


@pytest.mark.parametrize("name", ["rope", "rickrack", "piping"])
def test_what_a_corner_only_cuts_off_again_is_left_away(name: str) -> None:
    """Mitred, these run on past every corner of a square."""
    run = lay(square(60), read_brush(BRUSHES[name], {"/corners/manner": "mitre"}).to_core(), Scale())
    row = run.rows[0]
    assert len(row.repeats) > len(row.slots)
    (course, *_) = unrolled(run, -50, 300).courses
    assert isinstance(course, LaidRow)
    assert len(course.repeats) == len(row.slots)
