"""The guide at the first visit: it goes on by what is done, can be closed, and comes back from Help."""

from __future__ import annotations

from selenium.webdriver.common.keys import Keys

from tests.browser.table import Table


def title(table: Table) -> str:
    return table.by_id("guide").find_element("tag name", "h2").text


def first_visit(table: Table) -> None:
    table.browser.execute_script("localStorage.setItem('curlet-guide', '0')")
    table.browser.refresh()
    table.wait(lambda: title(table) == "Choose a path")


def test_the_guide_goes_on_by_what_is_done(table: Table) -> None:
    first_visit(table)
    table.choose("hem-r")
    table.wait(lambda: title(table) == "Lay a brush along it")
    table.by_id("brush-topstitch").click()
    table.wait(lambda: title(table) == "Set the stitch")
    table.type_in("Stitch length", "4 mm")
    table.wait(lambda: title(table) == "Look at a corner")
    corner = table.by_id("corner-n2")
    table.browser.execute_script("arguments[0].focus()", corner)
    table.press(Keys.ENTER)
    table.wait(lambda: title(table) == "Export it")
    table.button("Export").click()
    table.press(Keys.ESCAPE)
    table.wait(lambda: title(table) == "That was it")


def test_the_guide_stays_closed_and_comes_back_from_help(table: Table) -> None:
    first_visit(table)
    table.button("Next").click()
    table.wait(lambda: title(table) == "Lay a brush along it")
    table.browser.refresh()
    table.wait(lambda: title(table) == "Lay a brush along it")
    table.named("Close the guide").click()
    table.browser.refresh()
    table.by_id("paper")
    assert not table.all_by_id("guide")
    table.menu("Help", "Guide")
    table.wait(lambda: title(table) == "Choose a path")
