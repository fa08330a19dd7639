"""Work in processes of their own: bounded, stopped at once, and no harm to anything when it goes wrong."""

from __future__ import annotations

import os
import signal
import threading
import time

import pytest

from curlet.core.errors import BadInput, TooMuch
from curlet.core.motif.tracing import Stopped
from curlet.studio import worker
from curlet.studio.worker import Bounds, run

SMALL = Bounds(cpu=1, wall=600.0, memory=100)


def spin() -> None:
    while True:
        pass


def outgrow() -> int:
    return len(bytearray(400 * 1024 * 1024))


def crash() -> None:
    os.kill(os.getpid(), signal.SIGSEGV)


def wait_and_crash() -> None:
    time.sleep(1.5 * SMALL.cpu)
    crash()


def refuse() -> None:
    raise BadInput("Not like this.")


def fail() -> None:
    raise ZeroDivisionError("inside")


def twice(number: int) -> tuple[int, int]:
    return 2 * number, os.getpid()


def wait_and_tell(tell: worker.Tell) -> None:
    for step in range(1000):
        tell(step / 1000, "Waiting")
        time.sleep(0.06)


def test_what_comes_of_it_comes_back_from_another_process() -> None:
    found, process = run(twice, 21)
    assert found == 42
    assert process != os.getpid()


@pytest.mark.parametrize(
    ("work", "error", "says"),
    [
        (spin, TooMuch, "1 s or 100 MB"),
        (outgrow, TooMuch, "1 s or 100 MB"),
        (crash, BadInput, "makes the reader fail"),
        (wait_and_crash, BadInput, "makes the reader fail"),
        (refuse, BadInput, "Not like this"),
        (fail, RuntimeError, r"ZeroDivisionError: inside"),
    ],
)
def test_its_end_is_told_as_what_it_is(work: object, error: type[Exception], says: str) -> None:
    began = time.monotonic()
    with pytest.raises(error, match=says):
        run(work, bounds=SMALL)  # type: ignore[arg-type]
    # By its own bound, not by how long anybody waits.
    assert time.monotonic() - began < SMALL.wall / 10
    assert run(twice, 1)[0] == 2


def test_it_is_stopped_at_once_and_tells_how_far_it_is() -> None:
    stop, told = threading.Event(), list[float]()

    def tell(share: float, doing: str) -> None:
        told.append(share)
        if len(told) == 3:
            stop.set()

    with pytest.raises(Stopped):
        run(wait_and_tell, tell=tell, stop=stop.is_set)
    assert told == sorted(told)
    assert 3 <= len(told) < 100


def test_several_at_once_do_not_wait_for_one() -> None:
    stop, begun = threading.Event(), threading.Event()

    def long() -> None:
        with pytest.raises(Stopped):
            run(wait_and_tell, tell=lambda *_: begun.set(), stop=stop.is_set)

    waiting = [threading.Thread(target=long) for _ in range(worker.MAX_AT_ONCE - 1)]
    for thread in waiting:
        thread.start()
    assert begun.wait(30)
    try:
        assert run(twice, 3)[0] == 6
    finally:
        stop.set()
        for thread in waiting:
            thread.join()


def test_another_server_process_is_started_when_one_has_ended() -> None:
    first = run(twice, 1)[1]
    assert worker._server._process is not None
    worker._server._process.kill()
    worker._server._process.wait()
    found, second = run(twice, 2)
    assert found == 4
    assert second != first
