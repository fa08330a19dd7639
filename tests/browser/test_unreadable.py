"""What cannot be read is shown with what can be done; a sheet that cannot be shown can be taken back."""

from __future__ import annotations

import sqlite3
from contextlib import closing

from selenium.webdriver.common.by import By

from tests.browser.table import Table
from tests.faults.client import command
from tests.server import Server


def damage(server: Server, statement: str) -> None:
    with closing(sqlite3.connect(server.folder / "curlet.sqlite")) as other:
        other.execute(statement)
        other.commit()


def test_a_path_that_cannot_be_read_is_removed_and_the_rest_stays(table: Table, server: Server) -> None:
    names = table.path_names()
    damage(server, "UPDATE sheet_path SET nodes = '[{' WHERE id = 'waistcoat-hem-r'")
    table.open()
    told = table.named("Cannot be read")
    assert "Path Hem R: It is damaged" in told.text
    assert table.path_names() == [name for name in names if name != "Hem R"]
    link = told.find_element(By.LINK_TEXT, "Save as it is").get_attribute("href")
    assert link is not None
    assert link.endswith("/api/unreadable/path/waistcoat-hem-r.json")
    table.named("Remove Hem R; this cannot be undone").click()
    table.button("Remove for good").click()
    table.wait(lambda: not table.browser.find_elements(By.CSS_SELECTOR, "[aria-label='Cannot be read']"))


def test_a_sheet_that_cannot_be_shown_is_taken_back(table: Table, server: Server) -> None:
    names = table.path_names()
    command(server.address, {"kind": "set-sheet", "scale": "1:2"})
    damage(server, "UPDATE sheet SET scale = 'torn' WHERE id = 'waistcoat'")
    table.browser.get(f"{server.address}/sheets/waistcoat")
    table.wait(lambda: "cannot be opened" in table.browser.find_element(By.TAG_NAME, "h1").text)
    # Chromium logs the server's honest 500, which is what this is about.
    (undo,) = table.browser.find_elements(By.TAG_NAME, "button")
    assert undo.text == "Undo: Change the sheet's scale"
    undo.click()
    table.wait(lambda: table.path_names() == names)
    table.browser.get_log("browser")
