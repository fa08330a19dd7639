"""A drawing's clip paths: each is laid beside what it clips, so that the reader places it there too."""

from __future__ import annotations

import copy
import re
from dataclasses import dataclass, field
from xml.etree.ElementTree import Element

from curlet.formats.safe_xml import local_name

MARK = "curlet-clip-"
MOST_CLIPS, MOST_CLIPPING = 500, 5_000
_URL = re.compile(r"url\(\s*['\"]?#([^'\")\s]+)")
_STYLE = re.compile(r"clip-path\s*:\s*([^;]+)")
_SVG = "{http://www.w3.org/2000/svg}"


@dataclass
class Clips:
    """Which clips hold for each element, by its id, outermost first; and notes in words."""

    of: dict[str, tuple[str, ...]] = field(default_factory=dict)
    notes: list[str] = field(default_factory=list)


def lay_out_clips(root: Element) -> Clips:
    """Put a copy of every clip path before what it clips, in a group marked by its id.

    Elements have their ids already. What an element's clips are is told by name, not by what is drawn.
    """
    found = Clips()
    paths = {e.get("id", ""): e for e in root.iter() if local_name(e) == "clipPath"}
    parents = {child: parent for parent in root.iter() for child in parent}
    clipped = [e for e in root.iter() if _named(e) and not _within(e, parents, ("clipPath", "defs", "mask"))]
    copies = 0
    for number, element in enumerate(clipped):
        path = paths.get(_named(element))
        size = sum(1 for _ in path.iter()) if path is not None else 0
        copies += size
        plain = path is not None and path.get("clipPathUnits") != "objectBoundingBox"
        if path is None or not plain or number >= MOST_CLIPS or copies > MOST_CLIPPING:
            found.notes.append("1 clip left out.")
            continue
        _lay(element, path, f"{MARK}{number}-", parents)
        for inner in element.iter():
            key = inner.get("id", "")
            found.of[key] = (*found.of.get(key, ()), f"{MARK}{number}-")
    return found


def _named(element: Element) -> str:
    style = _STYLE.search(element.get("style", ""))
    match = _URL.search(style[1] if style else element.get("clip-path", ""))
    return match[1] if match else ""


def _within(element: Element, parents: dict[Element, Element], names: tuple[str, ...]) -> bool:
    while element in parents:
        element = parents[element]
        if local_name(element) in names:
            return True
    return False


def _lay(element: Element, path: Element, mark: str, parents: dict[Element, Element]) -> None:
    """The clip's shapes as a group before the element, moved as the element is."""
    parent = parents.get(element)
    if parent is None:
        return
    group = Element(f"{_SVG}g", {"id": f"{mark}group"})
    moves = [element.get("transform", ""), path.get("transform", "")]
    group.set("transform", " ".join(move for move in moves if move))
    for index, child in enumerate(path):
        shape = copy.deepcopy(child)
        for inner in shape.iter():
            inner.set("id", f"{mark}{index}")
            inner.attrib.pop("clip-path", None)
        group.append(shape)
    parent.insert(list(parent).index(element), group)
    parents[group] = parent
