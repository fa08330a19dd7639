"""Corners, ends, start points, crossings and the Tape, by hand."""

from __future__ import annotations

import pytest
from selenium.webdriver import ActionChains
from selenium.webdriver.common.by import By
from selenium.webdriver.common.keys import Keys

from tests.browser.table import Table

WELT = "welt-pocket-r"
HEM = "hem-r"


def tape_press(table: Table, test_id: str, index: int = 0) -> None:
    hit = table.all_by_id(test_id)[index].find_element(By.TAG_NAME, "rect")
    ActionChains(table.browser).move_to_element_with_offset(hit, 0, 20).click().perform()


def undo_title(table: Table) -> str:
    return table.button("Undo").get_attribute("title") or ""


def test_one_corner_is_given_its_own_manner_on_the_tape(table: Table) -> None:
    table.choose(WELT)
    table.wait(lambda: len(table.legs()) == 4)
    tape_press(table, "fold", 1)
    assert "The corner at 112.0 mm, turns 90°" in table.by_id("chosen-corner").text
    table.option("This corner", "Carry round").click()
    table.wait(lambda: len(table.legs()) == 3)
    table.option("This corner", "As the brush").click()
    table.wait(lambda: len(table.legs()) == 4)


def test_one_corner_is_picked_on_the_sheet_by_keys(table: Table) -> None:
    table.choose(HEM)
    corner = table.by_id("corner-n2")
    table.browser.execute_script("arguments[0].focus()", corner)
    table.press(Keys.ENTER)
    table.option("This corner", "Stop short").click()
    table.wait(lambda: "turns 73°, stop short •" in table.corner_words())
    assert undo_title(table) == "Undo: Give a corner its own manner"


def test_a_corners_own_manner_stays_with_its_node(table: Table) -> None:
    table.choose(HEM)
    tape_press(table, "fold")
    table.option("This corner", "Stop short").click()
    table.wait(lambda: "stop short •" in table.corner_words())
    table.drag(table.by_id("node-n2"), 20, 12)
    table.wait(lambda: undo_title(table) == "Undo: Move a node of Hem R")
    assert "stop short •" in table.corner_words()


def test_every_corner_manner_can_be_chosen(table: Table) -> None:
    table.choose(HEM)
    for manner in ("Carry round", "Mitre", "Corner piece", "Stop short", "Pivot"):
        table.option("At corners", manner).click()
        table.wait(lambda m=manner: f"turns 73°, {m.lower()}" in table.corner_words())


def test_a_legs_count_is_set_by_hand_and_let_go(table: Table) -> None:
    table.choose(HEM)
    before = table.legs()
    table.type_in("Count of leg 1", "14")
    table.wait(lambda: table.legs()[0][1] == 14)
    assert table.legs()[1] == before[1]
    table.named("Count of leg 1 is set by hand: let it follow").click()
    table.wait(lambda: table.legs() == before)


@pytest.mark.parametrize(("grip", "label"), [("length", "Stitch length"), ("gap", "Gap")])
def test_length_and_gap_are_dragged_on_the_tape(table: Table, grip: str, label: str) -> None:
    table.choose(HEM)
    before = table.laid(label)
    table.drag(table.by_id(f"grip-{grip}"), 8, 0)
    table.wait(lambda: table.laid(label) > before + 1)
    assert table.named(f"{label} is this run’s own: follow the brush again")


def test_the_start_point_slides_on_the_tape_and_on_the_sheet(table: Table) -> None:
    table.choose(WELT)
    table.wait(lambda: table.named("Start point").get_attribute("value") == "0.0 mm")
    table.drag(table.by_id("grip-start"), 60, 0)
    table.wait(lambda: undo_title(table) == "Undo: Slide the start point")
    slid = table.named("Start point").get_attribute("value")
    assert slid not in ("0.0 mm", None)
    table.type_in("Start point", "1/2 in")
    table.wait(lambda: table.named("Start point").get_attribute("value") == "12.7 mm")
    table.drag(table.by_id("start"), -30, -10)
    table.wait(lambda: table.named("Start point").get_attribute("value") not in (slid, "12.7 mm"))


def test_a_closed_run_is_opened_and_closed(table: Table) -> None:
    table.choose(WELT)
    table.type_in("Opening", "20 mm")
    table.wait(lambda: table.named("Opening").get_attribute("value") == "20.0 mm")
    table.type_in("Opening", "closed")
    table.wait(lambda: table.named("Opening").get_attribute("value") == "closed")


def _loop(table: Table) -> None:
    """Draft a path that crosses itself, and dress it with rope."""
    table.press("2")
    steps = [(60, 540), (260, 560), (200, 500), (140, 600)]
    table.on_paper(*[("press", x, y) for x, y in steps])
    table.press(Keys.ENTER)
    table.wait(lambda: len(table.path_names()) == 13)
    table.press("1")
    rope = table.by_id("brush-rope")
    table.browser.execute_script("arguments[0].scrollIntoView()", rope)
    rope.click()


def test_a_crossing_is_flipped(table: Table) -> None:
    _loop(table)
    crossing = table.by_id("crossing")
    ActionChains(table.browser).click(crossing).perform()
    table.wait(lambda: undo_title(table) == "Undo: Flip a crossing")
    table.button("Undo").click()
    table.wait(lambda: undo_title(table) != "Undo: Flip a crossing")
    table.sought(By.XPATH, "//button[starts-with(., 'Flip it')]").click()
    table.wait(lambda: undo_title(table) == "Undo: Flip a crossing")
    table.named("All of the run on the Tape").click()
    table.wait(lambda: len(table.browser.find_elements(By.CSS_SELECTOR, "[aria-label*='over here']")) == 1)


def test_two_runs_on_one_path_are_compared(table: Table) -> None:
    table.choose(HEM)
    table.button("Lay another brush beside it").click()
    table.by_id("brush-topstitch").click()
    runs = table.named("Runs on this path, topmost first")
    assert [row.text for row in runs.find_elements(By.TAG_NAME, "li")] == [
        "Topstitch, 3 + 1 mm",
        "Show stitch, 6 + 2.8 mm",
    ]
    table.wait(lambda: table.count() > 80)
    table.named("Hide Topstitch, 3 + 1 mm").click()
    table.wait(lambda: table.named("Show Topstitch, 3 + 1 mm"))
    table.button("Show stitch, 6 + 2.8 mm").click()
    table.wait(lambda: table.count() == 41)
    table.named("Move Show stitch, 6 + 2.8 mm up").click()
    table.wait(lambda: runs.find_elements(By.TAG_NAME, "li")[0].text == "Show stitch, 6 + 2.8 mm")


def test_sway_is_added_driven_and_reseeded(table: Table) -> None:
    table.choose(HEM)
    table.pick("Add sway", "Turn")
    table.by_id("sway-turn")
    table.button("Shuffle").click()
    table.wait(lambda: undo_title(table) == "Undo: Shuffle")
    table.option("Turn by", "Rhythm").click()
    pad = table.wait(lambda: table.browser.find_element(By.CSS_SELECTOR, "[aria-label^='Turn curve']"))
    table.browser.execute_script("arguments[0].scrollIntoView({block: 'center'})", pad)
    table.drag(pad, 60, -12)
    table.wait(lambda: undo_title(table) == "Undo: Set sway")


def test_a_motif_is_stretched_once_and_repeated_again(table: Table) -> None:
    _loop(table)
    table.wait(lambda: table.count() > 5)
    table.button("Stretch it once along the path").click()
    table.button("Repeat the motif").click()
    table.wait(lambda: table.count() > 5)


@pytest.mark.parametrize("where", ["run-end", "tape-start"])
def test_an_end_is_picked_on_the_sheet_and_on_the_tape(table: Table, where: str) -> None:
    table.choose(HEM)
    mark = table.by_id(where)
    ActionChains(table.browser).move_to_element(mark.find_element(By.TAG_NAME, "rect")).click().perform()
    table.wait(lambda: mark.get_attribute("aria-pressed") == "true")
    table.wait(lambda: 0 < table.named("Backtack, stitches").rect["y"] < 668)
    table.type_in("Backtack, stitches", "3")
    table.wait(lambda: undo_title(table) == "Undo: Set backtack")


@pytest.mark.parametrize("key", [Keys.ENTER, Keys.SPACE], ids=["enter", "space"])
def test_a_crossing_on_the_tape_answers_keys(table: Table, key: str) -> None:
    _loop(table)
    table.wait(lambda: table.browser.find_elements(By.CSS_SELECTOR, "[aria-label*='over here']"))
    mark = table.browser.find_element(By.CSS_SELECTOR, "[aria-label*='over here']")
    table.browser.execute_script("arguments[0].focus()", mark)
    ActionChains(table.browser).send_keys(key).perform()
    table.wait(lambda: undo_title(table) == "Undo: Flip a crossing")
