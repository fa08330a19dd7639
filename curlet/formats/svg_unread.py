"""What a drawing has that is not read, in words: nothing is lost without being told."""

from __future__ import annotations

from collections.abc import Iterator
from xml.etree.ElementTree import Element

from curlet.formats.safe_xml import local_name
from curlet.formats.svg_text import named, share

# A property, and what is told of it where it is set.
_PROPERTIES = {
    "mask": "Masks are not read: what they hide is shown.",
    "filter": "Filters, such as blurs and shadows, are not read.",
    "marker": "Markers, such as arrow heads, are not read.",
    "marker-start": "Markers, such as arrow heads, are not read.",
    "marker-mid": "Markers, such as arrow heads, are not read.",
    "marker-end": "Markers, such as arrow heads, are not read.",
}
_ORDER = "A line painted under its own fill is painted over it."
_GROUP = "A see-through group is read as see-through shapes: where they overlap, it shows."
_LIMIT = "A line's mitre limit other than 4 is not read: its sharpest corners may end flat, or not."
_PATTERN = "Patterns are not read: what they fill takes the plain colour given with them, or is left empty."
_LINE_GRADIENT = "Lines painted with a gradient take its middle colour."
_FOCUS = "A gradient's own focus is not read: it is taken as its centre."
_SPREAD = "A gradient that repeats past its end is read as one that does not."
_NO_LIMIT = ("4", "inherit", "")


def not_read(said: dict[str, str], seen: int) -> Iterator[str]:
    """What of an element's own properties is not read; `seen` is how many elements it holds."""
    for name, note in _PROPERTIES.items():
        if said.get(name, "none").strip() not in ("none", "inherit", ""):
            yield note
    order = said.get("paint-order", "normal").split()
    if "stroke" in order and ("fill" not in order or order.index("stroke") < order.index("fill")):
        yield _ORDER
    if seen > 1 and share(said.get("opacity")) < 1:
        yield _GROUP
    if said.get("stroke-miterlimit", "4").strip() not in _NO_LIMIT:
        yield _LIMIT


class Unread:
    """What of a drawing's paints is not read, by the ids of its patterns and gradients."""

    def __init__(self, root: Element) -> None:
        ids: dict[str, Element] = {e.get("id", ""): e for e in root.iter()}
        self._patterns = {name for name, e in ids.items() if local_name(e) == "pattern"}
        self._gradients = {name: e for name, e in ids.items() if local_name(e).endswith("Gradient")}

    def paints(self, style: dict[str, str]) -> Iterator[str]:
        """Of a shape's style."""
        names = named(style["fill"]), named(style["stroke"])
        if names[1] in self._gradients:
            yield _LINE_GRADIENT
        for name in names:
            if name in self._patterns:
                yield _PATTERN
            if name in self._gradients:
                yield from _of_gradient(self._gradients[name])


def _of_gradient(gradient: Element) -> Iterator[str]:
    centre, focus = (tuple(gradient.get(key) for key in keys) for keys in (("cx", "cy"), ("fx", "fy")))
    if any(f is not None and f != c for f, c in zip(focus, centre, strict=True)):
        yield _FOCUS
    if gradient.get("spreadMethod", "pad") != "pad":
        yield _SPREAD
