"""A sheet in inches is read and entered in inches."""

from __future__ import annotations

import pytest
from selenium.webdriver.common.by import By
from selenium.webdriver.common.keys import Keys

from tests.browser.table import Table


@pytest.fixture
def inches(table: Table) -> Table:
    table.option("Unit", "Inches").click()
    table.choose("hem-r")
    table.unfold("legs")
    table.wait(lambda: table.by_id("legs").find_element(By.TAG_NAME, "th").text == "in")
    return table


def value(table: Table, label: str) -> str:
    return table.named(label).get_attribute("value") or ""


def test_the_ticket_and_the_tape_are_in_inches(inches: Table) -> None:
    assert value(inches, "Stitch length") == "0.2362 in"
    assert inches.by_id("legs").find_element(By.TAG_NAME, "th").text == "in"
    assert "garment in" in inches.named("Tape").text
    # 359.5 mm of hem.
    assert "14.15 in" in inches.named("Ticket").text
    assert " mm" not in inches.named("Ticket").text.replace("6 + 2.8 mm", "")


def test_a_bare_number_is_in_inches_and_another_unit_may_be_said(inches: Table) -> None:
    inches.type_in("Stitch length", "1/8")
    inches.wait(lambda: value(inches, "Stitch length") == "1/8 in")
    inches.type_in("Gap", "1 mm")
    inches.wait(lambda: value(inches, "Gap") == "0.0394 in")
    inches.named("Stitch length").send_keys(Keys.ARROW_UP)
    inches.wait(lambda: value(inches, "Stitch length") == "0.129 in")


def test_warnings_and_their_mends_are_in_inches(inches: Table) -> None:
    inches.type_in("Gap", "0")
    text = inches.wait(lambda: inches.warnings()["solid-line"])
    assert "0 in" in text
    assert " mm" not in text


def test_a_length_that_shows_none_yet_is_typed_in_inches_too(inches: Table) -> None:
    before = len(inches.path_names())
    inches.type_in("Cut at a length along it", "4")
    inches.wait(lambda: len(inches.path_names()) == before + 1)
    inches.wait(lambda: "4.00 in" in inches.named("Ticket").text)


def test_counts_and_angles_stay_what_they_are(inches: Table) -> None:
    inches.type_in("Count of leg 1", "14")
    inches.wait(lambda: value(inches, "Count of leg 1") == "14")
    inches.type_in("Gap", "30 %")
    assert inches.still(lambda: value(inches, "Gap")) == "30 %"
    inches.type_in("Gap", "25")
    inches.wait(lambda: value(inches, "Gap") == "25 %")
