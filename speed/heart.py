"""Holds, mitres and interlacing against skia's 1D path effect with the same motif in the same run."""

from __future__ import annotations

from collections.abc import Callable
from functools import partial

import numpy as np
import skia

from curlet.core.brush import Brush, CornerRule, FitRule, Row
from curlet.core.dress.colour import ColourRole
from curlet.core.lay import lay
from curlet.core.lay.draw import draw_run
from curlet.core.measures import Measure, Scale
from curlet.core.motif.families import ArtShape, Artwork
from curlet.core.motif.families.artwork import read_outline
from curlet.core.path import Path
from curlet.core.path.booleans import add_outline
from speed.laying import ROTATE, fresh, stamping, stitch, stitches
from speed.paths import LENGTH, in_skia, winding
from speed.timing import begin, best, number, say

SEGMENTS = 40
MORPH = skia.Path1DPathEffect.kMorph_Style
COUNTS = (1_000, 10_000)
# Ours, the reference, and how much longer than that it may take.
_Job = tuple[Callable[[int], Brush], Callable[[int, skia.Path], Callable[[], object]], float]


def scroll(length: float) -> str:
    """A closed scroll of 40 curved segments that fills its cell."""
    t = np.linspace(0, 2 * np.pi, 3 * SEGMENTS + 1)
    radius = 0.42 + 0.08 * np.sin(5 * t)
    x, y = length * (0.5 + radius * np.cos(t)), length * radius * np.sin(t)
    points = [f"{a:.6f} {b:.6f}" for a, b in zip(x, y, strict=True)]
    return (
        f"M{points[0]}" + "".join(f"C{' '.join(points[i : i + 3])}" for i in range(1, len(points), 3)) + "Z"
    )


def motif_brush(count: int, hold: str, corners: str = "carry", overlap: str = "next-over-last") -> Brush:
    pitch = LENGTH / count
    shapes = [ArtShape(scroll(pitch), fill=ColourRole())]
    if overlap == "interlaced":
        shapes.append(ArtShape(scroll(pitch / 2), fill=ColourRole(), over=True))
    art = Artwork(tuple(shapes), pitch, pitch)
    row = Row(art, Measure(pitch), Measure(0.0), FitRule("ease"), hold, overlap=overlap)
    return Brush(courses=(row,), corners=CornerRule(corners))


def stamped(count: int, path: skia.Path, style: skia.Path1DPathEffect.Style) -> Callable[[], object]:
    """The reference: the motif stamped or morphed along the path by skia."""
    motif, outline = skia.Path(), read_outline(scroll(LENGTH / count))
    add_outline(motif, outline.commands, outline.points)
    return stamping(motif, count, path, style)


def stitched(count: int, path: skia.Path) -> Callable[[], object]:
    return stamping(stitch(count), count, path)


def drawn(path: Path, brush: Brush) -> object:
    """From nodes to the drawing that everything is written from."""
    return draw_run(lay(fresh(path), brush, Scale()), "run", "")


def run() -> None:
    path = winding()
    flat = in_skia(path)
    jobs: dict[str, _Job] = {
        "pinned stitches": (stitches, stitched, 1.0),
        "rigid": (partial(motif_brush, hold="rigid"), partial(stamped, style=ROTATE), 1.0),
        "interlaced": (
            partial(motif_brush, hold="rigid", overlap="interlaced"),
            partial(stamped, style=ROTATE),
            1.0,
        ),
        "bend": (partial(motif_brush, hold="bend"), partial(stamped, style=MORPH), 1.5),
        "bend, mitred": (
            partial(motif_brush, hold="bend", corners="mitre"),
            partial(stamped, style=MORPH),
            1.5,
        ),
    }
    begin(f"From nodes to the drawing, a motif of {SEGMENTS} segments, against skia")
    for name, (brush, reference, most) in jobs.items():
        for count in COUNTS:
            ours, theirs = best(partial(drawn, path, brush(count)), reference(count, flat), rounds=5)
            beside = f"{number(1000 * ours, 'ms')}, {number(1000 * theirs, 'ms')}"
            aim = most if count == COUNTS[-1] else None
            say(f"{name}, {count:,}", ours / theirs, "×", aim, beside=beside)
    (ten,), (hundred,) = (
        best(partial(drawn, path, motif_brush(count, "rigid")), rounds=3) for count in (10_000, 100_000)
    )
    say("rigid, 100,000 against 10,000: growth (10 is linear)", hundred / ten, "×", 12)
