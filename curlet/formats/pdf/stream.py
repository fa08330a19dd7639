"""A stream of PDF operators that is being written, with the resources that it names."""

from __future__ import annotations

from decimal import Decimal
from typing import Any

from pikepdf import Array, Dictionary, Name, Object, Pdf, Stream

from curlet.core.drawing import Affine, Outline
from curlet.formats.numbers import number, number_texts

_OPERATORS = {"M": (2, "m"), "L": (2, "l"), "C": (6, "c"), "Z": (0, "h")}
# What resources of a kind are called, before their number.
_LETTERS = {"ExtGState": "G", "Pattern": "P", "XObject": "X", "Font": "F", "Shading": "S"}


# Left, top, right and foot.
Box = tuple[float, float, float, float]


class Operators:
    """Operators in order. Those that would change nothing are left out."""

    def __init__(self, pdf: Pdf) -> None:
        self.pdf = pdf
        self._written: list[str] = []
        self._named: dict[tuple[str, tuple[int, int]], str] = {}
        self._resources: dict[str, dict[str, Object]] = {}
        self._now: dict[str, str] = {}
        self._kept: list[dict[str, str]] = []

    def add(self, text: str) -> None:
        self._written.append(text)

    def set(self, what: str, text: str) -> None:
        """A part of the graphics state, where it is not so already."""
        if self._now.get(what) != text:
            self._now[what] = text
            self.add(text)

    def forget(self, *what: str) -> None:
        """Parts of the graphics state that were set without being said."""
        for name in what:
            self._now.pop(name, None)

    def keep(self) -> None:
        """Keep the graphics state, to be restored."""
        self._kept.append(dict(self._now))
        self.add("q")

    def restore(self) -> None:
        self._now = self._kept.pop()
        self.add("Q")

    def move(self, matrix: Affine) -> None:
        self.add(f"{' '.join(f'{value:.8g}' for value in matrix)} cm")

    def outline(self, outline: Outline) -> None:
        self.add(outline_operators(outline))

    def named(self, kind: str, resource: Object) -> str:
        """What an indirect object is called in this stream."""
        key = kind, resource.objgen
        if key not in self._named:
            of_kind = self._resources.setdefault(kind, {})
            name = self._named[key] = f"/{_LETTERS[kind]}{len(of_kind) + 1}"
            of_kind[name] = resource
        return self._named[key]

    def data(self) -> bytes:
        return "\n".join(self._written).encode("ascii")

    def resources(self) -> Dictionary:
        return Dictionary({f"/{kind}": Dictionary(of_kind) for kind, of_kind in self._resources.items()})

    def form(self, box: Box, **more: Any) -> Stream:
        """All of it as a form XObject that is cut to a box."""
        sides = Array([real(side) for side in box])
        return Stream(
            self.pdf, self.data(), Type=Name.XObject, Subtype=Name.Form, BBox=sides,
            Resources=self.resources(), **more,
        )  # fmt: skip


def outline_operators(outline: Outline) -> str:
    """The operators that make an outline the current path."""
    texts, out, at = number_texts(outline.points), [], 0
    for command in outline.commands:
        count, operator = _OPERATORS[command]
        out.append(f"{' '.join(texts[at : at + count])} {operator}")
        at += count
    return "\n".join(out)


def real(value: float) -> Decimal:
    """A number as PDF writes it, to four decimals."""
    return Decimal(number(value))
