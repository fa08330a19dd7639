"""Laying stitches against skia's 1D path effect stamping the same count of the same piece."""

from __future__ import annotations

from collections.abc import Callable
from functools import partial

import skia

from curlet.core.brush import Brush, CornerRule, FitRule, Row
from curlet.core.lay import lay
from curlet.core.lay.draw_row import placements_of
from curlet.core.measures import Measure, Scale
from curlet.core.motif.families import Running
from curlet.core.path import Path
from speed.paths import LENGTH, in_skia, winding
from speed.timing import best, say


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
    print("Laying stitches on a 60-segment, 10 m path, from nodes to placements")
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
        aim = "aim: not above 1.0" if count == 10_000 else ""
        what = f"  {count:,} in {1000 * ours:.2f} ms, against skia's 1D path effect stamping"
        say(f"{what} the same stitch, {1000 * theirs:.2f} ms", f"{ours / theirs:.2f} ×", aim)
        say(f"{what} a bare line, {1000 * less:.2f} ms", f"{ours / less:.2f} ×")
    (many,) = best(partial(_lay_fresh, path, stitches(100_000)), rounds=3)
    say(
        "  100,000 against 10,000: growth (10 is linear)",
        f"{many / times[10_000]:.1f} ×",
        "skia gives up here",
    )


def _lay_fresh(path: Path, brush: Brush) -> None:
    row = lay(fresh(path), brush, Scale()).main
    assert row is not None
    placements_of(row)
