"""From the artwork at a place to what the Bench shows of it, shape by shape."""

from __future__ import annotations

from typing import Any

from curlet.core.dress.colour import ColourRole, dress
from curlet.core.errors import BadInput
from curlet.core.measures import Scale
from curlet.core.motif.art import Box, around, box_of
from curlet.core.motif.families import Artwork
from curlet.formats.brush_file import BrushDoc
from curlet.formats.screen import shape_json
from curlet.store.edits.artwork_places import AnyPlace, artwork_at

Json = dict[str, Any]

# Where a hand can snap to: more would leave it no free place.
_MAX_SNAPS = 120


def artwork_json(doc: BrushDoc, index: int, place: AnyPlace) -> Json | None:
    """The artwork with its shapes' places and colours; None where there is none, or it is a picture."""
    try:
        art = artwork_at(doc, index, place)
    except BadInput:
        return None
    # In a cell of one mm its shapes are in mm.
    plain = Artwork(art.shapes, 1.0, art.width).make(Scale())
    shown = [shape_json(shape) for shape in dress(plain.shapes, doc.threads)]
    boxes = [box_of(shape, line=False) for shape in art.shapes]
    along, across = _snaps(boxes)
    return {
        "place": place,
        "length": art.length,
        "width": art.width,
        "shapes": [
            {
                "shown": drawn,
                "x": box.middle[0],
                "y": box.middle[1],
                "length": box.length,
                "width": box.width,
                "fill": _role(shape.fill),
                "stroke": _role(shape.stroke),
                "gradient": shape.gradient is not None,
                "weight": shape.weight,
                "opacity": shape.opacity,
                "stands": shape.stands,
            }
            for shape, box, drawn in zip(art.shapes, boxes, shown, strict=True)
        ],
        "along": along,
        "across": across,
    }


def _snaps(boxes: list[Box]) -> tuple[list[float], list[float]]:
    """Sides and middles of the whole and of its shapes, largest shapes first."""
    order = [around(boxes), *sorted(boxes, key=lambda box: -(box.length + box.width))]
    along = [value for box in order for value in (box.left, box.right, box.middle[0])]
    across = [value for box in order for value in (box.top, box.foot, box.middle[1])]
    return _distinct(along), _distinct(across)


def _role(role: ColourRole | None) -> Json | None:
    return {"thread": role.thread, "own": role.own, "lighter": role.lighter} if role else None


def _distinct(values: list[float]) -> list[float]:
    return sorted({round(value, 4) for value in values[:_MAX_SNAPS]})
