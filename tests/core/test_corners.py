"""Every corner manner at every turn, on both sides, open and closed, by geometry."""

from __future__ import annotations

import math

import numpy as np
import pytest
from shapely import LineString, Point, Polygon

from curlet.core.brush import Brush, CornerRule, Piece, Pieces, Row
from curlet.core.lay import RunRule, lay
from curlet.core.lay.corners.piece import fitted
from curlet.core.lay.draw_row import placements_of
from curlet.core.measures import Measure, Scale
from curlet.core.motif.families import Running
from curlet.core.path import Path
from curlet.core.tally import tally
from tests.outlines import block, filled_area, main_row
from tests.shapes import polyline, square, turn

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
    assert filled_area(run).bounds[2] <= LEG + WIDTH / 2 * math.sin(math.radians(degrees)) + 1e-6


@pytest.mark.parametrize("side", SIDES)
@pytest.mark.parametrize("degrees", TURNS)
def test_a_corner_piece_keeps_its_entry_and_width(degrees: int, side: int) -> None:
    """A plain square corner fitted to a turn is the mitred corner of a band as wide."""
    h, reach = WIDTH / 2, 12.0
    if reach <= h * math.tan(math.radians(degrees) / 2):
        pytest.skip("the inner part of the turn has no room: cut flat")
    ring = np.array(
        [(0, -h), (reach + h, -h), (reach + h, reach), (reach - h, reach), (reach - h, h), (0, h)]
    )
    along = np.linspace(0, 1, 400, endpoint=False)[:, None]
    dense = np.concatenate([a + (b - a) * along for a, b in zip(ring, np.roll(ring, -1, 0), strict=True)])
    drawn = Polygon(fitted(dense, reach, side * degrees)).buffer(0)
    angle = math.radians(degrees)
    legs = LineString([(-reach, 0), (0, 0), (reach * math.cos(angle), side * reach * math.sin(angle))])
    band = stroked(legs, 50)
    assert drawn.symmetric_difference(band).area < 0.02


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
def test_legs_shorter_than_the_piece_say_so(leg: float) -> None:
    """A staircase whose middle leg has no room between two corner pieces."""
    path = polyline((0, 0), (40, 0), (40, leg), (80, leg))
    run = lay(path, block(3, WIDTH, corners=CornerRule("piece"), pieces=_piece(8.0)), Scale())
    measured = tally(run)
    short = [w for w in measured.warnings if w.code == "leg-too-short"]
    assert bool(short) == (leg < 16 + 3)
    assert measured.facts.legs[1].repeats == (0 if leg < 19 else round((leg - 16) / 3))


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
