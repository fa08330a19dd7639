"""Live halves: a path and its mirror image, either of which follows the other, with the runs on them."""

from __future__ import annotations

from typing import Any

import numpy as np

from curlet.core.dress.fill import likeness
from curlet.core.errors import BadInput
from curlet.core.path import rework
from curlet.core.path.path import Path
from curlet.formats.half_doc import HalfDoc
from curlet.formats.names import ended
from curlet.formats.path_doc import node_rows
from curlet.formats.run_places import PlacesDoc
from curlet.store.fills import moved_fill, points_of
from curlet.store.names import other_half
from curlet.store.paths import add_path, check_unlocked, core_path
from curlet.store.records import Json, PathRecord
from curlet.store.state import State, new_id

# What of a run its other half has too.
_OF_RUN = ("brush", "own", "shown")
_OF_FACTS = "element"


def link(state: State, path_id: str, half: HalfDoc) -> None:
    """Make a path the live half of another.

    Raises
    ------
    BadInput
        If either of them is half of a pair already, or its line is made of something else.
    """
    for each in (path_id, half.of):
        row = state.get("path", each)
        if other_of(state, each) is not None:
            raise BadInput(f"{row['name']} is a live half already. Cut it loose first.")
    row = state.get("path", path_id)
    if row["area"] or row["lettering"]:
        raise BadInput(f"{row['name']} follows its own shapes. Convert it to paths first, or mirror it.")
    state.update("path", path_id, half=half.model_dump(mode="json"))
    carry(state, half.of, path_id, half)


def other_of(state: State, path_id: str) -> str | None:
    """The other half of a pair; None for a path that is in none."""
    row = state.rows["path"].get(path_id)
    if row and row.get("half"):
        return str(row["half"]["of"])
    halves = (path["id"] for path in state.all("path") if path.get("half"))
    return next((each for each in halves if state.get("path", each)["half"]["of"] == path_id), None)


def cut_loose(state: State, path_id: str) -> None:
    """Let both halves of a pair be paths by themselves; they stay as they are."""
    for each in (path_id, other_of(state, path_id)):
        if each and state.rows["path"][each].get("half"):
            state.update("path", each, half={})


def add_half(state: State, edge: str, edges: list[str]) -> None:
    """Give a new edge of an area a live half, where its other edges have halves: about the same line, and of
    one shape with those."""
    twin = _half_of_any(state, edges)
    if twin is None:
        return
    row, half = state.get("path", edge), HalfDoc(**{**twin["half"], "of": edge})
    facts = {key: value for key, value in twin["facts"].items() if key == _OF_FACTS}
    name = other_half(row["name"]) or ended(row["name"], ", mirrored")
    (position,) = state.positions_above(twin["position"])
    path = _mirrored(core_path(row), half)
    link(state, add_path(state, name, path, twin["group"], facts=facts, position=position), half)


def remove_half(state: State, edge: str, edges: list[str]) -> None:
    """Take the live half of an edge that an area loses away, where other edges keep theirs."""
    half = _half_of_any(state, [edge])
    if half is not None and _half_of_any(state, edges) is not None:
        state.remove("path", half["id"])


def _half_of_any(state: State, paths: list[str]) -> PathRecord | None:
    """The first live half of any of the paths."""
    halves = (path for path in state.all("path") if path.get("half"))
    return next((path for path in halves if path["half"]["of"] in paths), None)


def follow_halves(state: State) -> None:
    """Whatever was done to one half is done to the other. Where both were moved alike, the line between them
    goes with them; else the first one counts. A half whose other is gone is a path by itself."""
    changed = _changed(state)
    if not changed:
        return
    for row in [path for path in state.all("path") if path.get("half")]:
        half = HalfDoc(**row["half"])
        if half.of not in state.rows["path"]:
            state.update("path", row["id"], half={})
        elif row["id"] in changed and half.of in changed:
            moved = half.through(_between(state, half.of, row["id"])) or half
            state.update("path", row["id"], half=moved.model_dump(mode="json"))
            carry(state, half.of, row["id"], moved)
        elif row["id"] in changed:
            carry(state, row["id"], half.of, half)
        elif half.of in changed:
            carry(state, half.of, row["id"], half)


def _changed(state: State) -> set[str]:
    """The paths whose lines, fills or runs were changed."""
    found = set()
    for change in state.changes:
        if change.kind == "path":
            found.add(change.id)
        elif change.kind == "run":
            found |= {row["path"] for row in (change.before, change.after) if row}
    return found


def _between(state: State, one: str, other: str) -> Any:
    """What brings one half to where the other lies; None where they are not alike."""
    there = {node["id"]: node for node in state.get("path", other)["nodes"]}
    nodes = state.get("path", one)["nodes"]
    if set(there) != {node["id"] for node in nodes}:
        return None
    return likeness(points_of(nodes), points_of([there[node["id"]] for node in nodes], back=True))


def carry(state: State, start: str, to: str, half: HalfDoc) -> None:
    """Make a path as another is, mirrored, with its runs; BadInput where it is locked or follows others."""
    of, now = state.get("path", start), state.get("path", to)
    path = _mirrored(core_path(of), half)
    nodes = _with_kinds(node_rows(path), of["nodes"])
    if not _same_line(nodes, now["nodes"]):
        check_unlocked(now)
        if now["area"] or now["lettering"]:
            raise BadInput(
                f"{of['name']} is the live half of {now['name']}, which follows its own shapes. Change "
                "those, or cut it loose first."
            )
        state.update("path", to, nodes=nodes, figure={}, closed=of["closed"])
    elements = {key: value for key, value in now["facts"].items() if key == _OF_FACTS}
    facts = {key: value for key, value in of["facts"].items() if key != _OF_FACTS} | elements
    swell = [{**point, "at": 1 - point["at"]} for point in reversed(of["swell"])]
    values: Json = {"facts": facts, "swell": swell, "crop": _crop(state, of["crop"])}
    fill = moved_fill(of["fill"], of["nodes"], nodes)
    if not _same_fill(fill, now["fill"]):
        values["fill"] = fill
    state.update("path", to, **values)
    _carry_runs(state, of, to)


def _mirrored(path: Path, half: HalfDoc) -> Path:
    """It is walked the other way, so that what lies to the right of one lies on the mirrored side."""
    return rework.turned(path, *half.about).reversed()


def _with_kinds(nodes: list[Json], of: list[Json]) -> list[Json]:
    """Nodes whose handles hang together as those of the other half do."""
    kinds = {node["id"]: node.get("handles") for node in of}
    return [{**node, "handles": kinds.get(node["id"])} for node in nodes]


def _same_line(nodes: list[Json], others: list[Json]) -> bool:
    """Whether two halves are the same line but for rounding."""
    named = [[(node["id"], node.get("handles")) for node in each] for each in (nodes, others)]
    return named[0] == named[1] and np.allclose(points_of(nodes), points_of(others), rtol=0, atol=1e-9)


def _same_fill(fill: Json, other: Json) -> bool:
    """Whether two fills are the same but for rounding."""
    if fill.keys() != other.keys():
        return False
    return all(
        abs(value - other[key]) < 1e-6 if isinstance(value, float) else value == other[key]
        for key, value in fill.items()
    )


def _crop(state: State, crop: Json) -> Json:
    """What the other half is cropped to: the other half of what this one is, where there is one."""
    other = other_of(state, crop["id"]) if crop and crop["kind"] == "path" else None
    return {**crop, "id": other} if other else crop


def _carry_runs(state: State, of: PathRecord, to: str) -> None:
    """The runs along one half for those along the other, one by one in their order."""
    theirs = sorted(state.runs_of(of["id"]), key=lambda run: run["position"])
    ours = sorted(state.runs_of(to), key=lambda run: run["position"])
    for place, run in enumerate(theirs):
        values: Json = {key: value for key, value in run.items() if key in _OF_RUN}
        # Its path is walked the other way, so that it runs backwards there to go along it as this one does.
        values |= {"backwards": not run["backwards"], "crop": _crop(state, run.get("crop") or {})}
        values["places"] = _places(PlacesDoc.model_validate(run["places"]))
        if place < len(ours):
            state.update("run", ours[place]["id"], **values)
            continue
        position = state.next_position("run")
        sheet = state.sheet["id"]
        state.put("run", {"id": new_id(), "sheet": sheet, "path": to, "position": position, **values})
    for gone in ours[len(theirs) :]:
        state.remove("run", gone["id"])


def _places(places: PlacesDoc) -> Json:
    """What a run says of single places, for its other half: along it all is the same, across it mirrored."""
    repeats = tuple(
        one.model_copy(update={"across": -one.across, "turn": -one.turn}) for one in places.repeats
    )
    kept = places.model_copy(update={"flipped": not places.flipped, "repeats": repeats})
    return kept.model_dump(mode="json", exclude_defaults=True)
