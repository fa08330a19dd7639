"""The Bench and the Library as a maker uses them."""

from __future__ import annotations

from pathlib import Path as FilePath

import pytest
from selenium.webdriver import ActionChains
from selenium.webdriver.common.by import By
from selenium.webdriver.common.keys import Keys
from selenium.webdriver.support.ui import Select

from curlet.formats.brush_pack import write_brush
from curlet.store.edits.recipes import brush_of
from tests.browser.table import Table


@pytest.fixture
def bench(table: Table) -> Table:
    """The Bench with the drawn rope on it."""
    return on_bench(table, "whipped")


def on_bench(table: Table, brush: str) -> Table:
    table.browser.get(f"{table.address}/bench/{brush}")
    table.by_id("proof-star")
    return table


def summary(page: Table) -> str:
    return page.by_id("proof-summary").text


def undo_title(page: Table) -> str:
    return page.button("Undo").get_attribute("title") or ""


def value(page: Table, label: str) -> str:
    return page.named(label).get_attribute("value") or ""


def test_a_brush_is_made_from_nothing(table: Table) -> None:
    table.browser.get(f"{table.address}/library")
    families = Select(table.named("New brush"))
    table.wait(lambda: len(families.options) > 40)
    families.select_by_visible_text("Laid rope")
    table.by_id("proof-star")
    table.type_in("Diameter", "6 mm")
    table.wait(lambda: undo_title(table) == "Undo: Set diameter")
    table.type_in("Lay", "3*6.5")
    table.wait(lambda: value(table, "Repeat length") == "6.5 mm")
    table.option("Twist", "S").click()
    table.wait(lambda: undo_title(table) == "Undo: Set twist")
    table.named("Name of the brush").click()
    table.type_in("Name of the brush", "Curtain rope")
    table.wait(lambda: undo_title(table) == "Undo: Rename the brush")
    # It is in the brush list, and can be laid.
    table.button("Back to the Table").click()
    table.choose("front-r")
    table.wait(
        lambda: any(
            "Curtain rope" in b.text
            for b in table.browser.find_elements(By.CSS_SELECTOR, "[data-testid^=brush-]")
        )
    )
    table.browser.find_element(By.XPATH, "//button[contains(., 'Curtain rope')]").click()
    table.wait(table.legs)


def test_a_built_in_that_is_changed_becomes_a_copy(bench: Table) -> None:
    bench.type_in("Marks apart", "80")
    bench.wait(lambda: value(bench, "Name of the brush") == "Drawn rope, whipped ends (copy)")
    assert "/bench/whipped" not in bench.browser.current_url
    bench.wait(lambda: value(bench, "Marks apart") == "80 %")
    bench.wait(lambda: value(bench, "Repeat length") == "4 mm")


def test_the_repeat_is_dragged_longer_and_wider(bench: Table) -> None:
    for handle, label in (("drag-length", "Repeat length"), ("drag-width", "Width of the course")):
        before = float(value(bench, label).split()[0])
        bench.drag(bench.by_id(handle).find_element(By.TAG_NAME, "rect"), 24, 24)
        bench.wait(lambda label=label, before=before: float(value(bench, label).split()[0]) > before)


def test_dimensions_are_stepped_by_keys(bench: Table) -> None:
    before = float(value(bench, "Repeat length").split()[0])
    bench.browser.execute_script("arguments[0].focus()", bench.by_id("drag-length"))
    bench.press(Keys.ARROW_RIGHT)
    bench.wait(lambda: float(value(bench, "Repeat length").split()[0]) > before)


def test_a_proof_that_fails_is_told_and_enlarged(table: Table) -> None:
    """Basting leaves its remainder over, so that it does not close."""
    bench = on_bench(table, "basting")
    bench.wait(lambda: summary(bench)[0].isdigit() and bench.by_id("proof-round").get_attribute("data-wrong"))
    bench.by_id("proof-round").click()
    dialog = bench.wait(lambda: bench.browser.find_element(By.CSS_SELECTOR, "dialog[open]"))
    assert "left over" in dialog.text
    bench.button("Back to the board").click()
    bench.wait(lambda: not bench.browser.find_elements(By.CSS_SELECTOR, "dialog[open]"))


def test_a_piece_is_pressed_where_it_lies_and_a_step_is_marked(bench: Table) -> None:
    assert "Edges meet." in bench.by_id("edges").text
    bench.by_id("place-start").click()
    bench.wait(
        lambda: bench.option("Whose settings", "This piece").find_element(By.TAG_NAME, "input").is_selected()
    )
    bench.type_in("Diameter", "7 mm")
    bench.wait(lambda: "start to repeat: a step of 0.500 mm" in bench.by_id("edges").text)
    bench.button("Make the start as wide as the repeat").click()
    bench.wait(lambda: "Edges meet." in bench.by_id("edges").text)
    bench.button("Undo").click()
    bench.wait(lambda: "a step of 0.500 mm" in bench.by_id("edges").text)
    Select(bench.named("Family of the piece")).select_by_visible_text("None")
    bench.wait(lambda: "Edges meet." in bench.by_id("edges").text)
    assert undo_title(bench) == "Undo: Remove the piece at its start"


def test_courses_are_added_moved_and_taken_away(bench: Table) -> None:
    bench.button("band").click()
    bench.wait(lambda: len(bench.browser.find_elements(By.CSS_SELECTOR, "[data-testid^=course-]")) == 2)
    bench.type_in("Width", "3 mm")
    bench.wait(lambda: undo_title(bench) == "Undo: Set width")
    bench.named("Move Band, 3 mm down").click()
    bench.wait(lambda: "band" in bench.by_id("course-0").text)
    bench.named("Remove Band, 3 mm").click()
    bench.wait(lambda: len(bench.browser.find_elements(By.CSS_SELECTOR, "[data-testid^=course-]")) == 1)


@pytest.mark.parametrize("keep", [False, True])
def test_runs_follow_a_changed_brush_or_are_kept(table: Table, keep: bool) -> None:
    on_bench(table, "backstitch")
    table.type_in("Length", "4 mm")
    table.wait(lambda: undo_title(table) == "Undo: Set stitch length")
    brush = table.browser.current_url.rsplit("/", 1)[1]
    table.button("Back to the Table").click()
    table.choose("hem-r")
    row = table.by_id(f"brush-{brush}")
    table.browser.execute_script("arguments[0].scrollIntoView({block: 'center'})", row)
    row.click()
    table.wait(lambda: abs(table.laid("Stitch length") - 4) < 0.4)
    on_bench(table, brush)
    table.type_in("Length", "6 mm")
    table.button("Keep it as it was" if keep else "Let it follow").click()
    table.wait(lambda: value(table, "Repeat length") == "6 mm")
    # It is asked once.
    table.type_in("Length", "6.2 mm")
    table.wait(lambda: value(table, "Repeat length") == "6.2 mm")
    table.button("Back to the Table").click()
    table.choose("hem-r")
    table.wait(lambda: abs(table.laid("Stitch length") - (4 if keep else 6.2)) < 0.6)


def test_earlier_versions_are_gone_back_to(bench: Table) -> None:
    for text in ("70", "78"):
        bench.type_in("Marks apart", text)
        bench.wait(lambda text=text: value(bench, "Marks apart") == f"{text} %")
    bench.button("History").click()
    bench.wait(lambda: len(bench.browser.find_elements(By.XPATH, "//button[.='Go back to it']")) == 2)
    bench.browser.find_elements(By.XPATH, "//button[.='Go back to it']")[-1].click()
    bench.wait(lambda: value(bench, "Marks apart") == "75 %")
    bench.control("z")
    bench.wait(lambda: value(bench, "Marks apart") == "78 %")
    ActionChains(bench.browser).key_down(Keys.CONTROL).key_down(Keys.SHIFT).send_keys("z").key_up(
        Keys.SHIFT
    ).key_up(Keys.CONTROL).perform()
    bench.wait(lambda: value(bench, "Marks apart") == "75 %")


def test_library_are_searched_and_files_exported_and_imported(
    table: Table, tmp_path: FilePath, downloads: FilePath
) -> None:
    table.browser.get(f"{table.address}/library")
    table.named("Search the library").send_keys("border")
    table.wait(lambda: 5 < len(table.browser.find_elements(By.CSS_SELECTOR, "[data-testid^=card-]")) < 12)
    table.by_id("card-key").find_element(By.CSS_SELECTOR, "input[type=checkbox]").click()
    table.button("Export 1 brush").click()
    table.wait(lambda: list(downloads.glob("Key border*.json")))
    file = tmp_path / "own.json"
    file.write_bytes(write_brush(brush_of("wave", "Waves at the hem")))
    table.named("Brush files").send_keys(str(file))
    table.wait(
        lambda: (
            "“Waves at the hem” added." in table.browser.find_element(By.CSS_SELECTOR, "[role=status]").text
        )
    )
    table.named("Brush files").send_keys(str(file))
    table.wait(
        lambda: "already there, the same" in table.browser.find_element(By.CSS_SELECTOR, "[role=status]").text
    )
    bad = tmp_path / "bad.json"
    bad.write_text("no brush")
    table.named("Brush files").send_keys(str(bad))
    table.wait(lambda: "bad.json" in table.browser.find_element(By.CSS_SELECTOR, "[role=status]").text)


def test_a_motif_is_kept_named_and_used_by_another_brush(table: Table) -> None:
    on_bench(table, "lace")
    table.button("Keep in the Library").click()
    table.wait(lambda: "is kept among the motifs" in table.browser.find_element(By.TAG_NAME, "body").text)
    table.button("Library").click()
    table.option("Shelf", "Motifs").click()
    name = table.named("Name of Lace edge, 14 mm")
    name.click()
    table.control("a")
    name.send_keys("Pelmet lace", Keys.ENTER)
    table.named("Name of Pelmet lace")
    table.named("Search the library").send_keys("lace")
    cards = "[data-testid^=motif-]"
    table.wait(lambda: len(table.browser.find_elements(By.CSS_SELECTOR, cards)) == 1)
    table.button("New brush of it").click()
    table.by_id("proof-star")
    assert value(table, "Name of the brush") == "Pelmet lace"
    on_bench(table, "whipped")
    table.by_id("place-end").click()
    Select(table.named("Motif from the Library")).select_by_visible_text("Pelmet lace")
    table.wait(lambda: undo_title(table) == "Undo: Use Pelmet lace")


def test_every_control_on_the_bench_has_a_name(bench: Table) -> None:
    for whose in ("Whole brush", "This course", "This piece"):
        bench.option("Whose settings", whose).click()
        for control in bench.browser.find_elements(
            By.CSS_SELECTOR, "button, input, select, [role=button], a"
        ):
            if control.is_displayed():
                assert control.accessible_name, control.get_attribute("outerHTML")


def test_the_bench_is_reached_by_keys_from_the_brush_list(table: Table) -> None:
    brush = table.by_id("brush-topstitch")
    table.browser.execute_script("arguments[0].focus()", brush)
    # To its menu, open it, down to the last, and in.
    table.press(Keys.ARROW_RIGHT, Keys.ENTER)
    table.wait(lambda: table.browser.switch_to.active_element.get_attribute("role") == "menuitem")
    table.press(Keys.END)
    table.wait(lambda: table.browser.switch_to.active_element.text == "Open on the Bench")
    table.press(Keys.ENTER)
    table.by_id("proof-star")
    assert value(table, "Name of the brush") == "Topstitch, 3 + 1 mm"


def test_a_drawing_is_imported_and_cut_into_pieces(table: Table, tmp_path: FilePath) -> None:
    on_bench(table, "saddle")
    drawing = tmp_path / "leaf.svg"
    drawing.write_text(
        '<svg xmlns="http://www.w3.org/2000/svg" width="40mm" height="12mm" viewBox="0 0 40 12">'
        '<path d="M0 5H40V7H0Z" fill="#5f7f52"/><path d="M6 6C12 0 28 0 34 6C28 10 12 10 6 6Z"/></svg>'
    )
    table.named("Drawing for the Bench").send_keys(str(drawing))
    table.wait(lambda: value(table, "Repeat length") == "40 mm")
    assert undo_title(table) == "Undo: Import leaf.svg"
    table.type_in("First cut at", "6 mm")
    table.type_in("Second cut at", "34 mm")
    table.button("Into start, repeat and end").click()
    table.wait(lambda: value(table, "Repeat length") == "28 mm")
    table.wait(lambda: "Edges meet." in table.by_id("edges").text)
    table.wait(lambda: "6 mm" in (table.by_id("place-start").get_attribute("aria-label") or ""))
    bad = tmp_path / "bad.svg"
    bad.write_text("no drawing")
    table.named("Drawing for the Bench").send_keys(str(bad))
    table.wait(lambda: "SVG" in table.browser.find_element(By.CSS_SELECTOR, "[data-testid=notice]").text)
    assert value(table, "Repeat length") == "28 mm"
