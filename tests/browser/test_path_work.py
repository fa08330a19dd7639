"""Path work at the Table: a seam allowance, a mirrored half, a path split and joined."""

from __future__ import annotations

from selenium.webdriver import ActionChains
from selenium.webdriver.common.by import By
from selenium.webdriver.common.keys import Keys

from tests.browser.table import Table


def count(table: Table) -> int:
    return len(table.path_names())


def test_a_seam_allowance_is_typed_seen_and_kept(table: Table) -> None:
    table.choose("front-r")
    before = count(table)
    table.option("Side of the copy", "To the left").click()
    table.option("Corners of the copy", "Round").click()
    field = table.named("Distance")
    field.click()
    table.control("a")
    field.send_keys("1.5 cm")
    # It is shown while it is entered, and gone again when it is let be.
    table.wait(lambda: count(table) == before + 1)
    field.send_keys(Keys.ESCAPE)
    table.wait(lambda: count(table) == before)
    table.type_in("Distance", "1.5 cm")
    table.button("Copy").click()
    table.wait(lambda: "Front R, left 1.5 cm" in table.path_names())
    table.control("z")
    table.wait(lambda: count(table) == before)


def test_half_is_mirrored_to_the_whole_with_what_it_wears(table: Table) -> None:
    table.choose("hem-r")
    table.by_id("brush-show-stitch").click()
    table.wait(table.legs)
    before = count(table)
    table.button("The sheet’s middle").click()
    table.wait(lambda: count(table) == before + 1)
    assert table.path_names().count("Hem L") == 2


def test_a_path_is_split_at_its_corners_and_its_parts_are_joined(table: Table) -> None:
    table.choose("welt-pocket-r")
    before = count(table)
    table.button("Split at its corners").click()
    table.wait(lambda: count(table) == before + 3)
    rows = table.browser.find_elements(By.CSS_SELECTOR, "[data-testid^=row-]")
    second = next(row for row in rows if "Welt pocket R, 2" in row.text)
    held = ActionChains(table.browser).key_down(Keys.SHIFT).click(second).key_up(Keys.SHIFT)
    held.perform()
    table.button("Join the two").click()
    table.wait(lambda: count(table) == before + 2)


def test_what_cannot_be_done_is_said(table: Table) -> None:
    table.choose("welt-pocket-r")
    before = count(table)
    table.type_in("Distance", "40 cm")
    table.button("Copy").click()
    assert "Give a smaller distance" in table.notice()
    assert count(table) == before
