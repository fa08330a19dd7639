"""Slots: where along the path each repeat begins and ends."""

from __future__ import annotations

from dataclasses import dataclass

import numpy as np
from numpy.typing import NDArray

from curlet.core.errors import TooMuch
from curlet.core.lay.fit import LegFit
from curlet.core.path.corners import Leg

MOST_REPEATS = 200_000


@dataclass(frozen=True, eq=False)
class Slots:
    """Repeats along a path.

    Attributes
    ----------
    start, end : (n,) arc lengths, drawn mm; on a closed path they may pass its length.
    leg : (n,) index of the leg.
    """

    start: NDArray[np.float64]
    end: NDArray[np.float64]
    leg: NDArray[np.intp]

    def __len__(self) -> int:
        return len(self.start)


def make_slots(legs: tuple[Leg, ...], fits: tuple[LegFit, ...]) -> Slots:
    """Set the repeats of every leg out along the path.

    Raises
    ------
    TooMuch
        Past 200,000 repeats in one run.
    """
    counts = np.array([fit.repeats for fit in fits], dtype=np.intp)
    total = int(counts.sum())
    if total > MOST_REPEATS:
        raise TooMuch(
            f"This run would have {total:,} repeats; {MOST_REPEATS:,} is the most. "
            "Use a longer stitch or gap, or a shorter path."
        )
    lengths = np.array([fit.length for fit in fits])
    pitches = lengths + np.array([fit.gap for fit in fits])
    firsts = np.array([leg.s0 + fit.lead for leg, fit in zip(legs, fits, strict=True)])
    # s = first + (k − k₀)·pitch for the k-th repeat of the run, k₀ the first of its leg.
    origins = firsts - (np.cumsum(counts) - counts) * pitches
    start = np.arange(total) * np.repeat(pitches, counts)
    start += np.repeat(origins, counts)
    leg = np.repeat(np.arange(len(legs)), counts)
    return Slots(start, start + np.repeat(lengths, counts), leg)
