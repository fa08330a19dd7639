"""The drawing as the screen takes it: JSON with its arrays beside it as float32.

A frame is: the JSON's length in bytes (uint32, little-endian), the JSON, spaces up to a multiple
of 4, then float32 little-endian numbers. In the JSON an array is {"at": first, "count": n}.
"""

from __future__ import annotations

import math
import struct
from dataclasses import asdict
from typing import Any

import numpy as np
import orjson
from numpy.typing import NDArray

from curlet.core.drawing import (
    ALWAYS,
    Group,
    Item,
    Laid,
    LinearGradient,
    Outline,
    Paint,
    Picture,
    Shape,
    Solid,
    Stamps,
    Stroke,
    Tiling,
)
from curlet.formats.numbers import outline_data
from curlet.formats.png_in import picture_id

Json = Any


class Packer:
    """Gathers arrays while the JSON is made."""

    def __init__(self) -> None:
        self._arrays: list[NDArray[np.float32]] = []
        self._count = 0

    def array(self, values: NDArray[np.float64]) -> Json:
        """Keep an array; what stands for it in the JSON."""
        flat = np.ascontiguousarray(values, dtype="<f4").ravel()
        place = {"at": self._count, "count": len(flat)}
        self._arrays.append(flat)
        self._count += len(flat)
        return place

    def numbers(self) -> NDArray[np.float32]:
        """All that is kept, one array after the other."""
        return np.concatenate(self._arrays) if self._arrays else np.zeros(0, dtype="<f4")

    def take_over(self, part: Json, numbers: NDArray[np.float32], start: int | None = None) -> int:
        """Keep another frame's numbers, and have a part that refers to them refer to these.

        Parameters
        ----------
        start : where they were put for an earlier part; None to put them here.
        """
        if start is None:
            start = self._count
            self._arrays.append(numbers)
            self._count += len(numbers)
        _moved_on(part, start)
        return start

    def pack(self, document: Json) -> bytes:
        head = orjson.dumps(document, option=orjson.OPT_SERIALIZE_NUMPY)
        head += b" " * (-len(head) % 4)
        return b"".join([struct.pack("<I", len(head)), head, *(a.tobytes() for a in self._arrays)])


def _moved_on(part: Json, start: int) -> None:
    if isinstance(part, list):
        for item in part:
            _moved_on(item, start)
    elif isinstance(part, dict):
        if "at" in part and "count" in part:
            part["at"] += start
        for item in part.values():
            _moved_on(item, start)


def group_json(group: Group, packer: Packer) -> Json:
    """One group of the drawing."""
    shown = {
        "type": "group",
        "id": group.id,
        "opacity": group.opacity,
        "clip": _outline(group.clip, packer) if group.clip else None,
        "items": [_item(item, packer) for item in group.items],
    }
    if group.mask:
        shown["mask"] = [shape_json(shape, packer) for shape in group.mask]
    if group.blur:
        shown["blur"] = group.blur
    return shown


def _item(item: Item, packer: Packer) -> Json:
    if isinstance(item, Group):
        return group_json(item, packer)
    if isinstance(item, Laid):
        return {"type": "laid", "shapes": [shape_json(shape, packer) for shape in item.shapes]}
    if isinstance(item, Stamps):
        shapes = [shape_json(shape, packer) for shape in item.shapes]
        places = packer.array(item.placements)
        return {"type": "stamps", "apart": item.apart, "shapes": shapes, "placements": places}
    return _picture(item, packer)


def _picture(picture: Picture, packer: Packer) -> Json:
    src = f"/api/pictures/{picture_id(picture.png)}.png"
    return {"type": "picture", "src": src, "placements": packer.array(picture.placements)}


def _outline(outline: Outline, packer: Packer) -> Json:
    return {"steps": outline.commands, **packer.array(outline.points)}


def shape_json(shape: Shape, packer: Packer | None = None) -> Json:
    """A shape; its outline as SVG path data where there is no frame to put its numbers in."""
    shown = {
        "outline": _outline(shape.outline, packer) if packer else outline_data(shape.outline),
        "fill": shape.fill and paint_json(shape.fill),
        "stroke": shape.stroke and _stroke(shape.stroke),
        "even_odd": shape.even_odd,
    }
    if shape.move != (0.0, 0.0):
        shown["move"] = shape.move
    if shape.seen != ALWAYS:
        low, high = shape.seen
        shown["seen"] = (low, high if math.isfinite(high) else None)
    return shown


def _stroke(stroke: Stroke) -> Json:
    return {
        "paint": paint_json(stroke.paint),
        "weight": stroke.weight,
        "ends": stroke.ends,
        "joins": stroke.joins,
        "dashes": stroke.dashes,
        "mitre_limit": stroke.mitre_limit,
    }


def paint_json(paint: Paint) -> Json:
    """A paint, to be put on by the page."""
    if isinstance(paint, Solid):
        return {"type": "solid", "colour": paint.colour, "opacity": paint.opacity}
    if isinstance(paint, Tiling):
        return _tiling(paint)
    return {"type": "linear" if isinstance(paint, LinearGradient) else "radial", **asdict(paint)}


def _tiling(paint: Tiling) -> Json:
    """A cloth's tile; its shapes are painted once and repeated."""
    shapes = [shape_json(shape) for shape in paint.shapes]
    keys = ("width", "height", "matrix", "mean", "unit")
    return {"type": "tiling", "shapes": shapes, **{key: getattr(paint, key) for key in keys}}
