"""The hand tools: drafting that keeps to what is there, sketching, and paths moved, hidden and found."""

from __future__ import annotations

import math

from selenium.webdriver import ActionChains
from selenium.webdriver.common.by import By
from selenium.webdriver.common.keys import Keys

from tests.browser.table import Table


def at(table: Table, test_id: str) -> tuple[int, int]:
    """Where something lies on the paper, px from its corner."""
    box, paper = table.by_id(test_id).rect, table.by_id("paper").rect
    return round(box["x"] + box["width"] / 2 - paper["x"]), round(box["y"] + box["height"] / 2 - paper["y"])


def nodes(table: Table) -> int:
    return len(table.browser.find_elements(By.CSS_SELECTOR, "[data-testid^=node-]"))


def test_a_draft_goes_on_from_one_seam_to_another(table: Table) -> None:
    table.choose("dart-r")
    right = at(table, "node-n2")
    table.choose("dart-l")
    left = at(table, "node-n2")
    before = len(table.path_names())
    # A few px beside the ends, since the hand keeps to nodes.
    (ax, ay), (bx, by) = right, left
    table.press("2")
    table.on_paper(("go", ax + 3, ay - 2))
    table.wait(lambda: "end of Dart R" in (table.by_id("draft").get_attribute("textContent") or ""))
    table.on_paper(("press", ax + 3, ay - 2), ("press", (ax + bx) // 2, ay - 60), ("press", bx - 3, by - 2))
    table.wait(lambda: len(table.path_names()) == before - 1)
    table.press("1")
    table.wait(lambda: nodes(table) == 5)
    table.control("z")
    table.wait(lambda: len(table.path_names()) == before)


def test_a_path_is_drafted_by_number_and_by_keys(table: Table) -> None:
    before = len(table.path_names())
    table.press("2")
    table.type_in("From the left", "4 in")
    table.type_in("From the top", "50 mm")
    table.button("Set the node").click()
    table.option("The next node by", "Length and direction").click()
    table.type_in("Length", "250 mm")
    table.type_in("Direction, clockwise", "90")
    table.button("Set the node").click()
    table.button("End it here").click()
    table.wait(lambda: len(table.path_names()) == before + 1)
    assert "250.0" in table.wait(lambda: table.named("Ticket").text)
    # A word that is no length is answered in the card, and the draft stays.
    table.type_in("From the left", "some")
    table.button("Set the node").click()
    table.wait(lambda: "“some”" in table.named("Ticket").text)


def test_a_sketched_line_wears_stitch_rope_and_border(table: Table) -> None:
    table.press("3")
    spots = [(150 + 8 * i, 430 + round(50 * math.sin(i / 9))) for i in range(60)]
    table.on_paper(("hold", *spots[0]), *[("go", *spot) for spot in spots[1:]], ("release", *spots[-1]))
    table.wait(lambda: any(name.startswith("Sketch") for name in table.path_names()))
    for brush in ("topstitch", "rope", "key"):
        strip = table.by_id(f"brush-{brush}")
        table.browser.execute_script("arguments[0].scrollIntoView({block: 'center'})", strip)
        strip.click()
        table.wait(lambda: table.count() > 5)
    # By keys alone as well.
    before = len(table.path_names())
    table.press(Keys.ESCAPE)
    table.by_id("paper").click()
    table.press("3", " ", *[Keys.ARROW_RIGHT] * 30, *[Keys.ARROW_DOWN] * 20, Keys.ENTER)
    table.wait(lambda: len(table.path_names()) == before + 1)


def test_a_node_is_placed_shaped_and_cut_at_by_number(table: Table) -> None:
    table.choose("hem-r")
    table.by_id("node-n2").click()
    table.type_in("Node, from the left", "30 cm")
    table.wait(lambda: table.named("Node, from the left").get_attribute("value") == "300.00 mm")
    table.option("Handles", "In line, equal").click()
    table.wait(
        lambda: table.option("Handles", "In line, equal").find_element(By.TAG_NAME, "input").is_selected()
    )
    before = len(table.path_names())
    table.to_sheet()
    table.press(Keys.ESCAPE)
    table.type_in("Cut at a length along it", "10 cm")
    table.wait(lambda: len(table.path_names()) == before + 1)
    table.wait(lambda: "100.0 mm" in table.named("Ticket").text)


def test_a_whole_path_is_moved_by_hand_and_by_arrows(table: Table) -> None:
    table.choose("dart-r")
    table.wait(lambda: nodes(table) > 1)
    x, y = at(table, "node-n1")
    table.to_sheet()
    table.press(Keys.ARROW_DOWN)
    line = table.by_id("path-waistcoat-dart-r")
    middle = table.browser.execute_script(
        "const p = arguments[0].getPointAtLength(arguments[0].getTotalLength() * 0.4);"
        "const m = arguments[0].getScreenCTM(); return [p.x * m.a + m.e, p.y * m.d + m.f]",
        line,
    )
    paper = table.by_id("paper").rect
    mx, my = round(middle[0] - paper["x"]), round(middle[1] - paper["y"])
    table.on_paper(
        ("hold", mx, my), ("go", mx + 20, my + 10), ("go", mx + 40, my + 20), ("release", mx + 40, my + 20)
    )
    table.wait(lambda: abs(at(table, "node-n1")[0] - x - 40) <= 5)
    assert at(table, "node-n1")[1] > y + 15


def test_what_is_hidden_is_gone_and_what_is_locked_stays(table: Table) -> None:
    table.choose("hem-r")
    before = set(table.path_names())
    table.turn_to("path")
    ticket = table.named("Ticket")
    ticket.find_element(By.XPATH, ".//label[contains(., 'Hidden')]/input").click()
    table.wait(lambda: set(table.path_names()) == before - {"Hem R"})
    ticket.find_element(By.XPATH, ".//label[contains(., 'Hidden')]/input").click()
    table.wait(lambda: set(table.path_names()) == before)
    ticket.find_element(By.XPATH, ".//label[contains(., 'Locked')]/input").click()
    table.wait(lambda: nodes(table) == 0)
    table.to_sheet()
    table.press(Keys.DELETE)
    assert "Unlock it first" in table.notice()


def test_paths_of_a_length_are_found_give_or_take_what_is_said(table: Table) -> None:
    table.choose("hem-r")
    table.pick("Select alike in", "its length, give or take")
    table.wait(lambda: "2 paths chosen" in table.named("Ticket").text)
    table.type_in("Length, give or take", "50 mm")
    table.wait(lambda: "4 paths chosen" in table.named("Ticket").text)
    table.type_in("Length, give or take", "a bit")
    table.wait(lambda: "not a measure" in table.named("Ticket").text)


def test_seams_of_a_kind_are_found_regrouped_and_dressed_at_once(table: Table) -> None:
    table.choose("hem-r")
    table.pick("Select alike in", "its seam group")
    table.wait(lambda: "2 paths chosen" in table.named("Ticket").text)
    row = table.by_id("row-waistcoat-hem-r").find_element(By.XPATH, "ancestor::li")
    header = table.browser.find_element(By.XPATH, "//button[contains(., 'Armholes')]")
    ActionChains(table.browser).drag_and_drop(row, header).perform()
    table.wait(lambda: "4 paths" in header.text)
    header.click()
    table.by_id("brush-show-stitch").click()
    table.wait(lambda: "4 paths chosen" in table.named("Ticket").text and table.count() > 5)
