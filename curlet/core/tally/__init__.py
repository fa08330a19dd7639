"""Measured facts of a laid run, and warnings."""

from __future__ import annotations

from dataclasses import dataclass

from curlet.core.lay import LaidRun
from curlet.core.tally.facts import CornerTally, CrossingTally, LegTally, RowTally, RunTally, measured
from curlet.core.tally.pinches import Pinch, pinches
from curlet.core.tally.warn import Mend, Warning, too_fine, warnings


@dataclass(frozen=True)
class Tally:
    """A run's facts, its warnings and its pinch spans."""

    facts: RunTally
    warnings: tuple[Warning, ...]
    pinches: tuple[Pinch, ...]


def tally(run: LaidRun) -> Tally:
    """Everything that is measured on a run."""
    facts, tight = measured(run), pinches(run)
    return Tally(facts, warnings(run, facts, tight), tight)


__all__ = [
    "CornerTally", "CrossingTally", "LegTally", "Mend", "Pinch", "RowTally", "RunTally", "Tally",
    "Warning", "tally", "too_fine",
]  # fmt: skip
