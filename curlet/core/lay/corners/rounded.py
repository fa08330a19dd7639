"""Rounded: an arc takes the corner's place, and the repeats follow the path along it."""

from __future__ import annotations

from dataclasses import dataclass

from curlet.core.brush.rules import CornerRule
from curlet.core.lay.corners.manner import CornerAsk, Turning
from curlet.core.measures import Scale


@dataclass(frozen=True)
class Rounded:
    """The path turns along an arc of a stated radius, or the largest that there is room for."""

    label: str = "Rounded"
    done: str = "rounded"
    settings: tuple[str, ...] = ("radius",)
    breaks: bool = False
    sharp: bool = False

    def turning(self, ask: CornerAsk) -> Turning:
        return Turning()

    def radius(self, rule: CornerRule, scale: Scale) -> float:
        return rule.radius.drawn(scale)
