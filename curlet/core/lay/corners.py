"""Corner manners. A new manner is a class here and a line in MANNERS."""

from __future__ import annotations

from dataclasses import dataclass
from typing import Protocol


class Manner(Protocol):
    """How a course passes a corner."""

    @property
    def breaks(self) -> bool:
        """Whether a leg ends at the corner."""


@dataclass(frozen=True)
class Pivot:
    """A stitch ends on the corner and the next begins there: the needle is down while the cloth
    turns."""

    breaks: bool = True


@dataclass(frozen=True)
class CarryRound:
    """The repeats follow the path round the corner."""

    breaks: bool = False


MANNERS: dict[str, Manner] = {"pivot": Pivot(), "carry": CarryRound()}
