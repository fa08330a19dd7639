"""Every corner manner at every turn, on both sides, open and closed, by geometry."""

from __future__ import annotations

import math

import numpy as np
import pytest
from shapely import LineString, Point, Polygon, union_all

from curlet.core.brush import Brush, CornerRule, Piece, Pieces, Row
from curlet.core.drawing import Group, Item, Laid
from curlet.core.dress.colour import ColourRole
from curlet.core.errors import BadInput
from curlet.core.lay import LaidRun, RunRule, lay
from curlet.core.lay.draw import draw_run
from curlet.core.lay.draw_corner import corner_items
from curlet.core.lay.draw_row import placements_of
from curlet.core.lay.hold.lap import LAP
from curlet.core.measures import Measure, Scale
from curlet.core.motif.families import ArtShape, Artwork, Running
from curlet.core.path import Path, find_corners
from curlet.core.tally import tally
from curlet.demo.brushes import BRUSHES
from curlet.formats.brush_file import read_brush
from tests.outlines import block, filled_area, main_row, polygon, shapes_of
from tests.shapes import polyline, square, turn, two_legs

Floats = np.ndarray

TURNS = [15, 30, 60, 90, 120, 150]
SIDES = [1, -1]
WIDTH = 4.0
LEG = 60.0


def wedge(degrees: float, closed: bool) -> Path:
    """Two legs with a turn; closed by coming back the long way round, well clear of the corner."""
    angle = math.radians(degrees)
    end = (LEG + LEG * math.cos(angle), LEG * math.sin(angle))
    if not closed:
        return polyline((0, 0), (LEG, 0), end)
    side = 1 if degrees > 0 else -1
    return polyline((0, 0), (LEG, 0), end, (end[0] - 10, end[1] + 90 * side), (-30, 90 * side), closed=True)


def stroked(line: LineString, limit: float) -> Polygon:
    """Shapely's mitred band of the same width."""
    return line.buffer(WIDTH / 2, join_style="mitre", mitre_limit=limit, cap_style="flat")


def corner_disc(radius: float = 14.0) -> Polygon:
    return Point(LEG, 0).buffer(radius)


@pytest.mark.parametrize("closed", [False, True])
@pytest.mark.parametrize("side", SIDES)
@pytest.mark.parametrize("degrees", TURNS)
def test_mitre_cuts_both_legs_on_the_bisector(degrees: int, side: int, closed: bool) -> None:
    """The legs meet without a gap and without an overlap, as SVG's mitred stroke does."""
    rule = CornerRule("mitre", 10, mitre_limit=20)
    path = wedge(side * degrees, closed)
    run = lay(path, block(3, WIDTH, corners=rule), Scale())
    stroke = stroked(LineString(path.points[:3]), 20)
    near = corner_disc()
    missing = stroke.intersection(near).symmetric_difference(filled_area(run).intersection(near))
    assert missing.area < 0.01


@pytest.mark.parametrize("side", SIDES)
@pytest.mark.parametrize("degrees", TURNS)
def test_mitre_cuts_at_equal_reach(degrees: int, side: int) -> None:
    run = lay(wedge(side * degrees, False), block(3, WIDTH, corners=CornerRule("mitre", 10, 20)), Scale())
    laid = main_row(run)
    before, after = (laid.repeats.take(laid.repeats.leg == leg) for leg in (0, 1))
    corner = run.corners[0].s
    # The cut falls at the same point of the repeat on both legs: here, in mid-gap.
    assert corner - before.end[before.counted][-1] == pytest.approx(after.start[after.counted][0] - corner)


@pytest.mark.parametrize("degrees", [175, 179.99, 180])
def test_past_the_mitre_limit_the_cut_is_flat(degrees: float) -> None:
    path = wedge(degrees, False) if degrees < 180 else polyline((0, 0), (60, 0), (10, 0))
    run = lay(path, block(3, WIDTH, corners=CornerRule("mitre")), Scale())
    # Square across each leg: past the corner there is only the second leg's own end.
    assert filled_area(run).bounds[2] <= LEG + WIDTH / 2 * math.sin(math.radians(degrees)) + 1.1 * LAP


LEGS = [(0, 0), (40, 40), (-40, -40), (40, -40), (0, 40), (60, -25), (400, 0)]


def band_along(path: Path, first: float, last: float, limit: float = 50) -> Polygon:
    nodes = path.node_positions[(path.node_positions > first) & (path.node_positions < last)]
    line = LineString(path.arc.points(np.union1d(np.linspace(first, last, 3000), nodes)))
    return line.buffer(WIDTH / 2, join_style="mitre", mitre_limit=limit, cap_style="flat", quad_segs=64)


@pytest.mark.parametrize("legs", LEGS)
@pytest.mark.parametrize("degrees", [30, -60, 90, -120])
def test_a_corner_piece_keeps_its_entry_and_width(degrees: int, legs: tuple[float, float]) -> None:
    """A plain square corner fitted to a turn, on legs straight or curved, is the mitred corner of a band as
    wide; two arcs of radius 40 mm were missed by 2.6 mm."""
    h, reach = WIDTH / 2, 12.0
    ring = [(0, -h), (reach + h, -h), (reach + h, reach), (reach - h, reach), (reach - h, h), (0, h)]
    d = "M" + "L".join(f"{x} {y}" for x, y in ring) + "Z"
    piece = Piece(Artwork((ArtShape(d, fill=ColourRole()),), reach, WIDTH), Measure(reach))
    path = two_legs(*legs, degrees)
    pieces = Pieces(corner_outside=piece, corner_inside=piece)
    row = main_row(lay(path, block(3, WIDTH, corners=CornerRule("piece", 10), pieces=pieces), Scale()))
    drawn = union_all([polygon(o) for item in corner_items(row, ("#000000",)) for _, o, _ in shapes_of(item)])
    band = band_along(path, 45.0 - reach, 45.0 + reach)
    assert drawn.symmetric_difference(band).area < 0.1
    assert drawn.hausdorff_distance(band) < 0.06


@pytest.mark.parametrize("legs", LEGS)
@pytest.mark.parametrize("degrees", [20, -45, 90, -120, 150])
def test_a_mitre_on_curved_legs_is_a_mitred_band(degrees: int, legs: tuple[float, float]) -> None:
    """Both legs' artwork ends where lines of one height meet; rails stepped by up to 2 mm."""
    path = two_legs(*legs, degrees)
    run = lay(path, block(3, WIDTH, corners=CornerRule("mitre", 10, mitre_limit=20)), Scale())
    band = band_along(path, 0.0, path.length)
    assert filled_area(run).symmetric_difference(band).area < 0.25
    rows = main_row(run)
    parts = [polygon(o) for _, o, _ in shapes_of(draw_run(run, "r", ""))]
    assert sum(part.area for part in parts) == pytest.approx(union_all(parts).area, abs=0.05)
    assert len(rows.legs) == 2


@pytest.mark.parametrize("degrees", [100, -158, 170])
def test_past_the_mitre_limit_artwork_ends_on_a_bevel(degrees: int) -> None:
    """As SVG's stroke past its mitre limit does: a heart's notch and a star's point."""
    path = two_legs(0, 0, degrees)
    run = lay(path, block(3, WIDTH, corners=CornerRule("mitre", 10, mitre_limit=1.5)), Scale())
    line = LineString(path.points)
    band = line.buffer(WIDTH / 2, join_style="bevel", cap_style="flat")
    assert filled_area(run).symmetric_difference(band).area < 0.02


@pytest.mark.parametrize("manner", ["pivot", "carry", "mitre", "stop", "piece"])
@pytest.mark.parametrize("side", SIDES)
@pytest.mark.parametrize("degrees", [*TURNS, 175])
def test_no_gap_is_wider_than_asked_along_the_legs(degrees: int, side: int, manner: str) -> None:
    rule = CornerRule(manner, 10, stop=Measure(2.0))
    row = Row(Running(Measure(0.2)), Measure(3.0), Measure(1.0))
    run = lay(wedge(side * degrees, False), Brush(courses=(row,), corners=rule), Scale())
    slots = main_row(run).slots
    order = np.argsort(slots.start)
    gaps = slots.start[order][1:] - slots.end[order][:-1]
    at_corner = np.abs((slots.start[order][1:] + slots.end[order][:-1]) / 2 - LEG) < 3
    eased = 1.1
    assert (gaps[~at_corner] < eased).all()
    allowed = {"pivot": 1e-9, "carry": eased, "mitre": eased, "piece": eased, "stop": 4 + 1e-6}[manner]
    assert (gaps[at_corner] <= allowed).all()


def test_stop_short_leaves_its_distance_on_both_legs() -> None:
    run = lay(square(40), Brush(corners=CornerRule("stop", stop=Measure(2.5))), Scale())
    slots = main_row(run).slots
    for corner in run.corners:
        ahead = np.min((slots.start - corner.s) % run.path.length)
        behind = np.min((corner.s - slots.end) % run.path.length)
        assert (ahead, behind) == pytest.approx((2.5, 2.5))


def test_a_single_corner_has_its_own_manner() -> None:
    run = lay(square(40), Brush(corners=CornerRule("pivot")), Scale(), RunRule(corners={"n2": "carry"}))
    assert len(main_row(run).legs) == 3
    assert [corner.manner for corner in tally(run).facts.corners] == ["pivot", "carry", "pivot", "pivot"]


def test_what_was_said_of_a_lost_corner_is_told() -> None:
    run = lay(polyline((0, 0), (60, 0)), Brush(), Scale(), RunRule(corners={"n9": "carry"}))
    assert [w.code for w in tally(run).warnings] == ["lost-place"]


def _piece(reach: float) -> Pieces:
    row = block(reach, WIDTH).courses[0]
    assert isinstance(row, Row)
    return Pieces(corner_outside=Piece(row.motif, Measure(reach)))


@pytest.mark.parametrize("leg", [4.0, 11.0, 30.0])
def test_a_leg_too_short_for_its_pieces_is_mitred_and_says_so(leg: float) -> None:
    """A staircase whose middle leg has no room between two corner pieces."""
    path = polyline((0, 0), (40, 0), (40, leg), (80, leg))
    run = lay(path, block(3, WIDTH, corners=CornerRule("piece"), pieces=_piece(8.0)), Scale())
    measured = tally(run)
    told = [w for w in measured.warnings if w.code == "corner-no-room"]
    assert [len(warning.places) for warning in told] == ([2] if leg < 16 else [])
    assert {corner.manner for corner in measured.facts.corners} == {"mitre" if leg < 16 else "piece"}
    assert len(main_row(run).corner_places) == (0 if leg < 16 else 2)
    whole = leg if leg < 16 else leg - 16
    assert measured.facts.legs[1].repeats == pytest.approx(whole / 3, abs=0.51)
    band = LineString(path.points).buffer(WIDTH / 2, join_style="mitre", cap_style="flat")
    if leg < 16:
        assert filled_area(run).symmetric_difference(band).area < 0.02


@pytest.mark.parametrize("offset", [-3.0, 3.0])
@pytest.mark.parametrize("degrees", [30, 90, 140])
def test_rows_beside_a_corner_end_on_the_bisector(offset: float, degrees: int) -> None:
    """The last hole before the corner is the first one after it, on the bisector, at its distance."""
    row = Row(Running(Measure(0.2)), Measure(3.0), Measure(1.0), offset=Measure(offset))
    run = lay(turn(degrees, 60), Brush(courses=(row,)), Scale())
    laid = main_row(run)
    at = placements_of(laid)
    assert at is not None
    ends = at.start + at.along * at.length[:, None]
    last, first = ends[laid.repeats.leg == 0][-1], at.start[laid.repeats.leg == 1][0]
    assert last == pytest.approx(first, abs=1e-6)
    reach = abs(offset) / math.cos(math.radians(degrees) / 2)
    assert np.hypot(*(last - (60, 0))) == pytest.approx(reach)


def test_a_leg_that_vanishes_beside_the_path_is_left_out() -> None:
    path = polyline((0, 0), (40, 0), (40, 4), (0, 4))
    run = lay(path, Brush(courses=(Row(offset=Measure(5.0)),)), Scale())
    assert tally(run).facts.legs[1].repeats == 0
    assert "leg-vanishes" in [w.code for w in tally(run).warnings]


def made(how: str, degrees: float, *, fullness: float = 1.5, length: float = 3.0) -> LaidRun:
    """A band of blocks whose corner is made from its own repeat."""
    rule = CornerRule("piece", 10, mitre_limit=20, made=how, fullness=fullness)
    return lay(wedge(degrees, False), block(length, WIDTH, corners=rule), Scale())


@pytest.mark.parametrize("side", SIDES)
@pytest.mark.parametrize("degrees", [30, 60, 90, 120])
def test_a_folded_corner_covers_what_a_mitred_one_does(degrees: int, side: int) -> None:
    """Under the fold lies the leg that comes in, up to the far edge of the one that goes on."""
    run = made("folded", side * degrees)
    stroke = stroked(LineString(run.path.points), 20)
    area = filled_area(run).intersection(corner_disc())
    assert area.symmetric_difference(stroke.intersection(corner_disc())).area < 0.02
    group = draw_run(run, "run", "")
    clipped = [item for item in group.items if isinstance(item, Group) and item.id.startswith("fold")]
    assert len(clipped) == 1
    crease = [item for item in group.items if isinstance(item, Laid)][-1].shapes[0].outline.points
    # From the inner corner to the outer one: as long as a mitre (SVG 2, stroke-miterlimit).
    long = WIDTH / math.cos(math.radians(degrees) / 2)
    assert np.hypot(*(crease[1] - crease[0])) == pytest.approx(long)
    assert crease.mean(axis=0) == pytest.approx((LEG, 0), abs=1e-9)


@pytest.mark.parametrize("side", SIDES)
@pytest.mark.parametrize("degrees", TURNS)
def test_a_turned_corner_has_one_repeat_turned_halfway_and_clear_of_its_neighbours(
    degrees: int, side: int
) -> None:
    run = made("turned", side * degrees)
    row = main_row(run)
    art = Polygon(_first_fill(corner_items(row, run.brush.threads)[0])).simplify(1e-9)
    assert art.area == pytest.approx(3 * WIDTH, abs=1.1 * LAP * WIDTH)
    assert (art.centroid.x, art.centroid.y) == pytest.approx((LEG, 0), abs=LAP)
    edge = art.exterior.coords[1][0] - art.exterior.coords[0][0]
    assert abs(edge) == pytest.approx(3 * math.cos(math.radians(degrees) / 2), abs=1.1 * LAP)
    start = np.abs(row.slots.start - LEG).min()
    assert start == pytest.approx(
        1.5 * math.cos(math.radians(degrees) / 2) + 2 * math.sin(math.radians(degrees) / 2)
    )


@pytest.mark.parametrize("side", SIDES)
@pytest.mark.parametrize("fullness", [1.0, 1.5, 2.5])
def test_a_gathered_corner_has_its_fullness(fullness: float, side: int) -> None:
    """Trim length over the edge that it covers is the ratio asked, to a repeat on each leg."""
    run = made("gathered", side * 90, fullness=fullness, length=1.0)
    row = main_row(run)
    take = LEG - row.slots.end[row.slots.leg == 0][-1]
    copies = len(row.corner_places[0].art.warps)
    assert copies % 2 == 0
    assert copies * 1.0 == pytest.approx(2 * take * fullness, abs=1.0)
    # The fan reaches its full width all round the outside.
    laid = corner_items(row, run.brush.threads)[0]
    assert isinstance(laid, Laid)
    points = np.concatenate([shape.outline.points[::3] for shape in laid.shapes])
    middle = points[np.abs(points @ (1, side) - LEG) < 1e-6]
    assert np.hypot(*(middle - (LEG, 0)).T).max() == pytest.approx(WIDTH / 2, abs=0.05)


@pytest.mark.parametrize("how", ["folded", "turned", "gathered"])
def test_a_made_corner_beside_a_leg_that_vanishes_is_left_out(how: str) -> None:
    rule = CornerRule("piece", 10, made=how)
    path = polyline((0, 0), (40, 0), (40, 4), (0, 4))
    run = lay(path, Brush(courses=(Row(offset=Measure(5.0)),), corners=rule), Scale())
    spots = [s.outline.points for item in corner_items(main_row(run), ("#000000",)) for s in item.shapes]
    assert all(np.abs(points).max() < 60 for points in spots)


def test_an_unknown_way_of_making_a_corner_is_refused() -> None:
    with pytest.raises(BadInput, match="mitred, folded, turned, gathered"):
        lay(wedge(90, False), Brush(corners=CornerRule("piece", made="woven")), Scale())
    with pytest.raises(BadInput, match="Fullness"):
        lay(wedge(90, False), Brush(corners=CornerRule("piece", fullness=0.2)), Scale())


def _first_fill(item: Item) -> Floats:
    assert isinstance(item, Laid)
    outline = item.shapes[0].outline
    return outline.points[::3] if "C" in outline.commands else outline.points


def rounded(degrees: float, radius: float) -> Path:
    """Two legs of 60 mm joined by a small arc, whose tangents cross at (60, 0)."""
    angle, side = math.radians(abs(degrees)), math.copysign(1, degrees)
    back, k = radius * math.tan(angle / 2), 4 / 3 * math.tan(angle / 4) * radius
    on = np.array([math.cos(angle), side * math.sin(angle)])
    a, b = np.array([LEG - back, 0.0]), (LEG, 0) + back * on
    points = np.array([(0, 0), a, b, (LEG, 0) + LEG * on])
    into = np.array([points[0], a, b - k * on, points[3]])
    out = np.array([points[0], a + (k, 0), b, points[3]])
    return Path.make(["n1", "n2", "n3", "n4"], points, into, out, False)


@pytest.mark.parametrize("radius", [0.05, 0.5])
def test_a_corner_of_a_small_arc_is_told_from_a_sharp_one(radius: float) -> None:
    (corner,) = find_corners(rounded(90, radius), reach=2.0)
    (sharp,) = find_corners(polyline((0, 0), (LEG, 0), (LEG, LEG)), reach=2.0)
    assert corner.rounded
    assert not sharp.rounded


@pytest.mark.parametrize("side", SIDES)
@pytest.mark.parametrize("degrees", [60, 90, 120])
@pytest.mark.parametrize("manner", ["mitre", "piece"])
def test_a_slightly_rounded_corner_is_mitred_where_its_legs_would_cross(
    manner: str, degrees: int, side: int
) -> None:
    path = rounded(side * degrees, 0.5)
    run = lay(path, block(3, WIDTH, corners=CornerRule(manner, 10, 20)), Scale())
    assert len(run.corners) == 1
    angle = math.radians(degrees)
    sharp = LineString([(0, 0), (LEG, 0), (LEG + LEG * math.cos(angle), side * LEG * math.sin(angle))])
    near = corner_disc()
    missing = stroked(sharp, 20).intersection(near).symmetric_difference(filled_area(run).intersection(near))
    assert missing.area < 0.05
    assert not tally(run).pinches


@pytest.mark.parametrize("name", ["key", "wave", "dog-tooth"])
@pytest.mark.parametrize("degrees", [90, -90])
def test_a_borders_rail_goes_round_to_either_side(name: str, degrees: float) -> None:
    brush = read_brush(BRUSHES[name]).to_core()
    run = lay(turn(degrees, 90), brush, Scale())
    area = filled_area(run).buffer(0.02)
    rail = max(getattr(area, "geoms", [area]), key=lambda part: part.area)
    # One piece of it reaches from where the path begins to where it ends.
    half = main_row(run).motifs[0].width / 2
    ends = run.path.arc.points(np.array([0.5, run.path.length - 0.5]))
    assert [rail.distance(Point(*end)) <= half + 0.1 for end in ends] == [True, True]


@pytest.mark.parametrize("length", [100.0, 107.0, 113.0])
def test_a_clasp_keeps_its_length_and_hangs_on_the_last_link(length: float) -> None:
    brush = read_brush(BRUSHES["belcher"]).to_core()
    row = main_row(lay(polyline((0, 0), (length, 0)), brush, Scale()))
    at = placements_of(row)
    assert at is not None
    pieces = np.flatnonzero(~row.repeats.counted)
    course = row.course
    assert course.pieces.start is not None
    assert course.pieces.end is not None
    wanted = [course.pieces.start.length.mm, course.pieces.end.length.mm]
    assert at.length[pieces] == pytest.approx(wanted)
    links = row.repeats.counted
    assert row.repeats.end[pieces[0]] == pytest.approx(row.repeats.start[links].min())
    assert row.repeats.start[pieces[1]] == pytest.approx(row.repeats.end[links].max())


@pytest.mark.parametrize("path", [polyline((0, 0), (150, 0)), square(70)])
def test_long_and_short_links_each_keep_their_length(path: Path) -> None:
    brush = read_brush(BRUSHES["long-short"]).to_core()
    row = main_row(lay(path, brush, Scale()))
    at = placements_of(row)
    assert at is not None
    wanted = np.array(row.course.drawn_lengths(Scale()))
    assert at.length == pytest.approx(wanted[row.repeats.motif])
    # Pins stand apart in the same proportion on every leg.
    chords = np.hypot(*(at.start + at.along * at.length[:, None] / 2 - path.arc.points(row.repeats.start)).T)
    for leg in np.unique(row.repeats.leg):
        here = row.repeats.leg == leg
        share = 2 * chords[here] / at.length[here]
        assert share == pytest.approx(np.full(here.sum(), share[0]), abs=1e-6)


def test_between_two_cuts_too_near_lies_the_middle_of_a_repeat() -> None:
    """On a leg of 4 mm a repeat of 10 is not squeezed: its middle lies on the leg's."""
    path = polyline((0, 0), (40, 0), (40, 4), (80, 4))
    repeats = main_row(lay(path, block(10.0, 2.0, corners=CornerRule("mitre")), Scale())).repeats
    (there,) = np.flatnonzero((repeats.leg == 1) & repeats.counted)
    assert repeats.end[there] - repeats.start[there] == pytest.approx(10)
    assert repeats.middle[there] == pytest.approx(42)
