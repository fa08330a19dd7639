"""From a sheet's state to the frames that the page draws: all of it, or what a change touched."""

from __future__ import annotations

import math
from collections import Counter
from collections.abc import Callable
from functools import lru_cache
from typing import Any

from curlet.core.path import find_corners
from curlet.core.path.figures import Setting, figure_of
from curlet.core.path.outline import outline_of
from curlet.core.path.path import Path
from curlet.core.path.together import measure_together
from curlet.formats.content import Content, content_key, content_of
from curlet.formats.numbers import terse_data
from curlet.formats.path_doc import path_of_content
from curlet.formats.screen import Packer, group_json
from curlet.store.paths import core_path
from curlet.store.records import BrushRecord, GroupRecord, PathRecord, part_of
from curlet.store.state import State
from curlet.studio.drawn_sheet import as_drawn, drawn_ids
from curlet.studio.touched import Touched
from curlet.studio.under_way import UNWATCHED, UnderWay
from curlet.web.run_frames import run_json
from curlet.web.sheet_frames import (
    area_json,
    callouts_json,
    colourways_json,
    guide_json,
    lengths_json,
    lettering_json,
    mark_json,
    number_text,
    picture_url,
    placed_entered,
    shades_json,
    sheet_json,
    single_json,
)

Json = dict[str, Any]
# What undo takes back and what redo does again, in words.
Labels = tuple[str | None, str | None]


def whole_frame(state: State, labels: Labels, work: UnderWay = UNWATCHED) -> bytes:
    """Everything on the sheet."""
    packer = Packer()
    measure_together([core_path(row) for row in state.all("path")])
    head = {
        "revision": state.sheet["revision"],
        "undo": labels[0],
        "redo": labels[1],
        "unreadable": _unreadable(state),
        "sheet": sheet_json(state),
        **{name: part(state, packer) for name, (part, _) in (_BESIDE | _LISTS).items()},
        "paths": _paths(state, state.all("path")),
        "runs": [run_json(state, run, packer) for run in work.each(state.all("run"), "Drawing")],
        "as_drawn": _as_drawn(state, packer),
    }
    return packer.pack(head)


def changed_frame(
    state: State, base: int, labels: Labels, notes: tuple[str, ...] = (), work: UnderWay = UNWATCHED
) -> bytes:
    """What a state's changes touched, to be put over the sheet as it was at the revision `base`."""
    packer = Packer()
    head = {
        "base": base,
        "revision": state.sheet["revision"],
        "undo": labels[0],
        "redo": labels[1],
        "unreadable": _unreadable(state),
        "notes": notes,
        **_touched(state, packer, _BESIDE | _LISTS, work),
    }
    return packer.pack(head)


def preview_frame(draft: State) -> bytes:
    """What a draft's changes touch of what is drawn."""
    packer = Packer()
    return packer.pack(_touched(draft, packer, _BESIDE))


# What rows say which colours a sheet's shades have.
_CARD = ("shade", "colourway", "sheet")
# How a part of a sheet is shown.
Part = Callable[[State, Packer], list[Json]]
# What lies on a sheet beside its paths and runs, and what is listed beside it, each with the kinds of rows
# that change how it is shown.
_BESIDE: dict[str, tuple[Part, set[str]]] = {
    "letterings": (
        lambda state, _: [lettering_json(state, row) for row in state.all("lettering")],
        {"lettering"},
    ),
    "areas": (
        lambda state, _: [area_json(state, row) for row in state.all("area")],
        {"area", "path", "run", "brush"},
    ),
    "guides": (
        lambda state, _: [guide_json(state, row) for row in state.all("guide")],
        {"guide"},
    ),
    "singles": (
        lambda state, to: [single_json(state, row, to) for row in state.all("single")],
        {"single", "brush", *_CARD},
    ),
    "colourways": (lambda state, _: colourways_json(state), {"colourway", "sheet"}),
    "shades": (lambda state, _: shades_json(state), {*_CARD}),
    "callouts": (lambda state, _: callouts_json(state), {"callout", "path", "run", "brush", *_CARD}),
    "marks": (lambda state, _: [mark_json(state, row) for row in state.all("mark")], {"mark", "path"}),
}
_LISTS: dict[str, tuple[Part, set[str]]] = {
    # How often each is used is not told while something is tried.
    "shades": (lambda state, _: shades_json(state), {*_CARD, "run", "path", "single", "brush"}),
    "groups": (lambda state, _: [_group(row) for row in state.all("group")], {"group"}),
    "brushes": (lambda state, _: _brushes(state), {"brush", "run"}),
}


def _touched(
    state: State, packer: Packer, parts: dict[str, tuple[Part, set[str]]], work: UnderWay = UNWATCHED
) -> Json:
    touched = Touched(state)
    return {
        "sheet": sheet_json(state)
        if "sheet" in touched.kinds or touched.shaded("sheet", state.sheet)
        else None,
        "paths": _paths(state, touched.paths()),
        "runs": [run_json(state, run, packer) for run in work.each(touched.runs(), "Drawing")],
        "as_drawn": _as_drawn(state, packer, touched.elements()),
        "order": {
            "paths": [row["id"] for row in state.all("path")] if touched.order("path") else None,
            "runs": [row["id"] for row in state.all("run")] if touched.order("run") else None,
            "as_drawn": drawn_ids(state) if touched.drawn_order else None,
        },
        **{
            name: part(state, packer) if touched.sizes or touched.light or touched.kinds & kinds else None
            for name, (part, kinds) in parts.items()
        },
    }


def _as_drawn(state: State, packer: Packer, only: set[str] | None = None) -> list[Json]:
    return [{**group_json(group, packer), "position": position} for position, group in as_drawn(state, only)]


def _unreadable(state: State) -> list[Json]:
    return [vars(row) for row in state.set_aside]


def _group(row: GroupRecord) -> Json:
    return {key: row[key] for key in ("id", "name", "mark")}


def _brushes(state: State) -> list[Json]:
    used = Counter(run["brush"] for run in state.all("run"))
    listed = [row for row in state.all("brush") if not row["removed"] or used[row["id"]]]
    return [_brush(row, used[row["id"]]) for row in listed]


def _brush(row: BrushRecord, used_by: int) -> Json:
    doc = row["doc"]
    return {
        "id": row["id"],
        "name": doc["name"],
        "kind": doc["kind"],
        "builtin": row["builtin"],
        "look": bool(doc.get("look")),
        "used_by": used_by,
        "key": content_key(doc),
    }


def _paths(state: State, rows: list[PathRecord]) -> list[Json]:
    factor = state.scale.factor
    return [_path(row, factor) for row in rows]


def _path(row: PathRecord, factor: float) -> Json:
    keys = ("id", "name", "group", "closed", "hidden", "locked", "lettering", "area", "position")
    return {
        **part_of(row, *keys),
        **_line(content_of(row["nodes"]), row["closed"], factor),
        "drawn": bool(row["facts"].get("stroke") or row["facts"].get("fill")),
        "lined": bool(row["facts"].get("stroke") and row["facts"].get("weight")),
        "figure": _figure(row.get("figure"), factor),
        "fill": row["fill"] or None,
        "picture": _inside(row["fill"], factor),
        "crop": row["crop"] or None,
        "half": row["half"].get("of"),
    }


def _inside(fill: Json, factor: float) -> Json | None:
    if fill.get("kind") != "picture":
        return None
    return {"src": picture_url(fill["picture"]), "entered": placed_entered(fill, factor)}


@lru_cache(maxsize=16_384)
def _line(nodes: Content, closed: bool, factor: float) -> Json:
    """What a path's line is; a frame asks for every path's again, most of which are as they were."""
    path = path_of_content(nodes, closed)
    (x, y), (along, across) = path.points[0].tolist(), path.end_tangents[0][0].tolist()
    return {
        "nodes": _nodes(nodes.value, path),
        "d": terse_data(outline_of(path)),
        "length": lengths_json(path.length, factor),
        "start": {"x": x, "y": y, "angle": math.degrees(math.atan2(across, along))},
        "corners": _bare_corners(path, factor),
    }


def _nodes(rows: list[Json], path: Path) -> list[Json]:
    """The nodes, each saying how its handles hang together: as it keeps it, or as they lie."""
    lie = dict(zip(path.node_ids, path.handles, strict=True))
    return [{**node, "handles": node.get("handles") or lie.get(node["id"])} for node in rows]


def _figure(figure: Json | None, factor: float) -> Json | None:
    """The figure that a path still is, its numbers as they would be entered, lengths on the garment."""
    if not figure:
        return None
    kind, values = figure_of(figure["figure"]), figure["values"]
    return {"name": kind.name, "settings": [figure_setting(s, values[s.name], factor) for s in kind.settings]}


def figure_setting(setting: Setting, value: float, factor: float) -> Json:
    """A figure's setting with its number in words; lengths are given in sheet mm and shown on the garment."""
    text = number_text(value, setting.form, factor)
    return {"name": setting.name, "label": setting.label, "text": text, "whole": setting.form != "length"}


def _bare_corners(path: Path, factor: float) -> list[Json]:
    corners = find_corners(path)
    places = dict(zip(path.node_ids, path.points.tolist(), strict=True)) if corners else {}
    return [
        {
            "node": c.node_id,
            "x": places[c.node_id][0],
            "y": places[c.node_id][1],
            "at": c.s / factor,
            "turn": c.turn,
            "manner": "",
            "own": False,
        }
        for c in corners
    ]
