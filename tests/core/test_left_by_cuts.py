"""What corners leave of artwork: all that hangs together, all that is sewn, and nothing cancelled out."""

from __future__ import annotations

import io
import math
from dataclasses import replace

import numpy as np
import pytest
from PIL import Image
from shapely import LineString, Point, Polygon, box, get_parts, union_all
from shapely.geometry.base import BaseGeometry

from curlet.core.brush import Brush, CornerRule, Facing, Letter, Row, SwayRule
from curlet.core.drawing import Drawing, Group
from curlet.core.dress.colour import ColourRole
from curlet.core.lay import lay
from curlet.core.lay.draw import draw_run
from curlet.core.lay.draw_row import row_items
from curlet.core.lay.row import LaidRow
from curlet.core.measures import Measure, Scale
from curlet.core.motif.families import ArtShape, Artwork
from curlet.core.path import Path
from curlet.demo.brushes import BRUSHES
from curlet.formats.brush_file import read_brush
from curlet.formats.png_out import write_png
from tests.outlines import drawn_area, drawn_parts, flattened, main_row, shapes_of
from tests.shapes import moved, square, star, turn


def built_in(name: str) -> Brush:
    return read_brush(BRUSHES[name]).to_core()


@pytest.mark.parametrize("name", ["satin", "rope", "cord", "round-braid", "flat-braid"])
def test_every_point_of_a_star_is_filled_to_its_tip(name: str) -> None:
    """Threads and strands lean over several repeats; those past a leg's end were taken for crumbs."""
    brush, reach = built_in(name), 40.0
    run = lay(star(reach, 0.4 * reach), brush, Scale())
    parts = drawn_parts(run)
    # As far inside the sharp corner as its own width is, all of it is covered, on both legs alike.
    for tip in star(reach, 0.4 * reach).points[::2]:
        line = LineString([tip, tip * (1 - main_row(run).reach / reach)])
        area = union_all([part.buffer(0) for part in parts if part.distance(line) < 0.2])
        for side in (-0.1, 0.1):
            beside = line.offset_curve(side)
            assert beside.intersection(area).length > 0.9 * beside.length


def test_needle_rows_meet_in_every_corner() -> None:
    """A cover stitch's needle threads lie on the cloth: none hangs on its looper's, which a cut parts."""
    brush = built_in("cover")
    row = main_row(lay(star(36, 14.4), brush, Scale()))
    area = drawn_area(lay(star(36, 14.4), brush, Scale()))
    # On the bisector, half the gauge over the cosine of half the turn.
    for at in (1, 3, 5, 7, 9):
        nodes = star(36, 14.4).points
        here, before, after = nodes[at], nodes[at - 1], nodes[(at + 1) % 10]
        u, v = (here - before) / np.hypot(*(here - before)), (after - here) / np.hypot(*(after - here))
        bisector = (u - v) / np.hypot(*(u - v))
        mitre = here + bisector * row.reach / math.sqrt((1 + float(u @ v)) / 2)
        assert area.distance(Point(*mitre)) < 1.0


@pytest.mark.parametrize("degrees", [-144, -120, -90, 90, 120, 144])
@pytest.mark.parametrize("name", ["pompom", "tassels", "fringe"])
def test_nothing_hangs_in_the_air_beside_a_corner(name: str, degrees: int) -> None:
    """What hung on the heading at several removes, a ball's marks or a fringe's threads, goes with it."""
    area = drawn_area(lay(turn(degrees, 120), built_in(name), Scale()))
    assert len([part for part in get_parts(area.buffer(0.02)).tolist() if part.area > 0.01]) == 1


@pytest.mark.parametrize("name", ["zigzag", "three-step"])
def test_no_speck_of_thread_stands_past_a_point(name: str) -> None:
    parts = get_parts(drawn_area(lay(star(40, 16), built_in(name), Scale())).buffer(0.02))
    assert min(part.area for part in parts.tolist()) > 1.0


def pixels(path: Path, brush: Brush, size: float) -> np.ndarray:
    group = draw_run(lay(path, brush, Scale()), "r", "")
    return np.asarray(Image.open(io.BytesIO(write_png(Drawing(size, size, (group,)), 254))).convert("RGBA"))


@pytest.mark.parametrize(
    "facing", [Facing(), Facing(mirror_alternate=True)], ids=["alike", "mirrored by turns"]
)
def test_a_line_goes_on_from_one_cut_repeat_to_the_next(facing: Facing) -> None:
    """Mirrored, a line's area was wound the other way: where two repeats lap, each took the other out."""
    stem = ArtShape("M0 0L12 0", stroke=ColourRole(), weight=1.0, ends="flat")
    row = Row(Artwork((stem,), 12, 4), Measure(12.0), Measure(0.0), hold="bend", facing=facing)
    path = moved(square(22), 5, 5)
    shown = pixels(path, Brush(courses=(row,), corners=CornerRule("mitre")), 32)
    along = np.arange(60, 265)
    assert (shown[50, along, 3] == 255).all()
    assert (shown[along, 50, 3] == 255).all()


TEETH = "M0 3.5L0 3L4 -4L8 3L8 3.5Z"
TOOTHED = Artwork(tuple(ArtShape(d, fill=ColourRole()) for d in ("M0 3L8 3L8 4L0 4Z", TEETH)), 8, 8)


@pytest.mark.parametrize("degrees", [-170, -144, 100, 170])
def test_what_is_left_does_not_depend_on_which_way_a_row_is_painted(degrees: int) -> None:
    """Painted from the last repeat to the first, a rail's repeats were taken to miss one another."""
    row = Row(TOOTHED, Measure(8.0), Measure(0.0), hold="bend")
    one, two = (
        drawn_area(lay(turn(degrees, 60), Brush(courses=(each,), corners=CornerRule("mitre")), Scale()))
        for each in (row, replace(row, overlap="last-over-next"))
    )
    assert one.symmetric_difference(two).area < 0.05


@pytest.mark.parametrize("by_turns", [False, True], ids=["shades by chance", "motifs by turns"])
@pytest.mark.parametrize(("name", "degrees"), [("dog-tooth", 150), ("tassels", -144), ("blanket", 150)])
def test_what_is_left_does_not_depend_on_what_repeats_look_like(
    name: str, degrees: int, by_turns: bool
) -> None:
    """Each shade and each motif was looked at by itself, as if nothing lay between its repeats."""

    def mixed(row: Row) -> Row:
        if by_turns:
            return replace(row, more=(Letter(row.motif, row.length),), order="A B")
        return replace(row, sway=(SwayRule("shade", amount=30.0),))

    brush = built_in(name)
    courses = tuple(mixed(each) if isinstance(each, Row) else each for each in brush.courses)
    one, two = (
        drawn_area(
            lay(turn(degrees, 120), replace(brush, courses=some, corners=CornerRule("mitre")), Scale())
        )
        for some in (brush.courses, courses)
    )
    assert one.symmetric_difference(two).area < 0.05


def lone_dot(x: float, *, held: bool) -> Brush:
    """A dot of 2 mm at x on a cloth, or by itself."""
    cloth = ArtShape("M0 -4L8 -4L8 4L0 4Z", fill=ColourRole(1))
    dot = ArtShape(f"M{x} 1L{x + 2} 1L{x + 2} 3L{x} 3Z", fill=ColourRole(2))
    shapes = (cloth, dot) if held else (dot,)
    row = Row(Artwork(shapes, 8, 8), Measure(8.0), Measure(0.0), hold="bend")
    return Brush(courses=(row,), corners=CornerRule("mitre"), threads=("#000000", "#ff0000"))


@pytest.mark.parametrize("held", [True, False], ids=["on a cloth", "by itself"])
@pytest.mark.parametrize(("x", "dots"), [(4.0, 16), (5.5, 15)])
def test_a_small_part_of_a_dot_is_left_out(x: float, dots: int, held: bool) -> None:
    """Seven dots of each leg are whole; of one leg's eighth, half or under a tenth lies before the cut."""
    drawn = shapes_of(draw_run(lay(turn(90, 64), lone_dot(x, held=held), Scale()), "r", ""))
    red = [outline for shape, outline, _ in drawn if getattr(shape.fill, "colour", "") == "#ff0000"]
    assert sum(len(flattened(outline)) for outline in red) == dots


@pytest.mark.parametrize("name", ["pearls", "scallop-discs"])
def test_beads_sit_on_corners_as_far_apart_as_elsewhere(name: str) -> None:
    """They passed every corner by as it fell, and some were squeezed to ovals."""
    brush = built_in(name)
    path = square(63)
    wide = 2 * main_row(lay(path, brush, Scale())).reach
    boxes = [
        (points.min(axis=0), points.max(axis=0))
        for shape, outline, _ in shapes_of(draw_run(lay(path, brush, Scale()), "r", ""))
        for points in flattened(outline)
        if shape.fill and np.ptp(points, axis=0).min() > 0.95 * wide
    ]
    sizes = np.array([high - low for low, high in boxes])
    assert sizes == pytest.approx(np.full_like(sizes, wide), rel=0.03)
    middles = np.array([(low + high) / 2 for low, high in boxes])
    for corner in path.points:
        assert np.hypot(*(middles - corner).T).min() < 0.05
    top = np.sort(middles[np.abs(middles[:, 1]) < 0.05, 0])
    apart = np.diff(top)
    assert len(apart) > 4
    assert apart == pytest.approx(np.full_like(apart, apart.mean()), rel=0.04)


@pytest.mark.parametrize("degrees", [90, 105])
def test_gathered_fringe_shows_no_line_between_its_copies(degrees: int) -> None:
    """Each was painted by itself, and light came through its heading wherever two met."""
    shown = pixels(moved(turn(degrees, 40), 5, 50), built_in("fringe"), 130)[..., 3] / 255
    row = main_row(lay(turn(degrees, 40), built_in("fringe"), Scale()))
    heading = row.offset - row.reach + 0.6
    line = LineString([(5, 50 + heading), (40, 50 + heading)])
    along = [line.interpolate(at) for at in np.arange(0.5, line.length, 0.05)]
    assert min(shown[round(p.y * 10), round(p.x * 10)] for p in along) == 1.0


@pytest.mark.parametrize("hold", ["bend", "rigid"])
def test_what_passes_over_is_cut_at_its_window_and_at_the_corners_in_it(hold: str) -> None:
    """Where a run lies over itself only so much of it is painted again, and no more than its corners left."""
    row = Row(TOOTHED, Measure(8.0), Measure(0.0), hold=hold)
    laid = lay(turn(-120, 60), Brush(courses=(row,), corners=CornerRule("mitre")), Scale()).courses[0]
    assert isinstance(laid, LaidRow)

    def area(within: tuple[float, float] | None = None) -> BaseGeometry:
        drawn = Group("w", "", tuple(row_items(laid, ("#000000",), 0, within)))
        outlines = (outline for _, outline, _ in shapes_of(drawn))
        return union_all([Polygon(p).buffer(0) for outline in outlines for p in flattened(outline)])

    assert area((10.0, 23.0)).bounds == pytest.approx((10.0, -4, 23.0, 4), abs=0.01)
    assert area((10.0, 23.0)).area == pytest.approx(area().intersection(box(10, -9, 23, 9)).area, rel=1e-3)
    # Round the corner: nothing that the whole row does not have.
    assert area((50.0, 70.0)).difference(area().buffer(0.01)).area < 0.01
