"""Ease: lengths changed a little so that whole repeats come out."""

from __future__ import annotations

import math

from curlet.core.lay.fit.ask import FitAsk, LegFit, lead_in, nothing


def ease(ask: FitAsk) -> LegFit:
    """k = A/(n·l + (n − 1 + e)·g), of all counts near the smaller |ln k|.

    With the gap kept, only the lengths change: l' = (A − (n − 1 + e)·g)/n.
    """
    if ask.count == 0 or (ask.too_short and not ask.rule.short_legs):
        return nothing(ask)
    fits = [fit for count in ask.candidates() if (fit := _eased(ask, count)).stretch > 0]
    if not fits:
        return nothing(ask)
    return min(fits, key=lambda fit: abs(math.log(fit.stretch)))


def _eased(ask: FitAsk, count: int) -> LegFit:
    gaps = (count - 1 + ask.end_gaps) * ask.gap
    if ask.rule.keep_gap:
        return LegFit(count, (ask.available - gaps) / ask.total(count), ask.gap, lead_in(ask, ask.gap))
    filled = ask.total(count) + gaps
    share = ask.available / filled if filled > 0 else -1.0
    return LegFit(count, share, ask.gap * share, lead_in(ask, ask.gap * share))
