"""From a control on the Bench to the whole proof board redrawn, in Chromium."""

from __future__ import annotations

import tempfile
from pathlib import Path as FilePath

from selenium.webdriver import Chrome

from curlet.demo.brushes import BRUSHES
from speed.timing import begin, median, say
from tests.browser.conftest import make_browser
from tests.browser.table import Table
from tests.server import Server

CHANGES = 5

# A length is entered, digit by digit as a hand does; from each to the first painting that follows.
_TYPE = """
const done = arguments[arguments.length - 1];
const [changes] = arguments;
const field = document.querySelector("[aria-label='Repeat length']");
if (!field) { done([]); return; }
const set = Object.getOwnPropertyDescriptor(HTMLInputElement.prototype, "value").set;
const start = parseFloat(field.value);
const painted = (since) => new Promise((resolve) => {
  const look = () => {
    const mark = performance.getEntriesByName("curlet-bench-painted").find((m) => m.startTime > since + 1);
    if (mark) resolve(mark.startTime); else requestAnimationFrame(look);
  };
  look();
});
(async () => {
  const times = [];
  for (let i = 0; i <= changes; i++) {
    performance.clearMarks("curlet-bench-painted");
    const since = performance.now();
    set.call(field, `${(start * (1 + 0.01 * (i + 1))).toFixed(3)} mm`);
    field.dispatchEvent(new Event("input", { bubbles: true }));
    const until = await painted(since);
    if (i) times.push(until - since);
    await new Promise((r) => setTimeout(r, 120));
  }
  done(times);
})();
"""


def run() -> None:
    with tempfile.TemporaryDirectory() as folder:
        server, browser = Server(FilePath(folder)), make_browser()
        try:
            times = {name: _typed(Table(browser, server.address), browser, name) for name in BRUSHES}
        finally:
            browser.quit()
            server.stop()
    found = {name: median(values) for name, values in times.items() if values}
    slowest = max(found, key=lambda name: found[name])
    begin("The Bench")
    beside = f"slowest {slowest}, {found[slowest]:.0f} ms"
    words = f"from a control to the proof board redrawn, median of {len(found)} built-ins"
    say(words, median(list(found.values())), "ms", 150, beside=beside)


def _typed(table: Table, browser: Chrome, name: str) -> list[float]:
    browser.get(f"{table.address}/bench/{name}")
    table.by_id("proof-star")
    browser.set_script_timeout(60)
    times: list[float] = browser.execute_async_script(_TYPE, CHANGES)
    return times
