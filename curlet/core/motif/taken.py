"""A motif in other colours: its own take a run's thread, or its first thread is another."""

from __future__ import annotations

from collections.abc import Callable, Iterator
from dataclasses import replace
from functools import lru_cache

from curlet.core.dress.colour import ColourRole, RoleShape
from curlet.core.dress.take import TakeRule, taken
from curlet.core.motif.families.pen import NEEDLE_HOLE
from curlet.core.motif.motif import Motif


def own_colours(motif: Motif) -> set[str]:
    """The colours of its own that a motif has; holes have none."""
    roles = (role for item in motif.shapes for role in _roles(item))
    return {role.own for role in roles if role.own and _of_artwork(role)}


def _of_artwork(role: ColourRole) -> bool:
    return role != NEEDLE_HOLE and not role.given


@lru_cache(maxsize=512)
def with_thread(motif: Motif, rule: TakeRule, thread: str) -> Motif:
    """The motif with its own colours as the rule has them."""
    colours = own_colours(motif)
    if rule.way == "own" or not colours:
        return motif
    new = taken(colours, rule, thread)

    def changed(role: ColourRole) -> ColourRole:
        return replace(role, own=new[role.own]) if role.own in new and _of_artwork(role) else role

    return replace(motif, shapes=tuple(_changed(item, changed) for item in motif.shapes))


@lru_cache(maxsize=1024)
def in_shade(motif: Motif, shade: ColourRole) -> Motif:
    """The motif with another colour in the place of thread 1, lighter and darker where that is."""

    def changed(role: ColourRole) -> ColourRole:
        if role.own or role.thread != 1:
            return role
        lighter = role.lighter + shade.lighter
        return replace(role, thread=shade.thread, own=shade.own, lighter=lighter, given=True)

    return replace(motif, shapes=tuple(_changed(item, changed) for item in motif.shapes))


def _roles(item: RoleShape) -> Iterator[ColourRole]:
    if item.gradient is not None:
        yield from (stop.role for stop in item.gradient.stops)
    elif item.shape.fill is not None:
        yield item.role
    if item.shape.stroke is not None:
        yield item.stroke_role or item.role


def _changed(item: RoleShape, changed: Callable[[ColourRole], ColourRole]) -> RoleShape:
    gradient = item.gradient
    if gradient is not None:
        stops = tuple(replace(stop, role=changed(stop.role)) for stop in gradient.stops)
        gradient = replace(gradient, stops=stops)
    stroke = item.stroke_role and changed(item.stroke_role)
    return replace(item, role=changed(item.role), stroke_role=stroke, gradient=gradient)
