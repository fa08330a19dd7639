"""Export: what is meant, how it is written, and looking at it pixel for pixel before."""

from __future__ import annotations

import io
import zipfile
from pathlib import Path as FilePath

import numpy as np
import pikepdf
import pytest
from PIL import Image
from selenium.webdriver import ActionChains
from selenium.webdriver.common.by import By
from selenium.webdriver.common.keys import Keys
from selenium.webdriver.support.ui import Select

from tests.browser.table import Table

HEM = "hem-r"


def dialog(table: Table) -> str:
    return table.browser.find_element(By.TAG_NAME, "dialog").text


def exported(table: Table, folder: FilePath, ending: str) -> bytes:
    """What the button makes, once it is there."""
    before = set(folder.glob(f"*{ending}"))
    table.by_id("export-file").click()

    def come() -> FilePath | None:
        new = set(folder.glob(f"*{ending}")) - before
        return next((file for file in new if file.stat().st_size), None)

    return table.wait(come).read_bytes()


def test_a_pdf_over_sheets_of_paper_at_the_garments_size(table: Table, downloads: FilePath) -> None:
    table.button("Export").click()
    table.option("As", "PDF").click()
    table.pick("Paper", "A3")
    table.option("As large as", "On the garment").click()
    table.type_in("Overlap of the sheets", "1 cm")
    table.wait(lambda: "1188.0 × 840.0 mm" in dialog(table))
    sheets = int(dialog(table).split(" sheets of A3")[0].rsplit(" ", 1)[1])
    # The view has each of them, by its page, with what is printed on it.
    shown = table.wait(lambda: table.browser.find_elements(By.CSS_SELECTOR, "[data-testid=papers] text"))
    assert [number.text for number in shown] == [str(page) for page in range(1, sheets + 1)]
    picture = table.browser.find_element(By.CSS_SELECTOR, "[data-testid=papers] img").rect
    assert picture["width"] / picture["height"] == pytest.approx(1188 / 840, rel=0.01)
    with pikepdf.open(io.BytesIO(exported(table, downloads, ".pdf"))) as file:
        assert len(file.pages) == sheets


def test_every_path_with_a_run_is_a_file(table: Table, downloads: FilePath) -> None:
    table.choose(HEM)
    table.button("Export").click()
    table.option("What", "Seam group Hems").click()
    table.wait(lambda: "\n1 run" in dialog(table))
    table.option("What", "Every run, no lines").click()
    table.option("As", "PNG on transparency").click()
    table.pick("Files", "One for each path")
    table.type_in("Pixels per inch", "72")
    with zipfile.ZipFile(io.BytesIO(exported(table, downloads, ".zip"))) as packed:
        names = packed.namelist()
    assert len(names) == 3
    assert all(name.endswith(".png") for name in names)
    assert any("Hem R" in name for name in names)


def shown(table: Table) -> np.ndarray:
    picture = table.by_id("pixels").find_element(By.TAG_NAME, "img")
    png = picture.screenshot_as_png
    return np.asarray(Image.open(io.BytesIO(png)).convert("RGB")).astype(int)


@pytest.fixture
def pixel_view(table: Table) -> Table:
    table.button("Export").click()
    table.option("As", "JPEG on white").click()
    table.type_in("Pixels per inch", "100")
    table.option("View", "Pixel for pixel").click()
    table.wait(lambda: table.by_id("pixels").find_elements(By.TAG_NAME, "img"))
    return table


def test_what_is_too_fine_is_looked_at_and_panned(pixel_view: Table) -> None:
    table = pixel_view
    first = table.still(lambda: shown(table).tobytes())
    table.button("Look at it").click()
    table.wait(lambda: shown(table).tobytes() != first)
    there = table.still(lambda: shown(table).tobytes())
    view = table.by_id("pixels")
    view.send_keys(Keys.SHIFT, Keys.ARROW_LEFT)
    table.wait(lambda: shown(table).tobytes() != there)
    moved = table.still(lambda: shown(table).tobytes())
    ActionChains(table.browser, duration=40).click_and_hold(view).move_by_offset(-80, -30).release().perform()
    table.wait(lambda: shown(table).tobytes() != moved)


def test_the_view_has_the_files_own_pixels(pixel_view: Table, downloads: FilePath) -> None:
    table = pixel_view
    table.still(lambda: shown(table).tobytes())
    whole = Image.open(io.BytesIO(exported(table, downloads, ".jpg"))).convert("RGB")
    seen = shown(table)
    there = np.asarray(whole.crop((0, 0, seen.shape[1], seen.shape[0]))).astype(int)
    assert np.abs(seen - there).max() <= 2


def test_a_swatch_lies_on_a_cloth_of_the_sheet(dressed: Table) -> None:
    dressed.choose("hem-r")
    dressed.button("Export").click()
    dressed.option("As", "Seamless tile").click()
    dialog = dressed.browser.find_element(By.TAG_NAME, "dialog")
    downward = dialog.find_element(By.XPATH, ".//label[contains(., 'Repeats downward too')]")
    assert not dialog.find_elements(By.CSS_SELECTOR, "[aria-label='Cloth under it']")
    downward.click()
    dressed.wait(lambda: "× 10.00 mm" in dialog.text)
    dressed.pick("Cloth under it", "Denim, 3 over 1, Front R")
    dressed.wait(lambda: "× 40.00 mm" in dialog.text)
    # Without rows there is no cloth, and with rows again none that nobody chose.
    downward.click()
    dressed.wait(lambda: "× 10.00 mm" not in dialog.text and "× 40.00 mm" not in dialog.text)
    downward.click()
    dressed.wait(lambda: "× 10.00 mm" in dialog.text)
    picked = Select(dressed.named("Cloth under it")).first_selected_option
    assert picked.text == "none"


def test_other_sheets_are_pages_of_the_same_file(table: Table) -> None:
    """All of them by keys; a part of this sheet is alone again."""
    table.choose(HEM)
    table.button("Export").click()
    table.option("As", "PDF").click()
    table.sought(By.XPATH, "//summary[.='With other sheets']").send_keys(Keys.ENTER)
    for name in ("Prop satchel", "Season programme"):
        table.sought(By.XPATH, f"//label[normalize-space()='{name}']/input").send_keys(Keys.SPACE)
    table.wait(lambda: "With 2 other sheets, as further pages" in dialog(table))
    address = table.by_id("export-file").get_attribute("href") or ""
    # In the order of the list of sheets.
    assert "also=programme%2Csatchel" in address
    table.option("What", "1 chosen path").click()
    table.wait(lambda: "also" not in (table.by_id("export-file").get_attribute("href") or "also"))
    assert "other sheets" not in dialog(table)
