"""Drawing a motif on the Bench, and making one from a picture."""

from __future__ import annotations

from pathlib import Path as FilePath

import pytest
from selenium.webdriver import ActionChains
from selenium.webdriver.common.by import By
from selenium.webdriver.common.keys import Keys
from selenium.webdriver.support.ui import Select

from tests import pixels as px
from tests.browser.table import Table
from tests.browser.test_bench import on_bench, undo_title, value


@pytest.fixture
def board(table: Table) -> Table:
    """The scallop's repeat under the hand."""
    on_bench(table, "scallop-discs")
    table.button("Draw on it").click()
    table.by_id("drawing-board")
    return table


def shapes(page: Table) -> int:
    return len(page.browser.find_elements(By.CSS_SELECTOR, ".drawn-shape"))


def press(page: Table, *points: tuple[int, int]) -> None:
    """Press on the board, px from its middle."""
    area = page.by_id("drawing-area")
    for x, y in points:
        ActionChains(page.browser).move_to_element_with_offset(area, x, y).click().perform()


def pull(page: Table, start: tuple[int, int], by: tuple[int, int], on: str = "drawing-area") -> None:
    hand = ActionChains(page.browser, duration=40).move_to_element_with_offset(page.by_id(on), *start)
    hand.click_and_hold().move_by_offset(by[0] // 2, by[1] // 2)
    hand.move_by_offset(by[0] - by[0] // 2, by[1] - by[1] // 2).release().perform()


def cell(page: Table) -> str:
    return page.by_id("drawing-board").find_element(By.CSS_SELECTOR, "svg > text").text


def test_figures_are_drawn_by_hand_and_set_by_number(board: Table) -> None:
    before = shapes(board)
    board.option("Hand tool", "Disc").click()
    pull(board, (-60, 40), (50, 50))
    board.wait(lambda: shapes(board) == before + 1)
    assert undo_title(board) == "Undo: Draw a disc"
    board.type_in("Long", "1/8 in")
    board.wait(lambda: value(board, "Long") == "3.175 mm")
    board.type_in("Wide", "2.5 mm")
    board.wait(lambda: value(board, "Wide") == "2.5 mm")
    board.type_in("Middle, along", "2 mm")
    board.wait(lambda: value(board, "Middle, along") == "2 mm")
    board.option("Hand tool", "Line").click()
    press(board, (-120, -60), (0, -90), (110, -60))
    board.press(Keys.ENTER)
    board.press(Keys.ESCAPE)
    board.wait(lambda: shapes(board) == before + 2)
    assert undo_title(board) == "Undo: Draw a line"
    board.control("z")
    board.wait(lambda: shapes(board) == before + 1)


def test_a_line_is_closed_on_its_first_point(board: Table) -> None:
    before = shapes(board)
    board.option("Hand tool", "Curve").click()
    press(board, (-60, 60), (0, 110), (60, 60), (0, 20), (-60, 60))
    board.press(Keys.ESCAPE)
    board.wait(lambda: shapes(board) == before + 1)


def test_shapes_are_chosen_moved_and_worked_on_by_keys_alone(board: Table) -> None:
    board.button("Draw the disc").send_keys(Keys.ENTER)
    board.wait(lambda: undo_title(board) == "Undo: Draw a disc")
    board.wait(lambda: value(board, "Middle, across") == "0 mm")
    last = shapes(board) - 1
    grip = board.by_id(f"shape-{last}")
    board.browser.execute_script("arguments[0].focus()", grip)
    board.press(Keys.ARROW_DOWN)
    board.wait(lambda: value(board, "Middle, across") == "0.1 mm")
    count = shapes(board)
    board.type_in("Shapes in all", "5")
    board.button("Copy round").send_keys(Keys.ENTER)
    board.wait(lambda: shapes(board) == count + 4)
    board.button("Remove").send_keys(Keys.ENTER)
    board.wait(lambda: shapes(board) == count + 3)


def test_two_shapes_are_united_and_graded(board: Table) -> None:
    count = shapes(board) + 1
    board.button("Draw the disc").click()
    board.wait(lambda: shapes(board) == count)
    board.wait(lambda: undo_title(board) == "Undo: Draw a disc")
    rows = board.browser.find_elements(By.CSS_SELECTOR, "ol[aria-label^='Shapes'] button")
    ActionChains(board.browser).key_down(Keys.SHIFT).click(rows[1]).key_up(Keys.SHIFT).perform()
    board.type_in("Shapes between the two", "2")
    board.button("Grade between them").click()
    board.wait(lambda: undo_title(board) == "Undo: Grade between two shapes")
    board.wait(lambda: shapes(board) == count + 2)
    board.button("Unite").click()
    board.wait(lambda: shapes(board) == count + 1)


def test_a_gradient_and_a_dotted_edge_are_laid_on(board: Table) -> None:
    board.button("Draw the disc").click()
    board.wait(lambda: undo_title(board) == "Undo: Draw a disc")
    count = shapes(board)
    board.option("Form of the gradient", "Round").click()
    Select(board.named("To")).select_by_visible_text("Its own colour")
    board.button("Fill with it").click()
    board.wait(lambda: undo_title(board) == "Undo: Fill with a gradient")
    assert board.named("Fill, now a gradient")
    board.option("What is added", "Dotted edge").click()
    board.type_in("From dot to dot", "2 mm")
    board.button("Add the dots").click()
    board.wait(lambda: undo_title(board) == "Undo: Add a dotted edge")
    board.wait(lambda: shapes(board) > count)


def test_the_cells_edge_snaps_to_the_artwork(board: Table) -> None:
    length, before = float(cell(board).split()[0]), shapes(board)
    board.type_in("New: middle, along", f"{length - 2} mm")
    board.type_in("New: long", "1 mm")
    board.button("Draw the disc").click()
    board.wait(lambda: undo_title(board) == "Undo: Draw a disc" and shapes(board) == before + 1)
    edge = board.by_id("edge-end")
    zoom = board.still(lambda: _zoom(board, length))
    # To within a few pixels of the disc's right side: it is taken to it exactly.
    board.drag(edge.find_element(By.TAG_NAME, "rect"), -round(1.5 * zoom / 4) * 4, 0)
    board.wait(lambda: undo_title(board) == "Undo: Set the cell")
    board.wait(lambda: float(cell(board).split()[0]) == pytest.approx(length - 1.5, abs=1e-3))


def _zoom(board: Table, length: float) -> float:
    start, end = (
        board.by_id(f"edge-{name}").find_element(By.TAG_NAME, "rect").rect["x"] for name in ("start", "end")
    )
    return float(end - start) / length


@pytest.fixture
def picture(tmp_path: FilePath) -> FilePath:
    """A dark leaf on a pale background, with a speck."""
    pixels = px.paint(px.canvas(240, 400, (240, 234, 220)), px.disc(200, 120, 80), (40, 90, 60))
    pixels = px.paint(pixels, px.disc(330, 120, 1.2), (0, 0, 0))
    file = tmp_path / "leaf.png"
    file.write_bytes(px.encoded(pixels))
    return file


def test_a_brush_is_made_from_a_picture(table: Table, picture: FilePath) -> None:
    on_bench(table, "saddle")
    table.named("Picture for the Bench").send_keys(str(picture))
    table.type_in("Long, when cropped", "40 mm")
    said = table.by_id
    table.wait(lambda: "1 of 1 shapes kept" in said("traced").text)
    table.type_in("Drop below, mm²", "0.01")
    table.wait(lambda: "2 of 2 shapes kept" in said("traced").text)
    table.type_in("Shapes at the most", "1")
    table.wait(lambda: "1 of 2 shapes kept" in said("traced").text)
    table.option("Traced by", "Colours").click()
    table.type_in("Colours", "2")
    table.wait(lambda: "1 of 1" in said("traced").text or "1 of 2" in said("traced").text)
    table.browser.execute_script("arguments[0].focus()", said("crop-left"))
    table.press(*[Keys.ARROW_RIGHT] * 3)
    table.wait(lambda: said("crop-left").get_attribute("aria-valuenow") == "3")
    table.wait(lambda: table.button("Use the shapes as the repeat").is_enabled())
    table.button("Use the shapes as the repeat").click()
    table.wait(lambda: undo_title(table) == "Undo: Trace a picture")
    table.wait(lambda: 15 < float(value(table, "Repeat length").split()[0]) < 18)


def test_a_picture_itself_is_the_motif(table: Table, picture: FilePath) -> None:
    on_bench(table, "saddle")
    table.named("Picture for the Bench").send_keys(str(picture))
    table.type_in("Long, when cropped", "12 mm")
    table.button("Use the picture itself").click()
    table.wait(lambda: undo_title(table) == "Undo: Import a picture")
    table.wait(lambda: value(table, "Repeat length") == "12 mm")
    assert "it stays rigid" in table.browser.find_element(By.CSS_SELECTOR, "[aria-label=Settings]").text


def test_a_wrong_figure_is_said_and_the_last_tracing_stays(table: Table, picture: FilePath) -> None:
    on_bench(table, "saddle")
    bad = picture.with_name("bad.png")
    bad.write_bytes(b"no picture")
    table.named("Picture for the Bench").send_keys(str(bad))
    table.wait(lambda: "whole PNG, JPEG or WebP" in table.notice())
    table.named("Picture for the Bench").send_keys(str(picture))
    table.wait(lambda: "shapes kept" in table.by_id("traced").text)
    table.type_in("Outline within", "soon")
    alert = table.wait(lambda: table.browser.find_element(By.CSS_SELECTOR, "dialog[open] [role=alert]"))
    assert "not a measure" in alert.text
    assert not table.button("Use the shapes as the repeat").is_enabled()
    table.type_in("Outline within", "0.1 mm")
    table.wait(lambda: "shapes kept" in table.by_id("traced").text)
    table.press(Keys.ESCAPE)
    table.wait(lambda: not table.browser.find_elements(By.CSS_SELECTOR, "dialog[open]"))


def test_every_control_of_drawing_and_tracing_has_a_name(board: Table, picture: FilePath) -> None:
    board.button("Draw the disc").click()
    board.wait(lambda: value(board, "Turn it by") == "0°")
    named(board)
    board.button("Done drawing").click()
    board.named("Picture for the Bench").send_keys(str(picture))
    board.wait(lambda: "shapes kept" in board.by_id("traced").text)
    named(board, "dialog[open]")


def named(page: Table, within: str = "body") -> None:
    controls = ("button", "input", "select", "[role=button]", "[role=slider]", "a")
    chosen = ", ".join(f"{within} {control}" for control in controls)
    for control in page.browser.find_elements(By.CSS_SELECTOR, chosen):
        if control.is_displayed():
            assert control.accessible_name, control.get_attribute("outerHTML")


def test_traced_artwork_takes_the_thread(table: Table, picture: FilePath) -> None:
    on_bench(table, "saddle")
    assert not table.browser.find_elements(By.CSS_SELECTOR, "[aria-label='Artwork takes the thread']")
    table.named("Picture for the Bench").send_keys(str(picture))
    table.option("Traced by", "Colours").click()
    table.type_in("Colours", "2")
    table.wait(lambda: table.button("Use the shapes as the repeat").is_enabled())
    table.button("Use the shapes as the repeat").click()
    table.wait(lambda: undo_title(table) == "Undo: Trace a picture")
    table.option("Whose settings", "Whole brush").click()
    table.unfold("thread")
    table.option("Artwork takes the thread", "Keep its lightness").click()
    table.wait(lambda: undo_title(table) == "Undo: Set how artwork takes the thread")
    table.option("Artwork takes the thread", "Turn its colours").click()
    table.type_in("Turned by", "90°")
    table.wait(lambda: value(table, "Turned by") == "90°")
