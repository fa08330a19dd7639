"""Taking in a line drawing from SVG: its lines become paths, in mm."""

from __future__ import annotations

import io
import math
import re
from collections.abc import Callable, Iterator
from dataclasses import dataclass, field
from functools import lru_cache
from typing import Literal
from xml.etree.ElementTree import Element, tostring

import numpy as np
import svgelements
from numpy.typing import NDArray

from curlet.core.drawing import Outline
from curlet.core.dress.colour import RoleGradient, read_colour
from curlet.core.errors import BadInput, TooMuch
from curlet.core.measures import MM_PER_PX
from curlet.core.path.chain import chain_to_path
from curlet.core.path.outline import joined
from curlet.core.path.path import MOST_NODES, SAME_POINT, Path
from curlet.formats.path_data import NUMBER, Contour
from curlet.formats.path_doc import FactsDoc
from curlet.formats.safe_xml import local_name, read_svg_tree
from curlet.formats.svg_clips import MARK, Clips, lay_out_clips
from curlet.formats.svg_lines import Lines, outline_of_contours, way_of
from curlet.formats.svg_paints import Gradients, Viewport
from curlet.formats.svg_plain import make_plain
from curlet.formats.svg_styles import lay_on_styles

MOST_PATHS = 10_000
MOST_NODES_IN_ALL = 200_000
LARGEST_SHEET = 20_000.0

Floats = NDArray[np.float64]

_NOT_NUMBER = re.compile(r"nan|inf", re.IGNORECASE)
_LENGTH = re.compile(r"\s*([-+]?(?:\d+\.?\d*|\.\d+)(?:[eE][-+]?\d+)?)\s*([a-zA-Z%]*)\s*$")
_PX = {
    "": 1.0,
    "px": 1.0,
    "pt": 96 / 72,
    "pc": 16.0,
    "mm": 96 / 25.4,
    "cm": 960 / 25.4,
    "in": 96.0,
    "q": 24 / 25.4,
}
# A dot drawn as a line is this long, as a share of its weight.
_DOT = 0.01
_OPACITY = re.compile(r"(?:^|;)\s*opacity\s*:\s*([^;]+)")
_ENDS: dict[str, Literal["round", "square"]] = {"round": "round", "square": "square"}
_JOINS: dict[str, Literal["round", "bevel"]] = {"round": "round", "bevel": "bevel"}
_READER_FAULTS = (
    ValueError, TypeError, AttributeError, KeyError, IndexError, ArithmeticError, RecursionError,
)  # fmt: skip


@dataclass(frozen=True, eq=False)
class TakenPath:
    """One contour of the drawing: its name, the path in mm, and how it was drawn: a gradient of its fill
    in mm, outlines that clip it, outermost first, and the name of the layer that it lies in: of the group
    at the drawing's top level; `element` is its id."""

    name: str
    path: Path
    facts: FactsDoc
    gradient: RoleGradient | None = None
    clips: tuple[Outline, ...] = ()
    layer: str = ""
    element: str = ""


@dataclass(frozen=True)
class TakenIn:
    """A drawing taken in: its size in mm, its paths and what was left out, in words."""

    width: float
    height: float
    paths: tuple[TakenPath, ...]
    notes: tuple[str, ...] = field(default=())


def read_svg(data: bytes, tell: Callable[[float, str], None] = lambda share, doing: None) -> TakenIn:
    """Read the lines of an SVG drawing.

    Physical size is honoured: width and height with the viewBox, otherwise 96 px to the inch. `tell` is
    called with the share that is done and what is being done; what it raises stops the reading.

    Raises
    ------
    BadInput, TooMuch
        If the file is broken, hostile, empty or too large; see `read_svg_tree`.
    """
    tell(0.0, "Opening the file")
    root, notes = read_svg_tree(data)
    lay_on_styles(root)
    _check_numbers(root)
    tell(0.1, "Reading its shapes")
    make_plain(root)
    width, height = _fix_size(root)
    names = _name_elements(root)
    layers = _layers(root, names)
    opacities = _opacities(root)
    clips = lay_out_clips(root)
    lines = Lines(root)
    notes += sorted(set(clips.notes))
    gradients = Gradients(root, _viewport(root, width, height))
    try:
        drawing = svgelements.SVG.parse(io.BytesIO(tostring(root)), reify=False, ppi=96.0)
        elements = list(drawing.elements())
    except _READER_FAULTS as error:
        raise BadInput(f"This drawing cannot be read ({error}). Save it again as plain SVG.") from None
    painted = _Elements(elements, lines, clips, gradients, opacities)
    paths = []
    for line in _paths(painted, names, layers, notes):
        paths.append(line)
        if len(paths) % 100 == 0:
            tell(0.4 + 0.6 * min(len(paths) / max(len(elements), 1), 1.0), f"{len(paths):,} paths")
    if not paths:
        raise BadInput("This drawing has no lines. Draw at least one path and take it in again.")
    return TakenIn(width * MM_PER_PX, height * MM_PER_PX, tuple(paths), tuple(notes))


def _check_numbers(root: Element) -> None:
    """Refuse impossible numbers and over-long paths before anything is built from them."""
    for element in root.iter():
        for name in ("d", "points"):
            text = element.get(name)
            if text is None:
                continue
            which = f"“{element.get('id', local_name(element))[:40]}”"
            if _NOT_NUMBER.search(text):
                raise BadInput(f"The path {which} has a coordinate that is not a number. Correct it.")
            if len(text) > 2 * MOST_NODES and sum(1 for _ in NUMBER.finditer(text)) > 7 * MOST_NODES:
                raise TooMuch(
                    f"The path {which} has more than {MOST_NODES:,} nodes. Simplify it or split it in two."
                )


def _fix_size(root: Element) -> tuple[float, float]:
    """Width and height in px, stated on the root so that the reader need not guess."""
    box = [float(n) for n in NUMBER.findall(root.get("viewBox", ""))]
    box_size = box[2:4] if len(box) == 4 and box[2] > 0 and box[3] > 0 else None
    width = _px(root.get("width"), box_size[0] if box_size else None)
    height = _px(root.get("height"), box_size[1] if box_size else None)
    if width is None and height is None and box_size:
        width, height = box_size
    elif box_size and width is None and height is not None:
        width = height * box_size[0] / box_size[1]
    elif box_size and height is None and width is not None:
        height = width * box_size[1] / box_size[0]
    # CSS's default size of a replaced element, which is what browsers draw.
    width, height = width or 300.0, height or 150.0
    if not (0 < width * MM_PER_PX <= LARGEST_SHEET and 0 < height * MM_PER_PX <= LARGEST_SHEET):
        raise BadInput("This drawing's width or height is not between 0 and 20 m. Correct its size.")
    root.set("width", f"{width!r}")
    root.set("height", f"{height!r}")
    return width, height


def _px(text: str | None, whole: float | None) -> float | None:
    match = _LENGTH.match(text or "")
    if not match:
        return None
    value, unit = float(match[1]), match[2].lower()
    if unit == "%":
        return value / 100 * whole if whole else None
    if unit not in _PX:
        return None
    return value * _PX[unit] if math.isfinite(value) else math.inf


def _layers(root: Element, names: dict[str, str]) -> dict[str, str]:
    """The top-level group that each element lies in, by name, for those in one."""
    groups = [child for child in root if local_name(child) == "g" and len(child)]
    called = {id(group): names.get(group.get("id", ""), f"Layer {n}") for n, group in enumerate(groups, 1)}
    return {e.get("id", ""): called[id(group)] for group in groups for e in group.iter()}


def _name_elements(root: Element) -> dict[str, str]:
    """Give every element an id; names by id, from a title, a label or the id itself."""
    names: dict[str, str] = {}
    for count, element in enumerate(root.iter()):
        own = element.get("id")
        title = next((c.text for c in element if local_name(c) == "title" and c.text), None)
        label = next((v for k, v in element.attrib.items() if k.endswith("}label")), None)
        key = own or f"curlet-element-{count}"
        element.set("id", key)
        name = title or label or own
        if name:
            names[key] = name.strip()[:120]
    return names


@dataclass(frozen=True, eq=False)
class _Elements:
    """The drawing's elements in painting order, with what the reader does not know of them."""

    all: list[object]
    lines: Lines
    clips: Clips
    gradients: Gradients
    opacities: dict[str, float]

    def painted(self) -> Iterator[tuple[int, svgelements.Shape, tuple[Outline, ...]]]:
        """Shapes that are seen, with the outlines that clip them."""
        laid: dict[str, list[Outline]] = {}
        last = ""
        for index, element in enumerate(self.all):
            if not isinstance(element, svgelements.Shape):
                continue
            key = str(element.id or "")
            if key.startswith(MARK):
                mark = key.rsplit("-", 1)[0] + "-"
                # A clip that is laid out anew, as for another copy, begins again.
                if mark != last:
                    laid[mark] = []
                laid[mark].append(outline_of_contours(self.lines.of(element)))
                last = mark
                continue
            last = ""
            if not _hidden(element):
                marks = self.clips.of.get(key, ())
                yield index, element, tuple(joined(laid[m]) for m in marks if laid.get(m))


def _opacities(root: Element) -> dict[str, float]:
    """Every element's opacity with that of the groups about it, by its id."""
    found: dict[str, float] = {}
    todo = [(root, 1.0)]
    while todo:
        element, around = todo.pop()
        style = _OPACITY.search(element.get("style", ""))
        match = _LENGTH.match(style[1] if style else element.get("opacity", ""))
        share = float(match[1]) / (100 if match[2] == "%" else 1) if match else 1.0
        here = around * min(max(share, 0.0), 1.0) if math.isfinite(share) else around
        found[element.get("id", "")] = here
        todo += [(child, here) for child in element]
    return found


def _viewport(root: Element, width: float, height: float) -> Viewport:
    box = [float(n) for n in NUMBER.findall(root.get("viewBox", ""))]
    return Viewport(box[2], box[3]) if len(box) == 4 else Viewport(width, height)


def _gradient(
    element: svgelements.Shape, contours: tuple[Contour, ...], known: Gradients
) -> RoleGradient | None:
    """The gradient that an element is filled with, mm."""
    fill = element.values.get("fill")
    if not isinstance(fill, str) or "url" not in fill:
        return None
    way = way_of(element)
    plain = outline_of_contours(contours).points / MM_PER_PX
    det = way[0] * way[3] - way[1] * way[2]
    if not len(plain) or abs(det) < 1e-12:
        return None
    back = np.linalg.inv(np.array([[way[0], way[1]], [way[2], way[3]]]))
    own = (plain - (way[4], way[5])) @ back
    low, size = own.min(axis=0), np.ptp(own, axis=0)
    found = known.of(fill, way, (float(low[0]), float(low[1]), float(size[0]), float(size[1])))
    return found and found.moved((MM_PER_PX, 0.0, 0.0, MM_PER_PX, 0.0, 0.0))


def _paths(
    elements: _Elements, names: dict[str, str], layers: dict[str, str], notes: list[str]
) -> Iterator[TakenPath]:
    count = nodes = 0
    for index, element, clips in elements.painted():
        contours = elements.lines.of(element)
        gradient = _gradient(element, contours, elements.gradients)
        facts = _facts(element, f"e{index}", gradient, elements.opacities.get(str(element.id), 1.0))
        for number, contour in enumerate(contours, 1):
            path = _dot(contour, facts) if _is_dot(contour, facts) else _contour(contour, notes)
            if path is None:
                continue
            count, nodes = count + 1, nodes + len(path.points)
            if count > MOST_PATHS or nodes > MOST_NODES_IN_ALL:
                raise TooMuch(
                    f"This drawing has more than {MOST_PATHS:,} paths or {MOST_NODES_IN_ALL:,} "
                    "nodes. Take in a part of it."
                )
            name = names.get(element.id or "", f"Line {count}")
            name = name if len(contours) == 1 else f"{name} {number}"
            key = str(element.id)
            yield TakenPath(name, path, facts, gradient, clips, layers.get(key, ""), key)


def _hidden(element: svgelements.Shape) -> bool:
    values = element.values
    return values.get("display") == "none" or values.get("visibility") in ("hidden", "collapse")


def _facts(element: svgelements.Shape, key: str, gradient: RoleGradient | None, opacity: float) -> FactsDoc:
    values = element.values
    stroke, stroke_opacity = _colour(element.stroke)
    fill, fill_opacity = _colour(element.fill)
    if gradient is not None:
        # Where a path has one colour only, a gradient's middle one stands for it.
        fill = gradient.stops[len(gradient.stops) // 2].role.own
    weight = float(element.implicit_stroke_width or 0)
    stretch = weight / float(element.stroke_width) if weight else 1.0
    dashes = [float(n) * stretch * MM_PER_PX for n in NUMBER.findall(values.get("stroke-dasharray") or "")]
    return FactsDoc(
        element=key,
        stroke=stroke,
        stroke_opacity=stroke_opacity * opacity,
        weight=weight * MM_PER_PX if stroke else 0.0,
        ends=_ENDS.get(values.get("stroke-linecap", ""), "flat"),
        joins=_JOINS.get(values.get("stroke-linejoin", ""), "mitre"),
        dashes=tuple(dashes[:32]) if any(d > 0 for d in dashes) else (),
        fill=fill,
        fill_opacity=fill_opacity * opacity,
        even_odd=values.get("fill-rule") == "evenodd",
    )


def _colour(colour: svgelements.Color | None) -> tuple[str | None, float]:
    if colour is None or colour.value is None:
        return None, 1.0
    return _named(colour.hexrgb), float(colour.opacity if colour.opacity is not None else 1.0)


@lru_cache(maxsize=1024)
def _named(colour: str) -> str:
    return read_colour(colour)


def _is_dot(contour: Contour, facts: FactsDoc) -> bool:
    """Whether a contour without length is seen all the same, by its line's round ends."""
    if facts.ends != "round" or facts.stroke is None or facts.weight <= 0:
        return False
    every = contour.cubics.reshape(-1, 2)
    return not len(every) or float(np.ptp(every, axis=0).max()) <= SAME_POINT


def _dot(contour: Contour, facts: FactsDoc) -> Path:
    """A dot as a line too short to be told from one."""
    x, y = contour.start
    ends = np.array([[x, y], [x + max(_DOT * facts.weight, 10 * SAME_POINT), y]])
    return chain_to_path(ends[[0, 0, 1, 1]][None], closed=False)


def _contour(contour: Contour, notes: list[str]) -> Path | None:
    """One contour as a path; one without length is left out and noted."""
    try:
        return chain_to_path(contour.cubics, contour.closed)
    except TooMuch:
        raise
    except BadInput as error:
        if "no length" not in str(error):
            raise
        notes.append("A path without length was left out.")
        return None
