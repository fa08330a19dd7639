"""What the shapes cover that areas are made of."""

from __future__ import annotations

from collections.abc import Sequence
from functools import lru_cache

import shapely

from curlet.core.area.parts import Part, together
from curlet.core.errors import BadInput
from curlet.formats.area_doc import MemberDoc
from curlet.store.area_edges import crop_paths, edge_paths, inside_of
from curlet.store.area_order import counted_crop, path_of
from curlet.store.laying import silhouette_of
from curlet.store.paths import element_of
from curlet.store.records import RunRecord
from curlet.store.state import State


def parts_of_shapes(state: State, members: Sequence[MemberDoc], area_id: str | None) -> tuple[Part, ...]:
    """What each of an area's shapes covers: contours of one shape count as that shape where several of them
    are there, with its holes; a run as what its own crop leaves of it.

    Raises
    ------
    BadInput
        If one encloses nothing.
    """
    found = []
    for shape in _shapes(state, members):
        rows = [state.get("path", each.id) for each in shape] if len(shape) > 1 else []
        found.append(inside_of(rows) if rows else _part(state, shape[0], area_id))
    return tuple(found)


def _shapes(state: State, members: Sequence[MemberDoc]) -> list[list[MemberDoc]]:
    """An area's shapes; the closed contours of one are together, in the place of the first."""
    shapes: dict[tuple[str, str], list[MemberDoc]] = {}
    for member in members:
        row = state.get("path", member.id) if member.kind == "path" else None
        of = element_of(row) if row and row["closed"] else member.id
        shapes.setdefault((member.kind, of), []).append(member)
    return list(shapes.values())


def _part(state: State, member: MemberDoc, area_id: str | None) -> Part:
    if member.kind == "area":
        return inside_of(edge_paths(state, member.id))
    row = state.get("path", path_of(state, member))
    covered = _of_run(state, state.get("run", member.id), area_id) if member.kind == "run" else None
    if covered and member.use == "shape":
        return covered
    if not row["closed"]:
        raise BadInput(f"{row['name']} is open, so it encloses nothing. Close it first.")
    inside = inside_of([row])
    if covered is None:
        return inside
    return _with_inside(inside, covered, member.use)


def _of_run(state: State, run: RunRecord, area_id: str | None) -> Part:
    covered, crop = silhouette_of(state, run), counted_crop(state, run, area_id)
    if crop is None:
        return covered
    return _cropped(covered, inside_of(crop_paths(state, crop)), crop.outside)


@lru_cache(maxsize=128)
def _cropped(covered: Part, inside: Part, outside: bool) -> Part:
    make = shapely.difference if outside else shapely.intersection
    return together([covered, inside], make(covered.area, inside.area))


@lru_cache(maxsize=128)
def _with_inside(inside: Part, covered: Part, use: str) -> Part:
    make = shapely.union if use == "filled" else shapely.difference
    return together([inside, covered], make(inside.area, covered.area))
