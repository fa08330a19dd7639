"""A drawing all in white, to be tinted elsewhere: what shows through goes on showing through."""

from __future__ import annotations

import io
from dataclasses import replace
from functools import lru_cache

from PIL import Image

from curlet.core.drawing import Drawing, Group, Item, Paint, Picture, Shape, Solid, Tiling

WHITE = "#ffffff"


def whitened(drawing: Drawing) -> Drawing:
    """A drawing with every colour made white, as opaque as it was.

    >>> whitened(Drawing(10, 10, (Group("a", "", ()),))).width
    10
    """
    return replace(drawing, groups=tuple(_group(group) for group in drawing.groups))


def _group(group: Group) -> Group:
    return replace(group, items=tuple(_item(item) for item in group.items))


def _item(item: Item) -> Item:
    if isinstance(item, Group):
        return _group(item)
    if isinstance(item, Picture):
        return replace(item, png=_picture(item.png))
    return replace(item, shapes=tuple(_shape(shape) for shape in item.shapes))


def _shape(shape: Shape) -> Shape:
    stroke = shape.stroke and replace(shape.stroke, paint=_paint(shape.stroke.paint))
    return replace(shape, fill=shape.fill and _paint(shape.fill), stroke=stroke)


def _paint(paint: Paint) -> Paint:
    if isinstance(paint, Solid):
        return replace(paint, colour=WHITE)
    if isinstance(paint, Tiling):
        return replace(paint, shapes=tuple(_shape(shape) for shape in paint.shapes), mean=WHITE)
    return replace(paint, stops=tuple(replace(stop, colour=WHITE) for stop in paint.stops))


@lru_cache(maxsize=64)
def _picture(png: bytes) -> bytes:
    """A picture's opacity alone, in white."""
    with Image.open(io.BytesIO(png)) as picture:
        opacity = picture.convert("RGBA").getchannel("A")
    white = Image.new("RGBA", opacity.size, WHITE)
    white.putalpha(opacity)
    out = io.BytesIO()
    white.save(out, "PNG")
    return out.getvalue()
