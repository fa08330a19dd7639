"""A drawing's gradients, as SVG 2 chapter 14 has them."""

from __future__ import annotations

import math
from xml.etree.ElementTree import Element

from curlet.core.drawing import Affine, compose
from curlet.core.dress.colour import ColourRole, RoleGradient, RoleStop
from curlet.formats.safe_xml import HREFS, local_name
from curlet.formats.svg_text import Viewport, colour, declarations, length, share, transform_of

MAX_STOPS, MAX_LINKS = 64, 16
_TAGS = {"linearGradient": "linear", "radialGradient": "radial"}
_DEFAULTS = {
    "linear": {"x1": "0%", "y1": "0%", "x2": "100%", "y2": "0%"},
    "radial": {"cx": "50%", "cy": "50%", "r": "50%"},
}


Box = tuple[float, float, float, float]


class Gradients:
    """The gradients of a drawing, by id."""

    def __init__(self, root: Element) -> None:
        self._found = {e.get("id", ""): e for e in root.iter() if local_name(e) in _TAGS}

    def of(self, name: str, way: Affine, box: Box, port: Viewport) -> RoleGradient | None:
        """The gradient of an id, None if there is none.

        Parameters
        ----------
        way : from the shape's user space to where it is drawn.
        box : left, top, length, width of the shape in its user space.
        port : what percentages in user space are of.
        """
        element = self._found.get(name)
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
        start, end = self._ends(chain, form, port)
        return RoleGradient(form, start, end, stops, matrix)

    def middle(self, name: str) -> tuple[str, float] | None:
        """A gradient's middle colour and its opacity, for what has one colour only."""
        element = self._found.get(name)
        stops = (
            next((stops for e in self._chain(element) if (stops := _stops(e))), ())
            if element is not None
            else ()
        )
        if not stops:
            return None
        stop = stops[len(stops) // 2]
        return stop.role.own or "#000000", stop.opacity

    def _chain(self, element: Element) -> list[Element]:
        """The gradient and those that it refers to for what it does not say."""
        chain = [element]
        while len(chain) < MAX_LINKS:
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

    def _ends(
        self, chain: list[Element], form: str, port: Viewport
    ) -> tuple[tuple[float, float], tuple[float, float]]:
        user = _said(chain, "gradientUnits") == "userSpaceOnUse"
        sizes = {"x": port.width, "y": port.height, "r": port.diagonal}

        def place(name: str) -> float:
            side = sizes["r" if name == "r" else name.strip("12c")] if user else 1.0
            return _finite(length(_said(chain, name) or _DEFAULTS[form][name], side, port))

        if form == "linear":
            return (place("x1"), place("y1")), (place("x2"), place("y2"))
        x, y = place("cx"), place("cy")
        return (x, y), (x + max(place("r"), 1e-9), y)


def _said(chain: list[Element], name: str) -> str | None:
    return next((value for e in chain if (value := e.get(name)) is not None), None)


def _finite(value: float | None) -> float:
    return value if value is not None and math.isfinite(value) else 0.0


def _stops(element: Element) -> tuple[RoleStop, ...]:
    found, least = list[RoleStop](), 0.0
    for child in element:
        if local_name(child) != "stop" or len(found) >= MAX_STOPS:
            continue
        style = {**child.attrib, **dict(declarations(child.get("style", "")))}
        # Each stop lies at or beyond the one before it.
        least = min(max(_finite(length(style.get("offset", "0"), 1.0)), least), 1.0)
        own, alpha = colour(style.get("stop-color", "black")) or ("#000000", 1.0)
        found.append(RoleStop(least, ColourRole(own=own), alpha * share(style.get("stop-opacity"))))
    return tuple(found)
