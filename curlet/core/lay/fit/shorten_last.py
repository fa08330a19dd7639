"""As a machine sews, the last few stitches shortened to land on the corner or end."""

from __future__ import annotations

import math

from curlet.core.lay.fit.ask import COUNT_SLACK, FitAsk, LegFit, lead_in
from curlet.core.lay.fit.ease import ease

# A stitch is not shortened to less than this share of itself: it shares with the one before it.
MIN = 1 / 3


def shorten_last(ask: FitAsk) -> LegFit:
    """Every stitch as asked but the last one to three, which share what is left alike.

    With n whole pitches asked for, the m last cover (A − (n − m)·p) with their gaps, shortened alike. Laid on
    the leg's middle, the first m are shortened like the last. A leg too short to have any as asked is eased
    whole.
    """
    count = ask.count
    if count is None:
        count = max(1, math.ceil(ask.ideal - COUNT_SLACK))
        count += ask.odd is not None and count % 2 != ask.odd
    fit = _ended(ask, count, ask.rule.shortened)
    if fit is not None and fit.tail_stretch < MIN:
        fit = _ended(ask, count, ask.rule.shortened + 1) or fit
    return fit or ease(ask)


def _ended(ask: FitAsk, count: int, most: int) -> LegFit | None:
    """So many stitches, the last few changed to land on the end; None where none is left as asked."""
    tail = min(most, count)
    head = tail if ask.odd is not None else 0
    if count - tail - head < 1 or ask.end_gaps > 0:
        return None
    middle = ask.total(count - tail) - ask.total(head) + (count - tail - head + bool(head)) * ask.gap
    asked = ask.filled(count) - middle
    stretch = (ask.available - middle) / asked
    if not stretch > 0:
        return None
    return LegFit(count, 1.0, ask.gap, lead_in(ask, ask.gap), tail=tail, tail_stretch=stretch, head=head)
