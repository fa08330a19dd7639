"""Reading PDF: the lines of a page's drawing as paths, at their true size."""

from __future__ import annotations

import io
from collections import Counter
from collections.abc import Iterator
from dataclasses import replace
from typing import TYPE_CHECKING, Any

import numpy as np

from curlet.core.errors import BadInput, TooMuch
from curlet.core.measures import MM_PER_INCH
from curlet.formats.imported import LARGEST_SHEET, Counted, ImportedDrawing, ImportedPath, path_of_contour
from curlet.formats.names import MAX_LETTERS, seen
from curlet.formats.output import Tell, untold
from curlet.formats.path_data import Contour, contours_of

if TYPE_CHECKING:
    from numpy.typing import NDArray
    from pikepdf import Page, Pdf

    from curlet.formats.pdf_objects import Found

MAX_BYTES = 40 * 1024 * 1024
_MM_PER_POINT = MM_PER_INCH / 72
_PATTERNS = "Patterns and gradients are read as one colour each."
_TITLE = b"%PDF-"
# It need not come first: viewers take it from anywhere in so much of a file.
_WITHIN = 1_024


def is_pdf(data: bytes) -> bool:
    """Whether a file says that it is a PDF."""
    return _TITLE in data[:_WITHIN]


def read_pdf(data: bytes, tell: Tell = untold, page: int = 1) -> ImportedDrawing:
    """The lines on a page of a PDF, the first one being 1, y turned downward, as large as the page is; none
    for a page without any, where there are others.

    Raises
    ------
    BadInput
        If it is damaged, locked by a password, or has no such page, or no lines on its only page.
    TooMuch
        If it is too large, or has too many things on the page.
    """
    if len(data) > MAX_BYTES:
        raise TooMuch(f"This PDF is larger than {MAX_BYTES // 1024**2} MB. Export a part of it.")
    tell(0.0, "Opening the file")
    way, size, hidden, pages, notes = _laid_out(data, page)
    if max(size) > LARGEST_SHEET or min(size) <= 0:
        raise BadInput("This PDF's page is not between 0 and 20 m. Correct its size.")
    paths = tuple(_paths(data, page, way, hidden, notes, tell))
    if not paths and pages == 1:
        raise BadInput("This PDF has no lines, only text or pictures. Export the drawing as outlines.")
    if not paths:
        notes.insert(0, f"Page {page} has no lines, only text or pictures. Choose another page.")
    return ImportedDrawing(*size, paths, tuple(dict.fromkeys(notes)), pages=pages)


def _laid_out(
    data: bytes, page: int
) -> tuple[NDArray[np.float64], tuple[float, float], frozenset[str], int, list[str]]:
    """The way from a page onto the sheet in mm, its size in mm, the layers that are hidden, how many pages
    there are, and what is to be said of it."""
    # Slow to be read in, and needed for nothing else.
    from pikepdf import PasswordError, Pdf, PdfError

    try:
        with Pdf.open(io.BytesIO(data)) as pdf:
            pages = len(pdf.pages)
            if not 1 <= page <= pages:
                raise BadInput(f"This PDF has {pages} pages, no page {page}. Choose another page.")
            notes = [_PATTERNS] if _has_patterns(pdf.pages[page - 1]) else []
            return (*_onto_sheet(pdf.pages[page - 1]), _hidden(pdf), pages, notes)
    except PasswordError:
        raise BadInput("This PDF is locked by a password. Export it without one.") from None
    except (PdfError, ValueError, TypeError, KeyError, IndexError, AttributeError, RecursionError):
        raise BadInput("This PDF is damaged. Export the drawing again.") from None


def _onto_sheet(page: Page) -> tuple[NDArray[np.float64], tuple[float, float]]:
    """By its crop box, its rotation and its unit (ISO 32000-1, 7.7.3.3 and 14.11.2)."""
    box = np.array([float(value) for value in page.cropbox], dtype=np.float64).reshape(2, 2)
    whole = np.array([float(value) for value in page.mediabox], dtype=np.float64).reshape(2, 2)
    (left, foot), (right, top) = np.clip(np.sort(box, axis=0), *np.sort(whole, axis=0)).tolist()
    mm = _MM_PER_POINT * float(page.obj.get("/UserUnit", 1))
    turned = {
        0: (1.0, 0.0, 0.0, -1.0, -left, top),
        90: (0.0, 1.0, 1.0, 0.0, -foot, -left),
        180: (-1.0, 0.0, 0.0, 1.0, right, -foot),
        270: (0.0, -1.0, -1.0, 0.0, top, right),
    }
    rotation = int(page.rotation) % 360
    across, down = (right - left) * mm, (top - foot) * mm
    return mm * np.array(turned[rotation]), (across, down) if rotation % 180 == 0 else (down, across)


def _hidden(pdf: Pdf) -> frozenset[str]:
    """The names of the layers that are off by default (ISO 32000-1, 8.11.4.3)."""
    root: Any = pdf.Root
    usual = root.get("/OCProperties", {}).get("/D", {})
    return frozenset(str(layer.get("/Name", "")) for layer in usual.get("/OFF", [])) - {""}


def _has_patterns(page: Page) -> bool:
    """Whether there are patterns or gradients to fill with, on the page or in a form that it may place."""
    seen, every = set(), [page.resources]
    while every:
        resources: Any = every.pop()
        if len(resources.get("/Pattern", {})):
            return True
        for form in resources.get("/XObject", {}).values():
            if form.objgen not in seen and "/Resources" in form:
                seen.add(form.objgen)
                every.append(form.Resources)
    return False


def _paths(
    data: bytes,
    number: int,
    way: NDArray[np.float64],
    hidden: frozenset[str],
    notes: list[str],
    tell: Tell,
) -> Iterator[ImportedPath]:
    from pypdfium2 import PdfDocument, PdfiumError

    from curlet.formats.pdf_objects import Gathered, after

    try:
        document = PdfDocument(data)
        page = document[number - 1]
    except (PdfiumError, IndexError):
        raise BadInput("This PDF is damaged. Export the drawing again.") from None
    gathered = Gathered(page.raw, hidden)
    counts: Counter[str] = Counter()
    counted = Counted("PDF")
    for at, one in enumerate(gathered.found):
        if at % 500 == 0:
            tell(at / len(gathered.found), f"{counted.lines:,} paths")
        onto = after(one.way, way)
        facts = one.facts(onto, f"e{at}")
        if facts.fill is None and facts.stroke is None:
            continue
        for contour in _contours(one, onto, facts.stroke is not None, notes):
            path = path_of_contour(contour, notes)
            if path is None:
                continue
            counts[one.layer] += 1
            counted.add(path)
            layer = str(seen(one.layer)).strip()[:MAX_LETTERS]
            yield ImportedPath(f"{layer or 'Line'} {counts[one.layer]}", path, facts, layer=layer)
    notes += [f"{count:,} × {what} left out." for what, count in sorted(gathered.left_out.items())]


def _contours(one: Found, onto: NDArray[np.float64], lined: bool, notes: list[str]) -> tuple[Contour, ...]:
    try:
        contours = tuple(contour.moved(*onto.tolist()) for contour in contours_of(one.steps()))
    except (BadInput, ValueError):
        notes.append("A line is damaged and was left out.")
        return ()
    # What is only filled is closed by that (ISO 32000-1, 8.5.3.1).
    return contours if lined else tuple(replace(contour, closed=True) for contour in contours)
