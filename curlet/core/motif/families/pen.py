"""The pen that families draw with: shapes in sheet mm, turned into a motif's cell."""

from __future__ import annotations

import numpy as np
from numpy.typing import ArrayLike, NDArray

from curlet.core.drawing import Outline, Shape, Solid, Stroke
from curlet.core.dress.colour import ColourRole, RoleShape
from curlet.core.motif.cut import part_of
from curlet.core.motif.motif import Motif
from curlet.core.outlines import disc, lines

Floats = NDArray[np.float64]

_BARE = Solid("#000000")
NEEDLE_HOLE = ColourRole(own="#2f2b26")
# Thread is matt: its twist shows as slightly darker lines, about a thread apart.
_TWIST_SHADE, _TWIST_WEIGHT, _TWIST_APART, _TWIST_LEAN = -14.0, 0.16, 0.8, 0.45


class Pen:
    """Draws in a cell of `length` mm, x along it and y across it from its middle."""

    def __init__(self, length: float) -> None:
        self.length = length
        self.shapes: list[RoleShape] = []
        self._overhang = 0.0

    def fill(
        self,
        outline: Outline,
        thread: int = 1,
        lighter: float = 0.0,
        *,
        over: bool = False,
        even_odd: bool = False,
        own: str | None = None,
    ) -> None:
        """A filled outline in a thread's colour, or one of its own."""
        role = ColourRole(thread, own, lighter)
        self.shapes.append(RoleShape(Shape(outline, fill=_BARE, even_odd=even_odd), role, over=over))

    def stroke(
        self,
        outline: Outline,
        weight: float,
        thread: int = 1,
        lighter: float = 0.0,
        *,
        ends: str = "round",
        joins: str = "round",
        over: bool = False,
    ) -> None:
        """A line of even weight."""
        role = ColourRole(thread, None, lighter)
        shape = Shape(outline, stroke=Stroke(_BARE, weight, ends, joins))
        self.shapes.append(RoleShape(shape, role, over=over))
        if ends == "round":
            self._overhang = max(self._overhang, weight / 2)

    def thread(
        self, points: ArrayLike, weight: float, twist: str = "none", thread: int = 1, *, ends: str = "round"
    ) -> None:
        """Thread laid straight through points, with its twist lines if wanted: "S", "Z" or "none"."""
        at = np.asarray(points, dtype=np.float64)
        self.stroke(lines(at), weight, thread, ends=ends)
        if twist != "none":
            for a, b in zip(at[:-1], at[1:], strict=True):
                self._twist(a, b, weight, twist, thread)

    def _twist(self, a: Floats, b: Floats, weight: float, twist: str, thread: int) -> None:
        long = float(np.hypot(*(b - a)))
        if long < weight:
            return
        along = (b - a) / long
        across = np.array([-along[1], along[0]])
        # Laid level, S reads / and Z reads \ (ISO 2); y grows downward.
        lean = _TWIST_LEAN * (1 if twist == "Z" else -1)
        for s in np.arange(weight / 2, long - weight / 4, _TWIST_APART * weight):
            middle = a + s * along
            arm = (lean * along + 0.5 * across) * weight * 0.8
            line = lines([middle - arm, middle + arm])
            self.stroke(line, _TWIST_WEIGHT * weight, thread, _TWIST_SHADE, ends="flat")

    def holes(self, points: ArrayLike, weight: float) -> None:
        """Needle holes, a little wider than the thread."""
        for x, y in np.asarray(points, dtype=np.float64).tolist():
            role_shape = RoleShape(Shape(disc(x, y, 0.6 * weight), fill=_BARE), NEEDLE_HOLE)
            self.shapes.append(role_shape)

    def motif(
        self,
        width: float,
        overhang: float | None = None,
        *,
        seamless: bool = False,
        runs_on: bool = False,
        sewn: bool = False,
        interlinked: bool = False,
    ) -> Motif:
        """The cell as a motif; a seamless one is cut at its edges, where the next repeat goes on; one that
        runs on reaches over them whole; the cloth holds every thread of one that is sewn; one that is
        interlinked is made of rings."""
        shapes = [self._in_cell(item) for item in self.shapes]
        if seamless:
            shapes = [part for item in shapes for part in _cut(item)]
        reach = self._overhang if overhang is None else overhang
        return Motif(tuple(shapes), width, reach, runs_on=runs_on, sewn=sewn, interlinked=interlinked)

    def _in_cell(self, item: RoleShape) -> RoleShape:
        outline = item.shape.outline
        points = outline.points * np.array([1 / self.length, 1.0])
        shape = Shape(
            Outline(outline.commands, points), item.shape.fill, item.shape.stroke, item.shape.even_odd
        )
        return RoleShape(shape, item.role, item.stroke_role, item.over)


def _cut(item: RoleShape) -> list[RoleShape]:
    x = item.shape.outline.points[:, 0]
    if x.min() >= 0 and x.max() <= 1:
        return [item]
    return [
        RoleShape(part, item.role, item.stroke_role, item.over)
        for part in part_of(item.shape, 0.0, 1.0)
        if np.ptp(part.outline.points[:, 0]) > 0
    ]
