"""A second process that takes a part of the work where there is a second core for it."""

from __future__ import annotations

import os
import signal
import threading
from collections.abc import Callable
from concurrent.futures import CancelledError, Future, ProcessPoolExecutor
from concurrent.futures.process import BrokenProcessPool
from multiprocessing import get_context, parent_process
from typing import ParamSpec, TypeVar

from curlet.memory import tune_memory

Given = ParamSpec("Given")
Got = TypeVar("Got")


class _Second:
    """The process, once it is up; without it everything is done in the first."""

    def __init__(self) -> None:
        self.pool: ProcessPoolExecutor | None = None
        self.allowed = self.ready = False
        self._starting = threading.Lock()

    def start(self) -> None:
        with self._starting:
            if self.pool is not None or not self.allowed:
                return
            context = get_context("spawn")
            self.pool = ProcessPoolExecutor(1, mp_context=context, initializer=_begin)
            self.pool.submit(_warm).add_done_callback(self._up)

    def _up(self, warmed: Future[None]) -> None:
        self.ready = warmed.exception() is None

    def stop(self) -> None:
        if self.pool is not None:
            self.pool.shutdown(wait=True, cancel_futures=True)
        self.pool, self.allowed, self.ready = None, False, False


_second = _Second()


def allow() -> None:
    """Let a second process be started once there is work for it; until it is up the work is done here."""
    _second.allowed = (os.cpu_count() or 1) > 1


def stop() -> None:
    _second.stop()


def is_up() -> bool:
    return _second.ready


def share(work: Callable[Given, Got], *given: Given.args, **named: Given.kwargs) -> Callable[[], Got]:
    """Have the second process begin work; what is returned waits for what comes of it. Where there is no
    second process, or it has ended, the work is done here."""
    _second.start()
    future: Future[Got] | None = None
    if _second.ready and _second.pool is not None:
        try:
            future = _second.pool.submit(work, *given, **named)
        except (BrokenProcessPool, RuntimeError):
            _second.stop()

    def got() -> Got:
        if future is not None:
            try:
                return future.result()
            except (BrokenProcessPool, CancelledError):
                _second.stop()
        return work(*given, **named)

    return got


def _begin() -> None:
    tune_memory()
    # The first process is told to stop, and ends this one.
    signal.signal(signal.SIGINT, signal.SIG_IGN)
    threading.Thread(target=_end_with_the_first, daemon=True).start()


def _end_with_the_first() -> None:
    """End when the first process does, however it ended."""
    first = parent_process()
    if first is not None:
        first.join()
        os._exit(0)


def _warm() -> None:
    """Have everything read in that the first piece of work needs."""
    import curlet.web.bench_frames  # noqa: F401
