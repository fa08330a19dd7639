"""Single repeats at the Table: chosen on the Tape or by number, left out, moved, and laid again."""

from __future__ import annotations

from selenium.webdriver import ActionChains
from selenium.webdriver.common.by import By
from selenium.webdriver.common.keys import Keys
from selenium.webdriver.support.ui import Select

from tests.browser.table import Table
from tests.browser.test_bench import undo_title


def said(table: Table) -> str:
    """What the row of the Ticket says in its heading."""
    return " ".join(table.browser.find_element(By.CSS_SELECTOR, "[data-row=by-hand] h3").text.split())


def test_a_stitch_is_left_out_by_a_press_on_the_tape_and_laid_again(table: Table) -> None:
    table.choose("hem-r")
    tape = table.by_id("tape")
    assert said(table) == "By hand none"
    ActionChains(table.browser).move_to_element_with_offset(tape, -200, 0).click().perform()
    table.wait(lambda: table.named("Number in the leg").get_attribute("value"))
    count = tape.get_attribute("aria-label")
    left_out = "//*[@data-row='by-hand']//label[contains(., 'Left out')]/input"
    table.sought(By.XPATH, left_out).click()
    table.wait(lambda: undo_title(table) == "Undo: Set a repeat by hand")
    mark = table.by_id("tape-repeat")
    assert "left out" in (mark.get_attribute("aria-label") or "")
    assert mark.get_attribute("aria-pressed") == "true"
    table.wait(lambda: table.by_id("tape").get_attribute("aria-label") != count)
    assert said(table) == "By hand 1 stitch by itself"
    table.button("Lay it as the brush has it").click()
    table.wait(lambda: not table.all_by_id("tape-repeat"))
    assert table.by_id("tape").get_attribute("aria-label") == count


def test_a_repeat_is_chosen_by_number_and_moved_by_keys_alone(table: Table) -> None:
    table.choose("hem-r")
    table.unfold("by-hand")
    table.type_in("Number in the leg", "900")
    fault = table.sought(By.XPATH, "//*[@data-row='by-hand']//*[@role='alert']")
    assert "enter a number from 1 to" in fault.text
    table.press(Keys.ESCAPE)
    table.type_in("Number in the leg", "4")
    table.type_in("Repeat: moved across, to the right", "3*1")
    table.wait(lambda: table.named("Repeat: moved across, to the right").get_attribute("value") == "3 mm")
    table.type_in("Repeat: turned by", "45")
    table.wait(lambda: table.named("Repeat: turned by").get_attribute("value") == "45°")
    # It is kept while the run is laid anew.
    table.type_in("Stitch length", "4 mm")
    table.wait(lambda: undo_title(table) == "Undo: Set stitch length")
    assert said(table) == "By hand 1 stitch by itself"
    assert table.named("Repeat: turned by").get_attribute("value") == "45°"


def test_one_has_a_motif_of_the_library_and_the_tape_comes_to_it(table: Table) -> None:
    table.choose("hem-r")
    table.unfold("by-hand")
    table.type_in("Number in the leg", "4")
    table.pick("Motif of the repeat", "Coat button")
    table.wait(lambda: undo_title(table) == "Undo: Set a repeat by hand")
    chosen = Select(table.named("Motif of the repeat"))
    assert chosen.first_selected_option.text == "Coat button"
    # Another far along: the Tape, which shows a small part of the hem, comes to it once it is set.
    for _ in range(4):
        table.named("Larger on the Tape").click()
    table.type_in("Number in the leg", str(_count(table)))
    table.pick("Motif of the repeat", "Coat button")
    table.wait(lambda: said(table) == "By hand 2 stitches by themselves")

    def pressed() -> list[str | None]:
        return [mark.get_attribute("aria-pressed") for mark in table.all_by_id("tape-repeat")]

    table.wait(lambda: pressed() == ["true"])
    Select(table.named("Repeat set by hand")).select_by_index(1)
    table.wait(lambda: table.named("Number in the leg").get_attribute("value") == "4")
    table.wait(
        lambda: [mark.get_attribute("aria-pressed") for mark in table.all_by_id("tape-repeat")] == ["true"]
    )


def _count(table: Table) -> int:
    """How many repeats the hem's leg has, by the error that a number past them gets."""
    table.type_in("Number in the leg", "9000")
    fault = table.sought(By.XPATH, "//*[@data-row='by-hand']//*[@role='alert']").text
    table.press(Keys.ESCAPE)
    return int(fault.rsplit(" ", 1)[1].rstrip("."))


def test_the_ticket_stays_where_another_row_is_opened_beside(table: Table) -> None:
    table.choose("hem-r")
    table.unfold("by-hand")
    table.type_in("Number in the leg", "4")
    heading = table.browser.find_element(By.CSS_SELECTOR, "[data-row=stitch] > h3 > button")
    table.browser.execute_script("arguments[0].scrollIntoView({block: 'center'})", heading)
    top = "return arguments[0].getBoundingClientRect().top"
    before = table.browser.execute_script(top, heading)
    table.unfold("stitch")
    table.wait(lambda: heading.get_attribute("aria-expanded") == "true")
    assert table.browser.execute_script(top, heading) == before
