"""How many times over something is repeated until other repeats come out with it."""

from __future__ import annotations

from collections.abc import Callable

MOST_ROUNDS = 24


def fewest_rounds(miss: Callable[[int], float], enough: float, most: int = MOST_ROUNDS) -> int:
    """The fewest rounds that miss by no more than is `enough`; where none do, those that miss least.

    >>> fewest_rounds(lambda rounds: abs(stretch(rounds * 2.5, 10.0) - 1), 0.01)
    4
    """
    misses = {rounds: miss(rounds) for rounds in range(1, most + 1)}
    return min(misses, key=lambda rounds: (max(misses[rounds], enough), rounds))


def stretch(length: float, each: float) -> float:
    """How many times as long repeats must be for a whole number of them, one at least, to fill a length."""
    return length / (max(round(length / each), 1) * each)
