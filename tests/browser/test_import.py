"""A drawing looked at before it is imported: what is taken, as what, and what stays out."""

from __future__ import annotations

from pathlib import Path as FilePath

import pytest
from selenium.webdriver.common.by import By
from selenium.webdriver.common.keys import Keys

from tests.browser.table import Table
from tests.web.test_pdf_import_api import two_pages

FLAT = """<svg xmlns="http://www.w3.org/2000/svg" width="120mm" height="90mm" viewBox="0 0 120 90">
<g id="Pieces"><path id="body" d="M10 10H70V80H10Z" fill="#c9a86a" stroke="#222" stroke-width="0.6"/></g>
<g id="Seams" stroke="#b03" fill="none" stroke-dasharray="2 1" stroke-width="0.4">
<path id="yoke" d="M10 30H70"/><path id="placket" d="M40 30V80"/></g>
<g id="Notes"><path id="arrow" d="M90 10L100 40" stroke="#06c" fill="none"/><text y="8">cut two</text></g>
</svg>"""


@pytest.fixture
def looked(table: Table, tmp_path: FilePath) -> Table:
    file = tmp_path / "shirt.svg"
    file.write_text(FLAT)
    table.named("Drawing to import").send_keys(str(file))
    table.wait(lambda: names(table))
    return table


def test_the_page_of_a_pdf_is_chosen_and_its_lines_are_taken(table: Table, tmp_path: FilePath) -> None:
    file = tmp_path / "tech pack.pdf"
    file.write_bytes(two_pages())
    table.named("Drawing to import").send_keys(str(file))
    dialog = table.sought("css selector", "dialog")
    table.wait(lambda: "Page 1 has no lines" in dialog.text)
    assert not table.button("Import 0 paths").is_enabled()
    table.pick("Page of the file", "2 of 2")
    table.wait(lambda: names(table))
    assert "50.8 × 50.8 mm" in table.sought("css selector", "dialog").text
    before = len(table.path_names())
    table.button("Import 2 paths").click()
    table.wait(lambda: len(table.path_names()) == before + 2)


def names(table: Table) -> list[str]:
    fields = table.browser.find_elements(
        By.CSS_SELECTOR, "[aria-label='Groups found'] input[aria-label^='Name of']"
    )
    return [field.get_attribute("value") or "" for field in fields]


def headers(table: Table) -> list[str]:
    """The seam groups of the list, by their names."""
    found = table.browser.find_elements(By.CSS_SELECTOR, "[aria-label='Paths'] [aria-expanded]")
    return [(button.get_attribute("aria-label") or "").removeprefix("Paths of ") for button in found]


def test_layers_become_groups_and_a_layer_can_stay_out(looked: Table) -> None:
    assert names(looked) == ["Pieces", "Seams", "Notes"]
    looked.named("Import Notes").click()
    field = looked.named("Name of Seams")
    field.clear()
    field.send_keys("Shirt seams")
    looked.button("Import 3 paths").click()
    looked.wait(lambda: "yoke" in looked.path_names())
    assert "arrow" not in looked.path_names()
    assert headers(looked)[-2:] == ["Pieces", "Shirt seams"]
    # In one step.
    looked.control("z")
    looked.wait(lambda: "yoke" not in looked.path_names())


def test_lines_are_sorted_by_colour_or_style_or_not_at_all(looked: Table) -> None:
    looked.option("Sorted into groups", "By line colour").click()
    looked.wait(
        lambda: len(names(looked)) == 3 and all(name.startswith("Lines in #") for name in names(looked))
    )
    looked.option("Sorted into groups", "By line style").click()
    looked.wait(lambda: any("dashed 2, 1 mm" in name for name in names(looked)))
    looked.option("Sorted into groups", "All as one").click()
    looked.wait(lambda: names(looked) == ["The drawing"])


def test_text_is_left_out_with_a_word_and_nothing_ticked_cannot_be_taken(looked: Table) -> None:
    dialog = looked.browser.find_element(By.CSS_SELECTOR, "dialog[open]")
    assert "1 piece of text left out" in dialog.text
    for name in ("Pieces", "Seams", "Notes"):
        looked.named(f"Import {name}").click()
    take = looked.wait(
        lambda: looked.browser.find_element(By.XPATH, "//dialog//button[starts-with(., 'Import 0')]")
    )
    assert not take.is_enabled()
    before = looked.path_names()
    looked.press(Keys.ESCAPE)
    looked.wait(lambda: not looked.browser.find_elements(By.CSS_SELECTOR, "dialog[open]"))
    assert looked.path_names() == before


def test_a_group_imported_is_dressed_at_once(looked: Table) -> None:
    looked.button("Import 4 paths").click()
    looked.wait(lambda: "yoke" in looked.path_names())
    header = looked.browser.find_element(By.XPATH, "//button[contains(., 'Seams')]")
    header.click()
    looked.by_id("brush-topstitch").click()
    looked.wait(lambda: "2 paths chosen" in looked.named("Ticket").text and looked.count() > 5)


def test_groups_fold_and_stay_usable(looked: Table) -> None:
    looked.button("Import 4 paths").click()
    fold = looked.named("Paths of Seams")
    assert fold.get_attribute("aria-expanded") == "true"
    fold.click()
    looked.wait(lambda: not looked.browser.find_elements(By.XPATH, "//li//button[.='yoke']"))
    # Folded, the group still chooses all that is in it.
    looked.browser.find_element(By.XPATH, "//button[contains(., 'Seams')][not(@aria-expanded)]").click()
    looked.wait(lambda: "2 paths chosen" in looked.named("Ticket").text)
    fold.click()
    looked.wait(lambda: looked.browser.find_elements(By.XPATH, "//li//button[.='yoke']"))
