"""Colours on the Table: the shade card, colourways, sequences, looks given and taken up, fades."""

from __future__ import annotations

import json
from pathlib import Path

import pytest
from selenium.webdriver import Keys
from selenium.webdriver.common.by import By

from tests.browser.table import Table
from tests.browser.test_bench import undo_title

# How many pixels of the artwork have a colour.
PIXELS = """
const [r, g, b] = arguments[0].match(/\\w\\w/g).map((part) => parseInt(part, 16));
const canvas = document.querySelector("[data-testid=artwork]");
const { data } = canvas.getContext("2d").getImageData(0, 0, canvas.width, canvas.height);
let count = 0;
for (let i = 0; i < data.length; i += 4) {
  const off = Math.abs(data[i] - r) + Math.abs(data[i + 1] - g) + Math.abs(data[i + 2] - b);
  if (off < 6 && data[i + 3] > 200) count++;
}
return count;
"""


PIXEL = """
const canvas = document.querySelector("[data-testid=artwork]");
const scale = canvas.width / canvas.clientWidth;
const { data } = canvas.getContext("2d").getImageData(arguments[0] * scale, arguments[1] * scale, 1, 1);
return "#" + [...data].slice(0, 3).map((part) => part.toString(16).padStart(2, "0")).join("");
"""


def pixels(table: Table, colour: str) -> int:
    return int(table.browser.execute_script(PIXELS, colour))


@pytest.fixture
def table(dressed: Table) -> Table:
    """The Table with the demo's sheets."""
    return dressed


def card(table: Table) -> Table:
    """The Table with its shade card open."""
    table.press_by_id("shade-card")
    table.by_id("card")
    return table


def open_shade(table: Table, name: str) -> None:
    table.once_possible(
        table.sought(By.XPATH, f"//*[@data-testid='card']//li//button[.//span[text()='{name}']]").click
    )
    table.named("Name of the shade")


def shades(table: Table) -> list[str]:
    rows = table.by_id("card").find_elements(By.CSS_SELECTOR, "li > button > span:nth-child(2)")
    return [row.text for row in rows]


def swatch(table: Table) -> str:
    """The thread's colour as the folded row has it."""
    row = table.sought(By.CSS_SELECTOR, "[data-row=thread] button [aria-hidden]")
    return str(table.browser.execute_script("return getComputedStyle(arguments[0]).backgroundColor", row))


@pytest.fixture
def programme(table: Table) -> Table:
    """The programme's cover, shown."""
    table.browser.get(f"{table.address}/sheets/programme")
    table.by_id("artwork")
    table.wait(lambda: pixels(table, "#fbf1dc") > 1000)
    return table


def test_a_shade_is_changed_and_so_is_all_that_uses_it(programme: Table) -> None:
    table = programme
    card(table)
    open_shade(table, "Rust")
    table.type_in("Colour of Rust, entered", "rgb(0, 128, 255)")
    table.wait(lambda: undo_title(table) == "Undo: Change the shade Rust")
    table.wait(lambda: pixels(table, "#0080ff") > 20)
    # By its hue: a slider is moved by keys, and kept when they are let go of.
    slider = table.by_id("card").find_element(By.XPATH, ".//label[contains(., 'Hue')]//input")
    before = slider.get_attribute("value")
    slider.send_keys(Keys.ARROW_LEFT * 6)
    table.wait(lambda: pixels(table, "#0080ff") == 0)
    table.wait(lambda: float(slider.get_attribute("value") or 0) < float(before or 0))


def test_one_press_switches_the_colourway(programme: Table) -> None:
    table = programme
    day = pixels(table, "#fbf1dc")
    table.option("Colourway", "Night bill").click()
    table.wait(lambda: pixels(table, "#20264a") > day / 2)
    assert undo_title(table) == "Undo: Show Night bill"
    card(table)
    table.button("Add one as a copy").click()
    table.wait(lambda: table.named("Name of the colourway").get_attribute("value") == "Colourway 3")
    table.type_in("Name of the colourway", "Fog")
    table.wait(lambda: table.option("Colourway", "Fog"))
    table.button("Remove this one").click()
    table.wait(lambda: table.named("Name of the colourway").get_attribute("value") == "Day bill")
    table.wait(lambda: pixels(table, "#20264a") == 0)


def test_a_used_shade_asks_for_its_successor(programme: Table) -> None:
    table = programme
    card(table)
    open_shade(table, "Gold")
    table.button("Remove").click()
    table.pick("What takes its place", "Moss")
    gold = pixels(table, "#e2b34d")
    table.button("Remove the shade").click()
    table.wait(lambda: "Gold" not in shades(table))
    table.wait(lambda: pixels(table, "#e2b34d") < gold / 10)
    # One that nothing uses goes without being asked for.
    table.button("Add a shade").click()
    table.type_in("Name of the shade", "Spare")
    table.wait(lambda: "Spare" in shades(table))
    table.button("Remove").click()
    table.wait(lambda: "Spare" not in shades(table))


def test_a_thread_takes_a_shade_or_the_colour_of_its_path(table: Table) -> None:
    table.choose("hem-r")
    table.unfold("thread")
    table.pick("Thread colour from", "Brass")
    table.wait(lambda: swatch(table) == "rgb(217, 180, 91)")
    # Its swatch leads to the shade, and back.
    table.named("Thread colour: Brass, on the shade card").click()
    assert table.named("Name of the shade").get_attribute("value") == "Brass"
    table.press_by_id("card-back")
    table.pick("Thread colour from", "As the path has it")
    table.wait(lambda: swatch(table) == "rgb(60, 125, 109)")
    table.pick("Thread colour from", "Own colour")
    table.type_in("Thread colour, entered", "#112233")
    table.wait(lambda: swatch(table) == "rgb(17, 34, 51)")
    table.pick("Thread colour from", "New shade of it …")
    table.wait(lambda: table.named("Thread colour: Dark blue, on the shade card"))


def test_a_row_runs_through_a_sequence_of_shades(table: Table) -> None:
    table.choose("hem-r")
    table.type_in("Sequence of shades", "brass, cord, rusty")
    table.wait(lambda: "“rusty” is not a colour" in table.by_id("artwork").parent.page_source)
    table.type_in("Sequence of shades", "brass, cord, crimson")
    table.wait(lambda: undo_title(table) == "Undo: Set sequence of shades")
    assert table.named("Sequence of shades").get_attribute("value") == "Brass, Cord, #dc143c"


def test_a_seam_recipe_goes_to_every_seam_of_its_kind(table: Table) -> None:
    """A look is taken up, all seams of a group are chosen by one of them, and get it: then one shade
    recolours them all."""
    table.choose("piping-r")
    table.press("l")
    table.wait(lambda: "is taken up" in table.notice())
    table.choose("armhole-r")
    table.pick("Select alike in", "its seam group")
    table.wait(lambda: "2 paths" in table.by_id("artwork").parent.page_source)
    table.to_sheet()
    table.press("g")
    table.wait(lambda: undo_title(table) == "Undo: Give a look to 2 paths")
    words = table.sought(By.CSS_SELECTOR, "[data-row=brush] button").text
    assert "Twisted cord" in words
    table.to_sheet()
    table.press(Keys.ESCAPE)
    card(table)
    open_shade(table, "Cord")
    before = pixels(table, "#00ff00")
    table.type_in("Colour of Cord, entered", "#00ff00")
    table.wait(lambda: pixels(table, "#00ff00") > before)


def test_a_look_is_kept_under_a_name_and_given_on_another_sheet(table: Table) -> None:
    table.choose("piping-r")
    table.button("Keep it as a look …").click()
    table.type_in("Name of the look", "Edge cord")
    table.wait(lambda: undo_title(table) == "Undo: Keep the look Edge cord")
    assert table.sought(By.CSS_SELECTOR, "[data-row=brush] button").text.startswith("Look")
    table.browser.get(f"{table.address}/library")
    table.option("Shelf", "Looks").click()
    table.wait(lambda: "Edge cord" in table.by_id("library").text)
    table.browser.get(f"{table.address}/sheets/coat")
    table.by_id("row-coat-hem-r").click()
    row = table.sought(By.XPATH, "//button[starts-with(@data-testid, 'brush-')][contains(., 'Edge cord')]")
    table.once_possible(row.click)
    table.wait(lambda: undo_title(table) == "Undo: Lay Edge cord on Hem R")
    # Its shades came along.
    table.press(Keys.ESCAPE)
    card(table)
    assert {"Cord", "Lining"} <= set(shades(table))


def test_shades_come_from_files_and_pictures_and_go_out_again(table: Table, tmp_path: Path) -> None:
    tokens = tmp_path / "brand.tokens.json"
    tokens.write_text(json.dumps({"brand": {"$type": "color", "Night sky": {"$value": "#101830"}}}))
    card(table)
    table.named("File or picture to take shades from").send_keys(str(tokens))
    table.wait(lambda: "Night sky" in shades(table))
    broken = tmp_path / "loop.json"
    loop = {"a": {"$type": "color", "$value": "{b}"}, "b": {"$value": "{a}"}}
    broken.write_text(json.dumps(loop))
    table.named("File or picture to take shades from").send_keys(str(broken))
    table.wait(lambda: "refers to itself" in table.notice())
    link = table.button("Design Tokens (JSON)").get_attribute("href")
    fetched = table.browser.execute_async_script(
        "const done = arguments[1]; fetch(arguments[0]).then((r) => r.json()).then(done)", link
    )
    assert fetched["Evening"]["Night sky"]["$value"]["hex"] == "#101830"


def test_a_shade_is_picked_from_the_sheet(programme: Table) -> None:
    table = programme
    card(table)
    open_shade(table, "Moss")
    table.button("Pick it from the sheet").click()
    # Within the lantern's flame.
    x, y = 374, 259
    seen = table.still(lambda: str(table.browser.execute_script(PIXEL, x, y)))
    table.on_paper(("press", x, y))
    table.wait(lambda: undo_title(table) == "Undo: Change the shade Moss")
    assert table.named("Colour of Moss, entered").get_attribute("value") == seen


def test_a_run_fades_and_is_soft(programme: Table) -> None:
    table = programme
    table.by_id("row-programme-knotted-cord").click()
    table.unfold("fade")

    def words() -> str:
        return table.sought(By.CSS_SELECTOR, "[data-row=fade] button").text

    table.button("Both ends").click()
    table.wait(lambda: "0 to 100 %" in words())
    table.type_in("Soft edge", "2 mm")
    table.wait(lambda: "soft 2 mm" in words())
    assert undo_title(table) == "Undo: Set soft edge"
    table.button("None").click()
    table.wait(lambda: "0 to 100 %" not in words())
