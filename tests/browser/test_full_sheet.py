"""A sheet full of stitches: quick while the view moves, and sharp again when it rests."""

from __future__ import annotations

from pathlib import Path as FilePath

import pytest
from selenium.webdriver import ActionChains
from selenium.webdriver.common.actions.wheel_input import ScrollOrigin
from selenium.webdriver.common.by import By
from selenium.webdriver.common.keys import Keys

from tests.browser.table import Table
from tests.browser.test_dressed import painted

ROWS = 36
WAVE = 'c60 -9 60 9 120 0s60 9 120 0" stroke="#334" fill="none"/>'
FULL = (
    '<svg xmlns="http://www.w3.org/2000/svg" width="297mm" viewBox="0 0 297 210"><g id="Waves">'
    + "".join(f'<path id="wave-{i}" d="M20 {12 + 5 * i}{WAVE}' for i in range(ROWS))
    + "</g></svg>"
)


@pytest.fixture
def full(table: Table, tmp_path: FilePath) -> Table:
    file = tmp_path / "waves.svg"
    file.write_text(FULL)
    table.named("Drawing to import").send_keys(str(file))
    table.button(f"Import {ROWS} paths").click()
    table.wait(lambda: "wave-7" in table.path_names())
    table.browser.find_element(By.XPATH, "//button[contains(., 'Waves')]").click()
    table.by_id("brush-topstitch").click()
    # 36 waves of about 960 garment mm, a stitch to every 4.
    table.wait(lambda: table.count() > 200)
    table.press(Keys.ESCAPE)
    return table


def anew(table: Table) -> int:
    """The artwork painted afresh: leaving the marks out and bringing them back does that."""
    table.press("m")
    table.wait(lambda: not table.browser.find_elements(By.CSS_SELECTOR, "[data-path]"))
    table.press("m")
    table.wait(lambda: table.browser.find_elements(By.CSS_SELECTOR, "[data-path]"))
    return painted(table)


def wheel(table: Table, by: int) -> None:
    table.wheel(table.by_id("paper"), by)


def pan(table: Table, x: int, y: int) -> None:
    origin = ScrollOrigin.from_element(table.by_id("paper"))  # type: ignore[no-untyped-call]
    ActionChains(table.browser).scroll_from_origin(origin, -x, -y).perform()


def test_after_a_zoom_every_stitch_is_sharp_again(full: Table) -> None:
    before = painted(full)
    for by in (-60, -60, -60, -30):
        wheel(full, by)
    full.wait(lambda: painted(full) != before)
    full.wait(lambda: painted(full) == anew(full))
    # And back out past what was painted.
    for by in (120, 120, 120):
        wheel(full, by)
    full.wait(lambda: painted(full) == anew(full))


def test_after_a_pan_the_artwork_is_where_the_paths_are(full: Table) -> None:
    pan(full, 120, -60)
    moved = painted(full)
    full.wait(lambda: painted(full) == anew(full))
    # A second, longer way goes past what was painted aside.
    for _ in range(3):
        pan(full, 300, 0)
    assert painted(full) != moved
    full.wait(lambda: painted(full) == anew(full))


def test_all_of_a_full_sheet_is_recoloured_at_once(full: Table) -> None:
    full.browser.find_element(By.XPATH, "//button[contains(., 'Waves')]").click()
    before = painted(full)
    full.type_in("Thread colour, entered", "#b03060")
    full.wait(lambda: painted(full) != before)
    full.browser.execute_script("arguments[0].focus()", full.by_id("paper"))
    full.control("z")
    full.wait(lambda: painted(full) == before)
