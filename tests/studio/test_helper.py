"""A helper draws a part of the proof board: the frame is the same, and its end is no harm."""

from __future__ import annotations

import os
import signal
import time
from collections.abc import Iterator

import pytest

from curlet.core.errors import BadInput
from curlet.core.measures import Scale
from curlet.demo.brushes import BRUSHES
from curlet.formats.brush_file import read_brush
from curlet.studio import helper
from curlet.web.bench_frames import bench_frame


@pytest.fixture
def helped() -> Iterator[None]:
    helper.allow(("curlet.web.bench_frames",))
    assert helper.share(own_process)() == os.getpid()
    wait_until_up()
    yield
    helper.stop()


def wait_until_up() -> None:
    until = time.monotonic() + 30
    while not helper.is_up():
        assert time.monotonic() < until, "the helper did not come up"
        time.sleep(0.05)


def refused() -> None:
    raise BadInput("Not so.")


def own_process() -> int:
    return os.getpid()


def end_helper(how: signal.Signals = signal.SIGKILL) -> int:
    """Send the helper's process a signal; its number. A busy helper may not have answered in time, and then
    this process did its work: that one must not be ended."""
    process = helper.share(own_process)()
    assert process != os.getpid(), "the helper did not answer"
    os.kill(process, how)
    return process


@pytest.mark.skipif((os.cpu_count() or 1) < 2, reason="one core only: there is no helper")
@pytest.mark.parametrize("name", ["whipped", "belcher", "ribbon"])
def test_the_frame_is_the_same_with_it_and_without(helped: None, name: str) -> None:
    doc = read_brush(BRUSHES[name])
    assert helper.share(own_process)() != os.getpid()
    with_it = bench_frame(doc, 0, Scale())
    helper.stop()
    assert helper.share(own_process)() == os.getpid()
    assert bench_frame(doc, 0, Scale()) == with_it


@pytest.mark.skipif((os.cpu_count() or 1) < 2, reason="one core only: there is no helper")
def test_what_it_refuses_is_said_and_its_end_is_no_harm(helped: None) -> None:
    with pytest.raises(BadInput, match="Not so"):
        helper.share(refused)()
    end_helper()
    assert helper.share(own_process)() == os.getpid()
    assert len(bench_frame(read_brush(BRUSHES["rope"]), 0, Scale())) > 1000


@pytest.mark.skipif((os.cpu_count() or 1) < 2, reason="one core only: there is no helper")
def test_another_is_started_after_one_has_died(helped: None) -> None:
    first = end_helper()
    assert helper.share(own_process)() == os.getpid()
    helper.share(own_process)()
    wait_until_up()
    assert helper.share(own_process)() not in (first, os.getpid())


@pytest.mark.skipif((os.cpu_count() or 1) < 2, reason="one core only: there is no helper")
def test_one_that_does_not_answer_is_given_up_on(helped: None, monkeypatch: pytest.MonkeyPatch) -> None:
    first = end_helper(signal.SIGSTOP)
    monkeypatch.setattr(helper, "PATIENCE", 0.3)
    assert helper.share(own_process)() == os.getpid()
    with pytest.raises(ProcessLookupError):
        os.kill(first, 0)


@pytest.mark.skipif((os.cpu_count() or 1) < 2, reason="one core only: there is no helper")
def test_one_that_fails_again_and_again_is_left_alone(helped: None) -> None:
    for _ in range(helper._MAX_FAILURES):
        wait_until_up()
        end_helper()
        assert helper.share(own_process)() == os.getpid()
        helper.share(own_process)()
    time.sleep(0.2)
    assert helper._helper.pool is None
