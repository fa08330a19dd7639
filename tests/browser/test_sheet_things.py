"""Sheets begun and opened, measures taken and kept, pictures calibrated, cloth, single repeats."""

from __future__ import annotations

from pathlib import Path as FilePath

from selenium.webdriver.common.by import By
from selenium.webdriver.common.keys import Keys

from tests.browser.table import Table
from tests.pixels import canvas, encoded


def sheet_names(table: Table) -> list[str]:
    return [item.text for item in table.browser.find_elements(By.CSS_SELECTOR, "main li h2")]


def test_a_sheet_is_begun_by_number_duplicated_put_away_and_brought_back(table: Table) -> None:
    table.browser.get(table.address)
    table.by_id("sheet-waistcoat")
    before = len(sheet_names(table))
    form = table.browser.find_element(By.CSS_SELECTOR, "form[aria-label='New sheet']")
    form.find_element(By.XPATH, ".//label[starts-with(., 'Name')]/input").send_keys("Lantern banner")
    table.option("Unit", "Inches").click()
    table.pick("Usual size", "Tabloid, 11 × 17 in")
    table.button("Create").click()
    table.by_id("artwork")
    table.wait(lambda: table.named("Sheet’s width").get_attribute("value") == "11 in")
    table.browser.get(table.address)
    table.wait(lambda: len(sheet_names(table)) == before + 1)
    card = table.browser.find_element(By.XPATH, "//li[.//h2[.='Lantern banner']]")
    card.find_element(By.XPATH, ".//button[.='Archive']").click()
    table.wait(lambda: "Lantern banner" not in sheet_names(table))
    table.button("Archived sheets").click()
    table.wait(lambda: sheet_names(table) == ["Lantern banner"])
    table.button("Restore").click()
    table.button("Current sheets").click()
    table.wait(lambda: "Lantern banner" in sheet_names(table))
    table.browser.find_element(By.XPATH, "//li[.//h2[.='Lantern banner']]//button[.='Duplicate']").click()
    table.by_id("artwork")
    table.wait(lambda: table.named("Name of the sheet").get_attribute("value") == "Lantern banner 2")


def test_a_known_length_sets_the_scale_and_stitches_follow(table: Table) -> None:
    table.choose("hem-r")
    table.wait(table.count)
    table.press("6")
    table.option("What is measured", "Along the path").click()
    # By keys: from the first node of the hem to its last.
    for node in ("Node 1", "Node 3"):
        table.pick("A node of the chosen path as the next place", node)
    measured = table.by_id("measured").text
    assert measured.startswith("359.5 mm")
    # A third place begins anew.
    table.pick("A node of the chosen path as the next place", "Node 3")
    table.wait(lambda: not table.all_by_id("measured"))
    table.pick("A node of the chosen path as the next place", "Node 1")
    table.wait(lambda: table.by_id("measured").text == measured)
    count = table.count()
    table.type_in("Known length", "719 mm")
    table.button("Set the sheet’s scale").click()
    # Drawn as before, but now 1:8: as many stitches again on the garment.
    table.wait(lambda: abs(table.count() - 2 * count) <= 2)


def test_a_measurement_stays_as_a_check_mark(table: Table) -> None:
    table.press("6")
    table.on_paper(("press", 150, 120), ("press", 350, 120))
    text = table.by_id("measured").text.split(" mm")[0] + " mm"
    table.button("Keep it on the sheet as a check mark").click()
    table.wait(lambda: table.button("Remove"))
    table.press("1")
    marks = "//*[name()='svg'][@aria-label='Paths']//*[name()='text']"
    table.wait(
        lambda: any(item.text in text for item in table.browser.find_elements(By.XPATH, marks) if item.text)
    )
    table.control("z")
    table.wait(lambda: not [m for m in table.browser.find_elements(By.XPATH, marks) if m.text])


def test_a_picture_is_laid_under_and_calibrated(table: Table, tmp_path: FilePath) -> None:
    file = tmp_path / "scan.png"
    file.write_bytes(encoded(canvas(300, 400, (120, 60, 60))))
    table.named("Picture to lay under the paths").send_keys(str(file))
    before = table.named("scan: width on the garment").get_attribute("value")
    table.button("Calibrate by a known length").click()
    table.on_paper(("press", 250, 200), ("press", 450, 200))
    table.type_in("Known length", "1 m")
    table.button("Size the picture").click()
    table.press("1")
    table.wait(lambda: table.named("scan: width on the garment").get_attribute("value") != before)
    table.named("Picture to lay under the paths").send_keys(__file__)
    assert "not a whole PNG" in table.notice()


def test_a_picture_is_placed_by_hand_and_by_keys(table: Table, tmp_path: FilePath) -> None:
    file = tmp_path / "scan.png"
    file.write_bytes(encoded(canvas(300, 400, (120, 60, 60))))
    table.named("Picture to lay under the paths").send_keys(str(file))

    def number(what: str) -> float:
        return float((table.named(f"scan: {what}").get_attribute("value") or "").split()[0].rstrip("°"))

    table.button("Move it by hand").click()
    left, width = number("middle, from the left"), number("width on the garment")
    table.drag(table.by_id("picture-middle"), 60, 0)
    table.wait(lambda: number("middle, from the left") > left + 20)
    table.drag(table.by_id("picture-right"), 40, 30)
    table.wait(lambda: number("width on the garment") > width + 20)
    table.drag(table.by_id("picture-arc"), 0, 60)
    table.wait(lambda: 5 < number("turned by") < 60)
    left = number("middle, from the left")
    grip = table.by_id("picture-middle")
    table.browser.execute_script("arguments[0].focus()", grip)
    grip.send_keys(Keys.SHIFT, Keys.ARROW_LEFT)
    table.wait(lambda: abs(number("middle, from the left") - (left - 10)) < 0.01)
    # A locked picture has no grips.
    table.browser.find_element(By.XPATH, "//label[contains(., 'Locked')]/input").click()
    table.wait(lambda: not table.all_by_id("picture-middle"))


def test_cloth_fills_a_front_and_a_single_bead_is_placed(table: Table) -> None:
    table.choose("front-r")
    table.button("Fill with cloth").click()
    table.pick("Weave", "Twill, 2 over 2")
    table.type_in("Ends to the cm", "12*2")
    table.wait(lambda: table.named("Ends to the cm").get_attribute("value") == "24")
    table.press(Keys.ESCAPE)
    table.menu("Topstitch, 3 + 1 mm: more", "Place one repeat")
    table.type_in("Single repeat: turned by", "45")
    table.wait(lambda: table.named("Single repeat: turned by").get_attribute("value") == "45°")
    one = table.browser.find_element(By.CSS_SELECTOR, "[aria-label^='A single']")
    table.drag(one, 40, 20)
    table.type_in("Single repeat: middle, from the left", "20 cm")
    table.wait(
        lambda: table.named("Single repeat: middle, from the left").get_attribute("value") == "200.00 mm"
    )
    # Dragged from its lower right to straight below: it runs downward.
    table.drag(table.by_id("single-turn"), -24, 12)
    table.wait(
        lambda: 80 < float((table.named("Single repeat: turned by").get_attribute("value") or "")[:-1]) < 100
    )
    table.browser.execute_script("arguments[0].focus()", one)
    one.send_keys(Keys.DELETE)
    table.wait(lambda: not table.browser.find_elements(By.CSS_SELECTOR, "[aria-label^='A single']"))
