"""Long steps say how far they are, and can be stopped."""

from __future__ import annotations

import re
import urllib.request

from selenium.webdriver.common.by import By
from selenium.webdriver.common.keys import Keys

from tests.browser.table import Table
from tests.faults.client import sheet

MANY = 400


def many_paths(table: Table) -> None:
    """Many curved paths, imported at once."""
    wave = "c3 8 9 8 12 0s6 -4 -3 -5"
    lines = "".join(
        f'<path fill="none" stroke="#000" d="M{5 + i % 20 * 14} {8 + i // 20 * 9}{wave}"/>'
        for i in range(MANY)
    )
    size = 'width="297mm" height="210mm" viewBox="0 0 297 210"'
    svg = f'<svg xmlns="http://www.w3.org/2000/svg" {size}>{lines}</svg>'
    address = f"{table.address}/api/sheets/waistcoat"
    revision = sheet(table.address)["revision"]
    parts = (
        f'--x\r\nContent-Disposition: form-data; name="revision"\r\n\r\n{revision}\r\n'
        '--x\r\nContent-Disposition: form-data; name="file"; filename="many.svg"\r\n'
        f"Content-Type: image/svg+xml\r\n\r\n{svg}\r\n--x--\r\n"
    )
    headers = {"Content-Type": "multipart/form-data; boundary=x"}
    urllib.request.urlopen(urllib.request.Request(f"{address}/import", parts.encode(), headers)).read()


def status(table: Table) -> str:
    return table.browser.find_element(By.CSS_SELECTOR, "header [role=status]").text


def test_laying_a_brush_on_many_paths_says_how_far_it_is_and_can_be_stopped(table: Table) -> None:
    many_paths(table)
    table.browser.refresh()
    table.wait(lambda: len(table.path_names()) > MANY)
    table.to_sheet()
    table.control("a")
    told = table.button("Undo").get_attribute("title")
    table.by_id("brush-rope").click()
    table.wait(lambda: f"of {MANY + 12}" in status(table))
    table.button("Stop").click()
    assert table.notice() == "Stopped. Nothing was changed."
    assert table.button("Undo").get_attribute("title") == told
    # What was stopped can be done.
    table.to_sheet()
    table.press(Keys.ESCAPE)
    table.choose("hem-r")
    table.by_id("brush-twin").click()
    table.wait(lambda: "Lay Twin" in (table.button("Undo").get_attribute("title") or ""))


def test_an_export_says_how_far_it_is_and_can_be_stopped(table: Table) -> None:
    table.button("Export").click()
    table.option("As", "PNG on transparency").click()
    # The most pixels there can be.
    table.type_in("Pixels per inch", "1200")
    dialog = table.browser.find_element(By.TAG_NAME, "dialog")
    table.wait(lambda: "14,031" in dialog.text)
    table.button("Export PNG").click()
    table.wait(lambda: re.search(r"Drawing \d+ of \d+", dialog.text))
    table.button("Stop").click()
    table.wait(lambda: "Stopped. No file was saved." in dialog.text)
    assert table.button("Export PNG").is_enabled()


def test_a_work_page_says_how_far_it_is_and_can_be_stopped(dressed: Table) -> None:
    dressed.browser.get(f"{dressed.address}/sheets/curtain/schedule")
    dressed.button("Work page").click()
    page = dressed.browser.find_element(By.TAG_NAME, "body")
    dressed.wait(lambda: re.search(r"(Laying|Drawing) \d+ of \d+", page.text))
    dressed.button("Stop").click()
    dressed.wait(lambda: "Stopped. No file was saved." in page.text)
    assert dressed.button("Work page").is_enabled()
