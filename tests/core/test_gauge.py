"""Rows that are alike, and the gauge between them."""

from __future__ import annotations

import pytest

from curlet.core.brush import Band, Brush, Row
from curlet.core.brush.gauge import alike_rows, gauge, offsets_for_gauge
from curlet.core.errors import BadInput
from curlet.core.measures import Measure, MeasuredOn
from curlet.demo.brushes import BRUSHES
from curlet.formats.brush_file import read_brush


def rows_at(*offsets: float, on: MeasuredOn = MeasuredOn.GARMENT) -> Brush:
    return Brush(courses=tuple(Row(offset=Measure(offset, on)) for offset in offsets))


@pytest.mark.parametrize(("name", "count"), [("twin", 2), ("triple", 3)])
def test_a_quarter_inch_gauge_is_read_from_the_needles(name: str, count: int) -> None:
    brush = read_brush(BRUSHES[name]).to_core()
    assert len(alike_rows(brush)) == count
    apart = gauge(brush)
    assert apart is not None
    assert apart.mm == pytest.approx(25.4 / 4)


def test_a_row_of_another_length_or_colour_is_not_set_with_the_main_one() -> None:
    main, longer = Row(offset=Measure(-2)), Row(length=Measure(4), offset=Measure(2))
    assert alike_rows(Brush(courses=(main, longer, Band(), Row()))) == (0, 3)
    assert alike_rows(Brush(courses=(Band(),))) == ()


def test_a_gauge_keeps_the_middle_and_the_side_of_each_row() -> None:
    brush = rows_at(7, 1, 4)
    assert {index: at.mm for index, at in offsets_for_gauge(brush, Measure(2)).items()} == {1: 2, 2: 4, 0: 6}


def test_what_is_not_evenly_spaced_has_no_gauge_until_it_is_given_one() -> None:
    for uneven in (rows_at(0, 1, 4), rows_at(2, 2), rows_at(0)):
        assert gauge(uneven) is None
    assert [at.mm for at in offsets_for_gauge(rows_at(0, 1, 5), Measure(3)).values()] == [-1, 2, 5]
    mixed = Brush(courses=(Row(offset=Measure(0)), Row(offset=Measure(3, MeasuredOn.PAPER))))
    assert gauge(mixed) is None


def test_a_gauge_on_paper_stays_on_paper() -> None:
    apart = gauge(rows_at(-1, 1, on=MeasuredOn.PAPER))
    assert apart == Measure(2, MeasuredOn.PAPER)


def test_one_row_has_no_gauge_to_set_and_a_gauge_is_above_nothing() -> None:
    with pytest.raises(BadInput, match="several rows that are alike"):
        offsets_for_gauge(rows_at(0), Measure(3))
    with pytest.raises(BadInput, match="Gauge"):
        offsets_for_gauge(rows_at(-1, 1), Measure(0))
