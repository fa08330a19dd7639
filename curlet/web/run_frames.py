"""A run as the page has it: its settings, what came of them, its tape and its drawing."""

from __future__ import annotations

from dataclasses import asdict
from typing import Any

import numpy as np

from curlet.core.brush import Share
from curlet.core.brush.gauge import alike_rows, gauge
from curlet.core.brush.words import repeat_noun
from curlet.core.errors import CurletError
from curlet.core.lay import LaidRow, LaidRun
from curlet.core.lay.draw import edges
from curlet.core.lay.unrolled import begins
from curlet.core.measures import Measure, pitch_to_spi
from curlet.core.tally import CornerTally, CrossingTally, LegTally, Pinch, RowTally, Warning
from curlet.formats.content import content_key
from curlet.formats.run_places import PlacesDoc, RepeatDoc
from curlet.formats.screen import Packer, group_json
from curlet.store.crops import run_group
from curlet.store.laying import lay_row
from curlet.store.records import RunRecord
from curlet.store.runs import run_brush, run_places, written_brush
from curlet.store.shades_entered import sequence_text
from curlet.store.state import State
from curlet.web.sheet_frames import lengths_json, number_text, threads_json

Json = dict[str, Any]


def run_json(state: State, run: RunRecord, packer: Packer) -> Json:
    brush = run_brush(state, run)
    places = run_places(state, run["id"])
    head = {
        **{key: run[key] for key in ("id", "path", "brush", "shown", "backwards", "position")},
        "seen": state.seen(run),
        "own": sorted(run["own"]),
        "places": places.model_dump(mode="json", exclude={"repeats", "motifs"}),
        "settings": brush.model_dump(mode="json"),
        "threads": threads_json(state, run),
        "sequences": _sequences(state, run),
        "noun": asdict(repeat_noun(brush.kind)),
        "key": content_key(*written_brush(state, run).value, state.sheet["scale"]),
    }
    try:
        laid, measured = lay_row(state, run)
    except CurletError as error:
        return {**head, "fault": str(error)}
    factor, row, facts = state.scale.factor, laid.main, measured.facts
    return {
        **head,
        "main": laid.brush.main,
        "alike": alike_rows(laid.brush),
        "coloured": laid.brush.coloured,
        "gauge": _measure(apart, laid) if (apart := gauge(laid.brush)) else None,
        "rows": [_row(laid, tallied, factor) for tallied in facts.rows],
        "corners": [_corner(corner, factor) for corner in facts.corners],
        "crossings": [_crossing(crossing, factor) for crossing in facts.crossings],
        "pinches": [_pinch(pinch, factor) for pinch in measured.pinches],
        "warnings": [_warning(warning, state) for warning in measured.warnings],
        "start": _spot(laid, 0.0),
        "finish": None if laid.path.closed else _spot(laid, laid.path.length),
        "repeats": _by_hand(laid, places),
        "tape": _tape(laid, row, packer),
        "group": group_json(run_group(state, run), packer),
    }


def _sequences(state: State, run: RunRecord) -> list[str]:
    """Each course's sequence of shades, by their names, as it would be entered."""
    courses = state.get("brush", run["brush"])["doc"].get("courses", [])
    every = [
        run["own"].get(f"/courses/{i}/shades", course.get("shades", [])) for i, course in enumerate(courses)
    ]
    return [sequence_text(state, shades) for shades in every]


def _row(laid: LaidRun, tallied: RowTally, factor: float) -> Json:
    row = laid.courses[tallied.course]
    assert isinstance(row, LaidRow)
    return {
        "course": tallied.course,
        "set": _set(laid, row),
        "result": _result(tallied, row, factor),
        "legs": [_leg(leg, factor) for leg in tallied.legs],
    }


def _set(laid: LaidRun, row: LaidRow) -> Json:
    scale, course = laid.scale, row.course
    pitch = (row.length + row.gap) / scale.factor
    if isinstance(course.gap, Share):
        gap = {**lengths_json(row.gap, scale.factor), "on": "share", "percent": course.gap.percent}
    else:
        gap = _measure(course.gap, laid)
    thread = course.motif.thread
    return {
        "stitch": _measure(course.length, laid),
        "gap": gap,
        "pitch": lengths_json(row.length + row.gap, scale.factor),
        "thread": _measure(thread, laid) if thread is not None else None,
        "spi": pitch_to_spi(pitch) if pitch > 0 else None,
    }


def _measure(measure: Measure, laid: LaidRun) -> Json:
    return {**lengths_json(measure.drawn(laid.scale), laid.scale.factor), "on": str(measure.on)}


def _result(facts: RowTally, row: LaidRow, factor: float) -> Json:
    return {
        "stitch": lengths_json(facts.mean_stitch, factor),
        "gap": lengths_json(facts.mean_gap, factor),
        "pitch": lengths_json(facts.mean_stitch + facts.mean_gap, factor),
        "thread": lengths_json(row.motif.width, factor),
        "spi": facts.spi,
        "repeats": facts.repeats,
        "departure": facts.departure,
    }


def _leg(leg: LegTally, factor: float) -> Json:
    return {
        "node": leg.node_id,
        "start": leg.start / factor,
        "length": lengths_json(leg.length, factor),
        "own_length": lengths_json(leg.own_length, factor),
        "repeats": leg.repeats,
        "stitch": lengths_json(leg.stitch, factor),
        "gap": lengths_json(leg.gap, factor),
        "ease": leg.ease,
        "departure": leg.departure,
        "off": leg.off,
        "lead": leg.lead / factor,
        "left_over": leg.left_over / factor,
        "shortened": None if leg.shortened is None else leg.shortened / factor,
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
        "label": warning.mend.label.told_in(unit),
        "settings": [{"pointer": p, "entered": t} for p, t in warning.mend.settings],
    }
    places = [
        {"leg": place.leg, "at": place.s / factor, "x": place.at[0], "y": place.at[1]}
        for place in warning.places
    ]
    return {
        "code": warning.code,
        "message": warning.message.told_in(unit),
        "places": places,
        "mend": mend,
    }


def _spot(laid: LaidRun, s: float) -> Json:
    """Where a run begins or ends, as it walks the path, and which way it goes there."""
    x, y = laid.path.arc.points([s])[0].tolist()
    along = laid.path.arc.tangents([s], before=s > 0)[0]
    return {"x": x, "y": y, "angle": float(np.degrees(np.arctan2(along[1], along[0])))}


def _by_hand(laid: LaidRun, places: PlacesDoc) -> list[Json]:
    """What is said of the repeats that there are, in their order."""
    said = {one.key: one for one in places.repeats}
    placed = [(key, s) for row in laid.rows for key, s in row.set_by_hand]
    return [
        repeat_json(said[key], places, s, laid.scale.factor)
        for key, s in sorted(placed, key=lambda item: item[1])
    ]


def repeat_json(one: RepeatDoc, places: PlacesDoc, s: float, factor: float) -> Json:
    """A single repeat: which it is, where on the Tape, and its numbers as they would be entered."""
    quantities = {"along": "length", "across": "length", "turn": "angle", "size": "percent"}
    entered = {name: number_text(getattr(one, name), form, factor) for name, form in quantities.items()}
    keys = {"course", "node", "number", "left_out", "motif", "brought"}
    kept = places.motifs.get(one.brought or "")
    return {
        **one.model_dump(include=keys),
        "brought_name": kept.name if kept else None,
        "at": s / factor,
        "entered": entered,
    }


def _tape(laid: LaidRun, row: LaidRow | None, packer: Packer) -> Json:
    factor = laid.scale.factor
    every = np.zeros((0, 2)) if row is None else np.stack([row.repeats.start, row.repeats.end], axis=1)
    counted = row.repeats.counted if row is not None else np.zeros(0, dtype=bool)
    # What a corner cuts off again is no piece: only ends, joins and securing stitches are.
    pieces = ~counted & ~(row.repeats.cut_start | row.repeats.cut_end) if row is not None else counted
    return {
        "start": begins(laid) / factor,
        "length": laid.path.length / factor,
        "closed": laid.path.closed,
        "slots": packer.array(every[counted] / factor),
        "pieces": [(a / factor, b / factor) for a, b in every[pieces].tolist()],
        "edges": [edge / factor for edge in edges(laid)],
    }
