"""Sharp corners: what is cut flat is whole and the same on both sides, and no cut leaves crumbs."""

from __future__ import annotations

import math
from dataclasses import replace
from functools import partial

import numpy as np
import pytest
from shapely import LineString, Point, get_parts, transform
from shapely.geometry.base import BaseGeometry

from curlet.core.brush import Brush, CornerRule, Facing, Piece, Pieces, Row
from curlet.core.drawing import Solid
from curlet.core.dress.colour import ColourRole
from curlet.core.lay import lay
from curlet.core.lay.corners.piece import piece_for
from curlet.core.lay.corners.warping import warped
from curlet.core.lay.draw import draw_run
from curlet.core.lay.draw_corner import axes_of
from curlet.core.lay.hold.crumbs import CutRepeat, without_crumbs
from curlet.core.lay.hold.strands import Strand
from curlet.core.measures import Measure, Scale
from curlet.core.motif.edges import edge
from curlet.core.motif.families import FAMILIES, ArtShape, Artwork
from curlet.core.path import Path
from curlet.core.path.contours import contours
from curlet.core.path.cubics import points_on, straight
from curlet.demo.brushes import BRUSHES
from curlet.formats.brush_file import read_brush
from tests.outlines import drawn_area, filled_area, flattened, main_row, shapes_of
from tests.shapes import HEART, UPRIGHT_HEART, polyline, turn

RAIL = "M0 3L8 3L8 4L0 4Z"
TOOTH, STANDS, FEET_TOUCH = "M1 3.5L4 -4L7 3.5Z", "M1 3L4 -4L7 3Z", "M0 3.5L0 3L4 -4L8 3L8 3.5Z"
CORD, BALL, DOT = (
    "M3.8 3.5L4.2 3.5L4.2 -2L3.8 -2Z",
    "M2.5 -3.5L5.5 -3.5L5.5 -0.5L2.5 -0.5Z",
    "M3.5 -2L4.5 -2L4 -1Z",
)
TURNS = (-170, -157, -120, -60, 60, 100, 144, 170)


def mitred(*outlines: str) -> Brush:
    shapes = tuple(ArtShape(d, fill=ColourRole()) for d in outlines)
    row = Row(Artwork(shapes, 8, 8), Measure(8.0), Measure(0.0), hold="bend")
    return Brush(courses=(row,), corners=CornerRule("mitre"))


def parts(area: BaseGeometry) -> list[BaseGeometry]:
    """What hangs together, but for slivers that rounding leaves."""
    return [part for part in get_parts(area.buffer(1e-3)).tolist() if part.area > 0.01]


@pytest.mark.parametrize("degrees", TURNS)
@pytest.mark.parametrize(
    "hung",
    [(TOOTH,), (STANDS,), (FEET_TOUCH,), (CORD, BALL, DOT)],
    ids=["teeth", "standing teeth", "touching teeth", "balls"],
)
def test_what_a_cut_parts_from_its_rail_is_left_out(hung: tuple[str, ...], degrees: int) -> None:
    """Tips of teeth and balls without their cord hung in the air beside every star and heart."""
    path = turn(degrees, 60)
    area = filled_area(lay(path, mitred(RAIL, *hung), Scale()))
    assert len(parts(area)) == 1
    # Away from the corner nothing is missing.
    plain = filled_area(lay(turn(0, 60), mitred(RAIL, *hung), Scale()))
    first_leg = LineString([(-60, 0), (-45, 0)]).buffer(10, cap_style="flat")
    near = first_leg.intersection(area)
    assert near.area == pytest.approx(first_leg.intersection(plain).area, rel=0.02)


def test_what_hangs_on_a_hair_is_left_out() -> None:
    """The corner of a tooth's foot, a tenth of a millimetre wide, held a whole tooth over a star's point."""
    spokes = [(34.0 if k % 2 == 0 else 13.6) * np.exp(1j * math.pi * (k / 5 - 0.5)) for k in range(10)]
    star = polyline(*((s.real, s.imag) for s in spokes), closed=True)
    area = filled_area(lay(star, read_brush(BRUSHES["dog-tooth"]).to_core(), Scale()))
    assert len(get_parts(area.buffer(-0.1))) == 1


@pytest.mark.parametrize(("left", "stays"), [(4.0, True), (5.5, False)])
def test_a_part_of_what_stands_alone_stays_if_it_is_large(left: float, stays: bool) -> None:
    """Seven squares on each leg are whole; of the last, half lies before the cut, or less than a tenth."""
    lone = f"M{left} 1L{left + 2} 1L{left + 2} 3L{left} 3Z"
    area = filled_area(lay(turn(90, 64), mitred(lone), Scale()))
    assert len(get_parts(area)) == 14 + 1 + stays


@pytest.mark.parametrize("heart", [HEART, UPRIGHT_HEART], ids=["leaning", "upright"])
@pytest.mark.parametrize("name", ["wave", "key", "dog-tooth", "blanket", "rail"])
def test_a_rail_goes_across_the_flat(name: str, heart: Path) -> None:
    """It was left open in every heart's notch: now it encloses the heart's middle, as wide as elsewhere."""
    brush = mitred(RAIL) if name == "rail" else read_brush(BRUSHES[name]).to_core()
    middle = Point(*heart.points.mean(axis=0))
    area = filled_area(lay(heart, brush, Scale())).buffer(1e-3)
    if name == "blanket":
        # A line: only what its corners cut is an area.
        area = area.union(drawn_area(lay(heart, brush, Scale())))
    holes = [hole for part in get_parts(area.buffer(-0.25)) for hole in part.interiors]
    assert any(LineString(hole).convex_hull.contains(middle) for hole in holes)


def test_a_hole_goes_with_what_it_is_in() -> None:
    """A square whose hole lies to one side is a crumb once most of it is cut away, and so is its hole."""
    square, hole = "M5.2 0.5L7.9 0.5L7.9 3.5L5.2 3.5Z", "M5.5 1L5.8 1L5.8 1.3L5.5 1.3Z"
    shape = ArtShape(square + hole, fill=ColourRole(), even_odd=True)
    row = Row(Artwork((shape,), 8, 8), Measure(8.0), Measure(0.0), hold="bend")
    run = lay(turn(100, 64), Brush(courses=(row,), corners=CornerRule("mitre")), Scale())
    areas = [part.area for part in get_parts(filled_area(run)).tolist()]
    assert min(areas) > 1


@pytest.mark.parametrize("opacity", [1.0, 0.5])
def test_a_rail_that_shows_through_is_not_laid_twice(opacity: float) -> None:
    rail = ArtShape(RAIL, fill=ColourRole(), opacity=opacity)
    row = Row(Artwork((rail,), 8, 8), Measure(8.0), Measure(0.0), hold="bend")
    run = lay(HEART, Brush(courses=(row,), corners=CornerRule("mitre")), Scale())
    fills = {shape.fill for shape, _, _ in shapes_of(draw_run(run, "r", "")) if shape.fill}
    assert {fill.opacity for fill in fills if isinstance(fill, Solid)} == {opacity}


@pytest.mark.parametrize(("heart", "turned"), [(HEART, 157.380), (UPRIGHT_HEART, 180.0)])
def test_a_rail_lies_within_the_flat(heart: Path, turned: float) -> None:
    """A bevel's line lies h·cos(τ/2) past the corner (geometry), and the rail on the corner's side of it."""
    x, y = heart.points[3]
    area = filled_area(lay(heart, mitred(RAIL), Scale()))
    _, top, _, bottom = LineString([(x, y - 3), (x, y + 6)]).intersection(area).bounds
    assert bottom == pytest.approx(y + 4 * math.cos(math.radians(turned) / 2), abs=0.01)
    assert bottom - top == pytest.approx(1.0, abs=0.01)


def across_the_notch(brush: Brush) -> float:
    """How much is drawn on the line from the heart's notch down, to as far as a rail's flat lies, mm."""
    x, y = HEART.points[3]
    area = filled_area(lay(HEART, brush, Scale()))
    return float(LineString([(x, y), (x, y + 1.5)]).intersection(area).length)


@pytest.mark.parametrize(
    ("facing", "closed"),
    [
        (Facing(), True),
        (Facing(end_to_end=True), True),
        (Facing(side_to_side=True), False),
        (Facing(mirror_alternate=True), False),
    ],
    ids=["as it is", "along", "across", "by turns"],
)
def test_a_rail_goes_across_on_the_side_it_lies_on(facing: Facing, closed: bool) -> None:
    """Flipped to the heart's outside, a rail meets itself in the notch, and its flat is bare."""
    brush = mitred(RAIL)
    row = replace(brush.courses[0], facing=facing)  # type: ignore[type-var]
    assert (across_the_notch(replace(brush, courses=(row,))) > 0.5) == closed
    left = mitred("M0 -4L8 -4L8 -3L0 -3Z")
    flipped = replace(left.courses[0], facing=Facing(side_to_side=True))  # type: ignore[type-var]
    assert across_the_notch(replace(left, courses=(flipped,))) > 0.5


@pytest.mark.parametrize("manner", ["stop", "carry", "pivot"])
def test_no_rail_goes_across_where_nothing_is_cut(manner: str) -> None:
    """Beside the path in step, its legs end at their lines' meeting whatever their corners do."""
    offset = Row(
        Artwork((ArtShape("M0 0L8 0L8 1L0 1Z", fill=ColourRole()),), 8, 2),
        Measure(8.0),
        Measure(0.0),
        hold="bend",
        offset=Measure(3.0),
        own_line=False,
    )
    brush = Brush(courses=(offset,), corners=CornerRule(manner))
    drawn = draw_run(lay(HEART, brush, Scale()), "r", "")
    assert not [shape for shape, outline, _ in shapes_of(drawn) if outline.commands == "MLLLZ"]


@pytest.mark.parametrize(("count", "stay"), [(500, 0), (700, 700)])
def test_artwork_of_very_many_contours_is_left_as_it_is(count: int, stay: int) -> None:
    """Each would be compared with each: a tracing of 16,000 would take gigabytes for every repeat."""

    def square(x: float, y: float, wide: float, high: float) -> Strand:
        corners = np.array([(x, y), (x + wide, y), (x + wide, y + high), (x, y + high), (x, y)])
        return Strand(straight(corners[:-1], corners[1:]), True, 0, 0.0, 0.0, 8.0)

    rail, dots = square(-1, 3, 10, 1), [square(1 + 6 * i / count, 3.2, 0.005, 0.5) for i in range(count)]
    repeat = CutRepeat([dots], [[rail, *dots]], [0.0], 0.0, 8.0, (True, False))
    ((left,),) = without_crumbs([repeat])
    assert len(left) == stay


def test_a_piece_of_two_rails_turns_the_other_way_only_if_they_are_alike() -> None:
    """Mirrored, its edges would meet the repeat's at the right heights in the wrong colours or weights."""

    def rails(thread: int, weight: float) -> Pieces:
        shapes = (
            ArtShape("M0 -3L15 -3L15 12", stroke=ColourRole(1), weight=1.0, ends="flat"),
            ArtShape("M0 3L9 3L9 12", stroke=ColourRole(thread), weight=weight, ends="flat"),
        )
        return Pieces(corner_outside=Piece(Artwork(shapes, 12, 8), Measure(12.0)))

    assert piece_for(rails(1, 1.0), -90) is not None
    assert piece_for(rails(2, 1.0), -90) is None
    assert piece_for(rails(1, 0.5), -90) is None
    assert piece_for(rails(2, 0.5), 90) is not None


def test_what_runs_along_the_diagonal_of_a_piece_is_one_line() -> None:
    """Its points belonged now to one leg, now to the other, and it ran to and fro between them."""
    diagonal = ArtShape("M8 4L16 -4", stroke=ColourRole(), weight=0.5, ends="flat")
    piece = Piece(Artwork((diagonal,), 12, 8), Measure(12.0))
    row = Row(
        Artwork((ArtShape(RAIL, fill=ColourRole()),), 8, 8),
        Measure(8.0),
        Measure(0.0),
        hold="bend",
        pieces=Pieces(corner_outside=piece, corner_inside=piece),
    )
    run = lay(HEART, Brush(courses=(row,), corners=CornerRule("piece")), Scale())
    lines = [outline for shape, outline, _ in shapes_of(draw_run(run, "r", "")) if shape.stroke]
    assert len(lines) == 2
    for line in lines:
        steps = np.hypot(*np.diff(flattened(line)[0], axis=0).T)
        assert steps.sum() < 16


@pytest.mark.parametrize("name", ["border", "checker"])
def test_a_piece_in_a_notch_is_the_same_on_both_sides(name: str) -> None:
    """Points on its diagonal went now to one leg, now to the other, which do not meet at a flat cut."""
    run = lay(HEART, read_brush(BRUSHES[name]).to_core(), Scale())
    x = HEART.points[:, 0]
    axis = (x.min() + x.max()) / 2
    area = filled_area(run)
    notch = min(HEART.points.tolist(), key=lambda p: abs(p[0] - axis) + p[1])
    near = area.intersection(Point(*notch).buffer(9))
    mirrored = transform(near, lambda points: points * (-1, 1) + (2 * axis, 0))
    assert near.symmetric_difference(mirrored).area < 0.05


@pytest.mark.parametrize("name", ["border", "checker", "guilloche", "key"])
def test_corner_artwork_lies_where_its_warp_puts_it(name: str) -> None:
    """Against a dense mapping: within 0.006 mm at every corner of a heart, kinks of the cut and all."""
    row = main_row(lay(HEART, read_brush(BRUSHES[name]).to_core(), Scale()))
    assert row.corner_places
    for place in row.corner_places:
        axes, motif = axes_of(row, place.leg), row.motifs[place.motif]
        warp = partial(place.art.warps[0], axes=axes)
        chains = [contours(item.shape.outline) for item in motif.shapes]
        for each, outline in zip(chains, warped(chains, warp, place.art.kink, 0.005), strict=True):
            cubics = np.concatenate([part.cubics for part in each])
            # The diagonal itself belongs to both legs.
            at = points_on(cubics, np.linspace(0.013, 0.987, 41)).reshape(-1, 2)
            drawn = LineString(np.concatenate(flattened(outline, 64)))
            far = [drawn.distance(Point(*point)) for point in warp(at)]
            assert max(far) < 0.006


@pytest.mark.parametrize("name", ["wave", "key", "dentil", "dog-tooth", "guilloche"])
def test_an_inner_corner_meets_the_repeat_in_a_mirror(name: str) -> None:
    repeat, inner = (FAMILIES[name](place=place) for place in ("repeat", "inner corner"))  # type: ignore[call-arg]
    leaving = edge(repeat.make(Scale()), repeat.natural(Scale()), at_end=True)
    entering = edge(inner.make(Scale()), inner.natural(Scale()), at_end=False)
    # A disc that lies across the edge belongs to both.
    one, other = (
        sorted((round(sign * each.y, 3), repr(each.role)) for each in some if each.role.thread != 3)
        for sign, some in ((-1, leaving), (1, entering))
    )
    assert one
    assert one == other
