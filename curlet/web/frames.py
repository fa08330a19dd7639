"""From a sheet's state to the frame that the page draws."""

from __future__ import annotations

import hashlib
import math
from collections import Counter
from collections.abc import Callable
from functools import lru_cache
from typing import Any

import numpy as np
import orjson

from curlet.core.brush import Share
from curlet.core.errors import CurletError
from curlet.core.lay import LaidRow, LaidRun
from curlet.core.measures import Measure, lengths_in, pitch_to_spi
from curlet.core.path import find_corners
from curlet.core.path.figures import Setting, figure_of
from curlet.core.path.outline import outline_of
from curlet.core.path.path import Path
from curlet.core.path.together import measure_together
from curlet.core.tally import CornerTally, CrossingTally, LegTally, Pinch, RowTally, Warning
from curlet.formats.content import Content
from curlet.formats.numbers import terse_data
from curlet.formats.path_doc import path_of_content
from curlet.formats.screen import Frame, group_json
from curlet.store.paths import core_path
from curlet.store.runs import run_brush, run_places
from curlet.store.state import Row, State
from curlet.studio.drawn_sheet import as_drawn, element_of
from curlet.studio.laying import lay_row, run_group, touched_runs
from curlet.web.sheet_frames import (
    guide_json,
    lettering_json,
    mark_json,
    number_text,
    sheet_json,
    single_json,
)

Json = dict[str, Any]


def whole_frame(state: State, labels: tuple[str | None, str | None], notes: tuple[str, ...] = ()) -> bytes:
    """Everything on the sheet."""
    frame = Frame()
    measure_together([core_path(row) for row in state.all("path")])
    used = Counter(run["brush"] for run in state.all("run"))
    head = {
        "revision": state.sheet["revision"],
        "sheet": sheet_json(state),
        "groups": [{key: row[key] for key in ("id", "name", "mark")} for row in state.all("group")],
        "brushes": [_brush(row, used[row["id"]]) for row in state.all("brush")],
        **{name: part(state, frame) for name, part in _BESIDE.items()},
        "unreadable": [vars(row) for row in state.set_aside],
        "undo": labels[0],
        "redo": labels[1],
        "paths": [_path(state, row) for row in state.all("path")],
        "runs": [_run(state, run, frame) for run in state.all("run")],
        "as_drawn": [group_json(group, frame) for group in as_drawn(state)],
        "notes": notes,
    }
    return frame.pack(head)


def preview_frame(draft: State) -> bytes:
    """Only what a draft's changes touch."""
    frame = Frame()
    changed = [change.id for change in draft.changes if change.kind == "path" and change.after]
    rows = [row for row in draft.all("path") if row["id"] in changed]
    redrawn = any(row["facts"] or row["cloth"] for row in rows) or any(
        change.kind == "path" and (change.before or {}).get("cloth") for change in draft.changes
    )
    # A line dragged on a flat of thousands is drawn anew alone.
    only = None if _other_groups(draft) else {element_of(row) for row in rows}
    kinds = {change.kind for change in draft.changes}
    head = {
        "paths": [_path(draft, row) for row in rows],
        "runs": [_run(draft, run, frame) for run in touched_runs(draft)],
        "gone": [c.id for c in draft.changes if c.kind == "path" and c.id not in draft.rows["path"]],
        "as_drawn": [group_json(group, frame) for group in as_drawn(draft, only)] if redrawn else None,
        "all_drawn": only is None,
        "sheet": sheet_json(draft) if "sheet" in kinds else None,
        **{name: part(draft, frame) if kinds & _HANGS_ON[name] else None for name, part in _BESIDE.items()},
    }
    return frame.pack(head)


# What lies on a sheet beside its paths and runs, and the kinds of rows that change how it is shown.
_BESIDE: dict[str, Callable[[State, Frame], list[Json]]] = {
    "letterings": lambda state, _: [lettering_json(state, row) for row in state.all("lettering")],
    "guides": lambda state, _: [guide_json(row, state.scale.factor) for row in state.all("guide")],
    "singles": lambda state, frame: [single_json(state, row, frame) for row in state.all("single")],
    "marks": lambda state, _: [mark_json(state, row) for row in state.all("mark")],
}
_HANGS_ON = {
    "letterings": {"lettering", "sheet"},
    "guides": {"guide", "sheet"},
    "singles": {"single", "brush", "sheet"},
    "marks": {"mark", "path", "sheet"},
}


def _other_groups(draft: State) -> bool:
    """Whether a draft's changes make other groups of what was drawn than there were, not just other lines."""
    pairs = [(change.before, change.after) for change in draft.changes if change.kind == "path"]
    return any(
        before is None
        or after is None
        or any(bool(before[key]) != bool(after[key]) for key in ("hidden", "cloth"))
        or before["facts"] != after["facts"]
        for before, after in pairs
    ) or any(change.kind in ("sheet", "run") for change in draft.changes)


def _brush(row: Row, worn_by: int) -> Json:
    doc = row["doc"]
    return {
        "id": row["id"],
        "name": doc["name"],
        "kind": doc["kind"],
        "builtin": row["builtin"],
        "worn_by": worn_by,
        "key": content_key(doc),
    }


def content_key(*parts: object) -> str:
    """A short hash of some content."""
    return hashlib.sha256(orjson.dumps(parts)).hexdigest()[:16]


def _path(state: State, row: Row) -> Json:
    keys = ("id", "name", "group", "closed", "hidden", "locked", "lettering")
    return {
        **{key: row[key] for key in keys},
        **_line(Content(row["nodes"]), row["closed"], state.scale.factor),
        "drawn": bool(row["facts"].get("stroke") or row["facts"].get("fill")),
        "lined": bool(row["facts"].get("stroke") and row["facts"].get("weight")),
        "figure": _figure(row.get("figure"), state.scale.factor),
        "cloth": row["cloth"] or None,
    }


@lru_cache(maxsize=16_384)
def _line(nodes: Content, closed: bool, factor: float) -> Json:
    """What a path's line is; a frame asks for every path's again, most of which are as they were."""
    path = path_of_content(nodes, closed)
    (x, y), (along, across) = path.points[0].tolist(), path.end_tangents[0][0].tolist()
    return {
        "nodes": _nodes(nodes.value, path),
        "d": terse_data(outline_of(path)),
        "length": _lengths(path.length, factor),
        "start": {"x": x, "y": y, "angle": math.degrees(math.atan2(across, along))},
        "corners": _bare_corners(path, factor),
    }


def _nodes(rows: list[Row], path: Path) -> list[Row]:
    """The nodes, each saying how its handles hang together: as it keeps it, or as they lie."""
    lie = dict(zip(path.node_ids, path.handles, strict=True))
    return [{**node, "handles": node.get("handles") or lie.get(node["id"])} for node in rows]


def _figure(figure: Row | None, factor: float) -> Json | None:
    """The figure that a path still is, its numbers as they would be typed, lengths worn."""
    if not figure:
        return None
    kind, values = figure_of(figure["figure"]), figure["values"]
    return {"name": kind.name, "settings": [figure_setting(s, values[s.name], factor) for s in kind.settings]}


def figure_setting(setting: Setting, value: float, factor: float) -> Json:
    """A figure's setting with its number in words; lengths are given in sheet mm and shown worn."""
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


def _run(state: State, run: Row, frame: Frame) -> Json:
    brush = run_brush(state, run)
    places = run_places(state, run["id"])
    head = {
        **{key: run[key] for key in ("id", "path", "brush", "shown", "backwards")},
        "seen": state.seen(run),
        "own": sorted(run["own"]),
        "places": places.model_dump(mode="json"),
        "settings": brush.model_dump(mode="json"),
        "key": content_key(run["own"], state.get("brush", run["brush"])["doc"], state.sheet["scale"]),
    }
    try:
        laid, measured = lay_row(state, run)
    except CurletError as error:
        return {**head, "fault": str(error)}
    factor, row, facts = state.scale.factor, laid.main, measured.facts
    return {
        **head,
        "main": laid.brush.main,
        "rows": [_row(laid, tallied, factor) for tallied in facts.rows],
        "corners": [_corner(corner, factor) for corner in facts.corners],
        "crossings": [_crossing(crossing, factor) for crossing in facts.crossings],
        "pinches": [_pinch(pinch, factor) for pinch in measured.pinches],
        "warnings": [_warning(warning, state) for warning in measured.warnings],
        "start": _spot(laid, 0.0),
        "finish": None if laid.path.closed else _spot(laid, laid.path.length),
        "tape": _tape(laid, row, frame),
        "group": group_json(run_group(state, run), frame),
    }


def _lengths(drawn: float, factor: float) -> Json:
    return {"worn": drawn / factor, "printed": drawn}


def _row(laid: LaidRun, tallied: RowTally, factor: float) -> Json:
    row = laid.courses[tallied.course]
    assert isinstance(row, LaidRow)
    return {
        "course": tallied.course,
        "asked": _asked(laid, row),
        "laid": _as_laid(tallied, row, factor),
        "legs": [_leg(leg, factor) for leg in tallied.legs],
    }


def _asked(laid: LaidRun, row: LaidRow) -> Json:
    scale, course = laid.scale, row.course
    pitch = (row.length + row.gap) / scale.factor
    if isinstance(course.gap, Share):
        gap_asked = {**_lengths(row.gap, scale.factor), "frame": "share", "percent": course.gap.percent}
    else:
        gap_asked = _measure(course.gap, laid)
    thread = course.motif.thread
    return {
        "stitch": _measure(course.length, laid),
        "gap": gap_asked,
        "pitch": _lengths(row.length + row.gap, scale.factor),
        "thread": _measure(thread, laid) if thread is not None else None,
        "spi": pitch_to_spi(pitch) if pitch > 0 else None,
    }


def _measure(measure: Measure, laid: LaidRun) -> Json:
    return {**_lengths(measure.drawn(laid.scale), laid.scale.factor), "frame": str(measure.frame)}


def _as_laid(facts: RowTally, row: LaidRow, factor: float) -> Json:
    return {
        "stitch": _lengths(facts.mean_stitch, factor),
        "gap": _lengths(facts.mean_gap, factor),
        "pitch": _lengths(facts.mean_stitch + facts.mean_gap, factor),
        "thread": _lengths(row.motif.width, factor),
        "spi": facts.spi,
        "repeats": facts.repeats,
        "departure": facts.departure,
    }


def _leg(leg: LegTally, factor: float) -> Json:
    return {
        "node": leg.node_id,
        "start": leg.start / factor,
        "length": _lengths(leg.length, factor),
        "own_length": _lengths(leg.own_length, factor),
        "repeats": leg.repeats,
        "stitch": _lengths(leg.stitch, factor),
        "gap": _lengths(leg.gap, factor),
        "ease": leg.ease,
        "departure": leg.departure,
        "off": leg.off,
        "lead": leg.lead / factor,
        "left_over": leg.left_over / factor,
        "made_up": None if leg.made_up is None else leg.made_up / factor,
        "set": leg.set,
    }


def _corner(corner: CornerTally, factor: float) -> Json:
    return {
        "node": corner.node_id,
        "x": corner.x,
        "y": corner.y,
        "at": corner.s / factor,
        "turn": corner.turn,
        "manner": corner.manner,
        "own": corner.own,
    }


def _crossing(crossing: CrossingTally, factor: float) -> Json:
    return {
        "key": crossing.key,
        "x": crossing.x,
        "y": crossing.y,
        "at": [crossing.first / factor, crossing.second / factor],
        "over": crossing.over / factor,
        "angle": crossing.angle,
        "flipped": crossing.flipped,
    }


def _pinch(pinch: Pinch, factor: float) -> Json:
    return {
        "start": pinch.start / factor,
        "end": pinch.end / factor,
        "radius": pinch.radius / factor,
        "needs": pinch.needs / factor,
        "folds": pinch.folds,
    }


def _warning(warning: Warning, state: State) -> Json:
    factor, unit = state.scale.factor, state.sheet["unit"]
    mend = warning.mend and {
        "label": lengths_in(warning.mend.label, unit),
        "settings": [{"pointer": p, "typed": t} for p, t in warning.mend.settings],
    }
    x, y = warning.at or (None, None)
    at = None if warning.s is None else warning.s / factor
    return {
        "code": warning.code,
        "message": lengths_in(warning.message, unit),
        "leg": warning.leg,
        "at": at,
        "x": x,
        "y": y,
        "mend": mend,
    }


def _spot(laid: LaidRun, s: float) -> Json:
    """Where a run begins or ends, as it walks the path, and which way it goes there."""
    x, y = laid.path.arc.points([s])[0].tolist()
    along = laid.path.arc.tangents([s], before=s > 0)[0]
    return {"x": x, "y": y, "angle": float(np.degrees(np.arctan2(along[1], along[0])))}


def _tape(laid: LaidRun, row: LaidRow | None, frame: Frame) -> Json:
    factor = laid.scale.factor
    every = np.zeros((0, 2)) if row is None else np.stack([row.repeats.start, row.repeats.end], axis=1)
    counted = row.repeats.counted if row is not None else np.zeros(0, dtype=bool)
    # What a corner cuts off again is no piece: only ends, joins and securing stitches are.
    pieces = ~counted & ~(row.repeats.cut_start | row.repeats.cut_end) if row is not None else counted
    return {
        "start": (row.legs[0].s0 if row else 0.0) / factor,
        "length": laid.path.length / factor,
        "closed": laid.path.closed,
        "slots": frame.array(every[counted] / factor),
        "pieces": [(a / factor, b / factor) for a, b in every[pieces].tolist()],
    }
