"""Numbers of brushes and paths that nobody sees until they are wrong."""

from __future__ import annotations

import numpy as np
import pytest

from curlet.core.brush import Brush, Row, Span
from curlet.core.brush.gauge import gauge
from curlet.core.brush.rules import CornerRule, Fade, FitRule, SwayRule, Swell
from curlet.core.drawing import Outline
from curlet.core.errors import BadInput
from curlet.core.lay.crossings import strip
from curlet.core.measures import Measure, Scale
from curlet.core.motif.families import FAMILIES, Running
from curlet.core.path import find_corners
from curlet.core.path.corners import Corner, run_together
from curlet.core.path.insets import half_width
from curlet.core.path.parallel import parallel
from curlet.core.settings import specs_of
from tests.shapes import circle, polyline


def test_a_swell_and_a_fade_are_drawn_from_start_to_end() -> None:
    for made in (Swell, Fade):
        made(((0.0, 50.0), (0.5, 60.0), (0.5, 70.0), (1.0, 100.0))).check()
        with pytest.raises(BadInput, match="in order"):
            made(((0.5, 50.0), (0.4, 60.0))).check()
        with pytest.raises(BadInput, match="in order"):
            made(((0.1, 50.0), (0.6, 60.0), (0.5, 70.0))).check()
    with pytest.raises(BadInput, match="100"):
        Fade(((0.0, 101.0),)).check()


@pytest.mark.parametrize(("channel", "driver"), [("nothing", "chance"), ("size", "nothing")])
def test_sway_is_of_a_channel_by_a_driver(channel: str, driver: str) -> None:
    with pytest.raises(BadInput, match="Sway moves"):
        SwayRule(channel, driver).check()


def test_lines_are_thickened_by_the_weight_alone() -> None:
    plain = Row(motif=Running(thread=Measure(0.8))).motifs(Scale())[0]
    heavy = Row(motif=Running(thread=Measure(0.8)), weight=250.0).motifs(Scale())[0]
    for before, after in zip(plain.shapes, heavy.shapes, strict=True):
        assert before.shape.stroke is not None
        assert after.shape.stroke is not None
        assert before.shape.stroke.weight == pytest.approx(0.8)
        assert after.shape.stroke.weight == pytest.approx(2.5 * before.shape.stroke.weight)


def test_a_row_is_sized_as_stated() -> None:
    plain, half = (Row(motif=FAMILIES["scallop"](), size=size).motifs(Scale())[0] for size in (100.0, 50.0))
    assert plain.width == pytest.approx(FAMILIES["scallop"]().make(Scale()).width)
    assert half.width == pytest.approx(plain.width / 2)


@pytest.mark.parametrize("offset", [-7.0, 0.0, 7.0])
def test_a_span_reaches_as_far_as_its_offset_and_half_its_width(offset: float) -> None:
    motif = FAMILIES["scallop"]()
    span = Span(motif, Measure(20.0), offset=Measure(offset))
    width = motif.make(Scale()).width
    assert span.drawn_reach(Scale()) == pytest.approx(abs(offset) + width / 2)
    assert span.drawn_span(Scale()) == pytest.approx(width / 2)


def test_rows_that_are_unevenly_spaced_have_no_gauge() -> None:
    def rows(*offsets: float) -> Brush:
        return Brush(courses=tuple(Row(offset=Measure(offset)) for offset in offsets))

    assert gauge(rows(-6.0, 0.0, 6.0)) == Measure(6.0)
    assert gauge(rows(-6.0, 0.0, 6.5)) is None
    assert gauge(rows(0.0, 0.5)) == Measure(0.5)
    assert gauge(rows(0.0, 0.0)) is None


def test_corner_settings_go_by_small_steps_and_small_radii() -> None:
    specs = specs_of(CornerRule)
    assert specs["fullness"].step == 0.1
    CornerRule("rounded", radius=Measure(0.02)).check()
    with pytest.raises(BadInput):
        CornerRule("rounded", radius=Measure(0.005)).check()


@pytest.mark.parametrize(("before", "after", "rounded"), [(0, 0, False), (0.3, 0, True), (0, 0.3, True)])
def test_a_corner_is_rounded_where_it_takes_some_length(before: float, after: float, rounded: bool) -> None:
    assert Corner("n1", 10.0, 90.0, before, after).rounded == rounded


@pytest.mark.parametrize(
    "path", [circle(20.0), polyline((0.0, 0.0), (60.0, 0.0)), polyline((60.0, 9.0), (0.0, 0.0))]
)
def test_strips_are_wound_against_the_frame_that_they_are_left_out_of(path: object) -> None:
    ring = strip(path, 20.0, 5.0, 3.0).points  # type: ignore[arg-type]
    x, y = ring.T
    assert float(x @ np.roll(y, -1) - y @ np.roll(x, -1)) < 0


@pytest.mark.parametrize("apart", [0.2, 0.5, 0.9])
def test_turns_that_lie_close_together_are_one_corner(apart: float) -> None:
    cut = apart / np.sqrt(2)
    path = polyline((0.0, 0.0), (50.0, 0.0), (50.0 + cut, cut), (50.0 + cut, 50.0))
    corners = find_corners(path)
    assert [round(corner.turn) for corner in corners] == [45, 45]
    (one,) = run_together(path, corners, lambda _: True, 3.0)
    assert one.turn == pytest.approx(90)


@pytest.mark.parametrize("turn", [100.0, 130.0, 150.0, 170.0])
def test_a_copy_on_the_inside_of_a_sharp_corner_is_not_rounded_about_it(turn: float) -> None:
    way = np.radians(turn)
    path = polyline((0.0, 0.0), (90.0, 0.0), (90.0 + 90 * np.cos(way), 90 * np.sin(way)))
    (inside,) = parallel(path, 2.0, "round")
    # Two straight legs that meet, shorter than the path by twice the same.
    shorter = 2 * 2.0 * np.tan(way / 2)
    assert inside.length == pytest.approx(path.length - shorter, abs=1e-3)


def test_a_line_there_and_back_has_no_half_width() -> None:
    assert half_width(Outline("MLZ", np.array([[0.0, 0.0], [10.0, 0.0]]))) == 0.0


@pytest.mark.parametrize("shortened", [1, 2, 3])
def test_one_to_three_stitches_are_shortened(shortened: int) -> None:
    FitRule("ease", shortened=shortened).check()
    for wrong in (0, 4):
        with pytest.raises(BadInput, match="One, two or three"):
            FitRule("ease", shortened=wrong).check()
