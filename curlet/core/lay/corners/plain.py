"""Pivot, carry round, stop short: manners that need no artwork."""

from __future__ import annotations

from dataclasses import dataclass

from curlet.core.lay.corners.flat import across_the_flat
from curlet.core.lay.corners.manner import CornerAsk, Turning


@dataclass(frozen=True)
class Pivot:
    """A stitch ends on the corner and the next begins there: the needle is down while the cloth
    turns."""

    breaks: bool = True
    sharp: bool = False

    def turning(self, ask: CornerAsk) -> Turning:
        return Turning(art=across_the_flat(ask))


@dataclass(frozen=True)
class CarryRound:
    """The repeats follow the path round the corner."""

    breaks: bool = False
    sharp: bool = False

    def turning(self, ask: CornerAsk) -> Turning:
        return Turning()


@dataclass(frozen=True)
class StopShort:
    """Repeats end a set distance before the corner and begin that far after."""

    breaks: bool = True
    sharp: bool = False

    def turning(self, ask: CornerAsk) -> Turning:
        return Turning(take=ask.rule.stop.drawn(ask.scale) * ask.size)
