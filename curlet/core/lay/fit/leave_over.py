"""Leave over: every repeat as asked, and an honest remainder."""

from __future__ import annotations

import math

from curlet.core.lay.fit.ask import COUNT_SLACK, FitAsk, LegFit, nothing, one_eased

_LEAD = {"end": 0.0, "start": 1.0, "shared": 0.5}


def leave_over(ask: FitAsk) -> LegFit:
    """n = ⌊n*⌋; the remainder goes to the end, the start, or both alike."""
    count = math.floor(ask.ideal + COUNT_SLACK)
    if count < 1:
        return one_eased(ask) if ask.rule.short_legs else nothing(ask)
    used = count * ask.length + (count - 1 + ask.end_gaps) * ask.gap
    spare = max(0.0, ask.available - used)
    return LegFit(count, ask.length, ask.gap, spare * _LEAD[ask.rule.remainder], spare)
