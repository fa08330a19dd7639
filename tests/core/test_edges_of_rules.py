"""Rules at their edges: what is just allowed, what is just not, and what happens in between."""

from __future__ import annotations

import pytest

from curlet.core.brush import Band, CornerRule, FitRule, Row, Span, Swell
from curlet.core.brush.courses import MAX_LETTERS, Letter
from curlet.core.brush.rules import EndRule, SwayRule
from curlet.core.errors import BadInput
from curlet.core.measures import Measure, MeasuredOn, Scale, place_entered, read_measure
from curlet.core.motif.families import Running

TRUE, QUARTER = Scale(), Scale(1, 4)


@pytest.mark.parametrize(
    ("setting", "low", "high"),
    [("angle", 1.0, 179.0), ("mitre_limit", 1.0, 100.0), ("fullness", 1.0, 5.0)],
)
def test_a_corner_rules_numbers_have_both_edges(setting: str, low: float, high: float) -> None:
    for fine in (low, high):
        CornerRule(**{setting: fine}).check()
    for past in (low - 0.01, high + 0.01):
        with pytest.raises(BadInput):
            CornerRule(**{setting: past}).check()


@pytest.mark.parametrize(("setting", "low"), [("stop", 0.0), ("radius", 0.01)])
def test_a_corner_rules_measures_have_both_edges(setting: str, low: float) -> None:
    for fine in (low, 10_000):
        CornerRule(**{setting: Measure(fine)}).check()
    for past in (low - 0.001, 10_001):
        with pytest.raises(BadInput):
            CornerRule(**{setting: Measure(past)}).check()


def test_one_to_three_stitches_are_shortened() -> None:
    for fine in (1, 2, 3):
        FitRule(shortened=fine).check()
    for past in (0, 4):
        with pytest.raises(BadInput, match="One, two or three"):
            FitRule(shortened=past).check()


def test_a_swells_points_may_stand_over_one_another_but_not_go_back() -> None:
    """Two points at one place are a step in the width."""
    Swell(((0.0, 100.0), (0.5, 100.0), (0.5, 40.0), (1.0, 40.0))).check()
    with pytest.raises(BadInput, match="in order"):
        Swell(((0.5, 100.0), (0.4, 100.0))).check()


def test_an_order_has_up_to_so_many_letters_and_places() -> None:
    def row(letters: int, order: str) -> Row:
        return Row(more=tuple(Letter(Running(), Measure(2)) for _ in range(letters - 1)), order=order)

    row(MAX_LETTERS, "A " * 100).check(TRUE)
    for wrong in (row(MAX_LETTERS + 1, "A"), row(1, "A" * 101), row(1, "")):
        with pytest.raises(BadInput, match="up to 100 letters"):
            wrong.check(TRUE)


def test_a_courses_size_enlarges_all_that_is_measured_of_it() -> None:
    half = {"size": 50.0}
    row = Row(length=Measure(8), gap=Measure(2), offset=Measure(4), **half)
    assert (row.drawn_length(TRUE), row.drawn_gap(TRUE), row.drawn_offset(TRUE)) == (4, 1, 2)
    assert row.drawn_pitch(TRUE) == 5
    band = Band(width=Measure(8), offset=Measure(-4), **half)
    assert (band.drawn_width(TRUE), band.drawn_offset(TRUE), band.drawn_pitch(TRUE)) == (4, -2, 8)
    assert (band.drawn_reach(TRUE), band.drawn_span(TRUE)) == (4, 2)
    span = Span(motif=Running(), length=Measure(20), offset=Measure(4), **half)
    assert (span.drawn_pitch(QUARTER), span.drawn_offset(QUARTER)) == (2.5, 0.5)
    assert span.drawn_span(TRUE) == span.drawn_width(TRUE) / 2


@pytest.mark.parametrize("ends", ["flat", "round", "square"])
@pytest.mark.parametrize("joins", ["round", "mitre", "bevel"])
def test_a_bands_ends_and_joins_are_each_checked(ends: str, joins: str) -> None:
    Band(ends=ends, joins=joins).check(TRUE)
    for wrong in (Band(ends="ragged", joins=joins), Band(ends=ends, joins="ragged")):
        with pytest.raises(BadInput, match="A band's ends"):
            wrong.check(TRUE)


@pytest.mark.parametrize(
    ("direction", "there"),
    [("0", (30, 20)), ("90", (10, 40)), ("180°", (-10, 20)), ("-90", (10, 0)), (None, (30, 20))],
)
def test_a_length_in_a_direction_goes_on_from_the_last_place(
    direction: str | None, there: tuple[float, float]
) -> None:
    """Clockwise from level, as a protractor on the paper is read; 80 mm of garment are 20 mm at 1:4."""
    found = place_entered(QUARTER, length="80", direction=direction, from_x=10, from_y=20)
    assert found == pytest.approx(there)


def test_a_length_without_a_place_begins_at_the_sheets_corner() -> None:
    assert place_entered(TRUE, length="5", direction="90") == pytest.approx((0, 5))
    assert place_entered(QUARTER, x="40", y="8 cm") == (10, 20)


@pytest.mark.parametrize(
    ("text", "mm"),
    [("2 + 1/8 in", 53.975), ("1 in + 2", 76.2), ("1 in + 2 mm", 27.4), ("3 mm + 1 in + 2", 79.2)],
)
def test_a_number_without_a_unit_takes_the_next_ones_or_the_last(text: str, mm: float) -> None:
    assert read_measure(text).value == pytest.approx(mm)


def test_a_measure_on_paper_is_as_large_at_every_scale() -> None:
    paper = Measure(3, MeasuredOn.PAPER)
    assert (paper.drawn(QUARTER), paper.on_garment(QUARTER)) == (3, 12)


@pytest.mark.parametrize("what", ["backtack", "condensed", "oversew"])
def test_stitching_is_secured_with_none_to_twenty_stitches(what: str) -> None:
    for fine in (0, 20):
        EndRule(**{what: fine}).check()
    for past in (-1, 21):
        with pytest.raises(BadInput, match="0 to 20"):
            EndRule(**{what: past}).check()


def test_a_sways_curve_has_up_to_200_values() -> None:
    SwayRule("turn", "rhythm", 1000, wave=(0.0,) * 200).check()
    for wrong in (SwayRule("turn", "rhythm", 10, wave=(0.0,) * 201), SwayRule("turn", "rhythm", 1000.1)):
        with pytest.raises(BadInput, match="up to 1,000"):
            wrong.check()
