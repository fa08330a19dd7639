"""Fits by themselves: whole repeats into any length, whatever alternates."""

from __future__ import annotations

import numpy as np
import pytest
from hypothesis import assume, given
from hypothesis import strategies as st

from curlet.core.brush import Brush, FitRule, Row
from curlet.core.lay import OtherHalf, RunRule, lay
from curlet.core.lay.fit import FITS, FitAsk, LegFit
from curlet.core.lay.fit.shared import share_length
from curlet.core.measures import Measure, Scale
from curlet.core.path import Path
from curlet.core.tally import tally
from tests.outlines import main_row
from tests.shapes import line, polyline

lengths = st.lists(st.floats(0.5, 9), min_size=1, max_size=4).map(tuple)
gaps = st.floats(0, 5)
rooms = st.floats(0.1, 800)
ends = st.sampled_from([0.0, 0.5, 1.0])


def used(ask: FitAsk, fit: LegFit) -> float:
    """What repeats and gaps cover."""
    if not fit.repeats:
        return 0.0
    body = fit.repeats - fit.tail
    covered = fit.stretch * ask.total(body) + fit.gap * body
    rest = ask.total(fit.repeats) - ask.total(body)
    return (
        covered
        + fit.tail_stretch * (rest * fit.stretch + fit.gap * fit.tail)
        - ((1 - ask.end_gaps) * fit.gap * (fit.tail_stretch if fit.tail else 1.0))
    )


@given(rooms, lengths, gaps, ends, st.sampled_from(sorted(FITS)))
def test_every_fit_accounts_for_the_whole_leg(
    room: float, order: tuple[float, ...], gap: float, end_gaps: float, kind: str
) -> None:
    ask = FitAsk(room, order, gap, end_gaps, FitRule(kind))
    fit = FITS[kind](ask)
    assert fit.repeats >= 0
    assert fit.stretch > 0
    if fit.repeats:
        assert used(ask, fit) + fit.left_over == pytest.approx(room, abs=1e-8 * max(1, room))
    else:
        assert fit.left_over == pytest.approx(room)


@given(st.floats(30, 800), lengths, gaps, st.sampled_from(["ease", "even-gaps"]))
def test_the_nearer_count_is_taken(room: float, order: tuple[float, ...], gap: float, kind: str) -> None:
    """No count beside the one taken would depart less from what was asked."""
    ask = FitAsk(room, order, gap, 0.0, FitRule(kind))
    fit = FITS[kind](ask)
    assume(fit.repeats > 2)
    assert abs(fit.repeats - ask.ideal) < 1 + len(order)


@given(st.floats(40, 400), st.floats(1, 6), gaps, st.integers(2, 6))
def test_closed_counts_are_multiples_of_what_alternates(
    room: float, length: float, gap: float, every: int
) -> None:
    for kind in ("ease", "even-gaps", "leave-over"):
        fit = FITS[kind](FitAsk(room, (length,), gap, 1.0, FitRule(kind), multiple=every))
        assert fit.repeats % every == 0


@given(st.floats(20, 400), st.floats(1, 6), gaps, st.booleans())
def test_centred_layouts_have_the_right_parity(room: float, length: float, gap: float, odd: bool) -> None:
    for kind in ("ease", "even-gaps"):
        fit = FITS[kind](FitAsk(room, (length,), gap, 0.0, FitRule(kind), odd=odd))
        if fit.repeats > 1:
            assert fit.repeats % 2 == odd


@pytest.mark.parametrize("count", [1, 5, 23])
@pytest.mark.parametrize("kind", ["ease", "shorten-last"])
def test_a_count_by_hand_is_obeyed(kind: str, count: int) -> None:
    fit = FITS[kind](FitAsk(60, (3.0,), 1.0, 0.0, FitRule(kind), count=count))
    assert fit.repeats == count


@pytest.mark.parametrize("kind", ["ease", "even-gaps"])
def test_a_count_of_none_leaves_the_leg_bare(kind: str) -> None:
    assert FITS[kind](FitAsk(60, (3.0,), 1.0, 0.0, FitRule(kind), count=0)).repeats == 0


@pytest.mark.parametrize("shortened", [1, 2, 3])
def test_made_up_shortens_as_many_as_asked(shortened: int) -> None:
    fit = FITS["shorten-last"](FitAsk(41.2, (3.0,), 1.0, 0.0, FitRule("shorten-last", shortened=shortened)))
    assert fit.tail == shortened
    assert fit.stretch == 1.0
    assert 0 < fit.tail_stretch <= 1.0


def test_made_up_where_all_come_out_shortens_none() -> None:
    fit = FITS["shorten-last"](FitAsk(43.0, (3.0,), 1.0, 0.0, FitRule("shorten-last")))
    assert fit.tail_stretch == pytest.approx(1.0)


def test_mixed_lengths_add_up_in_their_order() -> None:
    ask = FitAsk(100, (3.0, 3.0, 1.5), 1.0, 0.0, FitRule("leave-over"))
    assert [ask.total(n) for n in range(5)] == [0, 3, 6, 7.5, 10.5]
    assert ask.filled(3) == pytest.approx(9.5)
    assert ask.filled(ask.whole()) <= 100 < ask.filled(ask.whole() + 1)


def test_a_negative_gap_may_double_but_not_more() -> None:
    fit = FITS["even-gaps"](FitAsk(43, (10.0,), -1.0, 0.0, FitRule("even-gaps")))
    assert -2 - 1e-9 <= fit.gap <= 0.6


@given(st.lists(st.floats(15, 300), min_size=2, max_size=6), st.floats(1, 4), st.floats(0.3, 3))
def test_a_shared_length_is_one_length_and_still_fills(rooms: list[float], length: float, gap: float) -> None:
    asks = [FitAsk(room, (length,), gap, 0.0, FitRule("ease", shared=True)) for room in rooms]
    fits = share_length(asks, [FITS["ease"](ask) for ask in asks])
    many = [(ask, fit) for ask, fit in zip(asks, fits, strict=True) if fit.repeats > 1]
    assert len({round(fit.stretch, 12) for _, fit in many}) <= 1
    for ask, fit in many:
        assert fit.gap >= 0
        assert used(ask, fit) == pytest.approx(ask.available, abs=1e-8)


def test_repeats_that_touch_keep_their_legs_lengths_rather_than_show_slits() -> None:
    rooms, touching = (50.0, 31.0, 47.0), Row(length=Measure(3.0), gap=Measure(0.0), fit=FitRule(shared=True))
    path = polyline((0, 0), (rooms[0], 0), (rooms[0], rooms[1]), (rooms[0] - rooms[2], rooms[1]))
    run = lay(path, Brush(courses=(touching,)), Scale())
    assert [fit.gap for fit in main_row(run).fits] == [0.0] * 3
    (told,) = [w for w in tally(run).warnings if w.code == "unequal-lengths"]
    assert "no leg shows a slit" in told.message


@pytest.mark.parametrize("kind", ["even-gaps", "leave-over"])
@pytest.mark.parametrize("count", [2, 13])
def test_a_count_that_does_not_go_in_stays_within_its_leg_and_says_so(kind: str, count: int) -> None:
    """13 on 27 mm laid one, or ran 24 mm past the end."""
    row = Row(length=Measure(3.0), gap=Measure(1.0), fit=FitRule(kind))
    run = lay(line(27), Brush(courses=(row,)), Scale(), RunRule(counts={"n1": count}))
    slots = main_row(run).slots
    assert slots.end.max() <= 27 + 1e-9
    most = {"even-gaps": 9, "leave-over": 7}[kind]
    assert len(slots) == min(count, most)
    told = [w.message for w in tally(run).warnings if w.code == "count-not-met"]
    assert bool(told) == (count > most)
    assert all(f"no more than {most} go in" in message for message in told)


@pytest.mark.parametrize("room", [40.05, 41.0, 43.2, 60.7])
@pytest.mark.parametrize("layout", ["repeat", "gap"])
@pytest.mark.parametrize("kind", ["shorten-last", "leave-over"])
def test_a_layout_on_the_middle_holds_under_every_fit(kind: str, layout: str, room: float) -> None:
    """A repeat, or a gap, on the leg's middle: both halves of the leg mirror each other."""
    row = Row(
        length=Measure(3.0), gap=Measure(1.0), fit=FitRule(kind, layout=layout, remainder="end", shortened=2)
    )
    slots = main_row(lay(line(room), Brush(courses=(row,)), Scale())).slots
    assert len(slots) % 2 == (layout == "repeat")
    assert (slots.start + slots.end[::-1]) == pytest.approx(np.full(len(slots), room))
    if kind == "shorten-last":
        assert slots.start[0] == pytest.approx(0.0)


@pytest.mark.parametrize("over", [0.003, 0.2, 0.9])
def test_no_stitch_is_made_up_to_less_than_a_third(over: float) -> None:
    """One stitch made up left 0.003 mm."""
    fit = FITS["shorten-last"](
        FitAsk(43.0 + 1.0 + over, (3.0,), 1.0, 0.0, FitRule("shorten-last", shortened=1))
    )
    assert fit.tail == 2
    assert 1 / 3 <= fit.tail_stretch <= 1


def test_a_mirrored_mate_gets_the_same_stitch_length_though_its_legs_differ() -> None:
    row = Row(fit=FitRule("ease", shared=True))
    brush = Brush(courses=(row,))
    right, left = polyline((0, 0), (50, 0), (50, 31)), polyline((0, 0), (-47, 0), (-47, 33.3))

    def stretches(path: Path, other_half: Path | None) -> set[float]:
        rule = RunRule(other_half=OtherHalf(other_half, RunRule()) if other_half else None)
        return {round(fit.stretch, 12) for fit in main_row(lay(path, brush, Scale(), rule)).fits}

    assert stretches(right, None) != stretches(left, None)
    assert stretches(right, left) == stretches(left, right)
    assert len(stretches(right, left)) == 1


@pytest.mark.parametrize(("end_gaps", "ideal"), [(0.0, 20.2), (0.5, 20.1), (1.0, 20.0)])
def test_the_count_that_would_fit_as_asked(end_gaps: float, ideal: float) -> None:
    """n·l + (n − 1 + e)·g = A, solved by hand for 100 mm, 4 mm stitches and 1 mm gaps."""
    assert FitAsk(100.0, (4.0,), 1.0, end_gaps, FitRule("ease")).ideal == pytest.approx(ideal)
