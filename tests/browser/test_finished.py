"""From lines to finished graphics at the Table: a label with an eaten edge, a band of dots cropped to a
badge, a ribbon behind a ring, an outline for a cutter."""

from __future__ import annotations

import pytest
from selenium.webdriver.common.by import By
from selenium.webdriver.common.keys import Keys

from tests.browser.table import Table
from tests.browser.test_areas import edges
from tests.browser.test_bench import undo_title
from tests.browser.test_colour import pixels


def lay(table: Table, path: str, brush: str) -> None:
    table.choose(path)
    before = undo_title(table)
    table.by_id(f"brush-{brush}").click()
    table.wait(lambda: undo_title(table) != before)


def let_go(table: Table) -> None:
    """Choose nothing: what is chosen lies on a tinted lane."""
    paper = table.browser.find_element(By.ID, "paper")
    table.browser.execute_script("arguments[0].focus()", paper)
    table.press(Keys.ESCAPE)
    table.wait(lambda: not table.browser.find_elements(By.CSS_SELECTOR, "[data-row]"))


def test_a_label_has_an_edge_that_is_eaten_by_its_trim_and_follows_it(table: Table) -> None:
    """Of the front, what its scallops leave of its inside; with longer scallops less is left."""
    lay(table, "front-r", "scallop")
    table.option("What the area is made of", "Runs").click()
    table.button("Make an area of it").click()
    table.wait(lambda: edges(table))
    table.pick("What of Front R, Scalloped edge with eyelets is used", "Its inside only")
    table.wait(lambda: undo_title(table).startswith("Undo: Change Area"))
    table.button("Fill with a gradient").click()
    table.type_in("Colour 1, entered", "#b4143c")
    table.type_in("Colour 2, entered", "#b4143c")
    table.wait(lambda: pixels(table, "#b4143c") > 1000)
    let_go(table)
    label = pixels(table, "#b4143c")
    table.choose("front-r")
    table.type_in("Size", "300 %")
    table.wait(lambda: undo_title(table) == "Undo: Set size")
    let_go(table)
    table.wait(lambda: 0 < pixels(table, "#b4143c") < 0.97 * label)


def test_a_band_of_dots_is_cropped_to_a_badge(table: Table) -> None:
    lay(table, "hem-r", "dots")
    table.type_in("Thread colour, entered", "#b4143c")
    whole = table.wait(lambda: pixels(table, "#b4143c"))
    # Of a band along the hem, what lies on the front.
    table.pick("Crop to", "Front R")
    table.wait(lambda: undo_title(table) == "Undo: Crop Hem R to Front R")
    table.wait(lambda: 0 < pixels(table, "#b4143c") < 0.9 * whole)
    table.control("z")
    table.wait(lambda: pixels(table, "#b4143c") == whole)


def test_the_outline_of_what_is_chosen_goes_to_a_cutter(table: Table) -> None:
    lay(table, "welt-pocket-r", "scallop")
    table.button("Export").click()
    table.option("What", "1 chosen path").click()
    table.option("As", "Outline, DXF").click()
    table.by_id("outline")
    facts = table.wait(
        lambda: [p.text for p in table.browser.find_elements(By.TAG_NAME, "p") if "to cut" in p.text]
    )
    assert "shape" in facts[0]
    table.type_in("Gaps closed up to", "2*3 mm")
    table.wait(lambda: table.named("Gaps closed up to").get_attribute("value") == "6 mm")
    table.type_in("As near as", "0 mm")
    alert = table.sought(By.XPATH, "//*[@role='alert']")
    assert "lie off" in alert.text
    address = table.by_id("export-file").get_attribute("href") or ""
    assert "outline.dxf?" in address
    assert "gaps=6+mm" in address


@pytest.mark.parametrize("side", ["Inside", "Outside"])
def test_a_ribbon_lies_behind_a_ring(dressed: Table, side: str) -> None:
    """The programme's ribbon is cropped to the lantern's ring anew, to either side of it."""
    dressed.browser.get(f"{dressed.address}/sheets/programme")
    dressed.by_id("row-programme-ribbon").click()
    dressed.pick("Crop to", "nothing: all is seen")
    dressed.wait(lambda: undo_title(dressed) == "Undo: Show all of Ribbon")
    dressed.pick("Crop to", "Lantern ring")
    dressed.wait(lambda: undo_title(dressed) == "Undo: Crop Ribbon to Lantern ring")
    if side == "Outside":
        dressed.option("What is seen of it", "Outside").click()
    said = f"{side.lower()} of Lantern ring"
    dressed.wait(lambda: said in dressed.browser.find_element(By.CSS_SELECTOR, "[data-row=crop] h3").text)


def test_one_run_is_exported_trimmed_and_white(table: Table) -> None:
    """As it is sent on: its place is said and is a file too."""
    table.choose("hem-r")
    table.button("Export").click()
    table.option("What", "Only Hem R").click()
    table.option("As", "PNG on transparency").click()
    tick = "//dialog//label[normalize-space()='{}']/input"
    table.browser.find_element(By.XPATH, tick.format("Trimmed to the artwork")).click()
    table.type_in("Margin, on paper", "wide")
    table.wait(lambda: "not a" in table.browser.find_element(By.TAG_NAME, "dialog").text)
    table.type_in("Margin, on paper", "1/8 in")
    table.wait(lambda: table.named("Margin, on paper").get_attribute("value") == "3.175 mm")
    table.wait(lambda: "from the sheet’s left" in table.browser.find_element(By.TAG_NAME, "dialog").text)
    table.pick("Colours", "All white, to be tinted")
    address = table.wait(lambda: _address(table, "colours=white"))
    assert "trimmed=true" in address
    assert "margin=3.175" in address
    place = table.browser.find_element(By.LINK_TEXT, "its place, as JSON").get_attribute("href") or ""
    assert "place.json" in place
    assert "margin=3.175" in place


def test_what_is_set_while_the_server_reads_something_else_is_kept(table: Table) -> None:
    table.button("Export").click()
    table.option("As", "PNG on transparency").click()
    table.browser.find_element(
        By.XPATH, "//dialog//label[normalize-space()='Trimmed to the artwork']/input"
    ).click()
    table.browser.set_network_conditions(latency=700, throughput=10_000_000)
    try:
        table.type_in("Pixels per inch", "200")
        table.type_in("Margin, on paper", "2")
        table.pick("Colours", "Greys, to be tinted")
        address = table.wait(lambda: _address(table, "margin=2+mm"))
    finally:
        table.browser.delete_network_conditions()
    assert "colours=greys" in address
    assert "ppi=200" in address


def _address(table: Table, part: str) -> str | None:
    found = table.by_id("export-file").get_attribute("href") or ""
    return found if part in found else None
