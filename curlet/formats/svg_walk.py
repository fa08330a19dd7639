"""A drawing's shapes in painting order, each with what holds for it: where it is drawn, its style, its clips.

References are followed (`use`, `symbol`, `clipPath`), viewports are placed, styles are inherited, as SVG 2
has them in chapters 5, 6, 7 and 14. What is visited is counted, so that copies cannot multiply out of hand.
"""

from __future__ import annotations

import math
from collections.abc import Iterator
from dataclasses import dataclass, field, replace
from xml.etree.ElementTree import Element

import numpy as np

from curlet.core.drawing import IDENTITY, Affine, Outline, compose
from curlet.core.errors import BadInput, TooMuch
from curlet.core.measures import MM_PER_PX
from curlet.core.path.outline import joined
from curlet.formats.path_data import FURTHEST, Contour
from curlet.formats.safe_xml import HREFS, local_name
from curlet.formats.svg_shapes import SHAPES, contours_of
from curlet.formats.svg_text import Viewport, declarations, length, named, numbers, share, transform_of
from curlet.formats.svg_unread import not_read

MAX_COPIES, DEEPEST = 20_000, 192
MAX_CLIPS, MAX_CLIP_POINTS = 500, 20_000
_GROUPS = {"g", "a", "svg", "switch"}
# Handed on from an element to what lies in it, with what holds where nothing is said.
_INHERITED = {
    "fill": "black",
    "fill-opacity": "1",
    "fill-rule": "nonzero",
    "stroke": "none",
    "stroke-opacity": "1",
    "stroke-width": "1",
    "stroke-dasharray": "none",
    "stroke-linecap": "butt",
    "stroke-linejoin": "miter",
    "visibility": "visible",
    "color": "black",
}
_TO_MM: Affine = (MM_PER_PX, 0.0, 0.0, MM_PER_PX, 0.0, 0.0)
_TRANSFORM_TOO_FAR = "A transform in this drawing is out of all bounds. Correct it, or save it without."


@dataclass(frozen=True, eq=False)
class SeenShape:
    """A shape that is painted.

    Attributes
    ----------
    element : as the drawing has it.
    contours : in its own user space.
    way : from there to the drawing, px.
    style : every inherited property as it holds here.
    opacity : with that of all groups about it.
    clips : the outlines that cut it, outermost first, mm.
    layer : the group at the drawing's top level that it lies in.
    port : what percentages are of here.
    """

    element: Element
    contours: tuple[Contour, ...]
    way: Affine
    style: dict[str, str]
    opacity: float
    clips: tuple[Outline, ...]
    layer: Element | None
    port: Viewport

    def in_mm(self) -> tuple[Contour, ...]:
        """Its contours where they are drawn, mm."""
        return tuple(contour.moved(*compose(_TO_MM, self.way)) for contour in self.contours)


@dataclass(frozen=True)
class _Here:
    """What holds at a place in the tree."""

    way: Affine
    port: Viewport
    style: dict[str, str] = field(default_factory=lambda: dict(_INHERITED))
    opacity: float = 1.0
    clips: tuple[Outline, ...] = ()
    layer: Element | None = None
    depth: int = 0
    # The references that led here.
    within: tuple[Element, ...] = ()


class Walk:
    """Goes through a drawing once; `notes` say in words what was left out."""

    def __init__(self, root: Element, width: float, height: float) -> None:
        self.root, self.size = root, Viewport(width, height)
        self.notes: list[str] = []
        self.visited, self._most = 0, MAX_COPIES + sum(1 for _ in root.iter())
        self._by_id = {e.get("id", ""): e for e in reversed(list(root.iter())) if e.get("id")}
        self._lines: dict[Element, tuple[Contour, ...]] = {}
        self._clip_points = self._clips = 0

    def shapes(self) -> Iterator[SeenShape]:
        """Every shape that is painted, bottom to top.

        Raises
        ------
        BadInput, TooMuch
            For what copies itself, nests or multiplies out of hand, or lies out of all bounds.
        """
        whole = _Here(IDENTITY, self.size)
        way, port = _view(self.root, (0.0, 0.0, self.size.width, self.size.height))
        style, opacity = self._styled(whole, _said(self.root))
        here = replace(whole, way=way, port=port, style=style, opacity=opacity)
        for child in self.root:
            layer = child if local_name(child) == "g" and len(child) else None
            yield from self._element(child, replace(here, layer=layer))

    def _element(
        self, element: Element, here: _Here, sized: dict[str, str] | None = None
    ) -> Iterator[SeenShape]:
        """An element and all in it; `sized` is the width and height that a `use` gives."""
        self._count(here)
        name = local_name(element)
        drawn = name in _GROUPS or name in SHAPES or name == "use" or (name == "symbol" and sized is not None)
        said = _said(element) if drawn else {}
        if not drawn or said.get("display") == "none":
            return
        self.notes += not_read(said, len(element))
        style, opacity = self._styled(here, said)
        way = _checked(compose(here.way, transform_of(element.get("transform", ""))))
        here = replace(here, way=way, style=style, opacity=opacity, depth=here.depth + 1)
        here = replace(here, clips=self._clipped(said, here))
        if name in SHAPES:
            yield from self._shape(element, said, here)
        elif name == "use":
            yield from self._used(element, here)
        else:
            if name in ("svg", "symbol"):
                here = self._within_view(element, here, sized or {})
            children = list(element)[:1] if name == "switch" else element
            for child in children:
                yield from self._element(child, here)

    def _count(self, here: _Here) -> None:
        self.visited += 1
        if self.visited > self._most:
            raise TooMuch(f"This drawing's copies make more than {MAX_COPIES:,} elements. Use fewer copies.")
        if here.depth > DEEPEST:
            raise TooMuch(f"This drawing nests more than {DEEPEST} groups and copies. Ungroup it first.")

    def _shape(self, element: Element, said: dict[str, str], here: _Here) -> Iterator[SeenShape]:
        if here.style["visibility"] in ("hidden", "collapse"):
            return
        contours = self._line(element, said, here.port)
        yield SeenShape(
            element, contours, here.way, here.style, here.opacity, here.clips, here.layer, here.port
        )

    def _line(self, element: Element, said: dict[str, str], port: Viewport) -> tuple[Contour, ...]:
        """An element's contours, read once however often it is used."""
        if local_name(element) not in ("path", "polyline", "polygon"):
            return contours_of(element, said, port)
        if element not in self._lines:
            self._lines[element] = contours_of(element, said, port)
        return self._lines[element]

    def _used(self, element: Element, here: _Here) -> Iterator[SeenShape]:
        target = self._by_id.get(_href(element))
        if target is None:
            return
        if target in here.within:
            raise BadInput("This drawing has an element that copies itself. Draw the copies as paths.")
        x = length(element.get("x"), here.port.width, here.port) or 0.0
        y = length(element.get("y"), here.port.height, here.port) or 0.0
        way = _checked(compose(here.way, (1.0, 0.0, 0.0, 1.0, x, y)))
        sized = {key: value for key in ("width", "height") if (value := element.get(key)) is not None}
        there = replace(here, way=way, within=(*here.within, target))
        yield from self._element(target, there, sized)

    def _within_view(self, element: Element, here: _Here, sized: dict[str, str]) -> _Here:
        """What holds inside a nested viewport."""
        port = here.port

        def side(key: str, whole: float, default: float) -> float:
            found = length(sized.get(key, element.get(key)), whole, port)
            return default if found is None else found

        is_symbol = local_name(element) == "symbol"
        x = 0.0 if is_symbol else side("x", port.width, 0.0)
        y = 0.0 if is_symbol else side("y", port.height, 0.0)
        box = (x, y, side("width", port.width, port.width), side("height", port.height, port.height))
        way, inner = _view(element, box)
        return replace(here, way=_checked(compose(here.way, way)), port=inner)

    def _styled(self, here: _Here, said: dict[str, str]) -> tuple[dict[str, str], float]:
        own = {key: said[key] for key in _INHERITED if said.get(key, "inherit") != "inherit"}
        style = {**here.style, **own} if own else here.style
        return style, here.opacity * share(said.get("opacity"))

    def _clipped(self, said: dict[str, str], here: _Here) -> tuple[Outline, ...]:
        """The clips about an element, and its own."""
        name = named(said.get("clip-path"))
        if name is None:
            return here.clips
        path = self._by_id.get(name)
        self._clips += 1
        if path is None or not _plain_clip(path) or self._clips > MAX_CLIPS:
            self.notes.append("1 clip left out.")
            return here.clips
        way = compose(here.way, transform_of(path.get("transform", "")))
        inside = replace(here, way=_checked(way), clips=(), style=dict(_INHERITED))
        found = [shape for child in path for shape in self._clip_shapes(child, inside)]
        outline = joined([outline_of_contours(shape.in_mm()) for shape in found]) if found else NOTHING
        self._clip_points += len(outline.points)
        if self._clip_points > MAX_CLIP_POINTS:
            raise TooMuch(
                f"The clips of this drawing have more than {MAX_CLIP_POINTS:,} points. Remove some of them."
            )
        return (*here.clips, outline)

    def _clip_shapes(self, element: Element, here: _Here) -> Iterator[SeenShape]:
        if local_name(element) in SHAPES or local_name(element) == "use":
            # What a clip is itself clipped by is not followed.
            for shape in self._element(element, here):
                yield replace(shape, clips=())


NOTHING = Outline("", np.zeros((0, 2)))


def outline_of_contours(contours: tuple[Contour, ...]) -> Outline:
    """Contours, each closed, as one outline."""
    drawn = [contour.cubics for contour in contours if len(contour.cubics)]
    commands = "".join("M" + "C" * len(cubics) + "Z" for cubics in drawn)
    points = [part for cubics in drawn for part in (cubics[:1, 0], cubics[:, 1:].reshape(-1, 2))]
    return Outline(commands, np.concatenate(points)) if points else NOTHING


def _said(element: Element) -> dict[str, str]:
    """An element's attributes, with its style's properties over them."""
    return {**element.attrib, **dict(declarations(element.get("style", "")))}


def _plain_clip(path: Element) -> bool:
    return local_name(path) == "clipPath" and path.get("clipPathUnits") != "objectBoundingBox"


def _href(element: Element) -> str:
    return next((element.get(h, "")[1:] for h in HREFS if element.get(h)), "")


def _checked(way: Affine) -> Affine:
    if not all(abs(value) <= FURTHEST for value in way):
        raise BadInput(_TRANSFORM_TOO_FAR)
    return way


def _view(element: Element, box: tuple[float, float, float, float]) -> tuple[Affine, Viewport]:
    """How a viewport's content is placed in its box, and what its percentages are of (SVG 2, 8.2)."""
    x, y, width, height = box
    inner = numbers(element.get("viewBox", ""))
    if len(inner) != 4 or not (inner[2] > 0 and inner[3] > 0 and all(map(math.isfinite, inner))):
        return (1.0, 0.0, 0.0, 1.0, x, y), Viewport(width, height)
    across, down = width / inner[2], height / inner[3]
    words = element.get("preserveAspectRatio", "xMidYMid").split()
    align = next((word for word in words if word.startswith("x") or word == "none"), "xMidYMid")
    if align != "none":
        across = down = max(across, down) if "slice" in words else min(across, down)
    spare = {"Min": 0.0, "Mid": 0.5, "Max": 1.0}
    left = spare.get(align[1:4], 0.5) * (width - across * inner[2]) if align != "none" else 0.0
    top = spare.get(align[5:8], 0.5) * (height - down * inner[3]) if align != "none" else 0.0
    way = (across, 0.0, 0.0, down, x + left - across * inner[0], y + top - down * inner[1])
    return way, Viewport(inner[2], inner[3])
