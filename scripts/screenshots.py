"""Take docs/screenshots anew from the demo: `make screenshots`."""

from __future__ import annotations

import tempfile
import time
import urllib.request
from collections.abc import Callable
from pathlib import Path as FilePath

import numpy as np
from selenium.webdriver.common.by import By
from selenium.webdriver.support.ui import Select

from tests.browser.conftest import make_browser
from tests.browser.table import Table
from tests.pixels import box, canvas, encoded, paint
from tests.server import Server

# Until the last picture is painted, s.
SETTLED = 0.8

TARGET = FilePath(__file__).parents[1] / "docs/screenshots"


def table_with_the_waistcoat(table: Table) -> None:
    table.choose("hem-r")
    table.by_id("tape")


def season_programme(table: Table) -> None:
    table.browser.get(f"{table.address}/sheets/programme")
    table.by_id("row-programme-knotted-cord").click()
    table.by_id("tape")


def stage_curtain(table: Table) -> None:
    table.browser.get(f"{table.address}/sheets/curtain")
    table.by_id("row-curtain-pelmet-hem").click()
    table.by_id("tape")


def schedule(table: Table) -> None:
    """What every run of the stage curtain takes."""
    table.browser.get(f"{table.address}/sheets/curtain/schedule")
    table.wait(lambda: table.browser.find_elements(By.CSS_SELECTOR, "tbody tr"))


def export(table: Table) -> None:
    """One run as it is sent on: trimmed, in white."""
    table.choose("hem-r")
    table.by_id("tape")
    table.button("Export").click()
    table.option("What", "Only Hem R").click()
    table.option("As", "PNG on transparency").click()
    tick = "//dialog//label[normalize-space()='Trimmed to the artwork']/input"
    table.browser.find_element(By.XPATH, tick).click()
    table.pick("Colours", "All white, to be tinted")
    table.type_in("Margin, on paper", "2")
    table.wait(lambda: "from the sheet" in table.browser.find_element(By.TAG_NAME, "dialog").text)
    # Its picture comes a little after what is said of it.
    picture = "const picture = document.querySelector('dialog img')"
    script = f"{picture}; return picture.complete && picture.naturalWidth > 3 * picture.naturalHeight"
    table.wait(lambda: table.browser.execute_script(script))


def bench(table: Table) -> None:
    table.browser.get(f"{table.address}/bench/whipped")
    table.by_id("proof-letter")
    table.by_id("place-start").click()
    table.wait(lambda: table.named("Family of the piece"))


def drawing(table: Table) -> None:
    """A scallop's repeat with a ring of dots drawn on it, two shapes chosen."""
    table.browser.get(f"{table.address}/bench/scallop-discs")
    table.by_id("proof-letter")
    table.button("Draw on it").click()
    table.type_in("New: middle, along", "5 mm")
    table.type_in("New: middle, across", "-3 mm")
    table.type_in("New: long", "1 mm")
    table.type_in("New: wide", "1 mm")
    table.button("Draw the disc").click()
    table.wait(lambda: table.named("Shapes in all"))
    Select(table.named("Fill")).select_by_visible_text("Thread 2")
    table.type_in("Middle, across", "-1.75 mm")
    table.type_in("Shapes in all", "9")
    table.type_in("Point, along", "5 mm")
    table.button("Copy round").click()
    rings = ".drawn-shape"
    table.wait(lambda: len(table.browser.find_elements(By.CSS_SELECTOR, rings)) == 12)
    table.press_by_id("shape-6")
    card = table.named("Drawing settings")
    table.browser.execute_script("arguments[0].scrollTop = 0", card)
    table.browser.execute_script("document.querySelector('[aria-label=\"Close this message\"]')?.click()")


def tracing(table: Table) -> None:
    """A paper lantern, as it was painted for the programme, traced by its colours."""
    table.browser.get(f"{table.address}/bench/scallop-discs")
    table.by_id("proof-letter")
    with tempfile.TemporaryDirectory() as folder:
        file = FilePath(folder) / "lantern.png"
        file.write_bytes(encoded(lantern()))
        table.named("Picture for the Bench").send_keys(str(file))
        table.type_in("Long, when cropped", "60 mm")
        table.option("Traced by", "Colours").click()
        table.type_in("Colours", "9")
        bands = table.browser.find_element(By.XPATH, "//label[contains(., 'Bands become')]/input")
        bands.click()
        table.type_in("Outline within", "0.1 mm")
        table.wait(lambda: "shapes kept" in table.by_id("traced").text)
        time.sleep(4)


def lantern() -> np.ndarray:
    """Round, ribbed, shaded from lit to dark, with a cap, a foot and a tassel."""
    pixels = canvas(700, 900, (238, 231, 214))
    y, x = np.mgrid[:700, :900] + 0.5
    far = np.hypot((x - 450) / 230, (y - 330) / 200)
    lit = np.clip(np.hypot(x - 400, y - 270) / 330, 0, 1)[..., None]
    colour = (1 - lit) * np.array([250, 200, 90]) + lit * np.array([190, 60, 40])
    pixels[far < 1, :3] = colour[far < 1]
    for wide in (0.28, 0.62, 0.9):
        rib = np.abs(np.hypot((x - 450) / (230 * wide), (y - 330) / 200) - 1)
        pixels[(rib < 0.012 / wide) & (far < 1), :3] = (120, 36, 30)
    for left, top, right, foot in ((380, 108, 520, 142), (390, 518, 510, 548), (446, 60, 454, 110)):
        pixels = paint(pixels, box(left, top, right, foot), (38, 44, 66))
    for k in range(7):
        pixels = paint(pixels, box(408 + 13 * k, 546, 414 + 13 * k, 640 + 8 * (k % 2)), (196, 148, 52))
    return pixels


def library(table: Table) -> None:
    table.browser.get(f"{table.address}/library")
    table.wait(lambda: len(table.browser.find_elements(By.CSS_SELECTOR, "[data-testid^=card-]")) > 40)
    table.option("Kind of brush", "Trim").click()
    script = "return [...document.images].every((image) => image.complete)"
    table.wait(lambda: table.browser.execute_script(script))


def motifs(table: Table) -> None:
    table.browser.get(f"{table.address}/library")
    table.option("Shelf", "Motifs").click()
    table.by_id("motif-motif-leaf")


def prop_satchel(table: Table) -> None:
    """The name on the flap chosen: letters that stand on a path."""
    table.browser.get(f"{table.address}/sheets/satchel")
    row = "//button[contains(., 'PAPER LANTERN')]"
    table.wait(lambda: table.browser.find_element(By.XPATH, row)).click()
    table.wait(lambda: table.named("Cap height"))


def puppets_coat(table: Table) -> None:
    table.browser.get(f"{table.address}/sheets/coat")
    table.by_id("row-coat-hem-r").click()
    table.by_id("tape")


def sheets(table: Table) -> None:
    table.browser.get(table.address)
    table.by_id("sheet-coat")
    script = "return [...document.images].every((image) => image.complete)"
    table.wait(lambda: table.browser.execute_script(script))


def taking_in(table: Table) -> None:
    """The waistcoat's own drawing, as exported, looked at before it is imported."""
    with tempfile.TemporaryDirectory() as folder:
        file = FilePath(folder) / "waistcoat.svg"
        address = f"{table.address}/api/sheets/waistcoat/export.svg"
        file.write_bytes(urllib.request.urlopen(address, timeout=60).read())
        table.named("Drawing to import").send_keys(str(file))
        table.option("Sorted into groups", "By line style").click()
        table.wait(lambda: table.browser.find_elements(By.CSS_SELECTOR, "[aria-label^='Name of ']"))


def measuring(table: Table) -> None:
    table.choose("hem-r")
    table.press("6")
    table.option("What is measured", "Along the path").click()
    for node in ("Node 1", "Node 3"):
        table.pick("A node of the chosen path as the next place", node)
    table.by_id("measured")


def shade_card(table: Table) -> None:
    """The programme in its second colourway, a shade open on the card."""
    table.browser.get(f"{table.address}/sheets/programme")
    table.option("Colourway", "Night bill").click()
    table.press_by_id("shade-card")
    table.once_possible(
        table.sought(By.XPATH, "//*[@data-testid='card']//li//button[.//span[text()='Gold']]").click
    )
    table.named("Name of the shade")
    table.browser.execute_script("document.querySelector('[aria-label=\"Close this message\"]')?.click()")


def area(table: Table) -> None:
    """The lamp's backing, which follows the scallops: what it is made of, and its clean outline."""
    table.browser.get(f"{table.address}/sheets/programme")
    table.by_id("row-programme-lamp")
    backing = "//button[@data-testid and starts-with(@data-testid, 'row-')][.='Lamp backing']"
    table.once_possible(table.sought(By.XPATH, backing).click)
    table.unfold("area")
    table.named("Close gaps under")


def outline(table: Table) -> None:
    """The lantern's ring for a cutter."""
    table.browser.get(f"{table.address}/sheets/programme")
    table.by_id("row-programme-lantern-ring").click()
    table.button("Export").click()
    table.option("What", "1 chosen path").click()
    table.option("As", "Outline, DXF").click()
    table.by_id("outline")


def looks(table: Table) -> None:
    table.browser.get(f"{table.address}/library")
    table.option("Shelf", "Looks").click()
    table.by_id("card-look-rope")
    script = "return [...document.images].every((image) => image.complete)"
    table.wait(lambda: table.browser.execute_script(script))


SHOTS: dict[str, Callable[[Table], None]] = {
    "table": table_with_the_waistcoat,
    "programme": season_programme,
    "curtain": stage_curtain,
    "satchel": prop_satchel,
    "coat": puppets_coat,
    "shades": shade_card,
    "area": area,
    "outline": outline,
    "looks": looks,
    "sheets": sheets,
    "importing": taking_in,
    "measuring": measuring,
    "schedule": schedule,
    "export": export,
    "bench": bench,
    "drawing": drawing,
    "tracing": tracing,
    "library": library,
    "motifs": motifs,
}


def main() -> None:
    TARGET.mkdir(parents=True, exist_ok=True)
    with tempfile.TemporaryDirectory() as folder:
        server = Server(FilePath(folder))
        browser = make_browser()
        try:
            for name, pose in SHOTS.items():
                table = Table(browser, server.address)
                table.open()
                pose(table)
                time.sleep(SETTLED)
                browser.save_screenshot(str(TARGET / f"{name}.png"))
        finally:
            browser.quit()
            server.stop()


if __name__ == "__main__":
    main()
