"""What a fit is asked, and what it answers. All lengths are drawn mm."""

from __future__ import annotations

import math
from collections.abc import Callable
from dataclasses import dataclass

from curlet.core.brush.brush import FitRule

COUNT_SLACK = 1e-9


@dataclass(frozen=True)
class FitAsk:
    """A leg to fill: `available` mm, repeats of `length` with `gap` between.

    `end_gaps` counts the gaps at the leg's ends: 0 for flush ends, 1 where an unbroken closed
    path meets itself.
    """

    available: float
    length: float
    gap: float
    end_gaps: float
    rule: FitRule

    @property
    def ideal(self) -> float:
        """n* = (A + (1 − e)·g) / p, the count that would fit as asked."""
        return (self.available + (1 - self.end_gaps) * self.gap) / (self.length + self.gap)

    @property
    def too_short(self) -> bool:
        """Whether not even one repeat goes in as asked, the tolerance allowed."""
        whole = self.length + self.end_gaps * self.gap
        return self.available < whole * (1 - self.rule.tolerance / 100) - COUNT_SLACK

    def candidates(self) -> tuple[int, ...]:
        """The counts to try, the larger first, so that a tie goes to more repeats."""
        below = max(1, math.floor(self.ideal + COUNT_SLACK))
        above = max(1, math.ceil(self.ideal - COUNT_SLACK))
        return (above, below) if above != below else (above,)


@dataclass(frozen=True)
class LegFit:
    """How a leg is filled.

    Attributes
    ----------
    repeats : n.
    length, gap : as laid, l' and g'.
    lead : from the leg's start to the first repeat.
    left_over : what no repeat or gap covers, at both ends together.
    """

    repeats: int
    length: float
    gap: float
    lead: float = 0.0
    left_over: float = 0.0


Rule = Callable[[FitAsk], LegFit]


def nothing(ask: FitAsk) -> LegFit:
    """A leg left bare."""
    return LegFit(0, ask.length, ask.gap, left_over=ask.available)


def one_eased(ask: FitAsk) -> LegFit:
    """One repeat stretched or shortened to the whole leg, less a closed path's gap."""
    share = ask.available / (ask.length + ask.end_gaps * ask.gap)
    return LegFit(1, ask.length * share, ask.gap * share)
