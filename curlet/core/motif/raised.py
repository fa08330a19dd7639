"""A motif in relief: each of its shapes as a stack of insets."""

from __future__ import annotations

import math
from collections.abc import Iterator, Sequence
from dataclasses import dataclass, replace
from functools import lru_cache

import numpy as np

from curlet.core.drawing import Outline
from curlet.core.dress.colour import ColourRole, RoleShape
from curlet.core.dress.relief import Level, Light, Relief, levels
from curlet.core.motif.families.pen import NEEDLE_HOLE
from curlet.core.motif.holes import needle_holes
from curlet.core.motif.motif import Motif
from curlet.core.path.insets import (
    Left,
    fitted,
    half_width,
    half_width_of_parts,
    left,
    left_of_endless,
    left_of_parts,
)

# What comes so near to its cell's end reaches it, as a share of the cell.
_END = 1e-4


@lru_cache(maxsize=512)
def raised(motif: Motif, length: float, relief: Relief, light: Light, endless: bool = False) -> Motif:
    """A motif whose filled shapes are stacks of insets; its lines are raised once they lie where they lie.

    Gradients, pictures and what shows through keep their own colours and stay flat.

    Parameters
    ----------
    length : of its cell, drawn mm.
    endless : whether repeats meet end to end, so that what reaches from end to end goes on.
    """
    if relief.holes:
        motif = replace(motif, shapes=(*needle_holes(motif, length), *motif.shapes))
    if relief.flat:
        return motif
    plan = _plan_of_links if any(item.over for item in motif.shapes) else _plan
    planned = list(plan(motif, length, relief, light, endless))
    stacks: list[list[RoleShape]] = [[item] for item in motif.shapes]
    edges = fitted([each.left for each in planned])
    for each, insets in zip(planned, edges, strict=True):
        item = motif.shapes[each.index]
        stacks[each.index] = [*_at_levels(item, each.steps, insets, length), *_its_line(item)]
    return replace(motif, shapes=tuple(item for stack in stacks for item in stack))


def deepest(motif: Motif, length: float) -> float:
    """The largest half width of its shapes, drawn mm."""
    widths = [
        stroke.weight / 2
        if (stroke := item.shape.stroke) and not item.shape.fill
        else half_width(_in_mm(item, length), item.shape.even_odd)
        for item in motif.shapes
    ]
    return max(widths, default=0.0)


def _solid(item: RoleShape) -> bool:
    solid = item.shape.fill is not None and item.gradient is None and item.opacity == 1
    return solid and item.role.own != NEEDLE_HOLE.own


@dataclass(frozen=True, eq=False)
class _Planned:
    """What a shape of a motif is to be: its place among them, its levels, and what is left of it at each."""

    index: int
    steps: tuple[Level, ...]
    left: Left


def _plan(motif: Motif, length: float, relief: Relief, light: Light, endless: bool) -> Iterator[_Planned]:
    for index, item in enumerate(motif.shapes):
        if _solid(item):
            outline, even_odd = _in_mm(item, length), item.shape.even_odd
            steps = levels(half_width(outline, even_odd), relief, light, item.shape.stands)
            distances, moves = _distances(steps)
            if endless and _from_end_to_end(outline, length):
                yield _Planned(index, steps, left_of_endless(outline, length, distances, moves, even_odd))
            else:
                yield _Planned(index, steps, left(outline, distances, even_odd))


def _distances(steps: Sequence[Level]) -> tuple[list[float], list[float]]:
    """How far each level's edge is moved inwards, and how far it is moved."""
    return [step.inset for step in steps], [math.hypot(*step.move) for step in steps]


def _from_end_to_end(outline: Outline, length: float) -> bool:
    """Whether an area goes from one end of its cell to the other, with an edge along each."""
    x, y = outline.points.T
    if x.min() < -_END * length or x.max() > (1 + _END) * length:
        return False
    at_ends = [y[np.abs(x - end) < _END * length] for end in (0.0, length)]
    return all(len(there) > 1 and np.ptp(there) > 0 for there in at_ends)


def _plan_of_links(
    motif: Motif, length: float, relief: Relief, light: Light, endless: bool
) -> Iterator[_Planned]:
    """Of a link's shapes: what is drawn in parts, over and under, is inset as one."""
    parts: dict[ColourRole, list[int]] = {}
    for index, item in enumerate(motif.shapes):
        if _solid(item):
            parts.setdefault(item.role, []).append(index)
    for indices in parts.values():
        outlines = [_in_mm(motif.shapes[index], length) for index in indices]
        if endless and len(indices) == 1 and _from_end_to_end(outlines[0], length):
            # It is no link, but goes on through all repeats beneath what is linked.
            steps = levels(half_width(outlines[0]), relief, light)
            yield _Planned(indices[0], steps, left_of_endless(outlines[0], length, *_distances(steps)))
            continue
        steps = levels(half_width_of_parts(outlines), relief, light)
        each = left_of_parts(outlines, *_distances(steps))
        yield from (_Planned(index, steps, part) for index, part in zip(indices, each, strict=True))


def _at_levels(
    item: RoleShape, steps: tuple[Level, ...], edges: tuple[Outline | None, ...], length: float
) -> Iterator[RoleShape]:
    for step, edge in zip(steps, edges, strict=True):
        outline = item.shape.outline if step.inset == 0 else edge and _in_cell(edge, length)
        if outline is not None:
            role = replace(item.role, lighter=item.role.lighter + step.lighter, lightest=step.lightest)
            own = step.inset == 0
            shape = replace(
                item.shape, outline=outline, stroke=None, even_odd=own and item.shape.even_odd,
                move=step.move, seen=step.seen, height=step.height,
            )  # fmt: skip
            yield replace(item, shape=shape, role=role)


def _its_line(item: RoleShape) -> list[RoleShape]:
    """The line along a filled shape's edge, over its insets."""
    if item.shape.stroke is None:
        return []
    return [replace(item, shape=replace(item.shape, fill=None), stroke_role=item.stroke_role or item.role)]


def _in_mm(item: RoleShape, length: float) -> Outline:
    outline = item.shape.outline
    return Outline(outline.commands, outline.points * np.array([length, 1.0]))


def _in_cell(outline: Outline, length: float) -> Outline:
    return Outline(outline.commands, outline.points / np.array([length, 1.0]))
