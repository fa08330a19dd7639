"""Laying stitches against skia's 1D path effect stamping the same count of the same piece."""

from __future__ import annotations

from collections.abc import Callable
from functools import partial

import skia

from curlet.core.brush import Brush, CornerRule, FitRule, Row
from curlet.core.lay import lay
from curlet.core.lay.draw import draw_run
from curlet.core.lay.draw_row import placements_of
from curlet.core.measures import Measure, Scale
from curlet.core.motif.families import Running
from curlet.core.path import Path
from speed.paths import LENGTH, in_skia, winding
from speed.timing import begin, best, number, say

SMALL, STITCHES = 200, 250


def stitches(count: int) -> Brush:
    """A brush that puts about `count` stitches on the path."""
    pitch = LENGTH / count
    row = Row(Running(Measure(0.1)), Measure(0.75 * pitch), Measure(0.25 * pitch), FitRule("ease"))
    return Brush(courses=(row,), corners=CornerRule("carry"))


ROTATE = skia.Path1DPathEffect.kRotate_Style


def stamping(
    stamp: skia.Path, count: int, path: skia.Path, style: skia.Path1DPathEffect.Style = ROTATE
) -> Callable[[], object]:
    """The reference: the effect resolved to the stamps' outlines, as laying resolves to placements."""
    effect = skia.Path1DPathEffect.Make(stamp, LENGTH / count, 0, style)
    record = skia.StrokeRec(skia.StrokeRec.kFill_InitStyle)

    def job() -> object:
        out = skia.Path()
        effect.filterPath(out, path, record, skia.Rect.MakeLTRB(-1e6, -1e6, 1e6, 1e6))
        return out

    return job


def stitch(count: int) -> skia.Path:
    """The stitch as it is drawn: thread with round ends, which the effect stamps as an outline."""
    out = skia.Path()
    box = skia.Rect.MakeXYWH(0, -0.05, 0.75 * LENGTH / count, 0.1)
    return out.addRRect(skia.RRect.MakeRectXY(box, 0.05, 0.05))


def bare_line(count: int) -> skia.Path:
    """Less than a stitch: its centreline alone."""
    out = skia.Path()
    out.moveTo(0, 0)
    out.lineTo(0.75 * LENGTH / count, 0)
    return out


def fresh(path: Path) -> Path:
    """The same path with nothing worked out yet."""
    return Path(path.node_ids, path.points, path.into, path.out, path.closed)


def run() -> None:
    path = winding()
    flat = in_skia(path)
    begin("Laying stitches on a 60-segment, 10 m path, from nodes to placements")
    times = {}
    for count in (1_000, 10_000):
        brush = stitches(count)
        ours, theirs, less = best(
            partial(_lay_fresh, path, brush),
            stamping(stitch(count), count, flat),
            stamping(bare_line(count), count, flat),
            rounds=25,
        )
        times[count] = ours
        aim = 1.0 if count == 10_000 else None
        what = f"{count:,}, against skia's 1D path effect stamping"
        say(f"{what} the same stitch", ours / theirs, "×", aim, beside=_both(ours, theirs))
        say(f"{what} a bare line", ours / less, "×", beside=_both(ours, less))
    (many,) = best(partial(_lay_fresh, path, stitches(100_000)), rounds=3)
    say("100,000 against 10,000: growth (10 is linear; skia gives up here)", many / times[10_000], "×", 12)
    _small()


def _small() -> None:
    """Runs as garments have them: each path is laid and drawn by itself, as skia's effect stamps it."""
    begin(f"{SMALL} paths of four cubics with {STITCHES} stitches each, laid and drawn")
    paths = [winding(4, STITCHES * 4.0 + index / 10) for index in range(SMALL)]
    flats = [in_skia(path) for path in paths]
    row = Row(Running(Measure(0.4)), Measure(3.0), Measure(1.0), FitRule("ease"))
    brush = Brush(courses=(row,), corners=CornerRule("carry"))
    stamp = skia.Path().addRRect(skia.RRect.MakeRectXY(skia.Rect.MakeXYWH(0, -0.2, 3.0, 0.4), 0.2, 0.2))
    effect = skia.Path1DPathEffect.Make(stamp, 4.0, 0, ROTATE)
    record = skia.StrokeRec(skia.StrokeRec.kFill_InitStyle)

    def ours() -> None:
        for path in paths:
            draw_run(lay(fresh(path), brush, Scale()), "run", "")

    def theirs() -> None:
        for flat in flats:
            effect.filterPath(skia.Path(), flat, record, skia.Rect.MakeLTRB(-1e6, -1e6, 1e6, 1e6))

    took, reference = best(ours, theirs, rounds=5)
    say(
        "against skia's 1D path effect stamping them", took / reference, "×", 4, beside=_both(took, reference)
    )


def _both(ours: float, theirs: float) -> str:
    return f"{number(1000 * ours, 'ms')}, {number(1000 * theirs, 'ms')}"


def _lay_fresh(path: Path, brush: Brush) -> None:
    row = lay(fresh(path), brush, Scale()).main
    assert row is not None
    placements_of(row)
