"""Laying stitches: what the trade looks at first, corners, closings and measure."""

from __future__ import annotations

import math
from dataclasses import dataclass

import numpy as np
import pytest
from hypothesis import given
from hypothesis import strategies as st

from curlet.core.brush import Brush, CornerRule, FitRule, Row, Share
from curlet.core.errors import BadInput, TooMuch
from curlet.core.lay import LaidRow, LaidRun, RunRule, lay
from curlet.core.lay.draw_row import placements_of
from curlet.core.lay.hold import Placements
from curlet.core.measures import Measure, MeasuredOn, Scale
from curlet.core.motif.families import Running
from curlet.core.path import Path
from curlet.core.tally import LegTally, Warning, tally
from tests.shapes import circle, line, paths, polyline, square, turn

FITS = ("leave-over", "even-gaps", "ease")


def brush(length: float = 3.0, gap: float = 1.0, corners: str = "pivot", **fit: object) -> Brush:
    made = Row(Running(Measure(0.3)), Measure(length), Measure(gap), FitRule(**fit))  # type: ignore[arg-type]
    return Brush(courses=(made,), corners=CornerRule(corners))


@dataclass(frozen=True)
class Measured:
    """What the tests ask of a run's tally."""

    legs: tuple[LegTally, ...]
    repeats: int
    warnings: tuple[Warning, ...]


def measured(run: LaidRun) -> Measured:
    whole = tally(run)
    return Measured(whole.facts.legs, whole.facts.repeats, whole.warnings)


def row(run: LaidRun) -> LaidRow:
    assert run.main is not None
    return run.main


def placed(run: LaidRun) -> Placements:
    at = placements_of(row(run))
    assert at is not None
    return at


def holes(run: LaidRun) -> np.ndarray:
    slots = row(run).slots
    return np.stack([slots.start, slots.end], axis=1)


def test_as_asked_on_a_straight_leg() -> None:
    run = lay(line(42), brush(kind="leave-over"), Scale())
    facts = measured(run)
    assert facts.repeats == 10
    assert holes(run)[1] == pytest.approx([4, 7])
    assert facts.legs[0].left_over == pytest.approx(3)


@pytest.mark.parametrize(("place", "first"), [("end", 0.0), ("start", 3.0), ("shared", 1.5)])
def test_the_remainder_goes_where_it_is_asked(place: str, first: float) -> None:
    run = lay(line(42), brush(kind="leave-over", remainder=place), Scale())
    assert holes(run)[0, 0] == pytest.approx(first)


def test_even_gaps_keep_the_stitch_and_land_on_both_ends() -> None:
    run = lay(line(42), brush(kind="even-gaps"), Scale())
    (leg,) = measured(run).legs
    assert leg.stitch == 3
    assert leg.repeats == 11
    assert leg.gap == pytest.approx((42 - 33) / 10)
    assert holes(run)[-1, 1] == pytest.approx(42)


def test_ease_changes_stitch_and_gap_alike() -> None:
    (leg,) = measured(lay(line(42), brush(kind="ease"), Scale())).legs
    assert leg.stitch / leg.gap == pytest.approx(3)
    assert leg.repeats * leg.stitch + (leg.repeats - 1) * leg.gap == pytest.approx(42)


def test_ease_with_the_gap_kept_changes_stitches_only() -> None:
    (leg,) = measured(lay(line(42), brush(kind="ease", keep_gap=True), Scale())).legs
    assert leg.gap == 1
    assert 11 * leg.stitch + 10 == pytest.approx(42)


@pytest.mark.parametrize("fit", ["even-gaps", "ease"])
def test_a_closed_path_closes_with_a_gap_like_the_others(fit: str) -> None:
    path = circle(17)
    run = lay(path, brush(corners="carry", kind=fit), Scale())
    at = holes(run)
    gaps = np.append(at[1:, 0], at[0, 0] + path.length) - at[:, 1]
    assert gaps == pytest.approx(np.full(len(gaps), gaps[0]), abs=1e-9)


def test_left_over_on_a_closed_path_is_an_honest_step() -> None:
    facts = measured(lay(circle(17), brush(corners="carry", kind="leave-over"), Scale()))
    assert facts.legs[0].left_over == pytest.approx(2 * math.pi * 17 - 4 * 26, abs=1e-4)
    assert [w.code for w in facts.warnings] == ["open-step"]


def test_pivot_puts_a_needle_hole_on_every_corner() -> None:
    run = lay(square(31), brush(), Scale())
    points = run.path.arc.points(np.unique(holes(run)))
    for corner in run.path.points:
        assert np.hypot(*(points - corner).T).min() < 1e-9


def test_carry_round_lays_on_through_the_corner() -> None:
    run = lay(turn(90), brush(corners="carry", kind="leave-over"), Scale())
    assert len(row(run).legs) == 1
    assert len(run.corners) == 1
    assert len(holes(run)) == 20


@pytest.mark.parametrize(
    ("degrees", "angle", "corners"), [(40, 30, 1), (25, 30, 0), (-40, 30, 1), (25, 20, 1)]
)
def test_the_corner_angle_says_what_a_corner_is(degrees: float, angle: float, corners: int) -> None:
    run = lay(turn(degrees), Brush(corners=CornerRule("pivot", angle)), Scale())
    assert len(run.corners) == corners
    if corners:
        assert run.corners[0].turn == pytest.approx(degrees)


def test_a_small_fillet_is_one_corner() -> None:
    """A right angle rounded by 1 mm in four pieces: no piece turns 30°, a 3 mm stitch cannot follow."""
    angles = np.radians(np.linspace(-90, 0, 5))
    bend = [(30 + math.cos(a), 1 + math.sin(a)) for a in angles]
    run = lay(polyline((0, 0), *bend, (31, 40)), brush(), Scale())
    assert len(run.corners) == 1
    assert run.corners[0].turn == pytest.approx(90, abs=1)


def test_a_corner_is_kept_against_its_node() -> None:
    run = lay(square(20), brush(), Scale())
    assert [corner.node_id for corner in run.corners] == ["n1", "n2", "n3", "n4"]


@pytest.mark.parametrize("short", [False, True])
def test_a_leg_too_short_says_so(short: bool) -> None:
    path = polyline((0, 0), (40, 0), (40, 2.1), (80, 2.1))
    facts = measured(lay(path, brush(short_legs=short), Scale()))
    assert facts.legs[1].repeats == (1 if short else 0)
    (warning,) = [w for w in facts.warnings if [place.leg for place in w.places] == [1]]
    assert "2.1 mm long: too short for a stitch of 3 mm" in warning.message
    assert (warning.mend is None) == short


def test_used_measures_follow_the_scale_and_printed_ones_do_not() -> None:
    made = Row(Running(Measure(0.3, MeasuredOn.PAPER)), Measure(6.0), Measure(2.0), FitRule("leave-over"))
    run = lay(line(50), Brush(courses=(made,)), Scale.read("1:4"))
    assert holes(run)[:2].tolist() == [[0, 1.5], [2.0, 3.5]]
    assert row(run).motif.width == 0.3


def test_a_gap_as_a_share_stays_in_proportion() -> None:
    made = Row(length=Measure(4.0), gap=Share(25), fit=FitRule("leave-over"))
    run = lay(line(50), Brush(courses=(made,)), Scale())
    assert holes(run)[1] == pytest.approx([5, 9])


def test_backwards_walks_from_the_other_end() -> None:
    run = lay(line(42), brush(kind="leave-over"), Scale(), RunRule(backwards=True))
    assert placed(run).start[0] == pytest.approx([42, 0])
    assert placed(run).angle[0] == pytest.approx(180)


def test_thread_lies_straight_between_its_holes() -> None:
    run = lay(circle(12), brush(corners="carry"), Scale())
    at = placed(run)
    ends = at.start + at.along * at.length[:, None]
    assert np.hypot(*(ends - run.path.arc.points(holes(run)[:, 1])).T).max() < 1e-9


@pytest.mark.parametrize(
    ("made", "says"),
    [
        (brush(length=0), "Stitch length is 0 mm"),
        (brush(length=-3), "Stitch length is -3 mm"),
        (brush(length=math.nan), "not a number"),
        (brush(length=1e9), "must be from"),
        (brush(gap=-2.99), "would not move on"),
        (brush(corners="twirl"), "not a corner manner"),
        (brush(kind="hope"), "not a fit"),
    ],
)
def test_impossible_measures_are_refused_with_what_to_do(made: Brush, says: str) -> None:
    with pytest.raises(BadInput, match=says):
        lay(line(100), made, Scale())


def test_too_many_repeats_are_refused() -> None:
    with pytest.raises(TooMuch, match=r"200,000"):
        lay(line(5000), brush(length=0.01, gap=0.01), Scale())


def test_solid_line_is_warned_of_with_a_mend() -> None:
    made = Row(Running(Measure(0.5)), Measure(3.0), Measure(0.4), FitRule("leave-over"))
    (warning,) = measured(lay(line(50), Brush(courses=(made,)), Scale())).warnings
    assert warning.code == "solid-line"
    assert warning.mend is not None
    assert warning.mend.settings == (("/courses/0/gap", "1 mm"),)


def test_thread_below_print_weight_is_warned_of() -> None:
    facts = measured(lay(line(50), brush(), Scale.read("1:10")))
    fine = [w for w in facts.warnings if w.code == "too-fine"]
    assert "0.09 pt: below 0.25 pt" in fine[0].message


def test_off_tolerance_is_flagged_on_its_leg() -> None:
    facts = measured(lay(line(9.2), brush(), Scale()))
    assert facts.legs[0].off
    assert facts.warnings[0].code == "off-tolerance"


lengths = st.floats(0.5, 12)
gaps = st.floats(0.0, 6)


@given(paths(), lengths, gaps, st.sampled_from(FITS), st.sampled_from(["pivot", "carry"]))
def test_stitches_never_overlap_and_lie_on_their_own_leg(
    path: Path, length: float, gap: float, fit: str, corners: str
) -> None:
    run = lay(path, brush(length, gap, corners, kind=fit), Scale())
    laid = row(run)
    start, end, leg = laid.slots.start, laid.slots.end, laid.slots.leg
    assert np.isfinite(placed(run).matrices()).all()
    assert (end - start > 0).all()
    assert (start[1:] - end[:-1] >= -1e-9).all()
    first = np.array([item.s0 for item in laid.legs])[leg]
    last = np.array([item.s1 for item in laid.legs])[leg]
    assert (start >= first - 1e-9).all()
    assert (end <= last + 1e-9).all()


@given(paths(), lengths, gaps, st.sampled_from(FITS), st.sampled_from(["pivot", "carry"]))
def test_counts_and_lengths_add_up_to_the_path(
    path: Path, length: float, gap: float, fit: str, corners: str
) -> None:
    run = lay(path, brush(length, gap, corners, kind=fit), Scale())
    facts = measured(run)
    assert sum(leg.length for leg in facts.legs) == pytest.approx(path.length, rel=1e-9)
    assert sum(leg.repeats for leg in facts.legs) == facts.repeats == len(row(run).slots)
    for leg, where in zip(facts.legs, row(run).legs, strict=True):
        end_gaps = 1 if where.unbroken else 0
        used = leg.repeats * leg.stitch + max(leg.repeats - 1 + end_gaps, 0) * leg.gap
        if leg.repeats:
            assert used + leg.left_over == pytest.approx(leg.length, abs=1e-9 * max(1, path.length))
        else:
            assert leg.left_over == pytest.approx(leg.length)


@given(st.floats(12, 5000), lengths, gaps, st.sampled_from(["even-gaps", "ease"]))
def test_even_gaps_and_ease_close(whole: float, length: float, gap: float, fit: str) -> None:
    (leg,) = measured(lay(line(whole), brush(length, gap, kind=fit), Scale())).legs
    if leg.repeats > 1:
        used = leg.repeats * leg.stitch + (leg.repeats - 1) * leg.gap
        assert used == pytest.approx(whole, abs=1e-9)


@given(paths(), st.sampled_from(FITS))
def test_laying_twice_gives_the_same_bytes(path: Path, fit: str) -> None:
    first, second = (placed(lay(path, brush(kind=fit), Scale())) for _ in range(2))
    assert first.matrices().tobytes() == second.matrices().tobytes()


@given(paths())
def test_reversal_twice_is_the_identity(path: Path) -> None:
    back = path.reversed().reversed()
    assert back.node_ids == path.node_ids
    assert (back.segments == path.segments).all()
