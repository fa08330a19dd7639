"""Bent artwork: neighbours meet, kinks are bridged, widths swell, flips flip."""

from __future__ import annotations

import math

import numpy as np
import pytest
from hypothesis import given
from hypothesis import strategies as st
from shapely import LinearRing, LineString, Point

from curlet.core.brush import Brush, CornerRule, Facing, FitRule, Row, SwayRule, Swell
from curlet.core.drawing import Outline
from curlet.core.dress.colour import ColourRole
from curlet.core.lay import LaidRun, RunRule, lay
from curlet.core.lay.draw import draw_run
from curlet.core.lay.frames import LegLine
from curlet.core.lay.hold.lap import meet
from curlet.core.lay.hold.mapping import Bent
from curlet.core.measures import Measure, Scale
from curlet.core.motif.families import ArtShape, Artwork
from curlet.core.path import Path
from curlet.core.path.contours import contours
from curlet.core.path.corners import find_legs
from curlet.demo.brushes import BRUSHES
from curlet.formats.brush_file import read_brush
from tests.outlines import block, filled_area, flattened, main_row, polygon, shapes_of
from tests.shapes import circle, cubic, ellipse, line, polyline, square

WAVE = cubic((0, 0), (20, -25), (40, 25), (60, 0), (80, -25), (100, 25), (120, 0))


def edge_brush(d: str = "M0 -1L10 -1", length: float = 10.0, **rules: object) -> Brush:
    """A line along one edge of its cell."""
    art = Artwork((ArtShape(d, stroke=ColourRole(), weight=0.2, ends="flat"),), length, 6)
    row = Row(art, Measure(length), Measure(0.0), hold="bend", **rules)  # type: ignore[arg-type]
    return Brush(courses=(row,), corners=CornerRule("carry"))


def lines(run: LaidRun) -> list[np.ndarray]:
    """Every stroked contour on the sheet, in order along the path."""
    found = [p for _, o, _ in shapes_of(draw_run(run, "r", "")) for p in flattened(o)]
    return sorted(
        found,
        key=lambda points: LineString(run.path.arc.points(np.linspace(0, run.path.length, 400))).project(
            LineString(points).centroid
        ),
    )


@pytest.mark.parametrize("path", [WAVE, circle(22), ellipse(40, 18), line(80)])
def test_a_line_from_edge_to_edge_has_no_step_between_repeats(path: Path) -> None:
    run = lay(path, edge_brush(), Scale())
    drawn = lines(run)
    ends = np.array([points[-1] for points in drawn])
    starts = np.array([points[0] for points in drawn])
    gaps = np.hypot(*(ends[:, None] - starts[None]).transpose(2, 0, 1))
    meets = gaps.min(axis=1) < 1e-6
    assert meets.sum() >= len(drawn) - (0 if path.closed else 1)


@pytest.mark.parametrize("offset", [-4.0, 0.0, 4.0])
def test_an_edge_lies_at_its_distance(offset: float) -> None:
    run = lay(WAVE, edge_brush(offset=Measure(offset)), Scale())
    dense = LineString(WAVE.arc.points(np.linspace(0, WAVE.length, 20_001)))
    for points in lines(run)[1:-1]:
        assert max(dense.distance(LineString([p, p + 1e-9])) for p in points) == pytest.approx(
            abs(offset - 1), abs=0.01
        )


def test_a_kink_inside_a_repeat_is_bridged() -> None:
    """A block bent round a right angle: bevelled outside, nothing missing but the bevel's corner."""
    path = polyline((0, 0), (35, 0), (35, 35))
    area = filled_area(lay(path, block(10, 4, corners=CornerRule("carry")), Scale()))
    band = LineString(path.points).buffer(2, cap_style="flat", join_style="bevel")
    assert band.difference(area).area < 0.05
    assert (
        area.difference(LineString(path.points).buffer(2.01, cap_style="flat", join_style="mitre")).area
        < 0.05
    )


def test_a_chain_of_short_lines_is_followed() -> None:
    """A circle drawn as 120 lines bends a block as the circle itself does."""
    angle = np.linspace(0, 2 * math.pi, 121)[:-1]
    drawn = polyline(*zip(30 * np.cos(angle), 30 * np.sin(angle), strict=True), closed=True)
    area = filled_area(lay(drawn, block(12, 4, corners=CornerRule("carry")), Scale()))
    ring = filled_area(lay(circle(30), block(12, 4, corners=CornerRule("carry")), Scale()))
    assert area.symmetric_difference(ring).area < 0.01 * ring.area


def test_strokes_keep_their_weight() -> None:
    for shape, _, _ in shapes_of(draw_run(lay(circle(8), edge_brush(), Scale()), "r", "")):
        assert shape.stroke is not None
        assert shape.stroke.weight == 0.2


def test_a_swell_widens_the_artwork_smoothly() -> None:
    swell = Swell(((0.0, 50.0), (1.0, 150.0)))
    brush = block(10, 4, swell=swell)
    area = filled_area(lay(line(100), brush, Scale()))
    for x in (5.0, 37.0, 95.0):
        width = area.intersection(LineString([(x, -9), (x, 9)])).length
        assert width == pytest.approx(4 * (0.5 + x / 100), abs=0.02)


def test_swell_follows_a_curve_too() -> None:
    swell = Swell(((0.0, 20.0), (0.5, 200.0), (1.0, 20.0)))
    run = lay(WAVE, block(10, 4, swell=swell, corners=CornerRule("carry")), Scale())
    middle = WAVE.length / 2 + 0.01  # beside the edge between two repeats
    here, across = WAVE.arc.points([middle])[0], WAVE.arc.normals([middle])[0]
    cut = LineString([here - 9 * across, here + 9 * across])
    assert filled_area(run).intersection(cut).length == pytest.approx(8.0, abs=0.1)


CORNER = "M1 0L4 0L4 -2"


@pytest.mark.parametrize(
    ("facing", "expected"),
    [
        (Facing(), [(1, 0), (4, 0), (4, -2)]),
        (Facing(end_to_end=True), [(9, 0), (6, 0), (6, -2)]),
        (Facing(side_to_side=True), [(1, 0), (4, 0), (4, 2)]),
        (Facing("turned", 180), [(9, 0), (6, 0), (6, 2)]),
    ],
)
def test_flips_and_turns_are_done_in_the_cell(facing: Facing, expected: list[tuple[float, float]]) -> None:
    run = lay(line(30), edge_brush(CORNER, facing=facing), Scale())
    first = min(lines(run), key=lambda points: points[:, 0].min())
    assert first[[0, 24, 48]] == pytest.approx(np.array(expected, dtype=float), abs=1e-6)


def test_alternate_repeats_are_mirrored() -> None:
    run = lay(line(40), edge_brush(CORNER, facing=Facing(mirror_alternate=True)), Scale())
    peaks = [points[np.abs(points[:, 1]).argmax(), 1] for points in lines(run)]
    assert peaks == pytest.approx([-2, 2, -2, 2])


def test_sway_bends_with_the_path() -> None:
    rule = (SwayRule("across", "rhythm", 30.0, period=4),)
    still, swayed = (lay(circle(25), edge_brush(sway=sway), Scale()) for sway in ((), rule))
    apart = [np.hypot(*(a - b).T).max() for a, b in zip(lines(still), lines(swayed), strict=True)]
    assert max(apart) > 0.5


def test_contours_are_read_as_cubics() -> None:
    outline = Outline("MLCZM", np.array([(0, 0), (1, 0), (1, 1), (0, 1), (0, 0.5), (5, 5)], dtype=float))
    (part,) = contours(outline)
    assert part.closed
    assert part.cubics.shape == (3, 4, 2)
    assert part.cubics[-1, 3] == pytest.approx([0, 0])
    assert part.cubics[0, 1] == pytest.approx([1 / 3, 0])


def test_one_repeat_is_the_same_alone_and_among_many() -> None:
    """Batches by how finely they are cut leave no trace in the geometry."""
    path = cubic((0, 0), (5, -60), (95, 60), (100, 0))
    run = lay(path, edge_brush(fit=FitRule("leave-over")), Scale())
    whole = [LineString(points) for points in lines(run)]
    for number, repeat in enumerate(main_row(run).repeats.start):
        s = np.linspace(repeat, repeat + 10, 200)
        dense = LineString(path.arc.points(s) - path.arc.normals(s))
        assert min(dense.hausdorff_distance(other) for other in whole) < 0.01, number


@given(st.floats(4, 60), st.floats(1, 3), st.floats(2, 12))
def test_rings_of_any_size_keep_their_area(radius: float, half: float, length: float) -> None:
    if half >= radius / 2:
        return
    run = lay(circle(radius), block(length, 2 * half, corners=CornerRule("carry")), Scale())
    assert filled_area(run).area == pytest.approx(4 * math.pi * radius * half, rel=5e-3)


def test_mitred_curves_meet_on_their_bisector() -> None:
    """A lens: two arcs with two corners, filled without a gap along the mitre."""
    path = Path.make(
        ["a", "b"],
        np.array([(0.0, 0.0), (80.0, 0.0)]),
        np.array([(20.0, 25.0), (60.0, -25.0)]),
        np.array([(20.0, -25.0), (60.0, 25.0)]),
        True,
    )
    run = lay(path, block(5, 6, corners=CornerRule("mitre")), Scale())
    area = filled_area(run)
    # At each tip the artwork covers the stretch of the bisector that its width spans.
    for tip, way in (((0.0, 0.0), -1.0), ((80.0, 0.0), 1.0)):
        reach = 3 / math.sin(math.radians(180 - abs(run.corners[0].turn)) / 2)
        cut = LineString([tip, (tip[0] + way * 0.8 * reach, 0.0)])
        assert area.buffer(0.02).intersection(cut).length == pytest.approx(cut.length, abs=0.05)


def test_a_square_bent_round_a_square_covers_it_once() -> None:
    drawn = [
        polygon(o)
        for _, o, _ in shapes_of(
            draw_run(lay(square(60), block(6, 4, corners=CornerRule("stop")), Scale()), "r", "")
        )
    ]
    assert all(part.area > 0 for part in drawn)
    total = sum(part.area for part in drawn)
    assert total == pytest.approx(
        filled_area(lay(square(60), block(6, 4, corners=CornerRule("stop")), Scale())).area, rel=1e-6
    )


@pytest.mark.parametrize("start", [0.0, 6.0])
def test_carry_round_leaves_no_wedge_where_repeats_meet_on_a_corner(start: float) -> None:
    """A band of blocks round a square covers its bevelled stroke, wherever its repeats begin."""
    brush = block(12, 4, corners=CornerRule("carry"))
    run = lay(square(48), brush, Scale(), RunRule(start=start))
    ring = LinearRing(square(48).points).buffer(2, join_style="bevel", cap_style="flat")
    assert ring.difference(filled_area(run)).area < 1e-6


def test_a_line_beside_the_path_goes_on_where_repeats_meet_on_a_corner() -> None:
    line = Artwork((ArtShape("M0 -3L12 -3", stroke=ColourRole(1), weight=0.5),), 12, 8)
    row = Row(line, Measure(12.0), Measure(0.0), hold="bend")
    group = draw_run(lay(square(48), Brush(courses=(row,), corners=CornerRule("carry")), Scale()), "r", "")
    ends = [c for item in group.items for shape in item.shapes for c in flattened(shape.outline)]
    broken = [np.abs(a[-1] - b[0]).max() for a in ends for b in ends]
    # Every line's end is another's beginning.
    assert np.array(broken).reshape(len(ends), -1).min(axis=1) == pytest.approx(0, abs=1e-6)


def test_every_repeat_is_drawn_where_some_need_more_parts_than_others() -> None:
    """On a tight S the estimate is too low for some repeats, which are mapped again in finer parts."""
    tight = cubic((0, 26.4), (40.8, 28.8), (-2.4, -2.4), (45.6, 0))
    run = lay(tight, read_brush(BRUSHES["cord"]).to_core(), Scale())
    dense = run.path.arc.points(np.linspace(0.1, run.path.length - 0.1, 600))
    area = filled_area(run)
    assert all(area.contains(Point(p)) for p in dense)


def test_repeats_before_the_start_of_an_open_path_meet_as_the_others_do() -> None:
    """At corners repeats go on past the ends of their legs, to before the path begins."""
    path = line(30)
    bent = Bent(LegLine(path, find_legs(path, ())), 0.0, Swell(), 30.0)
    places, others = np.array([-4.0, -1.0, 3.0, 30.0]), np.array([-7.0, -4.0, 3.0, 29.0])
    assert meet(places, others, bent).tolist() == [True, False, True, False]
