"""Paths as garments and graphics have them, each made and dressed by keys alone with stitch, rope and border:
outlined letters, letters of one line, a garment's half mirrored to the whole, and a hand-drawn line."""

from __future__ import annotations

from pathlib import Path as FilePath

import pytest
from selenium.webdriver.common.by import By
from selenium.webdriver.common.keys import Keys
from selenium.webdriver.remote.webelement import WebElement

from tests.browser.table import Table

BRUSHES = ("topstitch", "rope", "border")
HALF = """<svg xmlns="http://www.w3.org/2000/svg" width="200mm" height="200mm" viewBox="0 0 200 200">
<path id="Front R" d="M100 40L62 30C70 60 64 82 40 92L46 170L100 176" stroke="#223" fill="none"/></svg>"""
LEFT = "//button[starts-with(@aria-label, 'Front L,')]"
RIGHT = "//li//button[normalize-space()='Front R']"
# Every pixel of the artwork, shortened.
PAINTED = """
const data = document.querySelector("[data-testid=artwork]").toDataURL();
let sum = 0;
for (let i = 0; i < data.length; i++) sum = (sum * 31 + data.charCodeAt(i)) | 0;
return sum;
"""


def by_keys(table: Table, element: WebElement) -> None:
    table.browser.execute_script("arguments[0].focus()", element)
    element.send_keys(Keys.ENTER)


def painted(table: Table) -> int:
    return int(table.browser.execute_script(PAINTED))


def dress_in_each(table: Table, least: int) -> dict[str, int]:
    """Lay each brush on what is chosen; each is seen, nothing is refused. Repeats by brush."""
    looks, counts = [painted(table)], dict[str, int]()
    for brush in BRUSHES:
        strip = table.by_id(f"brush-{brush}")
        name = strip.find_element(By.CSS_SELECTOR, ".truncate").get_attribute("textContent") or ""
        by_keys(table, strip)
        table.wait(lambda name=name: name in table.named("Ticket").text and table.count() >= least)
        table.wait(lambda: painted(table) not in looks)
        assert not table.browser.find_elements(By.CSS_SELECTOR, "[data-testid=fault]")
        looks.append(painted(table))
        counts[brush] = table.count()
    return counts


@pytest.mark.parametrize(("font", "paths"), [("Block, cut corners", 4), ("One line, script", 3)])
def test_letters_are_written_and_dressed(table: Table, font: str, paths: int) -> None:
    table.press("5")
    table.pick("Font", font)
    table.type_in("Cap height", "120 mm")
    words = table.named("Text")
    words.click()
    table.control("a")
    words.send_keys("Lan", Keys.TAB)
    by_keys(table, table.button("Write it in the middle"))
    table.wait(lambda: sum("Lan" in name for name in table.path_names()) >= paths)
    table.press("1")
    dress_in_each(table, 4)
    # Dressed as they are, they are a text still.
    assert table.named("Text").get_attribute("value") == "Lan"


def test_a_half_is_dressed_and_mirrored_to_the_whole(table: Table, tmp_path: FilePath) -> None:
    file = tmp_path / "half.svg"
    file.write_text(HALF)
    table.named("Drawing to import").send_keys(str(file))
    by_keys(table, table.button("Import 1 path"))
    by_keys(table, table.wait(lambda: table.browser.find_element(By.XPATH, RIGHT)))
    counts = dress_in_each(table, 10)
    for brush in BRUSHES:
        by_keys(table, table.by_id(f"brush-{brush}"))
        table.wait(lambda brush=brush: table.count() == counts[brush])
        by_keys(table, table.button("Its right side"))
        # The demo's own front, and now the other half of this one.
        table.wait(lambda: len(table.browser.find_elements(By.XPATH, LEFT)) == 2)
        by_keys(table, table.browser.find_elements(By.XPATH, LEFT)[-1])
        # The other half has as many repeats, at the same length.
        table.wait(
            lambda: (
                table.browser.find_element(By.CSS_SELECTOR, "h2 input").get_attribute("value") == "Front L"
            )
        )
        assert table.count() == counts[brush]
        table.control("z")
        by_keys(table, table.wait(lambda: table.browser.find_element(By.XPATH, RIGHT)))


def test_a_line_drawn_by_hand_is_dressed(table: Table) -> None:
    before = len(table.path_names())
    by_keys(table, table.by_id("paper"))
    table.press(
        "3", " ", *[Keys.ARROW_RIGHT] * 40, *[Keys.ARROW_DOWN] * 25, *[Keys.ARROW_LEFT] * 30, Keys.ENTER
    )
    table.wait(lambda: len(table.path_names()) == before + 1)
    table.press("1")
    counts = dress_in_each(table, 5)
    assert counts["topstitch"] > counts["rope"] > 0
