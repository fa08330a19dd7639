"""Areas on the sheet: the paths along their edges are made anew whenever what they are made of changes."""

from __future__ import annotations

import hashlib
from functools import lru_cache
from typing import Any

import numpy as np

from curlet.core.area.clean import Clean, cleaned
from curlet.core.area.edges import Edge, edges_of
from curlet.core.area.parts import Part
from curlet.core.area.ways import WAYS, made
from curlet.core.errors import BadInput, CurletError
from curlet.core.path.path import Path
from curlet.formats.area_doc import AreaDoc
from curlet.formats.path_doc import node_rows
from curlet.store.area_edges import FINE, edge_paths
from curlet.store.area_order import check_no_circle, in_order, path_of
from curlet.store.area_parts import parts_of_shapes
from curlet.store.halves import add_half, remove_half
from curlet.store.paths import add_path
from curlet.store.records import Json, PathRecord
from curlet.store.state import PAINTED, State

# What changes areas when it changes.
_KINDS = {"path", "run", "brush", "sheet", "area"}


def add_area(state: State, area_id: str, doc: AreaDoc, name: str, above: float, **look: Any) -> None:
    """A new area.

    Parameters
    ----------
    above : the position that it lies right above.
    look : columns of the paths along its edges.

    Raises
    ------
    BadInput
        If nothing is left, or one of its shapes encloses nothing.
    """
    _put(state, area_id, doc, state.next_position("area"))
    edges = _edges(state, area_id, doc)
    positions = state.positions_above(above, len(edges))
    for number, (edge, position) in enumerate(zip(edges, positions, strict=True), 1):
        own = name if number == 1 else f"{name}, {number}"
        facts = {"element": f"area-{area_id}"}
        owned = {"area": area_id, "part": str(number)}
        add_path(state, own, _path(edge), facts=facts, position=position, **owned, **look)


def put_area(state: State, area_id: str, doc: AreaDoc) -> None:
    """Make an area anew. Edges that stay keep their paths and the runs on them; raises as `add_area`."""
    _put(state, area_id, doc, state.get("area", area_id)["position"])
    old = edge_paths(state, area_id)
    first, left = old[0], list(old)
    for edge in _edges(state, area_id, doc):
        same = max(left, key=lambda row: _in_common(row, edge), default=None)
        if same is None:
            look: Json = {key: first[key] for key in ("hidden", "fill", "facts")}
            number = 1 + max(int(row["part"]) for row in edge_paths(state, area_id))
            name = f"{first['name']}, {number}"
            look |= {"area": area_id, "part": str(number)}
            last = max(row["position"] for row in edge_paths(state, area_id))
            (look["position"],) = state.positions_above(last)
            new = add_path(state, name, _path(edge), first["group"], **look)
            add_half(state, new, [row["id"] for row in old])
            continue
        left.remove(same)
        nodes = node_rows(_path(edge, same["nodes"][0]["id"]))
        state.update("path", same["id"], nodes=nodes)
    kept = [row["id"] for row in edge_paths(state, area_id) if row not in left]
    for gone in left:
        remove_half(state, gone["id"], kept)
        state.remove("path", gone["id"])
    if first in left:
        state.update("path", edge_paths(state, area_id)[0]["id"], name=first["name"])


def shapes_of(state: State, area_id: str) -> list[str]:
    """The paths that an area is made of in the end: those of its areas in their place, and those that its
    runs lie along."""
    found: dict[str, None] = {}
    for member in AreaDoc(**state.get("area", area_id)["doc"]).members:
        path = None if member.kind == "area" else state.get("path", path_of(state, member))
        inner = member.id if path is None else path["area"]
        found |= dict.fromkeys(shapes_of(state, inner) if inner else [path["id"]])  # type: ignore[index]
    return list(found)


def follow_areas(state: State) -> None:
    """Make areas anew after what they are made of changed. An area that lost one of its shapes stays as
    plain paths; one that lost its edges is gone."""
    if not state.rows["area"] or not {change.kind for change in state.changes} & _KINDS:
        return
    for row in in_order(state):
        doc = AreaDoc(**row["doc"])
        if not edge_paths(state, row["id"]):
            state.remove("area", row["id"])
        elif any(member.id not in state.rows[member.kind] for member in doc.members):
            free_area(state, row["id"])
        else:
            put_area(state, row["id"], doc)


def remake(state: State) -> None:
    """Make all areas anew, each unless it cannot be."""
    for row in in_order(state):
        draft = state.draft()
        try:
            put_area(draft, row["id"], AreaDoc(**row["doc"]))
        except CurletError:
            continue
        put_area(state, row["id"], AreaDoc(**row["doc"]))


def free_area(state: State, area_id: str) -> None:
    """Make plain paths of an area's edges. What was cropped to it is cropped to its outer edge."""
    edges = edge_paths(state, area_id)
    for kind in PAINTED:
        for row in state.all(kind):
            if row.get("crop") and row["crop"]["id"] == area_id:
                state.update(kind, row["id"], crop={**row["crop"], "kind": "path", "id": edges[0]["id"]})
    for path in edges:
        state.update("path", path["id"], area=None, part="")
    state.remove("area", area_id)


def edges_of_area(state: State, doc: AreaDoc, area_id: str | None = None) -> tuple[Edge, ...]:
    """The edges of an area, or those that a new one would have; none where nothing is left. BadInput as
    `add_area`."""
    parts = parts_of_shapes(state, doc.members, area_id)
    return _edges_of(parts, doc.way, doc.clean.to_core())


@lru_cache(maxsize=128)
def _edges_of(parts: tuple[Part, ...], way: str, clean: Clean) -> tuple[Edge, ...]:
    """Made once for the very same parts, which are kept as well."""
    return edges_of(cleaned(made(parts, way), clean, FINE))


def _edges(state: State, area_id: str, doc: AreaDoc) -> tuple[Edge, ...]:
    edges = edges_of_area(state, doc, area_id)
    if not edges:
        raise BadInput(WAYS[doc.way].empty)
    return edges


def _put(state: State, area_id: str, doc: AreaDoc, position: float) -> None:
    check_no_circle(state, area_id, doc)
    kept = {"id": area_id, "sheet": state.sheet["id"], "doc": doc.model_dump(mode="json")}
    state.put("area", {**kept, "position": position})


def _path(edge: Edge, begin: str = "") -> Path:
    """An edge as a path, begun at a node where it still has it."""
    ids = [_node_id(name) for name in edge.names]
    cubics, first = edge.cubics, ids.index(begin) if begin in ids else 0
    points, out, into = cubics[:, 0], cubics[:, 1].copy(), np.roll(cubics[:, 2], 1, axis=0)
    level = edge.straight
    out[level] = points[level]
    after = np.roll(level, 1)
    into[after] = points[after]
    points, into, out = (np.roll(each, -first, axis=0) for each in (points, into, out))
    return Path.make([*ids[first:], *ids[:first]], points, into, out, True)


def _node_id(name: str) -> str:
    """A short id for a node of an edge, the same for as long as its name is."""
    return "e" + hashlib.blake2s(name.encode(), digest_size=6).hexdigest()


def _in_common(row: PathRecord, edge: Edge) -> int:
    """How many nodes a path has that an edge has too."""
    return len({node["id"] for node in row["nodes"]} & {_node_id(name) for name in edge.names})
