"""From a sheet's state to the frame that the page draws."""

from __future__ import annotations

import hashlib
from typing import Any

import numpy as np
import orjson

from curlet.core.brush.brush import Share
from curlet.core.errors import CurletError
from curlet.core.lay import LaidRun
from curlet.core.lay.lay import LaidCourse
from curlet.core.measures import Measure, pitch_to_spi
from curlet.core.path import find_corners
from curlet.core.path.path import Path
from curlet.core.tally import CornerTally, LegTally, RunTally, Warning
from curlet.formats.as_drawn import outline_of
from curlet.formats.numbers import outline_data
from curlet.formats.screen import Frame, group_json
from curlet.store.commands import worn_brush
from curlet.store.state import Row, State
from curlet.web.laying import as_drawn, lay_row, path_of, run_group, touched_runs

Json = dict[str, Any]


def whole_frame(state: State, labels: tuple[str | None, str | None], notes: tuple[str, ...] = ()) -> bytes:
    """Everything on the sheet."""
    frame = Frame()
    head = {
        **_common(state, labels),
        "partial": False,
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
    redrawn = any(row["facts"] for row in rows)
    head = {
        **_common(draft, (None, None)),
        "partial": True,
        "paths": [_path(draft, row) for row in rows],
        "runs": [_run(draft, run, frame) for run in touched_runs(draft)],
        "as_drawn": [group_json(group, frame) for group in as_drawn(draft)] if redrawn else None,
        "notes": (),
    }
    return frame.pack(head)


def _common(state: State, labels: tuple[str | None, str | None]) -> Json:
    sheet = state.sheet
    keys = ("id", "name", "width", "height", "scale", "ground")
    worn: dict[str, int] = {}
    for run in state.all("run"):
        worn[run["brush"]] = worn.get(run["brush"], 0) + 1
    return {
        "revision": sheet["revision"],
        "sheet": {**{key: sheet[key] for key in keys}, "factor": state.scale.factor},
        "groups": [{key: row[key] for key in ("id", "name", "mark")} for row in state.all("group")],
        "brushes": [_brush(row, worn.get(row["id"], 0)) for row in state.all("brush")],
        "undo": labels[0],
        "redo": labels[1],
    }


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
    path = path_of(row)
    x, y = path.points[0]
    along = path.arc.tangents([0.0])[0]
    factor = state.scale.factor
    return {
        "id": row["id"],
        "name": row["name"],
        "group": row["group"],
        "closed": row["closed"],
        "nodes": row["nodes"],
        "d": outline_data(outline_of(path)),
        "length": _lengths(path.length, factor),
        "start": {"x": x, "y": y, "angle": float(np.degrees(np.arctan2(along[1], along[0])))},
        "corners": _bare_corners(path, factor),
        "drawn": bool(row["facts"].get("stroke") or row["facts"].get("fill")),
    }


def _bare_corners(path: Path, factor: float) -> list[Json]:
    corners = find_corners(path)
    points = path.arc.points([c.s for c in corners])
    return [
        {"node": c.node_id, "x": x, "y": y, "at": c.s / factor, "turn": c.turn, "manner": ""}
        for c, (x, y) in zip(corners, points.tolist(), strict=True)
    ]


def _run(state: State, run: Row, frame: Frame) -> Json:
    brush = worn_brush(state, run)
    head = {
        **{key: run[key] for key in ("id", "path", "brush", "shown", "backwards")},
        "own": sorted(run["own"]),
        "settings": brush.model_dump(mode="json"),
        "key": content_key(run["own"], state.get("brush", run["brush"])["doc"], state.sheet["scale"]),
    }
    try:
        laid, facts = lay_row(state, run)
    except CurletError as error:
        return {**head, "fault": str(error)}
    factor = state.scale.factor
    course = laid.courses[0]
    return {
        **head,
        "asked": _asked(laid, course),
        "laid": _as_laid(facts, course, factor),
        "legs": [_leg(leg, factor) for leg in facts.legs],
        "corners": [_corner(corner, factor) for corner in facts.corners],
        "warnings": [_warning(warning, factor) for warning in facts.warnings],
        "tape": _tape(laid, course, frame),
        "group": group_json(run_group(state, run), frame),
    }


def _lengths(drawn: float, factor: float) -> Json:
    return {"worn": drawn / factor, "printed": drawn}


def _asked(laid: LaidRun, course: LaidCourse) -> Json:
    row, scale = course.course, laid.scale
    length, gap = row.drawn_length(scale), row.drawn_gap(scale)
    pitch = (length + gap) / scale.factor
    if isinstance(row.gap, Share):
        gap_asked = {**_lengths(gap, scale.factor), "frame": "share", "percent": row.gap.percent}
    else:
        gap_asked = _measure(row.gap, laid)
    return {
        "stitch": _measure(row.length, laid),
        "gap": gap_asked,
        "pitch": _lengths(length + gap, scale.factor),
        "thread": _measure(row.motif.thread, laid),
        "spi": pitch_to_spi(pitch) if pitch > 0 else None,
    }


def _measure(measure: Measure, laid: LaidRun) -> Json:
    return {**_lengths(measure.drawn(laid.scale), laid.scale.factor), "frame": str(measure.frame)}


def _as_laid(facts: RunTally, course: LaidCourse, factor: float) -> Json:
    return {
        "stitch": _lengths(facts.mean_stitch, factor),
        "gap": _lengths(facts.mean_gap, factor),
        "pitch": _lengths(facts.mean_stitch + facts.mean_gap, factor),
        "thread": _lengths(course.motif.width, factor),
        "spi": facts.spi,
        "repeats": facts.repeats,
        "departure": facts.departure,
    }


def _leg(leg: LegTally, factor: float) -> Json:
    return {
        "node": leg.node_id,
        "start": leg.start / factor,
        "length": _lengths(leg.length, factor),
        "repeats": leg.repeats,
        "stitch": _lengths(leg.stitch, factor),
        "gap": _lengths(leg.gap, factor),
        "ease": leg.ease,
        "departure": leg.departure,
        "off": leg.off,
        "lead": leg.lead / factor,
        "left_over": leg.left_over / factor,
    }


def _corner(corner: CornerTally, factor: float) -> Json:
    return {
        "node": corner.node_id,
        "x": corner.x,
        "y": corner.y,
        "at": corner.s / factor,
        "turn": corner.turn,
        "manner": corner.manner,
    }


def _warning(warning: Warning, factor: float) -> Json:
    mend = warning.mend and {
        "label": warning.mend.label,
        "settings": [{"pointer": p, "typed": t} for p, t in warning.mend.settings],
    }
    x, y = warning.at or (None, None)
    at = None if warning.s is None else warning.s / factor
    return {
        "code": warning.code,
        "message": warning.message,
        "leg": warning.leg,
        "at": at,
        "x": x,
        "y": y,
        "mend": mend,
    }


def _tape(laid: LaidRun, course: LaidCourse, frame: Frame) -> Json:
    slots = np.stack([course.slots.start, course.slots.end], axis=1) / laid.scale.factor
    return {
        "start": course.legs[0].s0 / laid.scale.factor,
        "length": laid.path.length / laid.scale.factor,
        "slots": frame.array(slots),
    }
