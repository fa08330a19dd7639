"""Fills at the Table: a scalloped disc with a picture in it, and a gradient."""

from __future__ import annotations

from pathlib import Path as FilePath

import pytest
from selenium.webdriver.common.by import By
from selenium.webdriver.common.keys import Keys

from tests.browser.table import Table
from tests.browser.test_areas import edges
from tests.browser.test_bench import undo_title
from tests.browser.test_colour import pixels
from tests.pixels import canvas, encoded

CRIMSON = (180, 20, 60)


@pytest.fixture
def picture(tmp_path: FilePath) -> str:
    file = tmp_path / "backdrop.png"
    file.write_bytes(encoded(canvas(300, 400, CRIMSON)))
    return str(file)


def crimson(table: Table) -> int:
    """How many pixels of the artwork are of the picture's colour."""
    return pixels(table, "#b4143c")


def number(table: Table, what: str) -> float:
    return float((table.named(f"backdrop: {what}").get_attribute("value") or "").split()[0].rstrip("°"))


def test_a_scalloped_shape_has_a_picture_in_it_that_is_moved_by_hand(table: Table, picture: str) -> None:
    table.choose("welt-pocket-r")
    table.by_id("brush-scallop").click()
    table.wait(lambda: "Scallop" in undo_title(table))
    table.option("What the area is made of", "Runs, filled").click()
    table.button("Make an area of it").click()
    table.wait(lambda: edges(table) == 1)
    table.named("Picture to fill it with").send_keys(picture)
    table.wait(lambda: crimson(table) > 200)
    covered = crimson(table)
    table.button("Move it by hand").click()
    left = number(table, "middle, from the left")
    table.drag(table.by_id("picture-middle"), 40, 0)
    table.wait(lambda: number(table, "middle, from the left") > left + 10)
    # It is seen in the shape alone, and no longer covers all of it.
    table.wait(lambda: crimson(table) < covered)
    grip = table.by_id("picture-right")
    table.browser.execute_script("arguments[0].focus()", grip)
    width = number(table, "width on the garment")
    grip.send_keys(Keys.SHIFT, Keys.ARROW_RIGHT)
    table.wait(lambda: number(table, "width on the garment") > width)
    table.button("Cover the shape").click()
    table.wait(lambda: crimson(table) == covered)
    # Removed, it is gone with its grips; it comes back by undo.
    table.type_in("backdrop: turned by", "30")
    table.wait(lambda: number(table, "turned by") == 30)
    table.button("Remove the fill").click()
    table.wait(lambda: not crimson(table))
    assert not table.all_by_id("picture-middle")
    table.control("z")
    table.wait(lambda: crimson(table) > 200)


def test_a_front_has_a_gradient_from_shade_to_shade(table: Table) -> None:
    table.choose("front-r")
    table.button("Fill with a gradient").click()
    table.wait(lambda: undo_title(table) == "Undo: Fill Front R")
    table.type_in("Colour 1, entered", "#b4143c")
    table.type_in("Colour 2, entered", "#b4143c")
    table.wait(lambda: crimson(table) > 5000)
    table.type_in("Colour 2: opacity", "0")
    table.wait(lambda: crimson(table) < 2000)
    table.button("Add a colour").click()
    table.wait(lambda: table.named("Colour 3: lies at").get_attribute("value") == "100%")
    table.type_in("Colour 3: lies at", "140")
    fault = table.sought(By.XPATH, "//*[@role='alert'][contains(., '100%')]")
    assert "must be from 0 to 100%" in fault.text
    table.press(Keys.ESCAPE)
    table.named("Remove colour 3").click()
    table.wait(lambda: not table.browser.find_elements(By.CSS_SELECTOR, "[aria-label^='Colour 3']"))
    table.option("How the gradient runs", "From a middle").click()
    table.wait(lambda: table.named("Middle, across").get_attribute("value") == "50%")
