"""Every view at the sizes of people's windows: nothing cut off, nothing over another, Export within reach."""

from __future__ import annotations

from collections.abc import Callable

import pytest
from selenium.webdriver.common.by import By

from tests.browser.table import Table
from tests.effort import LONG

# Width and height of the window, px, and how far the page is zoomed.
SIZES = [(1024, 700, 1.0), (1280, 800, 1.0), (2560, 1440, 1.0), (1280, 800, 2.0)]
if LONG:
    SIZES += [(1440, 900, 1.0), (1920, 1080, 1.0), (1280, 800, 1.5)]

# What a person must be able to press lies within the window or within something that scrolls, is as large as
# its words, and is not covered by anything else.
FAULTS = """
const shown = (e) => e.checkVisibility({visibilityProperty: true, opacityProperty: true});
const scrolls = (e) => {
  for (let p = e.parentElement; p; p = p.parentElement) {
    const {overflowY, overflowX} = getComputedStyle(p);
    if (/auto|scroll/.test(overflowY + overflowX)) return p;
  }
  return null;
};
const name = (e) => (e.ariaLabel ?? e.textContent ?? "").trim().slice(0, 40);
const faults = [];
const root = document.querySelector("dialog[open]") ?? document;
for (const e of root.querySelectorAll("button, a, input:not(.sr-only), select")) {
  if (!shown(e) || e.closest(".sr-only, [role=application], svg")) continue;
  const box = e.getBoundingClientRect();
  if (!box.width || !box.height || e.classList.contains("sr-only")) continue;
  const pane = scrolls(e);
  if (pane) {
    if (box.right > pane.getBoundingClientRect().right + 1 && getComputedStyle(pane).overflowX === "hidden")
      faults.push(`${name(e)}: cut off at the right`);
    continue;
  }
  if (box.left < -1 || box.top < -1 || box.right > innerWidth + 1 || box.bottom > innerHeight + 1)
    faults.push(`${name(e)}: out of the window`);
  const top = document.elementFromPoint(box.left + box.width / 2, box.top + box.height / 2);
  if (top && !e.contains(top) && !top.contains(e) && !top.closest("label")?.contains(e))
    faults.push(`${name(e)}: covered by ${name(top) || top.tagName}`);
  const cut = e.scrollWidth > e.clientWidth + 2 && getComputedStyle(e).overflowX === "hidden";
  if (cut && e.tagName === "BUTTON" && !e.title && !e.querySelector(".truncate"))
    faults.push(`${name(e)}: its words are cut off`);
}
if (document.documentElement.scrollWidth > innerWidth) faults.push("the page scrolls sideways");
return faults;
"""


def resize(table: Table, width: int, height: int, zoom: float) -> None:
    size = {
        "width": round(width / zoom),
        "height": round(height / zoom),
        "deviceScaleFactor": zoom,
        "mobile": False,
    }
    table.browser.execute_cdp_cmd("Emulation.setDeviceMetricsOverride", size)


def sheets(table: Table) -> None:
    table.browser.get(table.address)
    table.by_id("sheet-coat")


def on_table(table: Table) -> None:
    table.open()


def dressed(table: Table) -> None:
    table.open()
    if table.browser.execute_script("return innerWidth") < 900:
        table.option("Part shown", "Paths and brushes").click()
    table.choose("hem-r")
    if table.browser.execute_script("return innerWidth") < 900:
        table.option("Part shown", "Ticket").click()


def export(table: Table) -> None:
    table.open()
    table.button("Export").click()
    table.wait(lambda: "mm" in table.browser.find_element(By.TAG_NAME, "dialog").text)


def library(table: Table) -> None:
    table.browser.get(f"{table.address}/library")
    table.by_id("card-key")


def bench(table: Table) -> None:
    table.browser.get(f"{table.address}/bench/whipped")
    table.by_id("proof-letter")


VIEWS = (sheets, on_table, dressed, export, library, bench)


@pytest.mark.parametrize("view", VIEWS, ids=lambda view: view.__name__)
def test_nothing_is_cut_off_or_out_of_reach(table: Table, view: Callable[[Table], None]) -> None:
    found = {}
    for size in SIZES:
        resize(table, *size)
        view(table)
        found[size] = table.still(lambda: table.browser.execute_script(FAULTS))
    resize(table, 1280, 800, 1.0)
    assert found == {size: [] for size in SIZES}
