"""Every view and state, in both themes, as axe-core judges it."""

from __future__ import annotations

from collections.abc import Callable

import pytest
from selenium.webdriver import ActionChains
from selenium.webdriver.common.by import By
from selenium.webdriver.common.keys import Keys
from selenium.webdriver.remote.webelement import WebElement

from tests.browser.axe import violations
from tests.browser.table import Table


def sheets(table: Table) -> None:
    table.browser.get(table.address)
    table.by_id("sheet-coat")


def archived(table: Table) -> None:
    sheets(table)
    table.button("Archived sheets").click()


def bare_table(table: Table) -> None:
    table.by_id("artwork")


def folded(table: Table) -> None:
    table.choose("hem-r")
    table.by_id("tape")


def unfolded(table: Table) -> None:
    table.choose("hem-r")
    table.by_id("tape")
    table.unfold(*table.folded())
    table.press("c")


def drawn_brush(table: Table) -> None:
    """A brush with every setting that there is."""
    table.choose("welt-pocket-r")
    table.press_by_id("brush-scallop")
    table.wait(lambda: "Scallop" in (table.button("Undo").get_attribute("title") or ""))
    table.unfold(*table.folded())


def path_page(table: Table) -> None:
    table.choose("front-r")
    table.turn_to("path")
    table.unfold(*table.folded())


def node(table: Table) -> None:
    table.choose("hem-r")
    table.by_id("node-n2").click()
    table.wait(lambda: table.named("Node, from the left"))


def no_brush(table: Table) -> None:
    table.choose("dart-r")
    table.wait(lambda: "Lay a brush" in table.named("Ticket").text)


def several(table: Table) -> None:
    table.browser.find_element(By.XPATH, "//button[contains(., 'Hems')]").click()
    table.wait(lambda: "2 paths chosen" in table.named("Ticket").text)


def tool(digit: str) -> Callable[[Table], None]:
    def state(table: Table) -> None:
        table.press(digit)

    state.__name__ = f"tool_{digit}"
    return state


def refused(table: Table) -> None:
    table.choose("hem-r")
    table.type_in("Stitch length", "long")
    table.wait(lambda: table.browser.find_element(By.CSS_SELECTOR, "[role=alert]"))


def notice(table: Table) -> None:
    table.press_by_id("brush-topstitch")
    table.notice()


def exporting(table: Table) -> None:
    table.button("Export").click()
    table.wait(lambda: "mm" in table.browser.find_element(By.TAG_NAME, "dialog").text)


def keys(table: Table) -> None:
    table.menu("Help", "Keys")
    table.wait(lambda: table.browser.find_element(By.TAG_NAME, "dialog"))


def guide(table: Table) -> None:
    table.menu("Help", "Guide")
    table.by_id("guide")


def menu(table: Table) -> None:
    table.named("Topstitch, 3 + 1 mm: more").click()
    table.wait(lambda: table.browser.find_element(By.CSS_SELECTOR, "[role=menu]"))


def label(table: Table) -> None:
    table.choose("hem-r")
    ActionChains(table.browser).move_to_element(table.by_id("corner-n2")).perform()
    table.by_id("mark-label")


def library(table: Table) -> None:
    table.browser.get(f"{table.address}/library")
    table.by_id("card-key")


def motifs(table: Table) -> None:
    library(table)
    table.option("Shelf", "Motifs").click()
    table.by_id("motif-motif-leaf")


def bench(table: Table) -> None:
    table.browser.get(f"{table.address}/bench/whipped")
    table.by_id("proof-letter")
    table.unfold(*table.folded())


def whole_brush(table: Table) -> None:
    bench(table)
    table.option("Whose settings", "Whole brush").click()
    table.unfold(*table.folded())


def piece(table: Table) -> None:
    bench(table)
    table.by_id("place-start").click()
    table.named("Family of the piece")


def drawing(table: Table) -> None:
    table.browser.get(f"{table.address}/bench/scallop-discs")
    table.by_id("proof-letter")
    table.button("Draw on it").click()
    shape = table.by_id("shape-0")
    table.browser.execute_script("arguments[0].focus()", shape)
    table.press(Keys.ENTER)
    table.named("Fill")


def missing_sheet(table: Table) -> None:
    table.browser.get(f"{table.address}/sheets/nowhere")
    table.button("All sheets")


def shade_card(table: Table) -> None:
    """The card with two colourways, a shade open on it."""
    table.press_by_id("shade-card")
    table.by_id("card")
    if not table.browser.find_elements(By.CSS_SELECTOR, "[data-testid=card] li"):
        table.button("Make shades of the colours in use").click()
        table.wait(lambda: table.browser.find_elements(By.CSS_SELECTOR, "[data-testid=card] li"))
        table.button("Add one as a copy").click()
        table.option("Colourway", "Colourway 2")
    table.once_possible(table.browser.find_element(By.CSS_SELECTOR, "[data-testid=card] li button").click)
    table.named("Name of the shade")


def successor(table: Table) -> None:
    shade_card(table)
    table.button("Remove").click()
    table.named("What takes its place")


def keeping_a_look(table: Table) -> None:
    table.choose("hem-r")
    table.button("Keep it as a look …").click()
    table.named("Name of the look")


def area(table: Table) -> None:
    """Four ways offered, and an area with its shapes and its clean outline."""
    table.choose("front-r")
    row = table.by_id("row-waistcoat-welt-pocket-r")
    ActionChains(table.browser).key_down(Keys.SHIFT).click(row).key_up(Keys.SHIFT).perform()
    table.unfold("new-area")
    table.wait(lambda: table.by_id("way-cut").is_enabled())
    table.press_by_id("way-cut")
    table.unfold("area", "new-area")
    table.named("Close gaps under")


def filled(table: Table) -> None:
    """A gradient's colours, and the rows of crops and mirrored halves."""
    table.choose("front-r")
    table.by_id("path-page").click()
    table.unfold("fill", "crop", "mirror")
    table.button("Fill with a gradient").click()
    table.named("Turned by")


def outline(table: Table) -> None:
    table.choose("front-r")
    table.button("Export").click()
    table.option("As", "Outline, DXF").click()
    table.by_id("outline")


def back_ups(table: Table) -> None:
    sheets(table)
    table.button("Back-ups").click()
    table.wait(lambda: table.browser.find_elements(By.CSS_SELECTOR, "dialog li"))


def schedule(table: Table) -> None:
    table.browser.get(f"{table.address}/sheets/waistcoat/schedule")
    table.wait(lambda: table.browser.find_elements(By.CSS_SELECTOR, "tbody tr"))


def called_out(table: Table) -> None:
    table.choose("hem-r")
    table.unfold("callout")
    table.button("Add a call-out").click()
    table.by_id("callout-end")


def tile(table: Table) -> None:
    table.choose("hem-r")
    table.button("Export").click()
    table.option("As", "Seamless tile").click()
    table.by_id("tile")


def looks(table: Table) -> None:
    table.browser.get(f"{table.address}/library")
    table.option("Shelf", "Looks").click()


# Each line is gone through on one open page, as a person would.
STATES: tuple[tuple[Callable[[Table], None], ...], ...] = (
    (bare_table, tool("2"), tool("3"), tool("4"), tool("5"), tool("6")),
    (folded, unfolded, label, called_out, refused, keeping_a_look),
    (no_brush, path_page, node),
    (several, area),
    (filled, drawn_brush),
    (notice, menu), (keys,), (guide,), (exporting,), (outline,), (tile,),
    (shade_card,), (successor,),
    (sheets, archived, back_ups),
    (library, motifs, looks),
    (bench, whole_brush, piece),
    (drawing,), (missing_sheet,), (schedule,),
)  # fmt: skip


@pytest.mark.parametrize("states", STATES, ids=lambda states: "-".join(state.__name__ for state in states))
def test_axe_finds_nothing_in_either_theme(table: Table, states: tuple[Callable[[Table], None], ...]) -> None:
    found = {}
    for state in states:
        state(table)
        for scheme, theme in (("dark", "lamp"), ("light", "paper")):
            prefer(table, scheme)
            table.wait(lambda theme=theme: root(table).get_attribute("data-theme") == theme)
            found[f"{state.__name__}, {theme}"] = violations(table.browser, colours_only=theme == "lamp")
    assert {where: what for where, what in found.items() if what} == {}


def test_the_help_pages_follow_the_system_and_axe_finds_nothing(table: Table) -> None:
    table.browser.get(f"{table.address}/guide/guide.html")
    found = {}
    for scheme in ("dark", "light"):
        prefer(table, scheme)
        found[scheme] = violations(table.browser)
    assert found == {"dark": [], "light": []}


def prefer(table: Table, scheme: str) -> None:
    """What the system says of light and dark, which the page follows at once."""
    features = [{"name": "prefers-color-scheme", "value": scheme}]
    table.browser.execute_cdp_cmd("Emulation.setEmulatedMedia", {"features": features})


def root(table: Table) -> WebElement:
    return table.browser.find_element(By.TAG_NAME, "html")
