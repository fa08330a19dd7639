"""Leave over: every repeat as asked, and what remains is left over."""

from __future__ import annotations

from curlet.core.lay.fit.ask import FitAsk, LegFit, lead_in, nothing, one_eased

_LEAD = {"end": 0.0, "start": 1.0, "shared": 0.5}


def leave_over(ask: FitAsk) -> LegFit:
    """n = ⌊n*⌋; the remainder goes to the end, the start, or both alike: as it must to lie on the middle."""
    count = ask.whole()
    if count < 1:
        return one_eased(ask) if ask.rule.short_legs and ask.count is None else nothing(ask)
    share = _LEAD["shared" if ask.odd is not None else ask.rule.remainder]
    spare = max(0.0, ask.available - ask.filled(count))
    return LegFit(count, 1.0, ask.gap, lead_in(ask, ask.gap) + spare * share, spare)
