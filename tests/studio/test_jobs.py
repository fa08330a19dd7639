"""Long work aside: the newest few are kept, and what is let go of is stopped."""

from __future__ import annotations

import threading
import time

import pytest

from curlet.store.errors import Missing
from curlet.studio.jobs import MAX_KEPT, Jobs, Progress


def done(jobs: Jobs, key: str) -> object:
    until = time.monotonic() + 30
    while not jobs.look(key).done:
        assert time.monotonic() < until
        time.sleep(0.01)
    return jobs.look(key).result


def test_the_newest_six_are_kept_and_older_ones_are_stopped() -> None:
    jobs, stopped = Jobs("Start it again."), threading.Event()

    def work(progress: Progress) -> str:
        progress.stop.wait(30)
        stopped.set()
        return "stopped"

    first = jobs.start(work)
    others = [jobs.start(lambda _, number=number: number) for number in range(5)]  # type: ignore[misc]
    assert not jobs.look(first).done
    last = jobs.start(lambda _: "last")
    with pytest.raises(Missing, match="Start it again"):
        jobs.look(first)
    assert [done(jobs, key) for key in (*others, last)] == [0, 1, 2, 3, 4, "last"]
    assert stopped.wait(30)
    assert MAX_KEPT == len(others) + 1


def test_what_goes_wrong_is_kept_for_whoever_asks() -> None:
    jobs = Jobs("")

    def work(_: Progress) -> None:
        raise ValueError("no such cloth")

    key = jobs.start(work)
    assert done(jobs, key) is None
    assert str(jobs.look(key).error) == "no such cloth"
