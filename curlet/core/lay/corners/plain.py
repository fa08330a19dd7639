"""Pivot, carry round, stop short: manners that need no artwork."""

from __future__ import annotations

from dataclasses import dataclass

from curlet.core.brush.rules import CornerRule
from curlet.core.lay.corners.flat import across_the_flat
from curlet.core.lay.corners.manner import CornerAsk, Turning
from curlet.core.measures import Scale


@dataclass(frozen=True)
class Unshaped:
    """A manner that leaves the path as it is."""

    def radius(self, rule: CornerRule, scale: Scale) -> float:
        return 0.0


@dataclass(frozen=True)
class Pivot(Unshaped):
    """A stitch ends on the corner and the next begins there: the needle is down while the cloth
    turns."""

    label: str = "Pivot"
    done: str = ""
    settings: tuple[str, ...] = ()
    breaks: bool = True
    sharp: bool = False

    def turning(self, ask: CornerAsk) -> Turning:
        return Turning(art=across_the_flat(ask))


@dataclass(frozen=True)
class CarryRound(Unshaped):
    """The repeats follow the path round the corner."""

    label: str = "Carry round"
    done: str = ""
    settings: tuple[str, ...] = ()
    breaks: bool = False
    sharp: bool = False

    def turning(self, ask: CornerAsk) -> Turning:
        return Turning()


@dataclass(frozen=True)
class StopShort(Unshaped):
    """Repeats end a set distance before the corner and begin that far after."""

    label: str = "Stop short"
    done: str = "stopped short"
    settings: tuple[str, ...] = ("stop",)
    breaks: bool = True
    sharp: bool = False

    def turning(self, ask: CornerAsk) -> Turning:
        return Turning(take=ask.rule.stop.drawn(ask.scale) * ask.size)
