"""A course in relief: its artwork raised and lit, and the shadow that it throws."""

from __future__ import annotations

import math
from collections.abc import Iterable, Iterator, Sequence
from dataclasses import replace

import numpy as np

from curlet.core.drawing import Group, Item, Laid, Outline, Shape, Solid, Stamps, placed
from curlet.core.dress.colour import shaded
from curlet.core.dress.relief import Light, Relief, levels
from curlet.core.lay.band import LaidBand
from curlet.core.lay.lay import LaidCourse
from curlet.core.lay.row import LaidRow
from curlet.core.lay.span import LaidSpan
from curlet.core.motif.raised import deepest, raised
from curlet.core.path.insets import half_width, insets
from curlet.core.path.outline import clockwise, joined, turned_back

# Where the layers of a shadow lie about its middle, as shares of its spread.
_SPREAD = ((0.0, -1.0), (-0.866, 0.5), (0.866, 0.5))
_SHADOW = "#14121a"
# The dents beside sunk artwork: how far they reach against its half width, their colours and strengths, and
# the shares of their reach that their layers lie at.
_PRESSED, _NEAR, _FAR = 1.1, ("#ffffff", 0.42), ("#14121a", 0.6)
_SHARES = (1.0, 0.66, 0.33)
# From so many pixels of half width on there is a shadow: the light of finer thread would be lost in it.
_FROM = 0.75
# Lines finer than this share of the largest half width throw none: they lie along the edges of what does.
_FINE = 0.3


def raised_course(course: LaidCourse, relief: Relief, light: Light) -> LaidCourse:
    """A course whose motifs are raised; a band is once it lies where it lies."""
    if isinstance(course, LaidRow):
        motifs = zip(course.motifs, _lengths(course), strict=True)
        lit = (raised(motif, length, relief, light, course.touching) for motif, length in motifs)
        return replace(course, motifs=tuple(lit))
    if isinstance(course, LaidSpan):
        return replace(course, motif=raised(course.motif, course.line.path.length, relief, light))
    return course


def largest_half_width(course: LaidCourse) -> float:
    """The largest half width of anything that a course is drawn with, drawn mm."""
    if isinstance(course, LaidBand):
        return course.width / 2
    if isinstance(course, LaidSpan):
        return deepest(course.motif, course.line.path.length)
    letters = zip(course.motifs, course.lengths, strict=False)
    return max((deepest(motif, length) for motif, length in letters), default=0.0)


def lit(items: Iterable[Item], relief: Relief, light: Light) -> list[Item]:
    """Items whose lines are stacks of narrower lines."""
    return [_lit(item, relief, light) for item in items]


def shadow(items: Sequence[Item], half: float, relief: Relief, light: Light) -> list[Item]:
    """What lies under items as their shadow: their own shapes moved away from the light, a few times over
    with a little of it each, spread about where it falls.

    Parameters
    ----------
    half : the largest half width of anything in them, drawn mm.
    """
    reach = half * relief.height / 100 * relief.shadow / 100 * light.slant
    solid = [shape for item in items for shape in _solid(item, _FINE * half)]
    if not relief.casts or reach <= 0 or not solid:
        return []
    opacity = 1 - (1 - relief.strength / 100) ** (1 / len(_SPREAD))
    cast = list(_cast(solid, Solid(_SHADOW, opacity)))
    spread, (across, down) = relief.softness / 200 * reach, light.towards
    seen = _FROM / half, math.inf
    layers = []
    for x, y in _SPREAD:
        away = spread * x - across * reach, spread * y - down * reach
        layers += [replace(shape, move=away, seen=seen) for shape in cast]
    return [Laid(tuple(layers))]


def pressed(items: Sequence[Item], half: float, relief: Relief, light: Light) -> list[Item]:
    """What lies under items where the cloth gives way beside them: a dark edge on the far side from the light
    and a lighter one on the near side, each a few times over with a little of it.

    Parameters
    ----------
    half : the largest half width of anything in them, drawn mm.
    """
    solid = [shape for item in items for shape in _solid(item, _FINE * half)]
    if not relief.sunk or not solid:
        return []
    reach = _PRESSED * half * relief.sunk / 100
    seen = _FROM / half, math.inf
    layers = []
    for (across, down), (colour, strength) in ((light.towards, _NEAR), (light.away, _FAR)):
        cast = list(_cast(solid, Solid(colour, strength / len(_SHARES))))
        layers += [
            replace(shape, move=(share * reach * across, share * reach * down), seen=seen)
            for share in _SHARES
            for shape in cast
        ]
    return [Laid(tuple(layers))]


def _lit(item: Item, relief: Relief, light: Light) -> Item:
    if isinstance(item, Group):
        return replace(item, items=tuple(lit(item.items, relief, light)))
    if isinstance(item, Laid | Stamps):
        return replace(item, shapes=tuple(s for shape in item.shapes for s in _lines(shape, relief, light)))
    return item


def _lines(shape: Shape, relief: Relief, light: Light) -> Iterator[Shape]:
    stroke = shape.stroke
    if shape.fill or stroke is None or not isinstance(stroke.paint, Solid) or stroke.paint.opacity < 1:
        yield shape
        return
    for step in levels(stroke.weight / 2, relief, light, shape.stands):
        colour = shaded(stroke.paint.colour, step.lighter, step.lightest)
        line = replace(stroke, paint=Solid(colour), weight=stroke.weight - 2 * step.inset)
        yield replace(shape, stroke=line, move=step.move, seen=step.seen, height=step.height)


def raised_areas(items: Iterable[Item], relief: Relief, light: Light) -> list[Item]:
    """Areas as they lie, as stacks of insets: a band's where its width changes."""
    found: list[Item] = []
    for item in items:
        shapes = item.shapes if isinstance(item, Laid) else ()
        stacks = [part for shape in shapes for part in _area(shape, relief, light)]
        found.append(Laid(tuple(stacks)) if stacks else item)
    return found


def _area(shape: Shape, relief: Relief, light: Light) -> Iterator[Shape]:
    if shape.stroke or not isinstance(shape.fill, Solid) or shape.fill.opacity < 1:
        yield shape
        return
    steps = levels(half_width(shape.outline, shape.even_odd), relief, light, shape.stands)
    edges = insets(shape.outline, [step.inset for step in steps], shape.even_odd)
    for step, edge in zip(steps, edges, strict=True):
        outline = edge if step.inset else shape.outline
        if outline is not None:
            colour = shaded(shape.fill.colour, step.lighter, step.lightest)
            even_odd = shape.even_odd and not step.inset
            yield Shape(outline, Solid(colour), None, even_odd, step.move, step.seen, height=step.height)


def _lengths(row: LaidRow) -> list[float]:
    """The length of each motif's cell, drawn mm."""
    found = list(row.lengths)
    for index in range(len(found), len(row.motifs)):
        own = np.flatnonzero(row.repeats.motif == index)
        long = float(row.repeats.end[own[0]] - row.repeats.start[own[0]]) if len(own) else 0.0
        found.append(long or row.length)
    return found[: len(row.motifs)]


def _solid(item: Item, least: float) -> Iterator[Shape]:
    """The shapes of an item as they lie, without their insets, fine lines and what shows through."""
    if isinstance(item, Group):
        for inner in item.items:
            yield from _solid(inner, least)
    elif isinstance(item, Laid | Stamps):
        for shape in item.shapes:
            fine = shape.fill is None and shape.stroke is not None and shape.stroke.weight < least
            if shape.is_detail or fine or _opacity(shape) < 1 or shape.stands != "raised":
                continue
            if isinstance(item, Laid):
                yield shape
            else:
                points = placed(shape.outline.points, item.placements).reshape(-1, 2)
                commands = shape.outline.commands * len(item.placements)
                yield replace(shape, outline=Outline(commands, points))


def _opacity(shape: Shape) -> float:
    paint = shape.fill or (shape.stroke and shape.stroke.paint)
    return paint.opacity if isinstance(paint, Solid) else 1.0


def _cast(shapes: Sequence[Shape], paint: Solid) -> Iterator[Shape]:
    """The shapes in one colour: areas as one, and lines of one weight as one, so that they do not darken each
    other where they overlap."""
    alike: dict[object, list[Shape]] = {}
    for shape in shapes:
        line = shape.stroke and replace(shape.stroke, paint=paint)
        key = ("area", shape.even_odd) if shape.fill else line
        alike.setdefault(key, []).append(replace(shape, fill=shape.fill and paint, stroke=line))
    for same in alike.values():
        outlines = [shape.outline for shape in same]
        if same[0].fill and not same[0].even_odd:
            outlines = [line if clockwise(line) else turned_back(line) for line in outlines]
        stroke = None if same[0].fill else same[0].stroke
        yield replace(same[0], outline=joined(outlines), stroke=stroke)
