"""Reading measures as people type them."""

from __future__ import annotations

import math

import pytest
from hypothesis import given
from hypothesis import strategies as st

from curlet.core.bounds import Bounds
from curlet.core.brush import Letter, Row, Share
from curlet.core.errors import BadInput
from curlet.core.measures import (
    Measure,
    MeasuredOn,
    Reading,
    Scale,
    place_entered,
    read_measure,
    spi_to_pitch,
)
from curlet.core.motif.families import Running


@pytest.mark.parametrize(
    ("text", "mm"),
    [
        ("3", 3),
        ("3 mm", 3),
        ("2,5", 2.5),
        (".4mm", 0.4),
        ("1/8 in", 3.175),
        ("1 1/8 in", 28.575),
        ("1-1/2 in", 38.1),
        ("1 - 1/2 in", 12.7),
        ("3 + 1 mm", 4),
        ("1 in + 2", 76.2),
        ("1/8″", 3.175),
        ("3*2.5", 7.5),
        ("2 in - 1 mm", 49.8),
        ("(1+2) cm", 30),
        ("36pt", 12.7),
        ("−1 mm", -1),
        ("1e1", 10),
        ("1 in + 1 in", 50.8),
        # A bare number takes the unit that comes next.
        ("1 + 2 in + 3 mm", 79.2),
    ],
)
def test_lengths_take_units_and_sums(text: str, mm: float) -> None:
    assert read_measure(text).value == pytest.approx(mm)


def test_spi_and_shares_only_where_they_are_taken() -> None:
    assert read_measure("8 spi", accepts=("mm", "spi")) == Reading(8, "spi")
    assert read_measure("30 %", accepts=("mm", "%")) == Reading(30, "%")
    with pytest.raises(BadInput, match="sets a pitch"):
        read_measure("8 spi", accepts=("mm", "%"))
    with pytest.raises(BadInput, match="this takes a length"):
        read_measure("30 %")


@pytest.mark.parametrize(
    "text",
    ["", "mm", "3 furlongs", "3 mm mm", "1/0", "2 mm * 2 mm", "((3)", "1 1/0 in", "nan", "9" * 400, "3;DROP"],
)
def test_what_cannot_be_read_is_refused(text: str) -> None:
    with pytest.raises(BadInput):
        read_measure(text)


@given(st.text(max_size=70))
def test_no_text_is_anything_but_a_measure_or_a_refusal(text: str) -> None:
    try:
        read_measure(text, accepts=("mm", "spi", "%"))
    except BadInput as error:
        assert len(str(error)) < 300


@pytest.mark.parametrize("text", ["1:0", "0:1", "4", "1:-4", "a:b", "1:99999"])
def test_impossible_scales_are_refused(text: str) -> None:
    with pytest.raises(BadInput):
        Scale.read(text)


def test_used_and_printed_are_the_same_length_seen_twice() -> None:
    scale = Scale.read("1:4")
    assert Measure(6).drawn(scale) == 1.5
    assert Measure(1.5, MeasuredOn.PAPER).on_garment(scale) == 6


def test_a_pitch_is_shared_by_the_stitch_and_a_gap_in_proportion() -> None:
    row = Row(gap=Share(25))
    length = row.length_for_pitch(spi_to_pitch(8), Scale())
    assert length == pytest.approx(2.54)
    assert length * 1.25 == pytest.approx(25.4 / 8)


@pytest.mark.parametrize(
    ("order", "more"),
    [("", 0), ("A C", 1), ("A" * 101, 0), ("A", 12)],
    ids=["none", "unknown", "long", "many"],
)
def test_an_order_is_of_the_letters_that_there_are_and_within_bounds(order: str, more: int) -> None:
    row = Row(order=order, more=(Letter(Running(), Measure(3.0)),) * more)
    with pytest.raises(BadInput, match="An order is up to 100 letters"):
        row.check(Scale())


def test_an_order_may_be_as_long_as_is_said() -> None:
    Row(order="AB" * 50, more=(Letter(Running(), Measure(3.0)),)).check(Scale())


@pytest.mark.parametrize(
    ("value", "said"),
    [(1e6, "1,000,000 mm"), (-2.5, "-2.5 mm"), (1e-5, "0.00001 mm"), (12345.678, "12,345.678 mm")],
)
def test_a_refusal_says_its_number_as_people_write_it(value: float, said: str) -> None:
    with pytest.raises(BadInput) as refused:
        Bounds("Gap", 0.5, 1).check(value)
    assert str(refused.value).startswith(f"Gap is {said}: it must be from 0.5 to 1 mm")


def test_a_length_in_a_direction_is_from_the_sheets_corner_unless_it_is_said_from_where() -> None:
    scale = Scale.read("1:4")
    assert place_entered(scale, length="80 mm", direction="90") == pytest.approx((0, 20))
    assert place_entered(scale, length="80 mm", from_x=3, from_y=5) == pytest.approx((23, 5))


def test_a_scale_of_nothing_is_refused_however_it_is_made() -> None:
    for drawn, garment in ((0.0, 4.0), (1.0, 0.0), (-1.0, 4.0), (10_001.0, 1.0), (math.inf, 1.0)):
        with pytest.raises(BadInput, match="above 0"):
            Scale(drawn, garment)


@pytest.mark.parametrize(
    ("text", "mm"),
    [("1 m + 20 cm + 5", 1250), ("5 + 20 cm + 1 m", 1250), ("3 + 1 cm + 2 mm + 4", 46), ("2 cm - 5", -30)],
)
def test_a_number_without_a_unit_takes_that_of_the_next_or_of_the_last(text: str, mm: float) -> None:
    """By hand: 1000 + 200 + 50; 50 + 200 + 1000; 30 + 10 + 2 + 4; 20 - 50."""
    assert read_measure(text).value == pytest.approx(mm)
