"""An SVG element's own line, in its user space: shapes by their numbers become path data (SVG 2, 10)."""

from __future__ import annotations

import math
from collections.abc import Callable
from xml.etree.ElementTree import Element

from curlet.core.errors import BadInput
from curlet.formats.path_data import Contour, read_contours
from curlet.formats.safe_xml import local_name
from curlet.formats.svg_text import Viewport, length, numbers

Known = dict[str, float]
# What each length of a shape is a percentage of.
_OF_WIDTH, _OF_HEIGHT = {"x", "width", "rx", "cx", "x1", "x2"}, {"y", "height", "ry", "cy", "y1", "y2"}


def contours_of(element: Element, said: dict[str, str], port: Viewport) -> tuple[Contour, ...]:
    """An element's contours; none where it draws no line of its own.

    Parameters
    ----------
    said : its attributes with its style's properties over them.

    Raises
    ------
    BadInput, TooMuch
        As `read_contours`.
    """
    name, key = local_name(element), element.get("id", "")
    if name == "path":
        return read_contours(element.get("d", ""), key)
    if name in ("polyline", "polygon"):
        return read_contours(_corners(element.get("points", ""), closed=name == "polygon"), key)
    if name not in _DATA:
        return ()
    keys, data = _DATA[name]
    found = {key: _length(said.get(key), key, port) for key in keys}
    known = {key: value for key, value in found.items() if value is not None}
    text = data(known)
    return read_contours(text) if text else ()


def _length(text: str | None, key: str, port: Viewport) -> float | None:
    whole = port.width if key in _OF_WIDTH else port.height if key in _OF_HEIGHT else port.diagonal
    value = length(text, whole, port)
    if value is not None and not math.isfinite(value):
        raise BadInput("A length in this drawing is out of all bounds. Correct the drawing's units.")
    return value


def _corners(points: str, *, closed: bool) -> str:
    given = numbers(points)
    pairs = " ".join(map(repr, given[: len(given) // 2 * 2]))
    return f"M{pairs}" + "Z" * closed if pairs else ""


def _line(known: Known) -> str:
    x1, y1, x2, y2 = (known.get(key, 0.0) for key in ("x1", "y1", "x2", "y2"))
    return f"M{x1!r} {y1!r}L{x2!r} {y2!r}"


def _circle(known: Known) -> str:
    return _ellipse({**known, "rx": known.get("r", 0.0), "ry": known.get("r", 0.0)})


def _ellipse(known: Known) -> str:
    """From three o'clock in four quarters; a radius that is not given is the other one."""
    rx = known.get("rx", known.get("ry", 0.0))
    ry = known.get("ry", rx)
    if rx <= 0 or ry <= 0:
        return ""
    x, y = known.get("cx", 0.0), known.get("cy", 0.0)
    ends = ((x, y + ry), (x - rx, y), (x, y - ry), (x + rx, y))
    return f"M{x + rx!r} {y!r}" + "".join(_quarter(rx, ry, *end) for end in ends) + "Z"


def _rectangle(known: Known) -> str:
    """A radius that is not given is the other one, and neither is more than half a side."""
    x, y, w, h = (known.get(key, 0.0) for key in ("x", "y", "width", "height"))
    rx = min(known.get("rx", known.get("ry", 0.0)), w / 2)
    ry = min(known.get("ry", known.get("rx", 0.0)), h / 2)
    if min(w, h) <= 0:
        return ""
    if min(rx, ry) <= 0:
        return f"M{x!r} {y!r}H{x + w!r}V{y + h!r}H{x!r}Z"
    return (
        f"M{x + rx!r} {y!r}H{x + w - rx!r}{_quarter(rx, ry, x + w, y + ry)}V{y + h - ry!r}"
        f"{_quarter(rx, ry, x + w - rx, y + h)}H{x + rx!r}{_quarter(rx, ry, x, y + h - ry)}"
        f"V{y + ry!r}{_quarter(rx, ry, x + rx, y)}Z"
    )


def _quarter(rx: float, ry: float, x: float, y: float) -> str:
    return f"A{rx!r} {ry!r} 0 0 1 {x!r} {y!r}"


_DATA: dict[str, tuple[tuple[str, ...], Callable[[Known], str]]] = {
    "rect": (("x", "y", "width", "height", "rx", "ry"), _rectangle),
    "circle": (("cx", "cy", "r"), _circle),
    "ellipse": (("cx", "cy", "rx", "ry"), _ellipse),
    "line": (("x1", "y1", "x2", "y2"), _line),
}
SHAPES = ("path", "polyline", "polygon", *_DATA)
