"""Outlines united, cut from one another, and lines as outlines. This alone in the core stands on skia."""

from __future__ import annotations

from collections.abc import Callable, Sequence

import numpy as np
import skia
from numpy.typing import NDArray

from curlet.core.drawing import POINTS_PER_COMMAND, Outline
from curlet.core.errors import BadInput

Floats = NDArray[np.float64]

_HOW = {
    "unite": skia.PathOp.kUnion_PathOp,
    "cut": skia.PathOp.kDifference_PathOp,
    "common": skia.PathOp.kIntersect_PathOp,
    "apart": skia.PathOp.kXOR_PathOp,
}
WAYS = tuple(_HOW)
CAPS = {"round": skia.Paint.kRound_Cap, "flat": skia.Paint.kButt_Cap, "square": skia.Paint.kSquare_Cap}
JOINS = {
    "round": skia.Paint.kRound_Join,
    "mitre": skia.Paint.kMiter_Join,
    "bevel": skia.Paint.kBevel_Join,
}
# Numbers are single precision: millimetres are worked on enlarged, so that they are fine enough.
_ENLARGED = 64.0
_HALVINGS = 2


def combined(outlines: Sequence[Outline], how: str, even_odd: Sequence[bool]) -> Outline | None:
    """Outlines as one, the first with each of the others in turn; None where nothing is left.

    Parameters
    ----------
    how : "unite", "cut" (the others from the first), "common" or "apart" (what only one of them has).
    even_odd : for each, whether that is its filling rule.

    Raises
    ------
    BadInput
        If they cannot be combined.
    """
    paths = [_path(outline, rule) for outline, rule in zip(outlines, even_odd, strict=True)]
    made = paths[0]
    for other in paths[1:]:
        made = _op(made, other, how)
    if len(paths) == 1:
        made = _op(made, skia.Path(), "unite")
    return _outline(made)


def line_as_area(
    outline: Outline, weight: float, ends: str, joins: str, dashes: Sequence[float] = ()
) -> Outline | None:
    """The area that a line of `weight` mm covers; `dashes` are mm too."""
    paint = skia.Paint(Style=skia.Paint.kStroke_Style, StrokeWidth=weight * _ENLARGED)
    paint.setStrokeCap(CAPS[ends])
    paint.setStrokeJoin(JOINS[joins])
    if dashes:
        paint.setPathEffect(skia.DashPathEffect.Make([dash * _ENLARGED for dash in dashes], 0.0))
    covered = skia.Path()
    paint.getFillPath(_path(outline, even_odd=False), covered, None, 8.0)
    return _outline(_op(covered, skia.Path(), "unite"))


def _op(one: skia.Path, other: skia.Path, how: str) -> skia.Path:
    try:
        made = skia.Op(one, other, _HOW[how])
        # Holes by their direction, so that they stay holes under either filling rule.
        return skia.AsWinding(made)
    except RuntimeError:
        raise BadInput("These shapes cannot be combined. Move one of them a little and try again.") from None


def add_outline(path: skia.Path, commands: str, points: Floats) -> None:
    """Append one outline to a skia path."""
    calls = {"M": path.moveTo, "L": path.lineTo, "C": path.cubicTo, "Z": path.close}
    flat, at = points.ravel().tolist(), 0
    for command in commands:
        count = 2 * POINTS_PER_COMMAND[command]
        calls[command](*flat[at : at + count])
        at += count


def _path(outline: Outline, even_odd: bool) -> skia.Path:
    path = skia.Path()
    add_outline(path, outline.commands, outline.points * _ENLARGED)
    path.setFillType(skia.PathFillType.kEvenOdd if even_odd else skia.PathFillType.kWinding)
    return path


def _outline(path: skia.Path) -> Outline | None:
    commands, points = "", list[Point]()
    steps = skia.Path.Iter(path, False)
    while True:
        verb, at = steps.next()
        if verb == skia.Path.kDone_Verb:
            break
        text, new = _STEPS[verb]([(p.x(), p.y()) for p in at], steps)
        commands += text
        points += new
    return Outline(commands, np.array(points, dtype=np.float64) / _ENLARGED) if points else None


# Plain numbers: a path has too many points, too few at a time, for arrays.
Point = tuple[float, float]
Step = tuple[str, list[Point]]


def _elevated(a: Point, b: Point, c: Point) -> list[Point]:
    """A quadratic as a cubic, exact."""
    x, y = 2 * b[0], 2 * b[1]
    return [((a[0] + x) / 3, (a[1] + y) / 3), ((c[0] + x) / 3, (c[1] + y) / 3), c]


def _conic(here: list[Point], steps: skia.Path.Iter) -> Step:
    """A conic as four quadratics, which lie within a thousandth of its size."""
    ends = [skia.Point(*point) for point in here]
    quads = skia.Path.ConvertConicToQuads(*ends, steps.conicWeight(), _HALVINGS)
    at = [(p.x(), p.y()) for p in quads]
    cubics = [point for i in range(0, len(at) - 2, 2) for point in _elevated(*at[i : i + 3])]
    return "C" * (len(at) // 2), cubics


_STEPS: dict[object, Callable[[list[Point], skia.Path.Iter], Step]] = {
    skia.Path.kMove_Verb: lambda here, _: ("M", here[:1]),
    skia.Path.kLine_Verb: lambda here, _: ("L", here[1:2]),
    skia.Path.kQuad_Verb: lambda here, _: ("C", _elevated(*here)),
    skia.Path.kConic_Verb: _conic,
    skia.Path.kCubic_Verb: lambda here, _: ("C", here[1:4]),
    skia.Path.kClose_Verb: lambda here, _: ("Z", []),
}
