"""What a fit is asked, and what it answers. All lengths are drawn mm."""

from __future__ import annotations

import math
from collections.abc import Callable
from dataclasses import dataclass

from curlet.core.brush.rules import FitRule

COUNT_SLACK = 1e-9


@dataclass(frozen=True)
class FitAsk:
    """A leg to fill: `available` mm, repeats with `gap` between.

    Attributes
    ----------
    lengths : of the repeats, in their order, which begins again when it is through.
    end_gaps : gaps at the leg's ends together: 0 for flush ends, ½ for a half gap at one, 1 for a half gap
        at both or where an unbroken closed path meets itself.
    multiple : what the count must be a multiple of, where something alternates round a closing.
    count : a count set by hand.
    first_gap : those of them that the leg begins with.
    odd : whether the count is odd (a repeat on the leg's middle) or even (a gap there); None for any.
    """

    available: float
    lengths: tuple[float, ...]
    gap: float
    end_gaps: float
    rule: FitRule
    multiple: int = 1
    count: int | None = None
    first_gap: float = 0.0
    odd: bool | None = None

    @property
    def length(self) -> float:
        """Mean length of the order."""
        return sum(self.lengths) / len(self.lengths)

    def total(self, count: int) -> float:
        """Length of the first `count` repeats together, Σlᵢ."""
        rounds, rest = divmod(count, len(self.lengths))
        return rounds * sum(self.lengths) + sum(self.lengths[:rest])

    def filled(self, count: int) -> float:
        """Length of `count` repeats with their gaps as asked."""
        return self.total(count) + (count - 1 + self.end_gaps) * self.gap

    @property
    def ideal(self) -> float:
        """n* = (A + (1 − e)·g) / p, the count that would fit as asked."""
        return (self.available + (1 - self.end_gaps) * self.gap) / (self.length + self.gap)

    @property
    def too_short(self) -> bool:
        """Whether not even one repeat goes in as asked, the tolerance allowed."""
        whole = self.lengths[0] + self.end_gaps * self.gap
        return self.available < whole * (1 - self.rule.tolerance / 100) - COUNT_SLACK

    def whole(self) -> int:
        """The most repeats that go in as asked, of a count set by hand no more than go in."""
        if self.count is not None:
            return self.most(self.count, self.gap)
        return self.most(max(0, math.floor(self.ideal + len(self.lengths) + COUNT_SLACK)), self.gap)

    def most(self, count: int, gap: float) -> int:
        """The most repeats, no more than `count`, that go in with such a gap and that the layout allows."""
        allowed = count if self.count is not None else self._allowed(count)
        while allowed > 0 and self.covered(allowed, gap) > self.available + COUNT_SLACK:
            allowed = allowed - 1 if self.count is not None else self._allowed(allowed - 1)
        return max(allowed, 0)

    def covered(self, count: int, gap: float) -> float:
        """Length of `count` repeats as long as asked, with such a gap."""
        return self.total(count) + (count - 1 + self.end_gaps) * gap

    def _allowed(self, count: int) -> int:
        """The greatest count, no more than this, that the layout or what alternates allows."""
        if self.odd is not None:
            return max(count - (count % 2 != self.odd), 0)
        return count - count % self.multiple

    def candidates(self) -> tuple[int, ...]:
        """The counts to try, the larger first, so that a tie goes to more repeats."""
        if self.count is not None:
            return (max(self.count, 1),)
        step, rest = (2, int(self.odd)) if self.odd is not None else (self.multiple, 0)
        least = rest or step
        # Where lengths differ, a count further off may be nearer in length.
        around = step + (len(self.lengths) if len(self.lengths) > 1 else 0)
        low, high = (
            math.floor(self.ideal - around + COUNT_SLACK),
            math.ceil(self.ideal + around - COUNT_SLACK),
        )
        counts = {count for count in range(max(low, least), high + 1) if count % step == rest % step}
        return tuple(sorted(counts | {least}, reverse=True))


@dataclass(frozen=True)
class LegFit:
    """How a leg is filled.

    Attributes
    ----------
    repeats : n.
    stretch : of every length, l'/l.
    gap : as laid, g'.
    lead : from the leg's start to the first repeat.
    left_over : what no repeat or gap covers, at both ends together.
    head, tail, tail_stretch : how many repeats at the start and at the end have a stretch of their own,
        lengths and gaps alike, and which.
    """

    repeats: int
    stretch: float
    gap: float
    lead: float = 0.0
    left_over: float = 0.0
    tail: int = 0
    tail_stretch: float = 1.0
    head: int = 0


@dataclass(frozen=True)
class Fit:
    """A way to fill a leg: what it is called, and its rule."""

    label: str
    rule: Callable[[FitAsk], LegFit]
    settings: tuple[str, ...] = ()

    def __call__(self, ask: FitAsk) -> LegFit:
        return self.rule(ask)


def nothing(ask: FitAsk) -> LegFit:
    """A leg left bare."""
    return LegFit(0, 1.0, ask.gap, left_over=max(ask.available, 0.0))


def one_eased(ask: FitAsk) -> LegFit:
    """One repeat stretched or shortened to the whole leg, less a closed path's gap."""
    share = ask.available / (ask.lengths[0] + ask.end_gaps * ask.gap)
    return LegFit(1, share, ask.gap * share, lead=lead_in(ask, ask.gap * share))


def lead_in(ask: FitAsk, gap: float) -> float:
    """From the leg's start to the first repeat."""
    return ask.first_gap * gap
