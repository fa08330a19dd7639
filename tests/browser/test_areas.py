"""Areas at the Table: four ways seen before one is chosen, and an area that lives."""

from __future__ import annotations

import re

import pytest
from selenium.webdriver import ActionChains
from selenium.webdriver.common.by import By
from selenium.webdriver.common.keys import Keys

from tests.browser.table import Table
from tests.browser.test_bench import undo_title
from tests.browser.test_colour import pixels


def choose_two(table: Table, first: str, second: str) -> None:
    table.choose(first)
    row = table.by_id(f"row-waistcoat-{second}")
    ActionChains(table.browser).key_down(Keys.SHIFT).click(row).key_up(Keys.SHIFT).perform()
    table.unfold("new-area")


def edges(table: Table) -> int:
    """How many edges the area in the list has."""
    rows = [row.text for row in table.browser.find_elements(By.CSS_SELECTOR, "[data-line]")]
    (area,) = [row for row in rows if row.startswith("Area")] or [""]
    counted = re.search(r"(\d+) edges", area)
    return int(counted[1]) if counted else int(bool(area))


def test_an_area_is_chosen_by_its_picture_and_lives(table: Table) -> None:
    choose_two(table, "front-r", "welt-pocket-r")
    for way in ("join", "cut", "common", "either"):
        table.wait(lambda way=way: table.by_id(f"way-{way}").find_elements(By.TAG_NAME, "path"))
    table.press_by_id("way-cut")
    table.wait(lambda: edges(table) == 2)
    # It is chosen now.
    table.unfold("area")
    table.wait(lambda: table.by_id("way-cut").get_attribute("aria-pressed") == "true")
    # Another way, by keys alone.
    table.by_id("way-join").send_keys(Keys.ENTER)
    table.wait(lambda: edges(table) == 1)
    table.control("z")
    table.wait(lambda: edges(table) == 2)


def test_what_makes_nothing_cannot_be_pressed_and_says_why(table: Table) -> None:
    choose_two(table, "welt-pocket-l", "welt-pocket-r")
    common = table.by_id("way-common")
    table.wait(lambda: common.get_attribute("disabled") is not None and common.get_attribute("title"))
    assert "nothing in common" in (common.get_attribute("title") or "")
    assert table.by_id("way-join").get_attribute("disabled") is None


@pytest.mark.parametrize("use", ["With its inside", "Its inside only"])
def test_a_run_becomes_an_area_with_a_brush_along_its_edge(table: Table, use: str) -> None:
    table.choose("welt-pocket-r")
    table.by_id("brush-scallop").click()
    table.wait(lambda: "Scallop" in undo_title(table))
    table.option("What the area is made of", "Runs").click()
    table.button("Make an area of it").click()
    table.wait(lambda: edges(table))
    table.pick("What of Welt pocket R, Scalloped edge with eyelets is used", use)
    table.wait(lambda: undo_title(table).startswith("Undo: Change Area"))
    table.by_id("brush-topstitch").click()
    table.wait(lambda: table.legs())
    table.button("Convert to paths").click()
    table.wait(lambda: "Convert Area" in undo_title(table))
    assert not table.browser.find_elements(By.CSS_SELECTOR, "[data-row=area]")


def test_what_is_chosen_is_cropped_and_shown_whole_again(table: Table) -> None:
    """Of a front, nothing but what lies under its pocket, then all but that, then all of it."""
    table.choose("front-r")
    whole = seen(table)
    table.pick("Crop to", "Welt pocket R")
    table.wait(lambda: undo_title(table) == "Undo: Crop Front R to Welt pocket R")
    table.wait(lambda: seen(table) < 0.6 * whole)
    inside = seen(table)
    table.option("What is seen of it", "Outside").click()
    table.wait(lambda: seen(table) > inside)
    table.pick("Crop to", "nothing: all is seen")
    table.wait(lambda: seen(table) == whole)


def seen(table: Table) -> int:
    """How many pixels of the artwork are of the fronts' colour."""
    return pixels(table, "#66757d")
