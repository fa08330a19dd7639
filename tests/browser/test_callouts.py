"""Call-outs by hand: added on the Ticket, written over, dragged, and taken along into a file."""

from __future__ import annotations

from selenium.webdriver.common.by import By
from selenium.webdriver.common.keys import Keys
from selenium.webdriver.remote.webelement import WebElement

from tests.browser.table import Table

HEM = "hem-r"


def callouts(table: Table) -> list[WebElement]:
    return table.browser.find_elements(By.CSS_SELECTOR, "[aria-label^='Call-out: ']")


def said(table: Table) -> str:
    (one,) = callouts(table)
    return (one.get_attribute("aria-label") or "").removeprefix("Call-out: ")


def place(table: Table) -> tuple[int, int]:
    (one,) = callouts(table)
    return one.rect["x"], one.rect["y"]


def add(table: Table) -> None:
    table.choose(HEM)
    table.unfold("callout")
    table.button("Add a call-out").click()
    table.wait(lambda: len(callouts(table)) == 1)


def test_a_call_out_says_how_the_seam_is_made_until_it_is_written_over(table: Table) -> None:
    add(table)
    assert said(table).startswith("Show stitch 301, 6")
    table.type_in("Text of the call-out", "Hand-picked, waxed thread")
    table.wait(lambda: said(table) == "Hand-picked, waxed thread")
    table.button("Text from the run").click()
    table.wait(lambda: said(table).startswith("Show stitch 301, 6"))
    table.button("Remove the call-out").click()
    table.wait(lambda: not callouts(table))
    table.to_sheet()
    table.control("z")
    table.wait(lambda: len(callouts(table)) == 1)


def test_it_is_moved_by_hand_and_by_keys_and_placed_by_itself_again(table: Table) -> None:
    add(table)
    before = place(table)
    table.drag(callouts(table)[0], -30, 40)
    table.wait(lambda: abs(place(table)[1] - before[1] - 40) <= 3)
    dragged = place(table)
    callouts(table)[0].send_keys(Keys.ARROW_DOWN)
    table.wait(lambda: place(table) != dragged)
    table.button("Place by itself").click()
    table.wait(lambda: place(table) == before)


def test_it_is_chosen_with_its_path_and_removed_by_a_key(table: Table) -> None:
    add(table)
    table.to_sheet()
    table.press(Keys.ESCAPE)
    callouts(table)[0].click()
    table.wait(lambda: table.named("Name of the path").get_attribute("value") == "Hem R")
    callouts(table)[0].send_keys(Keys.DELETE)
    table.wait(lambda: not callouts(table))


def test_its_leaders_end_is_dragged_along_the_seam(table: Table) -> None:
    add(table)
    end = table.by_id("callout-end")
    before = end.rect["x"]
    table.drag(end, 60, 0)
    table.wait(lambda: abs(table.by_id("callout-end").rect["x"] - before) > 20)
