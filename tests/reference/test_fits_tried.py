"""Fits against trying every count: no count does better than the one taken (own brute force)."""

from __future__ import annotations

import math
from itertools import product

import numpy as np
import pytest

from curlet.core.brush import FitRule
from curlet.core.lay.fit import FITS, FitAsk

ORDERS = ((3.0,), (10.0, 2.0, 2.0), (2.0, 2.0, 10.0), (5.0, 1.0), (4.0, 4.0, 1.5, 7.0))
ROOMS = np.unique(np.round(np.random.default_rng(12).uniform(4.0, 140.0, 60), 3)).tolist()
GAPS = (0.0, 0.5, 2.0)
ENDS = (0.0, 0.5, 1.0)
# A multiple for closed paths, or a parity for a layout on the middle.
RULES = ((1, None), (2, None), (6, None), (1, True), (1, False))


def asks(kind: str) -> list[FitAsk]:
    found = []
    for order, room, gap, ends, (multiple, odd) in product(ORDERS, ROOMS, GAPS, ENDS, RULES):
        if multiple == 1 or ends == 1.0:
            rule = FitRule(kind, short_legs=True)
            found.append(FitAsk(room, order, gap, ends, rule, multiple=math.lcm(multiple, 1), odd=odd))
    return found


def allowed(ask: FitAsk) -> list[int]:
    counts = range(1, int(ask.available / min(ask.lengths)) + 12)
    if ask.odd is not None:
        return [n for n in counts if n % 2 == ask.odd]
    return [n for n in counts if n % ask.multiple == 0]


def laid(order: tuple[float, ...], count: int) -> float:
    return sum(order[i % len(order)] for i in range(count))


def test_even_gaps_are_the_nearest_that_any_count_gives() -> None:
    for ask in asks("even-gaps"):
        fit = FITS["even-gaps"](ask)
        gaps = {
            n: (ask.available - laid(ask.lengths, n)) / d
            for n in allowed(ask)
            if (d := n - 1 + ask.end_gaps) > 0
        }
        best = min((abs(g - ask.gap) for g in gaps.values() if g >= -1e-9), default=None)
        if best is None:
            assert fit.repeats in (0, 1, ask.multiple)
        else:
            assert abs(fit.gap - ask.gap) == pytest.approx(best, abs=1e-9), ask
            assert fit.stretch == 1.0


@pytest.mark.parametrize("keep_gap", [False, True])
def test_ease_departs_least_of_all_counts(keep_gap: bool) -> None:
    for ask in asks("ease"):
        if keep_gap:
            ask = FitAsk(**{**vars(ask), "rule": FitRule("ease", keep_gap=True, short_legs=True)})
        fit = FITS["ease"](ask)
        best = math.inf
        for n in allowed(ask):
            gaps, length = (n - 1 + ask.end_gaps) * ask.gap, laid(ask.lengths, n)
            k = (ask.available - gaps) / length if keep_gap else ask.available / (length + gaps)
            if k > 0:
                best = min(best, abs(math.log(k)))
        if best == math.inf:
            assert fit.repeats == 0
            continue
        assert abs(math.log(fit.stretch)) == pytest.approx(best, abs=1e-9), ask


def test_leave_over_lays_the_most_that_go_in() -> None:
    for ask in asks("leave-over"):
        fit = FITS["leave-over"](ask)
        room = [
            n
            for n in allowed(ask)
            if laid(ask.lengths, n) + (n - 1 + ask.end_gaps) * ask.gap <= ask.available + 1e-9
        ]
        if room:
            assert fit.repeats == max(room), ask
