"""Made up: as a machine sews, the last few stitches shortened to land on the corner or end."""

from __future__ import annotations

import math

from curlet.core.lay.fit.ask import COUNT_SLACK, FitAsk, LegFit, lead_in
from curlet.core.lay.fit.ease import ease


def made_up(ask: FitAsk) -> LegFit:
    """Every stitch as asked but the last one to three, which share what is left alike.

    With n whole pitches asked for, the m last cover (A − (n − m)·p) with their gaps, shortened
    alike; a leg too short to have any as asked is eased whole.
    """
    count = ask.count if ask.count is not None else max(1, math.ceil(ask.ideal - COUNT_SLACK))
    tail = min(ask.rule.made_up, count)
    if tail == count or ask.end_gaps > 0:
        return ease(ask)
    before = ask.total(count - tail) + (count - tail) * ask.gap
    asked = ask.filled(count) - before
    stretch = (ask.available - before) / asked
    if not stretch > 0:
        return ease(ask)
    return LegFit(count, 1.0, ask.gap, lead_in(ask, ask.gap), tail=tail, tail_stretch=stretch)
