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
from speed.timing import begin, best, number, say

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
    begin(f"Relief, {COUNT:,} stitches in {tones} levels")
    plain, lit = best(*(partial(drawn, path, sewn(relief)) for relief in (Relief(), RAISED)), rounds=9)
    beside = f"{number(1000 * lit, 'ms')}, {number(1000 * plain, 'ms')}"
    say("laid and made into the drawing, against without", lit / plain, "×", 2.5, beside=beside)
    groups = [drawn(path, sewn(relief)) for relief in (Relief(), RAISED)]
    plain, lit = best(*(partial(_painted, path, group) for group in groups), rounds=5)
    beside = f"{number(1000 * lit, 'ms')}, {number(1000 * plain, 'ms')}"
    say(f"painted at {PPI:.0f} ppi, against without", lit / plain, "×", 3, beside=beside)
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
    again = f"{number(1000 * took[1], 'ms')} once more"
    say(f"insets of all {len(motifs)} built-in motifs", took[0], "s", 1.0, beside=again)


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
            runs = [run["id"] for run in state.all("run")]
            setting = Setting(pointer="/relief/height", entered=height)
            intent = SetOnRuns(kind="set-on-runs", runs=runs, settings=[setting])
            state = journal.do(sheet, journal.current_revision(sheet), intent)
            drawings.append(sheet_drawing(state, with_lines=True, runs=state.all("run")))
        plain, lit = best(*(partial(write_png, drawing, 300.0) for drawing in drawings), rounds=3)
    beside = f"{number(lit, 's')}, {number(plain, 's')}"
    say("the curtain as PNG, 300 ppi, against without", lit / plain, "×", 3, beside=beside)
