"""Fading along a run: a mask of greys, white where the run shows and black where it does not.

The band that the run lies in is cut across into quads, each an even change from grey to grey along the path
and a little under the next, so that no seam shows between two. At a corner both legs go on past it as far as
the line that halves it, so that neither fades the other.
"""

from __future__ import annotations

from collections.abc import Iterator
from dataclasses import dataclass

import numpy as np
from numpy.typing import NDArray

from curlet.core.brush.rules import Fade
from curlet.core.drawing import LinearGradient, Outline, Paint, Shape, Solid, Stop
from curlet.core.path.path import Path

Floats = NDArray[np.float64]

# Quads to a run, and how long one is against the band's half width.
_FEWEST, _MOST, _LONG = 24, 600, 0.5
# A quad lies under the next by this share of itself; a turn of more degrees is a corner.
_UNDER, _CORNER = 0.5, 8.0
# On a bend's inner side the band reaches so far towards its centre.
_INWARD = 0.95
# Legs overlap by this share of the band's half width along the line between them.
_OVERLAP = 0.06
# A corner matters to what lies so near to it, in half widths; legs go on past it as far.
_NEAR = 4.0


@dataclass(frozen=True)
class _Places:
    """Where the band is cut across: n places along the path.

    Attributes
    ----------
    s, grey : (n,) arc lengths, and how much shows there, 0…1.
    at, into, out : (n, 2) points, and the ways into them and out of them.
    left, right : (n,) how far the band reaches to either side, mm.
    corner : (n,) whether the path turns there.
    """

    s: Floats
    grey: Floats
    at: Floats
    into: Floats
    out: Floats
    left: Floats
    right: Floats
    corner: NDArray[np.bool_]


def fade_mask(path: Path, fade: Fade, reach: float) -> tuple[Shape, ...]:
    """Opaque greys, to be painted in order; nothing of the run lies outside them, and nothing shows there.

    Parameters
    ----------
    reach : how far from the path anything of the run lies, drawn mm.
    """
    places = _places(path, fade, reach)
    last = len(places.s) - 1
    shapes = []
    for i in range(last):
        quad = _quad(places, i, reach, starts=i == 0 and not path.closed, ends=i == last - 1)
        for corner, at_end in _corners_near(path, places, i, reach):
            quad = _cut(quad, places, corner, reach, at_end=at_end)
        if len(quad) > 2:
            outline = Outline("M" + "L" * (len(quad) - 1) + "Z", quad)
            paint = _between(places.at[i], places.at[i + 1], places.grey[i], places.grey[i + 1])
            shapes.append(Shape(outline, paint))
    return tuple(shapes)


def _places(path: Path, fade: Fade, reach: float) -> _Places:
    """The band is cut at the curve's points and at corners too."""
    count = int(np.clip(path.length / max(_LONG * reach, 1e-6), _FEWEST, _MOST))
    own = [share * path.length for share, _ in fade.points]
    every = np.concatenate([np.linspace(0, path.length, count + 1), own, path.arc.node_positions])
    every = np.unique(np.clip(every, 0, path.length))
    # The last is the path's own length: a hair more would be its start again.
    s = np.append(every[:-1][np.diff(every) > 1e-6], path.length)
    into, out = path.arc.tangents(s, before=True), path.arc.tangents(s)
    if path.closed:
        into[0], out[-1] = into[-1], out[0]
    turned = np.degrees(np.arccos(np.clip(np.einsum("ij,ij->i", into, out), -1, 1)))
    corner = turned > _CORNER
    if not path.closed:
        corner[[0, -1]] = False
    bend = np.where(corner, 0.0, path.arc.curvature(s))
    inner = _INWARD / np.maximum(np.abs(bend), 1e-9)
    left = np.where(bend < 0, np.minimum(reach, inner), reach)
    right = np.where(bend > 0, np.minimum(reach, inner), reach)
    return _Places(s, fade.at(s / path.length), path.arc.points(s), into, out, left, right, corner)


def _quad(places: _Places, i: int, reach: float, *, starts: bool, ends: bool) -> Floats:
    """(4, 2) corners of the band from a place to the next, longer where the path ends or turns."""
    a, b = places.at[i], places.at[i + 1]
    on, off = places.out[i], places.into[i + 1]
    far = _NEAR * reach
    a = a - on * far if starts or places.corner[i] else a
    past = far if ends or places.corner[i + 1] else _UNDER * float(np.hypot(*(b - a)))
    b = b + off * past
    sides = [np.array([-way[1], way[0]]) for way in (on, off)]
    return np.array(
        [
            a - sides[0] * places.left[i],
            a + sides[0] * places.right[i],
            b + sides[1] * places.right[i + 1],
            b - sides[1] * places.left[i + 1],
        ]
    )


def _corners_near(path: Path, places: _Places, i: int, reach: float) -> Iterator[tuple[int, bool]]:
    """The corners that end the leg of a quad near it, and whether they are at its end."""
    last, near = len(places.s) - 1, _NEAR * reach
    for step, at_end in ((1, True), (-1, False)):
        place = i + 1 if at_end else i
        while 0 <= place <= last and abs(places.s[place] - places.s[i]) <= near + reach:
            if places.corner[place]:
                yield place, at_end
                break
            place += step


def _cut(quad: Floats, places: _Places, corner: int, reach: float, *, at_end: bool) -> Floats:
    """The part of a quad on its own side of the line that halves a corner, and a little more."""
    along = places.into[corner] + places.out[corner]
    size = float(np.hypot(*along))
    # Where the path turns back on itself, its own end halves it.
    way = along / size if size > 1e-6 else places.into[corner]
    side = (quad - places.at[corner]) @ (way if at_end else -way) - _OVERLAP * reach
    return _clipped(quad, side)


def _clipped(points: Floats, side: Floats) -> Floats:
    """A convex polygon without its part where `side` is above 0 (Sutherland and Hodgman 1974)."""
    kept: list[Floats] = []
    for here, after, a, b in zip(points, np.roll(points, -1, axis=0), side, np.roll(side, -1), strict=True):
        if a <= 0:
            kept.append(here)
        if (a <= 0) != (b <= 0):
            kept.append(here + (after - here) * (a / (a - b)))
    return np.array(kept).reshape(-1, 2)


def _between(a: Floats, b: Floats, first: float, last: float) -> Paint:
    if abs(first - last) < 1 / 512:
        return Solid(_grey(first))
    start, end = (float(a[0]), float(a[1])), (float(b[0]), float(b[1]))
    return LinearGradient(start, end, (Stop(0.0, _grey(first)), Stop(1.0, _grey(last))))


def _grey(share: float) -> str:
    value = round(255 * float(np.clip(share, 0, 1)))
    return f"#{value:02x}{value:02x}{value:02x}"
