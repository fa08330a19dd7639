"""What the shapes cover that areas are made of."""

from __future__ import annotations

from functools import lru_cache

import shapely

from curlet.core.area.parts import Part, together
from curlet.core.errors import BadInput
from curlet.formats.area_doc import MemberDoc
from curlet.store.area_edges import crop_paths, edge_paths, enclosed, node_content
from curlet.store.area_order import counted_crop, path_of
from curlet.store.laying import silhouette_of
from curlet.store.records import RunRecord
from curlet.store.state import State


def part_of_shape(state: State, member: MemberDoc, area_id: str | None) -> Part:
    """What one of an area's shapes covers: of a run, what its own crop leaves of it.

    Raises
    ------
    BadInput
        If it encloses nothing.
    """
    if member.kind == "area":
        return enclosed(tuple(node_content(row) for row in edge_paths(state, member.id)))
    row = state.get("path", path_of(state, member))
    covered = _of_run(state, state.get("run", member.id), area_id) if member.kind == "run" else None
    if covered and member.use == "shape":
        return covered
    if not row["closed"]:
        raise BadInput(f"{row['name']} is open, so it encloses nothing. Close it first.")
    inside = enclosed((node_content(row),))
    if covered is None:
        return inside
    return _with_inside(inside, covered, member.use)


def _of_run(state: State, run: RunRecord, area_id: str | None) -> Part:
    covered, crop = silhouette_of(state, run), counted_crop(state, run, area_id)
    if crop is None:
        return covered
    contours = tuple(node_content(row) for row in crop_paths(state, crop))
    return _cropped(covered, enclosed(contours), crop.outside)


@lru_cache(maxsize=128)
def _cropped(covered: Part, inside: Part, outside: bool) -> Part:
    make = shapely.difference if outside else shapely.intersection
    return together([covered, inside], make(covered.area, inside.area))


@lru_cache(maxsize=128)
def _with_inside(inside: Part, covered: Part, use: str) -> Part:
    make = shapely.union if use == "filled" else shapely.difference
    return together([inside, covered], make(inside.area, covered.area))
