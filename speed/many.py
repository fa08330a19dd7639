"""Many paths at once: a drawing of 5,000 imported, a group of 100 dressed, a full sheet panned and zoomed."""

from __future__ import annotations

import tempfile
import time
from pathlib import Path as FilePath

import numpy as np
import svgpathtools
from pydantic import TypeAdapter
from selenium.webdriver import Chrome

from curlet.demo.load import load_demo
from curlet.formats.svg_in import ImportedDrawing, read_svg
from curlet.store import journal, sheets
from curlet.store.commands import AnyIntent, ImportDrawing
from curlet.store.database import open_database
from curlet.store.state import State
from curlet.web.frames import whole_frame
from speed.timing import say
from tests.browser.conftest import make_browser
from tests.browser.table import Table
from tests.server import Server

PATHS, RUNS, REPEATS, GROUP = 5_000, 200, 50_000, 100
_INTENT: TypeAdapter[AnyIntent] = TypeAdapter(AnyIntent)

# Frames painted while the sheet is panned, and while it is zoomed, for a second each.
_MOVE = """
const done = arguments[arguments.length - 1];
const paper = document.querySelector("[data-testid=paper]");
const box = paper.getBoundingClientRect();
const at = { x: box.x + box.width / 2, y: box.y + box.height / 2 };
const send = (type, x, y, buttons) => paper.dispatchEvent(new PointerEvent(type, {
  bubbles: true, cancelable: true, pointerId: 1, isPrimary: true, pointerType: "mouse",
  clientX: x, clientY: y, buttons, button: type === "pointermove" ? -1 : 0 }));
const count = (step) => new Promise((resolve) => {
  let painted = 0;
  const watch = new PerformanceObserver((list) => {
    painted += list.getEntriesByName("curlet-painted").length;
  });
  watch.observe({ entryTypes: ["mark"] });
  const start = performance.now();
  const tick = (i) => {
    if (performance.now() - start > 2000) {
      watch.disconnect();
      resolve(painted / ((performance.now() - start) / 1000));
    } else { step(i); requestAnimationFrame(() => tick(i + 1)); }
  };
  tick(0);
});
(async () => {
  send("pointerdown", at.x, at.y, 1);
  const pan = await count((i) =>
    send("pointermove", at.x + 60 * Math.sin(i / 9), at.y + 40 * Math.cos(i / 7), 1));
  send("pointerup", at.x, at.y, 0);
  const zoom = await count((i) => paper.dispatchEvent(new WheelEvent("wheel", {
    bubbles: true, cancelable: true, clientX: at.x, clientY: at.y, deltaY: i % 40 < 20 ? -12 : 12 })));
  done([pan, zoom]);
})();
"""


def drawing(count: int = PATHS) -> bytes:
    """A flat's worth of lines of five kinds, in four layers."""
    chance = np.random.default_rng(1)
    kinds = (
        'd="M{x} {y}c3 -4 7 4 10 0s4 6 9 2"',
        'd="M{x} {y}h8v5h-8z"',
        'd="M{x} {y}a3 3 0 1 1 6 0a3 3 0 1 1 -6 0"',
        'd="M{x} {y}l5 3l-2 6z" stroke-dasharray="1 .5"',
        'd="M{x} {y}l4 2l5 -3"',
    )
    layers: list[list[str]] = [[], [], [], []]
    for i, (x, y) in enumerate(chance.uniform((0, 0), (280, 195), (count, 2)).round(2).tolist()):
        line = kinds[i % 5].format(x=x, y=y)
        layers[i % 4].append(f'<path {line} fill="none" stroke="#334" stroke-width="0.3"/>')
    groups = "".join(f'<g id="layer-{n}">{"".join(lines)}</g>' for n, lines in enumerate(layers))
    head = '<svg xmlns="http://www.w3.org/2000/svg" width="297mm" height="210mm" viewBox="0 0 297 210">'
    return f"{head}{groups}</svg>".encode()


def run() -> None:
    with tempfile.TemporaryDirectory() as folder:
        file = FilePath(folder) / "curlet.sqlite"
        open_database(file)
        load_demo()
        _taking_in(drawing())
        _dressing()
        full = _full_sheet()
        _moving(FilePath(folder), full)


def _taking_in(svg: bytes) -> None:
    start = time.perf_counter()
    svgpathtools.svgstr2paths(svg.decode())
    theirs = time.perf_counter() - start
    start = time.perf_counter()
    taken = read_svg(svg)
    read = time.perf_counter() - start
    sheet = sheets.begin_sheet("Imported", "297", "210", "1:1", "mm")
    start = time.perf_counter()
    state = _take(sheet, taken)
    kept = time.perf_counter() - start
    start = time.perf_counter()
    whole_frame(state, (None, None))
    shown = time.perf_counter() - start
    say(f"\nReading {PATHS:,} paths, against svgpathtools", f"{read:.2f} s", f"{read / theirs:.2f} x")
    say("… keeping them, and the first frame", f"{kept:.2f} s and {shown:.2f} s", "aim: under 3 s in all")


def _take(sheet: str, taken: ImportedDrawing) -> State:
    intent = ImportDrawing(title="Flat", groups=(("Flat", None, taken.paths),))
    return journal.do(sheet, journal.current_revision(sheet), intent)


def _dressing() -> None:
    """A group dressed at once, against the same paths dressed one by one."""
    sheet = sheets.begin_sheet("Dressed", "297", "210", "1:1", "mm")
    state = _take(sheet, read_svg(drawing(GROUP)))
    whole_frame(state, (None, None))
    ids = [path["id"] for path in state.all("path")]

    def dress(paths: list[str], brush: str) -> float:
        start = time.perf_counter()
        whole_frame(_do(sheet, kind="lay-brush", paths=paths, brush=brush), (None, None))
        return time.perf_counter() - start

    together = dress(ids, "topstitch")
    one_by_one = sum(dress([path], "eight") for path in ids[:10]) * len(ids) / 10
    say(
        f"Dressing {GROUP} paths at once, against one by one",
        f"{together:.2f} s",
        f"{together / one_by_one:.2f} x",
    )


def _full_sheet() -> str:
    """200 wavy seams of 250 stitches each."""
    sheet = sheets.begin_sheet("Full", "420", "297", "1:1", "mm")
    wave = 'c100 -9 100 9 200 0s100 9 200 0" stroke="#334" fill="none"/>'
    lines = "".join(f'<path d="M8 {5 + 1.43 * i:.2f}{wave}' for i in range(RUNS))
    head = '<svg xmlns="http://www.w3.org/2000/svg" width="420mm" height="297mm" viewBox="0 0 420 297">'
    state = _take(sheet, read_svg(f"{head}{lines}</svg>".encode()))
    ids = [path["id"] for path in state.all("path")]
    pitch = 401.0 / (REPEATS / RUNS)
    state = _do(sheet, kind="lay-brush", paths=ids, brush="topstitch")
    settings = [
        {"pointer": f"/courses/0/{name}", "entered": f"{share * pitch:.4f}"}
        for name, share in (("length", 0.7), ("gap", 0.3))
    ]
    _do(sheet, kind="set-on-runs", runs=[run["id"] for run in state.all("run")], settings=settings)
    return sheet


def _do(sheet: str, **values: object) -> State:
    return journal.do(sheet, journal.current_revision(sheet), _INTENT.validate_python(values))


def _moving(folder: FilePath, sheet: str) -> None:
    server, browser = Server(folder), make_browser()
    try:
        table = Table(browser, server.address)
        browser.get(f"{server.address}/sheets/{sheet}")
        table.by_id("artwork")
        time.sleep(4)
        pan, zoom = _frames(browser)
        say(
            f"{RUNS} runs, {REPEATS:,} repeats: frames a second, panned and zoomed",
            f"{pan:.0f} and {zoom:.0f}",
        )
    finally:
        browser.quit()
        server.stop()


def _frames(browser: Chrome) -> tuple[float, float]:
    browser.set_script_timeout(60)
    pan, zoom = browser.execute_async_script(_MOVE)
    return float(pan), float(zoom)
