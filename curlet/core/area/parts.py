"""Shapes as areas are worked on: polygons whose sides know which cubics they came from."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass

import numpy as np
import shapely
from numpy.typing import NDArray
from shapely.geometry.base import BaseGeometry

from curlet.core.drawing import Outline, placed
from curlet.core.path.flat import Flat, flat

Floats = NDArray[np.float64]
Ints = NDArray[np.intp]

# Of what is stamped many times, polygons need be no finer than this share of its size: they only say which of
# its edges are left, and those stay the curves that they are.
_FINE_ENOUGH = 1 / 300
# A node that has no name of its own.
UNNAMED = ""


@dataclass(frozen=True, eq=False)
class Part:
    """A shape, or several.

    Attributes
    ----------
    area : what it covers, as polygons, sheet mm.
    cubics : (m, 4, 2) of the edges that the polygons' sides came from.
    names : (m,) the names of the nodes at which these begin; "" for those that have none.
    chords : (n, 2, 2) straight stretches of those edges, from each place to the next.
    which, spans : (n,) on which cubic each chord lies, and (n, 2) from where to where along it.
    """

    area: BaseGeometry
    cubics: Floats
    names: tuple[str, ...]
    chords: Floats
    which: Ints
    spans: Floats


def part_of(outline: Outline, tolerance: float, *, even_odd: bool = False, names: Sequence[str] = ()) -> Part:
    """The area of an outline, as polygons within a tolerance, mm. Open contours are closed straight.

    Parameters
    ----------
    names : of the nodes at which its segments begin, in order; none for all.
    """
    made = flat(outline, tolerance)
    return _part(
        made,
        made.polygon(even_odd) if even_odd else made.covered(),
        tuple(names) or (UNNAMED,) * len(made.cubics),
    )


def stamped(outline: Outline, placements: Floats, tolerance: float, *, even_odd: bool = False) -> Part:
    """One outline's area at each of (n, 6) placements, as `drawing.Stamps` has them."""
    grown = float(np.abs(placements[:, :4]).max())
    size = float(np.ptp(outline.points, axis=0).max(initial=0.0))
    made = flat(outline, max(tolerance / max(grown, 1e-9), _FINE_ENOUGH * size))
    base = made.polygon(even_odd) if even_odd else made.covered()
    count = len(placements)
    corners = placed(shapely.get_coordinates(base), placements).reshape(-1, 2)
    areas = shapely.set_coordinates(np.repeat(base, count), corners)
    cubics = placed(made.cubics.reshape(-1, 2), placements).reshape(-1, 4, 2)
    m = len(made.cubics)
    chords, spans = _chords(made)
    where = placed(chords.reshape(-1, 2), placements).reshape(-1, 2, 2)
    which = (made.which + m * np.arange(count)[:, None]).reshape(-1)
    return Part(
        shapely.union_all(areas), cubics, (UNNAMED,) * len(cubics), where, which, np.tile(spans, (count, 1))
    )


def together(parts: Sequence[Part], area: BaseGeometry) -> Part:
    """An area that was made of parts, with all of their edges."""
    if not parts:
        return _part(flat(Outline("", np.zeros((0, 2))), 1.0), area, ())
    before = np.cumsum([0, *(len(part.cubics) for part in parts[:-1])])
    return Part(
        area,
        np.concatenate([part.cubics for part in parts]),
        tuple(name for part in parts for name in part.names),
        np.concatenate([part.chords for part in parts]),
        np.concatenate([part.which + shift for part, shift in zip(parts, before, strict=True)]),
        np.concatenate([part.spans for part in parts]),
    )


def united(parts: Sequence[Part]) -> Part:
    """Parts as one."""
    return parts[0] if len(parts) == 1 else together(parts, shapely.union_all([part.area for part in parts]))


def _part(made: Flat, area: BaseGeometry, names: tuple[str, ...]) -> Part:
    chords, spans = _chords(made)
    return Part(area, made.cubics, names, chords, made.which, spans)


def _chords(made: Flat) -> tuple[Floats, Floats]:
    """(n, 2, 2) the chord that begins at each point, and (n, 2) from where to where along its cubic."""
    count = len(made.points)
    ahead = np.arange(1, count + 1)
    begins = np.array(made.begins, dtype=np.intp)
    if count:
        ahead[np.append(begins[1:], count) - 1] = begins
    inside = np.zeros(count, dtype=bool)
    inside[:-1] = made.which[1:] == made.which[:-1]
    until = np.where(inside, np.append(made.t[1:], 0.0), 1.0)
    # Where a cubic ends, not where the next contour begins.
    ends = np.where(inside[:, None], made.points[ahead % max(count, 1)], made.cubics[made.which, 3])
    return np.stack([made.points, ends], axis=1), np.stack([made.t, until], axis=1)
