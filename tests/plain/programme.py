"""The season programme's cover, A5 at full size: borders, cords and open letters on fixed outlines."""

from __future__ import annotations

import math
from collections.abc import Sequence

from curlet.core.outlines import K
from curlet.formats.path_doc import NodeDoc
from tests.plain.waistcoat import PlainPath

SHEET = {"width": 148.0, "height": 210.0, "scale": "1:1"}

GROUPS = {
    "Frame": "#7b5aa6",
    "Lantern": "#8a6d1f",
    "Letters": "#3c7d6d",
    "Trims": "#a3475f",
}


Point = tuple[float, float]
Chain = Sequence[Point]

# Node, handle, handle, node, …
KNOT = [(34, 132), (74, 126), (112, 112), (96, 104), (84, 98), (64, 98), (52, 104)]
KNOT += [(36, 112), (74, 126), (114, 132)]
ZIGZAG = [(34, 169), (54, 169), (64, 175), (84, 175), (94, 169), (114, 169)]


def programme() -> list[PlainPath]:
    """Every path of the cover, bottom to top."""
    return [
        polyline("Frame", "Frame", [(16, 16), (132, 16), (132, 194), (16, 194)], True, "border"),
        _circle("Lantern ring", (74, 64), 30, "chain"),
        _circle("Lantern edge", (74, 64), 20, "scallop"),
        curve("Tether", "Lantern", [(74, 32), (64, 22), (84, 22), (74, 32)], "twelve"),
        curve("Knotted cord", "Lantern", KNOT, "rope"),
        *_letters(),
        polyline("Ribbon", "Trims", ZIGZAG, False, "ribbon"),
        curve("Blade", "Trims", [(40, 162), (60, 158), (88, 164), (108, 161)], "blade"),
    ]


def _letters() -> list[PlainPath]:
    """C, S and L as open single lines: fixed outlines, not lettering."""
    c = [(56, 141), (50, 135), (38, 137), (38, 145), (38, 153), (50, 156), (56, 150)]
    s = [
        (82, 141),
        (76, 135),
        (66, 138),
        (67, 144),
        (68, 150),
        (82, 146),
        (83, 152),
        (84, 159),
        (70, 161),
        (66, 154),
    ]
    return [
        curve("Letter C", "Letters", c, "stem"),
        curve("Letter S", "Letters", s, "stem"),
        polyline("Letter L", "Letters", [(94, 135), (94, 154), (110, 154)], False, "stem"),
    ]


def polyline(name: str, group: str, points: Chain, closed: bool, brush: str | None) -> PlainPath:
    """Straight lines from point to point."""
    nodes = [NodeDoc(id=f"n{i}", x=x, y=y) for i, (x, y) in enumerate(points, 1)]
    return PlainPath(name, group, nodes, closed, brush=brush)


def curve(name: str, group: str, control: Chain, brush: str | None) -> PlainPath:
    """A chain of cubics: node, handle, handle, node, …"""
    nodes = []
    for i in range(0, len(control), 3):
        x, y = control[i]
        into = control[i - 1] if i else None
        out = control[i + 1] if i + 1 < len(control) else None
        nodes.append(NodeDoc(id=f"n{i // 3 + 1}", x=x, y=y, into=into, out=out))
    return PlainPath(name, group, nodes, brush=brush)


def _circle(name: str, centre: Point, radius: float, brush: str) -> PlainPath:
    nodes = []
    for i in range(4):
        angle = math.pi / 2 * i
        cos, sin = math.cos(angle), math.sin(angle)
        x, y = centre[0] + radius * cos, centre[1] + radius * sin
        reach = (-K * radius * sin, K * radius * cos)
        into, out = (x - reach[0], y - reach[1]), (x + reach[0], y + reach[1])
        nodes.append(NodeDoc(id=f"n{i + 1}", x=x, y=y, into=into, out=out))
    return PlainPath(name, "Lantern", nodes, closed=True, brush=brush)
