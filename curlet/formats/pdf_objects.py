"""Everything that is drawn on a page of a PDF, as PDFium reads it, with all that is placed in it."""

from __future__ import annotations

import ctypes
from collections import Counter
from collections.abc import Callable, Iterator
from dataclasses import dataclass
from typing import Any, Literal

import numpy as np
import pypdfium2.raw as pdfium
from numpy.typing import NDArray
from pikepdf import String

from curlet.core.errors import TooMuch
from curlet.formats.path_data import FURTHEST
from curlet.formats.path_doc import MAX_WEIGHT, FactsDoc

# Objects with all that is placed, and groups within one another.
MAX_OBJECTS, _MAX_DEPTH = 100_000, 24
_WORDS = {
    pdfium.FPDF_PAGEOBJ_TEXT: "text",
    pdfium.FPDF_PAGEOBJ_IMAGE: "picture",
    pdfium.FPDF_PAGEOBJ_SHADING: "shading",
}
_LONGEST_NAME = 1_024
_ENDS: tuple[Literal["flat", "round", "square"], ...] = ("flat", "round", "square")
_JOINS: tuple[Literal["mitre", "round", "bevel"], ...] = ("mitre", "round", "bevel")
# A line of no width is as thin as it can be shown (ISO 32000-1, 8.4.3.2): here so many mm.
_THINNEST = 0.1
_MOST_DASHES = 32


@dataclass(frozen=True)
class Found:
    """A path of the page: what it is to PDFium, its way onto the page as a PDF has it, [a b c d e f], and the
    name of the layer that it is on, "" where it is on none."""

    handle: Any
    way: NDArray[np.float64]
    layer: str

    def steps(self) -> Iterator[tuple[str, list[float]]]:
        """The path as commands of SVG's path data in its own coordinates, y upward.

        Raises
        ------
        ValueError
            If it has a point that is no number, or is out of all bounds.
        """
        x, y = ctypes.c_float(), ctypes.c_float()
        curve: list[float] = []
        for number in range(pdfium.FPDFPath_CountSegments(self.handle)):
            step = pdfium.FPDFPath_GetPathSegment(self.handle, number)
            if not pdfium.FPDFPathSegment_GetPoint(step, x, y) or not abs(x.value) + abs(y.value) <= FURTHEST:
                raise ValueError("a point that cannot be read")
            kind, spot = pdfium.FPDFPathSegment_GetType(step), [x.value, y.value]
            if kind != pdfium.FPDF_SEGMENT_BEZIERTO:
                yield ("M" if kind == pdfium.FPDF_SEGMENT_MOVETO else "L"), spot
            else:
                curve += spot
                if len(curve) == 6:
                    yield "C", curve
                    curve = []
            if pdfium.FPDFPathSegment_GetClose(step):
                yield "Z", []

    def facts(self, way: NDArray[np.float64], element: str) -> FactsDoc:
        """How it is drawn, `way` leading onto the sheet in mm."""
        rule, lined, width = ctypes.c_int(), ctypes.c_int(), ctypes.c_float()
        pdfium.FPDFPath_GetDrawMode(self.handle, rule, lined)
        pdfium.FPDFPageObj_GetStrokeWidth(self.handle, width)
        stroke, stroke_opacity = self._colour(pdfium.FPDFPageObj_GetStrokeColor, bool(lined.value))
        fill, fill_opacity = self._colour(pdfium.FPDFPageObj_GetFillColor, bool(rule.value))
        a, b, c, d = way[:4]
        # Under an uneven scale a line keeps one mean weight.
        stretch = float(abs(a * d - b * c) ** 0.5)
        return FactsDoc(
            element=element,
            stroke=stroke,
            stroke_opacity=stroke_opacity,
            weight=min(max(width.value * stretch, _THINNEST), MAX_WEIGHT) if stroke else 0.0,
            ends=_ENDS[pdfium.FPDFPageObj_GetLineCap(self.handle)],
            joins=_JOINS[pdfium.FPDFPageObj_GetLineJoin(self.handle)],
            dashes=self._dashes(stretch) if stroke else (),
            fill=fill,
            fill_opacity=fill_opacity,
            even_odd=rule.value == pdfium.FPDF_FILLMODE_ALTERNATE,
        )

    def _colour(self, ask: Callable[..., Any], used: bool) -> tuple[str | None, float]:
        red, green, blue, alpha = (ctypes.c_uint() for _ in range(4))
        if not used or not ask(self.handle, red, green, blue, alpha) or not alpha.value:
            return None, 1.0
        return f"#{red.value:02x}{green.value:02x}{blue.value:02x}", alpha.value / 255

    def _dashes(self, stretch: float) -> tuple[float, ...]:
        """Dashes and gaps, mm; none for a solid line, or where there are more than are kept."""
        count = pdfium.FPDFPageObj_GetDashCount(self.handle)
        if not 0 < count <= _MOST_DASHES:
            return ()
        found = (ctypes.c_float * count)()
        pdfium.FPDFPageObj_GetDashArray(self.handle, found, count)
        dashes = tuple(value * stretch for value in found)
        usable = all(0 <= dash <= MAX_WEIGHT for dash in dashes) and sum(dashes) >= _THINNEST
        return dashes if usable else ()


class Gathered:
    """What is drawn on a page.

    Attributes
    ----------
    found : every path, in drawing order.
    left_out : how many there are of what else, in words.

    Raises
    ------
    TooMuch
        If there are more than 100,000 objects.
    """

    def __init__(self, page: Any, hidden: frozenset[str]) -> None:
        self.found: list[Found] = []
        self.left_out: Counter[str] = Counter()
        self._hidden = hidden
        self._count = 0
        objects = (pdfium.FPDFPage_GetObject(page, i) for i in range(pdfium.FPDFPage_CountObjects(page)))
        self._gather(objects, np.array([1.0, 0, 0, 1, 0, 0]), "", 0)

    def _gather(self, objects: Iterator[Any], way: NDArray[np.float64], layer: str, depth: int) -> None:
        for one in objects:
            self._count += 1
            if self._count > MAX_OBJECTS:
                raise TooMuch(f"This PDF has more than {MAX_OBJECTS:,} things on its page. Export a part.")
            kind = pdfium.FPDFPageObj_GetType(one)
            on = _layer(one) or layer
            if on in self._hidden:
                self.left_out["thing on a hidden layer"] += 1
            elif kind == pdfium.FPDF_PAGEOBJ_PATH:
                self.found.append(Found(one, after(_matrix(one), way), on))
            elif kind == pdfium.FPDF_PAGEOBJ_FORM and depth < _MAX_DEPTH:
                self._gather(_within(one), after(_matrix(one), way), on, depth + 1)
            else:
                self.left_out[_WORDS.get(kind, "thing that cannot be read")] += 1


def _within(form: Any) -> Iterator[Any]:
    return (pdfium.FPDFFormObj_GetObject(form, i) for i in range(pdfium.FPDFFormObj_CountObjects(form)))


def _matrix(one: Any) -> NDArray[np.float64]:
    found = pdfium.FS_MATRIX()
    pdfium.FPDFPageObj_GetMatrix(one, found)
    return np.array([found.a, found.b, found.c, found.d, found.e, found.f], dtype=np.float64)


def after(first: NDArray[np.float64], then: NDArray[np.float64]) -> NDArray[np.float64]:
    """One affine after another: x' = a x + c y + e, y' = b x + d y + f."""
    a, b, c, d, e, f = then
    turn = np.array([[a, b], [c, d]])
    return np.concatenate([(first.reshape(3, 2) @ turn)[:2].ravel(), first[4:] @ turn + (e, f)])


def _layer(one: Any) -> str:
    """The name of the optional content that an object is marked with (ISO 32000-1, 8.11)."""
    for number in range(pdfium.FPDFPageObj_CountMarks(one)):
        mark = pdfium.FPDFPageObj_GetMark(one, number)
        if _has_name(mark, "OC"):
            return _string(mark, b"Name")
    return ""


def _has_name(mark: Any, name: str) -> bool:
    room, length = (ctypes.c_ushort * (len(name) + 1))(), ctypes.c_ulong()
    given = pdfium.FPDFPageObjMark_GetName(mark, room, ctypes.sizeof(room), length)
    return bool(given) and bytes(room) == f"{name}\0".encode("utf-16-le")


def _string(mark: Any, key: bytes) -> str:
    """A text that a mark has; "" where it has none. PDFium's own reading of it takes it for UTF-8."""
    room, length = (ctypes.c_ubyte * _LONGEST_NAME)(), ctypes.c_ulong()
    if not pdfium.FPDFPageObjMark_GetParamBlobValue(mark, key, room, _LONGEST_NAME, length):
        return ""
    return str(String(bytes(room)[: min(length.value, _LONGEST_NAME)]))
