"""The rest of the Ticket: every control does what it says, and nothing is lost."""

from __future__ import annotations

import pytest
from selenium.webdriver.common.by import By
from selenium.webdriver.common.keys import Keys
from selenium.webdriver.support.ui import Select

from tests.browser.table import Table

HEM = "hem-r"


def undo_title(table: Table) -> str:
    return table.button("Undo").get_attribute("title") or ""


def settings_of(table: Table, sheet: str = "waistcoat") -> dict[str, object]:
    """The topmost run's settings on the hem, as the server has them."""
    script = """const done = arguments[1];
    fetch(`/api/sheets/${arguments[0]}`).then((r) => r.arrayBuffer()).then((b) => {
      const n = new DataView(b).getUint32(0, true);
      const head = JSON.parse(new TextDecoder().decode(new Uint8Array(b, 4, n)));
      done(head.runs.findLast((run) => run.path === "waistcoat-hem-r").settings);
    });"""
    found: dict[str, object] = table.browser.execute_async_script(script, sheet)
    return found


def dress(table: Table, brush: str, path: str = HEM) -> None:
    table.choose(path)
    button = table.by_id(f"brush-{brush}")
    table.browser.execute_script("arguments[0].scrollIntoView({block: 'center'})", button)
    # Brushes above it may still be getting their pictures, which moves it.
    table.press_by_id(f"brush-{brush}")
    table.wait(lambda: undo_title(table).startswith("Undo: Lay "))


@pytest.mark.parametrize("layout", ["A repeat", "A gap"])
def test_layouts_are_chosen(table: Table, layout: str) -> None:
    table.choose(HEM)
    table.option("On the middle of a leg", layout).click()
    table.wait(lambda: undo_title(table) == "Undo: Set layout")
    odd = {count % 2 for _, count in table.legs()}
    assert odd == ({1} if layout == "A repeat" else {0})


def test_shorten_last_is_chosen_with_how_many(table: Table) -> None:
    table.choose(HEM)
    table.option("Remainder", "Shorten last").click()
    table.type_in("Shortened before a corner", "2")
    table.wait(lambda: undo_title(table) == "Undo: Set shortened stitches")
    table.type_in("Shortened before a corner", "7")
    alert = table.wait(lambda: table.browser.find_element(By.CSS_SELECTOR, "[role=alert]"))
    assert "shortened" in alert.text or "made up" in alert.text


def test_ticks_tick(table: Table) -> None:
    table.choose(HEM)
    for label, key in (
        ("One length for all legs, right and left", "shared"),
        ("Half a gap at both ends of a leg", "half_gaps"),
    ):
        table.sought(By.XPATH, f"//label[contains(., '{label}')]").click()
        table.wait(lambda k=key: settings_of(table)["courses"][0]["fit"][k] is True)  # type: ignore[index]


def test_an_offset_row_moves_off_its_path_by_measure(table: Table) -> None:
    table.choose(HEM)
    before = table.count()
    table.type_in("Offset", "-1/4 in")
    table.wait(lambda: table.named("Offset").get_attribute("value") == "-6.35 mm")
    assert table.count() != before


def test_backtack_and_condensed_stitches_show_on_the_tape(table: Table) -> None:
    table.choose(HEM)
    table.type_in("Backtack, stitches", "3")
    table.wait(lambda: len(table.all_by_id("tape-piece")) == 6)
    table.type_in("Condensed, stitches", "2")
    table.wait(lambda: len(table.all_by_id("tape-piece")) == 10)
    table.type_in("Bartack", "8 mm")
    table.wait(lambda: len(table.all_by_id("tape-piece")) == 12)


@pytest.mark.parametrize("brush", ["rope", "border", "stem", "chain"])
def test_facing_and_hold_of_drawn_motifs(table: Table, brush: str) -> None:
    dress(table, brush)
    table.option("Facing", "Turned").click()
    table.type_in("Turned by", "30")
    table.wait(lambda: table.named("Turned by").get_attribute("value") == "30°")
    assert undo_title(table) == "Undo: Set facing"
    table.option("On curves", "Rigid").click()
    table.wait(lambda: undo_title(table) == "Undo: Set hold")
    table.option("Overlap", "Last over next").click()
    table.wait(lambda: undo_title(table) == "Undo: Set overlap")


def test_the_order_of_motifs_is_typed(table: Table) -> None:
    dress(table, "long-short")
    table.type_in("Order", "A A B")
    table.wait(lambda: undo_title(table) == "Undo: Set order")
    table.type_in("Order", "A C")
    alert = table.wait(lambda: table.browser.find_element(By.CSS_SELECTOR, "[role=alert]"))
    assert "letters from A to B" in alert.text


def test_a_bands_width_and_the_swell_are_set(table: Table) -> None:
    dress(table, "ribbon")
    table.option("Course to set", "1 Band").click()
    table.type_in("Width", "10 mm")
    table.wait(lambda: table.named("Width").get_attribute("value") == "10 mm")
    table.option("Its joins", "Round").click()
    table.wait(lambda: undo_title(table) == "Undo: Set joins")
    pad = table.sought(By.CSS_SELECTOR, "[aria-label^='Width along the run']")
    table.browser.execute_script("arguments[0].scrollIntoView({block: 'center'})", pad)
    table.drag(pad, 40, -12)
    table.wait(lambda: undo_title(table) == "Undo: Set swell")


def test_size_and_line_weight_are_apart(table: Table) -> None:
    dress(table, "border")
    before = table.laid("Repeat length")
    table.type_in("Size", "50")
    table.wait(lambda: table.laid("Repeat length") == pytest.approx(before / 2, abs=0.4))
    half = table.laid("Repeat length")
    table.type_in("Line weight", "200")
    table.wait(lambda: undo_title(table) == "Undo: Set line weight")
    assert table.laid("Repeat length") == half


def test_mitre_limit_and_stop_are_there_when_they_apply(table: Table) -> None:
    table.choose(HEM)
    fields = "[aria-label='Mitre limit'], [aria-label='Stops before by']"
    assert not table.browser.find_elements(By.CSS_SELECTOR, fields)
    table.option("At corners", "Mitre").click()
    table.type_in("Mitre limit", "1.1")
    table.wait(lambda: undo_title(table) == "Undo: Set mitre limit")
    table.option("At corners", "Stop short").click()
    table.type_in("Stops before by", "4 mm")
    table.wait(lambda: undo_title(table) == "Undo: Set stop before a corner")


def test_a_measure_is_set_on_paper_and_nothing_moves(table: Table) -> None:
    table.choose(HEM)
    before = table.count()
    table.named("Stitch length is set on the garment: set it on paper").click()
    table.wait(lambda: table.named("Stitch length").get_attribute("value") == "1.50 mm")
    assert table.count() == before


def test_direction_hiding_and_taking_off(table: Table) -> None:
    table.choose(HEM)
    table.button("Reverse direction").click()
    table.wait(lambda: undo_title(table) == "Undo: Reverse the direction")
    table.button("Hide").click()
    table.wait(lambda: table.button("Show"))
    table.button("Remove the brush").click()
    table.wait(lambda: "Lay a brush" in table.named("Ticket").text)


def test_own_settings_are_given_to_a_brush_of_their_own(table: Table) -> None:
    table.choose(HEM)
    table.type_in("Stitch length", "5 mm")
    table.button("Make a brush of these").click()
    table.wait(lambda: "Show stitch, 6 + 2.8 mm 2" in table.named("Ticket").text)
    assert not table.browser.find_elements(By.CSS_SELECTOR, "[aria-label^='Stitch length is this run']")


def test_a_path_is_renamed_and_regrouped(table: Table) -> None:
    table.choose(HEM)
    table.type_in("Name of the path", "Foot")
    table.wait(lambda: "Foot" in table.path_names())
    table.pick("Seam group", "A new group …")
    table.browser.find_element(By.ID, "seam-group").send_keys("Feet", Keys.ENTER)
    table.wait(lambda: undo_title(table) == "Undo: Put 1 into Feet")


def test_the_other_sheet_is_a_choice_away(table: Table) -> None:
    table.menu("Sheet: Usher’s waistcoat", "Season programme")
    table.wait(lambda: "Letter S" in table.path_names())
    table.browser.back()
    table.wait(lambda: "Hem R" in table.path_names())


def test_the_interface_is_turned_dark_and_stays_so(table: Table) -> None:
    table.menu("View", "Dark interface")
    table.browser.refresh()
    table.by_id("artwork")
    theme = "return document.documentElement.dataset.theme"
    assert table.browser.execute_script(theme) == "lamp"
    table.menu("View", "Light interface")
    assert table.browser.execute_script(theme) == "paper"


def test_each_needle_of_a_twin_is_set_for_itself(table: Table) -> None:
    dress(table, "twin")
    first = table.laid("Stitch length")
    table.option("Course to set", "2 Row").click()
    table.type_in("Stitch length", "5 mm")
    table.wait(lambda: abs(table.laid("Stitch length") - 5) < 0.5)
    table.option("Remainder", "Leave over").click()
    table.wait(lambda: table.laid("Stitch length") == 5)
    other = table.option("Course to set", "1 Row")
    # The driver does not know that the Ticket's head lies over what is scrolled under it.
    table.browser.execute_script("arguments[0].scrollIntoView({block: 'center'})", other)
    other.click()
    table.wait(lambda: table.laid("Stitch length") == first)


def test_a_corner_is_made_from_the_repeat(table: Table) -> None:
    dress(table, "scallop")
    table.option("At corners", "Corner piece").click()
    for how in ("Folded", "Turned", "Gathered"):
        table.option("Made from the repeat", how).click()
        table.wait(lambda: undo_title(table) == "Undo: Set how corners are made")
        table.wait(
            lambda how=how: (
                table.option("Made from the repeat", how).find_element(By.TAG_NAME, "input").is_selected()
            )
        )
    table.type_in("Fullness", "2 * 1.1")
    table.wait(lambda: table.named("Fullness").get_attribute("value") == "2.2")


def test_sway_takes_sums_and_says_what_is_wrong(table: Table) -> None:
    dress(table, "border")
    Select(table.named("Add sway")).select_by_visible_text("Size")
    table.type_in("Size sway", "5*3 %")
    table.wait(lambda: table.named("Size sway").get_attribute("value") == "15 %")
    table.type_in("Size sway", "3 mm")
    alert = table.wait(lambda: table.browser.find_element(By.CSS_SELECTOR, "[role=alert]"))
    assert "this takes a percentage" in alert.text
