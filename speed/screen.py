"""Drag to paint in Chromium, and how long the application takes to start."""

from __future__ import annotations

import gzip
import re
import tempfile
import time
from pathlib import Path as FilePath

from selenium.webdriver import Chrome
from selenium.webdriver.common.by import By
from selenium.webdriver.support.ui import Select

from speed.timing import begin, median, say
from tests.browser.conftest import make_browser
from tests.browser.table import Table
from tests.server import Server

MOVES = 24
# From one repeat of the brush to the next as it is laid, mm.
_LAID = 4.0

# A node is moved by pointer events, away from all that draws it; from each to the painting that follows.
_DRAG = """
const done = arguments[arguments.length - 1];
const [id, moves] = arguments;
const node = document.querySelector(`[data-testid='node-${id}']`);
const box = node.getBoundingClientRect();
const at = { x: box.x + box.width / 2, y: box.y + box.height / 2 };
const send = (type, x, y, buttons) => node.dispatchEvent(new PointerEvent(type, {
  bubbles: true, cancelable: true, pointerId: 1, isPrimary: true, pointerType: "mouse",
  clientX: x, clientY: y, button: type === "pointermove" ? -1 : 0, buttons }));
const painted = (since) => new Promise((resolve) => {
  const look = () => {
    const mark = performance.getEntriesByName("curlet-painted").find((m) => m.startTime > since + 1);
    if (mark) resolve(mark.startTime); else requestAnimationFrame(look);
  };
  look();
});
(async () => {
  send("pointerdown", at.x, at.y, 1);
  send("pointermove", at.x + 40, at.y + 40, 1);
  await new Promise((r) => setTimeout(r, 400));
  const times = [];
  for (let i = 0; i < moves; i++) {
    performance.clearMarks();
    const start = performance.now();
    send("pointermove", at.x + 42 + i, at.y + 42 + (i % 5), 1);
    const all = (await painted(start)) - start;
    const [arrived, painting, drawn] = ["arrived", "painting", "drawn"].map(
      (name) => performance.getEntriesByName(`curlet-${name}`).at(-1).startTime - start);
    times.push({ all, server: arrived, react: painting - arrived, painting: drawn - painting });
    await new Promise((r) => setTimeout(r, 30));
  }
  send("pointerup", at.x, at.y, 0);
  done(times);
})();
"""


def drag_times(browser: Chrome, node: str) -> list[dict[str, float]]:
    """For each move, ms: until it is painted, and of that until the reply is there and read, the page's
    rendering up to the canvas, and drawing on it."""
    browser.set_script_timeout(60)
    times: list[dict[str, float]] = browser.execute_async_script(_DRAG, node, MOVES)
    return times


# A node is dragged and the sheet panned while a file is made and fetched: for how long the page is busy at
# the most, ms, told by the browser from 50 ms on, and when the file came.
_AT_ONCE = """
const done = arguments[arguments.length - 1];
const [id, file] = arguments;
const node = document.querySelector(`[data-testid='node-${id}']`);
const paper = document.querySelector("[data-testid=paper]");
const box = node.getBoundingClientRect();
const at = { x: box.x + box.width / 2, y: box.y + box.height / 2 };
const send = (type, x, y, buttons) => node.dispatchEvent(new PointerEvent(type, {
  bubbles: true, cancelable: true, pointerId: 1, isPrimary: true, pointerType: "mouse",
  clientX: x, clientY: y, button: type === "pointermove" ? -1 : 0, buttons }));
(async () => {
  let longest = 0, fetched = null;
  const watch = new PerformanceObserver((list) => {
    longest = Math.max(longest, ...list.getEntries().map((one) => one.duration));
  });
  watch.observe({ entryTypes: ["longtask"] });
  const start = performance.now();
  const there = fetch(file).then(async (reply) => [reply.ok, (await reply.blob()).size]);
  there.then(() => { fetched = performance.now() - start; });
  send("pointerdown", at.x, at.y, 1);
  let moves = 0;
  while (performance.now() - start < 3000 || (fetched === null && performance.now() - start < 20000)) {
    send("pointermove", at.x + 40 + 30 * Math.sin(moves / 9), at.y + 20 * Math.cos(moves / 7), 1);
    paper.dispatchEvent(new WheelEvent("wheel", { bubbles: true, cancelable: true,
      clientX: at.x, clientY: at.y, deltaX: 6 * Math.cos(moves / 11) }));
    moves += 1;
    await new Promise(requestAnimationFrame);
  }
  const taken = performance.now() - start;
  send("pointerup", at.x, at.y, 0);
  await new Promise((r) => setTimeout(r, 300));
  watch.disconnect();
  const [ok, size] = await there;
  done({ longest, fetched, ok, size, frames: moves / (taken / 1000) });
})();
"""


_STATIC = FilePath(__file__).parent.parent / "curlet/web/static"


def _say_bundle() -> None:
    """The scripts that the page's first file names: without them nothing is seen."""
    page = (_STATIC / "index.html").read_text()
    files = re.findall(r'"/(assets/[^"]+\.js)"', page)
    packed = sum(len(gzip.compress((_STATIC / file).read_bytes(), 9)) for file in files)
    begin("The page")
    say("index bundle, packed", packed / 1000, "kB", 120)


def run() -> None:
    _say_bundle()
    with tempfile.TemporaryDirectory() as folder:
        start = time.perf_counter()
        server = Server(FilePath(folder))
        address = server.address
        say("start-up, empty folder to first reply", time.perf_counter() - start, "s")
        server.stop()
        start = time.perf_counter()
        server.start()
        assert server.address == address
        say("start-up, to first reply", time.perf_counter() - start, "s", 1.2)
        browser = make_browser()
        try:
            flat = _drag(Table(browser, address), 2_000, 33)
            raised = _drag(Table(browser, address), 2_000, None, relief="60")
            say("with relief against without", raised / flat, "×", 1.3)
            _drag(Table(browser, address), 20_000, 60)
            _drag_an_area(Table(browser, address))
            _all_at_once(Table(browser, address))
        finally:
            browser.quit()
            server.stop()


def _drag(table: Table, count: int, aim: float | None, relief: str = "") -> float:
    """ms at the median."""
    table.open()
    _lay(table, count)
    if relief:
        table.unfold("relief")
        table.type_in("Height", relief)
        table.wait(lambda: "Undo: Set relief" in (table.button("Undo").get_attribute("title") or ""))
    what = f"drag to paint, {table.count():,} repeats{', raised' if relief else ''}"
    part = _say_drag(table, "n4", what, aim)
    say("… of it until the reply is read", median(part["server"]), "ms")
    say("… React's share, from there to the canvas", median(part["react"]), "ms", 8)
    say("… drawing on the canvas", median(part["painting"]), "ms")
    return median(part["all"])


def _say_drag(table: Table, node: str, what: str, aim: float | None) -> dict[str, list[float]]:
    times = drag_times(table.browser, node)
    part = {name: [time[name] for time in times] for name in times[0]}
    worst = sorted(part["all"])[int(0.9 * len(times))]
    say(
        f"{what}, median of {len(times)}",
        median(part["all"]),
        "ms",
        aim,
        beside=f"nine tenths under {worst:.0f} ms",
    )
    return part


def _drag_an_area(table: Table) -> None:
    """A node of a path with a hundred stitches, of which an area is made."""
    table.open()
    _lay(table, 100)
    table.option("What the area is made of", "Runs").click()
    table.button("Make an area of it").click()
    used = table.sought(By.CSS_SELECTOR, "[aria-label^='What of Front R']")
    Select(used).select_by_visible_text("Its inside only")
    table.wait(lambda: "Undo: Change Area" in (table.button("Undo").get_attribute("title") or ""))
    table.choose("front-r")
    table.wait(table.count)
    part = _say_drag(table, "n4", "drag to paint, an area of 100 repeats", 120)
    say("… of it until the reply is read", median(part["server"]), "ms")


def _all_at_once(table: Table) -> None:
    """A drag, a pan and an export on the demo's waistcoat."""
    table.open()
    table.choose("front-r")
    table.browser.set_script_timeout(60)
    file = table.browser.current_url.replace("/sheets/", "/api/sheets/") + "/export.png?ppi=600"
    done = table.browser.execute_async_script(_AT_ONCE, "n4", file)
    assert done["ok"]
    beside = f"exported in {done['fetched'] / 1000:.1f} s; {done['frames']:.0f} moves a second"
    say(
        "dragging, panning and exporting at once: the page's longest task",
        done["longest"],
        "ms",
        100,
        beside=beside,
    )


def _lay(table: Table, count: int) -> None:
    """Stitches along the front's edge, about so many: it is as long as earlier drags have left it."""
    table.choose("front-r")
    table.by_id("brush-topstitch").click()
    table.wait(table.count)
    length = _LAID * table.count() / count
    table.type_in("Gap", f"{length / 4:.4f}")
    table.wait(lambda: "Undo: Set gap" in (table.button("Undo").get_attribute("title") or ""))
    table.type_in("Stitch length", f"{3 * length / 4:.4f}")
    table.wait(lambda: 0.9 * count < table.count() < 1.1 * count)
