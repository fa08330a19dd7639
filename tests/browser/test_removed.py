"""Whatever is removed can be had back from the notice that says so."""

from __future__ import annotations

from selenium.webdriver.common.by import By

from tests.browser.table import Table


def test_an_archived_sheet_is_had_back(table: Table) -> None:
    table.browser.get(f"{table.address}/")
    card = table.by_id("sheet-programme").find_element(By.XPATH, "./..")
    card.find_element(By.XPATH, ".//button[.='Archive']").click()
    table.wait(lambda: not table.all_by_id("sheet-programme"))
    table.button("Undo").click()
    table.by_id("sheet-programme")


def test_a_removed_brush_is_had_back(table: Table) -> None:
    table.browser.get(f"{table.address}/library")
    table.by_id("card-rope").find_element(By.XPATH, ".//button[.='Copy']").click()
    table.wait(lambda: "/bench/" in table.browser.current_url)
    made = f"card-{table.browser.current_url.rpartition('/')[2]}"
    table.browser.get(f"{table.address}/library")
    table.by_id(made).find_element(By.XPATH, ".//button[.='Remove']").click()
    table.wait(lambda: not table.all_by_id(made))
    table.button("Undo").click()
    table.by_id(made)
