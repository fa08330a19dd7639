"""The whole story: choose a seam, stitch it by measure, move it, send it out."""

from __future__ import annotations

import time
from pathlib import Path as FilePath

import pytest
from selenium.webdriver import ActionChains
from selenium.webdriver.common.actions.wheel_input import ScrollOrigin
from selenium.webdriver.common.by import By
from selenium.webdriver.common.keys import Keys

from tests.browser.table import Table
from tests.faults.client import command
from tests.server import Server

HEM = "hem-r"


def test_a_seam_is_stitched_at_a_stated_length_and_gap(table: Table) -> None:
    table.choose("hem-l")
    table.by_id("brush-topstitch").click()
    table.wait(lambda: table.count() > 60)
    table.type_in("Stitch length", "1/8 in")
    table.wait(lambda: table.named("Stitch length").get_attribute("value") == "3.175 mm")
    table.type_in("Gap", "2*0.75")
    table.wait(lambda: table.laid("Gap") == pytest.approx(1.5, abs=0.06))
    assert table.laid("Stitch length") == pytest.approx(3.175, abs=0.12)
    table.named("Stitch length is this run’s own: follow the brush again").click()
    table.wait(lambda: table.named("Stitch length").get_attribute("value") == "3.00 mm")


def test_stitches_land_on_the_corners(table: Table) -> None:
    table.choose(HEM)
    table.wait(lambda: len(table.legs()) == 2)
    assert [fold.text for fold in table.all_by_id("fold")] == ["73°"]
    assert "turns 73°, pivot" in table.corner_words()
    table.option("At corners", "Carry round").click()
    table.wait(lambda: len(table.legs()) == 1)
    table.option("At corners", "Pivot").click()
    table.type_in("Corner angle", "80")
    table.wait(lambda: len(table.legs()) == 1)


def test_spi_sets_the_pitch_and_is_refused_for_a_gap(table: Table) -> None:
    table.choose(HEM)
    table.type_in("Stitch length", "4 spi")
    table.wait(lambda: table.named("Stitch length").get_attribute("value") == "3.55 mm")
    table.type_in("Gap", "4 spi")
    alert = table.wait(lambda: table.browser.find_element(By.CSS_SELECTOR, "[role=alert]"))
    assert "sets a pitch" in alert.text
    assert table.named("Gap").get_attribute("value") == "4 spi"
    table.named("Gap").send_keys(Keys.ESCAPE)
    assert table.named("Gap").get_attribute("value") == "2.80 mm"


def test_the_run_follows_a_node_while_it_is_dragged_and_after(table: Table) -> None:
    table.choose(HEM)
    before = table.legs()
    table.drag(table.by_id("node-n2"), 40, 24, let_go=False)
    table.wait(lambda: table.legs() != before)
    during = table.legs()
    assert not table.can_undo()
    table.let_go()
    table.wait(table.can_undo)
    assert table.legs() == during
    table.control("z")
    table.wait(lambda: table.legs() == before)
    table.control("y")
    table.wait(lambda: table.legs() == during)


def test_handles_bend_a_path(table: Table) -> None:
    table.choose(HEM)
    table.by_id("node-n2").click()
    before = table.legs()
    table.drag(table.by_id("handle-out"), 0, 60)
    table.wait(lambda: table.legs() != before)
    table.wait(lambda: table.button("Undo").get_attribute("title") == "Undo: Bend Hem R")


def test_nodes_are_added_shaped_and_deleted(table: Table) -> None:
    table.choose("dart-l")
    table.by_id("node-n1").click()
    table.button("Add one after node 1").click()
    table.wait(lambda: "3 nodes" in table.named("Ticket").text)
    table.option("Handles", "Straight").click()
    straight = "//*[@aria-label='Handles']//label[normalize-space()='Straight']/input"
    table.wait(lambda: table.browser.find_element(By.XPATH, straight).is_selected())
    table.to_sheet()
    table.press(Keys.DELETE)
    table.wait(lambda: "2 nodes" in table.named("Ticket").text)
    table.press(Keys.DELETE)
    table.wait(lambda: "Dart L" not in table.path_names())


def test_nodes_move_by_the_arrow_keys(table: Table) -> None:
    table.choose(HEM)
    before = table.legs()
    table.browser.execute_script("arguments[0].focus()", table.by_id("node-n1"))
    table.press(Keys.ARROW_DOWN)
    table.wait(lambda: table.legs()[0][0] == pytest.approx(before[0][0] - 0.7, abs=0.35))


def test_everything_survives_a_reload_and_a_restart(table: Table, server: Server) -> None:
    table.choose(HEM)
    table.type_in("Stitch length", "5 mm")
    table.wait(lambda: table.count() > 44)
    laid = table.count()
    table.browser.refresh()
    table.by_id("artwork")
    table.choose(HEM)
    assert table.wait(table.count) == laid
    server.stop()
    server.start()
    assert server.address == table.address
    table.browser.refresh()
    table.by_id("artwork")
    table.choose(HEM)
    assert table.wait(table.count) == laid
    table.control("z")
    table.wait(lambda: table.count() != laid)
    table.control("z", shift=True)
    table.wait(lambda: table.count() == laid)


def test_a_path_is_drafted_and_dressed(table: Table) -> None:
    table.press("2")
    table.on_paper(
        ("press", 120, 500), ("press", 220, 500), ("hold", 320, 560), ("go", 340, 590), ("release", 360, 600)
    )
    assert len(table.by_id("draft").find_elements(By.TAG_NAME, "circle")) == 3
    table.press(Keys.ENTER)
    table.wait(lambda: len(table.path_names()) == 13)
    table.press("1")
    table.by_id("brush-topstitch").click()
    table.wait(lambda: table.count() > 20)


def test_a_draft_closes_on_its_first_node(table: Table) -> None:
    table.press("2")
    table.on_paper(("press", 60, 520), ("press", 120, 520), ("press", 100, 580), ("press", 62, 522))
    table.wait(lambda: len(table.path_names()) == 13)
    assert "closed" in table.named("Ticket").text


def test_a_path_is_drafted_by_keys_alone(table: Table) -> None:
    table.press("2")
    table.press(" ", *[Keys.ARROW_RIGHT] * 12, " ", *[Keys.ARROW_DOWN] * 5, " ", Keys.ESCAPE)
    table.wait(lambda: len(table.path_names()) == 13)
    assert "68.0 mm" in table.named("Ticket").text


def test_pointing_at_the_tape_lights_the_sheet_and_back(table: Table) -> None:
    table.choose(HEM)
    tape = table.by_id("tape")
    ActionChains(table.browser).move_to_element_with_offset(tape, 120, 0).perform()
    lit = table.wait(lambda: table.by_id("lit"))
    assert table.all_by_id("tape-lit")
    box = lit.find_element(By.TAG_NAME, "path").rect
    at = round(box["x"] + box["width"] / 2), round(box["y"] + box["height"] / 2)
    index = lit.get_attribute("data-index")
    ActionChains(table.browser).move_to_element(table.by_id("fold")).perform()
    chain = ActionChains(table.browser)
    chain.w3c_actions.pointer_action.move_to_location(*at)
    chain.w3c_actions.perform()
    table.wait(
        lambda: table.by_id("lit").get_attribute("data-index") == index and table.all_by_id("tape-lit")
    )


def test_ctrl_and_wheel_zoom_about_the_pointer_and_the_wheel_pans(table: Table) -> None:
    table.choose(HEM)
    before = table.zoom()
    node = table.by_id("node-n1")
    place = node.rect
    table.wheel(node, -240)
    table.wait(lambda: table.zoom() > 1.5 * before)
    assert table.by_id("node-n1").rect["x"] == pytest.approx(place["x"], abs=4)
    origin = ScrollOrigin.from_element(table.by_id("paper"))
    ActionChains(table.browser).scroll_from_origin(origin, -120, 0).perform()
    table.wait(lambda: table.by_id("node-n1").rect["x"] > place["x"] + 60)
    table.press("f")
    table.wait(lambda: table.zoom() == before)


def test_space_and_drag_pans_and_arrows_pan_where_nothing_is_chosen(table: Table) -> None:
    left = "return document.querySelector('[data-path]').getBoundingClientRect().left"
    table.to_sheet()
    before = table.browser.execute_script(left)
    table.press(Keys.ARROW_LEFT)
    table.wait(lambda: table.browser.execute_script(left) == pytest.approx(before + 60, abs=2))
    held = ActionChains(table.browser, duration=30).key_down(" ")
    held.move_to_element_with_offset(table.by_id("paper"), -300, 250).click_and_hold()
    held.move_by_offset(20, 20).move_by_offset(30, 30).release().key_up(" ").perform()
    table.wait(lambda: table.browser.execute_script(left) == pytest.approx(before + 110, abs=3))
    assert "Usher" in table.named("Name of the sheet").get_attribute("value")


def test_one_key_hides_every_mark_and_the_background_turns_dark(table: Table) -> None:
    table.choose(HEM)
    table.press("m")
    table.wait(lambda: not table.browser.find_elements(By.CSS_SELECTOR, "[data-path]"))
    table.press("m")
    table.wait(lambda: table.browser.find_elements(By.CSS_SELECTOR, "[data-path]"))
    table.menu("View", "Dark background")
    table.wait(lambda: table.browser.find_element(By.CSS_SELECTOR, "main[data-background=dark]"))
    # Painted at once: it was one step behind.
    table.wait(lambda: sum(paper_pixel(table)) < 200)


def paper_pixel(table: Table) -> list[int]:
    """The colour of the sheet in its upper left corner."""
    found: list[int] = table.browser.execute_script(
        """const canvas = document.querySelector("#paper canvas"), ratio = canvas.width / canvas.clientWidth;
        const at = [40, 90].map((px) => px * ratio);
        return [...canvas.getContext("2d").getImageData(...at, 1, 1).data].slice(0, 3);"""
    )
    return found


def test_warnings_come_first_with_a_mend(table: Table) -> None:
    table.choose(HEM)
    table.type_in("Thread", "0.2 mm")
    table.wait(lambda: "0.14 pt" in table.warnings()["too-fine"])
    table.button("Thicken to 0.25 pt").click()
    table.wait(lambda: "too-fine" not in table.warnings())
    table.type_in("Gap", "0.3 mm")
    table.wait(lambda: "solid line" in table.warnings()["solid-line"])


def test_colour_fit_and_ends(table: Table) -> None:
    table.choose(HEM)
    table.type_in("Thread colour, entered", "firebrick")
    table.wait(lambda: table.tape_colour() == "#b22222")
    table.option("Remainder", "Leave over").click()
    table.wait(lambda: table.browser.find_elements(By.CSS_SELECTOR, "[data-left-over]"))
    table.option("Remainder", "Even gaps").click()
    table.wait(lambda: table.laid("Stitch length") == 6.0)
    table.option("Thread ends", "Flat").click()
    table.wait(lambda: table.button("Undo").get_attribute("title") == "Undo: Set thread ends")


def test_a_group_is_dressed_at_once(table: Table) -> None:
    table.browser.find_element(By.XPATH, "//button[contains(., 'Armholes')]").click()
    table.by_id("brush-eight").click()
    table.wait(lambda: "2 paths chosen" in table.named("Ticket").text and table.count() > 50)
    assert table.button("Undo").get_attribute("title") == "Undo: Lay Running, 8 to the inch on 2 paths"
    table.type_in("Thread colour, entered", "navy")
    for path in ("armhole-r", "armhole-l"):
        table.choose(path)
        table.wait(lambda: table.tape_colour() == "#000080")


SVG = """<svg xmlns="http://www.w3.org/2000/svg" width="60mm" height="60mm" viewBox="0 0 60 60">
<path id="yoke" d="M5 5H45" stroke="#000" fill="none"/></svg>"""


def test_a_drawing_is_imported_at_its_size(table: Table, tmp_path: FilePath) -> None:
    file = tmp_path / "yoke.svg"
    file.write_text(SVG)
    table.named("Drawing to import").send_keys(str(file))
    table.option("Sorted into groups", "By line style").click()
    name = table.wait(
        lambda: table.browser.find_element(By.CSS_SELECTOR, "[aria-label^='Name of 1 mm, plain']")
    )
    name.clear()
    name.send_keys("Yokes")
    table.button("Import 1 path").click()
    table.wait(lambda: "yoke" in table.path_names())
    assert table.browser.find_elements(By.XPATH, "//button[contains(., 'Yokes')]")
    table.browser.find_element(By.XPATH, "//li//button[normalize-space()='yoke']").click()
    assert "160.0 mm" in table.named("Ticket").text


def test_a_bad_drawing_says_what_to_do_and_loses_nothing(table: Table, tmp_path: FilePath) -> None:
    names = table.path_names()
    file = tmp_path / "broken.svg"
    file.write_text("<svg")
    table.named("Drawing to import").send_keys(str(file))
    table.wait(lambda: "broken XML" in table.browser.find_element(By.TAG_NAME, "dialog").text)
    table.button("Cancel").click()
    table.wait(lambda: not table.browser.find_elements(By.TAG_NAME, "dialog"))
    assert table.path_names() == names


def test_exported_as_svg_and_png_at_true_size(table: Table, downloads: FilePath) -> None:
    table.button("Export").click()
    table.wait(lambda: "297.0 × 210.0 mm" in table.browser.find_element(By.TAG_NAME, "dialog").text)
    table.button("Export SVG").click()
    svg = _downloaded(downloads, ".svg")
    assert b'width="297mm"' in svg
    table.option("As", "PNG on transparency").click()
    table.type_in("Pixels per inch", "254")
    table.wait(lambda: "2,970 × 2,100 px" in table.browser.find_element(By.TAG_NAME, "dialog").text)
    table.button("Export PNG").click()
    png = _downloaded(downloads, ".png")
    assert int.from_bytes(png[16:20]) == 2970
    table.press(Keys.ESCAPE)
    table.wait(lambda: not table.browser.find_elements(By.TAG_NAME, "dialog"))


def _downloaded(folder: FilePath, ending: str) -> bytes:
    until = time.monotonic() + 15
    while time.monotonic() < until:
        done = [file for file in folder.glob(f"*{ending}") if file.stat().st_size]
        if done:
            return done[0].read_bytes()
        time.sleep(0.1)
    raise AssertionError(f"no {ending} came")


def test_two_pages_on_one_sheet_lose_nothing(table: Table, server: Server) -> None:
    table.choose(HEM)
    command(server.address, {"kind": "rename-path", "path": "waistcoat-hem-r", "name": "Foot"})
    table.type_in("Stitch length", "5 mm")
    assert "changed in another page" in table.notice()
    table.wait(lambda: "Foot" in table.path_names())
    assert table.named("Stitch length").get_attribute("value") == "5 mm"
    table.named("Stitch length").send_keys(Keys.ENTER)
    table.wait(lambda: table.named("Stitch length").get_attribute("value") == "5.00 mm")


def test_every_control_has_a_name_and_a_panel_is_one_tab_stop(table: Table) -> None:
    table.choose(HEM)
    unnamed = table.browser.execute_script(
        """return [...document.querySelectorAll('button, input, select, a, [role=button]')]
        .filter((e) => !(e.getAttribute('aria-label') || e.textContent.trim() || e.labels?.length))
        .map((e) => e.outerHTML)"""
    )
    assert unnamed == []
    panels = []
    for _ in range(9):
        table.press(Keys.TAB)
        panels.append(
            table.browser.execute_script(
                "const at = document.activeElement; return (at.closest('[data-part]') ?? at).ariaLabel"
            )
        )
    found = [panel for i, panel in enumerate(panels) if panel and panel not in panels[:i]]
    assert {"Head strip", "Paths", "Brushes", "Sheet", "Ticket", "Tape"} <= set(found)


def test_other_runs_stay_in_sight_after_a_command(table: Table) -> None:
    """Pixels of the hem's yellow thread are on the sheet before and after another path is dressed."""

    def yellow() -> int:
        return int(
            table.browser.execute_script(
                """const c = document.querySelector('[data-testid=artwork]');
                const d = c.getContext('2d').getImageData(0, 0, c.width, c.height).data;
                let n = 0;
                for (let i = 0; i < d.length; i += 4) if (d[i] - d[i + 2] > 25) n++;
                return n;"""
            )
        )

    before = table.wait(yellow)
    table.choose("armhole-l")
    table.by_id("brush-eight").click()
    table.wait(lambda: table.count() > 50)
    assert yellow() > 0.9 * before


def test_the_page_itself_never_scrolls(table: Table) -> None:
    """Choosing far down the Ticket scrolls the Ticket alone."""
    table.choose(HEM)
    table.option("Thread ends", "Flat").click()
    table.press(Keys.TAB, Keys.TAB)
    tops = "[document.documentElement, document.body, document.querySelector('#root')]"
    scrolled = f"return {tops}.map((e) => e.scrollTop)"
    assert table.browser.execute_script(scrolled) == [0, 0, 0]
    whole = "return document.querySelector('#root').scrollHeight <= innerHeight"
    assert table.browser.execute_script(whole)
