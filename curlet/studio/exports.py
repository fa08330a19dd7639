"""Files that go out, each made in a process of its own, one at a time: they take the most memory of all."""

from __future__ import annotations

import threading
from collections.abc import Iterator
from contextlib import contextmanager

from curlet.core.drawing import Drawing
from curlet.core.motif.tracing import Stopped
from curlet.formats.png_out import check_pixels, write_png
from curlet.formats.svg_out import write_svg
from curlet.studio.worker import EXPORTING, Stop, never, run

_LOOK = 0.1
_turn = threading.Lock()


def svg(drawing: Drawing, stop: Stop = never) -> bytes:
    """An SVG; raises Stopped once `stop` says so, and as `run`."""
    with _in_turn(stop):
        return run(write_svg, drawing, bounds=EXPORTING, stop=stop)


def png(drawing: Drawing, ppi: float, stop: Stop = never) -> bytes:
    """A PNG; raises Stopped once `stop` says so, and as `write_png` and `run`."""
    check_pixels(drawing, ppi)
    with _in_turn(stop):
        return run(write_png, drawing, ppi, bounds=EXPORTING, stop=stop)


@contextmanager
def _in_turn(stop: Stop) -> Iterator[None]:
    while not _turn.acquire(timeout=_LOOK):
        if stop():
            raise Stopped
    try:
        yield
    finally:
        _turn.release()
