"""Sheets as files and back-ups from the page, and the schedule, as somebody uses them."""

from __future__ import annotations

import time
from pathlib import Path as FilePath
from urllib.request import urlopen

from selenium.webdriver.common.by import By

from tests.browser.table import Table

MAIN = "waistcoat"


def cards(table: Table) -> list[str]:
    return [heading.text for heading in table.browser.find_elements(By.CSS_SELECTOR, "li h2")]


def give(table: Table, label: str, file: FilePath) -> None:
    """Put a file into the page's field for it."""
    table.browser.find_element(By.CSS_SELECTOR, f"input[aria-label='{label}']").send_keys(str(file))


def test_a_sheet_file_comes_in_as_a_new_sheet_and_in_place_of_one(table: Table, tmp_path: FilePath) -> None:
    file = tmp_path / "programme.curlet-sheet.zip"
    with urlopen(f"{table.address}/api/sheets/programme/sheet-file") as reply:
        file.write_bytes(reply.read())
    table.browser.get(f"{table.address}/")
    table.by_id("sheet-programme")
    before = cards(table)
    give(table, "Sheet files", file)
    table.wait(lambda: cards(table) == [*before, "Season programme 2"])
    assert table.by_id("notice").text.startswith("1 sheet imported: “Season programme 2”.")
    name = before[0]
    give(table, f"Sheet file in place of {name}", file)
    table.wait(lambda: cards(table)[0] == "Season programme")
    # The menu that a person opens it from says so in words.
    table.browser.find_element(By.CSS_SELECTOR, "[aria-label='More for Season programme']").click()
    items = [item.text for item in table.browser.find_elements(By.CSS_SELECTOR, "[role='menuitem']")]
    assert items == ["Export as a sheet file", "Export with its history", "Replace from a sheet file …"]
    table.browser.get(f"{table.address}/sheets/{MAIN}")
    table.button("Undo").click()
    table.wait(lambda: table.browser.title.startswith(name))


def test_what_is_no_sheet_file_is_said_and_changes_nothing(table: Table, tmp_path: FilePath) -> None:
    file = tmp_path / "letter.zip"
    file.write_bytes(b"Dear all")
    table.browser.get(f"{table.address}/")
    table.by_id("sheet-programme")
    before = cards(table)
    give(table, "Sheet files", file)
    table.wait(lambda: "“letter.zip” is not a sheet file" in table.by_id("notice").text)
    assert cards(table) == before


def test_everything_is_backed_up_and_restored_from_the_page(table: Table, tmp_path: FilePath) -> None:
    file = tmp_path / "saved.sqlite"
    with urlopen(f"{table.address}/api/back-up") as reply:
        file.write_bytes(reply.read())
    table.browser.get(f"{table.address}/")
    card = table.by_id("sheet-programme").find_element(By.XPATH, "./..")
    card.find_element(By.XPATH, ".//button[.='Archive']").click()
    table.wait(lambda: not table.all_by_id("sheet-programme"))
    table.button("Back-ups").click()
    give(table, "Back-up file", file)
    table.wait(
        lambda: "as it was in “saved.sqlite”?" in table.browser.find_element(By.TAG_NAME, "dialog").text
    )
    alert = table.browser.find_element(By.CSS_SELECTOR, "dialog [role='alert']")
    alert.find_element(By.XPATH, ".//button[.='Restore']").click()
    table.by_id("sheet-programme")
    table.wait(lambda: "Restored from “saved.sqlite”" in table.by_id("notice").text)
    # What was there before is kept, and one press away.
    table.by_id("notice").find_element(By.XPATH, ".//button[.='Undo']").click()
    table.wait(lambda: not table.all_by_id("sheet-programme"))
    table.button("Back-ups").click()
    kept = "//ul[@aria-label='Back-ups']/li"
    table.wait(lambda: len(table.browser.find_elements(By.XPATH, kept)) >= 2)
    texts = [row.text for row in table.browser.find_elements(By.XPATH, kept)]
    assert any("before a restore" in text for text in texts)
    year = time.strftime("%Y")
    assert all(year in text and "MB" in text for text in texts)


def lines(table: Table) -> list[list[str]]:
    rows = table.browser.find_elements(By.CSS_SELECTOR, "tbody tr")
    return [[cell.text for cell in row.find_elements(By.TAG_NAME, "td")] for row in rows]


def sort_by(table: Table, heading: str) -> None:
    table.browser.find_element(By.XPATH, f"//th//button[starts-with(., '{heading}')]").click()


def test_the_schedule_is_sorted_and_a_line_leads_to_its_path(table: Table) -> None:
    table.browser.get(f"{table.address}/sheets/{MAIN}")
    table.wait(lambda: table.browser.find_elements(By.LINK_TEXT, "Schedule"))
    table.browser.find_element(By.LINK_TEXT, "Schedule").click()
    table.wait(lambda: lines(table))
    headings = [head.text for head in table.browser.find_elements(By.TAG_NAME, "th")]
    at = headings.index("Length, mm")

    def lengths() -> list[float]:
        return [float(line[at].replace(",", "")) for line in lines(table)]

    sort_by(table, "Length")
    assert lengths() == sorted(lengths(), reverse=True)
    sort_by(table, "Length")
    assert lengths() == sorted(lengths())
    thread = headings.index("Thread, m")
    before = lines(table)[0][thread]
    table.type_in("Allowance for thread", "100")
    table.wait(lambda: lines(table)[0][thread] != before)
    assert float(lines(table)[0][thread]) > 1.6 * float(before)
    name = lines(table)[0][0]
    table.browser.find_element(By.LINK_TEXT, name).click()
    table.wait(lambda: table.named("Name of the path").get_attribute("value") == name)
