"""What draws the hand: nodes, paths, the paper's crosses and the sheet's edges; each can be turned off."""

from __future__ import annotations

from collections.abc import Iterator

import pytest
from selenium.webdriver import ActionChains
from selenium.webdriver.common.by import By
from selenium.webdriver.common.keys import Keys

from tests.browser.table import Table

# The sheet's left edge and top, px from the paper's corner, at the zoom of a sheet that is fitted.
EDGES = """
const hem = document.querySelector("[data-testid=path-waistcoat-hem-r]");
const m = hem.getScreenCTM();
const paper = document.querySelector("[data-testid=paper]").getBoundingClientRect();
const along = hem.getPointAtLength(hem.getTotalLength() * 0.45);
return { left: m.e - paper.left, top: m.f - paper.top, zoom: m.a,
         x: along.x * m.a + m.e - paper.left, y: along.y * m.d + m.f - paper.top };
"""


@pytest.fixture
def draft(table: Table) -> Iterator[Table]:
    table.press("2")
    table.by_id("paper")
    yield table
    table.browser.execute_script("localStorage.clear()")


def only(table: Table, *kinds: str) -> None:
    boxes = table.browser.find_elements(By.XPATH, "//*[@aria-label='Ticket']//label[input[@type='checkbox']]")
    for box in boxes:
        field = box.find_element(By.TAG_NAME, "input")
        wanted = any(word in box.text for word in kinds)
        if field.is_selected() != wanted:
            box.click()


def lying(table: Table, x: float, y: float) -> str:
    """What the hand says that it lies on, there."""
    table.on_paper(("go", round(x) + 40, round(y) + 40), ("go", round(x), round(y)))
    found = table.browser.find_elements(By.CSS_SELECTOR, "[data-testid=draft] text")
    return " ".join(item.get_attribute("textContent") or "" for item in found)


def where(table: Table) -> dict[str, float]:
    return dict(table.browser.execute_script(EDGES))


def labels(table: Table) -> list[str]:
    boxes = table.browser.find_elements(By.XPATH, "//*[@aria-label='Ticket']//label[input[@type='checkbox']]")
    return [box.text for box in boxes]


def test_every_kind_can_be_turned_off(draft: Table) -> None:
    assert len(labels(draft)) == 4
    spot = where(draft)
    every = labels(draft)
    only(draft, *every)
    draft.wait(lambda: "Hem R" in lying(draft, spot["x"] + 3, spot["y"] + 3))
    only(draft)
    draft.wait(lambda: lying(draft, spot["x"] + 3, spot["y"] + 3) == "")
    # It is kept in this browser.
    draft.browser.refresh()
    draft.by_id("artwork")
    draft.press("2")
    draft.wait(lambda: len(labels(draft)) == 4)
    boxes = draft.browser.find_elements(By.XPATH, "//*[@aria-label='Ticket']//label/input[@type='checkbox']")
    assert not any(box.is_selected() for box in boxes)


def test_the_sheets_edge_draws_the_hand_to_it(draft: Table) -> None:
    only(draft, "edges")
    spot = where(draft)
    draft.wait(lambda: "edge" in lying(draft, spot["left"] + 4, spot["top"] + 150))
    before = len(draft.path_names())
    draft.on_paper(("press", round(spot["left"]) + 4, round(spot["top"]) + 150))
    draft.on_paper(("press", round(spot["left"]) + 200, round(spot["top"]) + 180))
    draft.press(Keys.ENTER)
    draft.wait(lambda: len(draft.path_names()) == before + 1)
    draft.press("1")
    draft.by_id("node-n1").click()
    draft.wait(lambda: (draft.named("Node, from the left").get_attribute("value") or "") == "0.00 mm")


def test_a_held_shift_keeps_to_straight_and_slanting_lines(draft: Table) -> None:
    only(draft)
    before = len(draft.path_names())
    draft.on_paper(("press", 300, 120))
    draft.browser.execute_script("document.querySelector('[data-testid=paper]').focus()")
    ActionChains(draft.browser).key_down(Keys.SHIFT).perform()
    draft.on_paper(("press", 400, 131))
    ActionChains(draft.browser).key_up(Keys.SHIFT).perform()
    draft.press(Keys.ENTER)
    draft.wait(lambda: len(draft.path_names()) == before + 1)
    line = draft.browser.find_elements(By.CSS_SELECTOR, "[data-path]")[-1].get_attribute("d") or ""
    first, last = (part.split() for part in line.replace("M", "").split("L"))
    # Level: the second node is as far down as the first.
    assert float(first[1]) == pytest.approx(float(last[1]), abs=1e-3)
