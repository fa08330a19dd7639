"""A group somewhere else on the sheet."""

from __future__ import annotations

from dataclasses import replace

from curlet.core.drawing import Group, Item, Laid, Outline, Shape, moved_paint


def moved_down(group: Group, by: float) -> Group:
    """A group with all that is in it so many mm further down."""
    clip = group.clip and Outline(group.clip.commands, group.clip.points + (0.0, by))
    mask = tuple(_shape(shape, by) for shape in group.mask)
    return replace(group, items=tuple(_item(item, by) for item in group.items), clip=clip, mask=mask)


def _item(item: Item, by: float) -> Item:
    if isinstance(item, Group):
        return moved_down(item, by)
    if isinstance(item, Laid):
        return Laid(tuple(_shape(shape, by) for shape in item.shapes))
    return replace(item, placements=item.placements + (0.0, 0, 0, 0, 0, by))


def _shape(shape: Shape, by: float) -> Shape:
    moved = moved_paint(shape, (1.0, 0.0, 0.0, 1.0, 0.0, by))
    return replace(moved, outline=Outline(shape.outline.commands, shape.outline.points + (0.0, by)))
