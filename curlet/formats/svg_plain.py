"""An SVG tree made plain before it is read: symbols stand where they are used, and round shapes, arcs and
shorthand curves are written as cubics, which any transform keeps exact."""

from __future__ import annotations

import math
import re
from copy import deepcopy
from xml.etree.ElementTree import Element

import svgelements

from curlet.core.path.arcs import arc_to_cubics
from curlet.formats.safe_xml import HREFS, local_name
from curlet.formats.svg_segments import cubics_of

_SVG = "{http://www.w3.org/2000/svg}"
# What a length may be written in, px.
_PX = {"": 1.0, "px": 1.0, "mm": 96 / 25.4, "cm": 96 / 2.54, "in": 96.0, "pt": 96 / 72, "pc": 16.0}
_LENGTH = re.compile(r"\s*([-+]?(?:\d+\.?\d*|\.\d+)(?:e[-+]?\d+)?)\s*([a-z]*)\s*", re.IGNORECASE)
_COMMAND = re.compile(r"([MmZzLlHhVvCcSsQqTtAa])")
# A shorthand mirrors the handle of the segment before only if that is of its kind (SVG 2, 9.3.6 and 9.3.7).
_BEFORE = {"S": "CS", "T": "QT"}
_OF_SYMBOL = ("viewBox", "preserveAspectRatio", "class", "style", "fill", "stroke", "stroke-width")
_GEOMETRY = {
    "rect": ("x", "y", "width", "height", "rx", "ry"),
    "circle": ("cx", "cy", "r"),
    "ellipse": ("cx", "cy", "rx", "ry"),
}


def make_plain(root: Element) -> None:
    """Change a tree in place; what cannot be told without its surroundings, as percentages, is left."""
    _expand_symbols(root)
    for element in root.iter():
        name = local_name(element)
        if name == "path":
            _plain_path(element)
        elif name in _GEOMETRY:
            _plain_shape(element, name)


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


def _plain_path(element: Element) -> None:
    data = element.get("d", "")
    if not re.search("[AaSsTt]", data):
        return
    parts = _COMMAND.split(data)
    text, before = parts[0], ""
    for command, numbers in zip(parts[1::2], parts[2::2], strict=True):
        kind = command.upper()
        # A line of no length leaves nothing to be mirrored.
        text += ("l0 0" if kind in _BEFORE and before not in _BEFORE[kind] else "") + command + numbers
        before = kind
    if not re.search("[Aa]", data):
        element.set("d", text)
        return
    try:
        element.set("d", _written(svgelements.Path(text)))
    except (ValueError, IndexError, ZeroDivisionError, AttributeError):
        # Whatever cannot be read is refused where all paths are.
        element.set("d", text)


def _written(path: svgelements.Path) -> str:
    """A path's segments as absolute moves, lines, cubics and closings."""
    out = []
    for segment in path:
        if isinstance(segment, svgelements.Move):
            out.append(f"M{segment.end.x!r} {segment.end.y!r}")
        elif isinstance(segment, svgelements.Close):
            out.append("Z")
        elif isinstance(segment, svgelements.Line):
            out.append(f"L{segment.end.x!r} {segment.end.y!r}")
        else:
            out += [_cubic(cubic) for cubic in cubics_of(segment).tolist()]
    return "".join(out)


def _cubic(points: list[list[float]]) -> str:
    return "C" + " ".join(f"{x!r} {y!r}" for x, y in points[1:])


def _plain_shape(element: Element, name: str) -> None:
    known = {key: _px(element.get(key)) for key in _GEOMETRY[name] if element.get(key) is not None}
    if any(value is None for value in known.values()) or (name == "rect" and not {"rx", "ry"} & set(known)):
        return
    data = _rounded(known) if name == "rect" else _ellipse(known)  # type: ignore[arg-type]
    if data is None:
        return
    for key in _GEOMETRY[name]:
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


def _ellipse(known: dict[str, float]) -> str | None:
    rx, ry = known.get("rx", known.get("r", 0.0)), known.get("ry", known.get("r", 0.0))
    if rx <= 0 or ry <= 0:
        return None
    centre = complex(known.get("cx", 0.0), known.get("cy", 0.0))
    cubics = arc_to_cubics(centre, complex(rx, 0), complex(0, ry), 0.0, 2 * math.pi).tolist()
    (x, y), *_ = cubics[0]
    return f"M{x!r} {y!r}" + "".join(map(_cubic, cubics)) + "Z"


def _rounded(known: dict[str, float]) -> str | None:
    """SVG 2, 10.2: a radius that is not given is the other one, and neither is more than half a side."""
    x, y, w, h = (known.get(key, 0.0) for key in ("x", "y", "width", "height"))
    rx = min(known.get("rx", known.get("ry", 0.0)), w / 2)
    ry = min(known.get("ry", known.get("rx", 0.0)), h / 2)
    if min(w, h, rx, ry) <= 0:
        return None
    corners = [
        (x + w - rx, y + ry, -90),
        (x + w - rx, y + h - ry, 0),
        (x + rx, y + h - ry, 90),
        (x + rx, y + ry, 180),
    ]
    out = f"M{x + rx!r} {y!r}"
    for cx, cy, angle in corners:
        start = math.radians(angle)
        cubics = arc_to_cubics(complex(cx, cy), complex(rx, 0), complex(0, ry), start, math.pi / 2).tolist()
        (ax, ay), *_ = cubics[0]
        out += f"L{ax!r} {ay!r}" + "".join(map(_cubic, cubics))
    return out + "Z"
