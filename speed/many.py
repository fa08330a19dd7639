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
from curlet.formats.imported import ImportedDrawing
from curlet.formats.svg_in import read_svg
from curlet.store import journal, sheets
from curlet.store.backups import FILE
from curlet.store.commands import AnyIntent, ImportDrawing
from curlet.store.database import open_database
from curlet.store.models import database
from curlet.store.state import State
from curlet.web.frames import whole_frame
from speed.timing import begin, median, say, spread
from tests.browser.conftest import make_browser
from tests.browser.table import Table
from tests.faults.client import ask, command, head_of
from tests.faults.watch import family, private_mb
from tests.server import Server

PATHS, RUNS, REPEATS, GROUP, DRESSED = 5_000, 200, 50_000, 100, 300
FULLEST, PREVIEWS = "curtain", 400
_INTENT: TypeAdapter[AnyIntent] = TypeAdapter(AnyIntent)

# Frames painted while the sheet is panned, and while it is zoomed, for two seconds each, and the longest wait
# for one.
_MOVE = """
const done = arguments[arguments.length - 1];
const paper = document.querySelector("[data-testid=paper]");
const box = paper.getBoundingClientRect();
const at = { clientX: box.x + box.width / 2, clientY: box.y + box.height / 2 };
const turn = (values) => paper.dispatchEvent(new WheelEvent("wheel", {
  bubbles: true, cancelable: true, ...at, ...values }));
const count = (step) => new Promise((resolve) => {
  const painted = [];
  const watch = new PerformanceObserver((list) => {
    painted.push(...list.getEntriesByName("curlet-painted").map((mark) => mark.startTime));
  });
  watch.observe({ entryTypes: ["mark"] });
  const start = performance.now();
  const tick = (i) => {
    const taken = performance.now() - start;
    if (taken > 2000) {
      watch.disconnect();
      const waits = painted.map((time, n) => time - (n ? painted[n - 1] : start));
      resolve([painted.length / (taken / 1000), Math.max(...waits)]);
    } else { step(i); requestAnimationFrame(() => tick(i + 1)); }
  };
  tick(0);
});
(async () => {
  const pan = await count((i) => turn({ deltaX: 9 * Math.cos(i / 9), deltaY: 7 * Math.sin(i / 7) }));
  await new Promise((r) => setTimeout(r, 1000));
  const zoom = await count((i) => turn({ ctrlKey: true, deltaY: i % 40 < 20 ? -12 : 12 }));
  done([...pan, ...zoom]);
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
    with tempfile.TemporaryDirectory() as name:
        folder = FilePath(name)
        open_database(folder / FILE)
        load_demo()
        begin(f"Many paths: {PATHS:,} in one drawing")
        imported = _imported(drawing())
        _dressing()
        full = _full_sheet()
        database.close()
        server, browser = Server(folder), make_browser()
        try:
            _opened(server, browser, imported)
            _asked(server, imported)
            begin(f"A full sheet: {RUNS} runs, {REPEATS:,} repeats")
            _moving(server, browser, full)
            # What is kept of large sheets is not part of it.
            server.stop()
            server.start()
            _kept(server, browser)
        finally:
            browser.quit()
            server.stop()


def _imported(svg: bytes) -> str:
    """The sheet that it is on."""
    start = time.perf_counter()
    svgpathtools.svgstr2paths(svg.decode())
    theirs = time.perf_counter() - start
    start = time.perf_counter()
    taken = read_svg(svg)
    read = time.perf_counter() - start
    sheet = sheets.begin_sheet("Imported", "297", "210", "1:1", "mm")
    start = time.perf_counter()
    whole_frame(_take(sheet, taken), (None, None))
    shown = time.perf_counter() - start
    say("read, against svgpathtools", read / theirs, "×", beside=f"{read:.2f} s")
    say("kept, and made into the first frame", shown, "s", 3)
    return sheet


def _asked(server: Server, sheet: str) -> None:
    """What the page waits for after a step, on the sheet of many paths."""
    paths = [path["id"] for path in head_of(ask(server.address, f"/api/sheets/{sheet}"))["paths"]]

    def took(kind: str, **values: object) -> float:
        revision = head_of(ask(server.address, f"/api/sheets/{sheet}"))["revision"]
        start = time.perf_counter()
        command(server.address, {"kind": kind, **values}, sheet, revision)
        return 1000 * (time.perf_counter() - start)

    moves = [took("move-paths", paths=paths[:1], x=0.1, y=0.1) for _ in range(7)]
    say("a command on it, median of 7", median(moves), "ms", 150, beside=spread(moves))
    some = paths[:DRESSED]
    say(f"a brush laid on {DRESSED} of them", took("lay-brush", paths=some, brush="topstitch") / 1000, "s", 1)
    took("lay-brush", paths=some, brush="tassels")
    every = head_of(ask(server.address, f"/api/sheets/{sheet}"))["runs"]
    setting = {"pointer": "/courses/0/size", "entered": "80 %"}
    runs = [run["id"] for run in every]
    say(
        f"a setting of {len(runs)} runs, tassels",
        took("set-on-runs", runs=runs, settings=[setting]) / 1000,
        "s",
        1.5,
    )


def _opened(server: Server, browser: Chrome, sheet: str) -> None:
    took = []
    for _ in range(5):
        browser.get(f"{server.address}/sheets/{sheet}")
        Table(browser, server.address).wait(lambda: _first_painted(browser))
        took.append(_first_painted(browser))
    say("opened, to its first painting, median of 5", median(took), "ms", 1_500, beside=spread(took))


def _first_painted(browser: Chrome) -> float:
    """From the page's beginning, ms; 0 before it is painted."""
    script = "return performance.getEntriesByName('curlet-painted')[0]?.startTime ?? 0"
    return float(browser.execute_script(script))


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
        f"{GROUP} dressed at once, against one by one",
        together / one_by_one,
        "×",
        beside=f"{together:.2f} s",
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


def _moving(server: Server, browser: Chrome, sheet: str) -> None:
    table = Table(browser, server.address)
    browser.get(f"{server.address}/sheets/{sheet}")
    table.by_id("artwork")
    time.sleep(4)
    browser.set_script_timeout(60)
    pan, pan_wait, zoom, zoom_wait = browser.execute_async_script(_MOVE)
    say("frames a second, panned", pan, "", 60, least=True, beside=f"longest wait {pan_wait:.0f} ms")
    say("frames a second, zoomed", zoom, "", 60, least=True, beside=f"longest wait {zoom_wait:.0f} ms")


def _kept(server: Server, browser: Chrome) -> None:
    """What is held after much dragging on the fullest sheet, no two previews alike, and by the page that it
    is on. What is kept of previews is bounded: from here on little is added in an hour."""
    begin(f"Memory: the fullest sheet, after {PREVIEWS:,} previews")
    sheet = head_of(ask(server.address, f"/api/sheets/{FULLEST}"))
    path = next(path for path in sheet["paths"] if path["name"] == "Pelmet hem")
    node = path["nodes"][0]
    for step in range(PREVIEWS):
        moves = [{"id": node["id"], "x": node["x"] + 0.01 * step, "y": node["y"]}]
        intent = {"kind": "move-nodes", "path": path["id"], "moves": moves}
        body = {"revision": sheet["revision"], "intent": intent}
        ask(server.address, f"/api/sheets/{FULLEST}/preview", body)
    say("the server and its processes", private_mb(family(server.process.pid)), "MB", 400)
    browser.get(f"{server.address}/sheets/{FULLEST}")
    Table(browser, server.address).wait(lambda: _first_painted(browser))
    time.sleep(4)
    say("a page open on it", private_mb(_pages(browser)), "MB", 300)


def _pages(browser: Chrome) -> list[int]:
    """The processes that draw pages."""
    found = []
    for one in family(browser.service.process.pid):
        try:
            words = FilePath(f"/proc/{one}/cmdline").read_bytes()
        except OSError:
            continue
        if b"--type=renderer" in words:
            found.append(one)
    return found
