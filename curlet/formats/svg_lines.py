"""The lines of a drawing's elements, kept apart from the reader, which tells where each is drawn and how.

Reading them ourselves is several times faster than the reader's objects, one for every node and handle.
"""

from __future__ import annotations

from xml.etree.ElementTree import Element

import numpy as np
import svgelements

from curlet.core.drawing import Outline
from curlet.core.errors import BadInput
from curlet.core.measures import MM_PER_PX
from curlet.formats.path_data import FURTHEST, Contour, read_contours
from curlet.formats.safe_xml import local_name

_KEY = "curlet-line"
# What the reader is given instead of a line: a place, as a path of nothing would not be told.
_PLACE = "M0 0"


class Lines:
    """The contours of a drawing's paths; taken out of its tree."""

    def __init__(self, root: Element) -> None:
        self._found: dict[str, tuple[Contour, ...]] = {}
        for element in root.iter():
            if local_name(element) == "path":
                key = str(len(self._found))
                self._found[key] = read_contours(element.get("d", ""))
                element.set(_KEY, key)
                element.set("d", _PLACE)

    def of(self, element: svgelements.Shape) -> tuple[Contour, ...]:
        """An element's contours where it is drawn, mm."""
        found = self._own(element)
        a, b, c, d, e, f = (value * MM_PER_PX for value in way_of(element))
        return tuple(contour.moved(a, b, c, d, e, f) for contour in found)

    def _own(self, element: svgelements.Shape) -> tuple[Contour, ...]:
        if isinstance(element, svgelements.Path):
            return self._found[element.values[_KEY]]
        # A shape with percentages, which the reader knows.
        return read_contours(svgelements.Path(element).d(transformed=False))


def way_of(element: svgelements.Shape) -> tuple[float, float, float, float, float, float]:
    """From an element's user space to where it is drawn, px; BadInput where that is out of all bounds."""
    matrix = element.transform
    way = (matrix.a, matrix.b, matrix.c, matrix.d, matrix.e, matrix.f)
    if not all(abs(value) <= FURTHEST for value in way):
        raise BadInput("A transform in this drawing is out of all bounds. Correct it, or save it without.")
    return way


def outline_of_contours(contours: tuple[Contour, ...]) -> Outline:
    """Contours, each closed, as one outline."""
    drawn = [contour.cubics for contour in contours if len(contour.cubics)]
    commands = "".join("M" + "C" * len(cubics) + "Z" for cubics in drawn)
    points = [part for cubics in drawn for part in (cubics[:1, 0], cubics[:, 1:].reshape(-1, 2))]
    return Outline(commands, np.concatenate(points) if points else np.zeros((0, 2)))
