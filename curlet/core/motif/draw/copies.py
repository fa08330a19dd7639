"""Copies of shapes: round a point, mirrored, turned and scaled one after another, graded between two."""

from __future__ import annotations

import random
from collections.abc import Sequence
from dataclasses import replace

import numpy as np
from coloraide import Color
from numpy.typing import NDArray

from curlet.core.bounds import Bounds
from curlet.core.drawing import Outline
from curlet.core.dress.colour import ColourRole, read_colour
from curlet.core.errors import BadInput
from curlet.core.motif.art import about, box_of, moved, path_text, shifted
from curlet.core.motif.draw.shapes import added, box_around, chosen
from curlet.core.motif.families.artwork import ArtShape, Artwork, read_outline
from curlet.core.path.contours import Contour, contours
from curlet.core.path.cubics import cut_where, points_on, split

Floats = NDArray[np.float64]

COUNT = Bounds("Copies", 1, 400, unit="")


def round_about(art: Artwork, which: Sequence[int], count: int, x: float, y: float) -> Artwork:
    """Shapes copied round a point until there are `count` of them, evenly spread over the turn."""
    COUNT.check(count)
    some = [art.shapes[i] for i in chosen(art, which)]
    turns = [about(x, y, 360 * k / count) for k in range(1, count)]
    return added(art, [moved(shape, turn) for turn in turns for shape in some])


def mirrored(art: Artwork, which: Sequence[int], along: bool, keep: bool) -> Artwork:
    """Shapes mirrored about the cell's middle (along) or its baseline; beside what they were if `keep`."""
    some = chosen(art, which)
    matrix = (-1.0, 0.0, 0.0, 1.0, art.length, 0.0) if along else (1.0, 0.0, 0.0, -1.0, 0.0, 0.0)
    images = [moved(art.shapes[i], matrix) for i in some]
    if keep:
        return added(art, images)
    there = dict(zip(some, images, strict=True))
    return replace(art, shapes=tuple(there.get(i, shape) for i, shape in enumerate(art.shapes)))


def one_after_another(
    art: Artwork,
    which: Sequence[int],
    count: int,
    turn: float,
    size: float,
    by: tuple[float, float],
    shades: Sequence[str],
    seed: int,
) -> Artwork:
    """Copies, each turned, scaled and moved from the one before it, their fills drawn from a set of shades.

    Parameters
    ----------
    turn : degrees clockwise, about the shapes' middle.
    size : % of the one before.
    by : mm along and across.
    shades : colours that copies are drawn in by chance; none keeps their own.
    seed : of that chance.
    """
    COUNT.check(count)
    if not 1 <= size <= 400:
        raise BadInput("Each copy is from 1 to 400 % of the one before it.")
    some = [art.shapes[i] for i in chosen(art, which)]
    x, y = box_around(art, which).middle
    colours = [read_colour(shade) for shade in shades]
    chance = random.Random(seed)
    copies = []
    for k in range(1, count + 1):
        matrix = about(x, y, turn * k, (size / 100) ** k)
        shade = ColourRole(own=chance.choice(colours)) if colours else None
        for shape in some:
            there = moved(moved(shape, matrix), shifted(k * by[0], k * by[1]))
            copies.append(_in_shade(there, shade) if shade else there)
    return added(art, copies)


def _in_shade(shape: ArtShape, shade: ColourRole) -> ArtShape:
    if shape.fill is None:
        return replace(shape, stroke=shade)
    return replace(shape, fill=shade, gradient=None)


def graded(art: Artwork, first: int, last: int, between: int) -> Artwork:
    """Shapes between two, in even steps of outline, place, size, weight and colour, laid in order."""
    COUNT.check(between)
    a, b = (art.shapes[i] for i in _two(art, first, last))
    one, other = _alike(contours(read_outline(a.d)), contours(read_outline(b.d)))
    steps = []
    for k in range(1, between + 1):
        t = k / (between + 1)
        parts = [(1 - t) * p.cubics + t * q.cubics for p, q in zip(one, other, strict=True)]
        outline = _outline(parts, [p.closed for p in one])
        steps.append(
            replace(
                a if t < 0.5 else b,
                d=path_text(outline),
                weight=(1 - t) * a.weight + t * b.weight,
                opacity=(1 - t) * a.opacity + t * b.opacity,
                fill=_between(a.fill, b.fill, t),
                stroke=_between(a.stroke, b.stroke, t),
                gradient=None,
            )
        )
    shapes, at = art.shapes, first + 1
    return replace(added(art, steps), shapes=(*shapes[:at], *steps, *shapes[at:]))


def _two(art: Artwork, first: int, last: int) -> tuple[int, int]:
    if len(chosen(art, (first, last))) != 2:
        raise BadInput("Choose two shapes to grade between.")
    return first, last


def _alike(a: Sequence[Contour], b: Sequence[Contour]) -> tuple[list[Contour], list[Contour]]:
    """Contours with as many segments as one another, closed ones begun at the same side."""
    if len(a) != len(b) or [p.closed for p in a] != [p.closed for p in b]:
        raise BadInput("These shapes do not have the same number of outlines, so nothing lies between them.")
    pairs = [_matched(p, q) for p, q in zip(a, b, strict=True)]
    return [p for p, _ in pairs], [q for _, q in pairs]


def _matched(a: Contour, b: Contour) -> tuple[Contour, Contour]:
    """Both cut where either has a node, by the share of its length; closed ones from their right side on,
    the same way round."""
    one, other = a.cubics, b.cubics
    if a.closed:
        one, other = _begun_right(one), _begun_right(other)
        if _signed(one) * _signed(other) < 0:
            other = _begun_right(other[::-1, ::-1])
    shares = np.union1d(_shares(one).round(9), _shares(other).round(9))
    return Contour(_cut_at(one, shares), a.closed), Contour(_cut_at(other, shares), b.closed)


def _lengths(cubics: Floats) -> Floats:
    """(k, 17) lengths from each segment's start, by chords."""
    steps = np.diff(points_on(cubics, np.linspace(0, 1, 17)), axis=1)
    return np.pad(np.hypot(steps[..., 0], steps[..., 1]).cumsum(axis=1), ((0, 0), (1, 0)))


def _shares(cubics: Floats) -> Floats:
    """Where segments end, as shares of the whole length."""
    ends = _lengths(cubics)[:, -1].cumsum()
    return np.asarray(ends / ends[-1])


def _cut_at(cubics: Floats, shares: Floats) -> Floats:
    """The same curve with a node at every share of its length."""
    lengths, ends = _lengths(cubics), _shares(cubics)
    parts = []
    for index, cubic in enumerate(cubics):
        first, last = (ends[index - 1] if index else 0.0), ends[index]
        inner = shares[(shares > first + 1e-7) & (shares < last - 1e-7)]
        along = (inner - first) / (last - first) * lengths[index, -1]
        rest, done = cubic, 0.0
        for t in np.interp(along, lengths[index], np.linspace(0, 1, 17)).tolist():
            left, rest = split(rest, (t - done) / (1 - done))
            parts.append(left)
            done = t
        parts.append(rest)
    return np.array(parts)


def _begun_right(cubics: Floats) -> Floats:
    """A closed contour begun where it lies furthest to the right of its middle."""
    middle = np.array([(cubics[:, :, 1].min() + cubics[:, :, 1].max()) / 2])
    cut = np.array([part for cubic in cubics for part in cut_where(cubic, np.array([0.0, 1.0]), middle)])
    level = np.abs(cut[:, 0, 1] - middle) < 1e-6
    return np.roll(cut, -int(np.argmax(np.where(level, cut[:, 0, 0], -np.inf))), axis=0)


def _signed(cubics: Floats) -> float:
    x, y = cubics[:, 0].T
    return float((x * np.roll(y, -1) - y * np.roll(x, -1)).sum())


def _outline(parts: list[Floats], closed: list[bool]) -> Outline:
    commands = "".join(
        "M" + "C" * len(p) + ("Z" if round_ else "") for p, round_ in zip(parts, closed, strict=True)
    )
    points = [np.concatenate([p[:1, 0], p[:, 1:].reshape(-1, 2)]) for p in parts]
    return Outline(commands, np.concatenate(points))


def _between(a: ColourRole | None, b: ColourRole | None, t: float) -> ColourRole | None:
    """A colour between two, in OKLCH; threads that differ change over halfway."""
    if a is None or b is None:
        return a if t < 0.5 else b
    lighter = (1 - t) * a.lighter + t * b.lighter
    if a.own and b.own:
        mixed = Color(a.own).mix(b.own, t, space="oklab").convert("srgb").fit(method="oklch-chroma")
        return ColourRole(own=str(mixed.to_string(hex=True)), lighter=round(lighter, 2))
    return replace(a if t < 0.5 else b, lighter=round(lighter, 2))


def spread(art: Artwork, which: Sequence[int], along: bool) -> Artwork:
    """Shapes with even distances from middle to middle, the outermost staying where they are."""
    some = chosen(art, which)
    if len(some) < 3:
        raise BadInput("Choose three shapes or more to spread them evenly.")
    axis = 0 if along else 1
    middles = {i: box_of(art.shapes[i], line=False).middle[axis] for i in some}
    order = sorted(some, key=lambda i: middles[i])
    low, high = middles[order[0]], middles[order[-1]]
    shapes = list(art.shapes)
    for k, index in enumerate(order):
        by = low + (high - low) * k / (len(order) - 1) - middles[index]
        shapes[index] = moved(shapes[index], shifted(by, 0.0) if along else shifted(0.0, by))
    return replace(art, shapes=tuple(shapes))
