"""Tracing a picture: true to the stated distance, without gaps or rims, and only what was asked for."""

from __future__ import annotations

import math
from dataclasses import replace

import numpy as np
import pytest
from shapely import Point, Polygon, union_all
from shapely.geometry.base import BaseGeometry

from curlet.core.errors import BadInput
from curlet.core.motif.families.artwork import read_outline
from curlet.core.motif.tracing import Crop, Stopped, Traced, TraceRule, trace
from curlet.core.motif.tracing.tones import lightened
from tests import pixels as px
from tests.outlines import even_odd_area, flattened, polygon

RED, BLUE, GREEN, SAND = (192, 57, 43), (31, 58, 110), (70, 130, 90), (240, 228, 200)
# A pixel is 0.1 mm.
RULE = TraceRule(length=40, specks=0.05, within=0.03)
COLOURS = replace(RULE, by="colours", colours=4)


def areas(traced: Traced) -> list[BaseGeometry]:
    return [even_odd_area(read_outline(shape.d)) for shape in traced.shapes]


@pytest.mark.parametrize("within", [0.03, 0.06, 0.2])
@pytest.mark.parametrize("radius", [3.0, 10.0])
def test_a_disc_is_traced_within_the_stated_distance(within: float, radius: float) -> None:
    picture = px.paint(px.canvas(300, 400), px.disc(203.3, 148.7, radius * 10), (20, 20, 20))
    traced = trace(picture, replace(RULE, within=within))
    assert len(traced.shapes) == 1
    points = np.concatenate(flattened(read_outline(traced.shapes[0].d)))
    off = np.hypot(points[:, 0] - 20.33, points[:, 1] - 14.87) - radius
    # The picture's own pixels are 0.1 mm: half a pixel's haze is not the outline's.
    assert np.abs(off).max() < within + 0.02
    assert traced.pixel == pytest.approx(0.1)


def test_a_square_keeps_its_corners_and_its_sides_are_straight() -> None:
    turn = math.radians(17)

    def depth(x: np.ndarray, y: np.ndarray) -> np.ndarray:
        u = (x - 200) * math.cos(turn) + (y - 150) * math.sin(turn)
        v = -(x - 200) * math.sin(turn) + (y - 150) * math.cos(turn)
        return np.minimum(80 - np.abs(u), 60 - np.abs(v))

    (shape,) = trace(px.paint(px.canvas(300, 400), depth, (0, 0, 0)), RULE).shapes
    outline = read_outline(shape.d)
    assert outline.commands.replace("Z", "") == "MLLLL"
    assert polygon(outline).area == pytest.approx(16 * 12, rel=2e-3)
    corner = np.array(
        [20 + 8 * math.cos(turn) - 6 * math.sin(turn), 15 + 8 * math.sin(turn) + 6 * math.cos(turn)]
    )
    assert np.hypot(*(outline.points - corner).T).min() < 0.03


def test_small_areas_are_dropped_and_small_holes_filled() -> None:
    picture = px.paint(px.canvas(300, 400), px.box(50, 50, 150, 150), (0, 0, 0))
    for at, r in ((100, 4), (300, 4)):
        picture = px.paint(picture, px.disc(at, 100, r), (255, 255, 255) if at == 100 else (0, 0, 0))
    speck = math.pi * 0.4**2
    kept = trace(picture, replace(RULE, specks=0.8 * speck))
    assert [len(flattened(read_outline(s.d))) for s in kept.shapes] == [2, 1]
    dropped = trace(picture, replace(RULE, specks=1.2 * speck))
    assert [len(flattened(read_outline(s.d))) for s in dropped.shapes] == [1]


def test_light_and_dark_change_places() -> None:
    picture = px.paint(px.canvas(300, 400), px.disc(200, 150, 80), (0, 0, 0))
    (dark,) = areas(trace(picture, RULE))
    (light,) = areas(trace(picture, replace(RULE, swapped=True)))
    assert dark.union(light).area == pytest.approx(40 * 30, rel=1e-3)
    assert dark.intersection(light).area < 0.5


def test_what_is_cropped_away_is_not_traced_and_the_rest_is_as_long_as_stated() -> None:
    picture = px.paint(px.canvas(300, 400), px.disc(100, 150, 40), (0, 0, 0))
    picture = px.paint(picture, px.disc(300, 150, 40), (0, 0, 0))
    traced = trace(picture, replace(RULE, length=20, crop=Crop(left=0.5)))
    (area,) = areas(traced)
    assert (traced.length, traced.width) == pytest.approx((20, 30))
    assert area.symmetric_difference(Point(10, 15).buffer(4, 64)).area < 0.3


def test_a_darker_picture_has_more_in_it() -> None:
    picture = px.paint(px.canvas(300, 400), px.disc(200, 150, 80), (150, 150, 150))
    with pytest.raises(BadInput, match="Nothing was found"):
        trace(picture, RULE)
    assert len(trace(picture, replace(RULE, lighten=-60)).shapes) == 1
    assert len(trace(picture, replace(RULE, cut_off=70)).shapes) == 1


def three_areas() -> np.ndarray:
    """Two halves of a disc in two colours, with a ring of a third round it."""
    picture = px.paint(px.canvas(300, 400, SAND), px.disc(200, 150, 110), GREEN)
    picture = px.paint(picture, px.disc(200, 150, 80), RED)
    half = px.paint(picture, px.disc(200, 150, 80), BLUE)
    return np.concatenate([picture[:, :200], half[:, 200:]], axis=1)


def test_colours_are_found_and_leave_no_gap_between_them() -> None:
    traced = trace(three_areas(), COLOURS)
    colours = [shape.fill.own for shape in traced.shapes if shape.fill]
    wanted = ["#%02x%02x%02x" % c for c in (GREEN, RED, BLUE)]
    assert sorted(set(colours)) == sorted(wanted)
    whole = union_all(areas(traced))
    # A quarter of a pixel all round, on the whole.
    assert whole.symmetric_difference(Point(20, 15).buffer(11, 128)).area < 0.025 * 2 * math.pi * 11
    assert isinstance(whole, Polygon)
    assert not whole.interiors
    # What is seen: each colour's area less what lies over it.
    seen: dict[str, float] = {}
    over: BaseGeometry = Polygon()
    for shape, area in zip(reversed(traced.shapes), reversed(areas(traced)), strict=True):
        assert shape.fill
        assert shape.fill.own
        seen[shape.fill.own] = seen.get(shape.fill.own, 0) + area.difference(over).area
        over = over.union(area)
    halves = math.pi * 8**2 / 2
    for colour, size in zip(wanted, (math.pi * (11**2 - 8**2), halves, halves), strict=True):
        assert seen[colour] == pytest.approx(size, rel=0.02)


def test_no_rim_of_a_third_colour_shows_between_two() -> None:
    # Grey lies between black and white, and is a colour of the picture elsewhere.
    picture = px.paint(px.canvas(300, 400), px.disc(120, 150, 80), (0, 0, 0))
    picture = px.paint(picture, px.box(260, 60, 360, 240), (128, 128, 128))
    traced = trace(picture, replace(COLOURS, colours=3, specks=0.02))
    assert [shape.fill.own for shape in traced.shapes if shape.fill] == ["#808080", "#000000"]


def test_a_thin_line_is_not_taken_for_an_edge() -> None:
    picture = px.paint(px.canvas(300, 400), px.box(40, 148, 360, 151), BLUE)
    picture = px.paint(picture, px.disc(200, 60, 40), RED)
    traced = trace(picture, replace(COLOURS, colours=3))
    longest = max(
        polygon(read_outline(s.d)).bounds[2] - polygon(read_outline(s.d)).bounds[0] for s in traced.shapes
    )
    assert longest == pytest.approx(32, abs=0.3)


def test_the_background_and_what_reaches_the_edge_are_left_out() -> None:
    picture = px.paint(px.canvas(300, 400, SAND), px.disc(0, 150, 60), RED)
    picture = px.paint(picture, px.disc(250, 150, 60), BLUE)
    whole = trace(picture, replace(COLOURS, background=False))
    assert union_all(areas(whole)).area == pytest.approx(40 * 30, rel=2e-3)
    without = trace(picture, COLOURS)
    assert [shape.fill.own for shape in without.shapes if shape.fill] == ["#c0392b", "#1f3a6e"]
    inner = trace(picture, replace(COLOURS, scraps=True))
    assert [shape.fill.own for shape in inner.shapes if shape.fill] == ["#1f3a6e"]


def test_what_is_cut_out_stays_cut_out() -> None:
    picture = px.paint(px.canvas(300, 400, RED), px.disc(200, 150, 60), BLUE)
    picture[:, :100, 3] = 0
    whole = union_all(areas(trace(picture, replace(COLOURS, background=False))))
    assert whole.area == pytest.approx(30 * 30, rel=5e-3)


def shaded(radial: bool) -> np.ndarray:
    """A disc that shades from one colour to another, on a plain background."""
    picture = px.canvas(300, 400).astype(float)
    y, x = np.mgrid[:300, :400] + 0.5
    share = np.hypot(x - 190, y - 140) / 120 if radial else (x - 100) / 200
    colour = np.array([230, 90, 40]) * (1 - share[..., None]) + np.array([40, 60, 150]) * share[..., None]
    inside = np.hypot(x - 200, y - 150) < 100
    picture[inside, :3] = colour[inside]
    return np.clip(picture, 0, 255).astype(np.uint8)


@pytest.mark.parametrize("radial", [False, True])
def test_bands_become_one_gradient(radial: bool) -> None:
    banded = trace(shaded(radial), replace(COLOURS, colours=8, most=500))
    assert len(banded.shapes) > 3
    traced = trace(shaded(radial), replace(COLOURS, colours=8, bands=True))
    top = traced.shapes[-1]
    assert top.gradient is not None
    assert top.gradient.form == ("radial" if radial else "linear")
    assert len([shape for shape in traced.shapes if shape.gradient]) == 1
    assert polygon(read_outline(top.d)).area == pytest.approx(math.pi * 100, rel=0.02)
    first, last = (int(top.gradient.stops[i].role.own[1:3], 16) for i in (0, -1))  # type: ignore[index]
    assert abs(first - last) > 120
    if radial:
        assert top.gradient.start == pytest.approx((19, 14), abs=0.8)


def test_the_largest_are_kept_and_how_many_there_were_is_said() -> None:
    picture = px.canvas(300, 400)
    for k in range(6):
        picture = px.paint(picture, px.disc(40 + 60 * k, 150, 6 + 3 * k), (0, 0, 0))
    traced = trace(picture, replace(RULE, most=2))
    assert traced.found == 6
    assert sorted(round(math.sqrt(a.area / math.pi), 1) for a in areas(traced)) == [1.8, 2.1]


def test_a_tracing_says_how_far_it_is_and_can_be_stopped() -> None:
    told: list[float] = []
    trace(three_areas(), COLOURS, lambda share, what: told.append(share))
    assert told == sorted(told)
    assert told[-1] == 1

    def stop(share: float, what: str) -> None:
        if share > 0.2:
            raise Stopped

    with pytest.raises(Stopped):
        trace(three_areas(), COLOURS, stop)


@pytest.mark.parametrize(
    ("change", "words"),
    [
        ({"length": 0}, "length"),
        ({"colours": 1}, "Colours"),
        ({"within": 0}, "Outline within"),
        ({"corners": 5}, "Corners kept"),
        ({"cut_off": float("nan")}, "cut-off"),
        ({"by": "magic"}, "one cut-off"),
        ({"crop": Crop(left=0.6, right=0.6)}, "Nothing of the picture"),
        ({"crop": Crop(top=-0.1)}, "0 to 100"),
    ],
)
def test_impossible_figures_are_refused(change: dict[str, object], words: str) -> None:
    with pytest.raises(BadInput, match=words):
        trace(three_areas(), replace(RULE, **change))  # type: ignore[arg-type]


@pytest.mark.parametrize(("x", "y"), [(0, 150), (400, 150), (200, 0), (200, 300)])
def test_what_reaches_any_side_is_left_out(x: float, y: float) -> None:
    picture = px.paint(px.canvas(300, 400, SAND), px.disc(x, y, 60), RED)
    picture = px.paint(picture, px.disc(200, 150, 40), BLUE)
    inner = trace(picture, replace(COLOURS, scraps=True))
    assert [shape.fill.own for shape in inner.shapes if shape.fill] == ["#1f3a6e"]


@pytest.mark.parametrize("by", [-100.0, -30.0, 30.0, 100.0])
def test_white_stays_white_and_black_black_however_a_picture_is_lightened(by: float) -> None:
    grey = np.array([[[0, 0, 0, 255], [127, 127, 127, 255], [255, 255, 255, 255]]], dtype=np.uint8)
    made = lightened(grey, by)[0, :, 0].tolist()
    assert (made[0], made[2]) == (0, 255)
    assert (made[1] > 127) == (by > 0)
