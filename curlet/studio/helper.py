"""A helper process that takes a part of the work where there is a second core for it. Should it end, the work
is done here and another is started; should it not answer, it is ended first."""

from __future__ import annotations

import os
import signal
import threading
import time
from collections.abc import Callable
from concurrent.futures import CancelledError, Future, ProcessPoolExecutor
from concurrent.futures.process import BrokenProcessPool
from functools import partial
from importlib import import_module
from multiprocessing import get_context, parent_process
from typing import ParamSpec, TypeVar

from curlet.memory import tune_memory

Given = ParamSpec("Given")
Got = TypeVar("Got")

# It is given up on after so long; its share of the largest board takes a tenth of it.
PATIENCE = 5.0
# One that has failed so often within a minute is not started again until a minute has passed.
_MAX_FAILURES, _MINUTE = 5, 60.0


class _Helper:
    """The process, once it is up; without it everything is done in the first."""

    def __init__(self) -> None:
        self.pool: ProcessPoolExecutor | None = None
        self.allowed = self.ready = False
        self.modules: tuple[str, ...] = ()
        self._failures: list[float] = []
        self._lock = threading.Lock()

    def start(self) -> None:
        with self._lock:
            if self.pool is not None or not self.allowed or self._failing():
                return
            context = get_context("spawn")
            self.pool = ProcessPoolExecutor(1, mp_context=context, initializer=_begin)
            self.pool.submit(_warm, self.modules).add_done_callback(self._up)

    def submit(self, work: Callable[[], Got]) -> tuple[ProcessPoolExecutor, Future[Got]] | None:
        """The work begun, None where there is nobody to do it."""
        self.start()
        pool = self.pool
        if not self.ready or pool is None:
            return None
        try:
            return pool, pool.submit(work)
        except (BrokenProcessPool, RuntimeError):
            self.failed(pool)
            return None

    def failed(self, pool: ProcessPoolExecutor) -> None:
        """End a helper that has failed; the next piece of work starts another."""
        with self._lock:
            if self.pool is not pool:
                return
            self.pool, self.ready = None, False
            self._failures.append(time.monotonic())
        _end(pool)

    def stop(self) -> None:
        with self._lock:
            pool, self.pool, self.allowed, self.ready = self.pool, None, False, False
            self._failures = []
        if pool is not None:
            _end(pool)

    def _up(self, warmed: Future[None]) -> None:
        self.ready = self.pool is not None and not warmed.cancelled() and warmed.exception() is None

    def _failing(self) -> bool:
        since = time.monotonic() - _MINUTE
        self._failures = [at for at in self._failures if at > since]
        return len(self._failures) >= _MAX_FAILURES


def _end(pool: ProcessPoolExecutor) -> None:
    # One that does not answer would never end by being asked to.
    for process in list((pool._processes or {}).values()):
        process.kill()
    pool.shutdown(wait=True, cancel_futures=True)


_helper = _Helper()


def allow(modules: tuple[str, ...] = ()) -> None:
    """Let a helper be started once there is work for it; until it is up the work is done here.

    Parameters
    ----------
    modules : what the first piece of work needs, read in before it comes.
    """
    _helper.modules = modules
    _helper.allowed = (os.cpu_count() or 1) > 1


def stop() -> None:
    _helper.stop()


def is_up() -> bool:
    return _helper.ready


def share(work: Callable[Given, Got], *given: Given.args, **named: Given.kwargs) -> Callable[[], Got]:
    """Have the helper begin work; what is returned waits for what comes of it. Where there is no helper, or
    it has ended or does not answer, the work is done here."""
    begun = _helper.submit(partial(work, *given, **named))

    def got() -> Got:
        if begun is not None:
            pool, future = begun
            try:
                return future.result(PATIENCE)
            except (BrokenProcessPool, CancelledError, TimeoutError):
                _helper.failed(pool)
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


def _warm(modules: tuple[str, ...]) -> None:
    for module in modules:
        import_module(module)
