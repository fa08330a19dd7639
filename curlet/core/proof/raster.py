"""What is drawn as a grid of covered places, and the parts that hang together in it."""

from __future__ import annotations

from collections.abc import Iterator

import numpy as np
from numpy.typing import NDArray

from curlet.core.drawing import Group, Item, Laid, Outline, Shape, Stamps, placed
from curlet.core.path.booleans import line_as_area
from curlet.core.path.contours import contours
from curlet.core.path.cubics import points_on

Floats = NDArray[np.float64]
Ints = NDArray[np.intp]
Bools = NDArray[np.bool_]

_ALONG = np.linspace(0, 1, 7)


def covered(group: Group, low: Floats, step: float, size: tuple[int, int]) -> Bools:
    """(rows, columns) which places are covered by anything drawn: `step` mm apart, the first half a step from
    `low`. Clips are left out."""
    found = np.zeros(size, dtype=bool)
    for shape, outline in _areas(group):
        found |= _filled(outline, low, step, size, even_odd=shape.even_odd)
    return found


def parts(grid: Bools) -> tuple[Ints, Ints]:
    """Which part each covered place belongs to, from 1 (0 is bare), neighbours at corners together, and how
    many places each part has, the bare ones first."""
    rows, starts, ends = _runs(grid)
    parent = list(range(len(rows)))

    def root(i: int) -> int:
        while parent[i] != i:
            parent[i] = parent[parent[i]]
            i = parent[i]
        return i

    edges = np.searchsorted(rows, np.arange(grid.shape[0] + 1))
    for row in range(1, grid.shape[0]):
        above, here = edges[row - 1], edges[row]
        while above < edges[row] and here < edges[row + 1]:
            if starts[above] <= ends[here] and starts[here] <= ends[above]:
                parent[root(here)] = root(above)
            if ends[above] < ends[here]:
                above += 1
            else:
                here += 1
    roots = np.array([root(i) for i in range(len(rows))], dtype=np.intp)
    _, names = np.unique(roots, return_inverse=True)
    found = np.zeros(grid.shape, dtype=np.intp)
    for row, start, end, name in zip(
        rows.tolist(), starts.tolist(), ends.tolist(), names.tolist(), strict=True
    ):
        found[row, start:end] = name + 1
    return found, np.bincount(found.ravel())


def _runs(grid: Bools) -> tuple[Ints, Ints, Ints]:
    """Each stretch of covered places in a row: its row, where it starts and before where it ends."""
    steps = np.diff(np.pad(grid, ((0, 0), (1, 1))).astype(np.int8), axis=1)
    rows, starts = np.nonzero(steps == 1)
    return rows, starts, np.nonzero(steps == -1)[1]


def _areas(item: Item) -> Iterator[tuple[Shape, Outline]]:
    if isinstance(item, Group):
        for inner in item.items:
            yield from _areas(inner)
    elif isinstance(item, Laid):
        for shape in item.shapes:
            yield from _area(shape, shape.outline)
    elif isinstance(item, Stamps):
        for shape in item.shapes:
            for points in placed(shape.outline.points, item.placements):
                yield from _area(shape, Outline(shape.outline.commands, points))


def _area(shape: Shape, outline: Outline) -> Iterator[tuple[Shape, Outline]]:
    if shape.fill is not None:
        yield shape, outline
    if shape.stroke is not None:
        stroke = shape.stroke
        area = line_as_area(outline, stroke.weight, stroke.ends, stroke.joins, stroke.dashes)
        if area is not None:
            yield Shape(area, fill=stroke.paint), area


def _filled(outline: Outline, low: Floats, step: float, size: tuple[int, int], *, even_odd: bool) -> Bools:
    """By how often the outline winds about each place: counted where it passes each row of places."""
    rows, columns = size
    wound = np.zeros((rows, columns + 1), dtype=np.int32)
    for contour in contours(outline):
        flat = points_on(contour.cubics, _ALONG)[:, :-1].reshape(-1, 2)
        line = (np.vstack([flat, contour.cubics[-1:, 3]]) - low) / step - 0.5
        a, b = line, np.roll(line, -1, axis=0)
        first = np.ceil(np.minimum(a[:, 1], b[:, 1])).clip(0, rows).astype(np.intp)
        last = np.ceil(np.maximum(a[:, 1], b[:, 1])).clip(0, rows).astype(np.intp)
        count = last - first
        which = np.repeat(np.arange(len(a)), count)
        row = np.arange(count.sum()) - np.repeat(np.cumsum(count) - count, count) + first[which]
        rise = b[which, 1] - a[which, 1]
        x = a[which, 0] + (row - a[which, 1]) * (b[which, 0] - a[which, 0]) / rise
        column = np.ceil(x).clip(0, columns).astype(np.intp)
        np.add.at(wound, (row, column), np.sign(rise).astype(np.int32))
    winding = np.cumsum(wound, axis=1)[:, :-1]
    return np.asarray(winding % 2 != 0 if even_odd else winding != 0)
