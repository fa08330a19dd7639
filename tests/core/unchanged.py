"""What every built-in brush and every family comes to on the proof board, in a few figures each.

`python -m tests.core.unchanged` writes them down anew, after a change that is meant: look at what it says
has changed, on the Bench or in the gallery, before it is committed.
"""

from __future__ import annotations

import json
import zlib
from collections.abc import Iterator
from dataclasses import asdict
from pathlib import Path as FilePath
from typing import Any

import numpy as np

from curlet.core.brush import Brush
from curlet.core.brush.rules import CHANNELS, DRIVERS, FACINGS, OVERLAPS
from curlet.core.drawing import Group, Item, Laid, Shape, Stamps
from curlet.core.errors import CurletError
from curlet.core.lay.corners import MANNERS
from curlet.core.lay.corners.made import MADE
from curlet.core.lay.draw import draw_run
from curlet.core.lay.fit import FITS
from curlet.core.lay.hold import HOLDS
from curlet.core.measures import Scale
from curlet.core.motif.families import FAMILIES
from curlet.core.proof.board import Proof, prove
from curlet.demo.brushes import BRUSHES
from curlet.formats.brush_file import read_brush
from curlet.store.edits.recipes import brush_of

FILE = FilePath(__file__).with_name("unchanged.json")
PATHS = ("star", "round", "tight S", "loop")
_COARSE = 0.03

Figures = list[float]
Own = dict[str, Any]


def brushes() -> dict[str, Brush]:
    """Every built-in by its id, a new brush of every family, and a few built-ins with every setting."""
    families = {f"new {name}": brush_of(name, name).to_core() for name in FAMILIES}
    varied = {
        f"{name} {words}": read_brush(BRUSHES[name], _pointers(own)).to_core()
        for names, tried in ((VARIED, settings()), (SIZED, SIZES))
        for name in names
        for words, own in tried.items()
    }
    return {**{name: read_brush(doc).to_core() for name, doc in BRUSHES.items()}, **families, **varied}


# Pinned stitches, a bent trim that touches, and rigid beads with gaps.
VARIED = ("topstitch", "scallop", "pearls")

# A span, bands, and two layers of links.
SIZED = ("blade", "ribbon", "curb")
SIZES: dict[str, Own] = {
    "small and heavy": {"size": 70, "weight": 160, "offset": {"mm": 3}},
    "small, stopping short": {"size": 70, "/corners/manner": "stop", "/corners/stop": {"mm": 4}},
    "over and under": {"/crossings/manner": "over-under", "/crossings/clearance": {"mm": 3}},
}


def settings() -> dict[str, Own]:
    """Settings to be tried, by their names; of the first course unless a pointer says otherwise."""
    corners = {f"manner {m}": {"/corners/manner": m} for m in MANNERS}
    made = {
        f"made {m}": {"/corners/manner": "piece", "/corners/made": m, "/corners/fullness": 1.8} for m in MADE
    }
    holds = {f"hold {h}": {"hold": h} for h, hold in HOLDS.items() if not hold.chain}
    fits = {
        f"fit {fit} {more}": {"fit/kind": fit, f"fit/{more}": value}
        for fit in FITS
        for more, value in (
            ("half_gaps", True), ("short_legs", True), ("shared", True), ("keep_gap", True),
            ("layout", "gap"), ("layout", "repeat"), ("remainder", "start"), ("shortened", 1),
        )
    }  # fmt: skip
    facing = {
        f"facing {f}": {"facing/kind": f, "facing/angle": 25, "facing/end_to_end": True} for f in FACINGS
    }
    sway = {
        f"sway {channel} {driver}": {
            "sway": [{"channel": channel, "driver": driver, "amount": 30, "period": 5}]
        }
        for channel in CHANNELS
        for driver in DRIVERS
    }
    overlap = {f"overlap {o}": {"overlap": o, "gap": {"percent": -20}} for o in OVERLAPS}
    ends = {"backtack": 2, "condensed": 3, "oversew": 1, "bartack": {"mm": 6}}
    beside = {
        "beside": {"offset": {"mm": 5}, "own_line": True},
        "beside, stepping with the path": {"offset": {"mm": -5}, "own_line": False},
        "shifted, small and heavy": {"start_shift": {"mm": 7}, "size": 70, "weight": 180},
        "mirrored by turns": {"facing/side_to_side": True, "facing/mirror_alternate": True},
        "swelling": {"swell": [{"at": 0, "width": 40}, {"at": 0.6, "width": 160}, {"at": 1, "width": 70}]},
        "over and under": {"/crossings/manner": "over-under", "/crossings/clearance": {"mm": 3}},
        "sharp only": {"/corners/angle": 80, "/corners/manner": "mitre", "/corners/mitre_limit": 1.5},
        "on paper": {"length": {"mm": 5, "on": "paper"}, "gap": {"mm": 0.7, "on": "paper"}},
        "secured": {f"ends/{name}": value for name, value in ends.items()},
    }
    return {**corners, **made, **holds, **fits, **facing, **sway, **overlap, **beside}


def _pointers(own: Own) -> Own:
    return {name if name.startswith("/") else f"/courses/0/{name}": value for name, value in own.items()}


def figures_of(brush: Brush) -> dict[str, Figures]:
    """By each path: its facts as a number, its words as another, and what is drawn as a third."""
    try:
        return {proof.name: _figures(proof) for proof in prove(brush, Scale.read("1:4"), PATHS)}
    except CurletError as error:
        return {"refused": [zlib.crc32(str(error).encode())]}


def _figures(proof: Proof) -> Figures:
    facts = list(_leaves(asdict(proof.tally)))
    numbers = [float(value) for value in facts if isinstance(value, int | float)]
    words = " ".join(str(value) for value in facts if isinstance(value, str))
    group = draw_run(proof.run, "run", "", _COARSE)
    paints = " ".join(_paints(group))
    lines = np.concatenate(list(_points(group)))
    assert np.isfinite(lines).all(), f"{proof.run.brush.name} on {proof.name} is drawn at no place"
    return [
        mixed(np.array(numbers)),
        zlib.crc32(words.encode()),
        mixed(lines),
        zlib.crc32(paints.encode()),
    ]


def mixed(values: Any) -> float:
    """One number that any of many changes."""
    if not len(values):
        return 0.0
    return float(np.dot(values, 1.5 + np.cos(np.arange(len(values)))) / np.sqrt(len(values)))


def _leaves(value: Any) -> Iterator[Any]:
    if isinstance(value, dict):
        value = list(value.values())
    if isinstance(value, list | tuple):
        for item in value:
            yield from _leaves(item)
    else:
        yield value


def _shapes(item: Item) -> Iterator[Shape]:
    if isinstance(item, Group):
        for inner in item.items:
            yield from _shapes(inner)
    elif isinstance(item, Laid | Stamps):
        yield from item.shapes


def _points(item: Item) -> Iterator[Any]:
    if isinstance(item, Group):
        yield np.zeros(0)
        for inner in item.items:
            yield from _points(inner)
    else:
        if not isinstance(item, Laid):
            yield item.placements.ravel()
        for shape in _shapes(item):
            yield shape.outline.points.ravel()
            yield np.array([shape.stroke.weight if shape.stroke else 0.0])


def _paints(group: Group) -> Iterator[str]:
    for shape in _shapes(group):
        stroke = shape.stroke
        yield f"{getattr(shape.fill, 'colour', '')}{shape.even_odd}"
        yield f"{getattr(stroke.paint, 'colour', '')}{stroke.ends}{stroke.joins}" if stroke else ""


def written() -> dict[str, dict[str, Figures]]:
    """The figures as they were written down."""
    found: dict[str, dict[str, Figures]] = json.loads(FILE.read_text())
    return found


def main() -> None:
    before = written() if FILE.exists() else {}
    now = {name: figures_of(brush) for name, brush in brushes().items()}
    for name, figures in now.items():
        changed = [path for path in figures if before.get(name, {}).get(path) != figures[path]]
        if changed:
            print(f"{name}: changed on {', '.join(changed)}")
    lines = [f"{json.dumps(name)}: {json.dumps(figures)}" for name, figures in sorted(now.items())]
    FILE.write_text("{\n" + ",\n".join(lines) + "\n}\n")


if __name__ == "__main__":
    main()
