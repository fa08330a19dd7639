"""The Table made easy: folded rows, searched brushes, one order, and what everybody's hand expects."""

from __future__ import annotations

import pytest
from selenium.webdriver import ActionChains
from selenium.webdriver.common.by import By
from selenium.webdriver.common.keys import Keys

from tests.browser.table import Table

HEM = "hem-r"
TICKET_ROOM = 624


def undo_title(table: Table) -> str:
    return table.button("Undo").get_attribute("title") or ""


def pressed_row(table: Table, row: str) -> None:
    table.browser.find_element(By.CSS_SELECTOR, f"[data-row={row}] > h3 > button").click()


def opened(table: Table) -> list[str]:
    rows = table.browser.find_elements(By.CSS_SELECTOR, "[data-row]:has(> h3 > [aria-expanded=true])")
    return [row.get_attribute("data-row") or "" for row in rows]


def chosen_names(table: Table) -> set[str]:
    found = table.browser.find_elements(By.CSS_SELECTOR, "[data-testid^=row-][aria-pressed=true]")
    return {(row.get_attribute("data-testid") or "").removeprefix("row-waistcoat-") for row in found}


def pixel(table: Table, x: int, y: int) -> tuple[int, ...]:
    """A pixel of the artwork, px from the paper's corner."""
    script = """const canvas = document.querySelector("[data-testid=artwork]");
    return [...canvas.getContext("2d").getImageData(arguments[0], arguments[1], 1, 1).data];"""
    return tuple(table.browser.execute_script(script, x, y))


@pytest.mark.parametrize("path", [HEM, "welt-pocket-r", "front-edge-r"])
def test_all_of_a_stitched_paths_rows_are_seen_at_once(table: Table, path: str) -> None:
    table.choose(path)
    table.by_id("tape")
    ticket = table.named("Ticket")
    high = table.browser.execute_script(
        "return [arguments[0].scrollHeight, arguments[0].clientHeight]", ticket
    )
    assert high[0] <= max(high[1], TICKET_ROOM)
    assert "Stitch" in ticket.text
    assert "6 + 2.8" in ticket.text or "3 + 1" in ticket.text


def test_a_row_opens_in_its_place_and_stays_open_for_the_next_path(table: Table) -> None:
    table.choose(HEM)
    pressed_row(table, "remainder")
    assert opened(table) == ["remainder"]
    pressed_row(table, "corners")
    assert opened(table) == ["corners"]
    table.unfold("stitch")
    assert set(opened(table)) == {"corners", "stitch"}
    table.choose("welt-pocket-r")
    table.wait(lambda: set(opened(table)) == {"corners", "stitch"})
    table.named("Corner angle").send_keys(Keys.ESCAPE)
    pressed_row(table, "corners")
    assert opened(table) == []


def test_a_twin_is_set_as_one_with_its_gauge(table: Table) -> None:
    table.choose(HEM)
    table.press_by_id("brush-twin")
    table.wait(lambda: "2, gauge 6.35 mm" in table.named("Ticket").text)
    table.type_in("Stitch length", "4 mm")
    table.type_in("Gauge", "5 mm")
    table.wait(lambda: "2, gauge 5.00 mm" in table.named("Ticket").text)
    table.option("Course to set", "1 Row").click()
    table.wait(lambda: table.named("Stitch length").get_attribute("value") == "4.00 mm")
    table.option("Course to set", "2 Row").click()
    table.wait(lambda: table.named("Stitch length").get_attribute("value") == "4.00 mm")


def test_brushes_are_found_by_name_and_by_kind_and_more_than_ten_are_seen(table: Table) -> None:
    rows = "[data-testid^=brush-]"
    every = table.browser.find_elements(By.CSS_SELECTOR, rows)
    assert len(every) > 45
    assert {row.size["height"] for row in every} == {34}
    table.named("Find a brush").send_keys("chain cable")
    table.wait(lambda: len(table.browser.find_elements(By.CSS_SELECTOR, rows)) in (1, 2))
    table.named("Find a brush").send_keys(Keys.ESCAPE)
    table.button("Rope").click()
    table.wait(lambda: table.by_id("brush-rope"))
    assert not table.all_by_id("brush-topstitch")
    table.button("Own").click()
    table.wait(lambda: "No brush matches that" in table.named("Brushes").text)


def test_paths_are_found_and_delete_works_in_their_list(table: Table) -> None:
    table.named("Find a path").send_keys("dart")
    table.wait(lambda: len(table.browser.find_elements(By.CSS_SELECTOR, "[data-testid^=row-]")) == 2)
    row = table.by_id("row-waistcoat-dart-r")
    row.click()
    table.press(Keys.DELETE)
    table.wait(lambda: "Dart R" not in table.path_names())
    # What is removed is brought back from where that is said.
    table.button("Undo")
    notice = table.browser.find_element(By.CSS_SELECTOR, "[data-testid=notice]")
    notice.find_element(By.XPATH, ".//button[.='Undo']").click()
    table.wait(lambda: "Dart R" in table.path_names())
    assert "Undone: Delete" in table.notice()


def test_delete_and_arrows_leave_the_garment_alone_elsewhere(table: Table) -> None:
    table.choose(HEM)
    table.browser.find_element(By.CSS_SELECTOR, "[data-row=stitch] button").click()
    table.press(Keys.DELETE, Keys.ARROW_LEFT)
    assert "Hem R" in table.path_names()
    assert not table.can_undo()


def test_a_box_chooses_what_lies_wholly_in_it_and_ctrl_adds(table: Table) -> None:
    table.named("Zoom out").click()
    paper = table.by_id("paper").size
    # From between the halves to past the sheet's right edge: everything of the left one.
    right, foot = paper["width"] - 30, paper["height"] - 60
    middle = paper["width"] // 2 - 4
    table.on_paper(
        ("hold", middle, 40), ("go", middle + 90, 200), ("go", right, foot), ("release", right, foot)
    )
    table.wait(lambda: len(chosen_names(table)) == 6)
    assert all(name.endswith("-l") for name in chosen_names(table))
    held = ActionChains(table.browser).key_down(Keys.CONTROL)
    held.click(table.by_id("row-waistcoat-hem-r")).key_up(Keys.CONTROL).perform()
    table.wait(lambda: len(chosen_names(table)) == 7)


def test_everybodys_keys_copy_cut_paste_and_duplicate_between_sheets(table: Table) -> None:
    table.choose(HEM)
    table.to_sheet()
    table.control("c")
    table.control("v")
    table.wait(lambda: table.path_names().count("Hem R") == 2)
    table.control("d")
    table.wait(lambda: any("Hem R" in name and name != "Hem R" for name in table.path_names()))
    table.control("a")
    table.wait(lambda: "14 paths chosen" in table.named("Ticket").text)
    table.choose(HEM)
    table.to_sheet()
    table.control("x")
    table.wait(lambda: table.path_names().count("Hem R") == 1)
    table.browser.get(f"{table.address}/sheets/programme")
    table.by_id("artwork")
    table.to_sheet()
    table.control("v")
    table.wait(lambda: "Hem R" in table.path_names() and table.count() == 41)


def test_what_is_typed_for_a_figure_counts_when_the_sheet_is_pressed(table: Table) -> None:
    table.press("4")
    table.pick("Figure", "Circle")
    field = table.named("Diameter")
    field.click()
    table.control("a")
    field.send_keys("60 mm")
    table.on_paper(("press", 90, 480))
    table.wait(lambda: "188.5 mm" in table.named("Ticket").text)


def test_words_typed_for_lettering_count_when_the_sheet_is_pressed(table: Table) -> None:
    table.press("5")
    words = table.named("Text")
    words.click()
    table.control("a")
    words.send_keys("Bo")
    table.on_paper(("press", 60, 480))
    table.wait(lambda: table.browser.find_elements(By.XPATH, "//li//*[contains(., '“Bo”')]"))


@pytest.mark.parametrize("pointer", ["mouse", "pen", "touch"])
def test_a_figure_is_dragged_to_size(table: Table, pointer: str) -> None:
    before = len(table.path_names())
    table.press("4")
    table.pick("Figure", "Rectangle")
    table.by_pointer(pointer, (60, 460), (90, 480), (180, 540))
    table.wait(lambda: len(table.path_names()) == before + 1)
    table.press("1")
    table.unfold("figure")
    zoom = table.zoom() / 100 * 96 / 25.4
    width = float((table.named("Width").get_attribute("value") or "").split()[0])
    assert width == pytest.approx(120 / zoom * 4, rel=0.12)


def test_a_seam_goes_under_another_paths_cloth_on_the_canvas(table: Table) -> None:
    """At pixels: the hem's thread is covered by the front once that is brought to the front, and back."""
    table.choose(HEM)
    table.press_by_id("brush-ribbon")
    table.wait(lambda: "Lay" in undo_title(table))
    node = table.by_id("node-n2").rect
    paper = table.by_id("paper").rect
    spot = round(node["x"] - paper["x"]) - 40, round(node["y"] - paper["y"]) - 14
    table.to_sheet()
    table.press(Keys.ESCAPE)
    seen = [pixel(table, spot[0], spot[1] + dy) for dy in range(-12, 30)]
    table.choose("front-r")
    table.to_sheet()
    table.control("]", shift=True)
    table.wait(lambda: undo_title(table).startswith("Undo: Bring"))
    table.press(Keys.ESCAPE)
    table.wait(lambda: [pixel(table, spot[0], spot[1] + dy) for dy in range(-12, 30)] != seen)
    table.control("z")
    table.wait(lambda: [pixel(table, spot[0], spot[1] + dy) for dy in range(-12, 30)] == seen)


def test_paths_are_put_in_order_by_dragging_them_in_their_list(table: Table) -> None:
    table.turn_to("stitching")
    names = "return [...document.querySelectorAll('[data-testid^=row-]')].map((row) => row.dataset.testid)"
    before = table.browser.execute_script(names)
    moved, target = table.by_id("row-waistcoat-hem-r"), table.by_id("row-waistcoat-armhole-r")
    row, onto = (item.find_element(By.XPATH, "ancestor::li") for item in (moved, target))
    ActionChains(table.browser).drag_and_drop(row, onto).perform()
    table.wait(lambda: undo_title(table).startswith("Undo: Bring"))
    assert table.browser.execute_script(names) != before


def test_what_happened_is_spoken(table: Table) -> None:
    def spoken() -> str:
        return table.by_id("announced").get_attribute("textContent") or ""

    table.choose(HEM)
    table.wait(lambda: spoken() == "Hem R chosen")
    table.press_by_id("brush-topstitch")
    table.wait(lambda: spoken().startswith("Lay Topstitch"))
    table.control("z")
    table.wait(lambda: spoken().startswith("Undone: Lay Topstitch"))


def test_the_focus_is_never_lost(table: Table) -> None:
    table.choose(HEM)
    table.by_id("row-waistcoat-hem-r").send_keys("")
    table.browser.execute_script("arguments[0].focus()", table.by_id("row-waistcoat-hem-r"))
    table.press(Keys.DELETE)
    table.wait(lambda: "Hem R" not in table.path_names())
    inside = "return document.activeElement.closest('[data-part]')?.ariaLabel"
    table.wait(lambda: table.browser.execute_script(inside) == "Paths")


def test_undo_works_from_a_field_and_spares_what_is_being_typed(table: Table) -> None:
    table.choose(HEM)
    table.type_in("Stitch length", "5 mm", Keys.TAB)
    table.wait(lambda: undo_title(table) == "Undo: Set stitch length")
    field = table.named("Gap")
    field.click()
    table.control("z")
    table.wait(lambda: not table.can_undo())
    field = table.named("Gap")
    field.click()
    field.send_keys("9")
    table.control("z")
    assert not table.can_undo()


def test_single_letter_keys_are_turned_off(table: Table) -> None:
    table.press("?")
    table.wait(lambda: table.browser.find_element(By.CSS_SELECTOR, "dialog[open]"))
    table.browser.find_element(By.XPATH, "//label[contains(., 'Single-letter keys')]/input").click()
    table.press(Keys.ESCAPE)
    table.wait(lambda: not table.browser.find_elements(By.CSS_SELECTOR, "dialog[open]"))
    table.press("2")
    pressed = "return document.querySelector('[aria-keyshortcuts=\"1\"]').ariaPressed"
    assert table.browser.execute_script(pressed) == "true"


def test_a_field_stays_while_what_is_typed_cannot_be_laid(table: Table) -> None:
    table.choose(HEM)
    field = table.named("Stitch length")
    field.click()
    table.control("a")
    # On the way to 0.25: nothing that can be sewn.
    field.send_keys("0.")
    field.send_keys("0")
    table.browser.execute_async_script("setTimeout(arguments[0], 400)")
    assert field.get_attribute("value") == "0.0"
    field.send_keys(Keys.BACKSPACE, "5", Keys.TAB)
    table.wait(lambda: table.named("Stitch length").get_attribute("value") == "0.50 mm")


def pinch(table: Table, y: int) -> None:
    """Two fingers put down one after the other on the sheet, and drawn apart."""
    script = """const y = arguments[0];
    const paper = document.getElementById("paper"), box = paper.getBoundingClientRect();
    paper.setPointerCapture = () => undefined;
    const send = (type, id, x) => paper.dispatchEvent(new PointerEvent(type, {
      bubbles: true, pointerId: id, pointerType: "touch", isPrimary: id === 1, button: 0,
      buttons: type === "pointerup" ? 0 : 1, clientX: box.x + x, clientY: box.y + y }));
    send("pointerdown", 1, 200); send("pointermove", 1, 200); send("pointerdown", 2, 300);
    for (let step = 1; step <= 5; step++) {
      send("pointermove", 1, 200 - 10 * step);
      send("pointermove", 2, 300 + 10 * step);
    }
    send("pointerup", 2, 350); send("pointerup", 1, 150);"""
    before = table.zoom()
    table.browser.execute_script(script, y)
    table.wait(lambda: table.zoom() == pytest.approx(2 * before, abs=3))


def test_two_fingers_zoom_and_leave_what_is_chosen_alone(table: Table) -> None:
    """One finger down on the chosen path, then a second: nothing is moved, chosen or let go."""
    table.choose(HEM)
    node = table.by_id("node-n2").rect["y"] - table.by_id("paper").rect["y"]
    pinch(table, round(node - 30))
    assert chosen_names(table) == {HEM}
    assert not table.can_undo()


@pytest.mark.parametrize("tool", ["2", "3", "4", "5", "6"])
def test_two_fingers_begin_nothing_with_any_tool(table: Table, tool: str) -> None:
    table.press(tool)
    before = table.path_names()
    pinch(table, 480)
    begun = "[data-testid=draft] circle, [data-testid=sketch] polyline, [data-testid=measuring] circle"
    assert not table.browser.find_elements(By.CSS_SELECTOR, begun)
    assert table.still(table.path_names) == before
    assert not table.can_undo()


@pytest.mark.parametrize("pointer", ["pen", "touch"])
def test_drafting_and_sketching_by_pen_and_finger(table: Table, pointer: str) -> None:
    before = len(table.path_names())
    table.press("2")
    for spot in ((60, 460), (160, 480), (220, 540)):
        table.by_pointer(pointer, spot, spot)
    table.press(Keys.ENTER)
    table.wait(lambda: len(table.path_names()) == before + 1)
    table.press("3")
    table.by_pointer(pointer, *((60 + 8 * i, 600 + (i % 4) * 3) for i in range(20)))
    table.wait(lambda: len(table.path_names()) == before + 2)


@pytest.mark.parametrize("pointer", ["pen", "touch"])
def test_a_node_is_moved_by_pen_and_finger(table: Table, pointer: str) -> None:
    table.choose(HEM)
    node = table.by_id("node-n2")
    box, paper = node.rect, table.by_id("paper").rect
    x, y = box["x"] + box["width"] / 2 - paper["x"], box["y"] + box["height"] / 2 - paper["y"]
    table.by_pointer(pointer, (x, y), (x + 10, y + 4), (x + 30, y + 12), on="[data-testid=node-n2]")
    table.wait(lambda: table.button("Undo").get_attribute("title") == "Undo: Move a node of Hem R")


NAMELESS = """
return [...document.querySelectorAll("button, a, [role=button]")]
  .filter((sign) => sign.offsetParent && !sign.ownerSVGElement && !sign.closest("label"))
  .filter((sign) => !/[a-z]{2}/i.test(sign.textContent) && !sign.title)
  .map((sign) => sign.getAttribute("aria-label") ?? sign.outerHTML);
"""


@pytest.mark.parametrize(
    "view", ["/", "/library", "/bench/whipped", "/sheets/programme", "/sheets/waistcoat"]
)
def test_what_is_no_plain_word_says_what_it_is_when_pointed_at(table: Table, view: str) -> None:
    table.browser.get(f"{table.address}{view}")
    table.wait(lambda: table.browser.find_elements(By.CSS_SELECTOR, "img, canvas"))
    if "waistcoat" in view:
        table.choose("hem-r")
        table.unfold(*table.folded())
    assert table.browser.execute_script(NAMELESS) == []


def test_pictures_of_sheets_have_their_room_before_they_are_there(table: Table) -> None:
    """They were dots until they were drawn."""
    driver = table.browser
    driver.execute_cdp_cmd("Network.enable", {})
    driver.execute_cdp_cmd("Network.setBlockedURLs", {"urls": ["*thumbnail.png*"]})
    try:
        driver.get(f"{table.address}/")
        table.by_id("sheet-programme")
        sizes = [image.size for image in driver.find_elements(By.TAG_NAME, "img")]
        assert len(sizes) == 5
        assert all(min(size["width"], size["height"]) > 80 for size in sizes)
    finally:
        driver.execute_cdp_cmd("Network.setBlockedURLs", {"urls": []})
