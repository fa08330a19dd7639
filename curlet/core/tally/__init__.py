"""Measured facts of a laid run, and warnings."""

from __future__ import annotations

from dataclasses import dataclass

from curlet.core.lay import LaidRun
from curlet.core.tally.facts import CornerTally, CrossingTally, LegTally, RowTally, RunTally, measured
from curlet.core.tally.fine import TooFine, too_fine
from curlet.core.tally.pinches import Pinch, pinches
from curlet.core.tally.warn import warnings
from curlet.core.tally.warning import Mend, Place, Warning


@dataclass(frozen=True)
class Tally:
    """A run's facts, its warnings and its pinch spans."""

    facts: RunTally
    warnings: tuple[Warning, ...]
    pinches: tuple[Pinch, ...]


def tally(run: LaidRun) -> Tally:
    """Everything that is measured on a run.

    >>> from curlet.core.brush import Brush
    >>> from curlet.core.lay import lay
    >>> from curlet.core.measures import Scale
    >>> from curlet.core.path.figures import FIGURES
    >>> square = FIGURES["rectangle"].make({"width": 60, "height": 60})
    >>> told = tally(lay(square, Brush(), Scale()))
    >>> [leg.repeats for leg in told.facts.legs]
    [15, 15, 15, 15]
    """
    facts, tight = measured(run), pinches(run)
    return Tally(facts, warnings(run, facts, tight), tight)


__all__ = [
    "CornerTally", "CrossingTally", "LegTally", "Mend", "Pinch", "Place", "RowTally", "RunTally", "Tally",
    "TooFine", "Warning", "tally", "too_fine",
]  # fmt: skip
