"""The Tape: a run's own artwork unrolled, scrolled, zoomed and grasped."""

from __future__ import annotations

from selenium.webdriver import ActionChains, Keys
from selenium.webdriver.common.actions.wheel_input import ScrollOrigin

from tests.browser.table import Table

EDGE = "front-edge-r"
HEM = "hem-r"


def seen(table: Table) -> tuple[float, float]:
    """Where the window of the overview begins, and how wide it is, px."""
    box = table.by_id("tape-seen")
    return float(box.get_attribute("x") or 0), float(box.get_attribute("width") or 0)


def test_the_tape_has_the_runs_own_artwork_in_its_colour(table: Table) -> None:
    table.choose(HEM)
    table.wait(lambda: table.tape_colour() == "#e9c46a")


def test_a_repeat_of_a_long_run_can_be_grasped_and_dragged(table: Table) -> None:
    """All of it at once, its stitches would lie too close to be told apart."""
    table.choose(EDGE)
    table.wait(lambda: table.tape_colour())
    table.named("Larger on the Tape").click()
    assert table.by_id("tape-overview")
    before = table.laid("Stitch length")
    table.drag(table.by_id("grip-length"), 14, 0)
    table.wait(lambda: table.laid("Stitch length") > before)


def test_the_tape_zooms_and_scrolls_by_wheel_keys_and_buttons(table: Table) -> None:
    table.choose(EDGE)
    table.named("Larger on the Tape").click()
    table.named("Larger on the Tape").click()
    x, width = table.wait(lambda: seen(table))
    tape = table.by_id("tape")
    origin = ScrollOrigin.from_element(tape)
    ActionChains(table.browser).scroll_from_origin(origin, 0, 200).perform()
    table.wait(lambda: seen(table)[0] > x + 5)
    table.drag(tape, 150, 6)
    moved = table.still(lambda: seen(table))
    overview = table.by_id("tape-overview")
    table.browser.execute_script("arguments[0].focus()", overview)
    table.press(Keys.ARROW_RIGHT)
    table.wait(lambda: seen(table)[0] > moved[0])
    table.named("Smaller on the Tape").click()
    table.wait(lambda: seen(table)[1] > width * 1.2)
    table.named("All of the run on the Tape").click()
    table.wait(lambda: not table.all_by_id("tape-seen"))


def test_a_corner_is_enlarged_where_it_is_chosen(table: Table) -> None:
    table.choose(HEM)
    assert not table.all_by_id("corner-picture")
    fold = table.by_id("fold")
    table.browser.execute_script("arguments[0].focus()", fold)
    table.press(Keys.ENTER)
    assert table.by_id("corner-picture").size["width"] > 100


def test_the_room_of_an_end_piece_is_dragged(table: Table) -> None:
    table.choose(HEM)
    table.by_id("brush-whipped").click()
    grip = table.by_id("grip-start-piece")
    before = grip.rect["x"]
    table.drag(grip, 25, 0)
    table.wait(lambda: "Undo: Set" in (table.button("Undo").get_attribute("title") or ""))
    assert table.still(lambda: table.by_id("grip-start-piece").rect["x"]) > before + 10


def test_the_tape_gives_its_height_back(table: Table) -> None:
    paper = table.by_id("paper")
    tall = table.wait(lambda: paper.size["height"])
    table.choose(HEM)
    table.by_id("tape")
    assert paper.size["height"] < tall
    table.to_sheet()
    table.press(Keys.ESCAPE)
    table.wait(lambda: paper.size["height"] == tall)


def test_a_drag_that_cannot_be_shown_says_why_until_it_can(table: Table) -> None:
    """A stitch dragged shorter than none at all, and back."""
    table.choose(HEM)
    grip = {"on": "[data-testid=grip-length]"}
    table.by_id("grip-length")
    table.by_pointer("mouse", (100, 9), (90, 9), (20, 9), **grip, part="press move")
    assert "it must be from" in table.notice()
    table.by_pointer("mouse", (90, 9), (104, 9), **grip, part="move")
    notice = table.browser.find_element("css selector", "[data-testid=notice]")
    table.wait(lambda: not notice.text)
    table.by_pointer("mouse", (104, 9), **grip, part="release")
    table.wait(lambda: table.laid("Stitch length") > 6.5)
