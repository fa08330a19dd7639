"""Even gaps: repeats as asked, the remainder shared out among the gaps."""

from __future__ import annotations

from curlet.core.lay.fit.ask import COUNT_SLACK, FitAsk, LegFit, lead_in, nothing, one_eased

OVERLAP_LIMIT = 0.95


def even_gaps(ask: FitAsk) -> LegFit:
    """g' = (A − n·l)/(n − 1 + e), of all counts near the one nearest to the gap asked.

    Gaps stay at 0 or more; where an overlap is asked, it may double. One repeat alone on a
    flush leg stands at its middle. Of a count set by hand as many are laid as go in.
    """
    if ask.count == 0:
        return nothing(ask)
    if ask.available < ask.lengths[0] - COUNT_SLACK:
        return one_eased(ask) if ask.rule.short_legs or not ask.too_short else nothing(ask)
    least = 0.0 if ask.gap >= 0 else max(2 * ask.gap, -OVERLAP_LIMIT * min(ask.lengths))
    fits = [
        (abs(gap - ask.gap), count, gap)
        for count in _counts(ask, least)
        for gap in [_gap(ask, count)]
        if gap is not None and gap >= least - COUNT_SLACK
    ]
    if not fits:
        return _alone(ask, least)
    _, count, gap = min(fits, key=lambda fit: fit[0])
    return LegFit(count, 1.0, gap, lead_in(ask, gap))


def _counts(ask: FitAsk, least: float) -> tuple[int, ...]:
    """The counts to try, and the most that go in with the least gap."""
    near = ask.candidates()
    most = ask.most(max(near), least)
    return near if most in near or not most else (*near, most)


def _alone(ask: FitAsk, least: float) -> LegFit:
    """No count gives a gap: one repeat alone; where things alternate round a closing, one round of them
    eased, so that they still meet."""
    if ask.multiple > 1 and ask.count is None:
        return LegFit(ask.multiple, ask.available / ask.covered(ask.multiple, 0.0), 0.0)
    spare = ask.available - ask.lengths[0]
    return LegFit(1, 1.0, ask.gap, spare / 2, spare)


def _gap(ask: FitAsk, count: int) -> float | None:
    gaps = count - 1 + ask.end_gaps
    return (ask.available - ask.total(count)) / gaps if gaps > 0 else None
