"""What areas are made of: which of them come before others, and that none is made of itself."""

from __future__ import annotations

from curlet.core.errors import BadInput
from curlet.formats.area_doc import AreaDoc, MemberDoc
from curlet.formats.crop_doc import CropDoc
from curlet.store.area_edges import edge_paths
from curlet.store.records import AreaRecord, RunRecord
from curlet.store.state import State


def check_no_circle(state: State, area_id: str, doc: AreaDoc) -> None:
    """Refuses an area that would be made of itself, by way of others or not."""
    waiting, seen = [(doc, [area_id])], set[str]()
    while waiting:
        here, way = waiting.pop()
        for inner in areas_in(state, here):
            if inner == area_id:
                names = " is made of ".join(f"“{_name(state, each)}”" for each in [*way, inner])
                raise BadInput(f"An area cannot be made of itself: {names}. Leave one of them out.")
            if inner not in seen:
                seen.add(inner)
                waiting.append((AreaDoc(**state.get("area", inner)["doc"]), [*way, inner]))


def areas_in(state: State, doc: AreaDoc) -> list[str]:
    """The areas whose edges an area is made of, as areas, or as paths and runs along those."""
    found = []
    for member in doc.members:
        if member.id not in state.rows[member.kind]:
            continue
        if member.kind == "area":
            found.append(member.id)
            continue
        area = state.get("path", path_of(state, member))["area"]
        if area:
            found.append(area)
    return [area for area in found if area in state.rows["area"]]


def counted_crop(state: State, run: RunRecord, area_id: str | None) -> CropDoc | None:
    """What a run is cropped to where an area is made of it; None where that is gone, or hangs on the area
    itself."""
    kept = run["crop"]
    if not kept or kept["id"] not in state.rows[kept["kind"]]:
        return None
    crop = CropDoc(**kept)
    area = _area_of(state, crop)
    return None if area and area_id and _hangs_on(state, area, area_id) else crop


def _area_of(state: State, crop: CropDoc) -> str | None:
    """The area that something is cropped to, or to an edge of."""
    return crop.id if crop.kind == "area" else state.get("path", crop.id)["area"]


def _hangs_on(state: State, area_id: str, other: str) -> bool:
    """Whether an area is another, or is made of it or cropped to it by way of others."""
    waiting, seen = [area_id], set[str]()
    while waiting:
        here = waiting.pop()
        if here == other:
            return True
        if here in seen or here not in state.rows["area"]:
            continue
        seen.add(here)
        doc = AreaDoc(**state.get("area", here)["doc"])
        waiting += areas_in(state, doc) + _cropped_to(state, doc, None)
    return False


def _cropped_to(state: State, doc: AreaDoc, area_id: str | None) -> list[str]:
    """The areas that the runs are cropped to of which an area is made."""
    there = [each.id for each in doc.members if each.kind == "run" and each.id in state.rows["run"]]
    runs = [state.get("run", run_id) for run_id in there]
    crops = [crop for run in runs if (crop := counted_crop(state, run, area_id))]
    return [area for crop in crops if (area := _area_of(state, crop)) and area in state.rows["area"]]


def _name(state: State, area_id: str) -> str:
    edges = edge_paths(state, area_id)
    return edges[0]["name"] if edges else "the new area"


def in_order(state: State) -> list[AreaRecord]:
    """Every area after those that it is made of."""
    done: dict[str, AreaRecord] = {}

    def visit(row: AreaRecord) -> None:
        if row["id"] in done:
            return
        doc = AreaDoc(**row["doc"])
        for inner in areas_in(state, doc) + _cropped_to(state, doc, row["id"]):
            visit(state.get("area", inner))
        done[row["id"]] = row

    for row in state.all("area"):
        visit(row)
    return list(done.values())


def path_of(state: State, member: MemberDoc) -> str:
    """The path that one of an area's shapes is, or lies along."""
    return state.get("run", member.id)["path"] if member.kind == "run" else member.id
