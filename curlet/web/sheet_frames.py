"""What lies on a sheet beside its paths and runs: guide pictures, single repeats, check marks, lettering."""

from __future__ import annotations

from collections import Counter
from collections.abc import Callable, Mapping
from typing import Any

from curlet.core.dress.colour import oklch
from curlet.core.errors import BadInput, CurletError
from curlet.core.measures import MM_PER_INCH
from curlet.core.path import Path, measuring
from curlet.core.path.edit import nearest_length
from curlet.core.path.measuring import Measured
from curlet.formats.clean_doc import CleanDoc
from curlet.formats.fonts import SINGLE_LINE
from curlet.formats.mark_doc import MarkDoc
from curlet.formats.numbers import terse_data
from curlet.formats.screen import Packer, group_json, paint_json
from curlet.formats.shade_refs import OF_PATH, shade_of, shade_ref
from curlet.store.area_edges import edge_paths
from curlet.store.crops import clip_of
from curlet.store.paths import core_path
from curlet.store.records import (
    AreaRecord,
    GuideRecord,
    LetteringRecord,
    MarkRecord,
    RunRecord,
    SingleRecord,
    part_of,
)
from curlet.store.runs import run_brush
from curlet.store.shades import NAMING, colour_in, shade_named, shades_of, shown_colourway
from curlet.store.state import State
from curlet.studio.callouts import SIZE, shown_callouts
from curlet.studio.drawn_sheet import background_paint, background_tone, single_group

Json = dict[str, Any]

_UNITS = {"length": " mm", "angle": "°", "percent": " %", "count": ""}


def number_text(value: float, form: str, factor: float) -> str:
    """A number as it is entered: a length in sheet mm on the garment, an angle, a percentage or a count."""
    shown = value / factor if form == "length" else value
    return f"{shown + 0.0:.3f}".rstrip("0").rstrip(".") + _UNITS[form]


def lengths_json(drawn: float, factor: float) -> Json:
    """A length of the drawing, mm, on the garment and on paper."""
    return {"garment": drawn / factor, "paper": drawn}


def sheet_json(state: State) -> Json:
    sheet, paint = state.sheet, background_paint(state)
    keys = ("id", "name", "width", "height", "scale", "unit", "background")
    return {
        **part_of(sheet, *keys),
        "factor": state.scale.factor,
        "light": {"azimuth": sheet["light_azimuth"], "elevation": sheet["light_elevation"]},
        "background_tone": background_tone(state),
        "background_cloth": sheet["background_cloth"] or None,
        "background_paint": paint and paint_json(paint),
    }


def colourways_json(state: State) -> list[Json]:
    """The colourways in order, and which is shown."""
    shown = shown_colourway(state)
    rows = state.all("colourway")
    return [{"id": row["id"], "name": row["name"], "shown": row["id"] == shown} for row in rows]


def shades_json(state: State) -> list[Json]:
    """The shade card: each shade's colour as it is shown, also in OKLCH, and how often it is used."""
    shown = shown_colourway(state)
    used = Counter(
        shade for kind in NAMING for row in state.all(kind) for shade in shades_of(state, kind, row)
    )
    return [
        {
            "id": row["id"],
            "name": row["name"],
            "colour": (colour := colour_in(row, shown)),
            "oklch": oklch(colour),
            "used": used[row["id"]],
        }
        for row in state.all("shade")
    ]


def guide_json(state: State, row: GuideRecord) -> Json:
    clip = clip_of(state, row)
    keys = ("id", "name", "x", "y", "width", "height", "turn", "fade", "shown", "locked", "position")
    return {
        **part_of(row, *keys),
        "src": picture_url(row["picture"]),
        "entered": placed_entered(row, state.scale.factor),
        "crop": row["crop"] or None,
        "clip": clip and terse_data(clip),
    }


def picture_url(picture_id: str) -> str:
    """Where the page gets a kept picture."""
    return f"/api/pictures/{picture_id}.png"


def placed_entered(row: Mapping[str, Any], factor: float) -> dict[str, str]:
    """Where a picture lies, its size, turn and fade as they would be entered, lengths on the garment."""
    quantities = {"x": "length", "y": "length", "width": "length", "turn": "angle", "fade": "percent"}
    return {key: number_text(row[key], quantity, factor) for key, quantity in quantities.items()}


def single_json(state: State, row: SingleRecord, packer: Packer) -> Json:
    head = part_of(row, "id", "brush", "x", "y", "turn", "size", "position")
    head["crop"] = row["crop"] or None
    try:
        group = group_json(single_group(state, row), packer)
        return {**head, "threads": threads_json(state, row), "group": group}
    except CurletError as error:
        return {**head, "threads": [], "group": None, "fault": str(error)}


def threads_json(state: State, row: RunRecord | SingleRecord) -> list[Json]:
    """The colours of a run's or a single repeat's threads, and what each is filled with."""
    look = state.get("brush", row["brush"])["doc"].get("look") or {}
    found = []
    for index, colour in enumerate(run_brush(state, row).threads):
        pointer = f"/threads/{index}"
        ref = row["own"].get(pointer, _by_look(state, look, pointer) if pointer not in row["own"] else None)
        shade = shade_of(ref)
        shade = shade if shade in state.rows["shade"] else None
        found.append({"colour": colour, "shade": shade, "of_path": ref == OF_PATH})
    return found


def _by_look(state: State, look: Json, pointer: str) -> str | None:
    """What a look fills a thread with."""
    if pointer in look.get("of_path", ()):
        return OF_PATH
    shade = shade_named(state, look.get("shades", {}).get(pointer, ""))
    return shade_ref(shade["id"]) if shade else None


def mark_json(state: State, row: MarkRecord) -> Json:
    """A kept measurement as it is now; one that cannot be taken any more says why."""
    doc = MarkDoc(**row["doc"])
    try:
        return {"id": row["id"], **measured_json(state, doc)}
    except CurletError as error:
        return {
            "id": row["id"],
            "text": "",
            "paper": "",
            "value": 0,
            "angle": False,
            "line": doc.places,
            "fault": str(error),
        }


def measured_json(state: State, doc: MarkDoc) -> Json:
    """A measurement: lengths on the garment, and on paper where that differs."""
    found = _measured(state, doc)
    factor = state.scale.factor
    text = f"{found.value:.1f}°" if found.angle else _told(found.value / factor, state.sheet["unit"])
    radius = "radius " if doc.what == "radius" else ""
    paper = "" if found.angle or factor == 1 else f"{_told(found.value, state.sheet['unit'])} on paper"
    line = found.line.tolist()
    return {
        "text": radius + text,
        "paper": paper,
        "value": found.value,
        "angle": found.angle,
        "line": line,
    }


def _told(mm: float, unit: str) -> str:
    """A length in the sheet's unit, as finely as an eye sees it."""
    if unit == "in":
        return f"{mm / MM_PER_INCH:.3f} in"
    return f"{mm:.2f} mm" if mm < 10 else f"{mm:.1f} mm"


def _measured(state: State, doc: MarkDoc) -> Measured:
    path = core_path(state.get("path", doc.path)) if doc.path else None
    places = doc.places
    if doc.what == "radius" and path:
        return measuring.radius_at(path, _lengths(doc, path)[0])
    wanted = {"straight": 2, "along": 2, "angle": 3, "radius": 3}[doc.what]
    if len(places) != wanted or (doc.what == "along" and not path):
        raise BadInput("Press the places to measure between first.")
    if doc.what == "along" and path:
        return measuring.along(path, *_lengths(doc, path))
    return _BETWEEN[doc.what](*places)


def _lengths(doc: MarkDoc, path: Path) -> list[float]:
    """Where on its path a measurement was taken: a kept one by its anchors, a new one by its places."""
    if doc.anchors:
        return [measuring.length_at(path, anchor) for anchor in doc.anchors]
    return [nearest_length(path, place) for place in doc.places]


_BETWEEN: dict[str, Callable[..., Measured]] = {
    "straight": measuring.straight,
    "angle": measuring.angle,
    "radius": measuring.radius,
}


_NUMBERS = {
    "caps": "length",
    "spacing": "percent",
    "lines": "percent",
    "slant": "angle",
    "bold": "length",
    "turn": "angle",
    "shift": "length",
    "rise": "length",
}


def area_json(state: State, row: AreaRecord) -> Json:
    """An area with its shapes by name, in order."""
    doc, factor = row["doc"], state.scale.factor
    edges, clean = edge_paths(state, row["id"]), CleanDoc(**doc.get("clean", {}))
    return {
        "id": row["id"],
        "way": doc["way"],
        "clean": {
            "gaps": number_text(clean.gaps, "length", factor),
            "grow": number_text(clean.grow, "length", factor),
            "least": f"{clean.least:g} mm²",
            "round": clean.round,
        },
        "nodes": sum(len(path["nodes"]) for path in edges),
        "members": [{**member, **_member(state, member)} for member in doc["members"]],
        "paths": [path["id"] for path in edges],
    }


def _member(state: State, member: Json) -> Json:
    """What one of an area's shapes is called; a run by its path and its brush."""
    if member["kind"] == "area":
        edges = edge_paths(state, member["id"])
        return {"name": edges[0]["name"] if edges else "Area"}
    if member["kind"] == "path":
        return {"name": state.get("path", member["id"])["name"]}
    run = state.get("run", member["id"])
    path, brush = state.get("path", run["path"])["name"], state.get("brush", run["brush"])["doc"]["name"]
    return {"name": f"{path}, {brush}"}


def lettering_json(state: State, row: LetteringRecord) -> Json:
    """Text with its numbers as they would be entered."""
    doc, factor = row["doc"], state.scale.factor
    own = ("text", "font", "align", "unite", "along")
    numbers = {name: number_text(doc[name], form, factor) for name, form in _NUMBERS.items()}
    single = doc["font"] in SINGLE_LINE
    return {"id": row["id"], **{key: doc[key] for key in own}, "single_line": single, "numbers": numbers}


def callouts_json(state: State) -> list[Json]:
    """Call-outs with their texts set and placed."""
    return [
        {
            "id": one.id,
            "run": one.run,
            "text": one.text,
            "written": one.written,
            "moved": one.moved,
            "size": SIZE,
            "lines": [{"text": line.text, "x": line.x, "y": line.y} for line in one.lines],
            "box": one.placed.box,
            "leader": one.placed.leader,
        }
        for one in shown_callouts(state)
    ]
