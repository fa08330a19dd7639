"""A drawing's gradients, as SVG 2 chapter 14 has them."""

from __future__ import annotations

import math
import re
from dataclasses import dataclass
from xml.etree.ElementTree import Element

from curlet.core.drawing import IDENTITY, Affine, compose
from curlet.core.dress.colour import ColourRole, RoleGradient, RoleStop, read_colour
from curlet.core.errors import BadInput
from curlet.formats.safe_xml import HREFS, local_name

MOST_STOPS, MOST_LINKS = 64, 16
_URL = re.compile(r"\s*url\(\s*['\"]?#([^'\")\s]+)['\"]?\s*\)")
_NUMBER = re.compile(r"\s*([-+]?(?:\d+\.?\d*|\.\d+)(?:[eE][-+]?\d+)?)\s*(%?)")
_STYLE = re.compile(r"([\w-]+)\s*:\s*([^;]+)")
_TAGS = {"linearGradient": "linear", "radialGradient": "radial"}
_DEFAULTS = {
    "linear": {"x1": "0%", "y1": "0%", "x2": "100%", "y2": "0%"},
    "radial": {"cx": "50%", "cy": "50%", "r": "50%"},
}


Box = tuple[float, float, float, float]


@dataclass(frozen=True)
class Viewport:
    """The drawing's own size, user units, which percentages in user space are of."""

    width: float
    height: float


class Gradients:
    """The gradients of a drawing, by id."""

    def __init__(self, root: Element, viewport: Viewport) -> None:
        self.viewport = viewport
        self._found = {e.get("id", ""): e for e in root.iter() if local_name(e) in _TAGS}

    def of(
        self, fill: str | None, way: Affine, box: tuple[float, float, float, float]
    ) -> RoleGradient | None:
        """What a fill like `url(#name)` names, None if that is no gradient.

        Parameters
        ----------
        way : from the shape's user space to where it is drawn.
        box : left, top, length, width of the shape in its user space.
        """
        match = _URL.match(fill or "")
        element = self._found.get(match[1]) if match else None
        if element is None:
            return None
        chain = self._chain(element)
        stops = next((stops for e in chain if (stops := _stops(e))), ())
        if not stops:
            return None
        if len(stops) == 1:
            stops = (stops[0], stops[0])
        form = _TAGS[local_name(element)]
        matrix = compose(way, self._space(chain, box))
        start, end = self._ends(chain, form)
        return RoleGradient(form, start, end, stops, matrix)

    def _chain(self, element: Element) -> list[Element]:
        """The gradient and those that it refers to for what it does not say."""
        chain = [element]
        while len(chain) < MOST_LINKS:
            link = next((chain[-1].get(h, "") for h in HREFS if chain[-1].get(h)), "")
            other = self._found.get(link[1:])
            if other is None or other in chain:
                break
            chain.append(other)
        return chain

    def _space(self, chain: list[Element], box: Box) -> Affine:
        own = transform_of(_said(chain, "gradientTransform") or "")
        if _said(chain, "gradientUnits") == "userSpaceOnUse":
            return own
        left, top, length, width = box
        return compose((length, 0.0, 0.0, width, left, top), own)

    def _ends(self, chain: list[Element], form: str) -> tuple[tuple[float, float], tuple[float, float]]:
        user = _said(chain, "gradientUnits") == "userSpaceOnUse"
        sizes = {"x": self.viewport.width, "y": self.viewport.height}
        sizes["r"] = math.hypot(*sizes.values()) / math.sqrt(2)

        def place(name: str) -> float:
            side = sizes["r" if name == "r" else name.strip("12c")] if user else 1.0
            return _length(_said(chain, name) or _DEFAULTS[form][name], side)

        if form == "linear":
            return (place("x1"), place("y1")), (place("x2"), place("y2"))
        x, y = place("cx"), place("cy")
        return (x, y), (x + max(place("r"), 1e-9), y)


def _said(chain: list[Element], name: str) -> str | None:
    return next((value for e in chain if (value := e.get(name)) is not None), None)


def _length(text: str, whole: float) -> float:
    match = _NUMBER.match(text)
    if not match:
        return 0.0
    value = float(match[1]) / 100 * whole if match[2] else float(match[1])
    return value if math.isfinite(value) else 0.0


def _stops(element: Element) -> tuple[RoleStop, ...]:
    found, least = list[RoleStop](), 0.0
    for child in element:
        if local_name(child) != "stop" or len(found) >= MOST_STOPS:
            continue
        style = {**dict(child.attrib), **dict(_STYLE.findall(child.get("style", "")))}
        # Each stop lies at or beyond the one before it.
        least = min(max(_length(style.get("offset", "0"), 1.0), least), 1.0)
        opacity = min(max(_length(style.get("stop-opacity", "1"), 1.0), 0.0), 1.0)
        found.append(RoleStop(least, ColourRole(own=_colour(style.get("stop-color", "black"))), opacity))
    return tuple(found)


def _colour(text: str) -> str:
    try:
        return read_colour(text)
    except BadInput:
        return "#000000"


_STEP = re.compile(r"(matrix|translate|scale|rotate|skewX|skewY)\s*\(([^)]*)\)")
_ANY = re.compile(r"[-+]?(?:\d+\.?\d*|\.\d+)(?:[eE][-+]?\d+)?")


def transform_of(text: str) -> Affine:
    """An SVG transform list as one affine; what cannot be read of it is left out."""
    made = IDENTITY
    for name, inside in _STEP.findall(text):
        numbers = [float(n) for n in _ANY.findall(inside)]
        if all(math.isfinite(n) for n in numbers):
            made = compose(made, _step(name, numbers))
    return made


def _step(name: str, n: list[float]) -> Affine:
    if name == "matrix" and len(n) == 6:
        return (n[0], n[1], n[2], n[3], n[4], n[5])
    if name == "translate" and n:
        return (1.0, 0.0, 0.0, 1.0, n[0], n[1] if len(n) > 1 else 0.0)
    if name == "scale" and n:
        return (n[0], 0.0, 0.0, n[1] if len(n) > 1 else n[0], 0.0, 0.0)
    if name == "rotate" and n:
        cos, sin = math.cos(math.radians(n[0])), math.sin(math.radians(n[0]))
        x, y = (n[1], n[2]) if len(n) > 2 else (0.0, 0.0)
        return (cos, sin, -sin, cos, x - cos * x + sin * y, y - sin * x - cos * y)
    if name in ("skewX", "skewY") and n:
        slope = math.tan(math.radians(n[0]))
        return (1.0, 0.0, slope, 1.0, 0.0, 0.0) if name == "skewX" else (1.0, slope, 0.0, 1.0, 0.0, 0.0)
    return IDENTITY
