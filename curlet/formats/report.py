"""The report of a laying, as JSON; documented in docs/formats.md."""

from __future__ import annotations

from typing import Any

from curlet.core.lay import LaidRun
from curlet.core.lay.draw_row import placements_of
from curlet.core.measures import Scale
from curlet.core.tally import Tally

Json = dict[str, Any]


def run_report(path_id: str, run: LaidRun, measured: Tally, *, placements: bool = False) -> Json:
    """One run. Lengths are drawn mm; off 1:1 each has its twin on the garment."""
    facts = measured.facts
    entry = {
        "path": path_id,
        "closed": facts.closed,
        **_lengths(run.scale, length=facts.length),
        "repeats": facts.repeats,
        "legs": [
            {
                **_lengths(run.scale, length=leg.length),
                "repeats": leg.repeats,
                **_lengths(run.scale, stitch=leg.stitch, gap=leg.gap),
                "ease": leg.ease,
                "departure": leg.departure,
                **_lengths(run.scale, left_over=leg.left_over),
            }
            for leg in facts.legs
        ],
        "corners": [
            {**_lengths(run.scale, at=corner.s), "turn": corner.turn, "manner": corner.manner}
            for corner in facts.corners
        ],
        "warnings": [
            {
                "code": warning.code,
                "message": warning.message,
                "places": [{**_lengths(run.scale, at=place.s), "leg": place.leg} for place in warning.places],
            }
            for warning in measured.warnings
        ],
    }
    if placements:
        entry["placements"] = _placements(run)
    return entry


def _lengths(scale: Scale, **values: float | None) -> Json:
    out: Json = {}
    for name, value in values.items():
        out[name] = value
        if scale.factor != 1:
            out[f"{name}_garment"] = None if value is None else value / scale.factor
    return out


def _placements(run: LaidRun) -> list[list[float]]:
    rows: list[list[float]] = []
    for row in run.rows:
        at = placements_of(row)
        if at is None:
            continue
        columns = zip(at.start.tolist(), at.angle.tolist(), at.length.tolist(), strict=True)
        rows += [[x, y, angle, length] for (x, y), angle, length in columns]
    return rows
