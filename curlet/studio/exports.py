"""Files that are exported, each made in a process of its own, one at a time: they take the most memory of
all."""

from __future__ import annotations

import threading
from collections.abc import Callable, Iterator, Sequence
from contextlib import contextmanager
from typing import Any, TypeVar

from curlet.core.choice import chosen
from curlet.core.drawing import Drawing
from curlet.core.motif.tracing import Stopped
from curlet.formats.outline_file import OutlineDoc, OutlineFacts, outline_facts, write_outline
from curlet.formats.output import FileSettings
from curlet.formats.outputs import OUTPUTS
from curlet.formats.several import MadeFile, make_file
from curlet.formats.window import Window, window
from curlet.formats.work_page import WorkPage
from curlet.studio.under_way import UNWATCHED, UnderWay
from curlet.studio.worker import EXPORTING, Stop, run

Made = TypeVar("Made")

_LOOK = 0.1
_turn = threading.Lock()


def export(
    title: str,
    drawings: Sequence[Drawing],
    form: str,
    settings: FileSettings | None = None,
    work: UnderWay = UNWATCHED,
) -> MadeFile:
    """Drawings as a file of a format, by its name in `OUTPUTS`, or as several in a zip.

    Raises
    ------
    BadInput, TooMuch
        As the format does.
    Stopped
        Once it is to stop.
    """
    settings = settings or FileSettings()
    output = chosen(OUTPUTS, form, "format")
    for drawing in drawings:
        output.check(drawing, settings)
    parts = sum(len(drawing.groups) for drawing in drawings)
    return _made(make_file, title, form, drawings, settings, parts=parts, work=work)


def part_of(picture: bytes, part: Window, work: UnderWay = UNWATCHED) -> bytes:
    """A part of a picture file as a PNG; raises as `window`, and Stopped."""
    return _made(window, picture, part, parts=1, work=work)


def outline(drawing: Drawing, form: str, doc: OutlineDoc, work: UnderWay = UNWATCHED) -> bytes:
    """A drawing's outline as a file of a format, by its name in `OUTLINES`; raises as `write_outline`, and
    Stopped."""
    return _made(write_outline, drawing, form, doc, parts=len(drawing.groups), work=work)


def facts_of_outline(drawing: Drawing, doc: OutlineDoc, work: UnderWay = UNWATCHED) -> OutlineFacts:
    """What a drawing's outline has; raises as `outline`."""
    return _made(outline_facts, drawing, doc, parts=len(drawing.groups), work=work)


def work_page(page: WorkPage, paper: str, work: UnderWay = UNWATCHED) -> bytes:
    """A work page as a PDF on a paper in `PAPERS`; raises Stopped."""
    # Imported here: it takes a tenth of the time that the application needs to start.
    from curlet.formats.work_page_pdf import write_work_page

    return _made(write_work_page, page, paper, parts=len(page.flat.groups), work=work)


def _made(make: Callable[..., Made], *given: Any, parts: int, work: UnderWay) -> Made:
    def tell(share: float, doing: str) -> None:
        work.done, work.total, work.doing = round(share * parts), parts, doing

    with _in_turn(work.is_to_stop):
        return run(make, *given, bounds=EXPORTING, tell=tell, stop=work.is_to_stop)


@contextmanager
def _in_turn(stop: Stop) -> Iterator[None]:
    while not _turn.acquire(timeout=_LOOK):
        if stop():
            raise Stopped
    try:
        yield
    finally:
        _turn.release()
