"""Sizes of paper."""

from __future__ import annotations

from dataclasses import dataclass

from curlet.core.bounds import Bounds

SIDE = Bounds("The sheet's side", 5, 20_000, "A4 is 210 mm × 297 mm")


@dataclass(frozen=True)
class Paper:
    """A sheet of paper, upright, mm."""

    name: str
    width: float
    height: float


# Around what is printed on a page, mm.
MARGIN = 12.0
# ISO 216, and ANSI/ASME Y14.1 (Letter, Tabloid).
PAPERS = {
    "a5": Paper("A5", 148, 210),
    "a4": Paper("A4", 210, 297),
    "a3": Paper("A3", 297, 420),
    "a2": Paper("A2", 420, 594),
    "letter": Paper("Letter", 215.9, 279.4),
    "tabloid": Paper("Tabloid", 279.4, 431.8),
}
# Not on paper of a usual size, but as large as what is on it.
OWN_SIZE = "own"
