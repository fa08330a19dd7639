"""The drawing as the screen takes it: JSON with its arrays beside it as float32.

A frame is: the JSON's length in bytes (uint32, little-endian), the JSON, spaces up to a multiple
of 4, then float32 little-endian numbers. In the JSON an array is {"at": first, "count": n}.
"""

from __future__ import annotations

import base64
import struct
from dataclasses import asdict
from typing import Any

import numpy as np
import orjson
from numpy.typing import NDArray

from curlet.core.drawing import Group, Item, Laid, Outline, Paint, Picture, Shape, Solid, Stamps
from curlet.formats.numbers import outline_data

Json = Any


class Frame:
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

    def pack(self, document: Json) -> bytes:
        head = orjson.dumps(document, option=orjson.OPT_SERIALIZE_NUMPY)
        head += b" " * (-len(head) % 4)
        return b"".join([struct.pack("<I", len(head)), head, *(a.tobytes() for a in self._arrays)])


def group_json(group: Group, frame: Frame) -> Json:
    """One group of the drawing."""
    return {
        "type": "group",
        "id": group.id,
        "opacity": group.opacity,
        "clip": _outline(group.clip) if group.clip else None,
        "items": [_item(item, frame) for item in group.items],
    }


def _item(item: Item, frame: Frame) -> Json:
    if isinstance(item, Group):
        return group_json(item, frame)
    if isinstance(item, Laid):
        return {"type": "laid", "shapes": [_shape(shape) for shape in item.shapes]}
    if isinstance(item, Stamps):
        shapes = [_shape(shape) for shape in item.shapes]
        return {"type": "stamps", "shapes": shapes, "placements": frame.array(item.placements)}
    return _picture(item)


def _picture(picture: Picture) -> Json:
    data = base64.b64encode(picture.png).decode()
    return {"type": "picture", "matrix": picture.matrix, "src": f"data:image/png;base64,{data}"}


def _outline(outline: Outline) -> str:
    return outline_data(outline)


def _shape(shape: Shape) -> Json:
    stroke = shape.stroke and asdict(shape.stroke) | {"paint": _paint(shape.stroke.paint)}
    return {
        "d": _outline(shape.outline),
        "fill": shape.fill and _paint(shape.fill),
        "stroke": stroke,
        "even_odd": shape.even_odd,
    }


def _paint(paint: Paint) -> Json:
    kind = {"Solid": "solid", "LinearGradient": "linear", "RadialGradient": "radial"}
    return (
        {"type": kind[type(paint).__name__], **asdict(paint)}
        if not isinstance(paint, Solid)
        else {"type": "solid", "colour": paint.colour, "opacity": paint.opacity}
    )
