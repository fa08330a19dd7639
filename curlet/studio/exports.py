"""Files that are exported, each made in a process of its own, one at a time: they take the most memory of
all."""

from __future__ import annotations

import threading
from collections.abc import Iterator
from contextlib import contextmanager

from curlet.core.choice import chosen
from curlet.core.drawing import Drawing
from curlet.core.motif.tracing import Stopped
from curlet.formats.outputs import OUTPUTS
from curlet.studio.under_way import UNWATCHED, UnderWay
from curlet.studio.worker import EXPORTING, Stop, run

_LOOK = 0.1
_turn = threading.Lock()


def export(drawing: Drawing, form: str, ppi: float = 300.0, work: UnderWay = UNWATCHED) -> bytes:
    """A drawing as a file of a format, by its name in `OUTPUTS`.

    Raises
    ------
    BadInput, TooMuch
        As the format does.
    Stopped
        Once it is to stop.
    """
    output = chosen(OUTPUTS, form, "format")
    output.check(drawing, ppi)
    parts = len(drawing.groups)

    def tell(share: float, doing: str) -> None:
        work.done, work.total, work.doing = round(share * parts), parts, doing

    with _in_turn(work.is_to_stop):
        return run(output.write, drawing, ppi, bounds=EXPORTING, tell=tell, stop=work.is_to_stop)


@contextmanager
def _in_turn(stop: Stop) -> Iterator[None]:
    while not _turn.acquire(timeout=_LOOK):
        if stop():
            raise Stopped
    try:
        yield
    finally:
        _turn.release()
