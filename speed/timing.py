"""Timing: the best of several runs, turn and turn about, so that both sides meet the same machine; and the
figures that come of it, each with what it aims at."""

from __future__ import annotations

import statistics
import time
from collections.abc import Callable
from dataclasses import dataclass

# A figure is missed once it is this much worse than its aim.
_MISSED = 4 / 3


@dataclass(frozen=True)
class Figure:
    """What was measured.

    Attributes
    ----------
    aim : what it is to be at the most, or at the `least`; None for one that is only told.
    beside : what is told beside it, as its spread.
    """

    what: str
    value: float
    unit: str
    aim: float | None = None
    least: bool = False
    beside: str = ""

    @property
    def text(self) -> str:
        return number(self.value, self.unit)

    @property
    def aimed(self) -> str:
        if self.aim is None:
            return ""
        return f"at {'least' if self.least else 'most'} {number(self.aim, self.unit)}"

    @property
    def missed(self) -> bool:
        """Whether it is worse than its aim by a third."""
        if self.aim is None:
            return False
        return self.value < self.aim / _MISSED if self.least else self.value > self.aim * _MISSED

    @property
    def met(self) -> bool:
        if self.aim is None:
            return True
        return self.value >= self.aim if self.least else self.value <= self.aim


# In the order in which they were measured, by the words that they stand under.
FIGURES: dict[str, list[Figure]] = {}


def say(
    what: str, value: float, unit: str, aim: float | None = None, *, least: bool = False, beside: str = ""
) -> None:
    """Print a figure and keep it."""
    figure = Figure(what, value, unit, aim, least, beside)
    FIGURES[next(reversed(FIGURES))].append(figure)
    words = f"  {what}{f' ({beside})' if beside else ''}"
    print(f"{words:<104} {figure.text:>10}  {figure.aimed}", flush=True)


def begin(words: str) -> None:
    """What is told from here on belongs under these words."""
    FIGURES[words] = FIGURES.pop(words, [])
    print(f"\n{words}", flush=True)


def number(value: float, unit: str) -> str:
    """Three figures, and a unit.

    >>> number(1234.5, "ms"), number(0.0716, "×")
    ('1,234 ms', '0.072 ×')
    """
    decimals = 0 if abs(value) >= 100 else 1 if abs(value) >= 10 else 2 if abs(value) >= 1 else 3
    return f"{value:,.{decimals}f} {unit}".rstrip()


def best(*jobs: Callable[[], object], rounds: int = 7) -> list[float]:
    """Seconds of each job's quickest round; the jobs take turns."""
    times: list[list[float]] = [[] for _ in jobs]
    for _ in range(rounds):
        for job, kept in zip(jobs, times, strict=True):
            start = time.perf_counter()
            job()
            kept.append(time.perf_counter() - start)
    return [min(kept) for kept in times]


def median(values: list[float]) -> float:
    return statistics.median(values)


def spread(values: list[float], unit: str = "ms") -> str:
    """From the least to the greatest.

    >>> spread([3.0, 1.0, 2.0])
    'from 1.00 ms to 3.00 ms'
    """
    return f"from {number(min(values), unit)} to {number(max(values), unit)}"
