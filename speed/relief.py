"""Relief against the same without it: laying and drawing, painting, insets, a whole sheet."""

from __future__ import annotations

import tempfile
import time
from functools import partial
from pathlib import Path as FilePath

from curlet.core.brush import Brush, CornerRule, FitRule, Row
from curlet.core.drawing import Drawing, Group
from curlet.core.dress.relief import LIGHT, Relief, levels
from curlet.core.lay import lay
from curlet.core.lay.draw import draw_run
from curlet.core.measures import Measure, Scale
from curlet.core.motif.families import Running
from curlet.core.motif.raised import raised
from curlet.core.path import Path
from curlet.core.path import insets as insets_room
from curlet.demo.brushes import BRUSHES
from curlet.formats.brush_file import read_brush
from curlet.formats.png_out import painted, write_png
from speed.laying import fresh
from speed.paths import LENGTH, winding
from speed.timing import best, say

RAISED = Relief(height=60.0)
COUNT, THICK, PPI = 10_000, 0.3, 762.0


def sewn(relief: Relief) -> Brush:
    """10,000 stitches of a thread that is drawn in four levels."""
    pitch = LENGTH / COUNT
    row = Row(Running(Measure(THICK)), Measure(0.75 * pitch), Measure(0.25 * pitch), FitRule("ease"))
    return Brush(courses=(row,), corners=CornerRule("carry"), relief=relief)


def drawn(path: Path, brush: Brush) -> Group:
    return draw_run(lay(fresh(path), brush, Scale()), "run", "")


def run() -> None:
    path = winding()
    tones = sum(step.seen[0] <= PPI / 25.4 < step.seen[1] for step in levels(THICK / 2, RAISED, LIGHT))
    print(f"\nRelief, {COUNT:,} stitches in {tones} levels")
    plain, lit = best(*(partial(drawn, path, sewn(relief)) for relief in (Relief(), RAISED)), rounds=9)
    what = f"  laid and made into the drawing, {1000 * lit:.1f} ms, against without, {1000 * plain:.1f} ms"
    say(what, f"{lit / plain:.2f} ×", "aim: not above 2.5")
    groups = [drawn(path, sewn(relief)) for relief in (Relief(), RAISED)]
    plain, lit = best(*(partial(_painted, path, group) for group in groups), rounds=5)
    what = f"  painted at {PPI:.0f} ppi, {1000 * lit:.0f} ms, against without, {1000 * plain:.0f} ms"
    say(what, f"{lit / plain:.2f} ×", "aim: not above 3")
    _insets()
    _sheet()


def _painted(path: Path, group: Group) -> None:
    low, high = path.points.min(axis=0), path.points.max(axis=0)
    width, height = (min(float(side), 300.0) for side in high - low)
    painted(Drawing(width, height, (group,)), PPI)


def _insets() -> None:
    """Every built-in brush's motifs raised, with nothing kept of them, and once more."""
    rows = [row for doc in BRUSHES.values() for row in read_brush(doc).to_core().rows]
    motifs = [
        pair for row in rows for pair in zip(row.motifs(Scale()), row.drawn_lengths(Scale()), strict=True)
    ]
    for kept in (raised, insets_room._insets, insets_room._area_of, insets_room._known_parts):
        kept.cache_clear()
    took = []
    for _ in range(2):
        start = time.perf_counter()
        for motif, length in motifs:
            raised(motif, length, RAISED, LIGHT)
        took.append(time.perf_counter() - start)
    say(f"  insets of all {len(motifs)} built-in motifs", f"{took[0]:.2f} s", "aim: not above 1 s")
    say("  the same again", f"{1000 * took[1]:.1f} ms")


def _sheet() -> None:
    """The fullest demo sheet as PNG, 300 ppi."""
    from curlet.demo.load import load_demo
    from curlet.store import journal
    from curlet.store.commands.runs import SetOnRuns, Setting
    from curlet.store.database import open_database
    from curlet.studio.drawn_sheet import sheet_drawing

    with tempfile.TemporaryDirectory() as folder:
        open_database(FilePath(folder) / "curlet.sqlite3")
        load_demo()
        sheet = "curtain"
        drawings = []
        for height in ("0", "60"):
            state = journal.find_sheet(sheet)
            runs = tuple(run["id"] for run in state.all("run"))
            setting = Setting(pointer="/relief/height", entered=height)
            intent = SetOnRuns(kind="set-on-runs", runs=runs, settings=[setting])
            state = journal.do(sheet, journal.current_revision(sheet), intent)
            drawings.append(sheet_drawing(state, with_lines=True, runs=state.all("run")))
        plain, lit = best(*(partial(write_png, drawing, 300.0) for drawing in drawings), rounds=3)
    what = f"  the curtain as PNG, 300 ppi, {lit:.2f} s, against without, {plain:.2f} s"
    say(what, f"{lit / plain:.2f} ×", "aim: not above 3")
