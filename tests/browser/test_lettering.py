"""Lettering at the Table: written, dressed with stitch, rope and border, reworded, turned into nodes."""

from __future__ import annotations

from selenium.webdriver.common.by import By
from selenium.webdriver.common.keys import Keys
from selenium.webdriver.support.ui import Select

from curlet.formats.fonts import FOLDER
from tests.browser.table import Table


def letters(table: Table) -> int:
    return sum("Lan" in name or "Mo" in name for name in table.path_names())


def write(table: Table, words: str) -> None:
    """Type the text over what is there. The fewer letters, the less is laid and drawn."""
    field = table.named("Text")
    field.click()
    table.control("a")
    field.send_keys(words)


def dress(table: Table, brush: str) -> None:
    strip = table.by_id(f"brush-{brush}")
    table.browser.execute_script("arguments[0].scrollIntoView({block: 'center'})", strip)
    name = strip.text.splitlines()[0]
    strip.click()
    table.wait(lambda: name in (table.button("Undo").get_attribute("title") or ""))
    table.wait(lambda: table.count() > 2)


def test_outlined_text_is_written_by_keys_dressed_and_reworded(table: Table) -> None:
    table.press("5")
    table.type_in("Cap height", "90 mm")
    write(table, "Mo")
    table.button("Write it in the middle").click()
    table.wait(lambda: letters(table) == 3)
    table.press("1")
    for brush in ("topstitch", "rope", "key"):
        dress(table, brush)
    write(table, "Lan" + Keys.TAB)
    table.wait(lambda: letters(table) == 4)
    # What was written anew wears the same.
    table.wait(lambda: len(table.browser.find_elements(By.XPATH, "//li//*[contains(., '“Lan”')]")) > 0)
    table.button("Convert to paths").click()
    table.wait(lambda: not table.browser.find_elements(By.XPATH, "//button[.='Convert to paths']"))
    table.wait(lambda: table.browser.find_elements(By.CSS_SELECTOR, "[data-testid^=node-]"))


def test_a_pens_line_is_written_round_a_ring_and_follows_it(table: Table) -> None:
    table.press("4")
    table.pick("Figure", "Circle")
    table.type_in("Diameter", "500 mm")
    table.button("Draw it in the middle").click()
    table.wait(lambda: any(name.startswith("Circle") for name in table.path_names()))
    table.press("5")
    table.pick("Font", "One line, script")
    write(table, "A Moon")
    table.browser.find_element(By.XPATH, "//button[starts-with(., 'Write along Circle')]").click()
    table.wait(lambda: letters(table) > 5)
    table.press("1")
    for brush in ("topstitch", "rope", "dots"):
        dress(table, brush)
    line = "//*[@data-path][contains(*[name()='title'], 'Moon')]"
    before = table.browser.find_element(By.XPATH, line).get_attribute("d")
    ring = next(
        row
        for row in table.browser.find_elements(By.CSS_SELECTOR, "[data-testid^=row-]")
        if "Circle" in row.text
    )
    ring.click()
    table.type_in("Diameter", "400 mm")
    # The text stands on the smaller ring at once, still a text.
    table.wait(lambda: table.browser.find_element(By.XPATH, line).get_attribute("d") != before)
    assert letters(table) > 5


def test_a_font_of_ones_own_is_brought(table: Table) -> None:
    table.press("5")
    table.named("Font file to add").send_keys(str(FOLDER / "pacifico.woff2"))
    table.wait(lambda: Select(table.named("Font")).first_selected_option.text == "Pacifico")
    table.button("Write it in the middle").click()
    table.wait(lambda: letters(table) > 5)
    table.named("Font file to add").send_keys(__file__)
    assert "font cannot be read" in table.notice()
