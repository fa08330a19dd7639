"""Work on files from outside, each in a process of its own with bounds on its time and memory.

A process is forked off a server process that has everything read in, so that it starts within a few ms. It is
ended when it passes a bound or when the person stops it; nothing that happens in it harms the application.
"""

from __future__ import annotations

import gc
import os
import pickle
import resource
import signal
import threading
import time
import traceback
from collections.abc import Callable, Iterator
from contextlib import contextmanager, suppress
from dataclasses import dataclass
from multiprocessing.connection import Connection
from typing import Any, TypeVar, cast

from curlet.core.errors import BadInput, CurletError, TooMuch
from curlet.core.motif.tracing import Stopped
from curlet.formats.output import Tell
from curlet.store.errors import Unavailable
from curlet.studio.forking import ForkServer

Result = TypeVar("Result")
Stop = Callable[[], bool]

# So many at a time; more wait, and are told to come again if none ends soon.
MAX_AT_ONCE, PATIENCE = 4, 20.0
_LOOK, _TELL = 0.1, 0.05
_LONGEST_TRACE = 8_000


@dataclass(frozen=True)
class Bounds:
    """What a process may use: seconds of processor time and of waiting, and MB beyond what it starts with."""

    cpu: int
    wall: float
    memory: int

    def refused(self) -> TooMuch:
        return TooMuch(
            f"This takes more than {self.cpu} s or {self.memory} MB, which hardly any file needs. "
            "Simplify it, or use a part of it."
        )


READING = Bounds(cpu=4, wall=30.0, memory=400)
EXPORTING = Bounds(cpu=300, wall=900.0, memory=2_500)
TRACING = Bounds(cpu=120, wall=300.0, memory=1_500)
# A large sheet of our own takes half of it.
DRAWING = Bounds(cpu=8, wall=60.0, memory=400)
# Sheet files, which may be many and hold pictures and fonts.
SHEETS = Bounds(cpu=120, wall=300.0, memory=2_000)
# A database of a GB.
RESTORING = Bounds(cpu=300, wall=900.0, memory=1_000)


def never() -> bool:
    return False


_slots = threading.BoundedSemaphore(MAX_AT_ONCE)
_server = ForkServer()


def warm() -> None:
    """Start the process that others are forked off, if it is not there."""
    _server.start()


def run(
    work: Callable[..., Result],
    *given: Any,
    bounds: Bounds = READING,
    tell: Tell | None = None,
    stop: Stop = never,
) -> Result:
    """What a function of a module returns, or raises, done in a process of its own.

    Parameters
    ----------
    tell : the function takes one more argument, to say how far it is, and this is told it.
    stop : ends the process once it says so.

    Raises
    ------
    TooMuch
        If it passes its bounds.
    Stopped
        If it was stopped.
    Unavailable
        If too many others are at work.
    """
    with _a_slot(stop), _server.forked() as connection:
        connection.send_bytes(pickle.dumps((_begin, (bounds, work, given, tell is not None))))
        return cast(Result, _outcome(_Aside(connection, bounds, stop), tell))


@contextmanager
def _a_slot(stop: Stop) -> Iterator[None]:
    until = time.monotonic() + PATIENCE
    while not _slots.acquire(timeout=_LOOK):
        if stop():
            raise Stopped
        if time.monotonic() > until:
            raise Unavailable("Several files are being read just now. Try again in a moment.")
    try:
        yield
    finally:
        _slots.release()


class _Aside:
    """A process at work, seen from here."""

    def __init__(self, connection: Connection, bounds: Bounds, stop: Stop) -> None:
        self.connection, self.bounds, self.stop = connection, bounds, stop
        self.began, self.by = time.monotonic(), 0

    def answers(self) -> Iterator[tuple[str, Any]]:
        """What it sends, until it ends."""
        number = None
        try:
            # It says first which process it is.
            number = int(self.connection.recv())
            while True:
                if self.stop():
                    raise Stopped
                if time.monotonic() - self.began > self.bounds.wall:
                    raise self.bounds.refused()
                if self.connection.poll(_LOOK):
                    kind, answer = self.connection.recv()
                    if kind == "ended":
                        self.by = answer
                        return
                    yield kind, answer
        except (EOFError, ConnectionResetError):
            return
        finally:
            if number is not None:
                with suppress(ProcessLookupError):
                    os.kill(number, signal.SIGKILL)

    def why_it_ended(self) -> CurletError:
        """Without an answer: by the system, at its bound on time or memory, or by a fault of the reader's."""
        if self.by in (signal.SIGXCPU, signal.SIGKILL):
            return self.bounds.refused()
        return BadInput("This file makes the reader fail, so it cannot be read. Save it again and try that.")


def _outcome(aside: _Aside, tell: Tell | None) -> Any:
    for kind, answer in aside.answers():
        if kind == "done":
            return answer
        if kind == "raised":
            try:
                raise answer
            finally:
                # It would keep this frame, and this frame it, and both the file.
                del answer
        if tell is not None:
            tell(*answer)
    raise aside.why_it_ended()


def _begin(
    theirs: Connection, bounds: Bounds, work: Callable[..., Any], given: tuple[Any, ...], tells: bool
) -> None:
    """The process: bounds first, then the work, then one answer."""
    theirs.send(os.getpid())
    _bound(bounds)
    # Whoever asked may have gone.
    with suppress(OSError):
        try:
            theirs.send(_answer(work, (*given, _teller(theirs)) if tells else given, bounds))
        except MemoryError:
            theirs.send(("raised", bounds.refused()))


def _teller(theirs: Connection) -> Tell:
    told = 0.0

    def tell(share: float, doing: str) -> None:
        nonlocal told
        now = time.monotonic()
        if now - told >= _TELL:
            told = now
            theirs.send(("told", (share, doing)))

    return tell


def _answer(work: Callable[..., Any], given: tuple[Any, ...], bounds: Bounds) -> tuple[str, Any]:
    try:
        return "done", work(*given)
    except CurletError as error:
        return "raised", error.with_traceback(None)
    except MemoryError:
        return "raised", bounds.refused()
    except Exception as error:
        text = "".join(traceback.format_exception(error))[-_LONGEST_TRACE:]
        return "raised", RuntimeError(f"in a process aside:\n{text}")


def _bound(bounds: Bounds) -> None:
    gc.set_threshold(50_000, 20, 20)
    os.nice(10)
    resource.setrlimit(resource.RLIMIT_CORE, (0, 0))
    resource.setrlimit(resource.RLIMIT_CPU, (bounds.cpu, bounds.cpu + 1))
    most = _in_use() + bounds.memory * 1024 * 1024
    resource.setrlimit(resource.RLIMIT_DATA, (most, most))


def _in_use() -> int:
    """Private memory that this process has, in bytes (Linux's /proc/self/statm, column 6)."""
    try:
        with open("/proc/self/statm", encoding="ascii") as file:
            return int(file.read().split()[5]) * resource.getpagesize()
    except OSError:
        return 1024 * 1024 * 1024
