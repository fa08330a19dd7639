"""A garment's half drawn once: the other follows at the Table, until it is cut loose."""

from __future__ import annotations

from selenium.webdriver.common.by import By

from tests.browser.table import Table
from tests.browser.test_areas import choose_two
from tests.browser.test_bench import undo_title

MIDDLE = "The sheet’s middle"
LIVE = "//label[contains(., 'Each half follows')]/input"


def said(table: Table, row: str) -> str:
    """What a row of the Ticket says in its heading."""
    return " ".join(table.browser.find_element(By.CSS_SELECTOR, f"[data-row={row}] h3").text.split())


def laid(table: Table, brush: str) -> int:
    """How often a brush is used on the sheet, as its row in the list says."""
    times = table.by_id(f"brush-{brush}").find_elements(By.CSS_SELECTOR, "[title^='Used']")
    return int(times[0].text) if times else 0


def test_a_live_half_gets_what_its_other_half_gets(table: Table) -> None:
    table.choose("hem-r")
    table.by_id("path-page").click()
    table.unfold("mirror")
    table.browser.find_element(By.XPATH, LIVE).click()
    table.button(MIDDLE).click()
    table.wait(lambda: undo_title(table) == "Undo: Mirror Hem R")
    table.wait(lambda: said(table, "mirror") == "Mirror live with Hem L")
    # A brush laid on one is laid on both, and gone from both in one step.
    table.by_id("stitching-page").click()
    before = laid(table, "rope")
    table.by_id("brush-rope").click()
    table.wait(lambda: laid(table, "rope") == before + 2)
    table.control("z")
    table.wait(lambda: laid(table, "rope") == before)
    table.by_id("path-page").click()
    table.button("Cut loose").click()
    table.wait(lambda: said(table, "mirror") == "Mirror copy about a line")
    table.by_id("stitching-page").click()
    table.by_id("brush-rope").click()
    table.wait(lambda: laid(table, "rope") == before + 1)


def test_two_hems_are_made_live_halves(table: Table) -> None:
    choose_two(table, "hem-r", "hem-l")
    table.button("Make Hem L the live half of Hem R").click()
    table.wait(lambda: undo_title(table) == "Undo: Mirror Hem R live")
    table.wait(lambda: said(table, "mirror") == "Mirror live with Hem R")
