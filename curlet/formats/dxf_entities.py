"""Everything that is drawn in a DXF, with all that is inserted, and the piece that each thing is of."""

from __future__ import annotations

import re
from collections import Counter
from collections.abc import Iterable, Iterator
from dataclasses import dataclass
from typing import Any

from curlet.core.errors import BadInput, TooMuch

# Entities with all that is inserted, and inserts within one another.
MAX_ENTITIES, _MAX_DEPTH = 100_000, 12
LINES = {"LINE", "ARC", "CIRCLE", "ELLIPSE", "SPLINE", "LWPOLYLINE", "POLYLINE"}
# What is drawn without a line to follow, in words.
_WORDS = {"TEXT": "text", "MTEXT": "text", "ATTDEF": "text", "DIMENSION": "dimension", "HATCH": "hatching"}
_PIECE_NAME = re.compile(r"^[ \t]*PIECE[ \t]*NAME[ \t]*:[ \t]*(\S.{0,200})$", re.IGNORECASE | re.MULTILINE)


@dataclass(frozen=True)
class Found:
    """An entity that has a line, or is a point, with the layer that it is on and the piece that it is of, ""
    where it is of none."""

    entity: Any
    layer: str
    piece: str


class Gathered:
    """What is in a DXF.

    Attributes
    ----------
    found : everything that has a line, and points, in drawing order.
    left_out : how many there are of what else, in words.
    texts : every text, a line each.

    Raises
    ------
    BadInput
        If blocks lie within one another without an end.
    TooMuch
        If there are more than 100,000 entities.
    """

    def __init__(self, entities: Iterable[Any]) -> None:
        self.found: list[Found] = []
        self.left_out: Counter[str] = Counter()
        self.texts: list[str] = []
        self._count = 0
        self._gather(entities, "", None, 0)

    def _gather(self, entities: Iterable[Any], piece: str, layer: str | None, depth: int) -> None:
        within = list(entities)
        texts = [_text_of(entity) for entity in within if entity.dxftype() in ("TEXT", "MTEXT")]
        self.texts += texts
        if depth == 1:
            said = _PIECE_NAME.search("\n".join(texts))
            piece = said[1].strip() if said else piece
        for entity in within:
            self._take(entity, piece, layer, depth)

    def _take(self, entity: Any, piece: str, layer: str | None, depth: int) -> None:
        self._count += 1
        if self._count > MAX_ENTITIES:
            raise TooMuch(f"This DXF has more than {MAX_ENTITIES:,} entities. Export a part of it.")
        # What is on layer 0 within a block lies on the layer that the block is inserted on.
        own, kind = entity.dxf.get("layer", "0"), entity.dxftype()
        on = layer if layer is not None and own == "0" else own
        if kind == "INSERT":
            if depth >= _MAX_DEPTH:
                raise BadInput("Blocks lie too deep within one another in this DXF. Explode them first.")
            for each in _each(entity):
                self._gather(each.virtual_entities(), piece or str(entity.dxf.name), on, depth + 1)
        elif kind in LINES or kind == "POINT":
            self.found.append(Found(entity, on, piece))
        else:
            self.left_out[_WORDS.get(kind, kind.lower())] += 1


def _each(insert: Any) -> Iterator[Any]:
    """A block as often as it is inserted, in rows and columns too."""
    if insert.mcount > MAX_ENTITIES:
        raise TooMuch(f"This DXF has more than {MAX_ENTITIES:,} entities. Export a part of it.")
    yield from insert.multi_insert() if insert.mcount > 1 else (insert,)


def _text_of(entity: Any) -> str:
    return str(entity.plain_text() if entity.dxftype() == "MTEXT" else entity.dxf.get("text", ""))
