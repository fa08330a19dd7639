"""What the demo's sheets are made of: paths, fills and what they wear, all as data."""

from __future__ import annotations

import math
from collections.abc import Callable, Mapping, Sequence
from dataclasses import dataclass, field
from typing import Any

from curlet.core.drawing import Drawing
from curlet.core.outlines import K
from curlet.demo.motifs import MOTIFS
from curlet.formats.choices import UseName, WayName
from curlet.formats.clean_doc import CleanDoc
from curlet.formats.cloth_doc import ClothDoc
from curlet.formats.fill_doc import Fill
from curlet.formats.lettering_doc import LetteringDoc
from curlet.formats.path_doc import FactsDoc, NodeDoc

Point = tuple[float, float]
# Node, handle, handle, node, …
Chain = Sequence[Point]


@dataclass(frozen=True)
class DemoPath:
    """A path of the demo: its group, nodes in sheet mm, and its brush, if any.

    `own` are its run's own settings by their pointers; “shade:Name” names a shade of the sheet there, and in
    its fill. `crop` names a path that it is cropped to, `outside` says to which side of it; `places` is what
    its run says of single places. A `hidden` one is there only for what is made of it.
    """

    name: str
    group: str
    nodes: list[NodeDoc]
    closed: bool = False
    facts: FactsDoc | None = None
    brush: str | None = None
    fill: Fill | DemoPicture | None = None
    own: dict[str, Any] = field(default_factory=dict)
    crop: str | None = None
    outside: bool = False
    places: dict[str, Any] = field(default_factory=dict)
    hidden: bool = False


@dataclass(frozen=True)
class DemoPicture:
    """A picture that a path is filled with: its middle and width, sheet mm."""

    name: str
    draw: Callable[[], Drawing]
    x: float
    y: float
    width: float


@dataclass(frozen=True)
class DemoArea:
    """An area of what runs cover on paths by name, right above what is laid on another one."""

    name: str
    above: str
    runs: tuple[tuple[str, UseName], ...]
    fill: Fill
    way: WayName = "join"
    clean: CleanDoc = field(default_factory=CleanDoc)


@dataclass(frozen=True)
class DemoSingle:
    """One repeat placed by hand, sheet mm, degrees and %."""

    brush: str
    x: float
    y: float
    turn: float = 0.0
    size: float = 100.0
    own: dict[str, Any] = field(default_factory=dict)


@dataclass(frozen=True)
class DemoText:
    """Text along one of the paths by name, what its letters wear and are filled with."""

    along: str
    make: Callable[[str], LetteringDoc]
    brush: str | None = None
    own: dict[str, Any] = field(default_factory=dict)
    fill: Fill | DemoPicture | None = None


@dataclass(frozen=True)
class DemoSheet:
    """One sheet of the demo.

    Attributes
    ----------
    size : its columns: width, height and scale, and what differs from a new sheet.
    ways : the names of its colourways.
    shades : each shade's colours, one for each colourway.
    paths : what lies beneath first.
    halves : whether paths “… L” are the live halves of paths “… R”, about the sheet's middle.
    """

    id: str
    name: str
    size: dict[str, Any]
    groups: dict[str, str]
    ways: tuple[str, ...]
    shades: Mapping[str, tuple[str, ...]]
    paths: Callable[[], list[DemoPath]]
    areas: tuple[DemoArea, ...] = ()
    texts: tuple[DemoText, ...] = ()
    singles: tuple[DemoSingle, ...] = ()
    background: ClothDoc | None = None
    halves: bool = False


def wearing(*shades: str, height: float = 0.0, finish: str = "matt", **own: Any) -> dict[str, Any]:
    """Own settings of a run: a shade for each thread, and its relief; others by their names, with "__" where
    a pointer has "/"."""
    worn: dict[str, Any] = {f"/threads/{i}": f"shade:{name}" for i, name in enumerate(shades)}
    if height:
        worn["/relief/height"] = height
    if finish != "matt":
        worn["/relief/finish"] = finish
    return {**worn, **{"/" + key.replace("__", "/"): value for key, value in own.items()}}


def in_place_of(count: int, motif: str, node: str, number: int, *, size: float = 100.0) -> dict[str, Any]:
    """One of the Library's motifs where so many of a leg's repeats would be, about the one of that number."""
    about = range(number - count // 2, number + count // 2 + 1)
    out = [{"node": node, "number": each, "left_out": True} for each in about if each != number]
    one = {"node": node, "number": number, "brought": motif, "size": size}
    return {"repeats": [*out, one], "motifs": {motif: MOTIFS[motif].model_dump(mode="json")}}


def plain(shade: str) -> ClothDoc:
    """A cloth of one colour."""
    return ClothDoc(weave="colour", warp=f"shade:{shade}", weft=f"shade:{shade}")


def polyline(name: str, group: str, points: Chain, closed: bool = False, **worn: Any) -> DemoPath:
    """Straight lines from point to point."""
    nodes = [NodeDoc(id=f"n{i}", x=x, y=y) for i, (x, y) in enumerate(points, 1)]
    return DemoPath(name, group, nodes, closed, **worn)


def curve(name: str, group: str, control: Chain, **worn: Any) -> DemoPath:
    """A chain of cubics: node, handle, handle, node, …"""
    nodes = []
    for i in range(0, len(control), 3):
        x, y = control[i]
        into = control[i - 1] if i else None
        out = control[i + 1] if i + 1 < len(control) else None
        nodes.append(NodeDoc(id=f"n{i // 3 + 1}", x=x, y=y, into=into, out=out))
    return DemoPath(name, group, nodes, **worn)


def area(name: str, group: str, control: Chain, fill: Fill, edge: str = "#2b3440") -> DemoPath:
    """A chain of cubics that closes, filled, with a fine line round it."""
    path = curve(name, group, control)
    facts = FactsDoc(element=name.lower().replace(" ", "-"), stroke=edge, weight=0.25, joins="round")
    return DemoPath(name, group, path.nodes, True, facts, fill=fill)


def circle(name: str, group: str, centre: Point, radius: float, **worn: Any) -> DemoPath:
    nodes = []
    for i in range(4):
        angle = math.pi / 2 * i
        cos, sin = math.cos(angle), math.sin(angle)
        x, y = centre[0] + radius * cos, centre[1] + radius * sin
        reach = (-K * radius * sin, K * radius * cos)
        into, out = (x - reach[0], y - reach[1]), (x + reach[0], y + reach[1])
        nodes.append(NodeDoc(id=f"n{i + 1}", x=x, y=y, into=into, out=out))
    return DemoPath(name, group, nodes, closed=True, **worn)


def box(x0: float, y0: float, x1: float, y1: float) -> Chain:
    """A rectangle as a chain of cubics."""
    corners = [(x0, y0), (x1, y0), (x1, y1), (x0, y1)]
    return [point for corner in corners for point in (corner, corner, corner)][1:-1]


def mirrored(points: Chain, middle: float) -> Chain:
    """Points on the other side of an upright line."""
    return [(2 * middle - x, y) for x, y in points]
