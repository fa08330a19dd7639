"""Files of the fullest demo sheet against skia drawing the same shapes, and many flats at once against one by
one."""

from __future__ import annotations

import subprocess
import sys
import tempfile
import time
from functools import partial
from pathlib import Path as FilePath

import skia

from curlet.core.drawing import Drawing
from curlet.demo.load import load_demo
from curlet.formats.output import FileSettings
from curlet.formats.pdf_out import write_pdf
from curlet.formats.png_out import draw_groups, pixels, write_png
from curlet.store import journal
from curlet.store.database import open_database
from curlet.store.models import database
from curlet.studio.drawn_sheet import sheet_drawing
from speed.timing import begin, best, number, say

SHEET, PPI = "curtain", 300.0
FLATS, ALONE = 100, 5
_FLAT = """<svg xmlns="http://www.w3.org/2000/svg" width="200mm" height="150mm" viewBox="0 0 200 150">
<g fill="none"><path stroke="#c00" d="M10 {y}C60 5 120 90 190 {y}"/>
<path stroke="#00c" d="M20 40H180V140H20Z"/></g></svg>"""
_RECIPE = """scale = "1:4"
[[rule]]
brush = "topstitch"
lines = "stroke=#c00"
[[rule]]
brush = "rope"
lines = "stroke=#00c"
"""


def run() -> None:
    with tempfile.TemporaryDirectory() as folder:
        open_database(FilePath(folder) / "curlet.sqlite")
        load_demo()
        state = journal.find_sheet(SHEET)
        drawing = sheet_drawing(state, with_lines=True, runs=state.all("run"))
        database.close()
    begin(f"Files of the fullest sheet, {SHEET}, against skia playing back the same shapes")
    _files(drawing)
    begin(f"{FLATS} flats dressed by one command")
    _dressed()


def _files(drawing: Drawing) -> None:
    """Skia plays back what it was told to draw for our own picture, at the same resolution."""
    across, down = pixels(drawing.width, PPI), pixels(drawing.height, PPI)
    recorder = skia.PictureRecorder()
    canvas = recorder.beginRecording(skia.Rect.MakeWH(across, down))
    canvas.scale(across / drawing.width, down / drawing.height)
    draw_groups(canvas, drawing.groups)
    shapes = recorder.finishRecordingAsPicture()

    def skias_png() -> None:
        surface = skia.Surface.MakeRasterN32Premul(across, down)
        surface.getCanvas().drawPicture(shapes)
        surface.makeImageSnapshot().encodeToData()

    def skias_pdf() -> None:
        stream = skia.DynamicMemoryWStream()
        document = skia.PDF.MakeDocument(stream)
        document.beginPage(across, down).drawPicture(shapes)
        document.endPage()
        document.close()

    ours, theirs = best(partial(write_png, drawing, PPI), skias_png, rounds=1)
    beside = f"{number(ours, 's')}, {number(theirs, 's')}"
    say(f"PNG, {PPI:.0f} ppi", ours / theirs, "×", 2, beside=beside)
    ours, theirs = best(partial(write_pdf, [drawing], FileSettings()), skias_pdf, rounds=1)
    beside = f"{number(ours, 's')}, {number(theirs, 's')}"
    say("PDF, against skia's own", ours / theirs, "×", 2, beside=beside)


def _dressed() -> None:
    with tempfile.TemporaryDirectory() as name:
        folder = FilePath(name)
        (folder / "recipe.toml").write_text(_RECIPE)
        flats = [folder / f"flat-{place}.svg" for place in range(FLATS)]
        for place, flat in enumerate(flats):
            flat.write_text(_FLAT.format(y=10 + place % 20))
        start = time.perf_counter()
        _command(folder, flats, "together")
        together = time.perf_counter() - start
        start = time.perf_counter()
        for flat in flats[:ALONE]:
            _command(folder, [flat], f"alone-{flat.stem}")
        alone = (time.perf_counter() - start) / ALONE * FLATS
    beside = f"{number(together, 's')}, {number(alone, 's')} as reckoned from {ALONE}"
    say("together, against one by one", together / alone, "×", 0.2, beside=beside)


def _command(folder: FilePath, flats: list[FilePath], output: str) -> None:
    out = folder / output
    out.mkdir()
    curlet = [str(FilePath(sys.executable).parent / "curlet"), "dress", str(folder / "recipe.toml")]
    subprocess.run([*curlet, *map(str, flats), "-o", str(out)], check=True, capture_output=True)
