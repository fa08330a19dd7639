"""Relief and light: set on a run and on a brush, the sheet's light turned by its dial, seen at once."""

from __future__ import annotations

import pytest
from selenium.webdriver import Keys

from tests.browser.table import Table
from tests.browser.test_bench import on_bench, undo_title

TONES = """
const canvas = document.querySelector("[data-testid=artwork]");
const { data } = canvas.getContext("2d").getImageData(0, 0, canvas.width, canvas.height);
const seen = new Map();
for (let i = 0; i < data.length; i += 4) {
  const key = `${data[i]},${data[i + 1]},${data[i + 2]},${data[i + 3]}`;
  seen.set(key, (seen.get(key) ?? 0) + 1);
}
return [...seen.values()].filter((count) => count > 40).length;
"""
PICTURE = """
const canvas = document.querySelector("[data-testid=artwork]");
return canvas.toDataURL();
"""


def tones(table: Table) -> int:
    """How many colours have more than a few pixels of the artwork."""
    return int(table.browser.execute_script(TONES))


def picture(table: Table) -> str:
    return str(table.browser.execute_script(PICTURE))


def row_words(table: Table) -> str:
    return table.sought("css selector", "[data-row=relief] button").text


@pytest.fixture
def rope(table: Table) -> Table:
    """The programme, its rope chosen and the row Relief open."""
    table.browser.get(f"{table.address}/sheets/programme")
    table.by_id("row-programme-knotted-cord").click()
    table.unfold("relief")
    return table


def raised(table: Table, height: str = "60") -> None:
    table.type_in("Height", height)
    table.wait(lambda: undo_title(table) == "Undo: Set relief")


def test_a_run_is_raised_from_its_ticket_and_lies_flat_again(rope: Table) -> None:
    flat = tones(rope)
    assert "flat" in row_words(rope)
    raised(rope)
    rope.wait(lambda: "raised 60 %, soft shadow" in row_words(rope))
    rope.wait(lambda: tones(rope) > flat + 6)
    rope.option("Finish", "Metal").click()
    rope.wait(lambda: "metal" in row_words(rope))
    rope.type_in("Shadow strength", "0")
    rope.wait(lambda: "no shadow" in row_words(rope))
    rope.button("Follow the brush again").click()
    rope.wait(lambda: "flat" in row_words(rope))
    rope.wait(lambda: tones(rope) == flat)


def test_the_light_is_turned_by_number_keys_and_by_hand(rope: Table) -> None:
    raised(rope)
    rope.to_sheet()
    rope.press(Keys.ESCAPE)
    dial = rope.named("Light comes from: turn it by dragging, or by the arrow keys")
    before = picture(rope)
    rope.browser.execute_script("arguments[0].focus()", dial)
    rope.press(Keys.ARROW_RIGHT)
    rope.wait(lambda: dial.get_attribute("aria-valuenow") == "320")
    rope.wait(lambda: picture(rope) != before)
    assert undo_title(rope) == "Undo: Change the sheet's light"
    # By hand to the right of the dial: light from about 90°.
    rope.drag(dial, 32, 0)
    rope.wait(lambda: abs(int(dial.get_attribute("aria-valuenow") or 0) - 90) < 4)
    rope.type_in("Light above the sheet", "20")
    rope.wait(lambda: rope.named("Light above the sheet").get_attribute("value") == "20°")
    rope.type_in("Light above the sheet", "2")
    rope.wait(lambda: "it must be from 5 to 90°" in rope.named("Ticket").text)


def test_a_brush_is_raised_on_the_bench(table: Table) -> None:
    on_bench(table, "rope")
    table.option("Whose settings", "Whole brush").click()
    table.unfold("relief")
    table.type_in("Height", "70")
    table.wait(lambda: undo_title(table) == "Undo: Set relief")
    table.wait(lambda: "raised 70 %" in row_words(table))
    table.control("z")
    table.wait(lambda: "flat" in row_words(table))
