"""An SVG tree made plain before it is read: symbols stand where they are used, and every shape is a path."""

from __future__ import annotations

import math
import re
from collections.abc import Callable
from copy import deepcopy
from xml.etree.ElementTree import Element

from curlet.formats.path_data import NUMBER
from curlet.formats.safe_xml import HREFS, local_name

_SVG = "{http://www.w3.org/2000/svg}"
# What a length may be written in, px.
_PX = {"": 1.0, "px": 1.0, "mm": 96 / 25.4, "cm": 96 / 2.54, "in": 96.0, "pt": 96 / 72, "pc": 16.0}
_LENGTH = re.compile(r"\s*([-+]?(?:\d+\.?\d*|\.\d+)(?:e[-+]?\d+)?)\s*([a-z]*)\s*", re.IGNORECASE)
_OF_SYMBOL = ("viewBox", "preserveAspectRatio", "class", "style", "fill", "stroke", "stroke-width")
_GEOMETRY = {
    "rect": ("x", "y", "width", "height", "rx", "ry"),
    "circle": ("cx", "cy", "r"),
    "ellipse": ("cx", "cy", "rx", "ry"),
    "line": ("x1", "y1", "x2", "y2"),
}


def make_plain(root: Element) -> None:
    """Change a tree in place; what cannot be told without its surroundings, as percentages, is left."""
    _expand_symbols(root)
    for element in root.iter():
        name = local_name(element)
        if name in _GEOMETRY:
            _plain_shape(element, name)
        elif name in ("polyline", "polygon"):
            _plain_corners(element, closed=name == "polygon")


def _expand_symbols(root: Element) -> None:
    """Each use of a symbol becomes a viewport with the symbol's content. `read_svg_tree` has counted them."""
    symbols = {e.get("id"): e for e in root.iter() if local_name(e) == "symbol" and e.get("id")}
    todo = [element for element in root.iter() if local_name(element) == "use"]
    while todo:
        use = todo.pop()
        symbol = symbols.get(next((use.get(h, "")[1:] for h in HREFS if use.get(h)), ""))
        if symbol is None:
            continue
        port = _viewport(use, symbol)
        for href in HREFS:
            use.attrib.pop(href, None)
        use.tag = f"{_SVG}g"
        use.append(port)
        todo += [element for element in port.iter() if local_name(element) == "use"]
    # By itself a symbol is not drawn.
    for parent in list(root.iter()):
        for child in [child for child in parent if local_name(child) == "symbol"]:
            parent.remove(child)


def _viewport(use: Element, symbol: Element) -> Element:
    """A symbol's content in a viewport of its own, where and as large as it is used."""
    here = {key: use.attrib.pop(key, symbol.get(key)) for key in ("width", "height")}
    # Said even where it is 0: the reader would take it from around.
    here |= {key: use.attrib.pop(key, "0") for key in ("x", "y")}
    of_symbol = {key: symbol.get(key) for key in _OF_SYMBOL}
    port = Element(f"{_SVG}svg", {k: v for k, v in {**here, **of_symbol}.items() if v is not None})
    port.extend(deepcopy(child) for child in symbol)
    for copied in port.iter():
        # Two elements of one name would be taken for each other.
        copied.attrib.pop("id", None)
    return port


def _plain_shape(element: Element, name: str) -> None:
    known = {key: _px(element.get(key)) for key in _GEOMETRY[name] if element.get(key) is not None}
    if any(value is None for value in known.values()):
        return
    data = _DATA[name](known)  # type: ignore[arg-type]
    if data is not None:
        _become_path(element, data, _GEOMETRY[name])


def _plain_corners(element: Element, *, closed: bool) -> None:
    numbers = NUMBER.findall(element.get("points", ""))
    pairs = " ".join(numbers[: len(numbers) // 2 * 2])
    if pairs:
        _become_path(element, f"M{pairs}" + "Z" * closed, ("points",))


def _become_path(element: Element, data: str, instead_of: tuple[str, ...]) -> None:
    for key in instead_of:
        element.attrib.pop(key, None)
    element.tag = f"{_SVG}path"
    element.set("d", data)


def _px(text: str | None) -> float | None:
    """A length in px; None where it cannot be told, as a percentage."""
    match = _LENGTH.fullmatch(text or "")
    if not match or match[2].lower() not in _PX:
        return None
    value = float(match[1]) * _PX[match[2].lower()]
    return value if math.isfinite(value) else None


def _line(known: dict[str, float]) -> str:
    x1, y1, x2, y2 = (known.get(key, 0.0) for key in _GEOMETRY["line"])
    return f"M{x1!r} {y1!r}L{x2!r} {y2!r}"


def _ellipse(known: dict[str, float]) -> str | None:
    """SVG 2, 10.3 and 10.4: from three o'clock in four quarters."""
    rx, ry = known.get("rx", known.get("r", 0.0)), known.get("ry", known.get("r", 0.0))
    if rx <= 0 or ry <= 0:
        return None
    x, y = known.get("cx", 0.0), known.get("cy", 0.0)
    ends = ((x, y + ry), (x - rx, y), (x, y - ry), (x + rx, y))
    return f"M{x + rx!r} {y!r}" + "".join(_quarter(rx, ry, *end) for end in ends) + "Z"


def _rectangle(known: dict[str, float]) -> str | None:
    """SVG 2, 10.2: a radius that is not given is the other one, and neither is more than half a side."""
    x, y, w, h = (known.get(key, 0.0) for key in ("x", "y", "width", "height"))
    rx = min(known.get("rx", known.get("ry", 0.0)), w / 2)
    ry = min(known.get("ry", known.get("rx", 0.0)), h / 2)
    if min(w, h) <= 0:
        return None
    if min(rx, ry) <= 0:
        return f"M{x!r} {y!r}H{x + w!r}V{y + h!r}H{x!r}Z"
    return (
        f"M{x + rx!r} {y!r}H{x + w - rx!r}{_quarter(rx, ry, x + w, y + ry)}V{y + h - ry!r}"
        f"{_quarter(rx, ry, x + w - rx, y + h)}H{x + rx!r}{_quarter(rx, ry, x, y + h - ry)}"
        f"V{y + ry!r}{_quarter(rx, ry, x + rx, y)}Z"
    )


def _quarter(rx: float, ry: float, x: float, y: float) -> str:
    return f"A{rx!r} {ry!r} 0 0 1 {x!r} {y!r}"


_DATA: dict[str, Callable[[dict[str, float]], str | None]] = {
    "rect": _rectangle,
    "circle": _ellipse,
    "ellipse": _ellipse,
    "line": _line,
}
