"""A path as it is kept and sent: nodes with handles, and how it was drawn."""

from __future__ import annotations

from collections.abc import Sequence
from functools import lru_cache
from typing import Annotated, Any, Literal

import numpy as np
from pydantic import BaseModel, ConfigDict, Field, FiniteFloat

from curlet.core.path.path import FURTHEST, MAX_NODES, HandleKind, Path
from curlet.formats.content import Content

Coordinate = Annotated[float, Field(ge=-FURTHEST, le=FURTHEST, allow_inf_nan=False)]
Point = tuple[Coordinate, Coordinate]
NodeId = Annotated[str, Field(min_length=1, max_length=40)]


class NodeDoc(BaseModel):
    """A node, sheet mm. `into` and `out` are its handles, None where the path is straight; `handles` says
    how they hang together when one is moved, None that they do as they lie."""

    model_config = ConfigDict(extra="forbid", frozen=True)
    id: NodeId
    x: Coordinate
    y: Coordinate
    into: Point | None = None
    out: Point | None = None
    handles: HandleKind | None = None


Nodes = Annotated[list[NodeDoc], Field(min_length=1, max_length=MAX_NODES)]


class FigureDoc(BaseModel):
    """The figure that a path still is: its numbers, lengths in sheet mm, and its middle."""

    model_config = ConfigDict(extra="forbid", frozen=True)
    figure: str
    values: dict[str, FiniteFloat]
    x: Coordinate
    y: Coordinate


# No line is thicker, and no dash longer, than the largest sheet: mm.
MAX_WEIGHT = 20_000.0
Weight = Annotated[float, Field(ge=0, le=MAX_WEIGHT, allow_inf_nan=False)]
Opacity = Annotated[float, Field(ge=0, le=1, allow_inf_nan=False)]


class FactsDoc(BaseModel):
    """How a path was drawn where it came from; lengths in sheet mm."""

    model_config = ConfigDict(extra="forbid", frozen=True)
    element: str = ""
    stroke: str | None = None
    stroke_opacity: Opacity = 1.0
    weight: Weight = 0.0
    ends: Literal["round", "flat", "square"] = "flat"
    joins: Literal["round", "mitre", "bevel"] = "mitre"
    dashes: Annotated[tuple[Weight, ...], Field(max_length=32)] = ()
    fill: str | None = None
    fill_opacity: Opacity = 1.0
    even_odd: bool = False


def to_path(nodes: Sequence[NodeDoc], closed: bool) -> Path:
    """The core's path; raises BadInput as `Path.make` does."""
    points = np.array([(n.x, n.y) for n in nodes], dtype=np.float64).reshape(-1, 2)
    into = np.array([n.into or (n.x, n.y) for n in nodes], dtype=np.float64).reshape(-1, 2)
    out = np.array([n.out or (n.x, n.y) for n in nodes], dtype=np.float64).reshape(-1, 2)
    return Path.make([n.id for n in nodes], points, into, out, closed)


def path_of_rows(rows: Sequence[dict[str, Any]], closed: bool) -> Path:
    """The core's path of nodes as they are kept; raises BadInput as `Path.make` does."""
    every = [((n["x"], n["y"]), n["into"], n["out"]) for n in rows]
    places = np.array([(at, into or at, out or at) for at, into, out in every], dtype=np.float64)
    points, into, out = places.reshape(-1, 3, 2).transpose(1, 0, 2)
    return Path.make([n["id"] for n in rows], points, into, out, closed)


@lru_cache(maxsize=16_384)
def path_of_content(nodes: Content, closed: bool) -> Path:
    """As `path_of_rows`, made once for the same nodes."""
    return path_of_rows(nodes.value, closed)


def node_rows(path: Path) -> list[dict[str, Any]]:
    """The nodes of a core path as they are kept: what `NodeDoc` holds, as plain values."""
    rows = zip(path.node_ids, path.points.tolist(), path.into.tolist(), path.out.tolist(), strict=True)
    return [
        {
            "id": node_id,
            "x": point[0],
            "y": point[1],
            "into": None if into == point else into,
            "out": None if out == point else out,
            "handles": None,
        }
        for node_id, point, into, out in rows
    ]
