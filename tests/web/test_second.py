"""A second process draws a part of the proof board: the frame is the same, and its end is no harm."""

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
from curlet.web import second
from curlet.web.bench_frames import bench_frame


@pytest.fixture
def helper() -> Iterator[None]:
    second.allow()
    assert second.share(own_process)() == os.getpid()
    until = time.monotonic() + 30
    while not second.is_up():
        assert time.monotonic() < until, "the second process did not come up"
        time.sleep(0.05)
    yield
    second.stop()


def refused() -> None:
    raise BadInput("Not so.")


def own_process() -> int:
    return os.getpid()


@pytest.mark.skipif((os.cpu_count() or 1) < 2, reason="one core only: there is no second process")
@pytest.mark.parametrize("name", ["whipped", "belcher", "ribbon"])
def test_the_frame_is_the_same_with_it_and_without(helper: None, name: str) -> None:
    doc = read_brush(BRUSHES[name])
    assert second.share(own_process)() != os.getpid()
    with_it = bench_frame(doc, 0, Scale())
    second.stop()
    assert second.share(own_process)() == os.getpid()
    assert bench_frame(doc, 0, Scale()) == with_it


@pytest.mark.skipif((os.cpu_count() or 1) < 2, reason="one core only: there is no second process")
def test_what_it_refuses_is_said_and_its_end_is_no_harm(helper: None) -> None:
    with pytest.raises(BadInput, match="Not so"):
        second.share(refused)()
    os.kill(second.share(own_process)(), signal.SIGKILL)
    assert second.share(own_process)() == os.getpid()
    assert len(bench_frame(read_brush(BRUSHES["rope"]), 0, Scale())) > 1000
