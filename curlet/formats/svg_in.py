"""Importing a line drawing from SVG: its lines become paths, in mm."""

from __future__ import annotations

from collections.abc import Iterator
from typing import Literal
from xml.etree.ElementTree import Element

import numpy as np
from numpy.typing import NDArray

from curlet.core.dress.colour import RoleGradient
from curlet.core.errors import BadInput
from curlet.core.measures import MM_PER_PX
from curlet.core.path.chain import chain_to_path
from curlet.core.path.path import SAME_POINT, Path
from curlet.formats.imported import LARGEST_SHEET, Counted, ImportedDrawing, ImportedPath, path_of_contour
from curlet.formats.names import MAX_LETTERS, seen
from curlet.formats.output import Tell, untold
from curlet.formats.path_data import Contour
from curlet.formats.path_doc import MAX_WEIGHT, FactsDoc
from curlet.formats.safe_xml import local_name, read_svg_tree
from curlet.formats.svg_paints import Gradients
from curlet.formats.svg_styles import lay_on_styles
from curlet.formats.svg_text import Viewport, colour, length, named, numbers, share
from curlet.formats.svg_unread import Unread
from curlet.formats.svg_walk import SeenShape, Walk, outline_of_contours

Floats = NDArray[np.float64]

# A dot drawn as a line is this long, as a share of its weight.
_DOT = 0.01
# Dashes that repeat in less than this are a solid line, mm.
_SHORTEST_DASHES = 0.01
_ENDS: dict[str, Literal["round", "square"]] = {"round": "round", "square": "square"}
_JOINS: dict[str, Literal["round", "bevel"]] = {"round": "round", "bevel": "bevel"}


def read_svg(data: bytes, tell: Tell = untold) -> ImportedDrawing:
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
    width, height = _size(root)
    tell(0.2, "Reading its shapes")
    walk = Walk(root, width, height)
    paths = []
    of_all = max(sum(1 for _ in root.iter()), 1)
    for line in _paths(walk, notes):
        paths.append(line)
        if len(paths) % 100 == 0:
            tell(0.2 + 0.8 * min(walk.visited / of_all, 1.0), f"{len(paths):,} paths")
    if not paths:
        raise BadInput("This drawing has no lines. Draw at least one path and import it again.")
    notes += sorted(set(walk.notes))
    return ImportedDrawing(width * MM_PER_PX, height * MM_PER_PX, tuple(paths), tuple(dict.fromkeys(notes)))


def _size(root: Element) -> tuple[float, float]:
    """Width and height in px."""
    box = numbers(root.get("viewBox", ""))
    box_size = box[2:4] if len(box) == 4 and box[2] > 0 and box[3] > 0 else None
    width = length(root.get("width"), box_size[0] if box_size else None)
    height = length(root.get("height"), box_size[1] if box_size else None)
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
    return width, height


def _name(element: Element) -> str | None:
    """What an element is called: by a title, a label or its id."""
    title = next((c.text for c in element if local_name(c) == "title" and c.text), None)
    label = next((v for k, v in element.attrib.items() if k.endswith("}label")), None)
    name = title or label or element.get("id") or ""
    return str(seen(name)).strip()[:MAX_LETTERS] or None


def _layer_names(root: Element) -> dict[Element, str]:
    """What the groups at the top level are called."""
    groups = [child for child in root if local_name(child) == "g" and len(child)]
    return {group: _name(group) or f"Layer {n}" for n, group in enumerate(groups, 1)}


def _paths(walk: Walk, notes: list[str]) -> Iterator[ImportedPath]:
    gradients, layers, unread = Gradients(walk.root), _layer_names(walk.root), Unread(walk.root)
    counted = Counted("drawing")
    for index, shape in enumerate(walk.shapes()):
        contours = shape.in_mm()
        gradient = _gradient(shape, contours, gradients)
        facts = _facts(shape, f"e{index}", gradient, gradients)
        notes += (note for note in unread.paints(shape.style) if note not in notes)
        for number, contour in enumerate(contours, 1):
            path = _dot(contour, facts) if _is_dot(contour, facts) else path_of_contour(contour, notes)
            if path is None:
                continue
            counted.add(path)
            name = _name(shape.element) or f"Line {counted.lines}"
            name = name if len(contours) == 1 else f"{name} {number}"
            layer = layers.get(shape.layer, "") if shape.layer is not None else ""
            yield ImportedPath(name, path, facts, gradient, shape.clips, layer)


def _gradient(shape: SeenShape, contours: tuple[Contour, ...], known: Gradients) -> RoleGradient | None:
    """The gradient that a shape is filled with, mm."""
    name = named(shape.style["fill"])
    if name is None:
        return None
    way = shape.way
    plain = outline_of_contours(contours).points / MM_PER_PX
    det = way[0] * way[3] - way[1] * way[2]
    if not len(plain) or abs(det) < 1e-12:
        return None
    back = np.linalg.inv(np.array([[way[0], way[1]], [way[2], way[3]]]))
    own = (plain - (way[4], way[5])) @ back
    low, size = own.min(axis=0), np.ptp(own, axis=0)
    box = (float(low[0]), float(low[1]), float(size[0]), float(size[1]))
    found = known.of(name, way, box, shape.port)
    return found and found.moved((MM_PER_PX, 0.0, 0.0, MM_PER_PX, 0.0, 0.0))


def _facts(shape: SeenShape, key: str, gradient: RoleGradient | None, known: Gradients) -> FactsDoc:
    style = shape.style
    stroke, stroke_alpha = known.middle(named(style["stroke"]) or "") or _paint(
        style["stroke"], style["color"]
    )
    fill, fill_alpha = _paint(style["fill"], style["color"])
    if gradient is not None:
        # Where a path has one colour only, a gradient's middle one stands for it.
        fill = gradient.stops[len(gradient.stops) // 2].role.own
    a, b, c, d, *_ = shape.way
    # Under an uneven scale a line keeps one mean weight.
    stretch = abs(a * d - b * c) ** 0.5 * MM_PER_PX
    if shape.element.get("vector-effect") == "non-scaling-stroke":
        stretch = MM_PER_PX
    weight = _line_length(style["stroke-width"], shape.port, stretch)
    return FactsDoc(
        element=key,
        stroke=stroke,
        stroke_opacity=stroke_alpha * share(style["stroke-opacity"]) * shape.opacity,
        weight=(stretch if weight is None else weight) if stroke else 0.0,
        ends=_ENDS.get(style["stroke-linecap"], "flat"),
        joins=_JOINS.get(style["stroke-linejoin"], "mitre"),
        dashes=_dashes(style["stroke-dasharray"], shape.port, stretch),
        fill=fill,
        fill_opacity=fill_alpha * share(style["fill-opacity"]) * shape.opacity,
        even_odd=style["fill-rule"] == "evenodd",
    )


def _line_length(text: str, port: Viewport, stretch: float) -> float | None:
    """A weight or a dash as drawn, mm; None for one that CSS would not take either, or no line has."""
    found = length(text, port.diagonal, port)
    return found * stretch if found is not None and 0 <= found * stretch <= MAX_WEIGHT else None


def _dashes(text: str, port: Viewport, stretch: float) -> tuple[float, ...]:
    """Dashes and gaps, mm; none for a solid line, and as SVG 2 has it where one of them is no length."""
    found = [_line_length(part, port, stretch) for part in text.replace(",", " ").split()[:32]]
    known = [dash for dash in found if dash is not None]
    return tuple(known) if len(known) == len(found) and sum(known) >= _SHORTEST_DASHES else ()


def _paint(text: str, current: str) -> tuple[str | None, float]:
    """A fill or stroke as a colour and its opacity; a reference stands for what is given after it."""
    if text.lstrip().startswith("url("):
        text = text.partition(")")[2].strip() or "none"
    if text.lower() == "currentcolor":
        text = current
    found = None if text.strip().lower() in ("none", "transparent") else colour(text)
    return found or (None, 1.0)


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
