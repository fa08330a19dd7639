"""Rows of one brush that are alike but for where they lie: what twin and triple needles sew."""

from __future__ import annotations

from dataclasses import replace
from itertools import pairwise
from typing import cast

from curlet.core.bounds import Bounds
from curlet.core.brush.brush import Brush
from curlet.core.brush.courses import Row
from curlet.core.errors import BadInput
from curlet.core.measures import Measure

GAUGE = Bounds("Gauge", 0.01, 1000, "6.35 mm is usual for twin needles")

_NOWHERE = Measure(0.0)
# Rows are evenly spaced where their distances differ by less, mm.
_EVEN = 1e-6


def alike_rows(brush: Brush) -> tuple[int, ...]:
    """The courses that can be set as one: the main row, and each row that is like it but for its offset.

    Examples
    --------
    >>> twin = Brush(courses=(Row(offset=Measure(-3.2)), Row(offset=Measure(3.2))))
    >>> alike_rows(twin)
    (0, 1)
    """
    if brush.main is None:
        return ()
    main = _anywhere(cast(Row, brush.courses[brush.main]))
    return tuple(
        index
        for index, course in enumerate(brush.courses)
        if isinstance(course, Row) and _anywhere(course) == main
    )


def _anywhere(row: Row) -> Row:
    return replace(row, offset=_NOWHERE)


def gauge(brush: Brush) -> Measure | None:
    """The distance between neighbouring rows of those that are alike; None where there is one only, or where
    they are unevenly spaced.

    Examples
    --------
    >>> gauge(Brush(courses=(Row(offset=Measure(-3.2)), Row(offset=Measure(3.2))))).mm
    6.4
    """
    offsets = sorted((_offset(brush, index) for index in alike_rows(brush)), key=lambda offset: offset.mm)
    apart = [right.mm - left.mm for left, right in pairwise(offsets)]
    if not apart or len({offset.on for offset in offsets}) > 1:
        return None
    if max(apart) - min(apart) > _EVEN or apart[0] <= _EVEN:
        return None
    return Measure(apart[0], offsets[0].on)


def offsets_for_gauge(brush: Brush, apart: Measure) -> dict[int, Measure]:
    """The offset of each alike row that makes a gauge, about the middle that they have, in the order in which
    they lie.

    Raises
    ------
    BadInput
        If the brush has no two rows that are alike, or the gauge is out of bounds.

    Examples
    --------
    >>> twin = Brush(courses=(Row(offset=Measure(-3.2)), Row(offset=Measure(3.2))))
    >>> [offset.mm for offset in offsets_for_gauge(twin, Measure(5.0)).values()]
    [-2.5, 2.5]
    """
    GAUGE.check(apart.mm)
    alike = alike_rows(brush)
    if len(alike) < 2:
        raise BadInput("Only a brush of several rows that are alike has a gauge. Set each row's offset.")
    ordered = sorted(alike, key=lambda index: _offset(brush, index).mm)
    middle = sum(_offset(brush, index).mm for index in alike) / len(alike)
    first = middle - apart.mm * (len(alike) - 1) / 2
    return {index: Measure(first + apart.mm * place, apart.on) for place, index in enumerate(ordered)}


def _offset(brush: Brush, index: int) -> Measure:
    return cast(Row, brush.courses[index]).offset
