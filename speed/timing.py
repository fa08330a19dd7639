"""Timing: the best of several runs, turn and turn about, so that both sides meet the same machine."""

from __future__ import annotations

import statistics
import time
from collections.abc import Callable


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


def say(what: str, value: str, aim: str = "") -> None:
    print(f"{what:<100} {value:>10}  {aim}")
